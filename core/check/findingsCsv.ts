import { KIND_WORDS } from "./kindWords";
import type { RecordingMeasurement } from "./measurement";
import { reviewOf, type Review } from "./review";

/** A cell that no spreadsheet takes for a formula; quoted. */
function cell(value: string | number): string {
  const text = typeof value === "number" ? String(value) : /^[=+\-@\t\r]/.test(value) ? `'${value}` : value;
  return `"${text.replaceAll('"', '""')}"`;
}

/** The findings of a recording as CSV: one a line, channels from 1, times in seconds. Source: RFC 4180. */
export function findingsCsv({ file, findings }: RecordingMeasurement, reviews: readonly Review[] = []): string {
  const rows = findings.map((finding) => [
    file,
    finding.channel === null ? "" : finding.channel + 1,
    Number(finding.startS.toFixed(3)),
    Number(finding.endS.toFixed(3)),
    finding.severity,
    KIND_WORDS[finding.kind].name,
    Number(finding.confidence.toFixed(2)),
    finding.message,
    finding.cause ?? "",
    finding.advice,
    reviewOf(finding, reviews)?.decision ?? "",
    reviewOf(finding, reviews)?.note ?? "",
  ]);
  const head = [
    "file",
    "channel",
    "from s",
    "to s",
    "severity",
    "finding",
    "sure",
    "what",
    "likely cause",
    "what to do",
    "review",
    "note",
  ];
  return `${[head, ...rows].map((row) => row.map(cell).join(",")).join("\r\n")}\r\n`;
}
