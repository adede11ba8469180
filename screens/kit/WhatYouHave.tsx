"use client";

import { useState } from "react";
import { useWatch } from "react-hook-form";
import { countOf, findPath, ownInputs, ownSources, pathMessage, stockOf } from "@/core/connect";
import { ChainFigures, INPUTS, type Part, SOURCES } from "@/core/devices";
import { choicesOf, PACK_LAVS, usualChain, type UsualChain, withSystem, WORK_CHAINS, WORK_IDS } from "@/core/planning";
import { BY_LEAD, GENERIC_SYSTEMS } from "@/core/wireless";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { say, WORK_NAMES } from "@/messages";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Dialog } from "@/ui/Dialog";
import { COUNTED, NumberField } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { Tick } from "@/ui/Ticks";
import { Columns, Row, Soft, Stack } from "@/ui/layout";
import { Bound, FormFaults, useSchemaForm } from "../form/useSchemaForm";
import { useConnections } from "../link/useConnections";
import { useRemoval } from "../shell/useRemoval";

const WORKS = WORK_IDS.map((value) => ({ value, name: WORK_NAMES[value] }));
const BY_CABLE = { value: BY_LEAD, name: "none, by cable" };

/** What one of these counts as in the kit. */
const keyOf = ({ systemId, sourceId }: UsualChain): string =>
  systemId === BY_LEAD ? `source:${sourceId}` : `system:${systemId}`;

/** What is wireless, what it goes into, and which cable there is: asked once, and every station plans with it. */
export function WhatYouHave({ onClose }: { onClose: () => void }) {
  const { bundle } = useShoot();
  const store = useShootStore();
  const edits = useConnections();
  const remove = useRemoval();
  const { parts } = choicesOf(bundle);
  const allSources = [...Object.values(SOURCES), ...ownSources(bundle.kit)];
  const inputs = [...Object.values(INPUTS), ...ownInputs(bundle.kit)];
  const stock = stockOf(bundle.kit);
  const { control, handleSubmit, formState, reset, getValues } = useSchemaForm(
    ChainFigures,
    usualChain(bundle.kit) ?? WORK_CHAINS.interview,
  );
  const chain = useWatch({ control }) as UsualChain;
  const work = WORK_IDS.find((id) =>
    Object.entries(WORK_CHAINS[id]).every(([key, value]) => chain[key as keyof UsualChain] === value),
  );
  const isWired = chain.systemId === BY_LEAD;
  const source = allSources.find(({ id }) => id === chain.sourceId) ?? null;
  const input = inputs.find(({ id }) => id === chain.inputId) ?? null;
  const path = source && input ? findPath(source, input, parts) : null;
  const key = keyOf(chain);
  const [counts, setCounts] = useState<ReadonlyMap<string, number>>(new Map());
  const count = counts.get(key) ?? Math.max(1, countOf(stock, key));
  const [has, setHas] = useState<ReadonlyMap<string, boolean>>(new Map());
  const hasPart = ({ id }: Part) => has.get(id) ?? countOf(stock, id) > 0;
  const sources = allSources.filter(({ id, kind }) =>
    isWired ? (kind === "lav" || kind === "mic") && !PACK_LAVS.includes(id) : kind === "receiver",
  );
  const known = bundle.kit.find(({ body }) => body.kind === "chain" && body.shootId === null);
  const save = handleSubmit((figures) => {
    if (known) store.edit("kitItem", known.id, (body) => ({ ...body, figures }));
    else store.create("kitItem", { shootId: null, kind: "chain", name: "Usual chain", figures });
    edits.setStock(key, source?.name ?? key, false, count);
    for (const part of path?.parts ?? [])
      if (hasPart(part) !== countOf(stock, part.id) > 0)
        edits.setStock(part.id, part.name, false, hasPart(part) ? 1 : 0);
    onClose();
  });
  return (
    <Dialog title="What do you have?" isOpen onClose={onClose}>
      <form onSubmit={(event) => void save(event)}>
        <FormFaults schema={ChainFigures} errors={formState.errors}>
          <Stack>
            <Choice
              label="Kind of work"
              value={work ?? "own"}
              options={work ? WORKS : [...WORKS, { value: "own" as const, name: "Own" }]}
              onChange={(id) => id !== "own" && reset(WORK_CHAINS[id])}
            />
            <Columns $template="2fr 1fr">
              <Bound control={control} name="systemId">
                {({ value }) => (
                  <Select
                    label="Wireless"
                    value={value}
                    options={[...GENERIC_SYSTEMS.map(({ id, name }) => ({ value: id, name })), BY_CABLE]}
                    onChange={(systemId) => reset(withSystem(getValues(), systemId))}
                  />
                )}
              </Bound>
              <NumberField
                label="How many"
                value={count}
                minimum={0}
                maximum={99}
                shown={COUNTED}
                isWhole
                onChange={(next) => setCounts(new Map([...counts, [key, next]]))}
              />
            </Columns>
            <Columns $template="1fr 1fr">
              <Bound control={control} name="sourceId">
                {({ value, onChange }) => (
                  <Select
                    label={isWired ? "Microphone" : "Receiver's output"}
                    value={value}
                    options={sources.map(({ id, name }) => ({ value: id, name }))}
                    onChange={onChange}
                  />
                )}
              </Bound>
              <Bound control={control} name="inputId">
                {({ value, onChange }) => (
                  <Select
                    label={ChainFigures.properties.inputId.title!}
                    value={value}
                    options={inputs
                      .filter(({ id }) => id !== INPUTS.recorderTimecode.id)
                      .map(({ id, name }) => ({ value: id, name }))}
                    onChange={onChange}
                  />
                )}
              </Bound>
            </Columns>
            {source && (
              <Stack $gap={0.4}>
                <p role="status">{say(pathMessage(path, source, input))}</p>
                {path?.parts.map((part) => (
                  <Tick
                    key={part.id}
                    label={`I have this: ${part.name}`}
                    isOn={hasPart(part)}
                    onChange={(isOn) => setHas(new Map([...has, [part.id, isOn]]))}
                  />
                ))}
              </Stack>
            )}
            <Soft>Frequencies, cables, levels and packing follow. What was chosen for one talent stays.</Soft>
            <Row>
              <Button look="main" type="submit">
                Save
              </Button>
              <Button onPress={onClose}>Cancel</Button>
              {known && (
                <Button
                  look="quiet"
                  onPress={() => {
                    remove("kitItem", known.id, known.body.name);
                    onClose();
                  }}
                >
                  Forget this
                </Button>
              )}
            </Row>
          </Stack>
        </FormFaults>
      </form>
    </Dialog>
  );
}
