import { say, sayIn, timeWords } from "@/messages";
import { join } from "node:path";
import { Document, Font, G, Page, Path, Rect, StyleSheet, Svg, Text, View, renderToBuffer } from "@react-pdf/renderer";
import {
  type Candidate,
  type Layer,
  type Recipe,
  recipeFor,
  selfPlacementSteps,
  sitePoint,
  SUPPLIES,
} from "@/core/dress";
import { outfitOf, placeOfRig, planRig } from "@/core/planning";
import { rigsOfWearer, type ShootBundle } from "@/core/records";
import { cablePath, project } from "@/ui/dressForm/projection";
import { garmentPieces } from "@/ui/dressForm/garmentPieces";
import { bodyOutline, smoothPath, type ViewName } from "@/ui/dressForm/outline";
import { printable } from "./cardLetters";
import { placeTitle, upperFirst } from "./words";

const INK = "#221f1a";
const SOFT = "#5a5347";
const SEAM = "#a99d86";
const CHALK = "#17557f";
const THREAD = "#9c3424";
const CLOTHS = ["#d8e2e4", "#dcc9a6", "#b9c7a4", "#cdb4ae"];

const styles = StyleSheet.create({
  page: {
    padding: 34,
    fontFamily: ["Work Sans", "Work Sans Ext", "Work Sans Vietnamese", "Noto Cyrillic", "Noto Greek"],
    fontSize: 9.5,
    color: INK,
    lineHeight: 1.35,
  },
  title: { fontSize: 20, fontWeight: 600, lineHeight: 1.3, marginBottom: 2 },
  soft: { color: SOFT },
  lead: { fontSize: 12.5, fontWeight: 600, lineHeight: 1.3, marginTop: 5, marginBottom: 1 },
  columns: { flexDirection: "row", gap: 18, marginTop: 10 },
  left: { width: 190 },
  right: { flex: 1 },
  heading: { fontSize: 11, fontWeight: 600, marginTop: 7, marginBottom: 2 },
  line: {
    flexDirection: "row",
    justifyContent: "space-between",
    gap: 8,
    borderBottom: `0.5 solid ${SEAM}`,
    paddingVertical: 1,
  },
  // Long names and amounts wrap in columns of their own.
  supply: { flexGrow: 1, flexShrink: 1, flexBasis: 84 },
  amount: { flexShrink: 1, maxWidth: 100, textAlign: "right" },
  step: { flexDirection: "row", gap: 5, marginBottom: 2 },
  number: { width: 12, fontWeight: 600, color: CHALK },
  says: { flex: 1 },
});

/** Families in the order they are tried in, each with the package and the part of the alphabet it brings. */
const FAMILIES = [
  ["Work Sans", "work-sans", "latin"],
  ["Work Sans Ext", "work-sans", "latin-ext"],
  ["Work Sans Vietnamese", "work-sans", "vietnamese"],
  ["Noto Cyrillic", "noto-sans", "cyrillic"],
  ["Noto Greek", "noto-sans", "greek"],
] as const;
/** Longest run of letters that fits a line; longer ones are broken. */
const LONGEST_WORD = 24;

/** Fonts lie beside the program. */
export function registerFonts(): void {
  for (const [family, name, part] of FAMILIES)
    Font.register({
      family,
      fonts: [400, 600].map((fontWeight) => ({
        src: join(
          process.cwd(),
          "node_modules",
          "@fontsource",
          name,
          "files",
          `${name}-${part}-${fontWeight}-normal.woff`,
        ),
        fontWeight,
      })),
    });
  Font.registerHyphenationCallback((word) =>
    word.length <= LONGEST_WORD ? [word] : (word.match(new RegExp(`.{1,${LONGEST_WORD}}`, "gu")) ?? [word]),
  );
}

function Figure(props: { layers: readonly Layer[]; candidate: Candidate; heightM: number; view: ViewName }) {
  const { layers, candidate, heightM, view } = props;
  const [x, y] = project(sitePoint(candidate.site, heightM, candidate.sound.hearing.necklineDropM), heightM, view);
  const end = candidate.pack?.cable.points.at(-1);
  const pack = end ? project(end, heightM, view) : null;
  return (
    <Svg viewBox="-190 -1030 380 640" style={{ width: 92, height: 155 }}>
      <Path d={smoothPath(bodyOutline(view))} fill="#f3ecdd" stroke={SOFT} strokeWidth={3} />
      <Path d="M-46 -938a46 66 0 1 0 92 0a46 66 0 1 0 -92 0Z" fill="#fbf8f0" stroke={SOFT} strokeWidth={3} />
      {layers.map((layer, index) => (
        <G key={index}>
          {garmentPieces(layer, view).map((piece, number) => (
            <Path
              key={number}
              d={piece.d}
              fill={piece.kind === "cloth" ? CLOTHS[index % CLOTHS.length]! : "none"}
              fillOpacity={0.55}
              stroke={SOFT}
              strokeWidth={piece.kind === "strap" ? 10 : 2.5}
            />
          ))}
        </G>
      ))}
      {candidate.pack && (
        <Path
          d={cablePath(candidate.pack.cable.points, heightM, view)}
          stroke={THREAD}
          strokeWidth={7}
          strokeDasharray="15 10"
          fill="none"
        />
      )}
      {pack && (
        <Rect
          x={pack[0] - 17}
          y={Math.min(pack[1], -460)}
          width={34}
          height={50}
          fill="#fff"
          stroke={THREAD}
          strokeWidth={5}
        />
      )}
      {view === "front" && (
        <Path d={`M${x - 14} ${y - 14}l28 28M${x + 14} ${y - 14}l-28 28`} stroke={CHALK} strokeWidth={8} />
      )}
    </Svg>
  );
}

function Steps({ steps }: { steps: readonly string[] }) {
  return steps.map((step, index) => (
    <View key={step} style={styles.step} wrap={false}>
      <Text style={styles.number}>{index + 1}</Text>
      <Text style={styles.says}>{step}</Text>
    </View>
  ));
}

function Materials({ materials }: { materials: Recipe["materials"] }) {
  return materials.map(({ supply, as }) => (
    <View key={supply} style={styles.line}>
      <Text style={styles.supply}>{upperFirst(SUPPLIES[supply].name)}</Text>
      <Text style={styles.amount}>{as}</Text>
    </View>
  ));
}

/** One wearer's card on one A4 page, as a PDF; null when there is no such wearer or no place works. */
export async function cardPdf(
  bundle: ShootBundle,
  wearerId: string | null,
  sceneId: string | null,
): Promise<Buffer | null> {
  const wearer = bundle.wearers.find(({ id }) => id === wearerId) ?? (wearerId ? null : bundle.wearers[0]);
  const rigs = wearer ? rigsOfWearer(bundle, wearer.id) : [];
  const rig = rigs.find(({ body }) => body.sceneId === sceneId) ?? rigs[0];
  if (!wearer || !rig) return null;
  const { candidate, dress } = planRig(wearer.body, rig.body, placeOfRig(bundle, rig.body)?.body ?? null, bundle.kit);
  if (!candidate) return null;
  registerFonts();
  sayIn(bundle.shoot.body);
  const scene = bundle.scenes.find(({ id }) => id === rig.body.sceneId);
  const outfit = outfitOf(wearer.body, rig.body);
  const recipe = recipeFor(candidate, dress);
  const { heightM } = wearer.body;
  return renderToBuffer(
    <Document title={`${wearer.body.name}: microphone card`}>
      <Page size="A4" style={styles.page}>
        <Text style={styles.title}>{printable(wearer.body.name)}</Text>
        <Text style={styles.soft}>
          {printable(
            scene
              ? `${bundle.shoot.body.title}, day ${scene.body.day}, ${timeWords(scene.body.startsAt)}: ${scene.body.title}`
              : bundle.shoot.body.title,
          )}
        </Text>
        <Text style={styles.lead}>
          {placeTitle(candidate, outfit)}: {candidate.mount.name}
        </Text>
        <Text>
          {upperFirst(recipe.capsule.colour)} capsule. {say({ code: "port.why", port: recipe.capsule.port })} About{" "}
          {recipe.minutes} minutes.
        </Text>
        <View style={styles.columns}>
          <View style={styles.left}>
            <View style={{ flexDirection: "row", gap: 6 }}>
              <Figure layers={outfit.layers} candidate={candidate} heightM={heightM} view="front" />
              <Figure layers={outfit.layers} candidate={candidate} heightM={heightM} view="back" />
            </View>
            <Text style={styles.heading}>Materials</Text>
            <Materials materials={recipe.materials} />
            <Text style={styles.heading}>Taking off</Text>
            <Text>{recipe.takingOff.map(say).join(" ")}</Text>
            {recipe.cautions.map(say).map((caution) => (
              <Text key={caution} style={[styles.soft, { marginTop: 4 }]}>
                {caution}
              </Text>
            ))}
          </View>
          <View style={styles.right}>
            <Text style={[styles.heading, { marginTop: 0 }]}>If you place it yourself</Text>
            <Steps steps={selfPlacementSteps(candidate).map(say)} />
            <Text style={styles.heading}>For the sound crew</Text>
            <Steps steps={recipe.steps.map(say)} />
          </View>
        </View>
      </Page>
    </Document>,
  );
}
