"use client";

import type { Control } from "react-hook-form";
import { useWatch } from "react-hook-form";
import { BIT_DEPTHS, FRAME_RATES, SAMPLE_RATES_HZ, ShootBody } from "@/core/records";
import { Choice } from "@/ui/Choice";
import { NumberField, UNITS, boundsOf } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { Columns } from "@/ui/layout";
import { Bound } from "../form/useSchemaForm";

const DELIVERIES = [
  { value: "picture", name: "Picture 48/24" },
  { value: "radio", name: "Radio 44.1/16" },
  { value: "own", name: "Own" },
] as const;

const UNIT_OPTIONS = [
  { value: "metric", name: "Metric" },
  { value: "imperial", name: "Imperial" },
] as const;

const CLOCKS = [
  { value: "24", name: "24 h" },
  { value: "12", name: "12 h" },
] as const;

const asOptions = (values: readonly number[], unit: string) =>
  values.map((value) => ({ value: String(value), name: `${value} ${unit}` }));

/** Facts of a shoot beside its title and first day. */
export function ShootFields({ control }: { control: Control<ShootBody> }) {
  const delivery = useWatch({ control, name: "delivery" });
  return (
    <>
      <Columns $template="1fr 1fr 1fr 1fr">
        <Bound control={control} name="days">
          {({ value, onChange }) => (
            <NumberField
              label={ShootBody.properties.days.title!}
              value={value}
              {...boundsOf(ShootBody.properties.days)}
              shown={{ ...UNITS.days, unit: "" }}
              isWhole
              onChange={onChange}
            />
          )}
        </Bound>
        <Bound control={control} name="frameRate">
          {({ value, onChange }) => (
            <Select
              label="Frame rate"
              value={String(value)}
              options={asOptions(FRAME_RATES, "fps")}
              onChange={(rate) => onChange(Number(rate) as ShootBody["frameRate"])}
            />
          )}
        </Bound>
        <Bound control={control} name="units">
          {({ value, onChange }) => <Choice label="Units" value={value} options={UNIT_OPTIONS} onChange={onChange} />}
        </Bound>
        <Bound control={control} name="clock">
          {({ value, onChange }) => <Choice label="Clock" value={value} options={CLOCKS} onChange={onChange} />}
        </Bound>
      </Columns>
      <Bound control={control} name="delivery">
        {({ value, onChange }) => <Choice label="Delivery" value={value} options={DELIVERIES} onChange={onChange} />}
      </Bound>
      {delivery === "own" && (
        <Columns $template="1fr 1fr">
          <Bound control={control} name="sampleRateHz">
            {({ value, onChange }) => (
              <Select
                label="Sample rate"
                value={String(value)}
                options={asOptions(SAMPLE_RATES_HZ, "Hz")}
                onChange={(rate) => onChange(Number(rate) as ShootBody["sampleRateHz"])}
              />
            )}
          </Bound>
          <Bound control={control} name="bitsPerSample">
            {({ value, onChange }) => (
              <Select
                label="Bits"
                value={String(value)}
                options={asOptions(BIT_DEPTHS, "bit")}
                onChange={(bits) => onChange(Number(bits) as ShootBody["bitsPerSample"])}
              />
            )}
          </Bound>
        </Columns>
      )}
    </>
  );
}
