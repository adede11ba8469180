import * as Type from "@sinclair/typebox";
import { DressReason } from "../dress";
import { storedMessage, type StoredCatalogue } from "../message";

const Db = Type.Number({ minimum: -400, maximum: 400 });
const Name = Type.String({ maxLength: 200 });
const Text = Type.String({ maxLength: 400 });
const Radio = Type.Union([Type.Literal("analogue"), Type.Literal("digital"), Type.Literal("none")]);
const Recorder = Type.String({ maxLength: 40 });

/** What is likeliest behind a finding in this talent's chain. Distances in m, angles in degrees. */
const CAUSES = {
  "cause.planOver": { device: Name, stage: Name, overDb: Db },
  "cause.leastInHand": { device: Name, stage: Name, inHandDb: Db },
  /** Null: the place has no name. */
  "cause.placeNoise": { place: Type.Union([Name, Type.Null()]) },
  "cause.deviceNoise": { origin: Name },
  "cause.loudestDevice": { origin: Name },
  "cause.louderThanPlanned": { plannedDbfs: Db },
  "cause.planNotClean": {},
  "cause.compareWithCard": { plannedDbfs: Db },
  "cause.unbalanced": {},
  "cause.allBalanced": {},
  /** What Dress holds most against the place. */
  "cause.dress": { site: Name, reason: DressReason },
  "cause.pullOrHand": {},
  "cause.cover": { cover: Name },
  "cause.nearMouth": { site: Name, distanceM: Type.Number(), offAxisDeg: Type.Number(), cover: Name },
  "cause.nearNose": { site: Name, distanceM: Type.Number() },
  "cause.dropout": { radio: Radio },
  "cause.radioNoise": { radio: Radio },
  "cause.ownLevel": { recorder: Recorder },
  "cause.compressed": {},
  "cause.gap": { isComputer: Type.Boolean() },
  "cause.repeated": { isComputer: Type.Boolean() },
  "cause.phantomOff": {},
  "cause.followCable": {},
  "cause.packMuted": {},
  "cause.digitalDelay": {},
  "cause.fallsBack": { recorder: Recorder },
  "cause.builtInPair": {},
  "cause.asWritten": { text: Text },
} as const;

export const Cause = storedMessage(CAUSES);
export type Cause = Type.Static<typeof Cause>;
export type CauseCatalogue = StoredCatalogue<typeof CAUSES>;
