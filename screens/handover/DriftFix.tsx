"use client";

import { useState } from "react";
import type { MatchBody } from "@/core/records";
import { say } from "@/messages";
import { Button } from "@/ui/Button";
import { Row, Soft, Stack } from "@/ui/layout";
import { Working } from "./edit/Opening";
import { nameWith, pickTarget, savedAs } from "./edit/saveSound";
import { useShare } from "./edit/useShare";
import type { AskEdit } from "./edit/useEditDoor";
import { offsetOf } from "./pairs";

const FORM = { bits: 24, isFloat: false } as const;

/** A recording brought to the camera's clock: every sample anew, or cut in its pauses. */
export function DriftFix(props: {
  body: MatchBody;
  file: File;
  /** What both have in common, in the picture, s. */
  under: { fromS: number; toS: number };
  frameRate: number;
  door: AskEdit;
}) {
  const { body, file, under, frameRate, door } = props;
  const { share, begin, end } = useShare();
  const [says, setSays] = useState<string | null>(null);
  const driftPpm = body.driftPpm ?? 0;
  const historyOf = (how: string) =>
    `A=PCM,F=${body.sampleRateHz},W=24,T=Hypophon; ${driftPpm.toFixed(2)} ppm corrected ${how}`;
  const edited = async (name: string, target: FileSystemFileHandle | null, onProgress: (share: number) => void) => {
    const from = offsetOf(body);
    const sound = { fromS: Math.max(0, under.fromS + from), toS: under.toS + from };
    const found = await door().driftSegments(file, driftPpm, sound, frameRate);
    if ("refused" in found) return say(found.refused);
    if (!found.value) return "There are too few pauses for edits. Save it resampled.";
    const edits = found.value.length - 1;
    const history = historyOf(`by ${edits} edits in pauses`);
    const saved = savedAs(name, target, await door().cut(file, found.value, FORM, history, target, onProgress));
    return `${saved} ${edits === 1 ? "1 edit" : `${edits} edits`} in pauses.`;
  };
  const run = async (kind: "resampled" | "edited") => {
    const name = nameWith(file, kind);
    const target = await pickTarget(name);
    if (target === "none") return;
    setSays(null);
    const onProgress = begin();
    if (kind === "edited") setSays(await edited(name, target, onProgress));
    else {
      const history = historyOf("by resampling");
      setSays(savedAs(name, target, await door().resample(file, driftPpm, FORM, history, target, onProgress)));
    }
    end();
  };
  return (
    <Stack $gap={0.4}>
      <Row role="group" aria-label="Correct the drift">
        <Button isDisabled={share !== null} onPress={() => void run("resampled")}>
          Save it resampled
        </Button>
        <Button isDisabled={share !== null} onPress={() => void run("edited")}>
          Save it cut in pauses
        </Button>
      </Row>
      {share !== null && <Working says="Correcting the drift" share={share} />}
      <Soft role="status">
        {says ??
          "Resampled: every sample is worked out anew. Cut in pauses: samples stay, and sound is off by a quarter frame at most."}
      </Soft>
    </Stack>
  );
}
