import { rememberReads, rigsOfWearer, type ShootBundle, type Stored } from "../records";
import type { PlaceForecast } from "../room";
import { costAt } from "../dress";
import { takeMessages } from "../proof";
import {
  isDelivered,
  airSceneOf,
  carryFromBefore,
  type CarryOver,
  connectionsOf,
  levelsOfRig,
  type LevelSubject,
  placeOfRig,
  planRig,
  type RigPlan,
  settingOf,
  storedAir,
  storedPickup,
} from "../planning";
import { linkStateOf, type LinkState } from "./linkState";
import type { RiskMessage } from "./messages";
import { STATION_IDS, type StationId } from "./stations";

/** State of a wearer at a station. */
export type Stitch = "loose" | "basted" | "sewn" | "unpicked";

/** One wearer in one scene. */
export interface BoardRow {
  wearer: Stored<"wearer">;
  scene: Stored<"scene"> | null;
  rig: Stored<"rig"> | null;
  plan: RigPlan | null;
  /** Levels along the rig's way to the file. */
  levels: LevelSubject | null;
  /** The newest measurement of the rig. */
  proof: Stored<"measurement"> | null;
  /** Against the same wearer's scene before. */
  carry: CarryOver | null;
  stitches: Record<StationId, Stitch>;
  /** A microphone that nobody wears is placed in the scene. */
  hasPickup: boolean;
  /** How their link stands; null while nothing of Link is planned. */
  link: LinkState | null;
  /** Whether a take of the scene has them on a track, and whether its file was found on a card. */
  rolled: "not" | "logged" | "found";
  /** Whether the scene's day was handed over: in part, or all that is to be; copied and compared, or with files that differ. */
  delivered: "not" | "partly" | "verified" | "faulty";
  /** What is wrong or missing, worst first. */
  risks: readonly Risk[];
}

export interface Risk {
  station: StationId;
  wearerId: string;
  sceneId: string | null;
  /** 0 nothing to lose … 3 the day fails. */
  weight: number;
  says: RiskMessage;
  /** What to do about it, when that is known. */
  doThis?: RiskMessage;
}

const newestByRig = rememberReads((bundle) => {
  const newest = new Map<string, Stored<"measurement">>();
  for (const each of bundle.measurements) {
    const known = newest.get(each.body.rigId);
    if (!known || known.changedAt < each.changedAt) newest.set(each.body.rigId, each);
  }
  return newest;
});

/** The newest of a rig's measurements. */
export const proofOf = (bundle: ShootBundle, rigId: string): Stored<"measurement"> | null =>
  newestByRig(bundle).get(rigId) ?? null;

/** A room is proved by a clap, the open by a calibrated room tone. */
function isScoutProved({ isEchoProved, isNoiseProved, volumeM3 }: PlaceForecast): boolean {
  return volumeM3 === null ? isNoiseProved : isEchoProved;
}

function stitchesOf(row: Omit<BoardRow, "stitches" | "risks">): Record<StationId, Stitch> {
  const { rig, plan, proof } = row;
  const stitches = Object.fromEntries(STATION_IDS.map((id) => [id, "loose"])) as Record<StationId, Stitch>;
  if (!rig || !plan) return stitches;
  if (plan.place) stitches.scout = isScoutProved(plan.place) ? "sewn" : "basted";
  if (row.hasPickup) stitches.pickup = "basted";
  if (row.rolled !== "not") stitches.roll = row.rolled === "found" ? "sewn" : "basted";
  if (row.rolled === "found") stitches.handover = "basted";
  if (row.delivered === "partly") stitches.handover = "basted";
  if (row.delivered === "verified") stitches.handover = "sewn";
  if (row.delivered === "faulty") stitches.handover = "unpicked";
  if (row.link) stitches.link = row.link.stitch;
  if (plan.isChosen) stitches.dress = rig.body.isRigged && rig.body.consent.answer !== "no" ? "sewn" : "basted";
  if (rig.body.choice && !plan.isChosen) stitches.dress = "unpicked";
  if (rig.body.consent.answer === "no") stitches.dress = "unpicked";
  const levels = plan.isChosen ? (row.levels?.plan ?? null) : null;
  if (levels) stitches.level = levels.isClean ? "basted" : "unpicked";
  if (proof) {
    const isGood = proof.body.grade !== "redo";
    stitches.check = isGood ? "sewn" : "unpicked";
    stitches.level = isGood ? "sewn" : "unpicked";
  }
  return stitches;
}

function risksOf(row: Omit<BoardRow, "risks">, hasPlace: boolean): Risk[] {
  const { wearer, rig, plan, proof, carry, stitches } = row;
  const risk = (station: StationId, weight: number, says: RiskMessage): Risk => ({
    station,
    weight,
    says,
    wearerId: wearer.id,
    sceneId: rig?.body.sceneId ?? null,
  });
  const risks: Risk[] = [];
  if (!rig || !plan) return [risk("dress", 1, { code: "board.notInScene" })];
  const said = proof && takeMessages(proof.body.said, true);
  if (proof?.body.grade === "redo") risks.push({ ...risk("check", 3, said!.verdict), doThis: said!.step });
  if (said?.redress) risks.push(risk("dress", 1.9, said.redress));
  if (rig.body.consent.answer === "no") risks.push(risk("dress", 3, { code: "board.saidNo" }));
  if (stitches.dress === "unpicked" && rig.body.consent.answer !== "no")
    risks.push(risk("dress", 2.5, { code: "board.placeGone" }));
  const levels = plan.isChosen ? (row.levels?.plan ?? null) : null;
  if (levels && !levels.isClean && levels.advice[0]) risks.push(risk("level", 2.4, levels.advice[0]));
  if (row.levels && settingOf(row.levels) === "stale")
    risks.push(risk("level", 1.6, { code: "board.settingsChanged" }));
  if (plan.candidate === null) risks.push(risk("dress", 2.6, { code: "board.noPlaceWorks" }));
  if (plan.isChosen && rig.body.consent.answer === "notAsked")
    risks.push(risk("dress", 1.5, { code: "board.notAsked" }));
  if (plan.isChosen && plan.candidate && costAt(plan.candidate, "weather") >= 1.5)
    risks.push(risk("dress", 2, { code: "board.wind" }));
  if (plan.isChosen && plan.candidate && costAt(plan.candidate, "rustle") >= 1.5)
    risks.push(risk("dress", 1.8, { code: "board.rustle" }));
  if (proof === null && levels && levels.snrDb < 20)
    risks.push(risk("level", 1.7, { code: "board.littleOverNoise", snrDb: levels.snrDb }));
  if (plan.isChosen && plan.candidate?.isBeyondConsent) risks.push(risk("dress", 2.2, { code: "board.beyondConsent" }));
  if (carry && !carry.carries && rig.body.isRigged)
    risks.push(risk("dress", 1.6, { code: "board.changed", changes: carry.changes }));
  if (row.delivered === "faulty") risks.push(risk("handover", 2.9, { code: "board.deliveryDiffers" }));
  for (const { weight, says } of row.link?.risks ?? []) risks.push(risk("link", weight, says));
  if (!hasPlace) risks.push(risk("scout", 1.2, { code: "board.notScouted" }));
  if (!plan.isChosen && plan.candidate && stitches.dress === "loose")
    risks.push(risk("dress", 1, { code: "board.noPlaceChosen", site: plan.candidate.site.name }));
  if (plan.isChosen && !proof) risks.push(risk("check", 0.5, { code: "board.nothingChecked" }));
  return risks.sort((a, b) => b.weight - a.weight);
}

/** Who is on the board: a wearer in one of their scenes. */
export type BoardLine = Pick<BoardRow, "wearer" | "scene" | "rig">;

/** What tells one line of the board from the others. */
export const lineId = ({ wearer, rig }: BoardLine): string => rig?.id ?? wearer.id;

const scenesById = rememberReads((bundle) => new Map(bundle.scenes.map((scene) => [scene.id, scene])));

/** Every wearer in each of their scenes, in their order. */
export function boardLines(bundle: ShootBundle): BoardLine[] {
  const scenes = scenesById(bundle);
  return bundle.wearers.flatMap((wearer): BoardLine[] => {
    const rigs = rigsOfWearer(bundle, wearer.id);
    return rigs.length > 0
      ? rigs.map((rig) => ({ wearer, rig, scene: scenes.get(rig.body.sceneId) ?? null }))
      : [{ wearer, rig: null, scene: null }];
  });
}

/** How each day was handed over; takes that were rated since then are not in it. */
const deliveredByDay = rememberReads((bundle) => {
  const wanted = new Map<number, number>();
  for (const { body } of bundle.rolls)
    if (body.type !== "noSound" && isDelivered(body)) wanted.set(body.day, (wanted.get(body.day) ?? 0) + 1);
  return new Map(
    bundle.deliveries.map(({ body: { day, faults, takes } }): [number, BoardRow["delivered"]] => [
      day,
      faults > 0 ? "faulty" : takes < (wanted.get(day) ?? 0) ? "partly" : "verified",
    ]),
  );
});

/** One line with its plan, its states and what threatens it. */
export function boardRow(bundle: ShootBundle, line: BoardLine): BoardRow {
  const { wearer, rig } = line;
  const place = rig ? placeOfRig(bundle, rig.body) : null;
  const facts = {
    ...line,
    plan: rig ? planRig(wearer.body, rig.body, place?.body ?? null, bundle.kit) : null,
    levels: rig ? levelsOfRig(bundle, rig.id) : null,
    proof: rig ? proofOf(bundle, rig.id) : null,
    carry: rig ? carryFromBefore(bundle, rig) : null,
    hasPickup: rig !== null && (storedPickup(bundle, rig.body.sceneId)?.body.setup.mics.length ?? 0) > 0,
    link: linkStatesOf(bundle).get(wearer.id) ?? null,
    rolled: (rig && rolledOf(bundle).get(`${rig.body.sceneId} ${wearer.id}`)) ?? "not",
    delivered: (line.scene && deliveredByDay(bundle).get(line.scene.body.day)) ?? "not",
  } satisfies Omit<BoardRow, "stitches" | "risks">;
  const row = { ...facts, stitches: stitchesOf(facts) };
  return { ...row, risks: risksOf(row, place !== null) };
}

/** By scene and wearer: what was rolled of them. */
const rolledOf = rememberReads((bundle): ReadonlyMap<string, "logged" | "found"> => {
  const rolled = new Map<string, "logged" | "found">();
  for (const { body } of bundle.rolls)
    for (const { wearerId } of body.tracks) {
      const key = `${body.sceneId} ${wearerId}`;
      if (body.files.length > 0 || !rolled.has(key)) rolled.set(key, body.files.length > 0 ? "found" : "logged");
    }
  return rolled;
});

/** How each wearer's link stands, once something of Link is planned. */
const linkStatesOf = rememberReads((bundle): ReadonlyMap<string, LinkState> => {
  if (!storedAir(bundle) && bundle.connections.length === 0) return new Map();
  const air = airSceneOf(bundle, undefined, false);
  const { connections } = connectionsOf(bundle);
  return new Map(
    connections.flatMap((each) => (each.link.wearerId ? [[each.link.wearerId, linkStateOf(air, each)] as const] : [])),
  );
});

/** The board: every wearer in each of their scenes, with the state at each station and what threatens the day. */
export const boardOf = (bundle: ShootBundle): BoardRow[] => boardLines(bundle).map((line) => boardRow(bundle, line));
