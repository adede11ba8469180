"use client";

import type { Performance } from "@/core/dress";
import { EFFORTS } from "@/core/voice";
import { Choice } from "@/ui/Choice";
import { NumberField, UNITS } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { Tick } from "@/ui/Ticks";
import { Columns, Row, Stack } from "@/ui/layout";
import { useShootStore } from "@/data/ShootProvider";
import type { ShootStore } from "@/data/shootStore";
import { Pair } from "./Pair";
import { ACTION_OPTIONS, EFFORT_OPTIONS, FACING_OPTIONS, SHOT_OPTIONS, WATER_OPTIONS } from "./words";

const SEEN_OPTIONS = [
  { value: "hidden", name: "Hidden" },
  { value: "seen", name: "May be seen" },
] as const;

const setPerformance = (store: ShootStore, rigId: string, change: (now: Performance) => Partial<Performance>) =>
  store.edit("rig", rigId, (now) => ({ ...now, performance: { ...now.performance, ...change(now.performance) } }));

/** One question about the scene with a few answers. */
function PerformanceChoice<Field extends "faces" | "action" | "shot" | "water">(props: {
  rigId: string;
  field: Field;
  label: string;
  value: Performance[Field];
  options: readonly { value: Performance[Field]; name: string }[];
}) {
  const { rigId, field, label, value, options } = props;
  const store = useShootStore();
  return (
    <Choice
      label={label}
      value={value}
      options={options}
      onChange={(next) => setPerformance(store, rigId, () => ({ [field]: next }))}
    />
  );
}

function SeenChoice({ rigId, mayBeSeen }: { rigId: string; mayBeSeen: boolean }) {
  const store = useShootStore();
  return (
    <Choice
      label="Microphone"
      value={mayBeSeen ? "seen" : "hidden"}
      options={SEEN_OPTIONS}
      onChange={(value) => setPerformance(store, rigId, () => ({ mayBeSeen: value === "seen" }))}
    />
  );
}

/** The softest and the loudest line; one never passes the other. */
function Efforts({ rigId, softest, loudest }: { rigId: string } & Pick<Performance, "softest" | "loudest">) {
  const store = useShootStore();
  return (
    <Pair>
      <Select
        label="Softest line"
        value={softest}
        options={EFFORT_OPTIONS}
        onChange={(next) =>
          setPerformance(store, rigId, (now) => ({
            softest: next,
            loudest: EFFORTS.indexOf(next) > EFFORTS.indexOf(now.loudest) ? next : now.loudest,
          }))
        }
      />
      <Select
        label="Loudest line"
        value={loudest}
        options={EFFORT_OPTIONS}
        onChange={(next) =>
          setPerformance(store, rigId, (now) => ({
            loudest: next,
            softest: EFFORTS.indexOf(next) < EFFORTS.indexOf(now.softest) ? next : now.softest,
          }))
        }
      />
    </Pair>
  );
}

function WearHours({ rigId, hours }: { rigId: string; hours: number }) {
  const store = useShootStore();
  return (
    <NumberField
      label="Worn for"
      value={hours}
      minimum={0.1}
      maximum={24}
      shown={UNITS.hours}
      onChange={(next) => setPerformance(store, rigId, () => ({ hours: next }))}
    />
  );
}

function PerformanceTick(props: { rigId: string; field: "sweats" | "handsOnChest"; label: string; isOn: boolean }) {
  const { rigId, field, label, isOn } = props;
  const store = useShootStore();
  return (
    <Tick label={label} isOn={isOn} onChange={(next) => setPerformance(store, rigId, () => ({ [field]: next }))} />
  );
}

/** What they do in the scene, and how it is seen. */
export function PerformanceForm({ rigId, performance }: { rigId: string; performance: Performance }) {
  const { faces, action, shot, water, mayBeSeen, softest, loudest, hours, sweats, handsOnChest } = performance;
  return (
    <Stack>
      <PerformanceChoice rigId={rigId} field="faces" label="Faces" value={faces} options={FACING_OPTIONS} />
      <PerformanceChoice rigId={rigId} field="action" label="Moves" value={action} options={ACTION_OPTIONS} />
      <SeenChoice rigId={rigId} mayBeSeen={mayBeSeen} />
      <Columns $template="1fr 1fr">
        <PerformanceChoice rigId={rigId} field="shot" label="Shot" value={shot} options={SHOT_OPTIONS} />
        <PerformanceChoice rigId={rigId} field="water" label="Water" value={water} options={WATER_OPTIONS} />
      </Columns>
      <Efforts rigId={rigId} softest={softest} loudest={loudest} />
      <Pair>
        <WearHours rigId={rigId} hours={hours} />
      </Pair>
      <Row $gap={0.4}>
        <PerformanceTick rigId={rigId} field="sweats" label="Sweats" isOn={sweats} />
        <PerformanceTick rigId={rigId} field="handsOnChest" label="Hands on the chest" isOn={handsOnChest} />
      </Row>
    </Stack>
  );
}
