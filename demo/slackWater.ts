import { DEMO_PLACES, PLACE_IDS } from "./places";
import { DEMO_SHOOT_ID, ENGINEER_RIG, MILLER_RIG, SINGER_RIG, demoId } from "./recordings";
import { AIR_ID, demoAir } from "./air";
import { DEMO_KIT, demoConnections } from "./connections";
import { PICKUP_IDS, accordionPickup, tablePickup } from "./pickups";
import type { Consent, PickupBody, RigBody, SceneBody, ShootBody, WearerBody } from "../core/records";
import { newRig } from "../core/planning";
import {
  type Aims,
  type Choice,
  FIRST_AIMS,
  FIRST_PERFORMANCE,
  type Layer,
  type Performance,
  type Person,
  type PresetId,
  PRESETS,
  usualLayer,
} from "../core/dress";

/** The demo shoot: invented people, places and gear. */

const SHOOT_ID = DEMO_SHOOT_ID;
const id = demoId;
const { GRANARY, QUAY, HALL, WORKSHOP, KITCHEN, WHEEL_FLOOR } = PLACE_IDS;

const shoot: ShootBody = {
  title: "Slack Water",
  firstDay: "2027-05-11",
  days: 3,
  units: "metric",
  clock: "24",
  frameRate: 25,
  delivery: "picture",
  sampleRateHz: 48000,
  bitsPerSample: 24,
};

const scene = (
  day: number,
  startsAt: string,
  title: string,
  placeId: string,
  lengthMin: number,
  takeMin: number,
): SceneBody => ({ shootId: SHOOT_ID, title, placeId, day, startsAt, lengthMin, takeMin });

const SCENE_INTERVIEW = id(21);
const SCENE_GATE = id(22);
const SCENE_SPEECH = id(23);
const SCENE_WADE = id(24);
const SCENE_WELD = id(25);
const SCENE_TABLE = id(26);
const SCENE_WELCOME = id(27);
const SCENE_STREAM = id(28);
const SCENE_DIARY = id(29);

const scenes: Record<string, SceneBody> = {
  [SCENE_INTERVIEW]: scene(1, "09:30", "Interview with the miller", GRANARY, 60, 10),
  [SCENE_GATE]: scene(1, "14:00", "Hanging the sluice gate", QUAY, 40, 3),
  [SCENE_SPEECH]: scene(3, "15:00", "Speech and song", HALL, 45, 45),
  [SCENE_WADE]: scene(2, "11:00", "Counting the mudflat", QUAY, 30, 2),
  [SCENE_WELD]: scene(2, "08:30", "Welding the sluice hinge", WORKSHOP, 20, 2),
  [SCENE_TABLE]: scene(1, "17:30", "Volunteers at the table", KITCHEN, 40, 8),
  [SCENE_WELCOME]: scene(3, "13:30", "Miller's welcome", HALL, 15, 15),
  [SCENE_STREAM]: scene(3, "11:00", "Live from the wheel floor", WHEEL_FLOOR, 60, 60),
  [SCENE_DIARY]: scene(3, "09:30", "Phone diary on the quay", QUAY, 10, 3),
};

function layer(garment: Layer["garment"], fabric: Layer["fabric"], worn: Partial<Layer> = {}): Layer {
  return usualLayer(garment, { fabric, ...worn });
}

export const MILLER = id(31);
export const ENGINEER = id(32);
export const SINGER = id(33);
export const ECOLOGIST = id(34);
export const WELDER = id(35);
const VOLUNTEERS = [id(36), id(37), id(38)] as const;
const ACCORDIONIST = id(39);
export const CREATOR = id(51);
const PRESENTER = id(52);

const UNKNOWN: Omit<Person, "heightM"> = { voice: "unknown", tapeAllergy: "unknown", hairyChest: "unknown" };

function wearer(
  thread: number,
  name: string,
  heightM: number,
  layers: Layer[],
  accessories: WearerBody["outfit"]["accessories"],
  own: Partial<WearerBody> = {},
): WearerBody {
  return {
    shootId: SHOOT_ID,
    name,
    heightM,
    ...UNKNOWN,
    voiceOffsetDb: 0,
    thread,
    outfit: { layers, accessories },
    ...own,
  };
}

const wearers: Record<string, WearerBody> = {
  [MILLER]: wearer(
    0,
    "Tam, miller",
    1.78,
    [
      layer("shirt", "cotton", { pattern: "patterned", shade: "light" }),
      layer("jumper", "knit", { fit: "loose", shade: "dark" }),
      layer("apron", "canvas", { fit: "loose", shade: "light" }),
    ],
    ["beard"],
    { voice: "deep", tapeAllergy: "no", hairyChest: "yes" },
  ),
  [ENGINEER]: wearer(
    1,
    "Ines, engineer",
    1.69,
    [
      layer("tee", "cotton", { shade: "dark" }),
      layer("vest", "reflective", { fit: "loose", opening: "partlyOpen", shade: "bright" }),
      layer("harness", "webbing", { fit: "tight", shade: "black" }),
    ],
    ["hardHat"],
    { voice: "middle", tapeAllergy: "no" },
  ),
  [SINGER]: wearer(
    2,
    "Odile, singer",
    1.66,
    [layer("straplessDress", "silk", { shade: "white" })],
    ["necklace", "longHair"],
    { voiceOffsetDb: 2, voice: "light", tapeAllergy: "no", hairyChest: "no" },
  ),
  [ECOLOGIST]: wearer(
    3,
    "Wen, ecologist",
    1.74,
    [
      layer("jumper", "wool", { shade: "dark" }),
      layer("waders", "waterproof", { fit: "loose" }),
      layer("oilskin", "waterproof", { fit: "loose", opening: "partlyOpen", shade: "bright" }),
    ],
    ["hat"],
    { voiceOffsetDb: -2, voice: "middle", tapeAllergy: "no", hairyChest: "no" },
  ),
  [WELDER]: wearer(
    4,
    "Jory, welder",
    1.83,
    [layer("tee", "cotton", { shade: "dark" }), layer("overall", "twill", { fit: "loose", shade: "dark" })],
    ["sealedHood"],
    { voiceOffsetDb: 2, voice: "deep" },
  ),
  [VOLUNTEERS[0]]: wearer(5, "Ash, volunteer", 1.72, [layer("hoodie", "jersey", { opening: "partlyOpen" })], []),
  [VOLUNTEERS[1]]: wearer(
    6,
    "Lark, volunteer",
    1.6,
    [layer("tee", "cotton", { shade: "light" }), layer("dungarees", "denim", { shade: "dark" })],
    ["longHair"],
    { voice: "light" },
  ),
  [VOLUNTEERS[2]]: wearer(
    7,
    "Brook, volunteer",
    1.79,
    [layer("shirt", "linen", { shade: "light" }), layer("cardigan", "wool", { opening: "open" })],
    ["spectacles"],
  ),
  [ACCORDIONIST]: wearer(
    0,
    "Quill, accordion",
    1.7,
    [layer("shirt", "cotton", { shade: "white" }), layer("waistcoat", "velvet", { shade: "dark" })],
    ["bowTie"],
    { voice: "middle" },
  ),
  [CREATOR]: wearer(
    1,
    "Sanna, phone diary",
    1.63,
    [layer("tee", "jersey"), layer("parka", "nylon", { opening: "open" })],
    ["scarf"],
  ),
  [PRESENTER]: wearer(
    2,
    "Rafe, live host",
    1.81,
    [layer("shirt", "starched", { shade: "white" }), layer("blazer", "wool", { opening: "partlyOpen" })],
    ["tie"],
    { voice: "deep", hairyChest: "no", tapeAllergy: "no" },
  ),
};

function aims(preset: PresetId): Aims {
  return { ...FIRST_AIMS, preset, weights: PRESETS[preset].weights };
}

const performance = (own: Partial<Performance>): Performance => ({
  ...FIRST_PERFORMANCE,
  mayBeSeen: false,
  loudest: "normal",
  ...own,
});

const agreed = (answer: Consent["answer"], agreedTo: Consent["agreedTo"], askedAt: string): Consent => ({
  answer,
  isExplained: true,
  agreedTo,
  askedBy: "sound",
  askedAt,
});

const rig = (wearerId: string, sceneId: string, own: Partial<RigBody>): RigBody =>
  newRig({ shootId: SHOOT_ID, wearerId, sceneId }, own);

const choice = (
  site: Choice["site"],
  surface: Choice["surface"],
  layerIndex: number | null,
  mount: Choice["mount"],
  port: Choice["port"],
): Choice => ({ site, surface, layer: layerIndex, mount, port });

const rigs: Record<string, RigBody> = {
  [MILLER_RIG]: rig(MILLER, SCENE_INTERVIEW, {
    performance: performance({ faces: "left" }),
    choice: choice("bibEdge", "inside", 2, "triangles", "up"),
    isRigged: true,
    consent: agreed("yes", 1, "2027-05-11 08:50"),
  }),
  [ENGINEER_RIG]: rig(ENGINEER, SCENE_GATE, {
    performance: performance({
      action: "walking",
      shot: "wide",
      mayBeSeen: true,
      softest: "normal",
      loudest: "loud",
      hours: 3,
      sweats: true,
    }),
    aims: aims("runAndGun"),
    choice: choice("highBreastbone", "inside", 0, "triangles", "down"),
  }),
  [SINGER_RIG]: rig(SINGER, SCENE_SPEECH, {
    performance: performance({ faces: "round", action: "walking", softest: "normal", loudest: "shout" }),
    aims: aims("stage"),
    choice: choice("topEdge", "inside", 0, "triangles", "up"),
    isRigged: true,
    consent: agreed("self", 2, "2027-05-13 14:20"),
  }),
  [id(44)]: rig(ECOLOGIST, SCENE_WADE, {
    performance: performance({
      faces: "right",
      action: "walking",
      shot: "wide",
      loudest: "raised",
      hours: 3,
      water: "wading",
    }),
    aims: aims("action"),
    choice: choice("hatBrim", "headwear", null, "tied", "down"),
  }),
  [id(45)]: rig(WELDER, SCENE_WELD, {
    performance: performance({
      action: "walking",
      shot: "wide",
      mayBeSeen: true,
      softest: "raised",
      loudest: "shout",
      sweats: true,
    }),
    aims: aims("action"),
    choice: choice("helmetLiner", "headwear", null, "headPad", "up"),
  }),
  [id(46)]: rig(VOLUNTEERS[0], SCENE_TABLE, {
    performance: performance({ faces: "left", loudest: "raised" }),
    choice: choice("breastbone", "inside", 0, "triangles", "up"),
  }),
  [id(47)]: rig(VOLUNTEERS[1], SCENE_TABLE, {
    performance: performance({ faces: "round", loudest: "raised" }),
    choice: choice("breastbone", "inside", 0, "triangles", "up"),
  }),
  [id(48)]: rig(VOLUNTEERS[2], SCENE_TABLE, {
    performance: performance({ faces: "right", loudest: "raised" }),
    choice: choice("placket", "inside", 0, "triangles", "up"),
  }),
  [id(49)]: rig(ACCORDIONIST, SCENE_SPEECH, {
    performance: performance({ mayBeSeen: true, loudest: "raised", handsOnChest: true }),
    aims: aims("stage"),
    choice: choice("placket", "inside", 0, "triangles", "up"),
  }),
  [id(61)]: rig(CREATOR, SCENE_DIARY, {
    performance: performance({ action: "walking", shot: "close", mayBeSeen: true, loudest: "raised", hours: 1 }),
    aims: aims("runAndGun"),
    choice: choice("breastbone", "inside", 0, "pad", "up"),
  }),
  [id(62)]: rig(PRESENTER, SCENE_STREAM, {
    performance: performance({ faces: "round", action: "walking", loudest: "raised", hours: 4 }),
    aims: aims("presenter"),
    choice: choice("tieKnot", "inside", 0, "pad", "down"),
  }),
  [id(64)]: rig(ENGINEER, SCENE_STREAM, {
    performance: performance({ faces: "left", shot: "medium", mayBeSeen: true, softest: "normal", loudest: "raised" }),
    aims: aims("presenter"),
    choice: choice("highBreastbone", "inside", 0, "triangles", "down"),
  }),
  [id(65)]: rig(ECOLOGIST, SCENE_STREAM, {
    performance: performance({ faces: "right", shot: "medium", loudest: "raised" }),
    aims: aims("presenter"),
    outfit: {
      layers: [layer("shirt", "cotton", { shade: "light" }), layer("cardigan", "wool", { opening: "open" })],
      accessories: [],
    },
    choice: choice("placket", "inside", 0, "triangles", "up"),
  }),
  [id(63)]: rig(MILLER, SCENE_WELCOME, {
    performance: performance({ mayBeSeen: true, loudest: "raised", hours: 1 }),
    aims: aims("stage"),
    outfit: {
      layers: [layer("shirt", "cotton", { shade: "white" }), layer("blazer", "wool", { opening: "partlyOpen" })],
      accessories: ["beard", "tie"],
    },
    choice: choice("tieKnot", "inside", 0, "triangles", "down"),
    consent: agreed("yes", 1, "2027-05-13 12:40"),
  }),
};

const pickups: Record<string, PickupBody> = {
  [PICKUP_IDS.TABLE]: tablePickup(SCENE_TABLE, VOLUNTEERS),
  [PICKUP_IDS.ACCORDION]: accordionPickup(SCENE_SPEECH, ACCORDIONIST),
};

const air = demoAir(Object.keys(wearers), {
  byLead: VOLUNTEERS,
  digital: [PRESENTER, ACCORDIONIST],
  banked: [ECOLOGIST, ENGINEER],
  kit: [CREATOR],
  deskScenes: [SCENE_SPEECH],
  callScene: SCENE_WELD,
  reportScene: SCENE_WADE,
});

/** Who is recorded on the recorder's XLR inputs. */
export const ON_XLR = [ECOLOGIST, ACCORDIONIST] as const;
const connections = demoConnections({ phone: CREATOR, stream: PRESENTER, xlr: ON_XLR });

export const SLACK_WATER = {
  shoot,
  places: DEMO_PLACES,
  scenes,
  wearers,
  rigs,
  pickups,
  airs: { [AIR_ID]: air },
  kit: DEMO_KIT,
  connections,
} as const;
