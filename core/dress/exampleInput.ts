import { FIRST_AIMS } from "./aims";
import type { Accessory } from "./accessories";
import { LIVING_ROOM, type PlaceModel } from "../room";
import type { DressInput } from "./dressInput";
import { FIRST_PERFORMANCE, type Layer, type Lower, type Outfit, type Performance, type Person } from "./outfit";

/** What may differ from the ordinary person in {@link exampleInput}. */
export interface ExampleChange extends Partial<Omit<DressInput, "outfit" | "performance" | "person">> {
  performance?: Partial<Performance>;
  person?: Partial<Person>;
  lower?: Lower;
  outfitSides?: Outfit["sides"];
}

/**
 * An ordinary person, sitting and talking to the camera in a living room, in these layers: what examples, tests and
 * benches start from.
 */
export function exampleInput(
  layers: Layer[],
  accessories: Accessory[] = [],
  { performance, person, lower, outfitSides, ...others }: ExampleChange = {},
): DressInput {
  return {
    person: { heightM: 1.75, voice: "middle", tapeAllergy: "no", hairyChest: "no", ...person },
    voiceOffsetDb: 0,
    outfit: { layers, accessories, ...(lower && { lower }), ...(outfitSides && { sides: outfitSides }) },
    performance: {
      ...FIRST_PERFORMANCE,
      mayBeSeen: false,
      ...performance,
    },
    place: null,
    capsule: { leadM: 1.6, diameterMm: 5, maxSplDb: 130, colours: ["black", "white", "beige"] },
    aims: FIRST_AIMS,
    agreedTo: 2,
    packPlace: null,
    ...others,
  };
}

/** A windy place in the open, for the same. */
export const EXAMPLE_QUAY: PlaceModel = {
  ...LIVING_ROOM,
  setting: "open",
  patches: [],
  noiseNc: 40,
  windMps: 8,
};
