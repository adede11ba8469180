import { Document, Page, StyleSheet, Text, View, renderToBuffer } from "@react-pdf/renderer";
import { owedOfScene, type ReportRow, reportOf } from "@/core/planning";
import { scenesInOrder, type ShootBundle } from "@/core/records";
import { markName, RATING_NAMES, say } from "@/messages";
import { printable } from "../dress/cardLetters";
import { registerFonts } from "../dress/cardPdf";
import { runTime, takeName } from "./rollWords";

const INK = "#221f1a";
const SOFT = "#5a5347";
const SEAM = "#a99d86";

const styles = StyleSheet.create({
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
  foot: { position: "absolute", bottom: 18, left: 30, right: 30, color: SOFT, fontSize: 7.5 },
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

/** A take as a line of a sheet, or as a block where there is no room beside. */
function Line({ row, isNarrow }: { row: ReportRow; isNarrow: boolean }) {
  const { body } = row.roll;
  const rating = body.rating === "none" ? "" : RATING_NAMES[body.rating];
  const length = body.lengthS ? runTime(body.lengthS) : "no end";
  if (isNarrow)
    return (
      <View style={{ borderTop: `0.5 solid ${SEAM}`, paddingVertical: 4 }} wrap={false}>
        <Text style={{ fontWeight: 600 }}>
          {printable(takeName(body))} {rating && `(${rating.toLowerCase()})`}
        </Text>
        <Text style={styles.soft}>
          {row.timecode} · {length} · {filesOf(row)}
        </Text>
        <Text>{notesOf(row)}</Text>
      </View>
    );
  return (
    <View style={styles.row} wrap={false}>
      <Text style={styles.take}>{printable(takeName(body))}</Text>
      <Text style={styles.rating}>{rating}</Text>
      <Text style={styles.file}>{filesOf(row)}</Text>
      <Text style={styles.start}>{row.timecode}</Text>
      <Text style={styles.length}>{length}</Text>
      <Text style={styles.notes}>{notesOf(row)}</Text>
    </View>
  );
}

/** The sound report of a day, or of all days where that is null, on A4 or for a phone. */
export async function reportPdf(bundle: ShootBundle, day: number | null, size: "a4" | "phone"): Promise<Buffer> {
  registerFonts();
  const { title, frameRate, sampleRateHz, bitsPerSample } = bundle.shoot.body;
  const report = reportOf(bundle, day);
  const { takes, good, minutes, gigabytes } = report.totals;
  const scenes = scenesInOrder(bundle.scenes);
  const groups = [...scenes, null]
    .map((scene) => ({
      scene,
      rows: report.rows.filter((row) => (row.scene?.id ?? null) === (scene?.id ?? null)),
    }))
    .filter(({ rows }) => rows.length > 0);
  const isNarrow = size === "phone";
  const heading = `${title}: sound report, ${day === null ? "all days" : `day ${day}`}`;
  return renderToBuffer(
    <Document title={heading}>
      <Page size={isNarrow ? [280, 520] : "A4"} style={isNarrow ? [styles.page, { padding: 16 }] : styles.page}>
        <Text style={isNarrow ? [styles.title, { fontSize: 13 }] : styles.title}>{printable(heading)}</Text>
        <Text style={styles.soft}>
          {say({ code: "totals.day", takes, good, minutes, gigabytes })} {sampleRateHz / 1000} kHz, {bitsPerSample} bit,
          timecode at {frameRate} frames a second.
        </Text>
        {report.rows.length === 0 && <Text style={{ marginTop: 10 }}>{say({ code: "roll.nothing" })}</Text>}
        {groups.map(({ scene, rows }) => (
          <View key={scene?.id ?? "none"}>
            <Text style={styles.scene} minPresenceAhead={40}>
              {scene ? printable(`Day ${scene.body.day}, ${scene.body.title}`) : "In no scene"}
            </Text>
            {scene &&
              owedOfScene(bundle, scene.id).map((says) => (
                <Text key={JSON.stringify(says)} style={styles.soft}>
                  Owed: {printable(say(says))}
                </Text>
              ))}
            {rows.map((row) => (
              <Line key={row.roll.id} row={row} isNarrow={isNarrow} />
            ))}
          </View>
        ))}
        <Text
          style={styles.foot}
          fixed
          render={({ pageNumber, totalPages }) => `${printable(title)} · page ${pageNumber} of ${totalPages}`}
        />
      </Page>
    </Document>,
  );
}
