"use client";

import { ArrowUp, Plus, Trash2 } from "lucide-react";
import styled from "styled-components";
import { GARMENTS } from "@/core/dress/garments";
import { ACCESSORIES, HeightM, type Layer } from "@/core/dress/outfit";
import type { RigBody, ShootBody, Stored, WearerBody } from "@/core/shoot/records";
import { EFFORTS } from "@/core/voice/speechSpectrum";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { NumberField, UNITS } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Ticks";
import { Columns, Row, Stack } from "@/ui/layout";
import { useShoot, useShootStore } from "../saving/ShootProvider";
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

function LayerForm(props: {
  layer: Layer;
  index: number;
  count: number;
  onChange: (layer: Layer) => void;
  onRemove: () => void;
  onInward: () => void;
}) {
  const { layer, index, count } = props;
  const set = (change: Partial<Layer>) => props.onChange({ ...layer, ...change });
  const title = index === 0 ? "Next to the skin" : `Layer ${index + 1}`;
  return (
    <LayerBox>
      <legend>{title}</legend>
      <Stack $gap={0.6}>
        <Pair>
          <Select
            label="Garment"
            value={layer.garment}
            options={GARMENT_OPTIONS}
            onChange={(garment) => set({ garment, ...(GARMENTS[garment].opens ? {} : { opening: "closed" }) })}
          />
          <Select label="Fabric" value={layer.fabric} options={FABRIC_OPTIONS} onChange={(fabric) => set({ fabric })} />
          <Select label="Fit" value={layer.fit} options={FIT_OPTIONS} onChange={(fit) => set({ fit })} />
          <Select
            label="Pattern"
            value={layer.pattern}
            options={PATTERN_OPTIONS}
            onChange={(pattern) => set({ pattern })}
          />
          {GARMENTS[layer.garment].opens && (
            <Select
              label="Front"
              value={layer.opening}
              options={OPENING_OPTIONS}
              onChange={(opening) => set({ opening })}
            />
          )}
        </Pair>
        {count > 1 && (
          <Row>
            {index > 0 && (
              <Button aria-label={`Move layer ${index + 1} inward`} onPress={props.onInward}>
                <ArrowUp size={16} aria-hidden /> Inward
              </Button>
            )}
            <Button aria-label={`Take off layer ${index + 1}`} onPress={props.onRemove}>
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
  const setWearer = (change: Partial<WearerBody>) => store.change("wearer", wearer.id, { ...body, ...change });
  const setRig = (change: Partial<RigBody>) => store.change("rig", rig.id, { ...rig.body, ...change });
  const setPerformance = (change: Partial<RigBody["performance"]>) =>
    setRig({ performance: { ...performance, ...change } });
  const setLayers = (layers: Layer[]) => setWearer({ outfit: { ...body.outfit, layers } });
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
            setPerformance({
              softest,
              loudest: EFFORTS.indexOf(softest) > EFFORTS.indexOf(performance.loudest) ? softest : performance.loudest,
            })
          }
        />
        <Select
          label="Loudest line"
          value={performance.loudest}
          options={EFFORT_OPTIONS}
          onChange={(loudest) =>
            setPerformance({
              loudest,
              softest: EFFORTS.indexOf(loudest) < EFFORTS.indexOf(performance.softest) ? loudest : performance.softest,
            })
          }
        />
      </Pair>
      {layers.map((layer, index) => (
        <LayerForm
          key={index}
          layer={layer}
          index={index}
          count={layers.length}
          onChange={(changed) => setLayers(layers.map((each, at) => (at === index ? changed : each)))}
          onRemove={() => setLayers(layers.filter((_, at) => at !== index))}
          onInward={() =>
            setLayers(
              layers.map((each, at) => (at === index - 1 ? layers[index]! : at === index ? layers[index - 1]! : each)),
            )
          }
        />
      ))}
      {layers.length < MAX_LAYERS && (
        <div>
          <Button onPress={() => setLayers([...layers, NEXT_LAYER])}>
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
            onChange={(isOn) =>
              setWearer({
                outfit: {
                  layers,
                  accessories: isOn ? [...accessories, accessory] : accessories.filter((each) => each !== accessory),
                },
              })
            }
          />
        ))}
      </Row>
      <Choice
        label="Faces"
        value={performance.faces}
        options={FACING_OPTIONS}
        onChange={(faces) => setPerformance({ faces })}
      />
      <Columns $template="1fr 1fr">
        <Choice
          label="Moves"
          value={performance.action}
          options={ACTION_OPTIONS}
          onChange={(action) => setPerformance({ action })}
        />
        <Choice
          label="Shot"
          value={performance.shot}
          options={SHOT_OPTIONS}
          onChange={(shot) => setPerformance({ shot })}
        />
      </Columns>
      <Choice
        label="Microphone"
        value={performance.mayBeSeen ? "seen" : "hidden"}
        options={[
          { value: "hidden", name: "Hidden" },
          { value: "seen", name: "May be seen" },
        ]}
        onChange={(value) => setPerformance({ mayBeSeen: value === "seen" })}
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
