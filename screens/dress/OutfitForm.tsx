"use client";

import { ArrowUp, Plus, Trash2 } from "lucide-react";
import styled from "styled-components";
import { ACCESSORIES, type Accessory } from "@/core/dress/accessories";
import { contradictionsOf } from "@/core/dress/contradictions";
import { FABRICS } from "@/core/dress/fabrics";
import { GARMENTS, type Shape } from "@/core/dress/garments";
import {
  HeightM,
  MAX_LAYERS,
  usualLayer,
  type Layer,
  type Outfit,
  type Performance,
  type Person,
} from "@/core/dress/outfit";
import type { RigBody, SceneBody, ShootBody, ShootBundle, Stored, WearerBody } from "@/core/shoot/records";
import { EFFORTS } from "@/core/voice/speechSpectrum";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Disclosure } from "@/ui/Disclosure";
import { NumberField, UNITS } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { showToast } from "@/ui/toasts";
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

/** Shapes that have a neckline to speak of. */
const NECKED: readonly Shape[] = ["top", "tube", "wrap"];
const SEEN_OPTIONS = [
  { value: "hidden", name: "Hidden" },
  { value: "seen", name: "May be seen" },
] as const;
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

/** An outfit as changed, or as it was, with the reason said, where the change cannot be worn. */
function wearable(outfit: Outfit, edit: (outfit: Outfit) => Outfit): Outfit {
  const changed = edit(outfit);
  const [fault] = contradictionsOf(changed);
  if (!fault) return changed;
  showToast({ says: fault.says });
  return outfit;
}

/** Changes an outfit from what it is now, wherever it is kept. What cannot be worn is not taken. */
function editOutfit(store: ShootStore, { wearerId, rigId }: Wardrobe, edit: (outfit: Outfit) => Outfit): void {
  if (rigId)
    store.edit("rig", rigId, (rig) => {
      if (!rig.outfit) return rig;
      const outfit = wearable(rig.outfit, edit);
      return outfit === rig.outfit ? rig : { ...rig, outfit };
    });
  else
    store.edit("wearer", wearerId, (wearer) => {
      const outfit = wearable(wearer.outfit, edit);
      return outfit === wearer.outfit ? wearer : { ...wearer, outfit };
    });
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
  const { opens, shape } = GARMENTS[layer.garment];
  const necklines = NECKLINE_OPTIONS.filter(
    ({ value }) => contradictionsOf({ layers: [{ ...layer, neckline: value }], accessories: [] }).length === 0,
  );
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
            ) : NECKED.includes(shape) ? (
              <Select
                label="Neckline"
                value={layer.neckline}
                options={necklines}
                onChange={(neckline) => set({ neckline })}
              />
            ) : null}
            <Select label="Colour" value={layer.shade} options={SHADE_OPTIONS} onChange={(shade) => set({ shade })} />
            <Select
              label="Pattern"
              value={layer.pattern}
              options={PATTERN_OPTIONS}
              onChange={(pattern) => set({ pattern })}
            />
          </Pair>
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
function PersonForm(props: Person & { wearerId: string; name: string; units: ShootBody["units"] }) {
  const { wearerId, name, heightM, voice, tapeAllergy, hairyChest, units } = props;
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
    </Pair>
  );
}

function WornTick(props: {
  wearerId: string;
  rigId: string | null;
  accessory: Accessory;
  name: string;
  isOn: boolean;
  isDisabled: boolean;
}) {
  const { wearerId, rigId, accessory } = props;
  const store = useShootStore();
  const wear = (isOn: boolean) =>
    editOutfit(store, { wearerId, rigId }, (outfit) => ({
      ...outfit,
      accessories: ACCESSORIES.filter((each) => (each === accessory ? isOn : outfit.accessories.includes(each))),
    }));
  return <Tick label={props.name} isOn={props.isOn} isDisabled={props.isDisabled} onChange={wear} />;
}

/** What is worn beside clothes; what cannot be, says why and stays off. */
function AlsoWorn(props: { wearerId: string; rigId: string | null; layers: Layer[]; accessories: Accessory[] }) {
  const { wearerId, rigId, layers, accessories } = props;
  const faultOf = (accessory: Accessory) =>
    accessories.includes(accessory)
      ? undefined
      : contradictionsOf({ layers, accessories: [...accessories, accessory] }).find(
          ({ path }) => path === "accessories",
        );
  const faults = ACCESSORY_OPTIONS.flatMap(({ value }) => faultOf(value)?.says ?? []);
  return (
    <Stack $gap={0.5}>
      <Row role="group" aria-label="Also worn" $gap={0.4}>
        {ACCESSORY_OPTIONS.map(({ value, name }) => (
          <WornTick
            key={value}
            wearerId={wearerId}
            rigId={rigId}
            accessory={value}
            name={name}
            isOn={accessories.includes(value)}
            isDisabled={faultOf(value) !== undefined}
          />
        ))}
      </Row>
      {faults.length > 0 && <Soft>{[...new Set(faults)].join(" ")}</Soft>}
    </Stack>
  );
}

const setPerformance = (store: ShootStore, rigId: string, change: (now: Performance) => Partial<Performance>) =>
  store.edit("rig", rigId, (now) => ({ ...now, performance: { ...now.performance, ...change(now.performance) } }));

/** One question about the scene with a few answers. */
function PerformanceChoice<Field extends "faces" | "action" | "shot" | "water">(props: {
  rigId: string;
  field: Field;
  label: string;
  value: Performance[Field];
  options: readonly { value: Performance[Field]; name: string }[];
}) {
  const { rigId, field, label, value, options } = props;
  const store = useShootStore();
  return (
    <Choice
      label={label}
      value={value}
      options={options}
      onChange={(next) => setPerformance(store, rigId, () => ({ [field]: next }))}
    />
  );
}

function SeenChoice({ rigId, mayBeSeen }: { rigId: string; mayBeSeen: boolean }) {
  const store = useShootStore();
  return (
    <Choice
      label="Microphone"
      value={mayBeSeen ? "seen" : "hidden"}
      options={SEEN_OPTIONS}
      onChange={(value) => setPerformance(store, rigId, () => ({ mayBeSeen: value === "seen" }))}
    />
  );
}

/** The softest and the loudest line; one never passes the other. */
function Efforts({ rigId, softest, loudest }: { rigId: string } & Pick<Performance, "softest" | "loudest">) {
  const store = useShootStore();
  return (
    <Pair>
      <Select
        label="Softest line"
        value={softest}
        options={EFFORT_OPTIONS}
        onChange={(next) =>
          setPerformance(store, rigId, (now) => ({
            softest: next,
            loudest: EFFORTS.indexOf(next) > EFFORTS.indexOf(now.loudest) ? next : now.loudest,
          }))
        }
      />
      <Select
        label="Loudest line"
        value={loudest}
        options={EFFORT_OPTIONS}
        onChange={(next) =>
          setPerformance(store, rigId, (now) => ({
            loudest: next,
            softest: EFFORTS.indexOf(next) < EFFORTS.indexOf(now.softest) ? next : now.softest,
          }))
        }
      />
    </Pair>
  );
}

function WearHours({ rigId, hours }: { rigId: string; hours: number }) {
  const store = useShootStore();
  return (
    <NumberField
      label="Worn for"
      value={hours}
      minimum={0.1}
      maximum={24}
      shown={UNITS.hours}
      onChange={(next) => setPerformance(store, rigId, () => ({ hours: next }))}
    />
  );
}

function PerformanceTick(props: { rigId: string; field: "sweats" | "handsOnChest"; label: string; isOn: boolean }) {
  const { rigId, field, label, isOn } = props;
  const store = useShootStore();
  return (
    <Tick label={label} isOn={isOn} onChange={(next) => setPerformance(store, rigId, () => ({ [field]: next }))} />
  );
}

/** What they do in the scene, and how it is seen. */
function PerformanceForm({ rigId, performance }: { rigId: string; performance: Performance }) {
  const { faces, action, shot, water, mayBeSeen, softest, loudest, hours, sweats, handsOnChest } = performance;
  return (
    <Stack>
      <PerformanceChoice rigId={rigId} field="faces" label="Faces" value={faces} options={FACING_OPTIONS} />
      <PerformanceChoice rigId={rigId} field="action" label="Moves" value={action} options={ACTION_OPTIONS} />
      <SeenChoice rigId={rigId} mayBeSeen={mayBeSeen} />
      <Columns $template="1fr 1fr">
        <PerformanceChoice rigId={rigId} field="shot" label="Shot" value={shot} options={SHOT_OPTIONS} />
        <PerformanceChoice rigId={rigId} field="water" label="Water" value={water} options={WATER_OPTIONS} />
      </Columns>
      <Efforts rigId={rigId} softest={softest} loudest={loudest} />
      <Pair>
        <WearHours rigId={rigId} hours={hours} />
      </Pair>
      <Row $gap={0.4}>
        <PerformanceTick rigId={rigId} field="sweats" label="Sweats" isOn={sweats} />
        <PerformanceTick rigId={rigId} field="handsOnChest" label="Hands on the chest" isOn={handsOnChest} />
      </Row>
    </Stack>
  );
}

/** The scene itself: title, day, time and place. */
function SceneForm(props: { scene: Stored<"scene">; places: ShootBundle["places"]; days: number }) {
  const { scene, places, days } = props;
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
      {places.length > 0 && (
        <Select
          label="Place of this scene"
          value={scene.body.placeId ?? "none"}
          options={[
            ...places.map((place) => ({ value: place.id, name: place.body.name })),
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
        <PersonForm
          wearerId={wearer.id}
          name={wearer.body.name}
          heightM={wearer.body.heightM}
          voice={wearer.body.voice}
          tapeAllergy={wearer.body.tapeAllergy}
          hairyChest={wearer.body.hairyChest}
          units={units}
        />
      </Disclosure>
      {scene && (
        <Disclosure title="Scene" isOpenAtFirst>
          <SceneForm scene={scene} places={bundle.places} days={bundle.shoot.body.days} />
        </Disclosure>
      )}
    </Stack>
  );
}
