"use client";

import { useState } from "react";
import {
  compressionMessage,
  FILE_LIMITS,
  type FileLimit,
  type Reel,
  REEL_FEET,
  takeName,
  TAPE_IPS,
  type TapeThickness,
  tapeMessage,
} from "@/core/media";
import { say } from "@/messages";
import type { DayMedia } from "@/core/planning";
import { Select } from "@/ui/Select";
import { Row, Stack } from "@/ui/layout";

/** What compressed speech is usually kept at, kbit/s. Common practice. */
const USUAL_KBPS = 192;

/** Where files split, how they are called, what compressing them costs. */
export function FileWords({ media, onLimit }: { media: DayMedia; onLimit: (limit: FileLimit) => void }) {
  const { format } = media.advice;
  const { limit, minutes, filesPerTake } = media.files;
  return (
    <Stack $gap={0.4}>
      <Select
        label="Recorder starts a new file at"
        value={limit}
        options={FILE_LIMITS.map((value) => ({ value, name: value }))}
        onChange={onLimit}
      />
      <p>
        With {format.channels} {format.channels === 1 ? "track" : "tracks"} that is after {Math.floor(minutes)} min.{" "}
        {filesPerTake === 1
          ? "The longest take fits in one file."
          : `The longest take makes ${filesPerTake} files: keep them together.`}
      </p>
      <p>Call them by day, scene, take and who: {takeName(1, 4, 3, "Tam")}.</p>
      <p>
        At {USUAL_KBPS} kbit/s: {say(compressionMessage({ ...format, kbps: USUAL_KBPS }))}
      </p>
    </Stack>
  );
}

/** How long a reel runs. */
export function TapeCorner() {
  const [reel, setReel] = useState<Reel>("7 in");
  const [thickness, setThickness] = useState<TapeThickness>("standard");
  const [ips, setIps] = useState("7.5");
  return (
    <Stack $gap={0.5}>
      <Row $gap={0.6}>
        <Select
          label="Reel"
          value={reel}
          options={(Object.keys(REEL_FEET) as Reel[]).map((value) => ({ value, name: value }))}
          onChange={(value) => setReel(value)}
        />
        <Select
          label="Tape"
          value={thickness}
          options={(["standard", "long", "double"] as const).map((value) => ({ value, name: `${value} play` }))}
          onChange={(value) => setThickness(value)}
        />
        <Select
          label="Speed"
          value={ips}
          options={TAPE_IPS.map((value) => ({ value: String(value), name: `${value} in/s` }))}
          onChange={setIps}
        />
      </Row>
      <p role="status">{say(tapeMessage(REEL_FEET[reel][thickness], Number(ips)))}</p>
    </Stack>
  );
}
