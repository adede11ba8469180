import type { ChannelMeasurement, Finding, FindingKind, RecordingMeasurement } from "../check";
import { followChain, type LevelPlan, planLevels, stagesOfWay } from "../chain";
import { testSound, testWay } from "../../fixtures/testWays";
import { correctLevel } from "./correction";
import { likelyChannel, provePlan } from "./assessment";

const CHAIN = stagesOfWay(testWay("receiver", "recorder35"));
const TARGETS = { targetDbfs: -12, ceilingDbfs: -6 };
const SOUND = testSound(0.2, "loud");
const PLANNED = { chain: CHAIN, sound: SOUND };
const PLAN = planLevels(CHAIN, SOUND, TARGETS);

/** The plan with its three knobs somewhere else, dB. */
function planAt(...valuesDb: [sensitivity: number, output: number, gain: number]): LevelPlan {
  const left = [...valuesDb];
  const settings = CHAIN.map(({ knob, positions }) => {
    if (!knob) return 0;
    const valueDb = left.shift()!;
    return positions.findIndex(({ addsDb }) => addsDb === valueDb);
  });
  return followChain(CHAIN, settings, SOUND, TARGETS);
}

const channel = (own: Partial<ChannelMeasurement> = {}): ChannelMeasurement => ({
  index: 0,
  samplePeakDbfs: -12.2,
  truePeakDbtp: -12,
  integratedLufs: -28,
  rmsDbfs: -27,
  speechLevelDbfs: -26,
  noiseFloorDbfs: -62,
  snrDb: 36,
  dcOffset: 0,
  clippedRuns: 0,
  ...own,
});

const finding = (kind: FindingKind, severity: Finding["severity"], onChannel: number | null = 0): Finding => ({
  kind,
  severity,
  channel: onChannel,
  startS: 0,
  endS: 1,
  confidence: 1,
});

const recording = (channels: ChannelMeasurement[], findings: Finding[] = []): RecordingMeasurement => ({
  file: "take.wav",
  format: {
    container: "WAV",
    sampleRateHz: 48000,
    bitsPerSample: 24,
    encoding: "pcm",
    channels: channels.length,
    durationS: 9,
  },
  overall: { samplePeakDbfs: -12, truePeakDbtp: -12, integratedLufs: -28, loudnessRangeLu: 3 },
  channels,
  findings,
});

const correct = (own: Partial<ChannelMeasurement>, kinds: FindingKind[] = []) =>
  correctLevel(PLANNED, PLAN, channel(own), new Set(kinds));

describe("correction", () => {
  test("near the target nobody touches a knob", () => {
    expect(correct({ truePeakDbtp: -13.5 }).byDb).toBeNull();
    expect(correct({ truePeakDbtp: -11 })).toMatchObject({ byDb: null, turns: [], advice: null });
  });

  test("too hot goes down by the whole distance, at knobs that have it", () => {
    const correction = correct({ truePeakDbtp: -3 });
    expect(correction.byDb).toBeCloseTo(-9, 9);
    const turned = correction.turns.reduce((sum, turn) => sum + turn.byDb, 0);
    expect(turned).toBeLessThanOrEqual(-9);
    expect(turned).toBeGreaterThan(-13);
  });

  test("too low goes up at the pack first, never past its headroom", () => {
    const quietPlan = planAt(-30, -12, 10);
    const correction = correctLevel(PLANNED, quietPlan, channel({ truePeakDbtp: -40 }), new Set());
    expect(correction.turns[0]!.knob).toBe("sensitivity");
    const packPeak = quietPlan.stages.find((stage) => stage.id === "pack")!.peak + (-40 - quietPlan.peakDbfs);
    expect(packPeak + correction.turns[0]!.byDb).toBeLessThanOrEqual(-3);
    const turned = correction.turns.reduce((sum, turn) => sum + turn.byDb, 0);
    expect(turned).toBeLessThanOrEqual(28);
    expect(turned).toBeGreaterThan(26);
  });

  test("clipped goes down by the distance and 6 dB more, at least", () => {
    const correction = correct({ truePeakDbtp: 0.5 }, ["clipped"]);
    expect(correction).toMatchObject({ isAtLeast: true });
    expect(correction.byDb).toBeCloseTo(-18.5, 9);
    expect(correction.turns.reduce((sum, { byDb }) => sum + byDb, 0)).toBeLessThan(0);
  });

  test("an overload before the recorder is cured at the pack, not behind it", () => {
    const correction = correct({ truePeakDbtp: -8 }, ["overloadedEarlier"]);
    expect(correction.turns[0]!.knob).toBe("sensitivity");
    expect(correction.turns[0]!.byDb).toBeLessThanOrEqual(-6);
    expect(correction.isAtLeast).toBe(true);
    expect(correction.turns[0]).toMatchObject({ device: "pack", to: expect.stringMatching(/^−\d+ dB$/) as string });
  });

  test("a knob that somebody holds is left alone", () => {
    const held = planLevels(CHAIN, SOUND, TARGETS, new Map([["receiver", 4]]));
    const correction = correctLevel(PLANNED, held, channel({ truePeakDbtp: -2 }), new Set());
    expect(correction.turns.map(({ knob }) => knob)).not.toContain("output");
    expect(correction.turns.length).toBeGreaterThan(0);
  });

  test("when no knob has more to give, that is told", () => {
    const correction = correctLevel(PLANNED, planAt(-30, -36, 0), channel({ truePeakDbtp: 0 }), new Set(["clipped"]));
    expect(correction.turns).toEqual([]);
    expect(correction).toMatchObject({ isAtLeast: true, byDb: expect.any(Number) as number });
  });

  test("how much louder than planned the voice was is told, so that the plan can learn it", () => {
    expect(correct({ truePeakDbtp: PLAN.peakDbfs + 7 }).voiceDb).toBeCloseTo(7, 9);
    expect(correct({ truePeakDbtp: PLAN.peakDbfs + 1 })).toMatchObject({ byDb: null });
    expect(correct({ truePeakDbtp: PLAN.peakDbfs + 1 }).voiceDb).toBeCloseTo(1, 9);
  });

  test("a dead channel has no level to correct", () => {
    expect(correct({ truePeakDbtp: null }, ["silent"]).byDb).toBeNull();
  });
});

describe("verdict", () => {
  const prove = (measurement: RecordingMeasurement, index = 0) => provePlan(PLANNED, PLAN, measurement, index);

  test("clean is good, a warning is usable, a fault is redo", () => {
    expect(prove(recording([channel()])).grade).toBe("good");
    expect(prove(recording([channel()], [finding("tooHot", "warning")])).grade).toBe("usable");
    expect(prove(recording([channel()], [finding("dcOffset", "note")])).grade).toBe("good");
    expect(prove(recording([channel()], [finding("clipped", "fault")])).grade).toBe("redo");
  });

  test("another channel's fault does not count, the file's does", () => {
    const two = [channel(), channel({ index: 1 })];
    expect(prove(recording(two, [finding("clipped", "fault", 1)])).grade).toBe("good");
    expect(prove(recording(two, [finding("brokenSamples", "fault", null)])).grade).toBe("redo");
  });

  test("the worst finding speaks", () => {
    const both = recording([channel()], [finding("tooLow", "warning"), finding("clipped", "fault")]);
    expect(prove(both).worst).toBe("clipped");
  });

  test("planned stands beside proved with the difference", () => {
    const [peak] = prove(recording([channel({ truePeakDbtp: PLAN.peakDbfs + 7 })])).comparisons;
    expect(peak).toMatchObject({ what: "peaks", isAsPlanned: false });
    expect(peak!.difference).toBeCloseTo(7, 9);
    const [silent] = prove(recording([channel({ truePeakDbtp: null })])).comparisons;
    expect(silent).toMatchObject({ proved: null, difference: null, isAsPlanned: false });
  });

  test("speech anywhere between softest and loudest line is as planned", () => {
    const speech = (speechLevelDbfs: number) => prove(recording([channel({ speechLevelDbfs })])).comparisons[1]!;
    expect(speech((PLAN.softestDbfs + PLAN.loudestDbfs) / 2)).toMatchObject({ difference: 0, isAsPlanned: true });
    expect(speech(PLAN.loudestDbfs + 9).difference).toBeCloseTo(9, 9);
    expect(speech(PLAN.softestDbfs - 3).difference).toBeCloseTo(-3, 9);
    expect(speech(PLAN.softestDbfs - 5).isAsPlanned).toBe(false);
  });

  test("the likely channel is the one with the voice", () => {
    const channels = [
      channel({ speechLevelDbfs: null }),
      channel({ index: 1, speechLevelDbfs: -30 }),
      channel({ index: 2, speechLevelDbfs: -55 }),
    ];
    expect(likelyChannel(recording(channels))).toBe(1);
  });
});
