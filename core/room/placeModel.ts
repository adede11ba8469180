import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { MeasuredTone, MOST_SOURCES, NoiseSource } from "../noise";
import { type Air, ROOM_AIR } from "../sound";
import { oneOf } from "../schema";
import { FURNISHING_IDS } from "./furnishings";
import { MATERIAL_IDS } from "./materials";
import { NC_NUMBERS } from "./noiseCriteria";
import { MeasuredEcho } from "./measuredEcho";
import type { RoomMessage } from "./messages";
import { SURFACE_IDS, SURFACE_NAMES, surfaceAreaM2, surfacesOf } from "./shape";
import { TREATMENT_IDS } from "./treatmentKinds";

const strict = { additionalProperties: false } as const;
const material = (title: string) => oneOf(MATERIAL_IDS, title);
const SizeM = (title: string, minimum: number, maximum: number) => Type.Number({ minimum, maximum, title, unit: "m" });
const Count = Type.Integer({ title: "How many", minimum: 1, maximum: 500 });

export const SETTINGS = ["box", "lShape", "vehicle", "open"] as const;

/** A part of a side that is made of something else: a window, a door, a curtain. */
export const Patch = Type.Object(
  {
    surface: oneOf(SURFACE_IDS, "Where"),
    material: material("Made of"),
    areaM2: Type.Number({ title: "Area", unit: "m²", minimum: 0.1, maximum: 5000 }),
  },
  strict,
);
export type Patch = Static<typeof Patch>;

export const Furnishing = Type.Object({ kind: oneOf(FURNISHING_IDS, "What"), count: Count }, strict);

/** Something hung, laid or brought in for the day; `over` is what it covers. */
export const Treatment = Type.Object(
  {
    kind: oneOf(TREATMENT_IDS, "What"),
    surface: Type.Union([oneOf(SURFACE_IDS, "Where"), Type.Null()]),
    over: Type.Union([material("Over"), Type.Null()]),
    count: Count,
  },
  strict,
);
export type Treatment = Static<typeof Treatment>;

/** What is known of a place. In the open, sides are kept but not used. */
export const PlaceModel = Type.Object(
  {
    setting: oneOf(SETTINGS, "Setting"),
    lengthM: SizeM("Length, west to east", 1, 100),
    widthM: SizeM("Width, south to north", 1, 100),
    heightM: SizeM("Height", 1, 30),
    cutLengthM: SizeM("Missing corner, length", 0, 99),
    cutWidthM: SizeM("Missing corner, width", 0, 99),
    floor: material("Floor"),
    ceiling: material("Ceiling"),
    walls: material("Walls"),
    patches: Type.Array(Patch, { title: "Wall sections", maxItems: 24 }),
    furnishings: Type.Array(Furnishing, { title: "In the room", maxItems: 20 }),
    treatments: Type.Array(Treatment, { title: "Treatments", maxItems: 40 }),
    noiseNc: oneOf(NC_NUMBERS, "What is left of noise"),
    /** Without it 20 °C and 50 %. */
    air: Type.Optional(
      Type.Object(
        {
          temperatureC: Type.Number({ minimum: -20, maximum: 50, title: "Temperature", unit: "°C" }),
          relativeHumidityPercent: Type.Number({ minimum: 10, maximum: 100, title: "Humidity", unit: "%" }),
        },
        { ...strict, title: "Air" },
      ),
    ),
    windMps: Type.Number({ minimum: 0, maximum: 30, title: "Wind", unit: "m/s" }),
    sources: Type.Array(NoiseSource, { title: "Noises", maxItems: MOST_SOURCES }),
    echo: Type.Union([MeasuredEcho, Type.Null()]),
    tone: Type.Union([MeasuredTone, Type.Null()]),
  },
  strict,
);
export type PlaceModel = Static<typeof PlaceModel>;

/** The air of a place; pressure is that at sea level. */
export const airOf = ({ air }: Pick<PlaceModel, "air">): Air => ({ ...ROOM_AIR, ...air });

/** What of a place cannot be, each with its field and what to do. The schema's bounds are checked before. */
export function placeFaults(model: PlaceModel): { path: string; says: RoomMessage }[] {
  const faults: { path: string; says: RoomMessage }[] = [];
  if (model.setting === "open") return faults;
  if (model.setting === "lShape") {
    for (const [path, cut, whole, side] of [
      ["cutLengthM", model.cutLengthM, model.lengthM, "length"],
      ["cutWidthM", model.cutWidthM, model.widthM, "width"],
    ] as const)
      if (cut <= 0 || cut >= whole)
        faults.push({
          path,
          says: { code: "place.corner", side },
        });
    if (faults.length > 0) return faults;
  }
  const surfaces = surfacesOf(model);
  for (const surface of SURFACE_IDS) {
    const onIt = model.patches.filter((patch) => patch.surface === surface);
    if (onIt.length === 0) continue;
    const index = model.patches.indexOf(onIt.at(-1)!);
    const wholeM2 = surfaceAreaM2(model, surface);
    const usedM2 = onIt.reduce((sum, { areaM2 }) => sum + areaM2, 0);
    if (!surfaces.includes(surface))
      faults.push({
        path: `patches.${index}.surface`,
        says: { code: "place.noSurface", surface: SURFACE_NAMES[surface] },
      });
    else if (usedM2 > wholeM2 + 0.05)
      faults.push({
        path: `patches.${index}.areaM2`,
        says: { code: "place.partsTooLarge", surface: SURFACE_NAMES[surface], wholeM2, usedM2 },
      });
  }
  return faults;
}

/**
 * The place with what does not fit any more made to fit: an L gets a corner, parts of walls that are gone move to the wall
 * behind, and parts that are larger than their side shrink together, to nothing in the end.
 */
export function fitted(model: PlaceModel): PlaceModel {
  const corner = (cutM: number, wholeM: number) => (cutM > 0 && cutM < wholeM ? cutM : 0.4 * wholeM);
  const shaped =
    model.setting === "lShape"
      ? {
          ...model,
          cutLengthM: corner(model.cutLengthM, model.lengthM),
          cutWidthM: corner(model.cutWidthM, model.widthM),
        }
      : model;
  const surfaces = surfacesOf(shaped);
  const moved = shaped.patches.map((patch) => {
    if (surfaces.includes(patch.surface)) return patch;
    return { ...patch, surface: patch.surface === "innerNorth" ? ("north" as const) : ("east" as const) };
  });
  const patches = moved.flatMap((patch) => {
    const wholeM2 = surfaceAreaM2(shaped, patch.surface);
    const usedM2 = moved.reduce((sum, { surface, areaM2 }) => sum + (surface === patch.surface ? areaM2 : 0), 0);
    const areaM2 = usedM2 <= wholeM2 ? patch.areaM2 : (patch.areaM2 * wholeM2) / usedM2;
    return areaM2 < Patch.properties.areaM2.minimum! ? [] : [{ ...patch, areaM2 }];
  });
  return { ...shaped, patches };
}
