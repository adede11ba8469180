import fc from "fast-check";
import { DEVICE_SCHEMAS, GENERIC_DEVICES, genericFigures } from "./devices";
import { planGain, runChain, type Chain, type SoundAtCapsule } from "./gainPlan";
import { schemaFaults } from "../schema/validate";

const CHAIN: Chain = {
  lav: genericFigures("lav"),
  pack: genericFigures("pack"),
  receiver: genericFigures("receiver"),
  input: genericFigures("input"),
};
const TARGETS = { targetDbfs: -12, ceilingDbfs: -6 };
const sound = (loudestDb: number, noiseDb = 40): SoundAtCapsule => ({
  softestDb: loudestDb - 12,
  normalDb: loudestDb - 6,
  loudestDb,
  noiseDb,
});

test("the shipped devices fit their own schemas", () => {
  for (const device of GENERIC_DEVICES) expect(schemaFaults(DEVICE_SCHEMAS[device.kind], device.figures)).toEqual([]);
});

describe("planGain", () => {
  test("puts the loudest peaks at the target, within a step, for every voice the chain can take", () => {
    fc.assert(
      fc.property(fc.double({ min: 62, max: 104, noNaN: true }), (loudestDb) => {
        const plan = planGain(CHAIN, sound(loudestDb), TARGETS);
        expect(plan.peakDbfs).toBeLessThanOrEqual(-12 + 2e-6);
        expect(plan.peakDbfs).toBeGreaterThan(-13.01);
        expect(plan.isClean).toBe(true);
      }),
      { numRuns: 25 },
    );
  });

  test("settings lie on the devices' own steps", () => {
    const { settings } = planGain(CHAIN, sound(90), TARGETS);
    expect((settings.sensitivityDb - CHAIN.pack.sensitivityMinDb) % CHAIN.pack.sensitivityStepDb).toBeCloseTo(0, 9);
    expect((settings.outputDb - CHAIN.receiver.outputMinDb) % CHAIN.receiver.outputStepDb).toBeCloseTo(0, 9);
    expect(settings.gainDb % CHAIN.input.gainStepDb).toBeCloseTo(0, 9);
  });

  test("no other setting of the knobs is as clean, as near the target and quieter", () => {
    const best = planGain(CHAIN, sound(88), TARGETS);
    for (let sensitivityDb = -30; sensitivityDb <= 0; sensitivityDb += 3)
      for (let outputDb = -36; outputDb <= 0; outputDb += 3)
        for (let gainDb = 0; gainDb <= 40; gainDb += 1) {
          const other = runChain(CHAIN, { sensitivityDb, outputDb, gainDb }, sound(88), TARGETS);
          const pack = other.stages.find((stage) => stage.id === "pack")!;
          if (pack.headroomDb! < 3 || Math.abs(other.peakDbfs - best.peakDbfs) > 0.01) continue;
          expect(other.snrDb).toBeLessThanOrEqual(best.snrDb + 1e-9);
        }
  });

  test("a voice the pack cannot take names the cure at the capsule, not at a later knob", () => {
    const deaf: Chain = { ...CHAIN, pack: { ...CHAIN.pack, fullInputDbv: -70 } };
    const plan = planGain(deaf, sound(112), TARGETS);
    expect(plan.isClean).toBe(false);
    expect(plan.firstToClip.id).toBe("pack");
    expect(plan.advice.join(" ")).toMatch(/capsule \d+ dB less sensitive/);
  });

  test("an overloaded capsule is named as such", () => {
    const weak: Chain = { ...CHAIN, lav: { ...CHAIN.lav, maxSplDb: 95 } };
    expect(planGain(weak, sound(95), TARGETS).advice[0]).toContain("capsule itself");
  });

  test("more noise in the place is less speech over noise, and the place is blamed", () => {
    const quiet = planGain(CHAIN, sound(80, 30), TARGETS);
    const loud = planGain(CHAIN, sound(80, 60), TARGETS);
    expect(loud.snrDb).toBeLessThan(quiet.snrDb - 20);
    expect(loud.noiseSources[0]!.name).toBe("the place");
  });

  test("the stage said to clip first does clip at the level said", () => {
    const plan = planGain(CHAIN, sound(84), TARGETS);
    const { firstToClip, settings } = plan;
    const louder = runChain(CHAIN, settings, sound(firstToClip.atSplDb + 0.1), TARGETS);
    expect(louder.firstToClip.headroomDb).toBeLessThan(0);
    const softer = runChain(CHAIN, settings, sound(firstToClip.atSplDb - 0.1), TARGETS);
    expect(softer.firstToClip.headroomDb).toBeGreaterThan(0);
  });
});
