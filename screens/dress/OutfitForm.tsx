"use client";

import { ArrowUp, Plus, Trash2 } from "lucide-react";
import styled from "styled-components";
import { GARMENTS } from "@/core/dress/garments";
import { ACCESSORIES, HeightM, type Accessory, type Layer, type Performance } from "@/core/dress/outfit";
import type { ShootBody, Stored, WearerBody } from "@/core/shoot/records";
import { EFFORTS } from "@/core/voice/speechSpectrum";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { NumberField, UNITS } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Ticks";
import { Columns, Row, Stack } from "@/ui/layout";
import { useShoot, useShootStore } from "../saving/ShootProvider";
import type { ShootStore } from "../saving/shootStore";
import {
  ACCESSORY_NAMES,
  ACTION_OPTIONS,
  EFFORT_OPTIONS,
  FABRIC_OPTIONS,
  FACING_OPTIONS,
  FIT_OPTIONS,
  GARMENT_OPTIONS,
  OPENING_OPTIONS,
  PATTERN_OPTIONS,
  SHOT_OPTIONS,
} from "./words";

const MAX_LAYERS = 4;
const NEXT_LAYER: Layer = { garment: "jumper", fabric: "wool", fit: "fitted", opening: "closed", pattern: "plain" };

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

/** Changes a wearer's layers from what they are now. */
function editLayers(store: ShootStore, wearerId: string, edit: (layers: Layer[]) => Layer[]): void {
  store.edit("wearer", wearerId, (body) => ({ ...body, outfit: { ...body.outfit, layers: edit(body.outfit.layers) } }));
}

function LayerForm(props: { wearerId: string; layer: Layer; index: number; count: number }) {
  const { wearerId, index, count } = props;
  const { garment, fabric, fit, pattern, opening } = props.layer;
  const store = useShootStore();
  const set = (change: Partial<Layer>) =>
    editLayers(store, wearerId, (layers) => layers.map((each, at) => (at === index ? { ...each, ...change } : each)));
  const takeOff = () => editLayers(store, wearerId, (layers) => layers.filter((_, at) => at !== index));
  const moveInward = () =>
    editLayers(store, wearerId, (layers) => layers.toSpliced(index - 1, 2, layers[index]!, layers[index - 1]!));
  return (
    <LayerBox>
      <legend>{index === 0 ? "Next to the skin" : `Layer ${index + 1}`}</legend>
      <Stack $gap={0.6}>
        <Pair>
          <Select
            label="Garment"
            value={garment}
            options={GARMENT_OPTIONS}
            onChange={(next) => set({ garment: next, ...(GARMENTS[next].opens ? {} : { opening: "closed" }) })}
          />
          <Select label="Fabric" value={fabric} options={FABRIC_OPTIONS} onChange={(next) => set({ fabric: next })} />
          <Select label="Fit" value={fit} options={FIT_OPTIONS} onChange={(next) => set({ fit: next })} />
          <Select
            label="Pattern"
            value={pattern}
            options={PATTERN_OPTIONS}
            onChange={(next) => set({ pattern: next })}
          />
          {GARMENTS[garment].opens && (
            <Select
              label="Front"
              value={opening}
              options={OPENING_OPTIONS}
              onChange={(next) => set({ opening: next })}
            />
          )}
        </Pair>
        {count > 1 && (
          <Row>
            {index > 0 && (
              <Button aria-label={`Move layer ${index + 1} inward`} onPress={moveInward}>
                <ArrowUp size={16} aria-hidden /> Inward
              </Button>
            )}
            <Button aria-label={`Take off layer ${index + 1}`} onPress={takeOff}>
              <Trash2 size={16} aria-hidden /> Take off
            </Button>
          </Row>
        )}
      </Stack>
    </LayerBox>
  );
}

/** Who wears what, and what they do in the scene. */
export function OutfitForm(props: { wearer: Stored<"wearer">; rig: Stored<"rig">; units: ShootBody["units"] }) {
  const { wearer, rig, units } = props;
  const store = useShootStore();
  const { bundle } = useShoot();
  const { body } = wearer;
  const { performance } = rig.body;
  const wearerId = wearer.id;
  const rigId = rig.id;
  const setWearer = (change: Partial<WearerBody>) => store.edit("wearer", wearerId, (now) => ({ ...now, ...change }));
  const setPerformance = (change: (now: Performance) => Partial<Performance>) =>
    store.edit("rig", rigId, (now) => ({ ...now, performance: { ...now.performance, ...change(now.performance) } }));
  const wear = (accessory: Accessory, isOn: boolean) =>
    store.edit("wearer", wearerId, (now) => {
      const others = now.outfit.accessories.filter((each) => each !== accessory);
      return { ...now, outfit: { ...now.outfit, accessories: isOn ? [...others, accessory] : others } };
    });
  const { layers, accessories } = body.outfit;
  const scene = bundle.scenes.find((each) => each.id === rig.body.sceneId);

  return (
    <Stack>
      <Pair>
        <TextField label="Name" value={body.name} onChange={(name) => setWearer({ name })} />
        <NumberField
          label="Height"
          value={body.heightM}
          minimum={HeightM.minimum!}
          maximum={HeightM.maximum!}
          shown={units === "metric" ? UNITS.centimetre : UNITS.inch}
          onChange={(heightM) => setWearer({ heightM })}
        />
        <Select
          label="Softest line"
          value={performance.softest}
          options={EFFORT_OPTIONS}
          onChange={(softest) =>
            setPerformance((now) => ({
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
            setPerformance((now) => ({
              loudest,
              softest: EFFORTS.indexOf(loudest) < EFFORTS.indexOf(now.softest) ? loudest : now.softest,
            }))
          }
        />
      </Pair>
      {layers.map((layer, index) => (
        <LayerForm key={index} wearerId={wearer.id} layer={layer} index={index} count={layers.length} />
      ))}
      {layers.length < MAX_LAYERS && (
        <div>
          <Button onPress={() => editLayers(store, wearerId, (now) => [...now, NEXT_LAYER])}>
            <Plus size={16} aria-hidden /> Put a layer over it
          </Button>
        </div>
      )}
      <Row role="group" aria-label="Also worn">
        {ACCESSORIES.map((accessory) => (
          <Tick
            key={accessory}
            label={ACCESSORY_NAMES[accessory]}
            isOn={accessories.includes(accessory)}
            onChange={(isOn) => wear(accessory, isOn)}
          />
        ))}
      </Row>
      <Choice
        label="Faces"
        value={performance.faces}
        options={FACING_OPTIONS}
        onChange={(faces) => setPerformance(() => ({ faces }))}
      />
      <Columns $template="1fr 1fr">
        <Choice
          label="Moves"
          value={performance.action}
          options={ACTION_OPTIONS}
          onChange={(action) => setPerformance(() => ({ action }))}
        />
        <Choice
          label="Shot"
          value={performance.shot}
          options={SHOT_OPTIONS}
          onChange={(shot) => setPerformance(() => ({ shot }))}
        />
      </Columns>
      <Choice
        label="Microphone"
        value={performance.mayBeSeen ? "seen" : "hidden"}
        options={[
          { value: "hidden", name: "Hidden" },
          { value: "seen", name: "May be seen" },
        ]}
        onChange={(value) => setPerformance(() => ({ mayBeSeen: value === "seen" }))}
      />
      {scene && bundle.places.length > 0 && (
        <Select
          label="Place of this scene"
          value={scene.body.placeId ?? "none"}
          options={[
            ...bundle.places.map((place) => ({ value: place.id, name: place.body.name })),
            ...(scene.body.placeId === null ? [{ value: "none", name: "Not known yet" }] : []),
          ]}
          onChange={(placeId) =>
            store.change("scene", scene.id, { ...scene.body, placeId: placeId === "none" ? null : placeId })
          }
        />
      )}
    </Stack>
  );
}
