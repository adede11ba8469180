"use client";

import type * as Comlink from "comlink";
import { Headphones, Undo2, Unlink } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import styled from "styled-components";
import { partsOf, type Match } from "@/core/sync";
import { say } from "@/messages";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Lead, Row, Soft, Stack } from "@/ui/layout";
import type { LineUpDoor, Scanned, Shape } from "@/workers/lineUpWorker";
import { DriftFix } from "./DriftFix";
import type { AskEdit } from "./edit/useEditDoor";
import { clockTime } from "./matchWords";
import { nameOf, offsetOf, overlapOf, type Pair } from "./pairs";

type Part = "head" | "middle" | "tail";
type Width = "4" | "0.4" | "0.04";

const COLUMNS = 480;
const HEIGHT = 180;
const HEARD_S = 6;
const HEARD_HZ = 48_000;

const Plot = styled.svg`
  display: block;
  width: 100%;
  height: ${HEIGHT}px;
  background: var(--paper-deep);
  path[data-of="picture"] {
    stroke: var(--ink-soft);
  }
  path[data-of="sound"] {
    stroke: var(--chalk);
  }
  line {
    stroke: var(--seam);
    stroke-dasharray: 4 4;
    vector-effect: non-scaling-stroke;
  }
`;

const Key = styled.span<{ $of: "picture" | "sound" }>`
  border-bottom: 3px solid ${({ $of }) => ($of === "sound" ? "var(--chalk)" : "var(--ink-soft)")};
`;

const Nudges = styled.div`
  display: grid;
  grid-template-columns: max-content repeat(3, minmax(0, 1fr));
  gap: 0.4rem 0.5rem;
  align-items: center;
  button {
    padding-inline: 0.2rem;
    white-space: nowrap;
  }
`;

/** Where both are looked at: near the ends of what they have in common, or in its middle. */
function placeOf({ fromS, toS }: Match["overlap"], part: Part): number {
  const edge = Math.min(5, (toS - fromS) / 4);
  return part === "head" ? fromS + edge : part === "tail" ? toS - edge : (fromS + toS) / 2;
}

/** A waveform in its lane; each as tall as the other, however loud it is. */
function pathOf({ low, high }: Shape, middle: number): string {
  const loudest = Math.max(1e-4, ...high, ...low.map((value) => -value));
  const yOf = (value: number) => (middle - (value / loudest) * (HEIGHT / 4 - 4)).toFixed(1);
  return Array.from(low, (value, at) => `M${at + 0.5},${yOf(high[at]!)}V${yOf(value)}`).join("");
}

/** Plays two sides at once, one on each ear. */
function useEars() {
  const playing = useRef<AudioContext | null>(null);
  const stop = () => {
    void playing.current?.close();
    playing.current = null;
  };
  useEffect(() => stop, []);
  return async (left: Float32Array<ArrayBuffer>, right: Float32Array<ArrayBuffer>) => {
    stop();
    const context = new AudioContext({ sampleRate: HEARD_HZ });
    playing.current = context;
    const buffer = context.createBuffer(2, Math.max(1, left.length, right.length), HEARD_HZ);
    for (const [channel, samples] of [left, right].entries()) {
      // Both as loud as each other: a camera's own microphone is often far softer.
      const loudest = samples.reduce((most, value) => Math.max(most, Math.abs(value)), 1e-4);
      buffer.copyToChannel(
        samples.map((value) => (0.5 * value) / loudest),
        channel,
      );
    }
    const source = context.createBufferSource();
    source.buffer = buffer;
    source.connect(context.destination);
    source.start();
  };
}

/** Both files of a pair, listened to: drawn, and heard. */
function Ears(props: { pair: Pair & { picture: Scanned; sound: Scanned }; door: () => Comlink.Remote<LineUpDoor> }) {
  const { pair, door } = props;
  const { body, picture, sound } = pair;
  const [part, setPart] = useState<Part>("middle");
  const [width, setWidth] = useState<Width>("0.4");
  const [shapes, setShapes] = useState<{ picture: Shape; sound: Shape } | null>(null);
  const listen = useEars();
  const slope = 1 + (body.driftPpm ?? 0) / 1e6;
  const atS = placeOf(overlapOf(body), part);
  const soundAtS = offsetOf(body) + atS * slope;
  const seconds = Number(width);
  useEffect(() => {
    let isOver = false;
    void Promise.all([
      door().shape(picture.file, atS - seconds / 2, seconds, COLUMNS),
      door().shape(sound.file, soundAtS - seconds / 2, seconds, COLUMNS),
    ]).then(([one, other]) => {
      if (!isOver) setShapes({ picture: one, sound: other });
    });
    return () => {
      isOver = true;
    };
  }, [door, picture.file, sound.file, atS, soundAtS, seconds]);
  const hear = async () => {
    const [left, right] = await Promise.all([
      door().piece(picture.file, atS, HEARD_S, 1),
      door().piece(sound.file, soundAtS, HEARD_S, slope),
    ]);
    await listen(left as Float32Array<ArrayBuffer>, right as Float32Array<ArrayBuffer>);
  };
  return (
    <Stack $gap={0.7}>
      <Row $between>
        <Choice<Part>
          isPlain
          label="Where"
          value={part}
          options={[
            { value: "head", name: "Head" },
            { value: "middle", name: "Middle" },
            { value: "tail", name: "Tail" },
          ]}
          onChange={setPart}
        />
        <Choice<Width>
          isPlain
          label="How much"
          value={width}
          options={[
            { value: "4", name: "4 s" },
            { value: "0.4", name: "0.4 s" },
            { value: "0.04", name: "40 ms" },
          ]}
          onChange={setWidth}
        />
      </Row>
      <Plot
        viewBox={`0 0 ${COLUMNS} ${HEIGHT}`}
        preserveAspectRatio="none"
        role="img"
        aria-label="Both waveforms, one above the other"
      >
        <line x1={COLUMNS / 2} x2={COLUMNS / 2} y1={0} y2={HEIGHT} />
        {shapes && (
          <>
            <path data-of="picture" d={pathOf(shapes.picture, HEIGHT / 4)} />
            <path data-of="sound" d={pathOf(shapes.sound, (3 * HEIGHT) / 4)} />
          </>
        )}
      </Plot>
      <Row $between>
        <Soft>
          <Key $of="picture">Camera</Key> above, <Key $of="sound">recorder</Key> below, around {clockTime(atS)}
        </Soft>
        <Button onPress={() => void hear()}>
          <Headphones size={18} aria-hidden /> Left camera, right recorder
        </Button>
      </Row>
    </Stack>
  );
}

/** One pair close up: both waveforms, nudged and heard. */
export function MatchDetail(props: {
  pair: Pair;
  frameRate: number;
  onNudge: (nudgeS: number) => void;
  onRemove: () => void;
  door: () => Comlink.Remote<LineUpDoor>;
  editDoor: AskEdit;
}) {
  const { pair, frameRate, onNudge, onRemove, door, editDoor } = props;
  const { body, picture, sound } = pair;
  const { nudgeS, driftPpm, isInverted } = body;
  const { says } = partsOf({ driftPpm, isInverted, overlap: overlapOf(body) });
  const isAudible = says.some((each) => each.code === "sync.drift" && each.isAudible);
  const steps = [
    { name: "1 frame", byS: 1 / (picture?.frameRate ?? frameRate) },
    { name: "1 ms", byS: 0.001 },
    { name: "1 sample", byS: 1 / HEARD_HZ },
  ];
  return (
    <Stack $gap={0.7}>
      <Lead>
        {nameOf(body.picture)} starts at {clockTime(offsetOf(body))} in {nameOf(body.sound)}
      </Lead>
      {says.map((each) => (
        <Soft key={each.code}>{say(each)}</Soft>
      ))}
      {picture && sound ? (
        <Ears pair={{ ...pair, picture, sound }} door={door} />
      ) : (
        <Soft>Drop both files again to see and hear them.</Soft>
      )}
      {sound && isAudible && (
        <DriftFix {...{ body, frameRate, door: editDoor, file: sound.file, under: overlapOf(body) }} />
      )}
      <h3>Nudge the sound</h3>
      <Nudges role="group" aria-label="Nudge the sound">
        <Soft>Later</Soft>
        {steps.map(({ name, byS }) => (
          <Button key={name} aria-label={`Sound later by ${name}`} onPress={() => onNudge(nudgeS - byS)}>
            {name}
          </Button>
        ))}
        <Soft>Earlier</Soft>
        {steps.map(({ name, byS }) => (
          <Button key={name} aria-label={`Sound earlier by ${name}`} onPress={() => onNudge(nudgeS + byS)}>
            {name}
          </Button>
        ))}
      </Nudges>
      <Row $between>
        {nudgeS !== 0 && (
          <>
            <Soft role="status">
              By hand: sound {Math.abs(nudgeS * 1000).toFixed(2)} ms {nudgeS < 0 ? "later" : "earlier"} than found.
            </Soft>
            <Button look="quiet" onPress={() => onNudge(0)}>
              <Undo2 size={18} aria-hidden /> Back to what was found
            </Button>
          </>
        )}
        <Button look="quiet" onPress={onRemove}>
          <Unlink size={18} aria-hidden /> Not a pair
        </Button>
      </Row>
    </Stack>
  );
}
