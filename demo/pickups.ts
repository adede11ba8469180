import { FIRST_WISHES, micsOf, type Talker } from "../core/pickup";
import type { PickupBody } from "../core/records";
import { DEMO_SHOOT_ID, demoId } from "./recordings";

const talker = (id: string, name: string, own: Partial<Talker>): Talker => ({
  id,
  name,
  wearerId: null,
  at: { xM: 2, yM: 2 },
  mouthM: 1.15,
  facesDeg: 0,
  turnsDeg: 30,
  effort: "normal",
  path: [],
  isInstrument: false,
  ...own,
});

/** Three round the kitchen table, with one recorder between them. */
export function tablePickup(sceneId: string, volunteers: readonly [string, string, string]): PickupBody {
  const wishes = { ...FIRST_WISHES, mayBeSeen: true };
  const talkers = [
    talker("one", "Wren", { wearerId: volunteers[0], at: { xM: 2, yM: 1.3 }, facesDeg: 0 }),
    talker("two", "Ash", { wearerId: volunteers[1], at: { xM: 1.4, yM: 2.3 }, facesDeg: 125 }),
    talker("three", "Brook", { wearerId: volunteers[2], at: { xM: 2.6, yM: 2.3 }, facesDeg: 235 }),
  ];
  return {
    shootId: DEMO_SHOOT_ID,
    sceneId,
    wishes,
    setup: { talkers, mics: micsOf("tableOmni", talkers, wishes) },
  };
}

/** A player who talks between the tunes: the voice worn, the instrument on the recorder's own pair. */
export function accordionPickup(sceneId: string, player: string): PickupBody {
  const wishes = { ...FIRST_WISHES, mayBeSeen: true, hasTable: false };
  const talkers = [
    talker("voice", "Quill", { wearerId: player, at: { xM: 6, yM: 6 }, mouthM: 1.5, facesDeg: 180 }),
    talker("accordion", "Accordion", {
      at: { xM: 6, yM: 5.7 },
      mouthM: 1.05,
      facesDeg: 180,
      turnsDeg: 0,
      effort: "loud",
      isInstrument: true,
    }),
  ];
  return {
    shootId: DEMO_SHOOT_ID,
    sceneId,
    wishes,
    setup: { talkers, mics: micsOf("recorderPair", talkers, wishes) },
  };
}

export const PICKUP_IDS = { TABLE: demoId(71), ACCORDION: demoId(72) } as const;
