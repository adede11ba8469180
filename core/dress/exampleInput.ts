import { FIRST_AIMS } from "./aims";
import type { Accessory } from "./accessories";
import { LIVING_ROOM, type PlaceModel } from "../room";
import type { DressInput } from "./dressInput";
import { FIRST_PERFORMANCE, type Layer, type Performance, type Person } from "./outfit";

/** What may differ from the ordinary person in {@link exampleInput}. */
export interface ExampleChange extends Partial<Omit<DressInput, "outfit" | "performance" | "person">> {
  performance?: Partial<Performance>;
  person?: Partial<Person>;
}

/**
 * An ordinary person, sitting and talking to the camera in a living room, in these layers: what examples, tests and
 * benches start from.
 */
export function exampleInput(
  layers: Layer[],
  accessories: Accessory[] = [],
  { performance, person, ...others }: ExampleChange = {},
): DressInput {
  return {
    person: { heightM: 1.75, voice: "middle", tapeAllergy: "no", hairyChest: "no", ...person },
    voiceOffsetDb: 0,
    outfit: { layers, accessories },
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
