import { Fragment } from "react";
import { Document, Page, StyleSheet, Text, View, renderToBuffer } from "@react-pdf/renderer";
import { isDelivered, owedOfScene, type ReportRow, reportOf } from "@/core/planning";
import { scenesInOrder, type ShootBundle } from "@/core/records";
import { markName, RATING_NAMES, say } from "@/messages";
import { printable } from "../dress/cardLetters";
import { registerFonts } from "../dress/cardPdf";
import { runTime, takeName } from "./rollWords";

const INK = "#221f1a";
const SOFT = "#5a5347";
const SEAM = "#a99d86";

/** How printed sheets look. */
export const sheetStyles = StyleSheet.create({
  page: {
    padding: 30,
    paddingBottom: 40,
    fontFamily: ["Work Sans", "Work Sans Ext", "Work Sans Vietnamese", "Noto Cyrillic", "Noto Greek"],
    fontSize: 8.5,
    color: INK,
    lineHeight: 1.3,
  },
  title: { fontSize: 17, fontWeight: 600, lineHeight: 1.3 },
  soft: { color: SOFT },
  scene: { fontSize: 11, fontWeight: 600, marginTop: 9, marginBottom: 2 },
  row: { flexDirection: "row", gap: 6, borderTop: `0.5 solid ${SEAM}`, paddingVertical: 2.5 },
  take: { width: 104, fontWeight: 600 },
  rating: { width: 46 },
  file: { width: 104 },
  start: { width: 58 },
  length: { width: 34, textAlign: "right" },
  notes: { flex: 1 },
  // Under the column of notes: five columns and their gaps to the left.
  more: { flexDirection: "row", paddingLeft: 104 + 46 + 104 + 58 + 34 + 30, paddingBottom: 2.5 },
  foot: { position: "absolute", left: 30, right: 30, color: SOFT, fontSize: 7.5 },
});

const notesOf = ({ marks, roll, disagreements }: ReportRow): string =>
  printable(
    [
      ...marks
        .filter(({ body }) => !body.isProposal)
        .map(({ body }) => `${runTime(body.atS)} ${markName(body.kind)}${body.note && `: ${body.note}`}`),
      ...(roll.body.note ? [roll.body.note] : []),
      ...disagreements.map(say),
      ...(roll.body.tracks.length > 0
        ? [roll.body.tracks.map(({ name }, at) => `track ${at + 1} ${name}`).join(", ")]
        : []),
    ].join("; "),
  );

const filesOf = ({ roll: { body } }: ReportRow): string =>
  printable(body.files.map(({ name }) => name).join(", ") || body.fileName);

/** Notes longer than this go on in rows of their own: a row that is higher than a page fits nowhere. */
const NOTES_IN_ROW = 500;

/** Notes in parts that fit into rows, broken where one ends. */
function partsOf(notes: string): string[] {
  const parts: string[] = [];
  let rest = notes;
  while (rest.length > NOTES_IN_ROW) {
    const at = rest.lastIndexOf("; ", NOTES_IN_ROW);
    const end = at > 0 ? at + 2 : NOTES_IN_ROW;
    parts.push(rest.slice(0, end));
    rest = rest.slice(end);
  }
  return [...parts, rest];
}

/** A take as a line of a sheet, or as a block where there is no room beside. */
function Line({ row, isNarrow }: { row: ReportRow; isNarrow: boolean }) {
  const { body } = row.roll;
  const rating = body.rating === "none" ? "" : RATING_NAMES[body.rating];
  const length = body.lengthS ? runTime(body.lengthS) : "no end";
  const [notes, ...more] = partsOf(notesOf(row));
  if (isNarrow)
    return (
      <>
        <View style={{ borderTop: `0.5 solid ${SEAM}`, paddingVertical: 4 }} wrap={false}>
          <Text style={{ fontWeight: 600 }}>
            {printable(takeName(body))} {rating && `(${rating.toLowerCase()})`}
          </Text>
          <Text style={sheetStyles.soft}>
            {row.timecode} · {length} · {filesOf(row)}
          </Text>
          <Text>{notes}</Text>
        </View>
        {more.map((part, at) => (
          <View key={at} wrap={false}>
            <Text>{part}</Text>
          </View>
        ))}
      </>
    );
  return (
    <>
      <View style={sheetStyles.row} wrap={false}>
        <Text style={sheetStyles.take}>{printable(takeName(body))}</Text>
        <Text style={sheetStyles.rating}>{rating}</Text>
        <Text style={sheetStyles.file}>{filesOf(row)}</Text>
        <Text style={sheetStyles.start}>{row.timecode}</Text>
        <Text style={sheetStyles.length}>{length}</Text>
        <Text style={sheetStyles.notes}>{notes}</Text>
      </View>
      {more.map((part, at) => (
        <View key={at} style={sheetStyles.more} wrap={false}>
          <Text style={sheetStyles.notes}>{part}</Text>
        </View>
      ))}
    </>
  );
}

/**
 * The sound report of a day, or of all days where that is null, on A4 or for a phone; or only what is delivered of it, the takes
 * that are good or held.
 */
export async function reportPdf(
  bundle: ShootBundle,
  day: number | null,
  size: "a4" | "phone",
  isDelivery = false,
): Promise<Buffer> {
  registerFonts();
  const { title, frameRate, sampleRateHz, bitsPerSample } = bundle.shoot.body;
  const report = reportOf(bundle, day);
  const { takes, good, minutes, gigabytes } = report.totals;
  const isShown = ({ roll: { body } }: ReportRow) => !isDelivery || isDelivered(body);
  const shown = report.rows.filter(isShown);
  const scenes = scenesInOrder(bundle.scenes);
  const groups = [...scenes, null]
    .map((scene) => ({
      scene,
      rows: shown.filter((row) => (row.scene?.id ?? null) === (scene?.id ?? null)),
    }))
    .filter(({ rows }) => rows.length > 0);
  const isNarrow = size === "phone";
  const heading = `${title}: ${isDelivery ? "delivery list" : "sound report"}, ${day === null ? "all days" : `day ${day}`}`;
  return renderToBuffer(
    <Document title={heading}>
      <Page
        size={isNarrow ? [280, 520] : "A4"}
        style={isNarrow ? [sheetStyles.page, { padding: 16 }] : sheetStyles.page}
      >
        <Text style={isNarrow ? [sheetStyles.title, { fontSize: 13 }] : sheetStyles.title}>{printable(heading)}</Text>
        <Text style={sheetStyles.soft}>
          {say({ code: "totals.day", takes, good, minutes, gigabytes })} {sampleRateHz / 1000} kHz, {bitsPerSample} bit,
          timecode at {frameRate} frames a second.
        </Text>
        {shown.length === 0 && <Text style={{ marginTop: 10 }}>{say({ code: "roll.nothing" })}</Text>}
        {groups.map(({ scene, rows }) => (
          <Fragment key={scene?.id ?? "none"}>
            <Text style={sheetStyles.scene} minPresenceAhead={40}>
              {scene ? printable(`Day ${scene.body.day}, ${scene.body.title}`) : "In no scene"}
            </Text>
            {scene &&
              !isDelivery &&
              owedOfScene(bundle, scene.id).map((says) => (
                <Text key={JSON.stringify(says)} style={sheetStyles.soft}>
                  Owed: {printable(say(says))}
                </Text>
              ))}
            {rows.map((row) => (
              <Line key={row.roll.id} row={row} isNarrow={isNarrow} />
            ))}
          </Fragment>
        ))}
        <Text
          style={[sheetStyles.foot, { top: (isNarrow ? 520 : 841.89) - 30 }]}
          fixed
          render={({ pageNumber, totalPages }) => `${printable(title)} · page ${pageNumber} of ${totalPages}`}
        />
      </Page>
    </Document>,
  );
}
