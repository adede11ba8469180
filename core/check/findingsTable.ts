import type { Finding, RecordingMeasurement } from "./measurement";
import { reviewOf, type Review } from "./review";

/** A finding in words, as a table holds them. */
export interface FindingWords {
  name: string;
  what: string;
  cause: string;
  advice: string;
}

/** The findings of a recording as a table with a heading: one a row, channels from 1, times in seconds. */
export function findingsTable(
  { file, findings }: RecordingMeasurement,
  wordsOf: (finding: Finding) => FindingWords,
  reviews: readonly Review[] = [],
): (string | number)[][] {
  const rows = findings.map((finding) => {
    const { name, what, cause, advice } = wordsOf(finding);
    const review = reviewOf(finding, reviews);
    return [
      ...[file, finding.channel === null ? "" : finding.channel + 1],
      ...[Number(finding.startS.toFixed(3)), Number(finding.endS.toFixed(3)), finding.severity],
      ...[name, Number(finding.confidence.toFixed(2)), what, cause, advice],
      ...[review?.decision ?? "", review?.note ?? ""],
    ];
  });
  const head = [
    ...["file", "channel", "from s", "to s", "severity", "finding", "confidence"],
    ...["what", "likely cause", "advice", "review", "note"],
  ];
  return [head, ...rows];
}
