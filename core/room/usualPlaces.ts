import type { PlaceModel } from "./placeModel";

/** A furnished living room: what a new place is until it is described, and what an unscouted one is taken for. */
export const LIVING_ROOM: PlaceModel = {
  setting: "box",
  lengthM: 5,
  widthM: 4,
  heightM: 2.5,
  cutLengthM: 0,
  cutWidthM: 0,
  floor: "carpetOnConcrete",
  ceiling: "plaster",
  walls: "gypsum",
  patches: [{ surface: "north", material: "mediumCurtain", areaM2: 10 }],
  furnishings: [],
  treatments: [],
  noiseNc: 35,
  windMps: 0,
  sources: [],
  echo: null,
  tone: null,
};

/** A small car standing: what choosing a vehicle begins with. Common practice. */
export const CAR: PlaceModel = {
  ...LIVING_ROOM,
  setting: "vehicle",
  lengthM: 2.4,
  widthM: 1.4,
  heightM: 1.2,
  floor: "thinCarpet",
  ceiling: "headliner",
  walls: "plasticTrim",
  patches: [
    { surface: "east", material: "carGlass", areaM2: 0.9 },
    { surface: "west", material: "carGlass", areaM2: 0.6 },
    { surface: "north", material: "carGlass", areaM2: 0.8 },
    { surface: "south", material: "carGlass", areaM2: 0.8 },
  ],
  furnishings: [{ kind: "vehicleSeat", count: 4 }],
  noiseNc: 25,
};
