import fc from "fast-check";
import { schemaFaults } from "../schema";
import { EFFORTS } from "../voice";
import { bestSettings, compareCosts } from "./bestSettings";
import { deviceFaults } from "./deviceFaults";
import { DEVICE_SCHEMAS, GENERIC_DEVICES, genericFigures } from "../devices";
import { costOfSettings, leastCost } from "./everyCombination";
import { followChain, planLevels } from "./followChain";
import { peakOf, soundOfFeed as feed } from "./soundIn";
import { plainStage, withKnob, type Chain, type ChainStage } from "./stage";
import { TEST_CONDENSER, TEST_LAV, testSound, testWay } from "../../fixtures/testWays";
import { stagesOfWay } from "./wayStages";

const TARGETS = { targetDbfs: -12, ceilingDbfs: -6 };
const RADIO = stagesOfWay(testWay("receiver", "recorder35"));
const knob = (plan: ReturnType<typeof planLevels>, id: string) => plan.knobs.find((each) => each.id === id)!.valueDb;
const at = (plan: ReturnType<typeof planLevels>, id: string) => plan.stages.find((stage) => stage.id === id)!;

test("the shipped devices fit their own schemas", () => {
  for (const device of GENERIC_DEVICES) expect(schemaFaults(DEVICE_SCHEMAS[device.kind], device.figures)).toEqual([]);
});

const anyStage = fc
  .record({
    entersDb: fc.integer({ min: -30, max: 30 }),
    least: fc.integer({ min: -30, max: 0 }),
    steps: fc.integer({ min: 1, max: 7 }),
    stepDb: fc.constantFrom(0.5, 1, 2, 3, 2.5, 10),
    clip: fc.option(fc.integer({ min: -40, max: 40 })),
    noiseBefore: fc.option(fc.integer({ min: -140, max: -20 })),
    noiseAfter: fc.option(fc.integer({ min: -140, max: -20 })),
    reserveDb: fc.constantFrom(0, 3),
    preference: fc.integer({ min: 0, max: 3 }),
  })
  .map(({ entersDb, least, steps, stepDb, clip, noiseBefore, noiseAfter, reserveDb, preference }): ChainStage => {
    const stage = plainStage(
      { id: "x", name: "x", device: "x", deviceId: "x", unit: "dBu", entersDb, reserveDb },
      { clip, noiseBefore, noiseAfter },
    );
    return withKnob(
      stage,
      { id: "gain", name: "x" },
      Array.from({ length: steps }, (_, index) => least + index * stepDb),
      (addsDb) => ({ preference: preference * Math.abs(addsDb) }),
    );
  });

describe("the search", () => {
  test("finds what trying every combination finds, for any chain", () => {
    fc.assert(
      fc.property(
        fc.array(anyStage, { minLength: 1, maxLength: 5 }),
        fc.integer({ min: -40, max: 120 }),
        (stages, peakDb) => {
          const chain = stages.map((stage, index) => ({ ...stage, id: `s${index}` })) as unknown as Chain;
          const found = costOfSettings(chain, bestSettings(chain, peakDb, TARGETS), peakDb, TARGETS);
          const least = leastCost(chain, peakDb, TARGETS);
          expect([found.overload, found.over, found.under]).toEqual([least.overload, least.over, least.under]);
          // Two sums of the same noise differ in the last digit, and only habit is decided by that.
          expect(found.noise).toBeLessThanOrEqual(least.noise * (1 + 1e-9));
          if (least.noise === 0) expect(found.preference).toBe(least.preference);
        },
      ),
      { numRuns: 150 },
    );
  });

  test("finds what trying all 65 thousand settings of a computer with four gain stages finds", () => {
    const whole = stagesOfWay(testWay("receiver", "computerMic"));
    // Every other step of the last two, so that counting them all stays short.
    const chain = whole.map((stage) =>
      stage.id === "system" || stage.id === "file"
        ? { ...stage, positions: stage.positions.filter((_, index) => index % 3 === 0) }
        : stage,
    ) as unknown as Chain;
    const peak = peakOf(testSound(0.25));
    const found = costOfSettings(chain, bestSettings(chain, peak, TARGETS), peak, TARGETS);
    expect(compareCosts(found, leastCost(chain, peak, TARGETS))).toBe(0);
  });

  test("what is held stays, and the rest is set round it", () => {
    const held = new Map([["receiver", 0]]);
    const plan = planLevels(RADIO, testSound(0.25), TARGETS, held);
    expect(knob(plan, "output")).toBe(-36);
    expect(plan.knobs.find(({ id }) => id === "output")!.isHeld).toBe(true);
    expect(plan.peakDbfs).toBeGreaterThan(-13.1);
    expect(plan.snrDba).toBeLessThanOrEqual(planLevels(RADIO, testSound(0.25), TARGETS).snrDba + 1e-9);
  });
});

describe("a radio into a recorder", () => {
  test("puts the loudest peaks at the target, within a step, for every voice the chain can take", () => {
    fc.assert(
      fc.property(fc.double({ min: -12, max: 14, noNaN: true }), fc.constantFrom(...EFFORTS), (offsetDb, loudest) => {
        const plan = planLevels(RADIO, testSound(0.25, loudest, 30, offsetDb), TARGETS);
        if (loudest === "whisper" || loudest === "soft") return;
        expect(plan.peakDbfs).toBeLessThanOrEqual(-12 + 2e-6);
        expect(plan.peakDbfs).toBeGreaterThan(-13.01);
        expect(plan.isClean).toBe(true);
        for (const { headroomDb, reserveDb, id } of plan.stages)
          if (headroomDb !== null && id !== "file") expect(headroomDb).toBeGreaterThanOrEqual(reserveDb - 1e-6);
      }),
      { numRuns: 60 },
    );
  });

  test("settings lie on the devices' own steps", () => {
    const plan = planLevels(RADIO, testSound(0.2, "loud"), TARGETS);
    const [pack, receiver] = [genericFigures("pack"), genericFigures("receiver")];
    expect((knob(plan, "sensitivity") - pack.sensitivityMinDb) % pack.sensitivityStepDb).toBeCloseTo(0, 9);
    expect((knob(plan, "output") - receiver.outputMinDb) % receiver.outputStepDb).toBeCloseTo(0, 9);
    expect(knob(plan, "gain") % genericFigures("input").gainStepDb).toBeCloseTo(0, 9);
  });

  test("a louder voice turns the pack down, never only the recorder", () => {
    const soft = planLevels(RADIO, testSound(0.25, "normal"), TARGETS);
    const shout = planLevels(RADIO, testSound(0.05, "shout"), TARGETS);
    expect(knob(shout, "sensitivity")).toBeLessThan(knob(soft, "sensitivity"));
  });

  test("more noise in the place is less voice over noise, and the place is blamed", () => {
    const quiet = planLevels(RADIO, testSound(0.25, "normal", 20), TARGETS);
    const loud = planLevels(RADIO, testSound(0.25, "normal", 60), TARGETS);
    expect(loud.snrDb).toBeLessThan(quiet.snrDb - 20);
    expect(loud.noiseSources[0]!.isPlace).toBe(true);
    expect(loud.advice).toContainEqual({ code: "chain.noiseIsPlace" });
  });

  test("the stage said to clip first does clip at the level said, and not below it", () => {
    const sound = testSound(0.25, "loud");
    const plan = planLevels(RADIO, sound, TARGETS);
    const { firstToClip, settings } = plan;
    const shiftDb = firstToClip.headroomDb;
    const at = (byDb: number) => followChain(RADIO, settings, testSound(0.25, "loud", 35, byDb), TARGETS).firstToClip;
    expect(at(shiftDb + 0.1).headroomDb).toBeLessThan(0);
    expect(at(shiftDb - 0.1).headroomDb).toBeGreaterThan(0);
    expect(at(0).id).toBe(firstToClip.id);
  });

  test("of every voice it is known which one clips first", () => {
    const plan = planLevels(RADIO, testSound(0.25, "normal"), TARGETS);
    expect(plan.firstToClip.atEffort).toBe("loud");
    expect(planLevels(RADIO, testSound(0.25, "shout"), TARGETS).firstToClip.atEffort).toBeNull();
  });
});

describe("what no later knob cures is said in those words", () => {
  test("a voice the pack cannot take: the cure is at the capsule, and a capsule that much less sensitive does cure it", () => {
    const radio = {
      pack: { ...genericFigures("pack"), fullInputDbv: -66 },
      receiver: genericFigures("receiver"),
      isTypical: true,
    };
    const sound = testSound(0.05, "shout");
    const plan = planLevels(stagesOfWay(testWay("receiver", "recorder35", { radio })), sound, TARGETS);
    expect(plan.isClean).toBe(false);
    expect(plan.firstToClip.id).toBe("pack");
    const [cure] = plan.advice;
    if (cure?.code !== "chain.packOverloadsAtLowest") throw new Error(cure?.code);
    const { lessDb } = cure;
    const mic = { ...TEST_LAV, sensitivityMvPerPa: TEST_LAV.sensitivityMvPerPa * 10 ** (-lessDb / 20) };
    expect(planLevels(stagesOfWay(testWay("receiver", "recorder35", { radio, mic })), sound, TARGETS).isClean).toBe(
      true,
    );
  });

  test("an overloaded capsule is named as such", () => {
    const mic = { ...TEST_LAV, maxSplDb: 95 };
    const plan = planLevels(stagesOfWay(testWay("receiver", "recorder35", { mic })), testSound(0.1, "loud"), TARGETS);
    expect(plan.advice[0]).toMatchObject({ code: "chain.capsuleOverloads" });
  });

  test("a held pack that overloads is turned down at the pack", () => {
    const plan = planLevels(RADIO, testSound(0.05, "shout"), TARGETS, new Map([["pack", 10]]));
    expect(plan.advice[0]).toMatchObject({ code: "chain.packOverloads" });
  });
});

describe("ways of all kinds", () => {
  const ways = {
    "lavalier straight into a recorder": stagesOfWay(testWay("lavSelf", "recorder35")),
    "mic on phantom power": stagesOfWay(testWay("micPhantom", "recorderXlr")),
    "desk into a line input": stagesOfWay(testWay("deskXlr", "recorderLine")),
    "desk into an input that can be either": stagesOfWay(testWay("deskXlr", "recorderSwitched")),
    "interface into a phone": stagesOfWay(testWay("micDynamic", "phoneData", { mic: TEST_CONDENSER })),
    "radio into a phone": stagesOfWay(testWay("receiver", "phone")),
    "radio into a computer": stagesOfWay(testWay("receiver", "computerMic")),
    "radio into a streaming mixer": stagesOfWay(testWay("receiverBalanced", "streamMixer")),
    "radio into a camera": stagesOfWay(testWay("receiver", "cameraNoPhones")),
    "digital radio into a computer": stagesOfWay(testWay("receiverUsb", "computerUsb")),
    "recorder's own pair": stagesOfWay({ ...testWay("lavSelf", "recorder35"), source: null, parts: [] }),
  };
  test.each(Object.entries(ways))(
    "%s: every stage stays clean and the file ends at the target or what there is",
    (name, chain) => {
      const sound = chain[0].unit === "dBu" ? null : testSound(0.25);
      const plan = planLevels(chain, sound ?? feed(18), TARGETS);
      expect(plan.isClean).toBe(true);
      // A phone has no gain of its own: what is before it turns by 3 dB.
      if (plan.knobs.length > 0) expect(plan.peakDbfs).toBeGreaterThan(name === "radio into a phone" ? -15 : -13.01);
      expect(plan.stages.at(-1)!.unit).toBe("dBFS");
    },
  );

  test("a computer has four gain stages in a row; the system stays at full and the boost comes before the trim", () => {
    const plan = planLevels(ways["radio into a computer"], testSound(0.25), TARGETS);
    expect(plan.knobs.map(({ id }) => id)).toEqual(["sensitivity", "output", "boost", "system", "trim"]);
    expect(knob(plan, "system")).toBe(0);
  });

  test("halving the system's level does not cure what clips before it", () => {
    const chain = ways["radio into a computer"];
    const boost = chain.findIndex(({ id }) => id === "converter");
    const most = chain[boost]!.positions.length - 1;
    const receiver = chain.find(({ id }) => id === "receiver")!;
    const held = new Map([
      ["converter", most],
      ["receiver", receiver.positions.length - 1],
      ["pack", chain.find(({ id }) => id === "pack")!.positions.length - 3],
    ]);
    const plan = planLevels(chain, testSound(0.25), TARGETS, held);
    expect(plan.peakDbfs).toBeLessThanOrEqual(-12);
    expect(plan.isClean).toBe(false);
    expect(plan.advice.map(({ code }) => code)).toContain("chain.computerClips");
  });

  test("an input of which only the socket is known gives a range, and the range holds what its figures would give", () => {
    const way = testWay("receiverBalanced", "streamMixer");
    const own = { ...way.input, id: "my-mixer" };
    const known = (fullScaleDbu: number) =>
      stagesOfWay({
        ...way,
        input: own,
        levels: { ...way.levels, levels: { ...way.levels.levels, fullScaleDbu }, spreadDb: 0 },
      });
    const unknown = stagesOfWay({ ...way, input: own, levels: { ...way.levels, spreadDb: 6 } });
    const gain = planLevels(unknown, testSound(0.25), TARGETS).knobs.find(({ id }) => id === "gain")!;
    expect(gain.lowDb).toBeLessThan(gain.highDb);
    expect(gain.says).toMatch(/ to /);
    for (const offDb of [-6, 6]) {
      const exact = knob(planLevels(known(way.levels.levels.fullScaleDbu + offDb), testSound(0.25), TARGETS), "gain");
      expect(exact).toBeGreaterThanOrEqual(gain.lowDb - 0.01);
      expect(exact).toBeLessThanOrEqual(gain.highDb + 0.01);
    }
  });

  test("no speech over noise is better than that of the least noisy stage", () => {
    const plan = planLevels(ways["mic on phantom power"], testSound(0.3, "raised", 20), TARGETS);
    expect(plan.snrOctavesDb).toHaveLength(7);
    const loudestSource = plan.noiseSources[0]!;
    expect(plan.noiseDbfs).toBeGreaterThanOrEqual(loudestSource.dbfs);
    expect(at(plan, "file").noise).toBeCloseTo(plan.noiseDbfs, 6);
    expect(TEST_CONDENSER.selfNoiseDba).toBe(16);
  });
});

test("devices that cannot be are told: overload below the own noise, next to no room above it", () => {
  expect(deviceFaults(RADIO)).toEqual([]);
  const faults = (mic: object) =>
    deviceFaults(stagesOfWay(testWay("receiver", "recorder35", { mic: { ...TEST_LAV, ...mic } })));
  expect(faults({ maxSplDb: 20 })[0]).toEqual({
    ...{ code: "chain.overloadBelowNoise", stage: "Capsule", device: "lavalier" },
  });
  expect(faults({ maxSplDb: 40 })[0]).toMatchObject({ code: "chain.littleRange", rangeDb: 12 });
});
