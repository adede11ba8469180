"use client";

import { SCHOOL_WORDS } from "@/messages";
import {
  type Aims,
  CRITERIA,
  type Criterion,
  CRITERION_NAMES,
  PRESETS,
  SCHOOL_OPTIONS,
  type SchoolQuestion,
  SUPPLIES,
  SUPPLY_IDS,
  type SupplyId,
} from "@/core/dress";
import { Disclosure } from "@/ui/Disclosure";
import { Select } from "@/ui/Select";
import { Slider } from "@/ui/Slider";
import { Tick } from "@/ui/Ticks";
import { Row, Soft, Stack } from "@/ui/layout";
import { useShootStore } from "@/data/ShootProvider";
import type { ShootStore } from "@/data/shootStore";
import { PRESET_OPTIONS, schoolOptions, upperFirst } from "./words";

const setAims = (store: ShootStore, rigId: string, change: (aims: Aims) => Partial<Aims>) =>
  store.edit("rig", rigId, (rig) => ({ ...rig, aims: { ...rig.aims, ...change(rig.aims) } }));

function Weight({ rigId, criterion, value }: { rigId: string; criterion: Criterion; value: number }) {
  const store = useShootStore();
  return (
    <Slider
      label={CRITERION_NAMES[criterion]}
      value={value}
      minimum={0}
      maximum={10}
      step={1}
      says={value === 0 ? "not at all" : String(value)}
      onChange={(weight) => setAims(store, rigId, (aims) => ({ weights: { ...aims.weights, [criterion]: weight } }))}
    />
  );
}

function School({ rigId, question, value }: { rigId: string; question: SchoolQuestion; value: string }) {
  const store = useShootStore();
  return (
    <div>
      <Select
        label={SCHOOL_WORDS[question].question}
        value={value}
        options={schoolOptions(question)}
        onChange={(answer) => setAims(store, rigId, (aims) => ({ schools: { ...aims.schools, [question]: answer } }))}
      />
      {value === "auto" && <Soft>{SCHOOL_WORDS[question].auto}</Soft>}
    </div>
  );
}

function Bag({ rigId, supplies }: { rigId: string; supplies: readonly SupplyId[] }) {
  const store = useShootStore();
  const pack = (id: SupplyId, isOn: boolean) =>
    setAims(store, rigId, (aims) => ({
      supplies: SUPPLY_IDS.filter((each) => (each === id ? isOn : aims.supplies.includes(each))),
    }));
  return (
    <Row role="group" aria-label="In the kit" $gap={0.4}>
      {SUPPLY_IDS.map((id) => (
        <Tick
          key={id}
          label={upperFirst(SUPPLIES[id].name)}
          isOn={supplies.includes(id)}
          onChange={(isOn) => pack(id, isOn)}
        />
      ))}
    </Row>
  );
}

/** What matters here: kind of work, weights, schools, and what is in the kit. */
export function AimsForm({ rigId, aims }: { rigId: string; aims: Aims }) {
  const store = useShootStore();
  return (
    <Stack $gap={0.4}>
      <Select
        label="Kind of work"
        value={aims.preset}
        options={PRESET_OPTIONS}
        onChange={(preset) => setAims(store, rigId, () => ({ preset, weights: PRESETS[preset].weights }))}
      />
      <Disclosure title="What matters">
        <Stack $gap={0.1}>
          {CRITERIA.map((criterion) => (
            <Weight key={criterion} rigId={rigId} criterion={criterion} value={aims.weights[criterion]} />
          ))}
        </Stack>
      </Disclosure>
      <Disclosure title="Schools: where practitioners differ">
        <Stack $gap={0.6}>
          {(Object.keys(SCHOOL_OPTIONS) as SchoolQuestion[]).map((question) => (
            <School key={question} rigId={rigId} question={question} value={aims.schools[question]} />
          ))}
        </Stack>
      </Disclosure>
      <Disclosure title={`In the kit: ${aims.supplies.length} of ${SUPPLY_IDS.length}`}>
        <Bag rigId={rigId} supplies={aims.supplies} />
      </Disclosure>
    </Stack>
  );
}
