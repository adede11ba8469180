import { join } from "node:path";
import { type Finding, type FindingKind, recordingMeter } from "../../core/check";
import { chanceOf } from "../../demo/labelled/chance";
import { cleanWish, clipOf } from "../../demo/labelled/clip";
import { faultyClip, LABELLED_KINDS, type Faulty, type Strength } from "../../demo/labelled/faults";
import { RATE } from "../../demo/labelled/rate";
import type { Voice } from "../../demo/labelled/voice";
import { runSpeech } from "./benchSpeech";
import { speechBank } from "./labelled/speechBank";

/** The seed of the figures in docs; detectors are tuned with others. */
const DOCUMENTED_SEED = 20_261;
const STRENGTHS: readonly Strength[] = [0, 1, 2];
/** A finding answers a place when it is within, s. */
const NEAR_S = 0.25;

export interface KindResult {
  kind: FindingKind;
  wanted: number;
  found: number;
  /** What was found of what there was, by strength. */
  byStrength: readonly (readonly [found: number, wanted: number])[];
  /** Found in clean speech. */
  falseOnes: number;
}

/** What is found in channels at {@link RATE}, as a 24-bit file would hold them. */
export function findingsOf(channels: readonly Float32Array[]): Finding[] {
  const meter = recordingMeter({
    file: "labelled",
    container: "made",
    encoding: "pcm",
    bitsPerSample: 24,
    sampleRateHz: RATE,
    channels: channels.length,
    fullScale: 1,
  });
  const step = 2 ** -23;
  const planes = channels.map((samples) =>
    samples.map((value) => Math.round(Math.max(-1, Math.min(1, value)) / step) * step),
  );
  meter.push(planes, planes[0]!.length);
  return meter.finish().measurement.findings;
}

function countFound({ kind, spans, isEverywhere }: Faulty, findings: readonly Finding[]): number {
  const own = findings.filter((finding) => finding.kind === kind);
  if (isEverywhere) return own.length > 0 ? 1 : 0;
  return spans.filter(({ from, to }) =>
    own.some((finding) => finding.endS > from / RATE - NEAR_S && finding.startS < to / RATE + NEAR_S),
  ).length;
}

/** Finds each kind in clips made with one seed: so many of each kind and strength, and as many clean ones of every voice. */
export function runDetectors(
  seed: number,
  voices: readonly Voice[],
  clips: number,
  kinds: readonly FindingKind[],
  strengths: readonly Strength[] = STRENGTHS,
  seconds = 60,
): { results: KindResult[]; cleanMinutes: number } {
  const falseOnes = new Map<FindingKind, number>();
  let cleanMinutes = 0;
  voices.forEach((voice, index) => {
    for (let turn = 0; turn < clips; turn += 1) {
      const chance = chanceOf(seed * 1000 + index * 20 + turn * 7);
      const clip = clipOf(chance, voice, cleanWish(chance, seconds));
      cleanMinutes += seconds / 60;
      for (const finding of findingsOf([clip.samples]))
        falseOnes.set(finding.kind, (falseOnes.get(finding.kind) ?? 0) + 1);
    }
  });
  const results = kinds.map((kind): KindResult => {
    // The same clips, whichever other kinds are asked for.
    const kindIndex = LABELLED_KINDS.indexOf(kind);
    const byStrength = strengths.map((strength): [number, number] => {
      let [found, wanted] = [0, 0];
      for (let turn = 0; turn < clips; turn += 1) {
        const chance = chanceOf(seed * 7919 + kindIndex * 997 + strength * 101 + turn);
        const faulty = faultyClip(
          chance,
          kind,
          voices[(turn * 3 + strength + kindIndex) % voices.length]!,
          strength,
          seconds,
        );
        found += countFound(faulty, findingsOf(faulty.channels));
        wanted += faulty.isEverywhere ? 1 : faulty.spans.length;
      }
      return [found, wanted];
    });
    return {
      kind,
      wanted: byStrength.reduce((sum, [, wanted]) => sum + wanted, 0),
      found: byStrength.reduce((sum, [found]) => sum + found, 0),
      byStrength,
      falseOnes: falseOnes.get(kind) ?? 0,
    };
  });
  return { results, cleanMinutes };
}

/**
 * Prints what the detectors find in the labelled set. Needs espeak-ng and ffmpeg; real speech where it is installed.
 * `--quick`: the grossest strength only, in short clips of made voices, as JSON.
 */
export async function benchDetectors(isQuick = false): Promise<number> {
  const folder = join(process.env.HYPOPHON_ROOT ?? process.cwd(), ".build/labelled");
  const voices = speechBank(folder).filter(({ isReal }) => !isQuick || !isReal);
  if (isQuick) {
    const found = runDetectors(77, voices, 1, LABELLED_KINDS, [2], 24);
    process.stdout.write(`${JSON.stringify({ ...found, speech: runSpeech(77, voices, 15) })}\n`);
    return 0;
  }
  const seed = Number(process.env.HYPOPHON_SEED ?? DOCUMENTED_SEED);
  const clips = Number(process.env.HYPOPHON_CLIPS ?? 3);
  const kinds = process.env.HYPOPHON_KINDS?.split(",") as FindingKind[] | undefined;
  const { results, cleanMinutes } = runDetectors(seed, voices, clips, kinds ?? LABELLED_KINDS);
  const lines = results.map(({ kind, wanted, found, byStrength, falseOnes }) => {
    const parts = byStrength.map(([hit, all]) => `${hit}/${all}`.padStart(8)).join("");
    const recall = (found / Math.max(1, wanted)).toFixed(3);
    return `${kind.padEnd(20)}${recall.padStart(7)}${parts}${((falseOnes * 10) / cleanMinutes).toFixed(2).padStart(8)}`;
  });
  process.stdout.write(
    `seed ${seed}, ${voices.length} voices, ${cleanMinutes} clean minutes\n${"kind".padEnd(20)} recall   plain   clear   gross  false/10 min\n${lines.join("\n")}\n`,
  );
  for (const { snrDb, hit, falseAlarm } of runSpeech(seed, voices, 60))
    process.stdout.write(
      `speech ${String(snrDb).padStart(2)} dB over noise: ${(100 * hit).toFixed(1)} % of it found, ${(100 * falseAlarm).toFixed(1)} % of pauses taken for it\n`,
    );
  const isGood = results.every(
    ({ found, wanted, falseOnes }) => found / wanted >= 0.95 && falseOnes * 10 <= cleanMinutes,
  );
  return isGood ? 0 : 1;
}
