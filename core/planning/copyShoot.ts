import {
  asNewShoot,
  type FiledRecord,
  type RecordBodies,
  type ShootBody,
  shootFileOf,
  type ShootBundle,
} from "../records";
import { UNASKED } from "./newRig";

type Copied = { [Kind in keyof RecordBodies]?: (body: RecordBodies[Kind]) => RecordBodies[Kind] | null };

/** What of a record goes into a copy: plans do; what was asked, done or recorded does not. */
const COPIED: Copied = {
  rig: (body) => ({ ...body, consent: UNASKED, isRigged: false, voiceTodayDb: null }),
  connection: (body) => ({ ...body, steps: [], rehearsal: null }),
  levels: (body) => ({ ...body, lines: body.lines.map((line) => ({ ...line, ticks: [] })) }),
  air: (body) => ({ ...body, scan: null }),
  packing: () => null,
  measurement: () => null,
  takeDetail: () => null,
  roll: () => null,
  mark: () => null,
};

/**
 * A shoot to begin with: places, scenes, talent, rigs, links, levels and kit of another one. Consent, ticks, packing, scans of
 * the air and takes stay behind, because they belong to the day on which they were made.
 *
 * @param own what of the shoot itself is different: its title, its first day
 */
export function copyShoot(bundle: ShootBundle, own: Partial<ShootBody>, newId: () => string): FiledRecord[] {
  const records = shootFileOf(bundle, [], "").records.flatMap((record): FiledRecord[] => {
    const copy = COPIED[record.kind] as ((body: unknown) => FiledRecord["body"] | null) | undefined;
    const body =
      record.kind === "shoot" ? { ...(record.body as ShootBody), ...own } : copy ? copy(record.body) : record.body;
    return body ? [{ ...record, body }] : [];
  });
  return asNewShoot(records, newId, () => true);
}

/** What a crew has and how it names files: the same on its next shoot. */
const STARTED_WITH: readonly FiledRecord["kind"][] = ["shoot", "kitItem", "provision", "rollSetup"];

/**
 * A shoot to begin with that has nothing but the kit of another one: what was hired or made for it, cards and batteries, and how
 * takes are named.
 *
 * @param own the new shoot's facts
 */
export const startFrom = (bundle: ShootBundle, own: ShootBody, newId: () => string): FiledRecord[] =>
  copyShoot(bundle, own, newId).filter(({ kind }) => STARTED_WITH.includes(kind));
