"use client";

import { Mic, Play, Square } from "lucide-react";
import { useEffect, useState } from "react";
import { minus } from "@/core/sound";
import { Button } from "@/ui/Button";
import { Select } from "@/ui/Select";
import { Columns, Figure, Piece, Row, Soft, Stack } from "@/ui/layout";
import { useLiveInput, type LiveInput, type Reading } from "../sound/useLiveInput";
import { MeterTape } from "./MeterTape";
import { TapTest } from "./TapTest";
import { Trial } from "./Trial";
import { useLevels } from "./useLevels";

/** Numbers change so often that they can be read, ms. */
const NUMBERS_MS = 250;
/** Sound that never came is worth a word from here on, s. */
const LOST_S = 0.25;

const shown = (level: number): string => (Number.isFinite(level) ? minus(level, 1) : "–");

/** Figures beside the tape, at a pace that can be read. */
function Numbers({ live }: { live: LiveInput }) {
  const [reading, setReading] = useState<Reading | null>(null);
  const { reading: newest } = live;
  useEffect(() => {
    const timer = setInterval(() => setReading(newest()), NUMBERS_MS);
    return () => clearInterval(timer);
  }, [newest]);
  const figures = [
    ["Peak, held", shown(reading?.heldDbfs ?? -Infinity), "dBFS"],
    ["Highest", shown(reading?.maxDbfs ?? -Infinity), "dBFS"],
    ["Loudness, 3 s", shown(reading?.shortTermLufs ?? -Infinity), "LUFS"],
    ["Integrated", shown(reading?.integratedLufs ?? -Infinity), "LUFS"],
    ["Clipped", String(reading?.clips ?? 0), "times"],
  ] as const;
  return (
    <Stack $gap={0.4}>
      <Row $gap={1.2} role="group" aria-label="Meter">
        {figures.map(([what, value, unit]) => (
          <div key={what}>
            <Soft>{what}</Soft>
            <Figure>
              {value}
              <small>{unit}</small>
            </Figure>
          </div>
        ))}
      </Row>
      {reading && reading.lostS > LOST_S && (
        <p role="alert">
          {reading.lostS.toFixed(1)} s of sound did not come through: close other programs before you trust this.
        </p>
      )}
    </Stack>
  );
}

function InputBar({ live }: { live: LiveInput }) {
  const { state, devices, notes, start, stop, goOn } = live;
  const isOn = state.phase === "listening" || state.phase === "paused";
  const now = state.phase === "listening" ? devices.find(({ name }) => name === state.deviceName) : undefined;
  return (
    <Stack $gap={0.5}>
      <Row $low>
        {isOn ? (
          <Button onPress={stop}>
            <Square size={18} aria-hidden /> Stop the meter
          </Button>
        ) : (
          <Button isDisabled={state.phase === "asking"} onPress={() => void start()}>
            <Mic size={18} aria-hidden /> Start the meter
          </Button>
        )}
        {isOn && devices.length > 1 && (
          <Select
            label="Input"
            value={now?.id ?? devices[0]!.id}
            options={devices.map(({ id, name }) => ({ value: id, name }))}
            onChange={(id) => void start(id)}
          />
        )}
        {state.phase === "listening" && devices.length < 2 && <Soft>Hears: {state.deviceName}</Soft>}
      </Row>
      {state.phase === "paused" && (
        <Row role="alert">
          The browser has suspended the audio.
          <Button onPress={goOn}>
            <Play size={18} aria-hidden /> Go on
          </Button>
        </Row>
      )}
      {(state.phase === "refused" || state.phase === "unplugged") && <p role="alert">{state.message}</p>}
      {notes.map((note) => (
        <p key={note} role="alert">
          {note}
        </p>
      ))}
      {state.phase === "idle" && (
        <Soft>
          Any input of this device: an interface, a phone adapter, its own mic. Sound stays here. From a phone in the
          same network the page must come over https; on this machine itself it need not. Never unmute into headphones
          at full gain.
        </Soft>
      )}
    </Stack>
  );
}

/** What comes in now, which microphone it is, and what a trial says of the level. */
export function MeterView() {
  const { chosen } = useLevels();
  const live = useLiveInput();
  const targets = chosen?.targets ?? { targetDbfs: -12, ceilingDbfs: -6 };
  return (
    <Stack>
      <Piece aria-label="Meter">
        <Stack $gap={0.7}>
          <Row $between $low>
            <InputBar live={live} />
          </Row>
          <MeterTape reading={live.reading} targets={targets} />
          <Numbers live={live} />
        </Stack>
      </Piece>
      <Columns $template="minmax(0, 3fr) minmax(0, 2fr)">
        <Piece aria-label="Trial">
          <Trial live={live} subject={chosen} />
        </Piece>
        <Piece aria-label="Tap test">
          <TapTest live={live} />
        </Piece>
      </Columns>
    </Stack>
  );
}
