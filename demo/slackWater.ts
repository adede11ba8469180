import type { PlaceBody, RigBody, SceneBody, ShootBody, WearerBody } from "../core/shoot/records";
import type { Layer } from "../core/dress/outfit";

/** The demo shoot: invented people, places and gear. */

const SHOOT_ID = "51ac0000-0000-4000-8000-000000000001";
const id = (number: number) => `51ac0000-0000-4000-8000-${String(number).padStart(12, "0")}`;

export const DEMO_SHOOT_ID = SHOOT_ID;

const shoot: ShootBody = {
  title: "Slack Water",
  firstDay: "2027-05-11",
  days: 3,
  units: "metric",
  frameRate: 25,
  delivery: "picture",
  sampleRateHz: 48000,
  bitsPerSample: 24,
};

const GRANARY = id(11);
const QUAY = id(12);
const HALL = id(13);

const places: Record<string, PlaceBody> = {
  [GRANARY]: {
    shootId: SHOOT_ID,
    name: "Stone granary",
    model: {
      setting: "room",
      lengthM: 9,
      widthM: 6,
      heightM: 3.6,
      floor: "woodFloor",
      ceiling: "woodFloor",
      walls: "stone",
      otherWall: "windowGlass",
      otherWallM2: 3,
      noiseNc: 20,
      windMps: 0,
    },
  },
  [QUAY]: {
    shootId: SHOOT_ID,
    name: "Tide quay",
    model: {
      setting: "open",
      lengthM: 30,
      widthM: 12,
      heightM: 5,
      floor: "stone",
      ceiling: "openAir",
      walls: "openAir",
      otherWall: "openAir",
      otherWallM2: 0,
      noiseNc: 45,
      windMps: 8,
    },
  },
  [HALL]: {
    shootId: SHOOT_ID,
    name: "Village hall, speech day",
    model: {
      setting: "room",
      lengthM: 14,
      widthM: 8,
      heightM: 4.5,
      floor: "woodFloor",
      ceiling: "gypsum",
      walls: "plaster",
      otherWall: "mediumCurtain",
      otherWallM2: 24,
      noiseNc: 35,
      windMps: 0,
    },
  },
};

const SCENE_INTERVIEW = id(21);
const SCENE_GATE = id(22);
const SCENE_SPEECH = id(23);
const SCENE_WADE = id(24);

const scenes: Record<string, SceneBody> = {
  [SCENE_INTERVIEW]: { shootId: SHOOT_ID, title: "Interview with the miller", placeId: GRANARY },
  [SCENE_GATE]: { shootId: SHOOT_ID, title: "Hanging the sluice gate", placeId: QUAY },
  [SCENE_SPEECH]: { shootId: SHOOT_ID, title: "Speech and song", placeId: HALL },
  [SCENE_WADE]: { shootId: SHOOT_ID, title: "Counting the mudflat", placeId: QUAY },
};

function layer(garment: Layer["garment"], fabric: Layer["fabric"], worn: Partial<Layer> = {}): Layer {
  return { garment, fabric, fit: "fitted", opening: "closed", pattern: "plain", ...worn };
}

export const MILLER = id(31);
export const ENGINEER = id(32);
export const SINGER = id(33);
const ECOLOGIST = id(34);

const wearers: Record<string, WearerBody> = {
  [MILLER]: {
    shootId: SHOOT_ID,
    name: "Tam, miller",
    heightM: 1.78,
    voiceOffsetDb: 0,
    thread: 0,
    outfit: {
      layers: [
        layer("shirt", "cotton", { pattern: "patterned" }),
        layer("jumper", "knit", { fit: "loose" }),
        layer("apron", "denim", { fit: "loose" }),
      ],
      accessories: ["beard"],
    },
  },
  [ENGINEER]: {
    shootId: SHOOT_ID,
    name: "Ines, engineer",
    heightM: 1.69,
    voiceOffsetDb: 0,
    thread: 1,
    outfit: {
      layers: [
        layer("tee", "cotton"),
        layer("vest", "waterproof", { fit: "loose", opening: "partlyOpen" }),
        layer("harness", "polyester", { fit: "tight" }),
      ],
      accessories: ["hardHat"],
    },
  },
  [SINGER]: {
    shootId: SHOOT_ID,
    name: "Odile, singer",
    heightM: 1.66,
    voiceOffsetDb: 2,
    thread: 2,
    outfit: { layers: [layer("straplessDress", "silk", { fit: "tight" })], accessories: ["necklace", "longHair"] },
  },
  [ECOLOGIST]: {
    shootId: SHOOT_ID,
    name: "Wen, ecologist",
    heightM: 1.74,
    voiceOffsetDb: -2,
    thread: 3,
    outfit: {
      layers: [layer("jumper", "wool"), layer("coat", "waterproof", { fit: "loose", opening: "partlyOpen" })],
      accessories: ["hat"],
    },
  },
};

type Kit = Pick<RigBody, "lavId" | "packId" | "receiverId" | "inputId">;
const FIRST_OF_KIT: Kit = { lavId: null, packId: null, receiverId: null, inputId: null };

function rig(wearerId: string, sceneId: string, own: Pick<RigBody, "performance"> & Partial<RigBody>): RigBody {
  return {
    shootId: SHOOT_ID,
    wearerId,
    sceneId,
    siteId: null,
    isRigged: false,
    consent: "notAsked",
    ...FIRST_OF_KIT,
    isSet: false,
    targetDbfs: -12,
    ceilingDbfs: -6,
    ...own,
  };
}

export const MILLER_RIG = id(41);
export const ENGINEER_RIG = id(42);
export const SINGER_RIG = id(43);

const rigs: Record<string, RigBody> = {
  [MILLER_RIG]: rig(MILLER, SCENE_INTERVIEW, {
    performance: {
      faces: "left",
      action: "sitting",
      shot: "medium",
      mayBeSeen: false,
      softest: "soft",
      loudest: "normal",
    },
    siteId: "bibEdge",
    isRigged: true,
    consent: "yes",
    isSet: true,
  }),
  [ENGINEER_RIG]: rig(ENGINEER, SCENE_GATE, {
    performance: {
      faces: "camera",
      action: "walking",
      shot: "wide",
      mayBeSeen: true,
      softest: "normal",
      loudest: "loud",
    },
    siteId: "breastboneInside",
  }),
  [SINGER_RIG]: rig(SINGER, SCENE_SPEECH, {
    performance: {
      faces: "round",
      action: "walking",
      shot: "medium",
      mayBeSeen: false,
      softest: "normal",
      loudest: "shout",
    },
    siteId: "hairline",
    isRigged: true,
    consent: "self",
  }),
  [id(44)]: rig(ECOLOGIST, SCENE_WADE, {
    performance: {
      faces: "right",
      action: "walking",
      shot: "wide",
      mayBeSeen: false,
      softest: "soft",
      loudest: "raised",
    },
  }),
};

export interface DemoRecording {
  file: string;
  title: string;
  rigId: string;
  /** Whether it is measured already when the demo is opened. */
  isMeasured: boolean;
}

export const DEMO_RECORDINGS: readonly DemoRecording[] = [
  { file: "miller-granary.wav", title: "Miller, granary, take 3", rigId: MILLER_RIG, isMeasured: true },
  { file: "engineer-quay.wav", title: "Engineer, quay, take 1", rigId: ENGINEER_RIG, isMeasured: false },
  { file: "singer-hall.wav", title: "Singer, hall, take 1", rigId: SINGER_RIG, isMeasured: true },
];

export const SLACK_WATER = { shoot, places, scenes, wearers, rigs } as const;
