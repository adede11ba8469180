"use client";

import { Plus } from "lucide-react";
import dynamic from "next/dynamic";
import { useState } from "react";
import { MATERIALS, MATERIAL_IDS } from "@/core/room/materials";
import { NC_NUMBERS, NC_WORDS } from "@/core/room/noiseCriteria";
import { PlaceModel, forecastPlace, wallAreaM2, type PlaceForecast } from "@/core/room/place";
import type { PlaceBody, ShootBody, Stored } from "@/core/shoot/records";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Disclosure } from "@/ui/Disclosure";
import { NumberField, UNITS } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { Tabs } from "@/ui/Tabs";
import { TextField } from "@/ui/TextField";
import { Columns, Figure, Known, Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { useRemoval, useShoot, useShootStore } from "../saving/ShootProvider";
import { GradeMark } from "./GradeMark";

const EchoChart = dynamic(() => import("@/ui/EchoChart").then((module) => module.EchoChart), { ssr: false });

const FIRST_MODEL: PlaceModel = {
  setting: "room",
  lengthM: 5,
  widthM: 4,
  heightM: 2.5,
  floor: "carpetOnConcrete",
  ceiling: "gypsum",
  walls: "plaster",
  otherWall: "windowGlass",
  otherWallM2: 4,
  noiseNc: 35,
  windMps: 0,
};

const MATERIAL_OPTIONS = MATERIAL_IDS.map((value) => ({ value, name: MATERIALS[value].name }));
const NC_OPTIONS = NC_NUMBERS.map((nc) => ({ value: String(nc), name: `NC-${nc}: ${NC_WORDS[nc]}` }));

const bounds = (schema: { minimum?: number; maximum?: number }) => ({
  minimum: schema.minimum!,
  maximum: schema.maximum!,
});

function PlaceForm({ place, units }: { place: Stored<"place">; units: ShootBody["units"] }) {
  const store = useShootStore();
  const { model } = place.body;
  const setBody = (change: Partial<PlaceBody>) => store.change("place", place.id, { ...place.body, ...change });
  const set = (change: Partial<PlaceModel>) => setBody({ model: { ...model, ...change } });
  const length = units === "metric" ? UNITS.metre : UNITS.foot;
  const area = units === "metric" ? UNITS.squareMetre : UNITS.squareFoot;
  const { properties } = PlaceModel;
  const isRoom = model.setting === "room";

  return (
    <Stack>
      <TextField label="Place" value={place.body.name} onChange={(name) => setBody({ name })} />
      <Choice
        label="Setting"
        value={model.setting}
        options={[
          { value: "room", name: "Room" },
          { value: "open", name: "Open air" },
        ]}
        onChange={(setting) => set({ setting })}
      />
      {isRoom && (
        <>
          <Columns $template="1fr 1fr 1fr">
            <NumberField
              label="Length"
              value={model.lengthM}
              {...bounds(properties.lengthM)}
              shown={length}
              onChange={(lengthM) => set({ lengthM })}
            />
            <NumberField
              label="Width"
              value={model.widthM}
              {...bounds(properties.widthM)}
              shown={length}
              onChange={(widthM) => set({ widthM })}
            />
            <NumberField
              label="Height"
              value={model.heightM}
              {...bounds(properties.heightM)}
              shown={length}
              onChange={(heightM) => set({ heightM })}
            />
          </Columns>
          <Columns $template="1fr 1fr">
            <Select label="Floor" value={model.floor} options={MATERIAL_OPTIONS} onChange={(floor) => set({ floor })} />
            <Select
              label="Ceiling"
              value={model.ceiling}
              options={MATERIAL_OPTIONS}
              onChange={(ceiling) => set({ ceiling })}
            />
            <Select label="Walls" value={model.walls} options={MATERIAL_OPTIONS} onChange={(walls) => set({ walls })} />
            <Select
              label="Part of the walls"
              value={model.otherWall}
              options={MATERIAL_OPTIONS}
              onChange={(otherWall) => set({ otherWall })}
            />
            <NumberField
              label="Area of that part"
              value={Math.min(model.otherWallM2, wallAreaM2(model))}
              minimum={0}
              maximum={wallAreaM2(model)}
              shown={area}
              onChange={(otherWallM2) => set({ otherWallM2 })}
            />
          </Columns>
        </>
      )}
      <Columns $template="1fr 1fr">
        <Select
          label="Background noise"
          value={String(model.noiseNc)}
          options={NC_OPTIONS}
          onChange={(nc) => set({ noiseNc: Number(nc) as PlaceModel["noiseNc"] })}
        />
        {!isRoom && (
          <NumberField
            label="Wind"
            value={model.windMps}
            {...bounds(properties.windMps)}
            shown={UNITS.metrePerSecond}
            onChange={(windMps) => set({ windMps })}
          />
        )}
      </Columns>
    </Stack>
  );
}

function Forecast({ forecast, units }: { forecast: PlaceForecast; units: ShootBody["units"] }) {
  const { verdict } = forecast;
  const metres = (value: number) =>
    units === "metric" ? `${value.toFixed(1)} m` : `${(value / 0.3048).toFixed(1)} ft`;
  return (
    <Stack>
      <Lead aria-live="polite">{verdict.says}</Lead>
      <p>{verdict.advice}</p>
      <Row $gap={1.6}>
        {forecast.reverberationS && (
          <div>
            <Soft>Echo, middle</Soft>
            <Figure $size="big">
              <Known $as="planned">{forecast.midS.toFixed(2)}</Known>
              <small>s</small>
            </Figure>
            <GradeMark grade={verdict.echo} />
          </div>
        )}
        <div>
          <Soft>Noise</Soft>
          <Figure $size="big">
            <Known $as="planned">{forecast.noiseDba.toFixed(0)}</Known>
            <small>dBA</small>
          </Figure>
          <GradeMark grade={verdict.noise} />
        </div>
        {forecast.reverberationS && (
          <div>
            <Soft>Room as loud as voice at</Soft>
            <Figure $size="big">
              <Known $as="planned">{metres(forecast.criticalDistanceM)}</Known>
            </Figure>
          </div>
        )}
      </Row>
      {forecast.reverberationS && <EchoChart reverberationS={forecast.reverberationS} />}
      <Disclosure title="How this was computed">
        <Soft>
          {forecast.reverberationS
            ? "Reverberation by Sabine, by Eyring where surfaces absorb more than a fifth, with air by ISO 9613-1; absorption from handbook tables. Such a forecast is within about 20 %. A clap proves it."
            : "Open air has no reverberation worth naming; only noise and wind count."}{" "}
          Noise by the NC curve chosen. Limits of the verdict are common practice.
        </Soft>
      </Disclosure>
    </Stack>
  );
}

/** What will the place do to the voice? */
export function ScoutScreen() {
  const { bundle } = useShoot();
  const store = useShootStore();
  const remove = useRemoval();
  const [selected, setSelected] = useState<string | null>(null);
  const { units } = bundle.shoot.body;
  const place = bundle.places.find((each) => each.id === selected) ?? bundle.places[0] ?? null;

  function addPlace(): void {
    const id = store.create("place", {
      shootId: bundle.shoot.id,
      name: `Place ${bundle.places.length + 1}`,
      model: FIRST_MODEL,
    });
    setSelected(id);
    const homeless = bundle.scenes.filter((scene) => scene.body.placeId === null);
    for (const scene of homeless) store.change("scene", scene.id, { ...scene.body, placeId: id });
  }

  return (
    <Stack>
      <Row $between>
        <VisuallyHidden as="h1">Scout: what will the place do to the voice?</VisuallyHidden>
        <Button look={place ? "plain" : "main"} onPress={addPlace}>
          <Plus size={18} aria-hidden /> Add a place
        </Button>
      </Row>
      {!place && (
        <Piece>
          <Stack>
            <Lead>Where will they speak?</Lead>
            <Soft>Add the place: its size, what it is made of and how loud it is. The echo and a verdict follow.</Soft>
          </Stack>
        </Piece>
      )}
      {place && (
        <Tabs
          label="Places"
          tabs={bundle.places.map((each) => ({ id: each.id, label: each.body.name }))}
          selected={place.id}
          onSelect={setSelected}
        >
          <Columns $template="minmax(0, 1fr) minmax(0, 1fr)">
            <Piece key={place.id}>
              <Stack>
                <PlaceForm place={place} units={units} />
                <div>
                  <Button look="quiet" onPress={() => remove("place", place.id, place.body.name)}>
                    Delete this place
                  </Button>
                </div>
              </Stack>
            </Piece>
            <Piece>
              <Forecast forecast={forecastPlace(place.body.model)} units={units} />
            </Piece>
          </Columns>
        </Tabs>
      )}
    </Stack>
  );
}
