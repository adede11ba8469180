"use client";

import type { DeviceKind } from "@/core/chain/devices";
import { DEVICE_SCHEMAS } from "@/core/chain/devices";
import { Disclosure } from "@/ui/Disclosure";
import { NumberField } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Stack } from "@/ui/layout";
import { useShoot, useShootStore } from "../saving/ShootProvider";

interface FigureSchema {
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
  const schema = DEVICE_SCHEMAS[props.kind].properties as unknown as Record<string, FigureSchema>;
  const figures: Record<string, number> = chosen.body.figures;
  return (
    <div>
      <Select
        label={props.label}
        value={chosen.id}
        options={items.map((item) => ({ value: item.id, name: item.body.name }))}
        onChange={props.onChoose}
      />
      <Disclosure title="Its figures">
        <Stack key={chosen.id} $gap={0.6}>
          <TextField
            label="Device"
            value={chosen.body.name}
            onChange={(name) => store.change("kitItem", chosen.id, { ...chosen.body, name })}
          />
          {Object.entries(schema).map(([key, figure]) => (
            <NumberField
              key={key}
              label={figure.title}
              value={figures[key]!}
              minimum={figure.minimum}
              maximum={figure.maximum}
              shown={{ unit: figure.unit, factor: 1, digits: 1, step: figure.step < 1 ? 1 : figure.step }}
              onChange={(value) =>
                store.change("kitItem", chosen.id, {
                  ...chosen.body,
                  figures: { ...figures, [key]: value } as unknown as typeof chosen.body.figures,
                })
              }
            />
          ))}
        </Stack>
      </Disclosure>
    </div>
  );
}
