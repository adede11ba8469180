"use client";

import { CONNECTOR_NAMES, type Connector } from "@/core/connect/ports";
import { NumberField } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { Tick } from "@/ui/Ticks";
import { Columns, Row, Soft, Stack } from "@/ui/layout";

/** Words for what figures of connections can be. */
const WORDS: Record<string, string> = {
  plug: "plug",
  socket: "socket",
  balanced: "one signal, balanced",
  tip: "one signal, on the tip",
  dual: "the same on both",
  stereo: "two signals",
  headsetCtia: "headset mic, usual wiring",
  headsetOmtp: "headset mic, older wiring",
  digital: "digital",
  cancelled: "nothing",
  none: "nothing",
  battery: "its own battery",
  plugIn: "plug-in power",
  phantom: "phantom power",
  never: "never",
  switched: "can be switched",
  always: "always",
};

const wordsOf = (value: string): string => CONNECTOR_NAMES[value as Connector] ?? WORDS[value] ?? value;

interface FieldSchema {
  type?: string;
  title?: string;
  unit?: string;
  enum?: readonly string[];
  minimum?: number;
  maximum?: number;
  items?: FieldSchema;
  properties?: Record<string, FieldSchema>;
}

type Figures = Record<string, unknown>;

/** Names of ends, which have no title of their own. */
const END_NAMES: Record<string, string> = {
  end: "Its end",
  from: "End towards the source",
  to: "End towards the input",
};

function OwnField(props: { name: string; schema: FieldSchema; value: unknown; onChange: (value: unknown) => void }) {
  const { name, schema, value, onChange } = props;
  const label = schema.title ?? name;
  if (schema.enum)
    return (
      <Select
        label={label}
        value={String(value)}
        options={schema.enum.map((each) => ({ value: each, name: wordsOf(each) }))}
        onChange={onChange}
      />
    );
  if (schema.type === "number")
    return (
      <NumberField
        label={label}
        value={Number(value)}
        minimum={schema.minimum!}
        maximum={schema.maximum!}
        shown={{ unit: schema.unit ?? "", factor: 1, digits: 1, step: 1 }}
        onChange={onChange}
      />
    );
  if (schema.type === "boolean") return <Tick label={label} isOn={value === true} onChange={onChange} />;
  if (schema.type === "object" && schema.properties)
    return (
      <div role="group" aria-label={END_NAMES[name] ?? label}>
        <Stack $gap={0.3}>
          <Soft>{END_NAMES[name] ?? label}</Soft>
          <Row $gap={0.5}>
            {Object.entries(schema.properties).map(([key, own]) => (
              <OwnField
                key={key}
                name={key}
                schema={own}
                value={(value as Figures)[key]}
                onChange={(next) => onChange({ ...(value as Figures), [key]: next })}
              />
            ))}
          </Row>
        </Stack>
      </div>
    );
  return null;
}

/** The figures of an own device or lead, as fields made from their schema. Lists and what may be unknown stay as they were copied. */
export function OwnFigures(props: { schema: unknown; figures: Figures; onChange: (figures: Figures) => void }) {
  const { properties = {} } = props.schema as FieldSchema;
  return (
    <Columns $template="1fr 1fr">
      {Object.entries(properties)
        .filter(([key]) => key !== "turns")
        .map(([key, schema]) => (
          <OwnField
            key={key}
            name={key}
            schema={schema}
            value={props.figures[key]}
            onChange={(value) => props.onChange({ ...props.figures, [key]: value })}
          />
        ))}
    </Columns>
  );
}
