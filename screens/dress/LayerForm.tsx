"use client";

import { ArrowUp, Trash2 } from "lucide-react";
import { useState } from "react";
import styled from "styled-components";
import { contradictionsOf, FABRICS, GARMENTS, type Layer, type Shape, usualLayer } from "@/core/dress";
import { Button } from "@/ui/Button";
import { Disclosure } from "@/ui/Disclosure";
import { Select } from "@/ui/Select";
import { Tick } from "@/ui/Ticks";
import { Row, Stack } from "@/ui/layout";
import { useShootStore } from "@/data/ShootProvider";
import { Pair } from "./Pair";
import { isJustAdded } from "../shell/useAddTalent";
import { editLayers } from "./wardrobe";
import {
  FABRIC_OPTIONS,
  FIT_OPTIONS,
  GARMENT_OPTIONS,
  NECKLINE_OPTIONS,
  OPENING_OPTIONS,
  PATTERN_OPTIONS,
  SHADE_OPTIONS,
  upperFirst,
} from "./words";

/** Shapes that have a neckline to speak of. */
const NECKED: readonly Shape[] = ["top", "tube", "wrap"];

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

function layerWords({ garment, fabric, fit }: Layer): string {
  return upperFirst(`${GARMENTS[garment].name}, ${FABRICS[fabric].name}, ${fit}`);
}

/** One garment as it is worn. */
export function LayerForm(props: {
  wearerId: string;
  rigId: string | null;
  layer: Layer;
  index: number;
  count: number;
  isOpenAtFirst: boolean;
}) {
  const { wearerId, rigId, index, count, layer, isOpenAtFirst } = props;
  const store = useShootStore();
  const wardrobe = { wearerId, rigId };
  const set = (change: Partial<Layer>) =>
    editLayers(store, wardrobe, (layers) => layers.map((each, at) => (at === index ? { ...each, ...change } : each)));
  const takeOff = () => editLayers(store, wardrobe, (layers) => layers.filter((_, at) => at !== index));
  const moveInward = () =>
    editLayers(store, wardrobe, (layers) => layers.toSpliced(index - 1, 2, layers[index]!, layers[index - 1]!));
  const [isFirstAsked] = useState(() => index === 0 && isJustAdded(wearerId));
  const { opens, shape } = GARMENTS[layer.garment];
  const necklines = NECKLINE_OPTIONS.filter(
    ({ value }) => contradictionsOf({ layers: [{ ...layer, neckline: value }], accessories: [] }).length === 0,
  );
  return (
    <LayerBox>
      <legend>{index === 0 ? "Next to the skin" : `Layer ${index + 1}`}</legend>
      <Disclosure title={layerWords(layer)} isOpenAtFirst={isOpenAtFirst}>
        <Stack $gap={0.6}>
          <Pair>
            <Select
              label="Garment"
              value={layer.garment}
              options={GARMENT_OPTIONS}
              autoFocus={isFirstAsked}
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
