import { count } from "./words";

/** What a folder that is handed over holds. */
export interface DayReadme {
  title: string;
  day: number;
  /** "2027-05-11". */
  date: string;
  soundFiles: number;
  /** Takes whose files were not there. */
  missing: number;
  isPerTrack: boolean;
  pictures: number;
  marks: number;
  hasPdf: boolean;
  /** Pictures whose clock is audibly off by the end. */
  drifting: readonly { picture: string; byMs: number }[];
}

const block = (lines: readonly string[]): string => `${lines.join("\r\n")}\r\n`;

/** The page for whoever gets a day's sound. */
export function dayReadme(facts: DayReadme): string {
  const { title, day, date, soundFiles, missing, isPerTrack, pictures, marks, hasPdf, drifting } = facts;
  const head = `${title}, day ${day}: sound for the edit`;
  return block([
    head,
    "=".repeat(head.length),
    "",
    `Handed over on ${date}. The takes are as they were recorded: nothing is cleaned, cut or resampled.`,
    "",
    "sound",
    `  ${count(soundFiles, "file", "files")}: takes rated good or hold, wild lines and room tones.`,
    isPerTrack ? "  Each track is a file of its own." : "  All tracks of a take are in one file.",
    "  Scene, take, track names, notes and marks are in the files (BWF and iXML).",
    "",
    ...(pictures > 0
      ? [
          "lists",
          `  matches.edl and matches.otio: which sound lies under ${count(pictures, "picture", "pictures")}, and from where on.`,
          "  Both name files without folders: link them in your program.",
          ...(marks > 0
            ? [`  markers.csv: ${count(marks, "mark", "marks")} of the log, with times in the files.`]
            : []),
          "",
        ]
      : marks > 0
        ? ["lists", `  markers.csv: ${count(marks, "mark", "marks")} of the log, with times in the files.`, ""]
        : []),
    "report",
    `  The sound report as CSV${hasPdf ? " and PDF" : ""}.`,
    "",
    ...(drifting.length > 0
      ? [
          "Clocks that drift apart",
          ...drifting.map(
            ({ picture, byMs }) =>
              `  ${picture}: sound ${Math.abs(byMs).toFixed(0)} ms ${byMs > 0 ? "late" : "early"} by the end. Resample it, or cut it in pauses.`,
          ),
          "",
        ]
      : []),
    ...(missing > 0
      ? [`Missing: ${count(missing, "take", "takes")} of this day, whose files were not there. See the report.`, ""]
      : []),
    "To verify this copy, in the folder above this one:",
    "  sha256sum -c manifest-sha256.txt",
  ]);
}
