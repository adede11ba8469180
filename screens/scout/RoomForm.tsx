"use client";

import { NC_EXAMPLES } from "@/messages";
import { Plus } from "lucide-react";
import { useState } from "react";
import {
  airOf,
  CAR,
  FURNISHING_IDS,
  type FurnishingId,
  FURNISHINGS,
  MATERIAL_IDS,
  MATERIALS,
  NC_NUMBERS,
  type Patch,
  PlaceModel,
  SETTINGS,
  SURFACE_NAMES,
  surfaceAreaM2,
  surfacesOf,
} from "@/core/room";
import type { PlaceBody, ShootBody, Stored } from "@/core/records";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { NumberField, UNITS, boundsOf } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Columns, Soft, Stack } from "@/ui/layout";
import { upperFirst } from "../dress/words";
import { useShootStore } from "@/data/ShootProvider";
import { editPlace } from "./editPlace";
import { ListRow } from "./ListRow";

const SETTING_NAMES: Record<PlaceModel["setting"], string> = {
  box: "Room",
  lShape: "L-shaped room",
  vehicle: "Vehicle",
  open: "Open air",
};
const SETTING_OPTIONS = SETTINGS.map((value) => ({ value, name: SETTING_NAMES[value] }));
const MATERIAL_OPTIONS = MATERIAL_IDS.map((value) => ({ value, name: MATERIALS[value].name }));
const NC_OPTIONS = NC_NUMBERS.map((nc) => ({ value: String(nc), name: `NC-${nc}: ${NC_EXAMPLES[nc]}` }));
const FURNISHING_OPTIONS = FURNISHING_IDS.map((value) => ({ value, name: upperFirst(FURNISHINGS[value].plural) }));

type Set = (change: Partial<PlaceModel>) => void;
interface PartProps {
  model: PlaceModel;
  set: Set;
  isMetric: boolean;
}

function Sizes({ model, set, isMetric }: PartProps) {
  const shown = isMetric ? UNITS.metre : UNITS.foot;
  const { properties } = PlaceModel;
  return (
    <Columns $template="1fr 1fr 1fr">
      <NumberField
        label="Length"
        value={model.lengthM}
        {...boundsOf(properties.lengthM)}
        shown={shown}
        onChange={(lengthM) => set({ lengthM })}
      />
      <NumberField
        label="Width"
        value={model.widthM}
        {...boundsOf(properties.widthM)}
        shown={shown}
        onChange={(widthM) => set({ widthM })}
      />
      <NumberField
        label="Height"
        value={model.heightM}
        {...boundsOf(properties.heightM)}
        shown={shown}
        onChange={(heightM) => set({ heightM })}
      />
      {model.setting === "lShape" && (
        <>
          <NumberField
            label="Corner missing, length"
            value={model.cutLengthM}
            minimum={0.1}
            maximum={model.lengthM - 0.1}
            shown={shown}
            onChange={(cutLengthM) => set({ cutLengthM })}
          />
          <NumberField
            label="Corner missing, width"
            value={model.cutWidthM}
            minimum={0.1}
            maximum={model.widthM - 0.1}
            shown={shown}
            onChange={(cutWidthM) => set({ cutWidthM })}
          />
        </>
      )}
    </Columns>
  );
}

/** Wall sections that are made of something else. */
function Parts({ model, set, isMetric }: PartProps) {
  const surfaces = surfacesOf(model).map((value) => ({ value, name: upperFirst(SURFACE_NAMES[value]) }));
  const change = (index: number, part: Partial<Patch>) =>
    set({ patches: model.patches.map((each, at) => (at === index ? { ...each, ...part } : each)) });
  const freeM2 = (surface: Patch["surface"]) =>
    surfaceAreaM2(model, surface) -
    model.patches.reduce((sum, patch) => sum + (patch.surface === surface ? patch.areaM2 : 0), 0);
  return (
    <Stack $gap={0.5} role="group" aria-label="Wall sections">
      {model.patches.map((patch, index) => (
        <ListRow
          key={index}
          removeLabel={`Remove part ${index + 1}`}
          onRemove={() => set({ patches: model.patches.filter((_, at) => at !== index) })}
        >
          <Columns $template="1fr 1.3fr 0.8fr">
            <Select
              label={`Section ${index + 1}, on`}
              value={patch.surface}
              options={surfaces}
              onChange={(surface) => change(index, { surface })}
            />
            <Select
              label="Made of"
              value={patch.material}
              options={MATERIAL_OPTIONS}
              onChange={(material) => change(index, { material })}
            />
            <NumberField
              label="Area"
              value={patch.areaM2}
              minimum={0.1}
              maximum={Math.max(0.1, patch.areaM2 + freeM2(patch.surface))}
              shown={isMetric ? UNITS.squareMetre : UNITS.squareFoot}
              onChange={(areaM2) => change(index, { areaM2 })}
            />
          </Columns>
        </ListRow>
      ))}
      <div>
        <Button
          look="quiet"
          isDisabled={model.patches.length >= 24}
          onPress={() =>
            set({
              patches: [
                ...model.patches,
                { surface: "north", material: "windowGlass", areaM2: Math.max(0.1, Math.min(2, freeM2("north"))) },
              ],
            })
          }
        >
          <Plus size={18} aria-hidden /> A window, door or curtain
        </Button>
      </div>
    </Stack>
  );
}

const PIECES = { unit: "", factor: 1, digits: 0, step: 1 } as const;

/** People and furniture. */
function Furnishings({ model, set }: PartProps) {
  const { furnishings } = model;
  const free = FURNISHING_IDS.find((id) => !furnishings.some(({ kind }) => kind === id));
  const change = (index: number, part: { kind?: FurnishingId; count?: number }) =>
    set({ furnishings: furnishings.map((each, at) => (at === index ? { ...each, ...part } : each)) });
  return (
    <Stack $gap={0.5} role="group" aria-label="In the room">
      {furnishings.map(({ kind, count }, index) => (
        <ListRow
          key={index}
          removeLabel={`Remove ${FURNISHINGS[kind].plural}`}
          onRemove={() => set({ furnishings: furnishings.filter((_, at) => at !== index) })}
        >
          <Columns $template="2fr 0.8fr">
            <Select
              label="In the room"
              value={kind}
              options={FURNISHING_OPTIONS}
              onChange={(next) => change(index, { kind: next })}
            />
            <NumberField
              label="How many"
              value={count}
              minimum={1}
              maximum={500}
              isWhole
              shown={PIECES}
              onChange={(next) => change(index, { count: next })}
            />
          </Columns>
        </ListRow>
      ))}
      <div>
        <Button
          look="quiet"
          isDisabled={!free}
          onPress={() => free && set({ furnishings: [...furnishings, { kind: free, count: 2 }] })}
        >
          <Plus size={18} aria-hidden /> People or furniture
        </Button>
      </div>
    </Stack>
  );
}

const AIR = PlaceModel.properties.air.properties;
const DEGREES = { unit: "°C", factor: 1, digits: 0, step: 1 };
const PERCENT = { unit: "%", factor: 1, digits: 0, step: 5 };

/** Shape, materials, air and what is in a place. */
export function RoomForm({ place, units }: { place: Stored<"place">; units: ShootBody["units"] }) {
  const store = useShootStore();
  const { model } = place.body;
  // What a room was before it became a vehicle, so that trying it out loses nothing.
  const [before, setBefore] = useState<PlaceModel | null>(null);
  const set: Set = (change) => editPlace(store, place.id, () => change);
  const setName = (name: PlaceBody["name"]) => store.edit("place", place.id, (body) => ({ ...body, name }));
  const isOpen = model.setting === "open";
  const { temperatureC, relativeHumidityPercent } = airOf(model);
  const air = { temperatureC, relativeHumidityPercent };
  const part: PartProps = { model, set, isMetric: units === "metric" };

  function choose(setting: PlaceModel["setting"]): void {
    const { sources, tone, echo, noiseNc, windMps, air } = model;
    const kept = { sources, tone, echo, noiseNc, windMps, ...(air ? { air } : {}) };
    if (setting === "vehicle") {
      setBefore(model);
      set({ ...CAR, ...kept });
    } else if (model.setting === "vehicle" && before) set({ ...before, ...kept, setting });
    else set({ setting });
  }

  return (
    <Stack>
      <TextField label="Place" value={place.body.name} onChange={setName} />
      <Choice label="Setting" value={model.setting} options={SETTING_OPTIONS} onChange={choose} />
      {!isOpen && (
        <>
          <Sizes {...part} />
          <Columns $template="1fr 1fr 1fr">
            <Select label="Floor" value={model.floor} options={MATERIAL_OPTIONS} onChange={(floor) => set({ floor })} />
            <Select
              label="Ceiling"
              value={model.ceiling}
              options={MATERIAL_OPTIONS}
              onChange={(ceiling) => set({ ceiling })}
            />
            <Select label="Walls" value={model.walls} options={MATERIAL_OPTIONS} onChange={(walls) => set({ walls })} />
          </Columns>
          <Parts {...part} />
          <Furnishings {...part} />
          <Columns $template="1fr 1fr">
            <NumberField
              label="Temperature"
              value={air.temperatureC}
              {...boundsOf(AIR.temperatureC)}
              shown={DEGREES}
              onChange={(temperatureC) => set({ air: { ...air, temperatureC } })}
            />
            <NumberField
              label="Humidity"
              value={air.relativeHumidityPercent}
              {...boundsOf(AIR.relativeHumidityPercent)}
              shown={PERCENT}
              onChange={(relativeHumidityPercent) => set({ air: { ...air, relativeHumidityPercent } })}
            />
          </Columns>
        </>
      )}
      <Columns $template={isOpen ? "1.6fr 1fr" : "1fr"}>
        <Select
          label="Noise when all listed ones are away"
          value={String(model.noiseNc)}
          options={NC_OPTIONS}
          onChange={(nc) => set({ noiseNc: Number(nc) as PlaceModel["noiseNc"] })}
        />
        {isOpen && (
          <NumberField
            label="Wind"
            value={model.windMps}
            {...boundsOf(PlaceModel.properties.windMps)}
            shown={UNITS.metrePerSecond}
            onChange={(windMps) => set({ windMps })}
          />
        )}
      </Columns>
      {!isOpen && <Soft>Length runs west to east, width south to north; an L lacks its north-east corner.</Soft>}
    </Stack>
  );
}
