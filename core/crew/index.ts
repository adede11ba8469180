/**
 * Who of a crew may do what. One table, read by the server for every request and by screens for what they offer.
 */
export { MAY, may, rightOf, ROLES, type Right, type Role } from "./rights";
export type { TalentCard } from "./talentCard";
export { SHEET_KINDS, type SheetKind } from "./sheets";
export { HISTORY_SUBJECTS, type HistoryChange, type HistoryPage, type HistorySubject } from "./historyPage";
