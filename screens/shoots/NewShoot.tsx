"use client";

import { goTo } from "@/ui/address";
import { useState } from "react";
import { ShootBody } from "@/core/records";
import { Button } from "@/ui/Button";
import { DateField } from "@/ui/DateField";
import { Disclosure } from "@/ui/Disclosure";
import { TextField } from "@/ui/TextField";
import { Columns, Stack } from "@/ui/layout";
import { useHub } from "@/data/ShootProvider";
import { Bound, FormFaults, useSchemaForm } from "../form/useSchemaForm";
import { firstBody } from "./quickLook";
import { ShootFields } from "./ShootFields";
import { withDelivery } from "./withDelivery";

/** A new shoot in one line: everything but the title has a default, and can be changed later. */
export function NewShoot({ today }: { today: string }) {
  const hub = useHub();
  const { control, handleSubmit, formState } = useSchemaForm(ShootBody, firstBody(today));
  const [id] = useState(() => crypto.randomUUID());
  const start = handleSubmit((body) => {
    // It is there at once, with or without a server; pressing again finds another page.
    hub.storeOf(id).create("shoot", withDelivery(body), { id });
    goTo(`/shoots/${id}`);
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
              <Button look="main" type="submit">
                Start shoot
              </Button>
            </Stack>
          </Columns>
          <Disclosure title="Days, frame rate, units, delivery">
            <Stack $gap={0.6}>
              <ShootFields control={control} />
            </Stack>
          </Disclosure>
        </Stack>
      </FormFaults>
    </form>
  );
}
