import type { Message } from "../message";

/** A broken rule: who makes what, and how far it lands from whom, kHz; links by name. */
export type ConflictCatalogue = {
  "conflict.spacing": { one: string; other: string; offKHz: number; guardKHz: number };
  "conflict.twoThird": { makers: readonly string[]; victim: string; offKHz: number };
  "conflict.threeThird": { makers: readonly string[]; victim: string; offKHz: number };
  "conflict.fifth": { makers: readonly string[]; victim: string; offKHz: number };
};
export type ConflictMessage = Message<ConflictCatalogue>;

/** Why a frequency or a whole system may not be used: MHz, mW; regions and systems by name. */
export type ForbiddenCatalogue = {
  "forbidden.frequency": { frequencyMHz: number; region: string };
  "forbidden.power": { powerMw: number; allowedMw: number; frequencyMHz: number };
  "forbidden.allTaken": { system: string };
  "forbidden.noneAllowed": { system: string; region: string };
  "forbidden.systemPower": { system: string; powerMw: number; allowedMw: number };
  "forbidden.tuning": { system: string; frequencyMHz: number };
  "forbidden.systemGone": object;
  "forbidden.occupied": { frequencyMHz: number; isLocked: boolean };
};
export type ForbiddenMessage = Message<ForbiddenCatalogue>;

/** A link and why it cannot be on as it stands. */
export type RefusedLinkMessage = Message<{ "air.refusedLink": { link: string; because: ForbiddenMessage } }>;

/** What a plan could do without: a rule, the locks, or the scan and region. */
export type BindingRule = "spacing" | "thirdOrder" | "fifthOrder" | "lockedLinks" | "occupiedOrForbidden";

/** What is said about an air plan as a whole. */
export type AirCatalogue = {
  "air.refusedLink": { link: string; because: ForbiddenMessage };
  "air.lockedConflict": { conflict: ConflictMessage };
  "air.nothing": object;
  /** `isProved`: more cannot be placed. `except`: between locked links the guards are as asked. */
  "air.placed": {
    placed: number;
    wanted: number;
    isWhole: boolean;
    isProved: boolean;
    widening: number;
    except: { conflict: ConflictMessage; more: number } | null;
  };
  "air.bySchedule": object;
  "air.limit": { rule: BindingRule; wouldFit: number; isProved: boolean };
  "air.endsBelow": { system: string; fromMHz: number };
  "air.rangeEndsBelow": { range: number; fromMHz: number };
  "air.tooManyChannels": { system: string; channels: number; most: number };
  "banks.none": object;
  "banks.free": { bank: string; free: number; of: number; other: { bank: string; free: number } | null };
};
export type AirMessage = Message<AirCatalogue>;

/** How far a link reaches: dB and m; how late it is: ms and frames. */
export type RangeCatalogue = {
  "range.good": { marginDb: number; reachM: number };
  "range.usable": { reachM: number };
  "range.short": { missingDb: number; reachM: number; isWorn: boolean };
  "latency.unseen": { latencyMs: number; frames: number; frameRate: number };
  "latency.seen": { latencyMs: number; frames: number; frameRate: number };
};
export type RangeMessage = Message<RangeCatalogue>;

/** What is wrong with a scan's file, or with a row of it. */
type RowCatalogue = {
  "scan.rowFigures": { row: number; line: string };
  "scan.rowFrequency": { row: number; line: string };
  "scan.rowLevel": { row: number; line: string; leastDbm: number; mostDbm: number };
};
export type ScanRowMessage = Message<RowCatalogue>;
export type ScanCatalogue = RowCatalogue & {
  "scan.read": { rows: number; unit: string; ignored: number; firstFault: ScanRowMessage | null };
  "scan.unreadable": object;
  "scan.tooManyRows": { most: number };
  "scan.none": { firstFault: ScanRowMessage | null };
  "scan.unit": { fromMHz: number; toMHz: number; unit: string };
};
export type ScanMessage = Message<ScanCatalogue>;

/** Everything that is said about the air. */
export type WirelessCatalogue = AirCatalogue & ConflictCatalogue & ForbiddenCatalogue & RangeCatalogue & ScanCatalogue;
