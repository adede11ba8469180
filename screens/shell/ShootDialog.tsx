"use client";

import { ShootBody } from "@/core/records";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { Button } from "@/ui/Button";
import { DateField } from "@/ui/DateField";
import { Dialog } from "@/ui/Dialog";
import { TextField } from "@/ui/TextField";
import { Columns, Row, Soft, Stack } from "@/ui/layout";
import { Bound, FormFaults, useSchemaForm } from "../form/useSchemaForm";
import { ShootFields } from "../shoots/ShootFields";
import { withDelivery } from "../shoots/withDelivery";

/** The facts of a shoot, which may be changed at any time. */
export function ShootDialog({ onClose }: { onClose: () => void }) {
  const { bundle } = useShoot();
  const store = useShootStore();
  const { shoot } = bundle;
  const { control, handleSubmit, formState, watch } = useSchemaForm(ShootBody, shoot.body);
  const days = watch("days");
  const later = bundle.scenes.filter(({ body }) => body.day > days);
  const save = handleSubmit((values) => {
    store.change("shoot", shoot.id, withDelivery(values));
    onClose();
  });
  return (
    <Dialog title="Shoot" isOpen onClose={onClose}>
      <form onSubmit={(event) => void save(event)}>
        <FormFaults schema={ShootBody} errors={formState.errors}>
          <Stack>
            <Columns $template="2fr 1fr">
              <Bound control={control} name="title">
                {({ value, onChange }) => (
                  <TextField label="Title" value={value} fault={() => null} onChange={onChange} autoFocus />
                )}
              </Bound>
              <Bound control={control} name="firstDay">
                {({ value, onChange }) => <DateField label="First day" value={value} onChange={onChange} />}
              </Bound>
            </Columns>
            <ShootFields control={control} />
            {later.length > 0 && (
              <Soft role="alert">
                {later.map(({ body }) => body.title).join(", ")}: planned for a later day than this shoot has. They
                stay, on their day.
              </Soft>
            )}
            <Row>
              <Button look="main" type="submit">
                Save
              </Button>
              <Button onPress={onClose}>Cancel</Button>
            </Row>
          </Stack>
        </FormFaults>
      </form>
    </Dialog>
  );
}
