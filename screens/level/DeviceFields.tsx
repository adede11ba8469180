"use client";

import { CAPSULE_COLOURS, type CapsuleColour, DEVICE_SCHEMAS, type DeviceKind, genericFigures } from "@/core/devices";
import { Disclosure } from "@/ui/Disclosure";
import { NumberField } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Ticks";
import { Row, Stack } from "@/ui/layout";
import { useShoot, useShootStore } from "@/data/ShootProvider";

interface FigureSchema {
  type: string;
  title: string;
  unit: string;
  minimum: number;
  maximum: number;
  step: number;
}

/** One device of the chain: which of the kit, and its data-sheet figures. */
export function DeviceFields(props: {
  label: string;
  kind: DeviceKind;
  chosenId: string | null;
  onChoose: (id: string) => void;
}) {
  const { bundle } = useShoot();
  const store = useShootStore();
  const items = bundle.kit.filter((item) => item.body.kind === props.kind);
  const chosen = items.find((item) => item.id === props.chosenId) ?? items[0];
  if (!chosen) return null;
  const schema = Object.entries(
    DEVICE_SCHEMAS[props.kind].properties as unknown as Record<string, FigureSchema>,
  ).filter(([, figure]) => figure.type === "number");
  const figures = chosen.body.figures as unknown as Record<string, number>;
  // What older figures do not say is as usual.
  const usual = genericFigures(props.kind) as unknown as Record<string, number>;
  const { colours } = chosen.body.figures as { colours?: CapsuleColour[] };
  const set = (change: object) =>
    store.change("kitItem", chosen.id, {
      ...chosen.body,
      figures: { ...chosen.body.figures, ...change },
    });
  return (
    <div>
      <Select
        label={props.label}
        value={chosen.id}
        options={items.map((item) => ({ value: item.id, name: item.body.name }))}
        onChange={props.onChoose}
      />
      <Disclosure title="Specifications">
        <Stack key={chosen.id} $gap={0.6}>
          <TextField
            label="Device"
            value={chosen.body.name}
            onChange={(name) => store.change("kitItem", chosen.id, { ...chosen.body, name })}
          />
          {schema.map(([key, figure]) => (
            <NumberField
              key={key}
              label={figure.title}
              value={figures[key] ?? usual[key]!}
              minimum={key === "sensitivityMaxDb" ? figures["sensitivityMinDb"]! : figure.minimum}
              maximum={key === "sensitivityMinDb" ? figures["sensitivityMaxDb"]! : figure.maximum}
              shown={{ unit: figure.unit, factor: 1, digits: 1, step: figure.step < 1 ? 1 : figure.step }}
              onChange={(value) => set({ [key]: value })}
            />
          ))}
          {colours && (
            <Row role="group" aria-label="Colours there are" $gap={0.4}>
              {CAPSULE_COLOURS.map((colour) => (
                <Tick
                  key={colour}
                  label={colour}
                  isOn={colours.includes(colour)}
                  onChange={(isOn) =>
                    set({
                      colours: CAPSULE_COLOURS.filter((each) => (each === colour ? isOn : colours.includes(each))),
                    })
                  }
                />
              ))}
            </Row>
          )}
        </Stack>
      </Disclosure>
    </div>
  );
}
