"use client";

import { ArrowUp, Plus, Trash2 } from "lucide-react";
import styled from "styled-components";
import { ACCESSORIES, type Accessory } from "@/core/dress/accessories";
import { contradictionsOf } from "@/core/dress/contradictions";
import { FABRICS } from "@/core/dress/fabrics";
import { GARMENTS } from "@/core/dress/garments";
import { HeightM, MAX_LAYERS, usualLayer, type Layer, type Outfit, type Performance } from "@/core/dress/outfit";
import type { RigBody, SceneBody, ShootBody, Stored, WearerBody } from "@/core/shoot/records";
import { EFFORTS } from "@/core/voice/speechSpectrum";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Disclosure } from "@/ui/Disclosure";
import { NumberField, UNITS } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Ticks";
import { Columns, Row, Soft, Stack } from "@/ui/layout";
import { useShoot, useShootStore } from "../saving/ShootProvider";
import type { ShootStore } from "../saving/shootStore";
import {
  ACCESSORY_OPTIONS,
  ACTION_OPTIONS,
  ANSWER_OPTIONS,
  EFFORT_OPTIONS,
  FABRIC_OPTIONS,
  FACING_OPTIONS,
  FIT_OPTIONS,
  GARMENT_OPTIONS,
  NECKLINE_OPTIONS,
  OPENING_OPTIONS,
  PATTERN_OPTIONS,
  SHADE_OPTIONS,
  SHOT_OPTIONS,
  VOICE_OPTIONS,
  WATER_OPTIONS,
  upperFirst,
} from "./words";

const NEXT_LAYER = usualLayer("jumper");

const LayerBox = styled.fieldset`
  border: 1px dashed var(--seam);
  margin: 0;
  padding: 0.3rem 0.7rem 0.8rem;
  min-width: 0;
  legend {
    font-weight: 600;
    padding: 0 0.3rem;
  }
`;

const Pair = styled.div`
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 0.6rem;
  align-items: end;
`;

/** Where an outfit is kept: with the wearer, or with one scene's rig. */
interface Wardrobe {
  wearerId: string;
  /** The rig whose scene has an outfit of its own; null while the wearer's usual one is worn. */
  rigId: string | null;
}

/** Changes an outfit from what it is now, wherever it is kept. What cannot be worn is not taken. */
function editOutfit(store: ShootStore, { wearerId, rigId }: Wardrobe, edit: (outfit: Outfit) => Outfit): void {
  if (rigId) store.edit("rig", rigId, (rig) => (rig.outfit ? { ...rig, outfit: edit(rig.outfit) } : rig));
  else store.edit("wearer", wearerId, (wearer) => ({ ...wearer, outfit: edit(wearer.outfit) }));
}

const editLayers = (store: ShootStore, wardrobe: Wardrobe, edit: (layers: Layer[]) => Layer[]) =>
  editOutfit(store, wardrobe, (outfit) => withoutStrays({ ...outfit, layers: edit(outfit.layers) }));

/** Takes off what can no longer be worn with these layers: a tie without its collar. */
function withoutStrays(outfit: Outfit): Outfit {
  return {
    ...outfit,
    accessories: outfit.accessories.filter((accessory) =>
      contradictionsOf({ ...outfit, accessories: [accessory] }).every(({ path }) => path !== "accessories"),
    ),
  };
}

function layerWords({ garment, fabric, fit }: Layer): string {
  return upperFirst(`${GARMENTS[garment].name}, ${FABRICS[fabric].name}, ${fit}`);
}

function LayerForm(props: { wearerId: string; rigId: string | null; layer: Layer; index: number; count: number }) {
  const { wearerId, rigId, index, count, layer } = props;
  const store = useShootStore();
  const wardrobe = { wearerId, rigId };
  const set = (change: Partial<Layer>) =>
    editLayers(store, wardrobe, (layers) => layers.map((each, at) => (at === index ? { ...each, ...change } : each)));
  const takeOff = () => editLayers(store, wardrobe, (layers) => layers.filter((_, at) => at !== index));
  const moveInward = () =>
    editLayers(store, wardrobe, (layers) => layers.toSpliced(index - 1, 2, layers[index]!, layers[index - 1]!));
  const { opens } = GARMENTS[layer.garment];
  const faults = contradictionsOf({ layers: [layer], accessories: [] });
  return (
    <LayerBox>
      <legend>{index === 0 ? "Next to the skin" : `Layer ${index + 1}`}</legend>
      <Disclosure title={layerWords(layer)} isOpenAtFirst={index === count - 1}>
        <Stack $gap={0.6}>
          <Pair>
            <Select
              label="Garment"
              value={layer.garment}
              options={GARMENT_OPTIONS}
              onChange={(next) => set(usualLayer(next, { shade: layer.shade, pattern: layer.pattern }))}
            />
            <Select
              label="Fabric"
              value={layer.fabric}
              options={FABRIC_OPTIONS}
              onChange={(fabric) => set({ fabric })}
            />
            <Select label="Fit" value={layer.fit} options={FIT_OPTIONS} onChange={(fit) => set({ fit })} />
            {opens ? (
              <Select
                label="Front"
                value={layer.opening}
                options={OPENING_OPTIONS}
                onChange={(opening) => set({ opening })}
              />
            ) : (
              <Select
                label="Neckline"
                value={layer.neckline}
                options={NECKLINE_OPTIONS}
                onChange={(neckline) => set({ neckline })}
              />
            )}
            <Select label="Colour" value={layer.shade} options={SHADE_OPTIONS} onChange={(shade) => set({ shade })} />
            <Select
              label="Pattern"
              value={layer.pattern}
              options={PATTERN_OPTIONS}
              onChange={(pattern) => set({ pattern })}
            />
          </Pair>
          {faults.map(({ says }) => (
            <p key={says} role="alert">
              {says}
            </p>
          ))}
          <Row>
            {opens && <Tick label="Lapels" isOn={layer.hasLapels} onChange={(hasLapels) => set({ hasLapels })} />}
            {count > 1 && index > 0 && (
              <Button aria-label={`Move layer ${index + 1} inward`} onPress={moveInward}>
                <ArrowUp size={16} aria-hidden /> Inward
              </Button>
            )}
            {count > 1 && (
              <Button aria-label={`Take off layer ${index + 1}`} onPress={takeOff}>
                <Trash2 size={16} aria-hidden /> Take off
              </Button>
            )}
          </Row>
        </Stack>
      </Disclosure>
    </LayerBox>
  );
}

/** Who it is: what of the person decides where a microphone may go. */
function PersonForm({ wearer, units }: { wearer: Stored<"wearer">; units: ShootBody["units"] }) {
  const store = useShootStore();
  const { body } = wearer;
  const set = (change: Partial<WearerBody>) => store.edit("wearer", wearer.id, (now) => ({ ...now, ...change }));
  return (
    <Pair>
      <TextField label="Name" value={body.name} onChange={(name) => set({ name })} />
      <NumberField
        label="Height"
        value={body.heightM}
        minimum={HeightM.minimum!}
        maximum={HeightM.maximum!}
        shown={units === "metric" ? UNITS.centimetre : UNITS.inch}
        onChange={(heightM) => set({ heightM })}
      />
      <Select label="Voice" value={body.voice} options={VOICE_OPTIONS} onChange={(voice) => set({ voice })} />
      <Select
        label="Allergy to tape"
        value={body.tapeAllergy}
        options={ANSWER_OPTIONS}
        onChange={(tapeAllergy) => set({ tapeAllergy })}
      />
      <Select
        label="Hair on the chest"
        value={body.hairyChest}
        options={ANSWER_OPTIONS}
        onChange={(hairyChest) => set({ hairyChest })}
      />
    </Pair>
  );
}

/** What is worn beside clothes; what cannot be, says why and stays off. */
function AlsoWorn(props: { wearerId: string; rigId: string | null; layers: Layer[]; accessories: Accessory[] }) {
  const { wearerId, rigId, layers, accessories } = props;
  const store = useShootStore();
  const wear = (accessory: Accessory, isOn: boolean) =>
    editOutfit(store, { wearerId, rigId }, (outfit) => ({
      ...outfit,
      accessories: ACCESSORIES.filter((each) => (each === accessory ? isOn : outfit.accessories.includes(each))),
    }));
  const faultOf = (accessory: Accessory) =>
    accessories.includes(accessory)
      ? undefined
      : contradictionsOf({ layers, accessories: [...accessories, accessory] }).find(
          ({ path }) => path === "accessories",
        );
  const faults = ACCESSORY_OPTIONS.map(({ value, name }) => ({ name, fault: faultOf(value) })).filter(
    ({ fault }) => fault,
  );
  return (
    <Stack $gap={0.5}>
      <Row role="group" aria-label="Also worn" $gap={0.4}>
        {ACCESSORY_OPTIONS.map(({ value, name }) => (
          <Tick
            key={value}
            label={name}
            isOn={accessories.includes(value)}
            isDisabled={faultOf(value) !== undefined}
            onChange={(isOn) => wear(value, isOn)}
          />
        ))}
      </Row>
      {faults.length > 0 && <Soft>{[...new Set(faults.map(({ fault }) => fault!.says))].join(" ")}</Soft>}
    </Stack>
  );
}

/** What they do in the scene, and how it is seen. */
function PerformanceForm({ rigId, performance }: { rigId: string; performance: Performance }) {
  const store = useShootStore();
  const set = (change: Partial<Performance> | ((now: Performance) => Partial<Performance>)) =>
    store.edit("rig", rigId, (now) => ({
      ...now,
      performance: { ...now.performance, ...(typeof change === "function" ? change(now.performance) : change) },
    }));
  return (
    <Stack>
      <Choice label="Faces" value={performance.faces} options={FACING_OPTIONS} onChange={(faces) => set({ faces })} />
      <Choice
        label="Moves"
        value={performance.action}
        options={ACTION_OPTIONS}
        onChange={(action) => set({ action })}
      />
      <Columns $template="1fr 1fr">
        <Choice label="Shot" value={performance.shot} options={SHOT_OPTIONS} onChange={(shot) => set({ shot })} />
        <Choice label="Water" value={performance.water} options={WATER_OPTIONS} onChange={(water) => set({ water })} />
      </Columns>
      <Choice
        label="Microphone"
        value={performance.mayBeSeen ? "seen" : "hidden"}
        options={[
          { value: "hidden", name: "Hidden" },
          { value: "seen", name: "May be seen" },
        ]}
        onChange={(value) => set({ mayBeSeen: value === "seen" })}
      />
      <Pair>
        <Select
          label="Softest line"
          value={performance.softest}
          options={EFFORT_OPTIONS}
          onChange={(softest) =>
            set((now) => ({
              softest,
              loudest: EFFORTS.indexOf(softest) > EFFORTS.indexOf(now.loudest) ? softest : now.loudest,
            }))
          }
        />
        <Select
          label="Loudest line"
          value={performance.loudest}
          options={EFFORT_OPTIONS}
          onChange={(loudest) =>
            set((now) => ({
              loudest,
              softest: EFFORTS.indexOf(loudest) < EFFORTS.indexOf(now.softest) ? loudest : now.softest,
            }))
          }
        />
        <NumberField
          label="Worn for"
          value={performance.hours}
          minimum={0.1}
          maximum={24}
          shown={{ unit: "h", factor: 1, digits: 1, step: 0.5 }}
          onChange={(hours) => set({ hours })}
        />
      </Pair>
      <Row $gap={0.4}>
        <Tick label="Sweats" isOn={performance.sweats} onChange={(sweats) => set({ sweats })} />
        <Tick
          label="Hands on the chest"
          isOn={performance.handsOnChest}
          onChange={(handsOnChest) => set({ handsOnChest })}
        />
      </Row>
    </Stack>
  );
}

/** The scene itself: title, day, time and place. */
function SceneForm({ scene, days }: { scene: Stored<"scene">; days: number }) {
  const { bundle } = useShoot();
  const store = useShootStore();
  const set = (change: Partial<SceneBody>) => store.edit("scene", scene.id, (now) => ({ ...now, ...change }));
  return (
    <Pair>
      <TextField label="Scene" value={scene.body.title} onChange={(title) => set({ title })} />
      <TextField label="Starts at" type="time" value={scene.body.startsAt} onChange={(startsAt) => set({ startsAt })} />
      <NumberField
        label="Day"
        value={scene.body.day}
        minimum={1}
        maximum={Math.max(days, scene.body.day)}
        isWhole
        shown={{ unit: "", factor: 1, digits: 0, step: 1 }}
        onChange={(day) => set({ day })}
      />
      {bundle.places.length > 0 && (
        <Select
          label="Place of this scene"
          value={scene.body.placeId ?? "none"}
          options={[
            ...bundle.places.map((place) => ({ value: place.id, name: place.body.name })),
            ...(scene.body.placeId === null ? [{ value: "none", name: "Not known yet" }] : []),
          ]}
          onChange={(placeId) => set({ placeId: placeId === "none" ? null : placeId })}
        />
      )}
    </Pair>
  );
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
  const { layers, accessories } = rig.body.outfit ?? wearer.body.outfit;
  const scene = bundle.scenes.find((each) => each.id === rig.body.sceneId);
  const rigCount = bundle.rigs.filter((each) => each.body.wearerId === wearer.id).length;
  return (
    <Stack>
      {layers.map((layer, index) => (
        <LayerForm key={index} wearerId={wearer.id} rigId={rigId} layer={layer} index={index} count={layers.length} />
      ))}
      <Row>
        {layers.length < MAX_LAYERS && (
          <Button onPress={() => editLayers(store, { wearerId: wearer.id, rigId }, (now) => [...now, NEXT_LAYER])}>
            <Plus size={16} aria-hidden /> Put a layer over it
          </Button>
        )}
        {(rigCount > 1 || rigId) && <OwnClothes rig={rig} usual={wearer.body.outfit} />}
      </Row>
      <AlsoWorn wearerId={wearer.id} rigId={rigId} layers={layers} accessories={accessories} />
      <PerformanceForm rigId={rig.id} performance={rig.body.performance} />
      <Disclosure title="Person" isOpenAtFirst>
        <PersonForm wearer={wearer} units={units} />
      </Disclosure>
      {scene && (
        <Disclosure title="Scene" isOpenAtFirst>
          <SceneForm scene={scene} days={bundle.shoot.body.days} />
        </Disclosure>
      )}
    </Stack>
  );
}
