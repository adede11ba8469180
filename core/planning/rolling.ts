import { bytesPerS, type SoundFormat } from "../media";
import {
  isCounted,
  joinsPicture,
  type NameFacts,
  FIRST_SCHEME,
  nameBy,
  nextTake,
  type Numbered,
  owedOf,
  type OwedTake,
  type RollMessage,
  schemeFault,
  type TakeType,
} from "../roll";
import {
  type RollBody,
  type RollSetupBody,
  type RollTrack,
  rememberReads,
  scenesInOrder,
  type ShootBundle,
  type Stored,
} from "../records";
import { dayMediaOf, provisionBodyOf } from "./dayMedia";
import { levelsOf } from "./levels";
import { noisyTimes } from "./quietDay";

/** How takes are named and marked while nobody has said. */
export const rollSetupOf = (bundle: ShootBundle): RollSetupBody =>
  bundle.rollSetups[0]?.body ?? { shootId: bundle.shoot.id, scheme: FIRST_SCHEME, counter: 1, ownKinds: [] };

/** Takes as numbers need them. */
export const numbered = (rolls: ShootBundle["rolls"]): Numbered[] =>
  rolls.map(({ id, body: { sceneId, slate, take, type, startedAt } }) => ({
    id,
    sceneId,
    slate,
    take,
    type,
    startedAt,
  }));

/** Seconds after midnight by the clock on the wall, of an instant where that was so many minutes ahead of UTC. */
export function wallSeconds(instant: string, zoneMin: number): number {
  const seconds = Date.parse(instant) / 1000 + zoneMin * 60;
  return ((seconds % 86_400) + 86_400) % 86_400;
}

/** The date on the wall at an instant, "YYYY-MM-DD". */
export const wallDate = (instant: string, zoneMin: number): string =>
  new Date(Date.parse(instant) + zoneMin * 60_000).toISOString().slice(0, 10);

/** Takes in the order they were started. */
export const rollsInOrder = rememberReads((bundle): readonly Stored<"roll">[] =>
  bundle.rolls.toSorted((one, other) =>
    one.body.startedAt === other.body.startedAt
      ? one.id < other.id
        ? -1
        : 1
      : one.body.startedAt < other.body.startedAt
        ? -1
        : 1,
  ),
);

/** Marks of each take, in their order. */
export const marksByRoll = rememberReads((bundle): ReadonlyMap<string, readonly Stored<"mark">[]> => {
  const byRoll = new Map<string, Stored<"mark">[]>();
  for (const mark of bundle.marks) {
    const known = byRoll.get(mark.body.rollId);
    if (known) known.push(mark);
    else byRoll.set(mark.body.rollId, [mark]);
  }
  for (const marks of byRoll.values()) marks.sort((one, other) => one.body.atS - other.body.atS);
  return byRoll;
});

/** Tracks that a scene is planned to be recorded on: talent, placed microphones, feeds. */
export function tracksOf(bundle: ShootBundle, sceneId: string | null): RollTrack[] {
  if (sceneId === null) return [];
  return levelsOf(bundle)
    .filter((subject) => subject.sceneId === sceneId && subject.input !== null)
    .map(({ id, name, wearerId }) => ({ id: id.slice(-60), name: name.slice(0, 120), wearerId }));
}

/** What is rolled next. */
export interface RollWish {
  sceneId: string | null;
  day: number;
  slate: string;
  type: TakeType;
  startedAt: string;
  zoneMin: number;
  device: string;
}

/** The slate that a scene is at: of its last take, or the number of the scene. */
export function slateOf(bundle: ShootBundle, sceneId: string | null): string {
  const last = rollsInOrder(bundle).findLast(({ body }) => body.sceneId === sceneId && isCounted(body.type));
  if (last) return last.body.slate;
  const at = scenesInOrder(bundle.scenes).findIndex(({ id }) => id === sceneId);
  return at < 0 ? "" : String(at + 1);
}

/** What a take's name is made of. */
export function nameFacts(
  bundle: ShootBundle,
  roll: Omit<RollWish, "device"> & { take: number },
  counter: number,
): NameFacts {
  const scene = bundle.scenes.find(({ id }) => id === roll.sceneId);
  return {
    shoot: bundle.shoot.body.title,
    day: roll.day,
    date: wallDate(roll.startedAt, roll.zoneMin),
    scene: scene?.body.title ?? "",
    slate: roll.slate,
    take: roll.take,
    counter,
    track: null,
  };
}

/** A take that is started now: its number, its name by the scheme, its tracks by the plan. */
export function newRoll(bundle: ShootBundle, wish: RollWish): RollBody {
  const setup = rollSetupOf(bundle);
  const take = nextTake(numbered(bundle.rolls), wish);
  return {
    shootId: bundle.shoot.id,
    ...wish,
    take,
    rating: "none",
    lengthS: null,
    fileName: schemeFault(setup.scheme)
      ? ""
      : nameBy(setup.scheme, nameFacts(bundle, { ...wish, take }, setup.counter)),
    tracks: wish.type === "noSound" ? [] : tracksOf(bundle, wish.sceneId),
    note: "",
    counter: null,
    files: [],
  };
}

/** Format of one track as it is recorded. */
const trackFormat = (bundle: ShootBundle, channels: number): SoundFormat => ({
  sampleRateHz: bundle.shoot.body.sampleRateHz,
  bits: bundle.shoot.body.bitsPerSample,
  channels: Math.max(1, channels),
  kbps: null,
});

/** Bytes that takes have put on cards. */
export const bytesOf = (bundle: ShootBundle, rolls: readonly Stored<"roll">[]): number =>
  rolls.reduce(
    (sum, { body }) =>
      body.type === "noSound" ? sum : sum + (body.lengthS ?? 0) * bytesPerS(trackFormat(bundle, body.tracks.length)),
    0,
  );

/** What file systems keep of a card. Common practice. */
const CARD_SHARE = 0.98;

/** Minutes that still go onto the day's cards with so many tracks, after what was rolled. */
export function cardLeftMin(bundle: ShootBundle, day: number, tracks: number): number {
  const bytes = provisionBodyOf(bundle).cardsGb.reduce((sum, gigabytes) => sum + gigabytes * 1e9 * CARD_SHARE, 0);
  const used = bytesOf(
    bundle,
    bundle.rolls.filter(({ body }) => body.day === day),
  );
  return Math.max(0, (bytes - used) / bytesPerS(trackFormat(bundle, tracks)) / 60);
}

/** Noise is told so long before it comes, min. */
const SOON_MIN = 120;
/** Cards and batteries are told where less is left, min. */
const LITTLE_MIN = 180;

/** Quiet, card and batteries that are left now, minutes after midnight: what runs out first comes first. */
export function leftOf(bundle: ShootBundle, sceneId: string | null, day: number, nowMin: number): RollMessage[] {
  const scene = bundle.scenes.find(({ id }) => id === sceneId);
  const place = bundle.places.find(({ id }) => id === scene?.body.placeId);
  const left: { minutes: number; says: RollMessage }[] = [];
  const noisy = place ? noisyTimes(place.body.model) : [];
  const during = noisy.find(({ fromMin, toMin }) => nowMin >= fromMin && nowMin < toMin);
  const next = noisy.find(({ fromMin }) => fromMin > nowMin);
  if (during)
    left.push({ minutes: 0, says: { code: "left.noiseNow", minutes: during.toMin - nowMin, noise: during.says } });
  else if (next && next.fromMin - nowMin <= SOON_MIN)
    left.push({
      minutes: next.fromMin - nowMin,
      says: { code: "left.noiseIn", minutes: next.fromMin - nowMin, noise: next.says },
    });
  const card = cardLeftMin(bundle, day, tracksOf(bundle, sceneId).length);
  if (card < LITTLE_MIN)
    left.push({ minutes: card, says: card < 1 ? { code: "left.cardFull" } : { code: "left.card", minutes: card } });
  const swap = swapsOf(bundle)(day).find((atMin) => atMin > nowMin);
  if (swap !== undefined && swap - nowMin <= LITTLE_MIN)
    left.push({ minutes: swap - nowMin, says: { code: "left.battery", minutes: swap - nowMin } });
  return left.toSorted((one, other) => one.minutes - other.minutes).map(({ says }) => says);
}

/** When batteries are changed on a day, minutes after midnight. */
const swapsOf = rememberReads((bundle) => {
  const known = new Map<number, readonly number[]>();
  return (day: number): readonly number[] => {
    if (!known.has(day))
      known.set(
        day,
        dayMediaOf(bundle, day)
          .power.flatMap(({ swaps }) => swaps.map(({ atMin }) => atMin))
          .toSorted((one, other) => one - other),
      );
    return known.get(day)!;
  };
});

/** What is owed of a scene before it is left. */
export function owedOfScene(bundle: ShootBundle, sceneId: string): RollMessage[] {
  const scene = bundle.scenes.find(({ id }) => id === sceneId);
  if (!scene) return [];
  const place = bundle.places.find(({ id }) => id === scene.body.placeId) ?? null;
  const sceneIds = new Set(
    bundle.scenes.filter(({ body }) => body.placeId !== null && body.placeId === place?.id).map(({ id }) => id),
  );
  const marks = marksByRoll(bundle);
  const takes = rollsInOrder(bundle)
    .filter(({ body }) => body.sceneId === sceneId && body.lengthS !== null)
    .map(({ id, body }): OwedTake => ({
      ...{ id, slate: body.slate, take: body.take, type: body.type, rating: body.rating },
      marks: (marks.get(id) ?? []).filter((each) => !each.body.isProposal).map((each) => each.body.kind),
      wearerIds: body.tracks.flatMap(({ wearerId }) => wearerId ?? []),
    }));
  return owedOf({
    place: place?.body.name ?? null,
    hasRoomTone: bundle.rolls.some(
      ({ body }) =>
        body.type === "roomTone" && body.day === scene.body.day && body.sceneId !== null && sceneIds.has(body.sceneId),
    ),
    hasPicture: bundle.shoot.body.delivery === "picture",
    talent: bundle.rigs
      .filter(({ body }) => body.sceneId === sceneId)
      .flatMap(({ body }) => {
        const wearer = bundle.wearers.find(({ id }) => id === body.wearerId);
        return wearer ? [{ id: wearer.id, name: wearer.body.name }] : [];
      }),
    takes,
  });
}

/** Whether a take has anything that joins it to its picture. */
export const isJoined = (marks: readonly Stored<"mark">[]): boolean =>
  marks.some(({ body }) => joinsPicture(body.kind));

/** Two takes that ran at the same time were one, logged twice: the later one of each pair, with the first. */
export function loggedTwice(rolls: readonly Stored<"roll">[]): Map<string, string> {
  const pairs = new Map<string, string>();
  let last: Stored<"roll"> | null = null;
  for (const roll of rolls.toSorted((one, other) => (one.body.startedAt < other.body.startedAt ? -1 : 1))) {
    const startMs = Date.parse(roll.body.startedAt);
    const endMs = last ? Date.parse(last.body.startedAt) + (last.body.lengthS ?? 0) * 1000 : 0;
    if (last && last.body.device !== roll.body.device && last.body.lengthS !== null && startMs < endMs)
      pairs.set(roll.id, last.id);
    else last = roll;
  }
  return pairs;
}
