"use client";

import { goTo } from "@/ui/address";
import { useState } from "react";
import { inShapeNow, ShootBody, type Stored } from "@/core/records";
import { Button } from "@/ui/Button";
import { DateField } from "@/ui/DateField";
import { Disclosure } from "@/ui/Disclosure";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { showToast } from "@/ui/toasts";
import { Columns, Stack } from "@/ui/layout";
import { useHub } from "@/data/ShootProvider";
import { Bound, FormFaults, useSchemaForm } from "../form/useSchemaForm";
import { firstBody } from "./quickLook";
import { kitToStartFrom, startShoot } from "./shootFiles";
import { ShootFields } from "./ShootFields";
import { withDelivery } from "./withDelivery";

const NOTHING = "nothing";
/** What the next shoot usually has like the last one. */
const KEPT_FACTS = ["units", "clock", "frameRate", "delivery", "sampleRateHz", "bitsPerSample"] as const;

/** A new shoot in one line: everything but the title has a default, and can be changed later. */
export function NewShoot({ today, shoots }: { today: string; shoots: readonly Stored<"shoot">[] }) {
  const hub = useHub();
  const { control, handleSubmit, formState, setValue } = useSchemaForm(ShootBody, firstBody(today));
  const [id] = useState(() => crypto.randomUUID());
  const [from, setFrom] = useState(NOTHING);
  const chooseFrom = (shootId: string) => {
    setFrom(shootId);
    const known = shoots.find((shoot) => shoot.id === shootId);
    // A list that was kept by a release before may lack a fact of this one.
    const body = known && inShapeNow("shoot", known.body);
    for (const fact of KEPT_FACTS) if (body) setValue(fact, body[fact]);
  };
  const start = handleSubmit(async (body) => {
    const bundle = from === NOTHING ? null : await kitToStartFrom(hub, from);
    if (from !== NOTHING && !bundle)
      showToast({ says: "Its kit is not on this device: the new shoot starts without it." });
    // It is there at once, with or without a server; pressing again finds another page.
    if (bundle) goTo(`/shoots/${startShoot(hub, bundle, withDelivery(body))}`);
    else {
      hub.storeOf(id).create("shoot", withDelivery(body), { id });
      goTo(`/shoots/${id}`);
    }
  });
  return (
    <form onSubmit={(event) => void start(event)} noValidate>
      <FormFaults schema={ShootBody} errors={formState.errors}>
        <Stack $gap={0.5}>
          <h2>New shoot</h2>
          <Columns $template="2fr 1.2fr auto">
            <Bound control={control} name="title">
              {({ value, onChange }) => (
                <TextField label="Title" value={value} fault={() => null} onChange={onChange} />
              )}
            </Bound>
            <Bound control={control} name="firstDay">
              {({ value, onChange }) => <DateField label="First day" value={value} onChange={onChange} />}
            </Bound>
            <Stack $gap={0.2}>
              <span aria-hidden style={{ fontSize: "0.85rem" }}>
                &nbsp;
              </span>
              <Button look="main" type="submit" isPending={formState.isSubmitting}>
                Start shoot
              </Button>
            </Stack>
          </Columns>
          <Disclosure title="Days, frame rate, units, delivery, kit">
            <Stack $gap={0.6}>
              {shoots.length > 0 && (
                <Select
                  label="Start with the kit and settings of"
                  value={from}
                  options={[
                    { value: NOTHING, name: "no other shoot" },
                    ...shoots.map((shoot) => ({ value: shoot.id, name: shoot.body.title })),
                  ]}
                  onChange={chooseFrom}
                />
              )}
              <ShootFields control={control} />
            </Stack>
          </Disclosure>
        </Stack>
      </FormFaults>
    </form>
  );
}
