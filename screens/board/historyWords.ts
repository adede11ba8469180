import type { HistoryChange } from "@/core/crew";
import type { ShootBundle } from "@/core/records";
import { RATING_NAMES, TYPE_NAMES } from "@/messages";
import { CONSENT_OPTIONS } from "../dress/words";
import { runTime, takeName } from "../roll/rollWords";

type Fields = Record<string, unknown>;
const fieldsOf = (value: unknown): Fields => (typeof value === "object" && value !== null ? (value as Fields) : {});

/** Who did it, by the name of their account. */
export function whoWords({ member, name }: Pick<HistoryChange, "member" | "name">): string {
  if (name !== null) return name;
  if (member === "talent") return "The talent, by their link";
  return member === "local" ? "Somebody at this machine" : "Somebody who has left";
}

/** What was changed: whose consent, which take, which device. */
export function whatWords({ subject, recordId, before, after }: HistoryChange, bundle: ShootBundle): string {
  if (subject === "take") {
    const { slate, take, type, file } = { ...fieldsOf(before), ...fieldsOf(after) };
    if (typeof file === "string") return `Measured: ${file}`;
    const isTake = typeof slate === "string" && typeof take === "number" && typeof type === "string";
    return isTake && type in TYPE_NAMES ? takeName({ slate, take, type: type as keyof typeof TYPE_NAMES }) : "A take";
  }
  const rig = bundle.rigs.find(({ id }) => id === recordId);
  const wearer = bundle.wearers.find(({ id }) => id === rig?.body.wearerId);
  const scene = bundle.scenes.find(({ id }) => id === rig?.body.sceneId);
  const whose = wearer ? `${wearer.body.name}${scene ? `, ${scene.body.title}` : ""}` : "";
  if (subject === "consent") return whose ? `Consent of ${whose}` : "Consent of somebody who was removed";
  return whose ? `Verified: ${whose}` : "Verified on a device";
}

const namesOf = (options: readonly { value: string; name: string }[]): Record<string, string> =>
  Object.fromEntries(options.map(({ value, name }) => [value, name.toLowerCase()]));
/** Fields whose values have names of their own. */
const VALUE_NAMES: Record<string, Record<string, string>> = {
  answer: namesOf(CONSENT_OPTIONS),
  rating: RATING_NAMES,
  type: TYPE_NAMES,
};

function said(key: string, value: unknown): string {
  if (value === null || value === undefined || value === "") return "nothing";
  if (typeof value === "string") return key === "note" ? `"${value}"` : (VALUE_NAMES[key]?.[value] ?? value);
  if (typeof value === "number") return key === "lengthS" ? runTime(value) : String(value);
  if (typeof value === "boolean") return value ? "yes" : "no";
  return Array.isArray(value) ? String(value.length) : "changed";
}

/** What fields of what may be asked about are called. */
const FIELD_NAMES: Record<string, string> = {
  ...{ answer: "answer", askedBy: "asked by", at: "time", intrusion: "how far", isRigged: "rigged", note: "note" },
  ...{ slate: "slate", take: "take", type: "type", rating: "rating", startedAt: "start", lengthS: "length" },
  ...{ fileName: "file name", files: "files", file: "file", channel: "track", grade: "verdict", steps: "steps" },
};

/** Told by the other columns, where something was added. */
const TOLD_ALREADY = ["slate", "take", "type", "startedAt"];
const isEmpty = (value: unknown): boolean =>
  value === null || value === "" || value === "none" || (Array.isArray(value) && value.length === 0);

/** How it changed, field by field: "rating: not rated to good"; what was added, by what there is of it. */
export function changeWords({ before, after }: Pick<HistoryChange, "before" | "after">): string {
  if (after === null) return "removed";
  const [was, is] = [fieldsOf(before), fieldsOf(after)];
  const keys = Object.keys(FIELD_NAMES).filter((key) => JSON.stringify(was[key]) !== JSON.stringify(is[key]));
  if (before === null) {
    const told = keys.filter((key) => !TOLD_ALREADY.includes(key) && !isEmpty(is[key]));
    return told.length === 0
      ? "added"
      : `added: ${told.map((key) => `${FIELD_NAMES[key]} ${said(key, is[key])}`).join(", ")}`;
  }
  const parts = keys.map((key) => `${FIELD_NAMES[key]}: ${said(key, was[key])} to ${said(key, is[key])}`);
  if (parts.length > 0) return parts.join(", ");
  return Array.isArray(after) ? "ticks of the settings card" : "changed";
}
