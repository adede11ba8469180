"use client";

import { Plus } from "lucide-react";
import { HeightM, lowerOf, MAX_LAYERS, type Outfit, type Person, usualLayer } from "@/core/dress";
import type { RigBody, ShootBody, Stored, WearerBody } from "@/core/records";
import { Button } from "@/ui/Button";
import { Disclosure } from "@/ui/Disclosure";
import { NumberField, UNITS } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Ticks";
import { Row, Stack } from "@/ui/layout";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { AlsoWorn } from "./AlsoWorn";
import { LayerForm } from "./LayerForm";
import { Pair } from "./Pair";
import { PerformanceForm } from "./PerformanceForm";
import { editLayers, editOutfit } from "./wardrobe";
import { ANSWER_OPTIONS, HAIR_OPTIONS, lengthWords, LOWER_OPTIONS, VOICE_OPTIONS } from "./words";

const NEXT_LAYER = usualLayer("jumper");

/** Who it is: what of the person decides where a microphone may go. */
function PersonForm(props: Person & { wearerId: string; name: string; units: ShootBody["units"] }) {
  const { wearerId, name, heightM, voice, tapeAllergy, hairyChest, hair = "unknown", isChild = false, units } = props;
  const store = useShootStore();
  const set = (change: Partial<WearerBody>) => store.edit("wearer", wearerId, (now) => ({ ...now, ...change }));
  return (
    <Pair>
      <TextField label="Name" value={name} onChange={(next) => set({ name: next })} />
      <NumberField
        label="Height"
        value={heightM}
        minimum={HeightM.minimum!}
        maximum={HeightM.maximum!}
        shown={units === "metric" ? UNITS.centimetre : UNITS.inch}
        onChange={(next) => set({ heightM: next })}
      />
      <Select label="Voice" value={voice} options={VOICE_OPTIONS} onChange={(next) => set({ voice: next })} />
      <Select
        label="Allergy to tape"
        value={tapeAllergy}
        options={ANSWER_OPTIONS}
        onChange={(next) => set({ tapeAllergy: next })}
      />
      <Select
        label="Hair on the chest"
        value={hairyChest}
        options={ANSWER_OPTIONS}
        onChange={(next) => set({ hairyChest: next })}
      />
      <Select label="Hair" value={hair} options={HAIR_OPTIONS} onChange={(next) => set({ hair: next })} />
      <Tick label="A child" isOn={isChild} onChange={(next) => set({ isChild: next })} />
    </Pair>
  );
}

/** A person in a line: "Tam, 178 cm, deep voice". */
function personWords({ name, heightM, voice }: WearerBody, units: ShootBody["units"]): string {
  const spoken = VOICE_OPTIONS.find(({ value }) => value === voice)!.name.toLowerCase();
  return `${name}, ${lengthWords(heightM, units)}${voice === "unknown" ? "" : `, ${spoken} voice`}`;
}

/** Whether this scene has clothes of its own; they start as what is usually worn. */
function OwnClothes({ rig, usual }: { rig: Stored<"rig">; usual: Outfit }) {
  const store = useShootStore();
  const set = (outfit: RigBody["outfit"]) => store.edit("rig", rig.id, (now) => ({ ...now, outfit }));
  return (
    <Tick
      label="Other clothes in this scene"
      isOn={rig.body.outfit !== null}
      onChange={(isOn) => set(isOn ? usual : null)}
    />
  );
}

/** Who wears what, and what they do in the scene. */
export function OutfitForm(props: { wearer: Stored<"wearer">; rig: Stored<"rig">; units: ShootBody["units"] }) {
  const { wearer, rig, units } = props;
  const store = useShootStore();
  const { bundle } = useShoot();
  const rigId = rig.body.outfit ? rig.id : null;
  const outfit = rig.body.outfit ?? wearer.body.outfit;
  const { layers } = outfit;
  const wardrobe = { wearerId: wearer.id, rigId };
  // What was filled in once stays folded to a line.
  const isNew = rig.body.choice === null;
  const rigCount = bundle.rigs.filter((each) => each.body.wearerId === wearer.id).length;
  return (
    <Stack>
      {layers.map((layer, index) => (
        <LayerForm
          key={index}
          wearerId={wearer.id}
          rigId={rigId}
          layer={layer}
          index={index}
          count={layers.length}
          isOpenAtFirst={isNew && index === layers.length - 1}
        />
      ))}
      <Row>
        {layers.length < MAX_LAYERS && (
          <Button onPress={() => editLayers(store, wardrobe, (now) => [...now, NEXT_LAYER])}>
            <Plus size={16} aria-hidden /> Add a layer
          </Button>
        )}
        {(rigCount > 1 || rigId) && <OwnClothes rig={rig} usual={wearer.body.outfit} />}
      </Row>
      <Select
        label="Below the waist"
        value={lowerOf(outfit)}
        placeholder="Clothed by what is worn above"
        options={LOWER_OPTIONS}
        onChange={(lower) => editOutfit(store, wardrobe, (now) => ({ ...now, lower }))}
      />
      <AlsoWorn {...wardrobe} outfit={outfit} />
      <PerformanceForm rigId={rig.id} performance={rig.body.performance} />
      <Disclosure title={personWords(wearer.body, units)} isOpenAtFirst={isNew}>
        <PersonForm
          wearerId={wearer.id}
          name={wearer.body.name}
          heightM={wearer.body.heightM}
          voice={wearer.body.voice}
          tapeAllergy={wearer.body.tapeAllergy}
          hairyChest={wearer.body.hairyChest}
          hair={wearer.body.hair ?? "unknown"}
          isChild={wearer.body.isChild ?? false}
          units={units}
        />
      </Disclosure>
    </Stack>
  );
}
