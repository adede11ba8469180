import fc from "fast-check";
import { inLong } from "../../fixtures/inLong";
import { say } from "../../messages";
import { type Input, INPUTS, PARTS, type Source, SOURCES } from "../devices";
import { findPath, judgePath } from "../connect";
import { schemaFaults } from "../schema";
import { GENERIC_SYSTEMS } from "../wireless";
import { FAULT_IDS, withFaults, type FaultId } from "./faults";
import { causeMessages, diagnose, symptomsThatCanBe, type Story } from "./finder";
import { hear } from "./heardOnPath";
import { probeOf } from "./probes";
import { allRight, devicesOf, fromTheBag, later, machineOf, Rehearsal, turnKnob } from "./rehearsal";
import { setupOf, throughParts, type SignalPath } from "./signalPath";
import { symptomsOf } from "./symptoms";
import { devicesAt, doStep, missingAt, stepMessages } from "./walk";
import { signatureOf, stepsOf } from "./steps";

const [TUNED, , BANKS, KIT] = GENERIC_SYSTEMS;

function setup(source: Source, input: Input, own: Partial<SignalPath> = {}): SignalPath {
  const way = findPath(source, input, PARTS)!;
  const isRadio = source.kind === "receiver";
  return setupOf({
    name: "Wearer 1",
    source,
    input,
    way: way.parts,
    settings: way.settings,
    shelf: PARTS,
    system: isRadio ? TUNED! : null,
    frequencyMHz: isRadio ? 531.2 : null,
    modulationDb: 6,
    sampleRateHz: 48_000,
    bits: 24,
    ...own,
  });
}

/** Every source into every input that a lead can serve; radios of three kinds. */
const EVERY: readonly SignalPath[] = Object.values(SOURCES).flatMap((source: Source) =>
  Object.values(INPUTS).flatMap((input: Input) => {
    const path = findPath(source, input, PARTS);
    return path?.verdict === "works" || path?.verdict === "worksIfSet" ? [setup(source, input)] : [];
  }),
);
const MILLER = setup(SOURCES.receiverBalanced, INPUTS.recorderXlr);
const PHONE_LAV = setup(SOURCES.lavSelf, INPUTS.phone);
const named = ({ source, input }: SignalPath) => `${source.id} into ${input.id}`;

test("what is set right is heard right, on every way that works", () => {
  expect(EVERY.length).toBeGreaterThan(50);
  for (const each of EVERY) {
    const right = allRight(each);
    expect([named(each), schemaFaults(Rehearsal, right)]).toEqual([named(each), []]);
    expect([named(each), symptomsOf(each, right)]).toEqual([named(each), []]);
    for (const step of stepsOf(each))
      expect([named(each), step, missingAt(each, right, step)]).toEqual([named(each), step, null]);
  }
});

test("what the leads' judge calls silently wrong is never heard right (every lead of the catalogue in the place of the right one)", () => {
  let wrong = 0;
  for (const each of EVERY) {
    const right = allRight(each);
    for (const [index, meant] of each.way.entries())
      for (const other of PARTS) {
        const parts = each.way.with(index, other);
        const arrived = throughParts(each.source, each.source.loudestDbu, parts, each.input);
        if (!arrived || other.id === meant.id) continue;
        const { verdict, because } = judgePath(each.source, parts, arrived.carried, each.input);
        const isLevel = because.some(({ code }) => code === "connect.tooLoud" || code === "connect.tooWeak");
        if (verdict !== "silentlyWrong" || isLevel) continue;
        wrong += 1;
        const heard = symptomsOf(each, { ...right, leads: parts.map(({ id }) => id) });
        expect([named(each), parts.map(({ id }) => id), heard]).not.toEqual([
          named(each),
          parts.map(({ id }) => id),
          [],
        ]);
      }
  }
  expect(wrong).toBeGreaterThan(50);
});

test("the walk goes from the bag to a proved link, step by step; nothing is done before it is", () => {
  for (const each of [
    ...EVERY,
    setup(SOURCES.receiver, INPUTS.recorder35, { system: BANKS!, frequencyMHz: 570.125 }),
    setup(SOURCES.receiver, INPUTS.phone, { system: KIT!, frequencyMHz: null }),
  ]) {
    let rehearsal = fromTheBag(each);
    for (const step of stepsOf(each)) {
      expect([named(each), step, missingAt(each, fromTheBag(each), step)]).not.toEqual([named(each), step, null]);
      expect(stepMessages(each, step).map(say).join(" ")).not.toMatch(/undefined|NaN/);
      expect(devicesAt(each, step).length).toBeGreaterThan(0);
      rehearsal = doStep(each, rehearsal, step);
      expect([named(each), step, missingAt(each, rehearsal, step)]).toEqual([named(each), step, null]);
    }
    expect([named(each), symptomsOf(each, rehearsal)]).toEqual([named(each), []]);
  }
});

test("by hand, as on real ones: reset, scan with the pack off, tune, hold to the window", () => {
  let rehearsal = fromTheBag(MILLER);
  const said: (string | null)[] = [];
  const turn = (device: Parameters<typeof turnKnob>[2], knob: string, value: boolean | string | number = true) => {
    const turned = turnKnob(MILLER, rehearsal, device, knob, value);
    rehearsal = turned.rehearsal;
    said.push(turned.says && say(turned.says));
  };
  expect(missingAt(MILLER, rehearsal, "reset")).toEqual({ code: "missing.freshBatteries" });
  for (const device of ["pack", "receiver"] as const) for (const knob of ["batteries", "reset"]) turn(device, knob);
  expect(missingAt(MILLER, rehearsal, "reset")).toBeNull();
  turn("scanner", "scan");
  rehearsal = later(MILLER, rehearsal, 61);
  expect(missingAt(MILLER, rehearsal, "scan")).toEqual({ code: "missing.heardOwn" });
  turn("pack", "isOn", false);
  turn("scanner", "scan");
  rehearsal = later(MILLER, rehearsal, 30);
  expect(missingAt(MILLER, rehearsal, "scan")).toEqual({ code: "missing.scanning" });
  turn("scanner", "skip");
  expect(missingAt(MILLER, rehearsal, "scan")).toBeNull();
  turn("receiver", "frequencyMHz", 531.2);
  turn("receiver", "isSyncing");
  turn("pack", "isAtWindow");
  expect(said.at(-1)).toBe("The pack is off.");
  turn("pack", "isOn", true);
  turn("pack", "isAtWindow");
  expect(rehearsal.pack!.frequencyMHz).toBe(531.2);
  expect(rehearsal.receiver!.isSyncing).toBe(false);
});

test("devices refuse what real ones refuse, and say why", () => {
  const right = allRight(MILLER);
  const says = (knob: string, value: boolean | string | number, from = right) =>
    turnKnob(MILLER, from, "recorder", knob, value).says;
  expect(says("bits", "16")).toEqual({ code: "device.rolling" });
  expect(says("gainDb", 400)).toMatchObject({ code: "device.range", minimum: 0, maximum: 56, unit: "dB" });
  expect(says("gainDb", Number.NaN)).toMatchObject({ code: "device.range", minimum: 0, maximum: 56, unit: "dB" });
  const held = { ...right, recorder: { ...right.recorder!, isHold: true } };
  expect(says("stop", true, held)).toEqual({ code: "device.hold" });
  expect(says("isHold", false, held)).toBeNull();
  const full = { ...right, recorder: { ...right.recorder!, storageMb: 0, transport: "stopped" as const } };
  expect(says("record", true, full)).toEqual({ code: "device.full" });
  const asInterface = turnKnob(
    MILLER,
    { ...right, recorder: { ...right.recorder!, transport: "stopped" } },
    "recorder",
    "isInterface",
    true,
  );
  expect(says("record", true, asInterface.rehearsal)).toEqual({ code: "device.interface" });
  expect(() => turnKnob(MILLER, right, "recorder", "no such knob", true)).toThrow(RangeError);
  expect(() => turnKnob(MILLER, right, "phone", "isOn", true)).toThrow(RangeError);
});

test("time drains batteries, fills storage, and a full card ends the take", () => {
  const right = allRight(MILLER);
  const hour = later(MILLER, right, 3600);
  // 48 kHz × 24 bit × 3600 s = 518.4 MB; worked by hand.
  expect(right.recorder!.storageMb - hour.recorder!.storageMb).toBeCloseTo(518.4, 6);
  expect(hour.recorder!.recordedS).toBe(3600);
  expect(hour.pack!.batteryPercent).toBeCloseTo(100 - 100 / TUNED!.batteryH, 6);
  const day = later(MILLER, { ...right, recorder: { ...right.recorder!, storageMb: 100 } }, 3600);
  expect(day.recorder).toMatchObject({ storageMb: 0, transport: "stopped" });
  expect(later(MILLER, right, 24 * 3600).pack!.batteryPercent).toBe(0);
});

test("nothing a hand can do to any device breaks its state (property)", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...EVERY),
      fc.array(fc.tuple(fc.nat(), fc.nat(), fc.oneof(fc.boolean(), fc.double(), fc.string())), { maxLength: 40 }),
      (each, moves) => {
        let rehearsal = fromTheBag(each);
        const devices = devicesOf(each);
        for (const [one, other, value] of moves) {
          const device = devices[one % devices.length]!;
          const { knobs } = machineOf(each, device);
          const knob = knobs[other % knobs.length]!;
          const good =
            knob.kind === "turn"
              ? knob.minimum + (other % 3) * knob.step
              : knob.kind === "choice"
                ? knob.options[other % knob.options.length]!.value
                : true;
          rehearsal = turnKnob(each, rehearsal, device, knob.id, one % 2 ? good : value).rehearsal;
          if (one % 5 === 0) rehearsal = later(each, rehearsal, other % 10_000);
          expect(schemaFaults(Rehearsal, rehearsal)).toEqual([]);
        }
        hear(each, rehearsal, "line");
      },
    ),
    { numRuns: 60 },
  );
});

/** Follows the finder with the answers of a link that has these faults; what it names in the end. */
function followed(
  each: SignalPath,
  ids: readonly FaultId[],
  ruledOut: readonly FaultId[] = [],
): { causes: readonly (readonly FaultId[])[]; asked: number } {
  const world = withFaults(each, ids)!;
  const [symptom] = symptomsOf(each, world);
  let story: Story = { symptom: symptom!, answers: {}, skipped: [], ruledOut };
  let asked = 0;
  for (;;) {
    const { causes, next } = diagnose(each, story);
    if (next === null) return { causes, asked };
    const answer = probeOf(next).answer(each, world);
    story =
      answer === null
        ? { ...story, skipped: [...story.skipped, next] }
        : { ...story, answers: { ...story.answers, [next]: answer } };
    asked += 1;
  }
}

inLong("every fault is noticed, and found from its symptom alone on every way that works", () => {
  let faults = 0;
  let most = 0;
  for (const each of EVERY)
    for (const id of FAULT_IDS) {
      const world = withFaults(each, [id]);
      if (!world) continue;
      const symptoms = symptomsOf(each, world);
      // Some faults do no harm on some ways: a gain that is right there already, an output that may be full.
      if (symptoms.length === 0) continue;
      faults += 1;
      const { causes, asked } = followed(each, [id]);
      expect([named(each), id, causes[0]]).toEqual([named(each), id, [id]]);
      expect([named(each), id, causes.length]).toEqual([named(each), id, 1]);
      most = Math.max(most, asked);
      expect([...causeMessages(each, [id]).says, ...causeMessages(each, [id]).cure].map(say).join(" ")).not.toMatch(
        /undefined|NaN/,
      );
    }
  expect(faults).toBeGreaterThan(400);
  expect(most).toBeLessThanOrEqual(9);
});

test("two at once: curing what is found, and asking again, ends with a link that is right", () => {
  for (const each of [
    MILLER,
    PHONE_LAV,
    setup(SOURCES.receiver, INPUTS.recorder35),
    setup(SOURCES.deskXlr, INPUTS.recorderSwitched),
  ])
    for (const [index, one] of FAULT_IDS.entries())
      for (const other of FAULT_IDS.slice(index + 1)) {
        let left: FaultId[] = [one, other];
        if (!withFaults(each, left)) continue;
        let ruledOut: FaultId[] = [];
        for (let round = 0; round < 6 && symptomsOf(each, withFaults(each, left)!).length > 0; round += 1) {
          // What is named first is tried; what was not it is ruled out, and the finder asked again.
          const tried = followed(each, left, ruledOut).causes[0] ?? [];
          expect([one, other, tried.length > 0]).toEqual([one, other, true]);
          const isCured = left.some((id) => tried.includes(id));
          left = left.filter((id) => !tried.includes(id));
          ruledOut = isCured ? [] : [...ruledOut, ...tried];
        }
        expect([named(each), one, other, symptomsOf(each, withFaults(each, left)!)]).toEqual([
          named(each),
          one,
          other,
          [],
        ]);
      }
});

test("recording, but it sounds far away: the taps come first, then the adapter's kind (common practice)", () => {
  const story: Story = { symptom: "far", answers: {}, skipped: [], ruledOut: [] };
  const first = diagnose(PHONE_LAV, story);
  expect(first.causes.flat()).toEqual(expect.arrayContaining(["wrongAdapter", "unplugged", "slipped"]));
  const recorder = setup(SOURCES.lavSelf, INPUTS.recorder35);
  for (const each of [recorder, PHONE_LAV]) expect(diagnose(each, story).next).toBe("taps");
  const world = withFaults(PHONE_LAV, ["wrongAdapter"])!;
  expect(probeOf("taps").answer(PHONE_LAV, world)).toBe("device");
  const { causes } = followed(PHONE_LAV, ["wrongAdapter"]);
  expect(causes).toEqual([["wrongAdapter"]]);
  expect(causeMessages(PHONE_LAV, ["wrongAdapter"]).cure.map(say).join()).toContain(
    "phone adapter for self-powered mics",
  );
});

test("what does not fit anything is said to fit nothing", () => {
  const odd: Story = {
    symptom: "hollow",
    answers: { packLamp: "no", receiverLamp: "yes", time: "no" },
    skipped: [],
    ruledOut: [],
  };
  expect(diagnose(MILLER, odd)).toEqual({ causes: [], next: null });
  expect(symptomsThatCanBe(MILLER)).toEqual(expect.arrayContaining(["nothing", "follows", "dead", "buzz"]));
});

test("a tick holds for what it was made for: another frequency asks for sync again, not for the lead", () => {
  const moved = { ...MILLER, frequencyMHz: 533 };
  expect(signatureOf(moved, "sync")).not.toBe(signatureOf(MILLER, "sync"));
  expect(signatureOf(moved, "connect")).toBe(signatureOf(MILLER, "connect"));
  expect(signatureOf({ ...MILLER, way: [] }, "connect")).not.toBe(signatureOf(MILLER, "connect"));
});
