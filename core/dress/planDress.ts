import type { DressMessage } from "./messages";
import { addOctaves, mapOctaves, type OctaveLevels, overallDb } from "../sound";
import { CRITERIA, type Aims, type Criterion, type Weights } from "./aims";
import type { Placement } from "./anchors";
import { isChoice, type Choice } from "./choice";
import { CLOTH_LOSS_DB, FABRICS } from "./fabrics";
import { hearSite, loudestPeakDb, underCover, type SiteSound } from "./hearing";
import { holdingRules } from "./holding";
import { differentFirst, ideaOf } from "./ideas";
import { costOf, sumSteps, type Fire } from "./judgement";
import { accessoryLossesDb, necklineDropAt } from "./layering";
import { siteGain } from "./levelAtSite";
import type { Mount } from "./mounts";
import { findPlaces, intrusionOf, type MountedPlace, type Option, type Refusal } from "./options";
import type { DressInput } from "./dressInput";
import type { Intrusion } from "./outfit";
import { planPacks, type PackPlan } from "./packPlaces";
import { paretoFront } from "./pareto";
import type { RuleContext } from "./ruleContext";
import { isStruck, rustleRules } from "./rustle";
import { sceneFacts, type SceneFacts } from "./sceneFacts";
import { hasHairdresser, schoolRules } from "./schools";
import { siteColourDb, sitePoint, type Site, type SiteId } from "./sites";
import { toneRules } from "./tone";
import { unseenRules } from "./unseen";
import { weatherRules } from "./weather";
import { WIND_COVERS, windCoverFor, type WindCoverId } from "./windCover";

export interface Candidate extends Option {
  windCover: WindCoverId;
  sound: SiteSound;
  /** Cloth, mount and wind cover over the capsule, dB by octave. */
  coverDb: OctaveLevels;
  /** Site and covers together, dB by octave re the voice in front. */
  colourDb: OctaveLevels;
  /** The usual voice at the capsule in the main direction, dB SPL. */
  levelDb: number;
  /** Range of that level over the scene's head directions, dB. */
  swingDb: number;
  /** What the loudest line's peaks reach beyond the capsule's limit, dB; not above 0 is fine. */
  overloadDb: number;
  intrusion: Intrusion;
  /** Goes further than the person agreed to. */
  isBeyondConsent: boolean;
  /** Something strikes the capsule there, which no mount eases. */
  isStruck: boolean;
  /** Hair, hat or forehead, which nobody asked for: after every place on the chest. */
  isLastResort: boolean;
  pack: PackPlan | null;
  /** Cost by criterion, 0…3, in the order of {@link CRITERIA}. */
  costs: readonly number[];
  /** What the chosen schools hold against it, steps. */
  schoolSteps: number;
  /** Place in the order of evaluation: parts equals in rank, always alike. */
  order: number;
  /** Nothing else is as good in all ways and better in one. */
  isOnFront: boolean;
  /** Weighted sum of the costs: the smallest is ranked first. */
  points: number;
}

/** One place on the person, with the best way of holding the microphone there. */
export interface RankedPlace {
  site: Site;
  placement: Placement;
  best: Candidate;
  /** Every way of holding it there, best first. */
  ways: readonly Candidate[];
}

export interface RuledOut {
  site: Site;
  reason: DressMessage;
}

export interface DressPlan {
  facts: SceneFacts;
  /** Best first. */
  places: readonly RankedPlace[];
  /** Sites with no possible place, and why. */
  ruledOut: readonly RuledOut[];
  /** Every single refusal. */
  refusals: readonly Refusal[];
  /** How many candidates were looked at: refused and evaluated. */
  considered: number;
  evaluated: number;
}

/** Points for a step of a school's disagreement. */
export const SCHOOL_POINTS = 12;
/** Cost at which a microphone that must be hidden is not. */
const SEEN_FROM = 2.5;
/** How much being seen matters where it may be seen. */
const SEEN_SHARE = 0.25;
/** The same beside the face, where nobody expects a microphone. */
const SEEN_SHARE_ON_HEAD = 0.6;
/** Headroom at the capsule below which a louder line overloads it, dB. Common practice. */
const OVERLOAD_RESERVE_DB = 3;
const IN_PLAIN_SIGHT: DressMessage = { code: "no.plainSight" };

function coverOf(site: Site, placement: Placement, facts: SceneFacts): OctaveLevels {
  const { outfit } = facts.input;
  const layers = placement.covers.map((index) => CLOTH_LOSS_DB[FABRICS[outfit.layers[index]!.fabric].loss]);
  const accessories = accessoryLossesDb(
    placement.behind === null
      ? outfit
      : { ...outfit, accessories: outfit.accessories.filter((accessory) => accessory !== placement.behind) },
    site.zone,
  );
  return addOctaves(
    mapOctaves(() => 0),
    ...layers,
    ...accessories,
  );
}

/** Rules behind a judged criterion of a candidate: for its cost and, in words, for whoever asks. */
export function rulesOf(candidate: RuleContext & { colourDb: OctaveLevels }) {
  return {
    tone: (fire: Fire) => toneRules(candidate, candidate.colourDb, fire),
    rustle: (fire: Fire) => rustleRules(candidate, fire),
    unseen: (fire: Fire) => unseenRules(candidate, fire),
    weather: (fire: Fire) => weatherRules(candidate, fire),
    holding: (fire: Fire) => holdingRules(candidate, fire),
    school: (fire: Fire) => schoolRules(candidate, fire),
  };
}

/** Cost of too little voice over noise (below 30 dB) and of a blurred one (STI below 0.9). Limits: common practice. */
export function clearCost(snrDb: number, sti: number): number {
  return costOf(Math.max(0, (30 - snrDb) / 10) + Math.max(0, (0.9 - sti) * 5));
}

/** Minutes a place takes to rig, pack included. */
export function minutesOf(site: Site, mount: Mount, packMinutes: number): number {
  return site.minutes + mount.minutes + packMinutes;
}

interface PlaceSound {
  sound: SiteSound;
  packs: readonly PackPlan[];
}

/** Sounds and packs by site and neckline: what many candidates share. */
function soundsOf(facts: SceneFacts): (site: Site, dropM: number) => PlaceSound {
  const known = new Map<string, PlaceSound>();
  const { person, outfit, performance, capsule, aims } = facts.input;
  const packFacts = {
    ...{ outfit, performance, heightM: person.heightM, leadM: capsule.leadM },
    ...{ supplies: aims.supplies, agreedTo: facts.input.agreedTo, pack: facts.input.pack },
  };
  return (site, dropM) => {
    const key = site.aboveNotchM === null ? `${site.id} ${dropM}` : site.id;
    let found = known.get(key);
    if (!found) {
      found = {
        sound: hearSite({ site, necklineDropM: dropM, isInHood: facts.isInHood }, facts),
        packs: planPacks(site, sitePoint(site, person.heightM, dropM), packFacts, facts.input.packPlace),
      };
      known.set(key, found);
    }
    return found;
  };
}

function evaluatePlace(place: MountedPlace, facts: SceneFacts, at: PlaceSound): Candidate[] {
  const { site, placement } = place;
  const { input } = facts;
  const windCover = windCoverFor(placement, facts);
  const clothDb = addOctaves(coverOf(site, placement, facts), WIND_COVERS[windCover].lossDb);
  const siteDb = siteColourDb(site, necklineDropAt(input.outfit, placement.layer));
  const intrusion = intrusionOf(site, placement);
  const pack = at.packs[0] ?? null;
  const packBother = pack === null || !pack.isInReach ? 1.5 : pack.needsExtension ? 0.4 : 0;
  const clear = clearCost(at.sound.snrDb, at.sound.sti);
  const isBeyondConsent = intrusion > input.agreedTo;
  const struck = isStruck({ facts, site, placement });
  const isLastResort =
    site.zone === "head" &&
    !facts.isInHood &&
    placement.behind !== "openHelmet" &&
    (input.performance.water === "dry" || input.performance.water === "near") &&
    !hasHairdresser(input.aims);
  const seenShare = input.performance.mayBeSeen ? (site.zone === "head" ? SEEN_SHARE_ON_HEAD : SEEN_SHARE) : 1;
  return place.mounts.flatMap((mount) => {
    const coverDb = addOctaves(clothDb, mount.lossDb);
    const colourDb = addOctaves(siteDb, coverDb);
    const { levelDb, swingDb } = underCover(at.sound, coverDb);
    const overloadDb = loudestPeakDb(at.sound, coverDb, facts) - input.capsule.maxSplDb;
    const base = { site, placement, mount, windCover, sound: at.sound, facts };
    const first: RuleContext = { ...base, port: "down" };
    const tone = costOf(sumSteps((fire) => toneRules(first, colourDb, fire)));
    const rustle = costOf(sumSteps((fire) => rustleRules(first, fire)));
    const unseen = costOf(sumSteps((fire) => unseenRules(first, fire))) * seenShare;
    const holding = costOf(
      sumSteps((fire) => holdingRules(first, fire)) + Math.max(0, (overloadDb + OVERLOAD_RESERVE_DB) / 6),
    );
    const ease = costOf(minutesOf(site, mount, 0) / 4 + intrusion * 0.5 + packBother);
    return place.ports.map((port): Candidate => {
      const context: RuleContext = { ...base, port };
      const weather = costOf(sumSteps((fire) => weatherRules(context, fire)));
      const schoolSteps = sumSteps((fire) => schoolRules(context, fire));
      const costs = [tone, costOf(swingDb / 2), clear, rustle, unseen, weather, holding, ease];
      let points = schoolSteps * SCHOOL_POINTS;
      costs.forEach((cost, index) => {
        points += cost * input.aims.weights[CRITERIA[index]!];
      });
      return {
        site,
        placement,
        mount,
        port,
        windCover,
        sound: at.sound,
        coverDb,
        colourDb,
        levelDb,
        swingDb,
        overloadDb,
        intrusion,
        isBeyondConsent,
        isStruck: struck,
        isLastResort,
        pack,
        costs,
        schoolSteps,
        order: 0,
        isOnFront: false,
        points,
      };
    });
  });
}

/**
 * What was agreed to goes first, then the chest before hair and hats, then what nothing strikes, then what nothing beats, then
 * fewest points. Common practice.
 */
export function byRank(one: Candidate, other: Candidate): number {
  return (
    Number(one.isBeyondConsent) - Number(other.isBeyondConsent) ||
    Number(one.isLastResort) - Number(other.isLastResort) ||
    Number(one.isStruck) - Number(other.isStruck) ||
    Number(other.isOnFront) - Number(one.isOnFront) ||
    one.points - other.points ||
    one.order - other.order
  );
}

/** Places by rank, answers of different kinds ahead; never one that was not agreed to, a last resort, or one that is struck. */
function inOrder<Place extends Pick<RankedPlace, "site" | "placement" | "best">>(ranked: readonly Place[]): Place[] {
  return differentFirst(
    ranked,
    ({ site, placement }) => ideaOf(site, placement),
    ({ best }) => !best.isBeyondConsent && !best.isLastResort && !best.isStruck,
  );
}

/** Says why nothing at a site is possible: its own reason, or the first refusal of a mount or of being seen. */
function ruledOutSites(refusals: readonly Refusal[], possible: ReadonlySet<SiteId>): RuledOut[] {
  const bySite = new Map<SiteId, Refusal>();
  for (const refusal of refusals) {
    if (possible.has(refusal.site.id)) continue;
    const known = bySite.get(refusal.site.id);
    if (!known || (known.placement === null && refusal.placement !== null)) bySite.set(refusal.site.id, refusal);
  }
  return [...bySite.values()].map(({ site, reason }) => ({ site, reason }));
}

/**
 * Every way of placing a microphone on this person in this outfit and scene: ranked, or refused with its reason.
 *
 * Physics (level by octave, swing, colour, voice over noise, clarity, cable) is computed; rustle, being seen, weather,
 * tone and holding are judged on steps of 0…3 by rules of common practice, which {@link rulesOf} names on request.
 */
export function planDress(input: DressInput): DressPlan {
  const facts = sceneFacts(input);
  const search = findPlaces(input);
  const soundAt = soundsOf(facts);
  const refusals = [...search.refusals];
  const isHidden = !input.performance.mayBeSeen;
  const unseenAt = CRITERIA.indexOf("unseen");
  const groups: { place: MountedPlace; candidates: Candidate[] }[] = [];
  let evaluated = 0;
  for (const place of search.places) {
    const all = evaluatePlace(place, facts, soundAt(place.site, necklineDropAt(input.outfit, place.placement.layer)));
    evaluated += all.length;
    const candidates = isHidden ? all.filter((each) => each.costs[unseenAt]! < SEEN_FROM) : all;
    if (candidates.length > 0) groups.push({ place, candidates });
    if (candidates.length < all.length)
      refusals.push({ site: place.site, placement: place.placement, mount: null, reason: IN_PLAIN_SIGHT });
  }
  const everyone = groups.flatMap((group) => group.candidates);
  const isOnFront = paretoFront(everyone.map((candidate) => candidate.costs));
  everyone.forEach((candidate, index) => {
    candidate.isOnFront = isOnFront[index]!;
    candidate.order = index;
  });
  const places = groups
    .map(({ place, candidates }): RankedPlace => {
      const ways = [...candidates].sort(byRank);
      return { site: place.site, placement: place.placement, best: ways[0]!, ways };
    })
    .sort((one, other) => byRank(one.best, other.best));
  return {
    facts,
    places: inOrder(places),
    ruledOut: ruledOutSites(refusals, new Set(places.map((place) => place.site.id))),
    refusals,
    considered: evaluated + search.refusals.length,
    evaluated,
  };
}

/** What is advised: the best candidate that was agreed to; null where there is none. */
export function suggestionOf({ places }: DressPlan): Candidate | null {
  const best = places[0]?.best ?? null;
  return best?.isBeyondConsent ? null : best;
}

/** The chosen candidate, if outfit, bag and scene still allow it. */
export function candidateOf(plan: DressPlan, choice: Choice): Candidate | null {
  for (const place of plan.places) {
    if (place.site.id !== choice.site) continue;
    const found = place.ways.find((candidate) => isChoice(candidate, choice));
    if (found) return found;
  }
  return null;
}

/** The best candidate at a site, if there is one. */
export function bestAt(plan: DressPlan, siteId: SiteId): Candidate | null {
  return plan.places.find((place) => place.site.id === siteId)?.best ?? null;
}

/** A candidate's cost by one criterion, 0…3. */
export function costAt(candidate: Candidate, criterion: Criterion): number {
  return candidate.costs[CRITERIA.indexOf(criterion)]!;
}

function pointsUnder({ costs, schoolSteps }: Candidate, weights: Weights): number {
  return costs.reduce((sum, cost, index) => sum + cost * weights[CRITERIA[index]!], schoolSteps * SCHOOL_POINTS);
}

/** The same plan under other weights: what is worked out stays, points and order follow. */
export function reweigh(plan: DressPlan, aims: Aims): DressPlan {
  const places = plan.places
    .map(({ site, placement, ways }): RankedPlace => {
      const weighed = ways.map((way) => ({ ...way, points: pointsUnder(way, aims.weights) })).sort(byRank);
      return { site, placement, best: weighed[0]!, ways: weighed };
    })
    .sort((one, other) => byRank(one.best, other.best));
  return { ...plan, facts: { ...plan.facts, input: { ...plan.facts.input, aims } }, places: inOrder(places) };
}

/** Order of the places under other weights, as ranks from 1: what a move of the weights has changed. */
export function ranksUnder(plan: DressPlan, weights: Weights): Map<RankedPlace, number> {
  const keyed = plan.places.map((place) => ({
    place,
    best: { ...place.best, points: pointsUnder(place.best, weights) },
  }));
  keyed.sort((one, other) => byRank(one.best, other.best));
  const places = keyed.map(({ place, best }) => ({ ...place, best, place }));
  return new Map(inOrder(places).map(({ place }, index) => [place, index + 1]));
}

/** Level of the usual voice at a candidate with the head at any turn (±75°): by octave and overall, dB SPL. */
export function levelAtTurn(candidate: Candidate, facts: SceneFacts, turnDeg: number) {
  const gain = siteGain(candidate.sound.hearing, facts.input.person.heightM, turnDeg, candidate.coverDb);
  const octavesDb = addOctaves(facts.voiceDb, gain.gainDb);
  return { distanceM: gain.distanceM, offAxisDeg: gain.offAxisDeg, octavesDb, levelDb: overallDb(octavesDb) };
}
