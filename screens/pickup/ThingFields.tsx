"use client";

import { Plus } from "lucide-react";
import {
  COVER_FACTS,
  COVERS,
  type Cover,
  handsOn,
  HELD,
  type Held,
  type Holder,
  HOLDERS,
  MICROPHONE_IDS,
  MICROPHONES,
  PATTERNS,
  PlacedMic,
  Talker,
} from "@/core/pickup";
import type { ShootBody } from "@/core/records";
import { EFFORTS } from "@/core/voice";
import { Button } from "@/ui/Button";
import { NumberField, UNITS, boundsOf } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Ticks";
import { Columns, Row, Stack } from "@/ui/layout";
import { upperFirst } from "../dress/words";

const DEGREES = { unit: "°", factor: 1, digits: 0, step: 5 } as const;
const EFFORT_OPTIONS = EFFORTS.map((value) => ({ value, name: upperFirst(value) }));
const MICROPHONE_OPTIONS = MICROPHONE_IDS.filter((id) => id !== "lav").map((value) => ({
  value,
  name: upperFirst(MICROPHONES[value].name),
}));
const HOLDER_NAMES: Record<Holder, string> = {
  boom: "A boom",
  hand: "A hand",
  stand: "A stand",
  table: "A table",
  camera: "The camera",
  phone: "The phone",
  body: "The body",
};
const HELD_NAMES: Record<Held, string> = {
  nothing: "Nothing",
  instrument: "An instrument",
  wheel: "The wheel",
  child: "A child",
  tool: "A tool",
};
const HELD_OPTIONS = HELD.map((value) => ({ value, name: HELD_NAMES[value] }));
const COVER_OPTIONS: { value: Cover | "asNeeded"; name: string }[] = [
  { value: "asNeeded", name: "By the wind" },
  ...COVERS.map((value) => ({ value, name: upperFirst(COVER_FACTS[value].name) })),
];
const HOLDER_OPTIONS = HOLDERS.map((value) => ({ value, name: HOLDER_NAMES[value] }));

/** How near hands that talk along come to a microphone before a person, m. Common practice. */
const GESTURES_M = 0.1;

const lengthUnit = (units: ShootBody["units"]) => (units === "metric" ? UNITS.metre : UNITS.foot);

function Place(props: { at: Talker["at"]; units: ShootBody["units"]; onMove: (at: Talker["at"]) => void }) {
  const { at, units, onMove } = props;
  const shown = lengthUnit(units);
  return (
    <>
      <NumberField
        label="From the west"
        value={at.xM}
        minimum={-100}
        maximum={200}
        shown={shown}
        onChange={(xM) => onMove({ ...at, xM })}
      />
      <NumberField
        label="From the south"
        value={at.yM}
        minimum={-100}
        maximum={200}
        shown={shown}
        onChange={(yM) => onMove({ ...at, yM })}
      />
    </>
  );
}

/** Exact figures of a talker. */
export function TalkerFields(props: {
  talker: Talker;
  units: ShootBody["units"];
  set: (change: Partial<Talker>) => void;
  onRemove: (() => void) | null;
}) {
  const { talker, units, set, onRemove } = props;
  const { properties } = Talker;
  const last = talker.path.at(-1) ?? talker.at;
  return (
    <Stack $gap={0.7} role="group" aria-label={`Specifications of ${talker.name}`}>
      <Columns $template="1fr 1fr 1fr">
        <TextField label="Name" value={talker.name} maxLength={80} onChange={(name) => set({ name })} />
        <Place at={talker.at} units={units} onMove={(at) => set({ at })} />
        <NumberField
          label="Mouth height"
          value={talker.mouthM}
          {...boundsOf(properties.mouthM)}
          shown={lengthUnit(units)}
          onChange={(mouthM) => set({ mouthM })}
        />
        <NumberField
          label="Faces, 0 is north"
          value={talker.facesDeg}
          minimum={0}
          maximum={360}
          shown={DEGREES}
          onChange={(facesDeg) => set({ facesDeg })}
        />
        <NumberField
          label="Head turns by"
          value={talker.turnsDeg}
          {...boundsOf(properties.turnsDeg)}
          shown={DEGREES}
          onChange={(turnsDeg) => set({ turnsDeg })}
        />
        <Select label="Voice" value={talker.effort} options={EFFORT_OPTIONS} onChange={(effort) => set({ effort })} />
        <Select
          label="Hands hold"
          value={talker.holds ?? "nothing"}
          options={HELD_OPTIONS}
          onChange={(holds) => set({ holds })}
        />
      </Columns>
      <Row $gap={0.4}>
        <Tick label="An instrument" isOn={talker.isInstrument} onChange={(isInstrument) => set({ isInstrument })} />
        <Button
          look="quiet"
          isDisabled={talker.path.length >= 50}
          onPress={() => set({ path: [...talker.path, { xM: last.xM + 1, yM: last.yM }] })}
        >
          <Plus size={18} aria-hidden /> Walks on to
        </Button>
        {talker.path.length > 0 && (
          <Button look="quiet" onPress={() => set({ path: [] })}>
            Stays
          </Button>
        )}
        {onRemove && (
          <Button look="quiet" onPress={onRemove}>
            Remove
          </Button>
        )}
      </Row>
      {talker.path.map((spot, index) => (
        <Columns key={index} $template="1fr 1fr 1fr" role="group" aria-label={`Step ${index + 1}`}>
          <Place
            at={spot}
            units={units}
            onMove={(at) => set({ path: talker.path.map((each, where) => (where === index ? at : each)) })}
          />
        </Columns>
      ))}
    </Stack>
  );
}

/** Exact figures of a microphone. */
export function MicFields(props: {
  mic: PlacedMic;
  units: ShootBody["units"];
  set: (change: Partial<PlacedMic>) => void;
  onRemove: () => void;
}) {
  const { mic, units, set, onRemove } = props;
  const { properties } = PlacedMic;
  const { patterns } = MICROPHONES[mic.microphone];
  return (
    <Stack $gap={0.7} role="group" aria-label="Specifications of the microphone">
      <Columns $template="1fr 1fr 1fr">
        <Select
          label="Microphone"
          value={mic.microphone}
          options={MICROPHONE_OPTIONS}
          onChange={(microphone) =>
            set({
              microphone,
              pattern: MICROPHONES[microphone].patterns[0],
              holder: MICROPHONES[microphone].holder,
              handsM: handsOn(MICROPHONES[microphone].holder),
            })
          }
        />
        <Select
          label="Pattern"
          value={mic.pattern}
          options={patterns.map((value) => ({ value, name: upperFirst(PATTERNS[value].name) }))}
          onChange={(pattern) => set({ pattern })}
        />
        <Select
          label="Held by"
          value={mic.holder}
          options={HOLDER_OPTIONS}
          onChange={(holder) => set({ holder, handsM: handsOn(holder) })}
        />
        <Select
          label="Wind cover"
          value={mic.cover ?? "asNeeded"}
          options={COVER_OPTIONS}
          onChange={(cover) => set({ cover: cover === "asNeeded" ? undefined : cover })}
        />
        <Place at={mic.at} units={units} onMove={(at) => set({ at })} />
        <NumberField
          label="Height"
          value={mic.heightM}
          {...boundsOf(properties.heightM)}
          shown={lengthUnit(units)}
          onChange={(heightM) => set({ heightM })}
        />
        <NumberField
          label="Aims, 0 is north"
          value={mic.aimsDeg}
          minimum={-360}
          maximum={360}
          shown={DEGREES}
          onChange={(aimsDeg) => set({ aimsDeg })}
        />
        <NumberField
          label="Tilts up"
          value={mic.tiltDeg}
          {...boundsOf(properties.tiltDeg)}
          shown={DEGREES}
          onChange={(tiltDeg) => set({ tiltDeg })}
        />
        {mic.handsM !== null && (
          <NumberField
            label="Hands come to"
            value={mic.handsM}
            minimum={0.02}
            maximum={0.5}
            shown={units === "metric" ? UNITS.centimetre : UNITS.inch}
            onChange={(handsM) => set({ handsM })}
          />
        )}
      </Columns>
      <Row $gap={0.4}>
        <Tick label="Pop screen" isOn={mic.hasScreen} onChange={(hasScreen) => set({ hasScreen })} />
        <Tick
          label="Hands near it"
          isOn={mic.handsM !== null}
          onChange={(isNear) => set({ handsM: isNear ? (handsOn(mic.holder) ?? GESTURES_M) : null })}
        />
        <Button look="quiet" onPress={onRemove}>
          Remove
        </Button>
      </Row>
    </Stack>
  );
}
