/**
 * What is said about facts: one sentence for every code that core returns. Screens, print and shell say it by this door.
 */
import type { RefusalCatalogue } from "../core/audio";
import type { BoardCatalogue, HomeCatalogue } from "../core/board";
import type { ChainCatalogue } from "../core/chain";
import type { CheckCatalogue, Finding, FindingKind } from "../core/check";
import type { CleanCatalogue } from "../core/clean";
import type { ConnectCatalogue } from "../core/connect";
import type { SettingCatalogue } from "../core/devices";
import type { DeliverCatalogue } from "../core/deliver";
import type { DressCatalogue, ReasonCatalogue } from "../core/dress";
import type { MediaCatalogue } from "../core/media";
import type { Message } from "../core/message";
import type { MeterCatalogue } from "../core/meter";
import type { NoiseCatalogue } from "../core/noise";
import type { PickupCatalogue } from "../core/pickup";
import type { PlanCatalogue } from "../core/planning";
import type { PowerCatalogue } from "../core/power";
import type { ProofCatalogue } from "../core/proof";
import type { RecordCatalogue } from "../core/records";
import type { RehearsalCatalogue } from "../core/rehearsal";
import type { RollCatalogue } from "../core/roll";
import type { RoomCatalogue } from "../core/room";
import type { ScheduleCatalogue } from "../core/schedule";
import type { FieldCatalogue } from "../core/schema";
import type { ExposureCatalogue } from "../core/sound";
import type { SyncCatalogue } from "../core/sync";
import type { WirelessCatalogue } from "../core/wireless";
import { en } from "./en";
import type { VerdictCatalogue } from "./en/verdicts";
import { saidBy, type Templates } from "./templates";

type Codes = BoardCatalogue &
  ChainCatalogue &
  CheckCatalogue &
  CleanCatalogue &
  ConnectCatalogue &
  DeliverCatalogue &
  DressCatalogue &
  ExposureCatalogue &
  FieldCatalogue &
  HomeCatalogue &
  MediaCatalogue &
  MeterCatalogue &
  NoiseCatalogue &
  PickupCatalogue &
  PlanCatalogue &
  PowerCatalogue &
  ProofCatalogue &
  ReasonCatalogue &
  RecordCatalogue &
  RefusalCatalogue &
  RehearsalCatalogue &
  RollCatalogue &
  RoomCatalogue &
  ScheduleCatalogue &
  SettingCatalogue &
  SyncCatalogue &
  VerdictCatalogue &
  WirelessCatalogue;
/** Anything that can be said. */
export type AnyMessage = Message<Codes>;

const templates: Templates<Codes> = en;

/** A message in words. */
export const say: (message: AnyMessage) => string = saidBy(templates);

/** Whether something is one of the messages that can be said. */
export const isMessage = (value: object): value is AnyMessage =>
  "code" in value && typeof value.code === "string" && Object.hasOwn(templates, value.code);

/** What a kind of finding is called. */
export const kindName = (kind: FindingKind): string => say({ code: "kind.name", kind });

/** A finding in words: what it is, what is likeliest behind it, and what to do. */
export function findingWords({
  kind,
  what,
  cause,
  advice,
}: Finding): Record<"name" | "what" | "cause" | "advice", string> {
  return {
    name: kindName(kind),
    what: say(what ?? { code: "kind.sounds", kind }),
    cause: cause ? say(cause) : "",
    advice: say(advice ?? { code: "kind.advice", kind }),
  };
}

export { originWords } from "./en/chain";
export { placedWords } from "./en/connect";
export { CARD_NAMES, FEED_CAUTION, WORK_NAMES } from "./en/planning";
export { JUDGED_NAMES, SCHOOL_WORDS } from "./en/judged";
export { NC_EXAMPLES, REMEDY_WORDS } from "./en/place";
export { LESSON_NAMES, RISK_NAMES } from "./en/pickup";
export { CHEMISTRY_NAMES } from "./en/power";
export { ANSWER_NAMES, SYMPTOM_NAMES } from "./en/rehearsal";
export { dayReadme, type DayReadme } from "./en/handover";
export { newPasswordMail, ROLE_NAMES, ROLE_WORDS, tooManyTries } from "./en/crew";
export { STATION_QUESTIONS, STEP_NAMES } from "./en/stations";
export { area as areaWords, feetAndInches, length as lengthWords, sayIn } from "./en/units";
export { TERMS, type Term, type TermId } from "./en/terms";
export { clock as clockWords, list as listOf, timeWords } from "./en/words";
export { duration as durationWords, markName, RATING_NAMES, TYPE_NAMES } from "./en/roll";
