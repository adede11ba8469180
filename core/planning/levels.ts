import { type LevelPlan, planLevels, stagesOfWay, type Targets, whole } from "../chain";
import { type Input, INPUTS, levelsOfInput, PARTS, type RecorderInput, type Source } from "../devices";
import { type ConnectMessage, findPath, type FoundPath } from "../connect";
import { MICROPHONES } from "../pickup";
import { type LevelLine, rememberReads, type ShootBundle, type Stored } from "../records";
import { BY_LEAD } from "../wireless";
import { airBodyOf } from "./airScene";
import { choicesOf, connectionsOf, levelInputOf, type Connection } from "./connections";
import { settingsCards, type SettingsCard } from "./levelCards";
import { levelsBodyOf, lineOf, targetsFor } from "./levelLines";
import { micLevels, planWay, wayLevels, type WayLevels } from "./linkLevels";
import type { PlanMessage } from "./messages";
import { placedSounds } from "./placedLevels";
import { placeOfRig, planRig } from "./planRig";

/** One voice, instrument or feed on its way to a file. */
export interface LevelSubject {
  /** The rig; the link that nobody wears; or the scene and its microphone. */
  id: string;
  kind: "worn" | "placed" | "feed";
  name: string;
  sceneId: string | null;
  wearerId: string | null;
  rig: Stored<"rig"> | null;
  connection: Connection | null;
  source: Source | null;
  input: Input | null;
  path: FoundPath | null;
  levels: WayLevels | null;
  targets: Targets;
  line: LevelLine;
  /** Why there is nothing to set; null where there is. */
  refusal: PlanMessage | null;
  /** What Link says is wrong with the way itself. */
  warning: PlanMessage | ConnectMessage | null;
  readonly plan: LevelPlan | null;
  readonly cards: readonly SettingsCard[];
}

type Outline = Omit<LevelSubject, "plan" | "cards">;

/** Positions that are held, by stage id; what a device has no step for is left out. */
function heldOf({ levels, line }: Outline): ReadonlyMap<string, number> {
  return new Map(
    line.held.flatMap(({ stage, valueDb }): [string, number][] => {
      const at = levels?.chain
        .find(({ id }) => id === stage)
        ?.positions.findIndex(({ addsDb }) => Math.abs(addsDb - valueDb) < 0.01);
      return at === undefined || at < 0 ? [] : [[stage, at]];
    }),
  );
}

/** Settings and cards are worked out when somebody asks for them. */
function subjectOf(bundle: ShootBundle, outline: Outline): LevelSubject {
  let plan: LevelPlan | null = null;
  let cards: readonly SettingsCard[] | null = null;
  const { levels, targets, source, path, input, connection, line } = outline;
  const link = connection?.link ?? null;
  const isRadio = (levels?.way.radio ?? null) !== null;
  const system = isRadio && link ? (airBodyOf(bundle).systems.find(({ id }) => id === link.systemId) ?? null) : null;
  return {
    ...outline,
    get plan() {
      plan ??= levels && planWay(levels, targets, heldOf(outline));
      return plan;
    },
    get cards() {
      const now = this.plan;
      cards ??=
        now && input ? settingsCards(now, { source, path, input, link, system, shoot: bundle.shoot.body }, line) : [];
      return cards;
    },
  };
}

/** A lead that takes this much away is there for its loss, dB. */
const PAD_DB = 10;

/** A way that works only with a pad that nobody has: what it would be without. */
function withoutPads({ way, sound }: WayLevels, targets: Targets): PlanMessage | null {
  const pads = way.parts.filter(({ lossDb, isOwned }) => lossDb >= PAD_DB && !isOwned);
  if (pads.length === 0) return null;
  const bare = { ...way, parts: way.parts.filter((part) => !pads.includes(part)) };
  const plan = planLevels(stagesOfWay(bare), sound, targets);
  const over = plan.stages.find(({ id, headroomDb }) => id !== "file" && headroomDb !== null && headroomDb < 0);
  if (!over) return null;
  const names = pads.map(({ name }) => name);
  return { code: "levels.needsPads", pads: names, overDb: whole(-over.headroomDb!), device: over.device };
}

/** What is wrong with a way itself: what Link says of it, or what it needs that nobody has. */
function warningOf(path: FoundPath | null, levels: WayLevels | null, targets: Targets): LevelSubject["warning"] {
  const isWrong = path?.verdict === "silentlyWrong" || path?.verdict === "damage";
  if (isWrong) return path.because[0] ?? null;
  return levels && withoutPads(levels, targets);
}

function refusalOf({ input, ways, inputId }: Connection, hasSound: boolean): PlanMessage | null {
  if (!hasSound) return { code: "levels.noPlace" };
  if (!input) return { code: inputId === "ears" ? "levels.heardOnly" : "levels.recordedBeside" };
  const [way] = ways;
  if (!way || way.path) return null;
  return { code: "levels.notConnected", source: way.source.name, input: input.name, seeLink: true };
}

function wornOutlines(bundle: ShootBundle, connections: readonly Connection[]): Outline[] {
  const body = levelsBodyOf(bundle);
  return bundle.rigs.flatMap((rig): Outline[] => {
    const wearer = bundle.wearers.find(({ id }) => id === rig.body.wearerId);
    const connection = connections.find(({ link }) => link.wearerId === rig.body.wearerId) ?? null;
    if (!wearer || !connection) return [];
    const { devices, sound } = planRig(wearer.body, rig.body, placeOfRig(bundle, rig.body)?.body ?? null, bundle.kit);
    const [way] = connection.ways;
    const { input, link } = connection;
    const path = way?.path ?? null;
    const isRadio = link.systemId !== BY_LEAD && way?.source.kind === "receiver";
    const levels =
      way && path && input && sound ? wayLevels(way.source, path.parts, input, isRadio, { devices, sound }) : null;
    const targets = targetsFor(body, rig.body, sound);
    return [
      {
        id: rig.id,
        kind: "worn",
        name: wearer.body.name,
        sceneId: rig.body.sceneId,
        wearerId: wearer.id,
        rig,
        connection,
        source: way?.source ?? null,
        input,
        path,
        levels,
        targets,
        line: lineOf(body, rig.id),
        refusal: refusalOf(connection, sound !== null),
        warning: warningOf(path, levels, targets),
      },
    ];
  });
}

function feedOutlines(bundle: ShootBundle, connections: readonly Connection[]): Outline[] {
  const body = levelsBodyOf(bundle);
  return connections
    .filter(({ link, input }) => link.wearerId === null && input !== null)
    .map((connection): Outline => {
      const { link, input, levels, ways } = connection;
      const line = lineOf(body, link.id);
      const path = ways[0]?.path ?? null;
      const targets = targetsFor(body, line.targets, levels?.sound ?? null);
      return {
        id: link.id,
        kind: "feed",
        name: link.name,
        sceneId: link.sceneIds[0] ?? null,
        wearerId: null,
        rig: null,
        connection,
        source: ways[0]?.source ?? null,
        input,
        path,
        levels,
        targets,
        line,
        refusal: refusalOf(connection, true),
        warning: warningOf(path, levels, targets),
      };
    });
}

/** Figures of the kit's recorder for an input, where it has one. */
function figuresFor(kit: ShootBundle["kit"], inputId: string): RecorderInput | null {
  const id = levelInputOf(kit, inputId);
  const item = kit.find((each) => each.id === id);
  return item ? (item.body.figures as RecorderInput) : null;
}

function placedOutlines(bundle: ShootBundle): Outline[] {
  const body = levelsBodyOf(bundle);
  const { inputs } = choicesOf(bundle);
  return bundle.pickups.flatMap(({ body: pickup }) =>
    placedSounds(bundle, pickup).map((placed): Outline => {
      const { source, sound, microphone, talker } = placed;
      const id = `${pickup.sceneId}|${placed.micId}`;
      const line = lineOf(body, id);
      const usual = INPUTS[placed.usualInputId as keyof typeof INPUTS];
      const input: Input = source ? (inputs.find((each) => each.id === line.inputId) ?? usual) : usual;
      const path = source && findPath(source, input, PARTS);
      const levels = levelsOfInput(input, figuresFor(bundle.kit, input.id));
      const mic = { ...micLevels(microphone), ...(line.mic && { ...line.mic, isTypical: false }) };
      const shown: Input = source ? input : { ...input, name: mic.name };
      const way = { mic, radio: null, source, parts: path?.parts ?? [], input: shown, levels };
      const targets = targetsFor(body, line.targets, sound);
      const isConnected = source === null || path !== null;
      return {
        id,
        kind: "placed",
        name: `${mic.name.charAt(0).toUpperCase()}${mic.name.slice(1)}, ${talker.name}`,
        sceneId: pickup.sceneId,
        wearerId: null,
        rig: null,
        connection: null,
        source,
        input: shown,
        path,
        levels: isConnected ? { way, chain: stagesOfWay(way), sound, isUsualVoice: false } : null,
        targets,
        line,
        refusal: isConnected
          ? null
          : {
              ...{ code: "levels.notConnected", source: MICROPHONES[microphone].name, input: input.name },
              seeLink: false,
            },
        warning: warningOf(path, null, targets),
      };
    }),
  );
}

/** Every way of the shoot from a voice, an instrument or a feed to its file. A shoot is never changed in place. */
export const levelsOf: (bundle: ShootBundle) => readonly LevelSubject[] = rememberReads((bundle) => {
  const { connections } = connectionsOf(bundle);
  return [...wornOutlines(bundle, connections), ...placedOutlines(bundle), ...feedOutlines(bundle, connections)].map(
    (outline) => subjectOf(bundle, outline),
  );
});

const levelsById = rememberReads((bundle) => new Map(levelsOf(bundle).map((subject) => [subject.id, subject])));

/** The way of one rig. */
export const levelsOfRig = (bundle: ShootBundle, rigId: string): LevelSubject | null =>
  levelsById(bundle).get(rigId) ?? null;

/** How far setting a way is: none of its cards, some, all; or something has changed since. */
export function settingOf({ cards }: LevelSubject): "open" | "some" | "set" | "stale" {
  if (cards.some(({ state }) => state === "stale")) return "stale";
  const set = cards.filter(({ state }) => state === "set").length;
  return set === 0 ? "open" : set < cards.length ? "some" : "set";
}
