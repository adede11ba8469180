"use client";

import { useState } from "react";
import { newRig } from "@/core/planning";
import { newScene, rigsOfScene, SceneBody, scenesInOrder, type Stored } from "@/core/records";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { goTo, replaceAddress, useAddress } from "@/ui/address";
import { Button } from "@/ui/Button";
import { Dialog } from "@/ui/Dialog";
import { NumberField, boundsOf } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Ticks";
import { TimeField } from "@/ui/TimeField";
import { showToast } from "@/ui/toasts";
import { Columns, Row, Soft, Stack } from "@/ui/layout";
import { Bound, FormFaults, useSchemaForm } from "../form/useSchemaForm";
import { withFocus } from "./focus";
import { useRemoval } from "./useRemoval";

const MINUTES = { unit: "min", factor: 1, digits: 0, step: 5 };
const NO_PLACE = "none";

/** Days to choose from: those of the shoot, and one more, which makes it longer. */
function dayOptions(days: number, used: number) {
  return Array.from({ length: Math.max(days, used) + 1 }, (_, index) => ({
    value: String(index + 1),
    name: index < days ? `Day ${index + 1}` : `Day ${index + 1} (makes the shoot longer)`,
  }));
}

/** A scene: title, day, time, place and who is in it. `scene` null: a new one. */
export function SceneDialog({ scene, onClose }: { scene: Stored<"scene"> | null; onClose: () => void }) {
  const { bundle } = useShoot();
  const store = useShootStore();
  const remove = useRemoval();
  const { query, path } = useAddress();
  const { shoot, places, wearers, scenes } = bundle;
  const last = scenesInOrder(scenes).at(-1);
  const rigs = scene ? rigsOfScene(bundle, scene.id) : [];
  const first =
    scene?.body ??
    newScene(shoot.id, {
      title: `Scene ${scenes.length + 1}`,
      placeId: last?.body.placeId ?? places[0]?.id ?? null,
      day: last?.body.day ?? 1,
    });
  const { control, handleSubmit, formState } = useSchemaForm(SceneBody, first);
  const [inIt, setInIt] = useState<ReadonlySet<string>>(() => new Set(rigs.map(({ body }) => body.wearerId)));

  const save = handleSubmit((body) => {
    const id = scene?.id ?? store.create("scene", body);
    if (scene) store.change("scene", id, body);
    if (body.day > shoot.body.days) store.edit("shoot", shoot.id, (now) => ({ ...now, days: body.day }));
    for (const { id: wearerId } of wearers)
      if (inIt.has(wearerId) && !rigs.some((rig) => rig.body.wearerId === wearerId))
        store.create("rig", newRig({ shootId: shoot.id, wearerId, sceneId: id }));
    const gone = rigs.filter((rig) => !inIt.has(rig.body.wearerId));
    const undos = gone.map((rig) => store.remove("rig", rig.id));
    if (gone.length > 0)
      showToast({
        says:
          gone.length === 1 ? "1 talent taken out of this scene." : `${gone.length} talent taken out of this scene.`,
        action: { name: "Undo", run: () => undos.forEach((undo) => undo()) },
      });
    onClose();
    if (!scene) replaceAddress(withFocus(query, { wearerId: null, sceneId: id }));
  });

  return (
    <Dialog title={scene ? "Scene" : "Add scene"} isOpen onClose={onClose}>
      <form onSubmit={(event) => void save(event)}>
        <FormFaults schema={SceneBody} errors={formState.errors}>
          <Stack>
            <Columns $template="2fr 1fr">
              <Bound control={control} name="title">
                {({ value, onChange }) => (
                  <TextField label="Scene" value={value} fault={() => null} onChange={onChange} autoFocus />
                )}
              </Bound>
              <Bound control={control} name="startsAt">
                {({ value, onChange }) => <TimeField label="Starts at" value={value} onChange={onChange} />}
              </Bound>
            </Columns>
            <Columns $template="1fr 1fr">
              <Bound control={control} name="day">
                {({ value, onChange }) => (
                  <Select
                    label="Day"
                    value={String(value)}
                    options={dayOptions(shoot.body.days, first.day)}
                    onChange={(day) => onChange(Number(day))}
                  />
                )}
              </Bound>
              <Bound control={control} name="placeId">
                {({ value, onChange }) => (
                  <Select
                    label="Place"
                    value={value ?? NO_PLACE}
                    options={[
                      ...places.map((place) => ({ value: place.id, name: place.body.name })),
                      { value: NO_PLACE, name: "Not known yet" },
                    ]}
                    onChange={(id) => onChange(id === NO_PLACE ? null : id)}
                  />
                )}
              </Bound>
            </Columns>
            <Columns $template="1fr 1fr">
              {(["lengthMin", "takeMin"] as const).map((name) => (
                <Bound key={name} control={control} name={name}>
                  {({ value, onChange }) => (
                    <NumberField
                      label={SceneBody.properties[name].title!}
                      value={value}
                      {...boundsOf(SceneBody.properties[name])}
                      shown={MINUTES}
                      onChange={onChange}
                    />
                  )}
                </Bound>
              ))}
            </Columns>
            <Stack $gap={0.2} role="group" aria-label="Talent in this scene">
              {wearers.length === 0 && <Soft>Talent is added at Dress.</Soft>}
              <Row $gap={0.3}>
                {wearers.map(({ id, body }) => (
                  <Tick
                    key={id}
                    label={body.name}
                    isOn={inIt.has(id)}
                    onChange={(isOn) =>
                      setInIt((now) => new Set(isOn ? [...now, id] : [...now].filter((each) => each !== id)))
                    }
                  />
                ))}
              </Row>
            </Stack>
            <Row>
              <Button look="main" type="submit">
                {scene ? "Save" : "Add scene"}
              </Button>
              <Button onPress={onClose}>Cancel</Button>
              {scene && (
                <Button
                  look="quiet"
                  onPress={() => {
                    onClose();
                    remove("scene", scene.id, scene.body.title);
                    if (query.get("scene") === scene.id) goTo(`${path}${withFocus(query, { sceneId: null })}`);
                  }}
                >
                  Delete this scene
                </Button>
              )}
            </Row>
          </Stack>
        </FormFaults>
      </form>
    </Dialog>
  );
}
