import { type ClippedPlace, isOverloadedEarlier } from "../audio";
import { KIND_WORDS } from "./kindWords";
import { LIMITS } from "./limits";
import type { Finding, FindingKind } from "./measurement";
import type { ChannelTotals, RecordingTotals } from "./recordingTotals";
import type { Spot } from "./spot";
import { measuresOf, voicesPeakDb, type Measures } from "./measures";

export interface FindingContext {
  sampleRateHz: number;
  durationS: number;
  isFloat: boolean;
}

const db = (value: number) => `${value.toFixed(1).replace("-", "−")} dB`;
const times = (count: number) => `${count} ${count === 1 ? "time" : "times"}`;

/** Severity of what is found at places: how it is heard in a cut. */
const SPOT_SEVERITY: Readonly<Partial<Record<FindingKind, Finding["severity"]>>> = {
  plosive: "warning",
  breath: "note",
  wind: "warning",
  rustle: "warning",
  knock: "warning",
  dropout: "fault",
  radioNoise: "fault",
  gap: "fault",
  repeated: "fault",
  headTurn: "warning",
};

type Draft = Omit<Finding, "channel" | "advice" | "message"> & { message?: string; advice?: string };

function spotFinding(spot: Spot): Draft {
  const { kind, startS, endS, confidence } = spot;
  return { kind, startS, endS, severity: SPOT_SEVERITY[kind] ?? "warning", confidence };
}

function clippedFindings(totals: ChannelTotals, measures: Measures, context: FindingContext, whole: Draft): Draft[] {
  const { clipping } = totals;
  const at = (place: ClippedPlace) => ({
    startS: place.startFrame / context.sampleRateHz,
    endS: place.endFrame / context.sampleRateHz,
  });
  if (clipping.fullScaleRuns > 0)
    return clipping.fullPlaces.map((place) => ({
      ...at(place),
      kind: "clipped",
      severity: "fault",
      confidence: place.runs > 1 ? 1 : 0.8,
      message: `Clipped at full scale, ${times(place.runs)}: the loud syllables crackle.`,
    }));
  const overload = {
    kind: "overloadedEarlier",
    severity: "fault",
    message: `Flat tops at ${db(totals.samplePeakDbfs)}FS: something before the recorder overloads.`,
  } as const;
  if (isOverloadedEarlier(clipping, totals.samplePeak))
    return clipping.flatPlaces.map((place) => ({ ...at(place), ...overload, confidence: place.runs > 2 ? 0.95 : 0.7 }));
  if (context.isFloat && totals.samplePeakDbfs > 0)
    return [
      {
        ...whole,
        kind: "overFullScale",
        message: `Peaks pass full scale by ${db(totals.samplePeakDbfs)}; a float file keeps them.`,
      },
    ];
  const drafts: Draft[] = [];
  const { plateauShare, voicePeakDbfs } = measures;
  const peakDb = voicesPeakDb(voicePeakDbfs, totals.samplePeakDbfs, totals.truePeakDbtp);
  if (plateauShare > LIMITS.plateauShare && plateauShare < LIMITS.toneShare)
    drafts.push({ ...whole, ...overload, confidence: 0.8 });
  if (peakDb > LIMITS.ceilingDbfs)
    drafts.push({
      ...whole,
      kind: "tooHot",
      message: `Peaks reach ${db(peakDb)}FS, over the ceiling of ${db(LIMITS.ceilingDbfs)}FS.`,
      advice: `Turn down ${db(peakDb - LIMITS.ceilingDbfs)} or more: the next line may be louder.`,
    });
  return drafts;
}

function levelFindings(totals: ChannelTotals, { voicePeakDbfs }: Measures, whole: Draft): Draft[] {
  const drafts: Draft[] = [];
  const peakDbfs = voicePeakDbfs ?? totals.samplePeakDbfs;
  if (peakDbfs < LIMITS.lowPeakDbfs)
    drafts.push({ ...whole, kind: "tooLow", message: `Peaks reach only ${db(peakDbfs)}FS.` });
  if (Number.isFinite(totals.snrDb) && totals.snrDb < LIMITS.noisySnrDb)
    drafts.push({
      ...whole,
      kind: "noisy",
      severity: totals.snrDb < LIMITS.veryNoisySnrDb ? "fault" : "warning",
      confidence: totals.speechActivity < 0.97 ? 0.9 : 0.6,
      message: `The voice stands only ${db(totals.snrDb)} above the noise.`,
    });
  if (Math.abs(totals.dcOffset) > LIMITS.dcOffset)
    drafts.push({
      ...whole,
      kind: "dcOffset",
      severity: "note",
      message: `The wave sits ${(Math.abs(totals.dcOffset) * 100).toFixed(1)} % off centre.`,
    });
  return drafts;
}

/** How far a figure is past its limit, as confidence: 0.6 at the limit, 1 at twice the usual spread. */
const sure = (pastDb: number, spreadDb: number) => Math.max(0.5, Math.min(1, 0.6 + (0.4 * pastDb) / spreadDb));

/** Noise that swells up so much before phrases is a gain that follows, and no breath, dB. */
const SWELLS_DB = 2.2;

const isPumping = ({ risesDb }: Measures): boolean => risesDb > LIMITS.pumpingDb;

function noiseTraits(measures: Measures, whole: Draft): Draft[] {
  const drafts: Draft[] = [];
  const { hum } = measures;
  if (hum && hum.overBesideDb > LIMITS.humOverBesideDb && hum.overVoiceDb > LIMITS.humUnderVoiceDb)
    drafts.push({
      ...whole,
      kind: "hum",
      severity: hum.overVoiceDb > -35 ? "fault" : "warning",
      confidence: sure(hum.overBesideDb - LIMITS.humOverBesideDb, 12),
      message: `Hum of ${hum.mainsHz} Hz with ${hum.lines} ${hum.lines === 1 ? "line" : "lines"}, ${db(-hum.overVoiceDb)} under the voice.`,
    });
  if (measures.hissDb > LIMITS.hissUnderVoiceDb && measures.hissFallDb > LIMITS.hissFallDb)
    drafts.push({
      ...whole,
      kind: "hiss",
      confidence: sure(measures.hissDb - LIMITS.hissUnderVoiceDb, 10),
      message: `Hiss of 2 to 8 kHz, ${db(-measures.hissDb)} under the voice.`,
    });
  if (isPumping(measures))
    drafts.push({
      ...whole,
      kind: "pumping",
      confidence: sure(measures.risesDb - LIMITS.pumpingDb, 6),
      message: `The noise rises${measures.risesDb >= 1 ? ` by ${db(measures.risesDb)}` : ""} in the pauses: a gain follows the voice.`,
    });
  if (measures.lowsDb < LIMITS.lowCutDb)
    drafts.push({
      ...whole,
      kind: "lowCut",
      severity: "note",
      confidence: sure(LIMITS.lowCutDb - measures.lowsDb, 12),
      message: "The lows are cut already.",
    });
  return drafts;
}

/** What a voice is like, which takes one: claps and knocks count as speech by their level, but have no pitch. */
function voiceTraits(measures: Measures, whole: Draft): Draft[] {
  if (measures.pitchHz === null) return [];
  const isTone = measures.brightDb < LIMITS.toneBrightDb || measures.bassDb > LIMITS.toneBassDb;
  const drafts: Draft[] = [];
  const crowdOver = measures.crowdShare - LIMITS.crowdShare - measures.crowdByChance;
  if (crowdOver > 0 && measures.plateauShare <= LIMITS.plateauShare)
    drafts.push({
      ...whole,
      kind: "limited",
      confidence: sure(crowdOver * 100, 20),
      message: `${Math.round(measures.crowdShare * 100)} % of the loud peaks lie within 2 dB: a limiter holds them.`,
    });
  if (measures.decayDbPerS !== null && measures.decayDbPerS < LIMITS.roomyDbPerS)
    drafts.push({
      ...whole,
      kind: "roomy",
      confidence: sure(LIMITS.roomyDbPerS - measures.decayDbPerS, 60),
      message: `Phrases die away at only ${Math.round(measures.decayDbPerS)} dB a second: the room is strong.`,
    });
  if (measures.sibilanceDb > LIMITS.sibilanceDb)
    drafts.push({
      ...whole,
      kind: "sibilant",
      confidence: sure(measures.sibilanceDb - LIMITS.sibilanceDb, 8),
      message: `S sounds stand ${db(measures.sibilanceDb)} over the voice's level.`,
    });
  if (measures.brightDb < LIMITS.muffledDb && !isTone)
    drafts.push({
      ...whole,
      kind: "muffled",
      confidence: sure(LIMITS.muffledDb - measures.brightDb, 8),
      message: `The voice's 2.5 to 6 kHz lie ${db(-measures.brightDb)} under its middle.`,
    });
  const isHigh = (measures.pitchHz ?? 0) > LIMITS.highVoiceHz;
  const boomyDb = isHigh ? LIMITS.highBoomyDb : LIMITS.boomyDb;
  if (measures.bassDb > boomyDb && !isTone)
    drafts.push({
      ...whole,
      kind: "boomy",
      confidence: sure(measures.bassDb - boomyDb, 8),
      message: `The voice's 125 to 250 Hz lie ${db(Math.abs(measures.bassDb))} ${measures.bassDb < 0 ? "under" : "over"} its middle${isHigh ? ": much for so high a voice" : ""}.`,
    });
  return drafts;
}

/**
 * Whether a place is what it looks like, all through considered. Nobody turns away without a voice; each sharp s takes
 * the colour with it, and a strong room has as much from all sides. Its echo of a consonant, and a gain that swells in a
 * pause, sound like a breath.
 */
function isTold({ kind }: Spot, { pitchHz, risesDb, decayDbPerS, sibilanceDb }: Measures): boolean {
  const isRoomy = decayDbPerS !== null && decayDbPerS < LIMITS.roomyDbPerS;
  if (kind === "headTurn") return pitchHz !== null && !isRoomy && !(sibilanceDb > LIMITS.sibilanceDb);
  return kind !== "breath" || !(isRoomy || risesDb > SWELLS_DB);
}

/** What stands out in one channel. */
export function channelFindings(totals: ChannelTotals, channel: number, context: FindingContext): Finding[] {
  const whole: Draft = {
    kind: "silent",
    startS: 0,
    endS: context.durationS,
    severity: "warning",
    confidence: 1,
  };
  const finish = (drafts: readonly Draft[]): Finding[] =>
    drafts.map(({ message, advice, ...draft }) => ({
      ...draft,
      channel,
      message: message ?? KIND_WORDS[draft.kind].sounds,
      advice: advice ?? KIND_WORDS[draft.kind].advice,
    }));
  if (totals.samplePeakDbfs < LIMITS.silentPeakDbfs)
    return finish([{ ...whole, severity: "fault", message: "Nothing is recorded on this channel." }]);
  const measures = measuresOf(totals);
  return finish([
    ...clippedFindings(totals, measures, context, whole),
    ...levelFindings(totals, measures, whole),
    ...noiseTraits(measures, whole),
    ...voiceTraits(measures, whole),
    ...totals.spots.filter((spot) => isTold(spot, measures)).map(spotFinding),
  ]);
}

/** What stands out between two channels. */
export function pairFindings(totals: RecordingTotals, durationS: number): Finding[] {
  return totals.pairs.flatMap(({ pair, likeness }): Finding[] => {
    const [a, b] = pair;
    if (totals.channels[a]!.samplePeakDbfs < LIMITS.silentPeakDbfs) return [];
    if (totals.channels[b]!.samplePeakDbfs < LIMITS.silentPeakDbfs) return [];
    const found = (kind: FindingKind, severity: Finding["severity"], confidence: number, message: string): Finding => ({
      kind,
      channel: b,
      otherChannel: a,
      startS: 0,
      endS: durationS,
      severity,
      confidence,
      message,
      advice: KIND_WORDS[kind].advice,
    });
    const both = `Channels ${a + 1} and ${b + 1}`;
    if (likeness.differenceDb < LIMITS.linkedDb) {
      const apart = Math.abs(likeness.gainDb) < 0.05 ? "" : `, ${db(Math.abs(likeness.gainDb))} apart in level`;
      return [found("linked", "warning", 1, `${both} are the same sound${apart}.`)];
    }
    if (Math.abs(likeness.peak) < LIMITS.alike || likeness.second > LIMITS.second) return [];
    const confidence = Math.min(1, 0.5 + Math.abs(likeness.peak));
    const findings: Finding[] = [];
    if (likeness.peak < 0)
      findings.push(found("inverted", "warning", confidence, `${both} hear one voice with opposite polarity.`));
    if (Math.abs(likeness.delayMs) > LIMITS.delayMs) {
      const late = likeness.delayMs > 0 ? b : a;
      findings.push(
        found(
          "delayed",
          "note",
          confidence,
          `Channel ${late + 1} comes ${Math.abs(likeness.delayMs).toFixed(1)} ms after channel ${(late === a ? b : a) + 1}, all through.`,
        ),
      );
    }
    return findings;
  });
}
