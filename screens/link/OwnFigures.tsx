"use client";

import { type Connector, CONNECTOR_NAMES } from "@/core/devices";
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

/** What an input's levels are like, until its data sheet is read. Common practice. */
const USUAL_LEVELS = { fullScaleDbu: 4, gainMaxDb: 56, gainStepDb: 1, einDbu: -121, converterRangeDb: 108 } as const;

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

/** Figures that may not be known: a tick, and the fields once it is set. Zeroes would be figures too: what is usual comes first. */
function MaybeFigures(props: {
  schema: FieldSchema;
  value: Figures | undefined;
  onChange: (value: Figures | undefined) => void;
}) {
  const { schema, value, onChange } = props;
  return (
    <Stack $gap={0.4}>
      <Tick
        label={schema.title ?? ""}
        isOn={value !== undefined}
        onChange={(isOn) => onChange(isOn ? { ...USUAL_LEVELS } : undefined)}
      />
      {value && (
        <Row $gap={0.5}>
          {Object.entries(schema.properties ?? {}).map(([key, own]) => (
            <OwnField
              key={key}
              name={key}
              schema={own}
              value={value[key]}
              onChange={(next) => onChange({ ...value, [key]: next })}
            />
          ))}
        </Row>
      )}
    </Stack>
  );
}

/** The same figures with one changed; what is not known any more is not there. */
function withFigure(figures: Figures, key: string, value: unknown): Figures {
  if (value !== undefined) return { ...figures, [key]: value };
  return Object.fromEntries(Object.entries(figures).filter(([each]) => each !== key));
}

/** The figures of an own device or lead, as fields made from their schema. Lists and what may be unknown stay as they were copied. */
export function OwnFigures(props: { schema: unknown; figures: Figures; onChange: (figures: Figures) => void }) {
  const { properties = {} } = props.schema as FieldSchema;
  return (
    <Columns $template="1fr 1fr">
      {Object.entries(properties)
        .filter(([key]) => key !== "turns")
        .map(([key, schema]) =>
          key === "levels" ? (
            <MaybeFigures
              key={key}
              schema={schema}
              value={props.figures[key] as Figures | undefined}
              onChange={(value) => props.onChange(withFigure(props.figures, key, value))}
            />
          ) : (
            <OwnField
              key={key}
              name={key}
              schema={schema}
              value={props.figures[key]}
              onChange={(value) => props.onChange({ ...props.figures, [key]: value })}
            />
          ),
        )}
    </Columns>
  );
}
