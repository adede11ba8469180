import { Document, Page, Text, View, renderToBuffer } from "@react-pdf/renderer";
import type { SheetKind } from "@/core/crew";
import { dayPlan, daysOf } from "@/core/planning";
import type { ShootBundle } from "@/core/records";
import { sayIn, timeWords } from "@/messages";
import { printable } from "../dress/cardLetters";
import { registerFonts } from "../dress/cardPdf";
import { reportPdf, sheetStyles as styles } from "../roll/reportPdf";

interface Sheet {
  kind: SheetKind;
  /** Null for all days. */
  day: number | null;
  bundle: ShootBundle;
}

/** Who comes when and where: for people outside the sound crew, so nothing of microphones, consent or frequencies. */
function callSheetPdf({ bundle, day }: Omit<Sheet, "kind">, isNarrow: boolean): Promise<Buffer> {
  registerFonts();
  const { title, units, clock } = bundle.shoot.body;
  sayIn({ units, clock });
  const days = day === null ? daysOf(bundle) : [day];
  const heading = `${title}: call sheet, ${day === null ? "all days" : `day ${day}`}`;
  return renderToBuffer(
    <Document title={heading}>
      <Page size={isNarrow ? [280, 520] : "A4"} style={isNarrow ? [styles.page, { padding: 16 }] : styles.page}>
        <Text style={isNarrow ? [styles.title, { fontSize: 13 }] : styles.title}>{printable(heading)}</Text>
        {days.map((each) => (
          <View key={each}>
            {dayPlan(bundle, each).scenes.map(({ scene, calls }) => {
              const place = bundle.places.find(({ id }) => id === scene.body.placeId);
              return (
                <View key={scene.id}>
                  <Text style={styles.scene} minPresenceAhead={40}>
                    Day {each}, {timeWords(scene.body.startsAt)} {printable(scene.body.title)}
                  </Text>
                  {place && <Text style={styles.soft}>{printable(place.body.name)}</Text>}
                  {calls.length === 0 && <Text style={styles.soft}>No talent here.</Text>}
                  {calls.map((call) => (
                    <View key={call.rig.id} style={styles.row} wrap={false}>
                      <Text style={styles.rating}>{timeWords(call.callAt)}</Text>
                      <Text style={styles.notes}>{printable(call.wearer.body.name)}</Text>
                    </View>
                  ))}
                </View>
              );
            })}
          </View>
        ))}
        <Text style={{ ...styles.soft, marginTop: 12 }}>
          Call times are for the microphone. Allow for make-up and costume before.
        </Text>
      </Page>
    </Document>,
  );
}

/** A sheet that is shared by a link, as the shoot is now. */
export function sheetPdf({ kind, day, bundle }: Sheet, size: "a4" | "phone"): Promise<Buffer> {
  if (kind === "callSheet") return callSheetPdf({ bundle, day }, size === "phone");
  return reportPdf(bundle, day, size, kind === "delivery");
}
