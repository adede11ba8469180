"use client";

import { REMEDY_WORDS } from "@/messages";
import { Plus, X } from "lucide-react";
import styled from "styled-components";
import {
  BARRIER_IDS,
  BARRIERS,
  NoiseSource,
  type Occurrence,
  OCCURRENCES,
  type Remedy,
  SHUT,
  SOURCE_KIND_IDS,
  SOURCE_KINDS,
} from "@/core/noise";
import type { ShootBody } from "@/core/records";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { NumberField, UNITS } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { TimeField } from "@/ui/TimeField";
import { Tick } from "@/ui/Ticks";
import { Columns, Row, Stack } from "@/ui/layout";
import { upperFirst } from "../dress/words";

const KIND_OPTIONS = SOURCE_KIND_IDS.map((value) => ({ value, name: upperFirst(SOURCE_KINDS[value].name) }));
const BARRIER_OPTIONS = BARRIER_IDS.map((value) => ({ value, name: upperFirst(BARRIERS[value].name) }));
const OCCURRENCE_NAMES: Record<Occurrence, string> = {
  steady: "All the time",
  comes: "Now and then",
  schedule: "At known times",
};
const OCCURRENCE_OPTIONS = OCCURRENCES.map((value) => ({ value, name: OCCURRENCE_NAMES[value] }));

const { properties } = NoiseSource;
const MINUTES = { unit: "min", factor: 1, digits: 1, step: 1 } as const;
const SECONDS = { unit: "s", factor: 1, digits: 0, step: 5 } as const;
const A_DECIBEL = { unit: "dBA", factor: 1, digits: 0, step: 1 } as const;
const DEGREES = { unit: "°", factor: 1, digits: 0, step: 15 } as const;
const TIMES_AN_HOUR = { unit: "an hour", factor: 1, digits: 1, step: 1 } as const;

const TimeLine = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 9rem) minmax(0, 9rem) auto;
  gap: 0.5rem;
  align-items: end;
`;

/** Known times of a noise. */
function Times({ source, set }: { source: NoiseSource; set: (change: Partial<NoiseSource>) => void }) {
  const { times } = source;
  const last = times.at(-1);
  return (
    <Stack $gap={0.4} role="group" aria-label="Known times">
      {times.map((time, index) => {
        const change = (next: Partial<typeof time>) =>
          set({ times: times.map((each, at) => (at === index ? { ...each, ...next } : each)) });
        return (
          <TimeLine key={index}>
            <TimeField label={`Time ${index + 1}`} value={time.from} onChange={(from) => change({ from })} />
            <NumberField
              label="Lasts"
              value={time.minutes}
              minimum={0.1}
              maximum={1440}
              shown={MINUTES}
              onChange={(minutes) => change({ minutes })}
            />
            <Button
              look="quiet"
              aria-label={`Remove time ${index + 1}`}
              onPress={() => set({ times: times.filter((_, at) => at !== index) })}
            >
              <X size={18} aria-hidden />
            </Button>
          </TimeLine>
        );
      })}
      <div>
        <Button
          look="quiet"
          isDisabled={times.length >= 60}
          onPress={() => set({ times: [...times, last ?? { from: "10:00", minutes: 5 }] })}
        >
          <Plus size={18} aria-hidden /> A time
        </Button>
      </div>
    </Stack>
  );
}

/** Everything about one noise. */
export function SourceForm(props: {
  source: NoiseSource;
  units: ShootBody["units"];
  set: (change: Partial<NoiseSource>) => void;
  onRemove: () => void;
}) {
  const { source, units, set } = props;
  const kind = SOURCE_KINDS[source.kind];
  const remedies = kind.remedies.filter((remedy) => remedy !== "shut" || SHUT[source.barrier] !== null);
  const remedyOptions: { value: Remedy | "nothing"; name: string }[] = [
    { value: "nothing", name: "Nothing yet" },
    ...remedies.map((value) => ({ value, name: upperFirst(REMEDY_WORDS[value].name) })),
  ];
  return (
    <Stack $gap={0.8}>
      <Columns $template="1fr 1fr">
        <Select
          label="Noise"
          value={source.kind}
          options={KIND_OPTIONS}
          onChange={(next) => {
            const { occurs, perHour, lastsS, atM } = SOURCE_KINDS[next];
            set({ kind: next, occurs, perHour, lastsS, distanceM: atM, remedy: null, isDone: false });
          }}
        />
        <TextField
          label="Name"
          value={source.name}
          maxLength={80}
          fault={() => null}
          onChange={(name) => set({ name })}
        />
        <NumberField
          label="Distance"
          value={source.distanceM}
          minimum={properties.distanceM.minimum!}
          maximum={properties.distanceM.maximum!}
          shown={units === "metric" ? UNITS.metre : UNITS.foot}
          onChange={(distanceM) => set({ distanceM })}
        />
        <NumberField
          label="Direction on the plan, 0 is north"
          value={source.bearingDeg}
          minimum={0}
          maximum={359}
          shown={DEGREES}
          onChange={(bearingDeg) => set({ bearingDeg })}
        />
        <Select
          label="Path"
          value={source.barrier}
          options={BARRIER_OPTIONS}
          onChange={(barrier) => set({ barrier, ...(source.remedy === "shut" ? { remedy: null, isDone: false } : {}) })}
        />
        {source.levelDba === null ? (
          <Button onPress={() => set({ levelDba: 40 })}>Level read from a meter</Button>
        ) : (
          <Row $gap={0.4}>
            <NumberField
              label="Level at the talent"
              value={source.levelDba}
              minimum={0}
              maximum={130}
              shown={A_DECIBEL}
              onChange={(levelDba) => set({ levelDba })}
            />
            <Button look="quiet" aria-label="Estimate it from the distance" onPress={() => set({ levelDba: null })}>
              <X size={18} aria-hidden />
            </Button>
          </Row>
        )}
      </Columns>
      <Choice label="When" value={source.occurs} options={OCCURRENCE_OPTIONS} onChange={(occurs) => set({ occurs })} />
      {source.occurs === "comes" && (
        <Columns $template="1fr 1fr">
          <NumberField
            label="How often"
            value={source.perHour}
            minimum={0}
            maximum={600}
            shown={TIMES_AN_HOUR}
            onChange={(perHour) => set({ perHour })}
          />
          <NumberField
            label="Lasts"
            value={source.lastsS}
            minimum={0}
            maximum={3600}
            shown={SECONDS}
            onChange={(lastsS) => set({ lastsS })}
          />
        </Columns>
      )}
      {source.occurs === "schedule" && <Times source={source} set={set} />}
      <Columns $template="1fr 1fr">
        <Select
          label="What is done about it"
          value={source.remedy ?? "nothing"}
          options={remedyOptions}
          onChange={(remedy) => set({ remedy: remedy === "nothing" ? null : remedy, isDone: false })}
        />
        <TextField
          label="Responsible"
          value={source.owner}
          maxLength={80}
          fault={() => null}
          onChange={(owner) => set({ owner })}
        />
      </Columns>
      <Row $between>
        {source.remedy && <Tick label="Done" isOn={source.isDone} onChange={(isDone) => set({ isDone })} />}
        <Button look="quiet" onPress={props.onRemove}>
          Remove this noise
        </Button>
      </Row>
    </Stack>
  );
}
