import { usualSource } from "../core/noise";
import { CAR, LIVING_ROOM, type PlaceModel } from "../core/room";
import type { PlaceBody } from "../core/records";
import { DEMO_SHOOT_ID, GRANARY_ID, demoId } from "./recordings";

export const PLACE_IDS = {
  GRANARY: GRANARY_ID,
  QUAY: demoId(12),
  HALL: demoId(13),
  WORKSHOP: demoId(14),
  KITCHEN: demoId(15),
  WHEEL_FLOOR: demoId(16),
  VAN: demoId(17),
} as const;

const place = (name: string, model: Partial<PlaceModel>): PlaceBody => ({
  shootId: DEMO_SHOOT_ID,
  name,
  model: { ...LIVING_ROOM, patches: [], ...model },
});

/** The ferry that crosses every hour and a half, as it is heard in the mill and on the quay. */
const FERRY_TIMES = ["08:40", "10:10", "11:40", "13:10", "14:40", "16:10", "17:40"];
const ferry = (distanceM: number, barrier: "none" | "window") => [
  usualSource("horn", "ferryHorn", {
    name: "ferry's horn",
    distanceM,
    barrier,
    bearingDeg: 200,
    times: FERRY_TIMES.map((from) => ({ from, minutes: 1 })),
  }),
  usualSource("ferry", "shipEngine", {
    name: "ferry landing",
    distanceM,
    barrier,
    bearingDeg: 200,
    times: FERRY_TIMES.map((from) => ({ from, minutes: 12 })),
  }),
];

/** The demo shoot's places: a tide mill and what is round it, all invented. */
export const DEMO_PLACES: Record<string, PlaceBody> = {
  [PLACE_IDS.GRANARY]: place("Stone granary", {
    lengthM: 9,
    widthM: 6,
    heightM: 3.6,
    floor: "woodFloor",
    ceiling: "woodFloor",
    walls: "stone",
    patches: [{ surface: "south", material: "windowGlass", areaM2: 3 }],
    furnishings: [{ kind: "personSeated", count: 3 }],
    noiseNc: 20,
    sources: [
      ...ferry(150, "window"),
      usualSource("pump", "tidePump", {
        name: "tide pump",
        distanceM: 12,
        barrier: "wall",
        bearingDeg: 90,
        times: [
          { from: "09:50", minutes: 25 },
          { from: "15:30", minutes: 25 },
        ],
        remedy: "switchOff",
        isDone: true,
        owner: "mill keeper",
      }),
      usualSource("steps", "footsteps", { name: "steps on the loft", barrier: "wall", perHour: 6, remedy: "ask" }),
    ],
  }),
  [PLACE_IDS.QUAY]: place("Tide quay", {
    setting: "open",
    lengthM: 30,
    widthM: 12,
    heightM: 5,
    floor: "stone",
    ceiling: "openAir",
    walls: "openAir",
    noiseNc: 40,
    windMps: 8,
    sources: [
      ...ferry(60, "none"),
      usualSource("race", "water", { name: "mill race", levelDba: 50, distanceM: 30, bearingDeg: 45 }),
      usualSource("gulls", "birds", { name: "gulls", distanceM: 20, perHour: 20 }),
      usualSource("planes", "aircraft", { distanceM: 900, perHour: 2, lastsS: 60, remedy: "wait", owner: "recordist" }),
    ],
  }),
  [PLACE_IDS.HALL]: place("Village hall, speech day", {
    lengthM: 14,
    widthM: 8,
    heightM: 4.5,
    floor: "woodFloor",
    ceiling: "gypsum",
    walls: "plaster",
    patches: [{ surface: "north", material: "mediumCurtain", areaM2: 24 }],
    noiseNc: 35,
    sources: [
      usualSource("school", "schoolBreak", {
        name: "school next door",
        distanceM: 40,
        barrier: "window",
        bearingDeg: 270,
        times: [
          { from: "10:30", minutes: 20 },
          { from: "12:45", minutes: 30 },
        ],
      }),
    ],
  }),
  [PLACE_IDS.WORKSHOP]: place("Smithy, doors open", {
    lengthM: 8,
    widthM: 7,
    heightM: 4,
    floor: "concrete",
    ceiling: "woodBoards",
    walls: "brick",
    patches: [{ surface: "east", material: "openAir", areaM2: 9 }],
    noiseNc: 45,
  }),
  [PLACE_IDS.KITCHEN]: place("Mill kitchen", {
    setting: "lShape",
    lengthM: 6,
    widthM: 4.5,
    heightM: 2.6,
    cutLengthM: 2,
    cutWidthM: 1.5,
    floor: "tile",
    ceiling: "plaster",
    walls: "plaster",
    patches: [
      { surface: "south", material: "windowGlass", areaM2: 3 },
      { surface: "west", material: "woodPanelling", areaM2: 5 },
    ],
    furnishings: [
      { kind: "personSeated", count: 4 },
      { kind: "woodenChair", count: 6 },
    ],
    treatments: [
      { kind: "blanket", surface: "west", over: "plaster", count: 2 },
      { kind: "rug", surface: "floor", over: "tile", count: 1 },
    ],
    noiseNc: 25,
    sources: [
      usualSource("fridge", "fridge", {
        distanceM: 3,
        bearingDeg: 300,
        remedy: "switchOff",
        isDone: true,
        owner: "recordist",
      }),
      usualSource("clock", "clock", { name: "kitchen clock", distanceM: 2.5, bearingDeg: 0, remedy: "move" }),
      usualSource("cars", "roadLight", { name: "cars in the lane", distanceM: 20, barrier: "window", perHour: 20 }),
    ],
  }),
  [PLACE_IDS.WHEEL_FLOOR]: place("Wheel floor, water running", {
    lengthM: 10,
    widthM: 7,
    heightM: 3,
    floor: "woodFloor",
    ceiling: "woodBoards",
    walls: "stone",
    patches: [{ surface: "south", material: "openAir", areaM2: 2 }],
    noiseNc: 45,
  }),
  [PLACE_IDS.VAN]: place("Crew van on the causeway", {
    ...CAR,
    lengthM: 3.2,
    widthM: 1.7,
    heightM: 1.4,
    sources: [
      usualSource("tyres", "tyres", { name: "tyres and wind at 40 km/h", levelDba: 62, distanceM: 1 }),
      usualSource("engine", "engineIdle", {
        levelDba: 51,
        distanceM: 2.5,
        bearingDeg: 90,
        remedy: "switchOff",
        owner: "driver, standing",
      }),
    ],
  }),
};
