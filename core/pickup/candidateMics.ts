import { handsOn } from "./hands";
import { TABLE_M } from "./heardByMics";
import { MICROPHONES, type MicrophoneId } from "./microphones";
import type { PickupWishes, PlacedMic, ShotSize, Spot, Talker } from "./pickupSetup";
import { aimAt, direction } from "./space";

export const FIRST_WISHES: PickupWishes = { shot: "medium", mayBeSeen: false, hasTable: true, overhead: "byRoom" };

/** How near an overhead microphone's front may come to the mouth, m, just out of frame. Common practice. */
export const OVERHEAD_M: Record<ShotSize, number> = { close: 0.45, medium: 0.6, wide: 0.9 };
const CAMERA_M: Record<ShotSize, number> = { close: 1.2, medium: 1.5, wide: 2.5 };
/** Mouth to a lavalier on the chest; to what is planted in a sun visor, a headliner or on a table, m. Common practice. */
const LAV_M = 0.22;
const PLANTED_IN_CAR_M = 0.45;
const PLANTED_ON_TABLE_M = 0.7;
/** A phone held out. Common practice. */
const ARM_M = 0.6;

export const CANDIDATE_IDS = [
  "overheadHyper",
  "overheadGun",
  "desk20",
  "desk30",
  "desk60",
  "hand",
  "tableOmni",
  "camera",
  "phone",
  "recorderPair",
  "lavs",
  "stand",
  "planted",
  "plantedInCar",
  "oneBoom",
  "boomAndLavs",
  "instrument",
] as const;
export type CandidateId = (typeof CANDIDATE_IDS)[number];

interface CandidateRow {
  name: string;
  microphone: MicrophoneId;
  isSeen: boolean;
  /** One for everybody, or one each. */
  isShared: boolean;
  needsTable: boolean;
}

/** Ways of picking up a voice without touching the person. */
export const CANDIDATES: Record<CandidateId, CandidateRow> = {
  overheadHyper: {
    name: "overhead boom, short hypercardioid",
    microphone: "shortHyper",
    isSeen: false,
    isShared: false,
    needsTable: false,
  },
  overheadGun: {
    name: "overhead boom, long gun",
    microphone: "longGun",
    isSeen: false,
    isShared: false,
    needsTable: false,
  },
  hand: { name: "hand mic at 15 cm", microphone: "handCardioid", isSeen: true, isShared: false, needsTable: false },
  desk20: { name: "cardioid at 20 cm", microphone: "studio", isSeen: true, isShared: false, needsTable: true },
  desk30: { name: "cardioid at 30 cm", microphone: "studio", isSeen: true, isShared: false, needsTable: true },
  desk60: { name: "cardioid at 60 cm", microphone: "studio", isSeen: true, isShared: false, needsTable: true },
  tableOmni: {
    name: "one omni in the middle of the table",
    microphone: "tableOmni",
    isSeen: true,
    isShared: true,
    needsTable: true,
  },
  camera: { name: "camera mic", microphone: "cameraMic", isSeen: false, isShared: true, needsTable: false },
  phone: { name: "phone at arm's length", microphone: "phone", isSeen: true, isShared: true, needsTable: false },
  recorderPair: {
    name: "recorder's own pair at the instrument",
    microphone: "recorderPair",
    isSeen: true,
    isShared: true,
    needsTable: false,
  },
  lavs: { name: "a lav each", microphone: "lav", isSeen: false, isShared: false, needsTable: false },
  stand: {
    name: "short hypercardioid on a stand overhead",
    microphone: "shortHyper",
    isSeen: false,
    isShared: false,
    needsTable: false,
  },
  planted: {
    name: "planted on the table",
    microphone: "standCardioid",
    isSeen: false,
    isShared: false,
    needsTable: true,
  },
  plantedInCar: {
    name: "planted in the sun visor or headliner",
    microphone: "standCardioid",
    isSeen: false,
    isShared: false,
    needsTable: false,
  },
  oneBoom: {
    name: "one boom, swung between them",
    microphone: "shortHyper",
    isSeen: false,
    isShared: false,
    needsTable: false,
  },
  boomAndLavs: {
    name: "one boom and a lav each",
    microphone: "shortHyper",
    isSeen: false,
    isShared: false,
    needsTable: false,
  },
  instrument: {
    name: "small cardioid at the instrument",
    microphone: "standCardioid",
    isSeen: true,
    isShared: true,
    needsTable: false,
  },
};

/** From straight ahead of a mouth: so far, so much aside and so much up, degrees. */
function beside(talker: Talker, distanceM: number, asideDeg: number, upDeg: number): { at: Spot; heightM: number } {
  const [x, y, z] = direction(talker.facesDeg + asideDeg, upDeg);
  return {
    at: { xM: talker.at.xM + x * distanceM, yM: talker.at.yM + y * distanceM },
    heightM: Math.max(0, talker.mouthM + z * distanceM),
  };
}

function aimed(
  id: string,
  microphone: MicrophoneId,
  stands: { at: Spot; heightM: number },
  talker: Talker,
  change: Partial<PlacedMic> = {},
): PlacedMic {
  const { patterns, holder } = MICROPHONES[microphone];
  const { bearingDeg, tiltDeg } = aimAt(
    [stands.at.xM, stands.at.yM, stands.heightM],
    [talker.at.xM, talker.at.yM, talker.mouthM],
  );
  return {
    id,
    microphone,
    pattern: patterns[0],
    holder,
    ...stands,
    aimsDeg: bearingDeg,
    tiltDeg,
    hasScreen: false,
    handsM: handsOn(holder),
    ...change,
  };
}

const middleOf = (talkers: readonly Talker[]): Spot => ({
  xM: talkers.reduce((sum, { at }) => sum + at.xM, 0) / talkers.length,
  yM: talkers.reduce((sum, { at }) => sum + at.yM, 0) / talkers.length,
});

/** Where the microphones of a candidate go for these talkers. */
export function micsOf(candidate: CandidateId, talkers: readonly Talker[], wishes: PickupWishes): PlacedMic[] {
  const people = talkers.filter(({ isInstrument }) => !isInstrument);
  const [first] = people;
  if (!first) return [];
  const each = (place: (talker: Talker, id: string) => PlacedMic) =>
    people.map((talker, index) => place(talker, `${candidate}-${index}`));
  const { microphone } = CANDIDATES[candidate];
  switch (candidate) {
    case "overheadHyper":
      return each((talker, id) => aimed(id, microphone, beside(talker, OVERHEAD_M[wishes.shot], 0, 45), talker));
    case "overheadGun":
      // Its front end is out of frame like any other's; the capsule sits a tube's length behind it.
      return each((talker, id) =>
        aimed(id, microphone, beside(talker, OVERHEAD_M[wishes.shot] + MICROPHONES.longGun.tubeM, 0, 45), talker),
      );
    case "hand":
      return each((talker, id) => aimed(id, microphone, beside(talker, 0.15, 0, -45), talker));
    case "desk20":
    case "desk30":
    case "desk60": {
      const distanceM = { desk20: 0.2, desk30: 0.3, desk60: 0.6 }[candidate];
      return each((talker, id) => aimed(id, microphone, beside(talker, distanceM, 35, -15), talker));
    }
    case "tableOmni":
      return [aimed(candidate, microphone, { at: middleOf(people), heightM: TABLE_M + 0.05 }, first)];
    case "camera":
      return [aimed(candidate, microphone, beside(first, CAMERA_M[wishes.shot], 0, 0), first)];
    case "phone":
      return [aimed(candidate, microphone, beside(first, ARM_M, 0, -10), first)];
    case "recorderPair": {
      const instrument = talkers.find(({ isInstrument }) => isInstrument);
      const change = wishes.hasTable ? {} : ({ holder: "stand" } as const);
      return instrument ? [aimed(candidate, microphone, beside(instrument, 0.3, 0, 0), instrument, change)] : [];
    }
    case "instrument": {
      const instrument = talkers.find(({ isInstrument }) => isInstrument);
      return instrument ? [aimed(candidate, microphone, beside(instrument, 0.3, 20, 0), instrument)] : [];
    }
    case "lavs":
      return each((talker, id) => aimed(id, microphone, beside(talker, LAV_M, 0, -70), talker));
    case "stand":
      return each((talker, id) =>
        aimed(id, microphone, beside(talker, OVERHEAD_M[wishes.shot], 0, 45), talker, { holder: "stand" }),
      );
    case "planted":
      return each((talker, id) =>
        aimed(id, microphone, beside(talker, PLANTED_ON_TABLE_M, 20, -25), talker, { holder: "table" }),
      );
    case "plantedInCar":
      return each((talker, id) => aimed(id, microphone, beside(talker, PLANTED_IN_CAR_M, 20, 25), talker));
    case "oneBoom":
      return each((talker, id) => aimed(id, microphone, beside(talker, OVERHEAD_M[wishes.shot], 0, 45), talker));
    case "boomAndLavs":
      return [
        aimed(candidate, microphone, beside(first, OVERHEAD_M[wishes.shot], 0, 45), first),
        ...each((talker, id) => aimed(id, "lav", beside(talker, LAV_M, 0, -70), talker)),
      ];
  }
}
