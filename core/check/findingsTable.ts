import { KIND_WORDS } from "./kindWords";
import type { RecordingMeasurement } from "./measurement";
import { reviewOf, type Review } from "./review";

/** The findings of a recording as a table with a heading: one a row, channels from 1, times in seconds. */
export function findingsTable(
  { file, findings }: RecordingMeasurement,
  reviews: readonly Review[] = [],
): (string | number)[][] {
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
  return [head, ...rows];
}
