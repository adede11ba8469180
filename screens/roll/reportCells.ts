import type { Report } from "@/core/planning";
import { markName, RATING_NAMES, say, TYPE_NAMES } from "@/messages";
import type { Cell } from "../files/csv";
import { runTime } from "./rollWords";

const HEADS = [
  "Day",
  "Scene",
  "Slate",
  "Take",
  "Type",
  "Rating",
  "Planned name",
  "Files",
  "Start timecode",
  "Started (UTC)",
  "Length, s",
  "Tracks",
  "Marks",
  "Note",
  "Measured",
];

/** The report as a table for other programs: one line a take. */
export function reportCells({ rows }: Report): Cell[][] {
  return [
    HEADS,
    ...rows.map(({ roll: { body }, scene, marks, timecode, disagreements, measured }): Cell[] => [
      body.day,
      scene?.body.title ?? "",
      body.slate,
      body.take,
      TYPE_NAMES[body.type],
      body.rating === "none" ? "" : RATING_NAMES[body.rating],
      body.fileName,
      body.files.map(({ name }) => name).join(" "),
      timecode,
      body.startedAt,
      body.lengthS,
      body.tracks.map(({ name }, at) => `${at + 1} ${name}`).join(" | "),
      marks
        .filter((mark) => !mark.body.isProposal)
        .map((mark) => `${runTime(mark.body.atS)} ${markName(mark.body.kind)}${mark.body.note && ` ${mark.body.note}`}`)
        .join(" | "),
      body.note,
      [...measured.map((each) => each.body.grade), ...disagreements.map(say)].join(" | "),
    ]),
  ];
}
