import { type ByteSource, readFrames, type WavHeader } from "../audio";
import type { Phrase } from "../check";
import { ROOM_AIR, speedOfSoundMps } from "../sound";
import { lagBetween } from "../sync";
import type { MixTrack } from "./deliverWav";

/** How one track lies to the first that hears the voice. */
export interface TrackApart {
  channel: number;
  /** What it is compared with. */
  reference: number;
  /** By how much it comes later, s; negative where it comes earlier. */
  lateS: number;
  /** How much farther from the mouth that is, m. */
  fartherM: number;
  isInverted: boolean;
  /** Share of the windows that say so. */
  agreement: number;
}

/** Windows in which somebody speaks, how long each is, and at most how far apart two microphones are, s: ten metres. */
const WINDOWS = 9;
const WINDOW_S = 4;
const MOST_APART_S = 0.03;
/** A peak that stands out less says nothing; windows within this say the same, s. */
const LEAST_SHARPNESS = 1.3;
const SAME_S = 0.0003;
/** So many of the windows must agree: two microphones of two talents hear each other now and then. */
const LEAST_AGREEMENT = 0.6;

const median = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[values.length >> 1]!;

/** Places spread over what is spoken, s. */
function placesOf(phrases: readonly Phrase[], durationS: number): number[] {
  const long = phrases.length > 0 ? phrases : [{ startS: 0, endS: durationS, levelDbfs: 0 }];
  const count = Math.min(WINDOWS, long.length);
  const places = Array.from({ length: count }, (_, at) => long[Math.floor(((at + 0.5) * long.length) / count)]!.startS);
  return [...new Set(places.map((startS) => Math.max(0, Math.min(startS, durationS - WINDOW_S))))];
}

/**
 * How the tracks of one recording lie to each other: delay to a fraction of a sample, its distance in air of 20 °C, and polarity.
 * Tracks that hear another voice, or too little in common, are left out. Errors: what reading raises.
 */
export async function tracksApart(
  source: ByteSource,
  header: WavHeader,
  phrases: readonly Phrase[],
): Promise<TrackApart[]> {
  const { channels, frames, sampleRateHz } = header;
  if (channels < 2) return [];
  const found = Array.from({ length: channels }, (): { lateS: number; isInverted: boolean }[] => []);
  const places = placesOf(phrases, frames / sampleRateHz);
  for (const placeS of places) {
    const from = Math.round(placeS * sampleRateHz);
    const count = Math.min(frames - from, Math.round(WINDOW_S * sampleRateHz));
    const planes = Array.from({ length: channels }, () => new Float32Array(count));
    let at = 0;
    await readFrames(
      source,
      header,
      (read, got) => {
        planes.forEach((plane, channel) => plane.set(read[channel]!.subarray(0, Math.min(got, count - at)), at));
        at += got;
      },
      { from, frames: count },
    );
    for (let channel = 1; channel < channels; channel += 1) {
      const lag = lagBetween(planes[0]!, planes[channel]!, sampleRateHz, MOST_APART_S);
      if (lag && lag.sharpness >= LEAST_SHARPNESS)
        found[channel]!.push({ lateS: lag.lagS, isInverted: lag.isInverted });
    }
  }
  return found.flatMap((lags, channel): TrackApart[] => {
    if (channel === 0 || lags.length === 0) return [];
    const lateS = median(lags.map((lag) => lag.lateS));
    const same = lags.filter((lag) => Math.abs(lag.lateS - lateS) < SAME_S);
    const agreement = same.length / places.length;
    if (agreement < LEAST_AGREEMENT) return [];
    const isInverted = same.filter((lag) => lag.isInverted).length > same.length / 2;
    return [
      { channel, reference: 0, lateS, fartherM: lateS * speedOfSoundMps(ROOM_AIR.temperatureC), isInverted, agreement },
    ];
  });
}

/** Tracks brought to the one that hears the voice first, and to one polarity; those that nothing is known of stay as they are. */
export function alignedTracks(tracks: readonly MixTrack[], apart: readonly TrackApart[]): MixTrack[] {
  const lateOf = ({ channel }: MixTrack) => apart.find((each) => each.channel === channel)?.lateS ?? 0;
  const first = Math.min(0, ...tracks.map(lateOf));
  return tracks.map((track) => {
    const own = apart.find((each) => each.channel === track.channel);
    const isKnown = own !== undefined || apart.some(({ reference }) => reference === track.channel);
    if (!isKnown) return { ...track };
    return { ...track, earlierS: lateOf(track) - first, isTurned: own?.isInverted ?? false };
  });
}
