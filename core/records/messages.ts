import type { DressCatalogue } from "../dress";
import type { Message } from "../message";
import type { RoomCatalogue } from "../room";
import type { FieldCatalogue } from "../schema";
import type { AirCatalogue } from "../wireless";

/** Why something is not stored, beyond what schemas say. Levels in dB and dBFS. */
export type RecordCatalogue = {
  "record.packRange": { highestDb: number };
  "record.targetAboveCeiling": { ceilingDbfs: number };
  "record.twins": object;
  "record.waits": object;
  "record.unstorable": object;
  "record.dangling": object;
  "record.tooDeep": object;
  "record.failed": { requestId: string | null };
  "record.exists": object;
  "record.anotherNow": object;
  "record.idTaken": object;
  "record.missing": object;
  "record.keyTaken": object;
  "record.noShoot": object;
  "record.shootDeleted": object;
  "record.noRecording": object;
  /** As it was said by a release before. */
  "record.asWritten": { text: string };
  "file.unreadable": object;
  "file.other": object;
  "file.newer": object;
  /** `at`: which record of the file, from 1; `kind` as the file names it. */
  "file.damaged": { at: number; kind: string | null };
  "request.otherSite": object;
  "request.noJson": object;
  "request.tooLarge": object;
  "request.badSince": object;
  "request.tooManyTakes": { most: number };
  "request.databaseAway": object;
  "request.unreadable": object;
  "request.noDocument": object;
  "request.signedOut": object;
  /** `right`: what was asked for; `role`: of who asked; both as core/crew names them. */
  "right.missing": { role: string; right: string };
  "crew.lastOwner": object;
  "crew.noMember": object;
  "crew.noInvitation": object;
  "crew.passFull": { most: number };
  "crew.noAccounts": object;
  "shared.noLink": object;
};

/** Why something from outside is not taken, at one of its fields or as a whole. */
export type FaultMessage = Message<RecordCatalogue & FieldCatalogue & RoomCatalogue & AirCatalogue & DressCatalogue>;
