"use client";

import { goTo } from "@/ui/address";
import { useState } from "react";
import { BIT_DEPTHS, DELIVERY_FORMATS, FRAME_RATES, SAMPLE_RATES_HZ, type ShootBody } from "@/core/records";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { NumberField, UNITS } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Columns, Row, Soft, Stack } from "@/ui/layout";
import { useHub } from "@/data/ShootProvider";

const DELIVERIES = [
  { value: "picture", name: "Picture 48/24" },
  { value: "radio", name: "Radio 44.1/16" },
  { value: "own", name: "Own" },
] as const;

function firstBody(today: string): ShootBody {
  return {
    title: "",
    firstDay: today,
    days: 1,
    units: "metric",
    frameRate: 25,
    delivery: "picture",
    ...DELIVERY_FORMATS.picture,
  };
}

const asOptions = (values: readonly number[], unit: string) =>
  values.map((value) => ({ value: String(value), name: `${value} ${unit}` }));

/** A new shoot in under a minute: everything but the title has a default. */
export function NewShoot({ today }: { today: string }) {
  const hub = useHub();
  const [body, setBody] = useState(() => firstBody(today));
  const [id] = useState(() => crypto.randomUUID());
  const [trouble, setTrouble] = useState<string | null>(null);
  const set = (change: Partial<ShootBody>) => setBody((last) => ({ ...last, ...change }));

  function start(): void {
    if (body.title.trim() === "") {
      setTrouble("Give it a title.");
      return;
    }
    // It is there at once, with or without a server; pressing again finds another page.
    hub.storeOf(id).create("shoot", body, { id });
    goTo(`/shoots/${id}/scout`);
  }

  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        start();
      }}
    >
      <Stack>
        <h2>New shoot</h2>
        <Columns $template="2fr 1fr 1fr">
          <TextField label="Title" value={body.title} onChange={(title) => set({ title })} />
          <TextField
            label="First day"
            type="date"
            value={body.firstDay}
            fault={(text) => (/^\d{4}-\d{2}-\d{2}$/.test(text) ? null : "First day: a date.")}
            onChange={(firstDay) => set({ firstDay })}
          />
          <NumberField
            label="Length"
            value={body.days}
            minimum={1}
            maximum={365}
            shown={UNITS.days}
            isWhole
            onChange={(days) => set({ days })}
          />
        </Columns>
        <Columns $template="1fr 1fr 2fr">
          <Choice
            label="Units"
            value={body.units}
            options={[
              { value: "metric", name: "Metric" },
              { value: "imperial", name: "Imperial" },
            ]}
            onChange={(units) => set({ units })}
          />
          <Select
            label="Frame rate"
            value={String(body.frameRate)}
            options={asOptions(FRAME_RATES, "fps")}
            onChange={(rate) => set({ frameRate: Number(rate) as ShootBody["frameRate"] })}
          />
          <Choice
            label="Delivery"
            value={body.delivery}
            options={DELIVERIES}
            onChange={(delivery) => set({ delivery, ...(delivery === "own" ? {} : DELIVERY_FORMATS[delivery]) })}
          />
        </Columns>
        {body.delivery === "own" && (
          <Columns $template="1fr 1fr 2fr">
            <Select
              label="Sample rate"
              value={String(body.sampleRateHz)}
              options={asOptions(SAMPLE_RATES_HZ, "Hz")}
              onChange={(rate) => set({ sampleRateHz: Number(rate) as ShootBody["sampleRateHz"] })}
            />
            <Select
              label="Bits"
              value={String(body.bitsPerSample)}
              options={asOptions(BIT_DEPTHS, "bit")}
              onChange={(bits) => set({ bitsPerSample: Number(bits) as ShootBody["bitsPerSample"] })}
            />
          </Columns>
        )}
        <Row>
          <Button look="main" type="submit">
            Start this shoot
          </Button>
          {trouble && <Soft role="alert">{trouble}</Soft>}
        </Row>
      </Stack>
    </form>
  );
}
