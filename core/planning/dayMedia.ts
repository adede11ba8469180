import {
  adviseFormat,
  type CardPlan,
  channelMessage,
  type MediaMessage,
  type FileSplit,
  type FormatAdvice,
  planCards,
  type Rolling,
  splitOf,
} from "../media";
import {
  type Battery,
  type CellCount,
  cellsForDay,
  planDayPower,
  type SwapPlan,
  USUAL_BATTERIES,
  wattsFor,
} from "../power";
import { minutesOfDay } from "../schedule";
import { type Exposure, exposureOf } from "../sound";
import { BY_LEAD } from "../wireless";
import { airBodyOf } from "./airScene";
import { levelsOf } from "./levels";
import type { PlanMessage } from "./messages";
import { type ProvisionBody, scenesInOrder, type ShootBundle } from "../records";
import { storedPickup } from "./storedPickup";

/** What runs on batteries, watts. Typical of their kind; common practice, to be replaced by data sheets. */
const RECEIVER_W = 1.1;
const RECORDER_W = 1.4;
/** Phantom power for a placed microphone, watts. Estimate. */
const PHANTOM_W = 0.3;
/** On before the camera rolls, and after, min. Common practice. */
const ON_BEFORE_MIN = 15;
const ON_AFTER_MIN = 5;

/** What a shoot has while nobody has said. */
export const FIRST_PROVISION: Omit<ProvisionBody, "shootId"> = {
  cardsGb: [32],
  fileLimit: "4 GiB",
  hasFloat: false,
  hasSafetyTracks: false,
  temperatureC: 15,
  packBattery: USUAL_BATTERIES.twoAlkaline,
  recorderBattery: USUAL_BATTERIES.twoNimh,
  recorderTracks: null,
  hasMains: false,
  bankWh: null,
  listenDba: 75,
  listenHours: 4,
};

export const provisionBodyOf = (bundle: ShootBundle): ProvisionBody =>
  bundle.provisions[0]?.body ?? { ...FIRST_PROVISION, shootId: bundle.shoot.id };

export interface DayMedia {
  advice: FormatAdvice;
  channels: MediaMessage;
  cards: CardPlan;
  files: FileSplit;
  /** Tracks at one time, safety tracks with them. */
  mostTracks: number;
  /** Where there are more tracks than the recorder takes; null where there are not, or nobody has said how many it takes. */
  tooMany: PlanMessage | null;
  power: readonly SwapPlan[];
  /** Cells by kind for the whole day. */
  cells: readonly CellCount[];
  exposure: Exposure;
}

/** Scenes of a day as they are recorded: a track for everybody who is worn and every microphone that is placed. */
function rollingsOf(
  bundle: ShootBundle,
  day: number,
  perTrack: number,
): (Rolling & { sceneId: string; placed: number })[] {
  return scenesInOrder(bundle.scenes)
    .filter(({ body }) => body.day === day)
    .map(({ id, body }) => {
      const placed = storedPickup(bundle, id)?.body.setup.mics.length ?? 0;
      const worn = bundle.rigs.filter((rig) => rig.body.sceneId === id).length;
      const fed = levelsOf(bundle).filter(
        ({ kind, sceneId, input }) => kind === "feed" && sceneId === id && input?.kind === "recorder",
      ).length;
      const { title, lengthMin, takeMin } = body;
      return {
        sceneId: id,
        title,
        fromMin: minutesOfDay(body.startsAt),
        lengthMin,
        takeMin,
        tracks: (worn + placed + fed) * perTrack,
        placed,
      };
    })
    .filter(({ tracks }) => tracks > 0);
}

/** More tracks than inputs: where, and what helps. */
function tooManyTracks(
  rollings: readonly Rolling[],
  { recorderTracks, hasSafetyTracks }: ProvisionBody,
): PlanMessage | null {
  const over = recorderTracks === null ? [] : rollings.filter(({ tracks }) => tracks > recorderTracks);
  const [worst] = [...over].sort((one, other) => other.tracks - one.tracks);
  if (!worst || recorderTracks === null) return null;
  const { title, tracks } = worst;
  const helps = hasSafetyTracks && tracks / 2 <= recorderTracks ? "noSafety" : "secondRecorder";
  return { code: "day.tooManyTracks", title, tracks, recorderTracks, helps };
}

/** Noise of the loudest plan of a day in the file, and whether one of its voices may go over; null where nothing is planned. */
function noiseOf(bundle: ShootBundle, sceneIds: readonly string[]): { noiseDbfs: number | null; mayOverload: boolean } {
  const gains = levelsOf(bundle).flatMap(({ rig, plan }) =>
    rig && plan && sceneIds.includes(rig.body.sceneId) ? [{ gain: plan, loudest: rig.body.performance.loudest }] : [],
  );
  if (gains.length === 0) return { noiseDbfs: null, mayOverload: false };
  return {
    noiseDbfs: Math.min(...gains.map(({ gain }) => gain.noiseDbfs)),
    mayOverload: gains.some(({ loudest }) => loudest === "shout" || loudest === "loud"),
  };
}

/** Format, cards, batteries and ears for one day of the shoot, from its scenes, rigs, links and what there is. */
export function dayMediaOf(bundle: ShootBundle, day: number): DayMedia {
  const provision = provisionBodyOf(bundle);
  const perTrack = provision.hasSafetyTracks ? 2 : 1;
  const rollings = rollingsOf(bundle, day, perTrack);
  const { delivery, sampleRateHz, bitsPerSample } = bundle.shoot.body;
  const mostTracks = Math.max(0, ...rollings.map(({ tracks }) => tracks));
  const noise = noiseOf(
    bundle,
    rollings.map(({ sceneId }) => sceneId),
  );
  const advice = adviseFormat({ delivery, ...noise, tracks: Math.max(1, mostTracks), hasFloat: provision.hasFloat });
  const rate = { sampleRateHz, bits: advice.format.bits === 32 ? 32 : bitsPerSample, kbps: null };
  const cards = planCards(rollings, rate, provision.cardsGb);
  const devices = poweredOf(bundle, rollings, provision);
  const power = planDayPower(devices, provision.temperatureC, provision.bankWh);
  const cells = cellsForDay(power.map((plan, index) => ({ plan, battery: devices[index]!.battery })));
  const { listenDba: levelDba, listenHours: hours } = provision;
  return {
    advice,
    channels: channelMessage(Math.max(1, mostTracks), false),
    cards,
    files: splitOf(
      provision.fileLimit ?? "4 GiB",
      advice.format,
      Math.max(0, ...rollings.map(({ takeMin }) => takeMin)),
    ),
    mostTracks,
    tooMany: tooManyTracks(rollings, provision),
    power,
    cells,
    exposure: exposureOf([{ levelDba, hours }]),
  };
}

interface Device {
  name: string;
  watts: number;
  battery: Battery;
  uses: readonly { title: string; fromMin: number; toMin: number }[];
  takesUsb: boolean;
}

/** Packs and receivers of everybody on the air that day, and the recorder. */
function poweredOf(
  bundle: ShootBundle,
  rollings: readonly (Rolling & { sceneId: string; placed: number })[],
  { packBattery, recorderBattery, hasMains }: ProvisionBody,
): Device[] {
  const air = airBodyOf(bundle);
  const on = ({ title, fromMin, lengthMin }: Rolling) => ({
    title,
    fromMin: fromMin - ON_BEFORE_MIN,
    toMin: fromMin + lengthMin + ON_AFTER_MIN,
  });
  const worn = air.links.flatMap((link): Device[] => {
    const system = air.systems.find(({ id }) => id === link.systemId);
    if (link.systemId === BY_LEAD || !system || link.wearerId === null) return [];
    const sceneIds = bundle.rigs.filter(({ body }) => body.wearerId === link.wearerId).map(({ body }) => body.sceneId);
    const uses = rollings.filter(({ sceneId }) => sceneIds.includes(sceneId)).map(on);
    if (uses.length === 0) return [];
    // What the system says its pack lasts on usual cells is what it draws.
    const packW = wattsFor(USUAL_BATTERIES.twoAlkaline, system.batteryH);
    return [
      { name: `Pack of ${link.name}`, watts: packW, battery: packBattery, uses, takesUsb: false },
      { name: `Receiver of ${link.name}`, watts: RECEIVER_W, battery: packBattery, uses, takesUsb: true },
    ];
  });
  const isOutdoors = ({ sceneId }: (typeof rollings)[number]) => {
    const placeId = bundle.scenes.find(({ id }) => id === sceneId)?.body.placeId;
    const place = bundle.places.find(({ id }) => id === placeId);
    return place?.body.model.setting === "open";
  };
  const onCells = hasMains ? rollings.filter(isOutdoors) : rollings;
  const recorder: Device = {
    name: "Recorder",
    watts: RECORDER_W + PHANTOM_W * Math.max(0, ...rollings.map(({ placed }) => placed)),
    battery: recorderBattery,
    uses: onCells.map(on),
    takesUsb: true,
  };
  return onCells.length > 0 ? [...worn, recorder] : worn;
}
