import { type ClippedPlace, isOverloadedEarlier } from "../audio";
import { LIMITS } from "./limits";
import type { FindingKind } from "./kinds";
import type { Finding } from "./measurement";
import type { FindingWhat } from "./messages";
import type { ChannelTotals, RecordingTotals } from "./recordingTotals";
import type { Spot } from "./spot";
import { measuresOf, voicesPeakDb, type Measures } from "./measures";

export interface FindingContext {
  sampleRateHz: number;
  durationS: number;
  isFloat: boolean;
}

/** Severity of what is found at places: how it is heard in a cut. */
const SPOT_SEVERITY: Readonly<Partial<Record<FindingKind, Finding["severity"]>>> = {
  plosive: "warning",
  breath: "note",
  wind: "warning",
  rustle: "warning",
  knock: "warning",
  dropout: "fault",
  radioNoise: "fault",
  contactLost: "fault",
  buzz: "fault",
  crackle: "fault",
  click: "warning",
  gap: "fault",
  repeated: "fault",
  headTurn: "warning",
};

type Draft = Omit<Finding, "channel">;

function spotFinding(spot: Spot): Draft {
  const { kind, startS, endS, confidence } = spot;
  return { kind, startS, endS, severity: SPOT_SEVERITY[kind] ?? "warning", confidence };
}

/** Peaks crowd at the top, and their half-waves are flatter than the voice's others. A line-up tone is at its top throughout. */
const isFlattened = ({ atTopShare, flatterTops, plateauShare }: Measures): boolean =>
  atTopShare > LIMITS.flattenedShare && flatterTops > LIMITS.flatterTops && plateauShare < LIMITS.toneShare;

/** Many peaks at the top, of the shape that the voice's others have: a gain holds them there. */
const isHeld = ({ atTopShare, flatterTops, plateauShare }: Measures): boolean =>
  atTopShare > LIMITS.heldShare && flatterTops <= LIMITS.flatterTops && plateauShare < LIMITS.toneShare;

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
      what: { code: "finding.clippedAt", runs: place.runs },
    }));
  const overload = {
    kind: "overloadedEarlier",
    severity: "fault",
    what: { code: "finding.flatTops", peakDbfs: totals.samplePeakDbfs },
  } as const;
  if (isOverloadedEarlier(clipping, totals.samplePeak) && !(isHeld(measures) && measures.flatterTops < LIMITS.sameTops))
    return clipping.flatPlaces.map((place) => ({ ...at(place), ...overload, confidence: place.runs > 2 ? 0.95 : 0.7 }));
  if (context.isFloat && totals.samplePeakDbfs > 0)
    return [
      {
        ...whole,
        kind: "overFullScale",
        what: { code: "finding.overFullScale", overDb: totals.samplePeakDbfs },
      },
    ];
  const drafts: Draft[] = [];
  const { voicePeakDbfs } = measures;
  const peakDb = voicesPeakDb(voicePeakDbfs, totals.samplePeakDbfs, totals.truePeakDbtp);
  if (isFlattened(measures)) drafts.push({ ...whole, ...overload, confidence: 0.8 });
  if (peakDb > LIMITS.ceilingDbfs)
    drafts.push({
      ...whole,
      kind: "tooHot",
      what: { code: "finding.overCeiling", peakDbfs: peakDb, ceilingDbfs: LIMITS.ceilingDbfs },
      advice: { code: "advice.turnDown", byDb: peakDb - LIMITS.ceilingDbfs },
    });
  return drafts;
}

function levelFindings(totals: ChannelTotals, { voicePeakDbfs }: Measures, whole: Draft): Draft[] {
  const drafts: Draft[] = [];
  const peakDbfs = voicePeakDbfs ?? totals.samplePeakDbfs;
  if (peakDbfs < LIMITS.lowPeakDbfs)
    drafts.push({ ...whole, kind: "tooLow", what: { code: "finding.lowPeaks", peakDbfs } });
  if (Number.isFinite(totals.snrDb) && totals.snrDb < LIMITS.noisySnrDb)
    drafts.push({
      ...whole,
      kind: "noisy",
      severity: totals.snrDb < LIMITS.veryNoisySnrDb ? "fault" : "warning",
      confidence: totals.speechActivity < 0.97 ? 0.9 : 0.6,
      what: { code: "finding.littleOverNoise", snrDb: totals.snrDb },
    });
  if (Math.abs(totals.dcOffset) > LIMITS.dcOffset)
    drafts.push({
      ...whole,
      kind: "dcOffset",
      severity: "note",
      what: { code: "finding.offCentre", percent: Math.abs(totals.dcOffset) * 100 },
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
      what: { code: "finding.hum", mainsHz: hum.mainsHz, lines: hum.lines, underVoiceDb: -hum.overVoiceDb },
    });
  if (measures.whineOverDb > LIMITS.whineOverDb && measures.whineUnderVoiceDb < LIMITS.whineUnderVoiceDb)
    drafts.push({
      ...whole,
      kind: "whine",
      confidence: sure(measures.whineOverDb - LIMITS.whineOverDb, 10),
      what: { code: "finding.whine", nearHz: measures.whineHz, underVoiceDb: measures.whineUnderVoiceDb },
    });
  if (measures.hissDb > LIMITS.hissUnderVoiceDb && measures.hissFallDb > LIMITS.hissFallDb)
    drafts.push({
      ...whole,
      kind: "hiss",
      confidence: sure(measures.hissDb - LIMITS.hissUnderVoiceDb, 10),
      what: { code: "finding.hiss", underVoiceDb: -measures.hissDb },
    });
  if (isPumping(measures))
    drafts.push({
      ...whole,
      kind: "pumping",
      confidence: sure(measures.risesDb - LIMITS.pumpingDb, 6),
      what: { code: "finding.noiseRises", byDb: measures.risesDb >= 1 ? measures.risesDb : null },
    });
  if (measures.lowsDb < LIMITS.lowCutDb)
    drafts.push({
      ...whole,
      kind: "lowCut",
      severity: "note",
      confidence: sure(LIMITS.lowCutDb - measures.lowsDb, 12),
      what: { code: "finding.lowsCut" },
    });
  return drafts;
}

/** What a voice is like, which takes one: claps and knocks count as speech by their level, but have no pitch. */
function voiceTraits(measures: Measures, whole: Draft): Draft[] {
  if (measures.pitchHz === null) return [];
  const isTone = measures.brightDb < LIMITS.toneBrightDb || measures.bassDb > LIMITS.toneBassDb;
  const drafts: Draft[] = [];
  const crowdOver = measures.crowdShare - LIMITS.crowdShare - measures.crowdByChance;
  if ((crowdOver > 0 || isHeld(measures)) && !isFlattened(measures))
    drafts.push({
      ...whole,
      kind: "limited",
      confidence: sure(Math.max(0, crowdOver) * 100, 20),
      what: { code: "finding.crowdedPeaks", percent: measures.crowdShare * 100 },
    });
  if (measures.decayDbPerS !== null && measures.decayDbPerS < LIMITS.roomyDbPerS)
    drafts.push({
      ...whole,
      kind: "roomy",
      confidence: sure(LIMITS.roomyDbPerS - measures.decayDbPerS, 60),
      what: { code: "finding.slowDecay", dbPerS: measures.decayDbPerS },
    });
  if (measures.sibilanceDb > LIMITS.sibilanceDb)
    drafts.push({
      ...whole,
      kind: "sibilant",
      confidence: sure(measures.sibilanceDb - LIMITS.sibilanceDb, 8),
      what: { code: "finding.sharpS", overDb: measures.sibilanceDb },
    });
  if (measures.edgeHz !== null && !isTone)
    drafts.push({
      ...whole,
      kind: "narrowBand",
      confidence: 0.85,
      what: { code: "finding.bandEnds", atHz: measures.edgeHz },
    });
  else if (measures.brightDb < LIMITS.muffledDb && !isTone)
    drafts.push({
      ...whole,
      kind: "muffled",
      confidence: sure(LIMITS.muffledDb - measures.brightDb, 8),
      what: { code: "finding.dull", underDb: -measures.brightDb },
    });
  const isHigh = (measures.pitchHz ?? 0) > LIMITS.highVoiceHz;
  const boomyDb = isHigh ? LIMITS.highBoomyDb : LIMITS.boomyDb;
  if (measures.bassDb > boomyDb && !isTone)
    drafts.push({
      ...whole,
      kind: "boomy",
      confidence: sure(measures.bassDb - boomyDb, 8),
      what: { code: "finding.boom", overDb: measures.bassDb, isHighVoice: isHigh },
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

/** An input that is open, and nobody speaks; claps and knocks have no pitch. */
function hasNoSpeech({ traits }: ChannelTotals, { durationS }: FindingContext): boolean {
  const spokenS = (traits.speechHops + traits.coveredHops) / 100;
  return durationS >= LIMITS.noSpeechOfS && spokenS < LIMITS.noSpeechS;
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
  const finish = (drafts: readonly Draft[]): Finding[] => drafts.map((draft) => ({ ...draft, channel }));
  if (totals.samplePeakDbfs < LIMITS.silentPeakDbfs)
    return finish([{ ...whole, severity: "fault", what: { code: "finding.nothingRecorded" } }]);
  const measures = measuresOf(totals);
  if (hasNoSpeech(totals, context))
    return finish([
      { ...whole, kind: "noSpeech", confidence: 0.8 },
      ...clippedFindings(totals, measures, context, whole).filter(({ kind }) => kind !== "tooHot"),
      ...totals.spots.map(spotFinding),
    ]);
  const overloads = clippedFindings(totals, measures, context, whole);
  // Peaks that are cut off crowd at the top as well.
  const isCutOff = overloads.some(({ kind }) => kind === "clipped" || kind === "overloadedEarlier");
  return finish([
    ...overloads,
    ...levelFindings(totals, measures, whole),
    ...noiseTraits(measures, whole),
    ...voiceTraits(measures, whole).filter(({ kind }) => kind !== "limited" || !isCutOff),
    ...totals.spots.filter((spot) => isTold(spot, measures)).map(spotFinding),
  ]);
}

/** What stands out between two channels. */
export function pairFindings(totals: RecordingTotals, durationS: number): Finding[] {
  return totals.pairs.flatMap(({ pair, likeness }): Finding[] => {
    const [a, b] = pair;
    if (totals.channels[a]!.samplePeakDbfs < LIMITS.silentPeakDbfs) return [];
    if (totals.channels[b]!.samplePeakDbfs < LIMITS.silentPeakDbfs) return [];
    const found = (
      kind: FindingKind,
      severity: Finding["severity"],
      confidence: number,
      what: FindingWhat,
    ): Finding => ({
      kind,
      channel: b,
      otherChannel: a,
      startS: 0,
      endS: durationS,
      severity,
      confidence,
      what,
    });
    const both = { one: a, other: b };
    if (likeness.differenceDb < LIMITS.linkedDb) {
      const what = { code: "finding.sameSound", ...both, apartDb: Math.abs(likeness.gainDb) } as const;
      return [found("linked", "warning", 1, what)];
    }
    if (Math.abs(likeness.peak) < LIMITS.alike || likeness.second > LIMITS.second) return [];
    const confidence = Math.min(1, 0.5 + Math.abs(likeness.peak));
    const findings: Finding[] = [];
    if (likeness.peak < 0)
      findings.push(found("inverted", "warning", confidence, { code: "finding.oppositePolarity", ...both }));
    if (Math.abs(likeness.delayMs) > LIMITS.delayMs) {
      const late = likeness.delayMs > 0 ? b : a;
      findings.push(
        found("delayed", "note", confidence, {
          code: "finding.comesLate",
          late,
          early: late === a ? b : a,
          byMs: Math.abs(likeness.delayMs),
        }),
      );
    }
    return findings;
  });
}
