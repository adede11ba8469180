import { type ByteSource, readFrames, type WavHeader } from "../audio";
import type { Finding, Phrase, RecordingMeasurement } from "../check";
import { meanSquareToDbfs } from "../sound";
import { newCleaningEngine } from "./engine";
import { filterOf, lowPass } from "./filters";
import { mainsHumIn, type MainsHum } from "./mains";
import type { CleaningPlan, Treatment } from "./treatments";

/** Noise this far under the voice needs nothing more (common practice); no more is taken by default, no less is worth it, dB. */
const AIMED_SNR_DB = 35;
const MOST_BY_DB = 12;
const LEAST_BY_DB = 3;
/** The cut stays under the lowest of a voice that moves by a third about its median. */
const UNDER_PITCH = 0.68;
const CORNER_RANGE_HZ = { min: 60, max: 120 } as const;
const CORNER_WITHOUT_VOICE_HZ = 80;
/** Only the offset is to go. */
const OFFSET_CORNER_HZ = 20;
/** No voice has anything below so much of the corner that is cut for it. */
const BELOW_VOICE = 0.65;
/** So many pops ask for a low cut as well as for being turned down one by one. */
const MANY_POPS = 6;
/** A notch is as wide as the line wanders, and not so narrow that it rings for seconds, Hz. */
const LEAST_WIDTH_HZ = 0.6;
/** Stretches that are looked at for hum, and how long each is, s. */
const STRETCHES = 7;
const STRETCH_S = 5.6;

const has = (findings: readonly Finding[], ...kinds: readonly Finding["kind"][]): boolean =>
  findings.some(({ kind }) => kinds.includes(kind));
const placesOf = (findings: readonly Finding[], ...kinds: readonly Finding["kind"][]): [number, number][] =>
  findings.filter(({ kind }) => kinds.includes(kind)).map(({ startS, endS }): [number, number] => [startS, endS]);

/** What a low cut has to stay under. */
function cornerFor(pitchHz: number | null | undefined): number {
  if (!pitchHz) return CORNER_WITHOUT_VOICE_HZ;
  return Math.round(Math.max(CORNER_RANGE_HZ.min, Math.min(CORNER_RANGE_HZ.max, UNDER_PITCH * pitchHz)));
}

function humNotches({ mainsHz, wanderHz, lines }: MainsHum): Treatment {
  return {
    kind: "hum",
    lines: lines.map(({ multiple }) => ({
      hz: Number((multiple * mainsHz).toFixed(3)),
      widthHz: Number(
        Math.min(20, Math.max(LEAST_WIDTH_HZ, 0.012 * multiple * mainsHz, 3 * wanderHz * multiple)).toFixed(2),
      ),
    })),
  };
}

/** What was looked at more closely in a channel. */
export interface CloserLook {
  hum: MainsHum | null;
  /** Level of what is below every voice, dBFS (AES17). */
  rumbleDbfs: number;
}

/** A voice that is closer to the noise than this is not helped by more: it sounds like no person any more, dB. */
const HOPELESS_SNR_DB = 6;
const HOPELESS_BY_DB = 6;
/** Rumble less far under the voice than this is cut, dB. */
const RUMBLE_UNDER_DB = 30;

/**
 * What the findings of a channel ask for, and no more: each treatment with its amount from what was measured. Clipped peaks are
 * not among them: they would be guesses, see {@link guessesFor}. `look` is null where nobody looked closer.
 */
export function treatmentsFor(
  { channels, findings }: RecordingMeasurement,
  channel: number,
  look: CloserLook | null,
): Treatment[] {
  const own = findings.filter((finding) => finding.channel === channel);
  const { pitchHz, snrDb, speechLevelDbfs } = channels[channel]!;
  const treatments: Treatment[] = [];
  const holes = placesOf(own, "gap", "dropout");
  if (holes.length > 0) treatments.push({ kind: "gaps", places: holes });
  const pops = placesOf(own, "plosive");
  const isRumbling = look !== null && speechLevelDbfs !== null && look.rumbleDbfs > speechLevelDbfs - RUMBLE_UNDER_DB;
  if (has(own, "wind", "knock") || pops.length >= MANY_POPS || (isRumbling && has(own, "noisy")))
    treatments.push({ kind: "lowCut", cornerHz: cornerFor(pitchHz) });
  else if (has(own, "dcOffset")) treatments.push({ kind: "lowCut", cornerHz: OFFSET_CORNER_HZ });
  if (look?.hum && has(own, "hum")) treatments.push(humNotches(look.hum));
  if (pops.length > 0) treatments.push({ kind: "pops", places: pops });
  if (has(own, "noisy", "hiss") && snrDb !== null && snrDb < AIMED_SNR_DB) {
    const most = snrDb < HOPELESS_SNR_DB ? HOPELESS_BY_DB : MOST_BY_DB;
    treatments.push({ kind: "noise", byDb: Math.round(Math.max(LEAST_BY_DB, Math.min(most, AIMED_SNR_DB - snrDb))) });
  }
  return treatments;
}

/** Clipped peaks of a channel as a treatment that is a guess; null where none are clipped. */
export function guessesFor({ findings }: RecordingMeasurement, channel: number): Treatment | null {
  const own = findings.filter((finding) => finding.channel === channel);
  const places = placesOf(own, "clipped", "overloadedEarlier");
  return places.length > 0 ? { kind: "clipping", places } : null;
}

/** Stretches spread over a channel. */
async function stretchesOf(source: ByteSource, header: WavHeader, channel: number): Promise<Float32Array[]> {
  const { sampleRateHz, frames } = header;
  const length = Math.min(frames, Math.round(STRETCH_S * sampleRateHz));
  const count = Math.max(1, Math.min(STRETCHES, Math.floor(frames / length)));
  const stretches: Float32Array[] = [];
  for (let index = 0; index < count; index += 1) {
    const from = count === 1 ? 0 : Math.round(((frames - length) * index) / (count - 1));
    const samples = new Float32Array(length);
    let at = 0;
    await readFrames(
      source,
      header,
      (planes, got) => {
        samples.set(planes[channel]!.subarray(0, Math.min(got, length - at)), at);
        at += got;
      },
      { from, frames: length },
    );
    stretches.push(samples);
  }
  return stretches;
}

/** Level below a frequency over stretches, dBFS (AES17). */
function levelBelow(stretches: readonly Float32Array[], sampleRateHz: number, hz: number): number {
  const engine = newCleaningEngine();
  const most = Math.max(...stretches.map(({ length }) => length));
  const line = engine.roomFor(4 * most);
  const filter = filterOf(engine, lowPass(4, hz, sampleRateHz));
  let [sum, count] = [0, 0];
  for (const samples of stretches) {
    const own = new Float32Array(engine.memory.buffer, line, samples.length);
    own.set(samples);
    filter.bothWays(line, samples.length);
    for (const value of own) sum += value * value;
    count += samples.length;
  }
  return meanSquareToDbfs(sum / count);
}

/** Looks for mains hum and rumble in a channel. */
export async function lookCloser(
  source: ByteSource,
  header: WavHeader,
  { index, pitchHz }: RecordingMeasurement["channels"][number],
): Promise<CloserLook> {
  const stretches = await stretchesOf(source, header, index);
  return {
    hum: mainsHumIn(stretches, header.sampleRateHz),
    rumbleDbfs: levelBelow(stretches, header.sampleRateHz, BELOW_VOICE * cornerFor(pitchHz)),
  };
}

/** What a measured recording asks for, every channel. Errors: what reading the source raises. */
export async function planCleaning(
  source: ByteSource,
  header: WavHeader,
  measurement: RecordingMeasurement,
): Promise<CleaningPlan> {
  const channels: CleaningPlan["channels"] = [];
  for (const channel of measurement.channels) {
    const own = measurement.findings.filter((finding) => finding.channel === channel.index);
    const look = has(own, "hum", "noisy") ? await lookCloser(source, header, channel) : null;
    const treatments = treatmentsFor(measurement, channel.index, look);
    if (treatments.length > 0) channels.push({ channel: channel.index, treatments });
  }
  return { channels };
}

/** Phrases that lie further apart than this are worth evening out; by no more than this, either way, dB. */
const UNEVEN_DB = 6;
const MOST_EVEN_DB = 6;

/**
 * Slow gain that brings phrases half the way to their median level, within 6 dB, straight from one to the next; null where they
 * are even, or few. Source: common practice.
 */
export function evenOutFor(phrases: readonly Phrase[]): Treatment | null {
  const levels = phrases.map(({ levelDbfs }) => levelDbfs).toSorted((a, b) => a - b);
  if (levels.length < 4) return null;
  const at = (share: number) => levels[Math.round(share * (levels.length - 1))]!;
  if (at(0.9) - at(0.1) < UNEVEN_DB) return null;
  const median = at(0.5);
  const points = phrases.flatMap(({ startS, endS, levelDbfs }): [number, number][] => {
    const gainDb = Math.max(-MOST_EVEN_DB, Math.min(MOST_EVEN_DB, (median - levelDbfs) / 2));
    return [
      [startS, gainDb],
      [endS, gainDb],
    ];
  });
  return { kind: "evenOut", points: points.slice(0, 20_000) };
}
