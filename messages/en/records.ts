import type { RecordCatalogue } from "../../core/records";
import type { FieldCatalogue } from "../../core/schema";
import type { Templates } from "../templates";
import { rightWords } from "./crew";
import { count, figure } from "./words";

const withUnit = (value: number, unit: string | null): string =>
  `${String(value).replace("-", "−")}${unit ? ` ${unit}` : ""}`;
const KINDS: Readonly<Record<string, string>> = {
  number: "a number",
  integer: "a whole number",
  string: "a text",
  boolean: "yes or no",
  array: "a list",
  object: "an object",
};

export const fields: Templates<FieldCatalogue> = {
  "field.range": ({ field, minimum, maximum, unit }) =>
    `${field}: ${withUnit(minimum, null)} to ${withUnit(maximum, unit)}.`,
  "field.least": ({ field, minimum, unit }) => `${field}: at least ${withUnit(minimum, unit)}.`,
  "field.most": ({ field, maximum, unit }) => `${field}: at most ${withUnit(maximum, unit)}.`,
  "field.oneOf": ({ field, values }) => `${field}: one of ${values.join(", ")}.`,
  "field.missing": ({ field }) => `${field} is missing.`,
  "field.unknown": ({ field }) => `${field} is not known here.`,
  "field.empty": ({ field }) => `${field} must not be empty.`,
  "field.date": ({ field }) => `${field}: a date, such as 2027-05-11.`,
  "field.time": ({ field }) => `${field}: a time, such as 09:30.`,
  "field.id": ({ field }) => `${field}: this is not an id.`,
  "field.type": ({ field, type }) => `${field}: must be ${KINDS[type] ?? type}.`,
  "field.tooLong": ({ field, most }) => `${field}: at most ${count(most, "character", "characters")}.`,
  "field.tooMany": ({ field, most }) => `${field}: at most ${most}.`,
  "field.tooFew": ({ field, least }) => `${field}: at least ${least}.`,
  "field.twice": ({ field }) => `${field}: the same entry twice.`,
  "field.unstorable": ({ field }) =>
    field === null
      ? "It contains a character that cannot be stored."
      : `${field} contains a character that cannot be stored.`,
  "field.invalid": ({ field }) => `${field} is not valid.`,
};

export const records: Templates<RecordCatalogue> = {
  "record.packRange": ({ highestDb }) =>
    `The lowest sensitivity must not be above the highest, ${figure(highestDb)} dB.`,
  "record.targetAboveCeiling": ({ ceilingDbfs }) =>
    `The target must not be above the ceiling, ${figure(ceilingDbfs)} dBFS.`,
  "record.twins": () => "Two entries of the list have the same name.",
  "record.waits": () => "It waits for an earlier change.",
  "record.unstorable": () => "It contains something that cannot be stored.",
  "record.dangling": () => "It refers to something that no longer exists.",
  "record.tooDeep": () => "It is nested too deeply.",
  "record.failed": ({ requestId }) =>
    requestId === null
      ? "Something went wrong on the server. It is tried again."
      : `Something went wrong on the server, and nothing was changed. The log has the details under ${requestId}.`,
  "record.exists": () => "There is one already.",
  "record.anotherNow": () => "There is another one now.",
  "record.idTaken": () => "This id is taken.",
  "record.missing": () => "This record does not exist.",
  "record.keyTaken": () => "This key belongs to another change.",
  "file.unreadable": () => "This file cannot be read: it is not JSON, or it was truncated.",
  "file.other": () => "This is not a shoot saved by Hypophon.",
  "file.newer": () => "This shoot was saved by a newer Hypophon. Update this one, then import it again.",
  "file.damaged": ({ at, kind }) =>
    kind === null ? `Record ${at} of this file is damaged.` : `Record ${at} of this file (${kind}) is damaged.`,
  "record.noShoot": () => "There is no such shoot.",
  "record.shootDeleted": () => "This shoot was deleted.",
  "record.noRecording": () => "There is no such recording.",
  "record.asWritten": ({ text }) => text,
  "request.signedOut": () => "Sign in first.",
  "right.missing": ({ role, right }) => `${rightWords(right)}: a crew's ${role} cannot. Ask the owner.`,
  "crew.lastOwner": () => "A crew needs an owner: make somebody else one first.",
  "crew.noMember": () => "This person is not in the crew any more.",
  "crew.passFull": ({ most }) => `This code has let in ${most} phones, which is its most. Ask for another.`,
  "crew.noInvitation": () => "This invitation was used, taken back, or is too old. Ask for another.",
  "crew.noAccounts": () => "There are no accounts here.",
  "shared.noLink": () => "This link works no more. Ask the sound department for another.",
  "request.otherSite": () => "This request came from another site.",
  "request.noJson": () => "The request is not JSON.",
  "request.tooLarge": () => "This is too much to save at once.",
  "request.badSince": () => "since: the number of a change.",
  "request.tooManyTakes": ({ most }) => `of: at most ${count(most, "take", "takes")} at once.`,
  "request.databaseAway": () => "The database is unreachable.",
  "request.noDocument": () => "There is nobody to make a card for.",
  "request.unreadable": () => "The server's answer could not be read.",
};
