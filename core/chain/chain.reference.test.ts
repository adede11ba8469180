import { genericFigures, SOURCES } from "../devices";
import { aWeightedDb, dbuToVolts, dbvToDbu, overallDb, SINE_CREST_DB, sumLevelsDb, whiteNoiseDb } from "../sound";
import { settledDbfs, squeeze, USUAL_DYNAMICS } from "./dynamics";
import { followChain, planLevels } from "./followChain";
import { targetsOf } from "./schools";
import { peakOf, soundOfFeed, type SoundIn } from "./soundIn";
import { plainStage, type Chain } from "./stage";
import { TEST_CONDENSER, TEST_LAV, testSound, testWay } from "../../fixtures/testWays";
import { stagesOfWay } from "./wayStages";

const TARGETS = { targetDbfs: -12, ceilingDbfs: -6 };

/** A microphone straight to its output, dBu, at a level of sound. */
function outputDbu(sensitivityMvPerPa: number, splDb: number): number {
  const chain = stagesOfWay(testWay("micPhantom", "recorderXlr", { mic: { ...TEST_CONDENSER, sensitivityMvPerPa } }));
  const sound = testSound(1);
  const plan = followChain(
    chain,
    chain.map(() => 0),
    sound,
    TARGETS,
  );
  const outlet = plan.stages.find(({ id }) => id === "outlet")!;
  return splDb + (outlet.voices.normal - overallDb(sound.voicesDb.normal));
}

describe("levels", () => {
  test("6 mV/Pa at 94 dB SPL is −44.4 dBV (capsule sensitivity, microphone handbooks)", () => {
    expect(outputDbu(6, 94) - dbvToDbu(0)).toBeCloseTo(-44.44, 1);
  });

  test("6 mV/Pa at 76 dB SPL is −60.2 dBu (capsule sensitivity, microphone handbooks)", () => {
    expect(outputDbu(6, 76)).toBeCloseTo(-60.2, 1);
  });

  test("20 mV/Pa at 1 Pa is 20 mV (definition of sensitivity, IEC 60268-4)", () => {
    expect(dbuToVolts(outputDbu(20, 93.98))).toBeCloseTo(0.02, 4);
  });

  test("+4 dBu is 1.228 V and −10 dBV is −7.8 dBu: 11.8 dB apart (consumer and studio level, audio handbooks)", () => {
    expect(dbuToVolts(4)).toBeCloseTo(1.228, 3);
    expect(dbvToDbu(-10)).toBeCloseTo(-7.78, 2);
    expect(4 - dbvToDbu(-10)).toBeCloseTo(11.78, 2);
  });

  test("a balanced source of which one leg is used loses 6 dB (half of the pair, audio handbooks)", () => {
    const whole = stagesOfWay(testWay("receiverBalanced", "recorderXlr"));
    const half = stagesOfWay({
      ...testWay("receiverBalanced", "recorderXlr"),
      parts: [{ ...testWay("receiverBalanced", "recorderXlr").parts[0]!, lossDb: 6 }],
    });
    const at = (chain: Chain) =>
      followChain(
        chain,
        chain.map(() => 0),
        testSound(0.3),
        TARGETS,
      ).peakDbfs;
    expect(at(whole) - at(half)).toBeCloseTo(6, 9);
  });

  test("speech peaks stand 18 dB over its mean, a sine's 3.01 dB over its RMS: 14.99 dB over a sine (common practice, AES17)", () => {
    const plan = planLevels(stagesOfWay(testWay("micPhantom", "recorderXlr")), testSound(0.3), TARGETS);
    expect(plan.peakDbfs - plan.loudestDbfs).toBeCloseTo(18 - SINE_CREST_DB, 9);
  });

  test("a sine at full scale reads 0 dBFS RMS: a chain that adds nothing passes it as it is (AES17)", () => {
    const chain: Chain = [
      plainStage({ id: "file", name: "File", device: "x", deviceId: "x", unit: "dBFS" }, { clip: 0 }),
    ];
    const sound = soundOfFeed(0);
    expect(followChain(chain, [0], sound, TARGETS).peakDbfs).toBeCloseTo(0, 9);
    expect(peakOf(sound)).toBeCloseTo(0, 9);
  });
});

describe("noise", () => {
  test("two equal noises are 3 dB more, a third of 10 dB less adds 0.4 dB: 60, 60 and 50 dB are 63.2 (power sum, acoustics handbooks)", () => {
    expect(sumLevelsDb([60, 60])).toBeCloseTo(63.01, 2);
    expect(sumLevelsDb([60, 60, 50])).toBeCloseTo(63.22, 2);
  });

  test("white noise by octave reads its A-weighted level (IEC 61672-1 weights)", () => {
    expect(aWeightedDb(whiteNoiseDb(28))).toBeCloseTo(28, 9);
  });

  test("an input of −128 dBu after a mic of 14 mV/Pa is as quiet as 12.8 dBA of its own would be (worked by hand from dBV and EIN)", () => {
    // 94 dB SPL is −37.08 dBV, −34.86 dBu; −128 dBu lie 93.14 dB under it: 0.86 dB SPL, far below 16 dBA of the capsule.
    const way = testWay("micPhantom", "recorderXlr", { mic: TEST_CONDENSER });
    const levels = { ...way.levels, levels: { ...way.levels.levels, einDbu: -128, converterRangeDb: 144 } };
    const silent: SoundIn = { ...testSound(0.3), noiseDb: whiteNoiseDb(-50) };
    const plan = planLevels(stagesOfWay({ ...way, levels }), silent, TARGETS);
    const [capsule, input] = ["capsule", "recorderInput"].map(
      (origin) => plan.noiseSources.find((source) => source.origin === origin)!.dbfs,
    );
    expect(capsule! - input!).toBeCloseTo(16 - 0.86, 1);
  });
});

describe("common practice of levels (no source)", () => {
  test("a line level into a mic input is refused with the number of dB, and a pad that does it is named", () => {
    const chain = stagesOfWay(testWay("deskXlr", "recorderXlr", { parts: [] }));
    const plan = planLevels(chain, soundOfFeed(SOURCES.deskXlr.loudestDbu), TARGETS);
    expect(plan.isClean).toBe(false);
    expect(plan.advice[0]).toEqual({
      ...{ code: "chain.tooLoudFor", device: "recorder, XLR mic input", overDb: 24, cure: { padDb: 40 } },
    });
    const line = planLevels(stagesOfWay(testWay("deskXlr", "recorderLine")), soundOfFeed(18), TARGETS);
    expect(line.isClean).toBe(true);
  });

  test("studio and consumer line, with 14 dB over their nominal level, into a mic input that takes +4 dBu: 14 and 2.2 dB too loud (+4 dBu, −10 dBV; worked by hand)", () => {
    const way = testWay("deskXlr", "recorderXlr", { parts: [] });
    const takes = { ...way.levels.levels, maxInputDbu: 4 };
    const chain = stagesOfWay({ ...way, levels: { ...way.levels, levels: takes } });
    const overDb = (nominalDbu: number) =>
      -planLevels(chain, soundOfFeed(nominalDbu + 14), TARGETS).stages.find(({ id }) => id === "socket")!.headroomDb!;
    expect(overDb(4)).toBeCloseTo(14, 6);
    expect(overDb(dbvToDbu(-10))).toBeCloseTo(2.22, 2);
  });

  test("closed headgear: the lowest sensitivity first, then a less sensitive capsule", () => {
    const pack = { ...genericFigures("pack"), sensitivityMinDb: -12 };
    const radio = { pack, receiver: genericFigures("receiver"), isTypical: true };
    const hood = testSound(0.06, "shout", 60, 6);
    const plan = planLevels(stagesOfWay(testWay("receiver", "recorder35", { radio })), hood, TARGETS);
    expect(plan.knobs[0]!.valueDb).toBe(-12);
    const [cure] = plan.advice;
    if (cure?.code !== "chain.packOverloadsAtLowest") throw new Error(cure?.code);
    const { lessDb } = cure;
    const mic = { ...TEST_LAV, sensitivityMvPerPa: TEST_LAV.sensitivityMvPerPa * 10 ** (-lessDb / 20), maxSplDb: 150 };
    expect(planLevels(stagesOfWay(testWay("receiver", "recorder35", { radio, mic })), hood, TARGETS).isClean).toBe(
      true,
    );
  });

  test("an input that no pad saves: a weak capsule that clips itself is told apart from the socket", () => {
    const mic = { ...TEST_CONDENSER, maxSplDb: 80, sensitivityMvPerPa: 100 };
    const chain = stagesOfWay(testWay("micPhantom", "recorderXlr", { mic }));
    const plan = planLevels(chain, testSound(0.02, "shout"), TARGETS);
    expect(plan.advice[0]).toMatchObject({ code: "chain.capsuleOverloads" });
  });

  test("weak signal: the pack first, then the receiver, then the recorder", () => {
    const plan = planLevels(stagesOfWay(testWay("receiver", "recorder35")), testSound(1, "soft", 20), TARGETS);
    const [pack, receiver] = plan.knobs;
    expect(pack!.valueDb).toBe(0);
    expect(receiver!.valueDb).toBe(0);
  });

  test("schools: −12 and −6; just below −6; three quarters of the meter at hand; −20 on average", () => {
    const sound = testSound(0.25, "raised");
    const of = (school: Parameters<typeof targetsOf>[0]) =>
      targetsOf(school, { targetDbfs: -9, ceilingDbfs: -3 }, -48, sound);
    expect(of("own")).toEqual({ targetDbfs: -9, ceilingDbfs: -3 });
    expect(of("minus12")).toEqual(TARGETS);
    expect(of("below6").targetDbfs).toBeLessThan(-6);
    expect(of("threeQuarters").targetDbfs).toBe(-12);
    const average = planLevels(stagesOfWay(testWay("micPhantom", "recorderXlr")), sound, of("average20"));
    const usualPeak = average.peakDbfs - (average.loudestDbfs - average.speechDbfs);
    expect(usualPeak).toBeLessThanOrEqual(-20);
    expect(usualPeak).toBeGreaterThan(-21.01);
  });
});

describe("limiter and compressor", () => {
  test("3 : 1 over −20: −8 in comes out at −16 (static curve, audio effects textbooks)", () => {
    const hard = { thresholdDbfs: -20, ratio: 3, kneeDb: 0, makeupDb: 0 };
    expect(settledDbfs(hard, -8)).toBeCloseTo(-16, 9);
    expect(settledDbfs(hard, -30)).toBe(-30);
  });

  test("a soft knee meets the straight parts at both ends and takes an eighth of the knee's loss in its middle (quadratic knee, audio effects textbooks)", () => {
    const soft = { thresholdDbfs: -20, ratio: 4, kneeDb: 8, makeupDb: 0 };
    expect(settledDbfs(soft, -24)).toBeCloseTo(-24, 9);
    expect(settledDbfs(soft, -16)).toBeCloseTo(-19, 9);
    expect(settledDbfs(soft, -20)).toBeCloseTo(-20 - (0.75 * 8) / 8, 9);
  });

  test("what it holds down in the voice comes up as noise between the words (common practice)", () => {
    const levels = { peakDbfs: -6, loudestDbfs: -21, softestDbfs: -35, noiseDbfs: -60 };
    const squeezed = squeeze(USUAL_DYNAMICS.compressor, levels);
    expect(squeezed.heldDb).toBeGreaterThan(5);
    const before = levels.loudestDbfs - levels.noiseDbfs;
    expect(before - (squeezed.loudestDbfs - squeezed.noiseDbfs)).toBeCloseTo(squeezed.noiseUpDb, 9);
    expect(squeeze(USUAL_DYNAMICS.limiter, { ...levels, peakDbfs: -12 }).says).toEqual({ code: "chain.dynamicsIdle" });
  });
});
