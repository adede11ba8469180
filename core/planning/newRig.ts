import { FIRST_AIMS, FIRST_PERFORMANCE, type Outfit, usualLayer } from "../dress";
import type { Consent, RigBody } from "../records";

/** What may be planned for while nobody has asked: everything but underwear. Common practice. */
export const UNASKED: Consent = { answer: "notAsked", isExplained: false, agreedTo: 2, askedBy: "", askedAt: "" };

/** A shirt: what a new wearer has on. */
export const FIRST_OUTFIT: Outfit = { layers: [usualLayer("shirt", { shade: "light" })], accessories: [] };

/** A rig of which nothing is decided yet: first devices of the kit, peaks at −12, never above −6 dBFS. */
export function newRig(ids: Pick<RigBody, "shootId" | "wearerId" | "sceneId">, own: Partial<RigBody> = {}): RigBody {
  return {
    ...ids,
    performance: FIRST_PERFORMANCE,
    outfit: null,
    aims: FIRST_AIMS,
    choice: null,
    packPlace: null,
    isRigged: false,
    consent: UNASKED,
    lavId: null,
    packId: null,
    receiverId: null,
    inputId: null,
    voiceTodayDb: null,
    targetDbfs: -12,
    ceilingDbfs: -6,
    ...own,
  };
}
