"use client";

import { say } from "@/messages";
import { Plus } from "lucide-react";
import { useState } from "react";
import type { AirScene } from "@/core/planning";
import { interpretedFaults } from "@/core/schema";
import {
  AirRules,
  AllowedRange,
  bankMessage,
  EXAMPLE_REGIONS,
  RadioSystem,
  Region,
  regionFaults,
  withoutForbidden,
} from "@/core/wireless";
import { Button } from "@/ui/Button";
import { FileDrop } from "@/ui/FileDrop";
import { NumberField, boundsOf } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Ticks";
import { Columns, Row, Soft, Stack } from "@/ui/layout";
import { saveFile } from "../files/saveFile";
import type { AirEdits } from "./useAir";

const KHZ = { unit: "kHz", factor: 1, digits: 1, step: 25 } as const;
const MHZ = { unit: "MHz", factor: 1, digits: 3, step: 1 } as const;
const MW = { unit: "mW", factor: 1, digits: 1, step: 5 } as const;
const DBM = { unit: "dBm", factor: 1, digits: 0, step: 1 } as const;
const MS = { unit: "ms", factor: 1, digits: 1, step: 1 } as const;

/** How far apart things must stand. */
export function RulesForm({ air, edits }: { air: AirScene; edits: AirEdits }) {
  const { rules } = air.body;
  const { properties } = AirRules;
  const set = (change: Partial<AirRules>) => edits.edit((body) => ({ ...body, rules: { ...body.rules, ...change } }));
  const field = (key: "spacingKHz" | "twoThirdKHz" | "threeThirdKHz" | "scanMarginKHz") => (
    <NumberField
      label={properties[key].title!}
      value={rules[key]}
      {...boundsOf(properties[key])}
      shown={KHZ}
      onChange={(value) => set({ [key]: value })}
    />
  );
  return (
    <Stack $gap={0.7}>
      <Columns $template="1fr 1fr">
        {field("spacingKHz")}
        {field("twoThirdKHz")}
        {field("threeThirdKHz")}
        {rules.fifthKHz !== null && (
          <NumberField
            label="Fifth-order spacing, two transmitters"
            value={rules.fifthKHz}
            minimum={0}
            maximum={2000}
            shown={KHZ}
            onChange={(fifthKHz) => set({ fifthKHz })}
          />
        )}
        <NumberField
          label="Occupied above"
          value={rules.occupiedDbm}
          {...boundsOf(properties.occupiedDbm)}
          shown={DBM}
          onChange={(occupiedDbm) => set({ occupiedDbm })}
        />
        {field("scanMarginKHz")}
      </Columns>
      <div>
        <Tick
          label="Fifth order too"
          isOn={rules.fifthKHz !== null}
          onChange={(isOn) => set({ fifthKHz: isOn ? 50 : null })}
        />
      </div>
    </Stack>
  );
}

function RangeFields(props: {
  range: AllowedRange;
  index: number;
  set: (change: Partial<AllowedRange>) => void;
  onRemove: () => void;
}) {
  const { range, set } = props;
  const { properties } = AllowedRange;
  return (
    <Stack $gap={0.4} role="group" aria-label={`Range ${props.index + 1}`}>
      <Columns $template="1fr 1fr 1fr">
        <NumberField
          label="From"
          value={range.fromMHz}
          {...boundsOf(properties.fromMHz)}
          shown={MHZ}
          onChange={(fromMHz) => set({ fromMHz })}
        />
        <NumberField
          label="To"
          value={range.toMHz}
          {...boundsOf(properties.toMHz)}
          shown={MHZ}
          onChange={(toMHz) => set({ toMHz })}
        />
        <NumberField
          label="Power up to"
          value={range.powerMw}
          {...boundsOf(properties.powerMw)}
          shown={MW}
          onChange={(powerMw) => set({ powerMw })}
        />
        {range.stepKHz !== null && (
          <NumberField
            label="Steps"
            value={range.stepKHz}
            minimum={0.1}
            maximum={10_000}
            shown={KHZ}
            onChange={(stepKHz) => set({ stepKHz })}
          />
        )}
        <TextField
          label="Note"
          value={range.note}
          maxLength={200}
          fault={() => null}
          onChange={(note) => set({ note })}
        />
        <Button look="quiet" onPress={props.onRemove}>
          Remove
        </Button>
      </Columns>
    </Stack>
  );
}

/** What the law allows here: the owner's own file, begun from an example. */
export function RegionForm({ air, edits }: { air: AirScene; edits: AirEdits }) {
  const { region } = air.body;
  const [says, setSays] = useState<string | null>(null);
  const examples = EXAMPLE_REGIONS.map(({ name }) => ({ value: name, name }));
  const names = examples.some(({ value }) => value === region.name)
    ? examples
    : [{ value: region.name, name: region.name }, ...examples];
  // Frequencies that are no longer allowed are cleared with the change that forbids them.
  const take = (next: Region) => {
    const [fault] = regionFaults(next);
    setSays(fault ? say(fault.says) : null);
    if (!fault) edits.edit((body) => withoutForbidden({ ...body, region: next }));
  };
  const own = (change: Partial<Region>) =>
    take({ ...region, name: region.isExample ? `${region.name}, mine` : region.name, isExample: false, ...change });
  const setRange = (index: number, change: Partial<AllowedRange>) =>
    own({ ranges: region.ranges.map((range, where) => (where === index ? { ...range, ...change } : range)) });
  return (
    <Stack $gap={0.7}>
      {region.isExample && (
        <p>
          This is an example. Ask your regulator what is allowed where you shoot, and whether you need a licence; then
          put it in here.
        </p>
      )}
      <Select
        label="Region"
        value={region.name}
        options={names}
        onChange={(name) => take(EXAMPLE_REGIONS.find((each) => each.name === name) ?? region)}
      />
      {region.ranges.map((range, index) => (
        <RangeFields
          key={index}
          index={index}
          range={range}
          set={(change) => setRange(index, change)}
          onRemove={() => own({ ranges: region.ranges.filter((_, where) => where !== index) })}
        />
      ))}
      <Row $gap={0.4}>
        <Button
          onPress={() =>
            own({ ranges: [...region.ranges, { fromMHz: 500, toMHz: 510, stepKHz: 25, powerMw: 10, note: "" }] })
          }
        >
          <Plus size={18} aria-hidden /> A range
        </Button>
        <Button
          look="quiet"
          onPress={() => saveFile("region.json", "application/json", JSON.stringify(region, null, 2))}
        >
          Save the region as a file
        </Button>
      </Row>
      <FileDrop
        label="Or drop your region's file"
        hint="JSON, as it is saved here."
        button="Choose a region"
        accepts={[".json", "application/json"]}
        onFile={(file) => {
          file
            .text()
            .then((text) => {
              const next: unknown = JSON.parse(text);
              const [fault] = interpretedFaults(Region, next);
              if (fault) setSays(`${file.name}: ${fault.path || "the file"}: ${say(fault.says)}`);
              else take(next as Region);
            })
            .catch(() => setSays(`${file.name} is no JSON.`));
        }}
      />
      {says && <p role="alert">{says}</p>}
    </Stack>
  );
}

/** What the systems can do; their owner's figures in. */
export function SystemsForm({ air, edits }: { air: AirScene; edits: AirEdits }) {
  const { systems } = air.body;
  const [chosen, setChosen] = useState(systems[0]!.id);
  const system = systems.find(({ id }) => id === chosen) ?? systems[0]!;
  const { properties } = RadioSystem;
  const set = (change: Partial<RadioSystem>) =>
    edits.edit((body) =>
      withoutForbidden({
        ...body,
        systems: body.systems.map((each) => (each.id === system.id ? { ...each, ...change } : each)),
      }),
    );
  const counts = air.prepared.banks.get(system.id);
  return (
    <Stack $gap={0.7}>
      <Select
        label="System"
        value={system.id}
        options={systems.map(({ id, name }) => ({ value: id, name }))}
        onChange={setChosen}
      />
      <Columns $template="1fr 1fr">
        <TextField label="Name" value={system.name} maxLength={80} onChange={(name) => set({ name })} />
        <NumberField
          label="Power"
          value={system.powerMw}
          {...boundsOf(properties.powerMw)}
          shown={MW}
          onChange={(powerMw) => set({ powerMw })}
        />
        {system.banks.length === 0 && (
          <>
            <NumberField
              label="From"
              value={system.fromMHz}
              minimum={1}
              maximum={system.toMHz - 0.1}
              shown={MHZ}
              onChange={(fromMHz) => set({ fromMHz })}
            />
            <NumberField
              label="To"
              value={system.toMHz}
              minimum={system.fromMHz + 0.1}
              maximum={7000}
              shown={MHZ}
              onChange={(toMHz) => set({ toMHz })}
            />
            <NumberField
              label="Steps"
              value={system.stepKHz}
              {...boundsOf(properties.stepKHz)}
              shown={KHZ}
              onChange={(stepKHz) => set({ stepKHz })}
            />
          </>
        )}
        <NumberField
          label="Receiver sensitivity"
          value={system.needsDbm}
          {...boundsOf(properties.needsDbm)}
          shown={DBM}
          onChange={(needsDbm) => set({ needsDbm })}
        />
        <NumberField
          label="Delay"
          value={system.latencyMs}
          {...boundsOf(properties.latencyMs)}
          shown={MS}
          onChange={(latencyMs) => set({ latencyMs })}
        />
      </Columns>
      <div>
        <Tick label="Antenna diversity" isOn={system.hasDiversity} onChange={(hasDiversity) => set({ hasDiversity })} />
      </div>
      {counts && (
        <Stack $gap={0.3}>
          <p>{say(bankMessage(counts, air.prepared.bankInUse.get(system.id)!))}</p>
          {counts.map(({ bank, states, free }) => (
            <Soft key={bank.name}>
              Bank {bank.name}: {free} of {states.length} free
              {states.includes("forbidden")
                ? `, ${states.filter((each) => each === "forbidden").length} not allowed`
                : ""}
            </Soft>
          ))}
        </Stack>
      )}
    </Stack>
  );
}
