"use client";

import { X } from "lucide-react";
import { useState } from "react";
import { nameFacts } from "@/core/planning";
import { learnScheme, nameBy, NAME_FIELDS, sameNames, schemeFault } from "@/core/roll";
import { say } from "@/messages";
import { Button } from "@/ui/Button";
import { FileDrop } from "@/ui/FileDrop";
import { COUNTED, NumberField } from "@/ui/NumberField";
import { TextField } from "@/ui/TextField";
import { Columns, Lead, Row, Soft, Stack } from "@/ui/layout";
import type { Rolling } from "./useRolling";

const faultOf = (scheme: string): string | null => {
  const fault = schemeFault(scheme);
  return fault && say(fault);
};

/** How takes are named, learned from files or written, with an example; and the crew's own kinds of marks. */
export function NamesView({ rolling }: { rolling: Rolling }) {
  const { setup, bundle, changeSetup } = rolling;
  const [kind, setKind] = useState("");
  const [refused, setRefused] = useState(false);
  const [learned, setLearned] = useState(0);
  const next = rolling.next();
  const example = schemeFault(setup.scheme) ? "" : nameBy(setup.scheme, nameFacts(bundle, next, setup.counter));
  const twice = sameNames(bundle.rolls.map(({ body }) => `${body.day} ${body.fileName}`)).filter(
    (name) => !/^\d+ $/.test(name),
  );
  const learn = (names: readonly string[]) => {
    const found = learnScheme(names.toSorted(new Intl.Collator("en", { numeric: true }).compare));
    setRefused(found === null);
    if (!found) return;
    changeSetup((body) => ({ ...body, ...found }));
    // What was typed and refused gives way to what was learned.
    setLearned((count) => count + 1);
  };
  const add = () => {
    const name = kind.trim();
    if (name === "" || setup.ownKinds.includes(name)) return;
    changeSetup((body) => ({ ...body, ownKinds: [...body.ownKinds, name] }));
    setKind("");
  };
  return (
    <Stack>
      <Columns $template="minmax(0, 3fr) minmax(0, 2fr)">
        <Stack $gap={0.6}>
          <TextField
            key={learned}
            label="Naming scheme"
            value={setup.scheme}
            hint={NAME_FIELDS.map((field) => `{${field}}`).join(" ")}
            fault={faultOf}
            onChange={(scheme) => changeSetup((body) => ({ ...body, scheme }))}
          />
          <Lead role="status">{example && `${example}.wav`}</Lead>
          {twice.map((name) => (
            <Soft key={name} role="alert">
              {say({ code: "scheme.clash", name: name.replace(/^\d+ /, "") })}
            </Soft>
          ))}
        </Stack>
        <Stack $gap={0.6}>
          <NumberField
            label="The recorder's next number"
            value={setup.counter}
            minimum={0}
            maximum={999_999}
            shown={COUNTED}
            isWhole
            onChange={(counter) => changeSetup((body) => ({ ...body, counter }))}
          />
          <FileDrop
            label="Drop the first files of the recorder"
            hint="Their names show how it counts. Nothing is read but the names."
            accepts={["audio/*", ".wav", ".bwf", ".rf64"]}
            onFile={(file) => learn([file.name])}
            onCard={(files) => learn(files.map(({ file }) => file.name))}
          />
          {refused && (
            <Soft role="alert">These names have nothing in common that counts. Write the scheme by hand.</Soft>
          )}
        </Stack>
      </Columns>
      <Stack $gap={0.4}>
        <h2>Own marks</h2>
        <Row $gap={0.4}>
          {setup.ownKinds.map((each) => (
            <Button
              key={each}
              aria-label={`Remove the mark ${each}`}
              onPress={() =>
                changeSetup((body) => ({ ...body, ownKinds: body.ownKinds.filter((own) => own !== each) }))
              }
            >
              {each} <X size={16} aria-hidden />
            </Button>
          ))}
        </Row>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            add();
          }}
        >
          <Row $low $gap={0.4}>
            <TextField label="New mark" value={kind} maxLength={60} fault={() => null} onChange={setKind} />
            <Button type="submit">Add mark</Button>
          </Row>
        </form>
      </Stack>
    </Stack>
  );
}
