import Papa from "papaparse";

export type Cell = string | number | boolean | null;

/** What makes a cell a formula, or is passed over before one. */
const STARTS = /^(?=[\s"]*[=+\-@]|[\t\r\n])/;
/** The same behind what a spreadsheet may take for a separator: not every one of them knows quotes, or the comma. */
const FOLLOWS = /([;,|\t\r\n][\s"]*)(?=[=+\-@])/g;

/** A text that no spreadsheet runs. */
const guarded = (text: string): string => text.replace(FOLLOWS, "$1'").replace(STARTS, "'");

/**
 * A table as CSV: the one writer of the program. Numbers stay numbers; texts that a spreadsheet would run stay texts.
 * Source: RFC 4180; guards after the advice of OWASP on formula injection.
 */
export function csvOf(rows: readonly (readonly Cell[])[]): string {
  const cells = rows.map((row) => row.map((cell) => (typeof cell === "string" ? guarded(cell) : (cell ?? ""))));
  return `${Papa.unparse(cells, { newline: "\r\n" })}\r\n`;
}
