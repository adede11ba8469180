import { planCable, type CablePlan } from "../body/cableRoute";
import { addOctaves, mapOctaves, type OctaveLevels } from "../sound/octaves";
import { directionsBetween, headDirections } from "./headDirections";
import { coverLosses, findHost, type Placement } from "./hosts";
import { STEP_NAMES, type Judgement } from "./judgement";
import { levelAtSiteDb, siteGain, type SiteGain } from "./levelAtSite";
import type { DressInput, Facing } from "./outfit";
import { judgeRustle } from "./rustle";
import { SITES, SITE_IDS, siteColourDb, sitePoint, type Site, type SiteId } from "./sites";
import { judgeVisibility } from "./visibility";
import { judgeWind } from "./wind";

/** One reason in a candidate's ranking: points against it and why. */
export interface RankReason {
  points: number;
  says: string;
}

export interface Candidate {
  site: Site;
  placement: Placement;
  /** With the head in the scene's main direction. */
  main: SiteGain;
  /** Cloth over the capsule, dB by octave. */
  coverDb: OctaveLevels;
  /** Site and cloth together, dB by octave re the voice in front. */
  colourDb: OctaveLevels;
  /** A normal voice at the capsule in the main direction, dB SPL. */
  levelDb: number;
  /** Range of that level over the scene's head directions, dB. */
  swingDb: number;
  rustle: Judgement;
  visibility: Judgement;
  wind: Judgement;
  cable: CablePlan;
  reasons: readonly RankReason[];
  /** Sum of the points against it: the smallest is ranked first. */
  points: number;
}

export interface RuledOut {
  site: Site;
  reason: string;
}

export interface DressPlan {
  /** Best first. */
  candidates: readonly Candidate[];
  ruledOut: readonly RuledOut[];
}

/** Points by judgement step, weights of the ranking. Common practice put into figures; the order is what matters. */
const RUSTLE_POINTS = [0, 3, 9, 18] as const;
const WIND_POINTS = [0, 3, 8, 14] as const;
const HIDDEN_POINTS = [0, 3, 10, 40] as const;
const SEEN_POINTS = [0, 0.5, 1, 2] as const;
const EFFORT_POINTS = [0, 1, 3, 9] as const;
const INTRUSION_POINTS = 4;
const POINTS_PER_SWING_DB = 2;
const POINTS_PER_DULL_DB = 0.9;
const POINTS_PER_LEVEL_DB = 0.35;
/** Level from which being closer is no more use, dB SPL of a normal voice. */
const CLOSE_LEVEL_DB = 78;
const SHORT_LEAD_POINTS = 15;

/** Level of a normal voice at a site with the head at any turn, dB SPL: what the head-turn slider shows. */
export function levelAtTurnDb(candidate: Candidate, heightM: number, turnDeg: number): number {
  return levelAtSiteDb(siteGain(candidate.site, heightM, turnDeg, candidate.coverDb).gainDb, "normal");
}

/** Range of the level over a scene's head directions, dB. */
export function swingDb(site: Site, heightM: number, coverDb: OctaveLevels, faces: Facing): number {
  const { fromDeg, toDeg } = headDirections(faces);
  const levels = directionsBetween(fromDeg, toDeg).map((turnDeg) =>
    levelAtSiteDb(siteGain(site, heightM, turnDeg, coverDb).gainDb, "normal"),
  );
  return Math.max(...levels) - Math.min(...levels);
}

/** Highs that carry the consonants, dB lost re the voice in front: mean of 2, 4 and 8 kHz. */
function dullnessDb(colourDb: OctaveLevels): number {
  return Math.max(0, -(colourDb[4] + colourDb[5] + colourDb[6]) / 3);
}

function rankReasons(candidate: Omit<Candidate, "reasons" | "points">, input: DressInput): RankReason[] {
  const { site, swingDb: swing, colourDb, levelDb, rustle, visibility, wind, cable } = candidate;
  const dull = dullnessDb(colourDb);
  const seen = input.performance.mayBeSeen ? SEEN_POINTS : HIDDEN_POINTS;
  const reasons: RankReason[] = [
    { points: swing * POINTS_PER_SWING_DB, says: `Level swings ${swing.toFixed(1)} dB as the head turns.` },
    { points: dull * POINTS_PER_DULL_DB, says: `Consonants lose ${dull.toFixed(1)} dB to place and cloth.` },
    {
      points: Math.max(0, CLOSE_LEVEL_DB - levelDb) * POINTS_PER_LEVEL_DB,
      says: `A normal voice arrives at ${levelDb.toFixed(0)} dB.`,
    },
    { points: RUSTLE_POINTS[rustle.step], says: `Rustle: ${STEP_NAMES.rustle[rustle.step]}.` },
    { points: seen[visibility.step], says: `To the camera: ${STEP_NAMES.visibility[visibility.step]}.` },
    { points: WIND_POINTS[wind.step], says: `Wind: ${STEP_NAMES.wind[wind.step]}.` },
    { points: EFFORT_POINTS[site.effort], says: `To rig: ${STEP_NAMES.effort[site.effort]}.` },
  ];
  if (site.isIntrusive)
    reasons.push({ points: INTRUSION_POINTS, says: "Goes near the person: they may prefer another place." });
  if (cable.spareM < 0)
    reasons.push({
      points: SHORT_LEAD_POINTS,
      says: `The lead is ${Math.ceil(-cable.spareM * 100)} cm short: needs an extension.`,
    });
  return reasons.sort((a, b) => b.points - a.points);
}

function evaluate(site: Site, placement: Placement, input: DressInput, leadM: number): Candidate {
  const { heightM, outfit, performance, windMps } = input;
  const coverDb = addOctaves(
    mapOctaves(() => 0),
    ...coverLosses(outfit, placement, site),
  );
  const main = siteGain(site, heightM, headDirections(performance.faces).mainDeg, coverDb);
  const context = { site, placement, outfit, performance, windMps };
  const evaluated = {
    site,
    placement,
    main,
    coverDb,
    colourDb: addOctaves(siteColourDb(site), coverDb),
    levelDb: levelAtSiteDb(main.gainDb, "normal"),
    swingDb: swingDb(site, heightM, coverDb, performance.faces),
    rustle: judgeRustle(context),
    visibility: judgeVisibility(context),
    wind: judgeWind(context),
    cable: planCable(sitePoint(site, heightM), site.route, heightM, leadM),
  };
  const reasons = rankReasons(evaluated, input);
  return { ...evaluated, reasons, points: reasons.reduce((sum, reason) => sum + reason.points, 0) };
}

function hiddenRefusal(candidate: Candidate, input: DressInput): string | null {
  if (input.performance.mayBeSeen || candidate.visibility.step < 3) return null;
  return "In plain sight, and this shot must not show it.";
}

/**
 * Every place of the trade on this person in this outfit: ranked, or ruled out with its reason.
 *
 * Lead length 0.3…5 m. Physics (level, swing, colour, cable) is computed; rustle, visibility and wind are judged on four
 * steps by rules of common practice, which are listed with each candidate.
 */
export function planDress(input: DressInput, leadM: number): DressPlan {
  const candidates: Candidate[] = [];
  const ruledOut: RuledOut[] = [];
  for (const id of SITE_IDS) {
    const site = SITES[id];
    const host = findHost(site, input.outfit);
    if (!host.possible) {
      ruledOut.push({ site, reason: host.reason });
      continue;
    }
    const candidate = evaluate(site, host.placement, input, leadM);
    const refusal = hiddenRefusal(candidate, input);
    if (refusal) ruledOut.push({ site, reason: refusal });
    else candidates.push(candidate);
  }
  candidates.sort((a, b) => a.points - b.points || SITE_IDS.indexOf(a.site.id) - SITE_IDS.indexOf(b.site.id));
  return { candidates, ruledOut };
}

/** The candidate at a site, if the outfit allows it. */
export function candidateAt(plan: DressPlan, siteId: SiteId): Candidate | null {
  return plan.candidates.find((candidate) => candidate.site.id === siteId) ?? null;
}
