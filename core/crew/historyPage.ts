/** What of a shoot may be asked about later. */
export const HISTORY_SUBJECTS = ["consent", "take", "verification"] as const;
export type HistorySubject = (typeof HISTORY_SUBJECTS)[number];

/** One thing that was changed in a shoot and may be asked about later. */
export interface HistoryChange {
  id: number;
  subject: HistorySubject;
  recordId: string;
  /** When, ISO 8601. */
  at: string;
  /** Who: an account's id, or the word for somebody without one. */
  member: string;
  /** The account's name; null for somebody without one, or who has left. */
  name: string | null;
  /** What it was and what it became; null where there was or is nothing. */
  before: unknown;
  after: unknown;
}

export interface HistoryPage {
  /** The newest first. */
  changes: HistoryChange[];
  /** Where the next page begins; null at the end. */
  next: number | null;
}
