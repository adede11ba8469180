/** Sheets that are shared by a link, to read, with people outside the crew. */
export const SHEET_KINDS = ["callSheet", "report", "delivery"] as const;
export type SheetKind = (typeof SHEET_KINDS)[number];
