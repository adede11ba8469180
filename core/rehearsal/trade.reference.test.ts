import { say } from "../../messages";
import { INPUTS, SOURCES } from "../devices";
import { bankMessage, countBanks, EXAMPLE_REGIONS, GENERIC_SYSTEMS } from "../wireless";
import { withFaults, type FaultId } from "./faults";
import { causeMessages, diagnose } from "./finder";
import { hear } from "./heardOnPath";
import { SCAN_S } from "./radio";
import { allRight, fromTheBag, later, turnKnob } from "./rehearsal";
import { setupOf, type SignalPath } from "./signalPath";
import { genericSetup } from "./genericSetup";
import { type Symptom } from "./symptomIds";
import { symptomsOf } from "./symptoms";
import { missingAt, stepMessages } from "./walk";
import { STEP_IDS, stepsOf } from "./steps";

const RADIO = genericSetup(SOURCES.receiverBalanced, INPUTS.recorderXlr)!;
const causesOf = (setup: SignalPath, symptom: Symptom): FaultId[] =>
  diagnose(setup, { symptom, answers: {}, skipped: [], ruledOut: [] }).causes.flat();

describe("wireless: the order that works (common practice, no published source)", () => {
  test("reset, scan, bank, sync, confirm, connect, unlink, arm, tap, loudest line", () => {
    expect(STEP_IDS).toEqual(["reset", "scan", "bank", "sync", "confirm", "connect", "unlink", "arm", "tap", "line"]);
    expect(stepsOf(RADIO)).toEqual(STEP_IDS);
  });

  test("1: both packs on fresh batteries, both reset to factory settings", () => {
    const bag = fromTheBag(RADIO);
    expect(missingAt(RADIO, { ...bag, pack: { ...bag.pack!, batteryPercent: 100 } }, "reset")).toEqual({
      code: "missing.freshBatteries",
    });
    const both = {
      ...bag,
      pack: { ...bag.pack!, batteryPercent: 100 },
      receiver: { ...bag.receiver!, batteryPercent: 100, wasReset: true },
    };
    expect(missingAt(RADIO, both, "reset")).toEqual({ code: "missing.reset" });
  });

  test("2: the scan runs at the receiver with all own transmitters off, and takes about a minute", () => {
    const on = turnKnob(RADIO, fromTheBag(RADIO), "scanner", "scan", true).rehearsal;
    expect(on.scanner!.heardOwn).toBe(true);
    expect(later(RADIO, on, SCAN_S - 1).scanner!.isDone).toBe(false);
    expect(later(RADIO, on, SCAN_S).scanner!.isDone).toBe(true);
    expect(stepMessages(RADIO, "scan")).toEqual([{ code: "walk.transmittersOff" }, { code: "walk.scan" }]);
  });

  test("3: the bank with most free channels, all of a system from one bank", () => {
    const banked = GENERIC_SYSTEMS.find(({ banks }) => banks.length > 0)!;
    const [best] = countBanks(banked, EXAMPLE_REGIONS[0]!, [{ fromMHz: 566, toMHz: 569 }], null);
    expect(best!.bank.name).not.toBe("1");
    expect(bankMessage(countBanks(banked, EXAMPLE_REGIONS[0]!, [{ fromMHz: 566, toMHz: 569 }], null), "2").code).toBe(
      "banks.free",
    );
  });

  test("4: receiver to sync, the pack at its window, and nothing without either", () => {
    const right = allRight(RADIO);
    const apart = {
      ...right,
      pack: { ...right.pack!, frequencyMHz: 530 },
      receiver: { ...right.receiver!, pairedName: "" },
    };
    const held = turnKnob(RADIO, apart, "pack", "isAtWindow", true).rehearsal;
    expect(missingAt(RADIO, held, "sync")).not.toBeNull();
    expect(missingAt(RADIO, turnKnob(RADIO, held, "receiver", "isSyncing", true).rehearsal, "sync")).toBeNull();
  });

  test("5: lamp steady, name shown, mute off, and the ground walked", () => {
    const right = allRight(RADIO);
    expect(missingAt(RADIO, right, "confirm")).toBeNull();
    expect(missingAt(RADIO, { ...right, isWalked: false }, "confirm")).toEqual({ code: "missing.walk" });
    expect(missingAt(RADIO, { ...right, pack: { ...right.pack!, isMuted: true } }, "confirm")).toEqual({
      code: "missing.muted",
    });
    expect(missingAt(RADIO, { ...right, pack: { ...right.pack!, isOn: false } }, "confirm")).toEqual({
      code: "missing.lamp",
    });
  });

  test("6: never two transmitters on one frequency: the lamp stays lit without the pack, and somebody else is heard", () => {
    const two = withFaults(RADIO, ["twoOnOne"])!;
    expect(symptomsOf(RADIO, two)).toContain("strangers");
    const without = { ...two, pack: { ...two.pack!, isOn: false } };
    expect(hear(RADIO, without, "silence").receiverLamp).toBe(true);
  });

  test("2.4 GHz kits need no scan and nothing to tune", () => {
    const kit = setupOf({
      ...RADIO,
      system: GENERIC_SYSTEMS.find(({ band }) => band === "ism24")!,
      frequencyMHz: null,
    });
    expect(stepsOf(kit)).not.toEqual(expect.arrayContaining(["scan"]));
    expect(stepsOf(kit)).not.toEqual(expect.arrayContaining(["bank"]));
    expect(stepsOf(kit)).toEqual(expect.arrayContaining(["reset", "sync", "confirm"]));
  });

  test("weak audio with the right frequency: pack's sensitivity or receiver's output, not the frequency", () => {
    const causes = causesOf(RADIO, "quiet");
    expect(causes).toEqual(expect.arrayContaining(["sensitivityLow", "outputDown"]));
    expect(causes).not.toContain("wrongBank");
    expect(causes).not.toContain("twoOnOne");
    expect(causeMessages(RADIO, ["sensitivityLow"]).cure.map(say).join()).toContain("The frequency is not the cause");
  });
});

describe("connections: traps that only show by their symptom (common practice, no published source)", () => {
  test("two inputs of a small recorder may be linked: unlink them for a track and a level each", () => {
    expect(causesOf(RADIO, "follows")).toEqual(["stillLinked"]);
    expect(causeMessages(RADIO, ["stillLinked"]).cure.map(say).join()).toContain("a mono track");
  });

  test("the wrong adapter for a phone: it still records, with its own mic, far away", () => {
    for (const source of [SOURCES.lavSelf, SOURCES.lavBattery]) {
      const setup = genericSetup(source, INPUTS.phone)!;
      expect(symptomsOf(setup, withFaults(setup, ["wrongAdapter"])!)).toContain("far");
      expect(causesOf(setup, "far")).toContain("wrongAdapter");
    }
  });

  test("line into a mic input distorts at the lowest gain: line input, or a pad", () => {
    const setup = genericSetup(SOURCES.deskXlr, INPUTS.recorderSwitched)!;
    expect(setup.isLine).toBe(true);
    const asMic = withFaults(setup, ["micForLine"])!;
    expect(symptomsOf(setup, asMic)).toContain("distorted");
    expect(hear(setup, { ...asMic, recorder: { ...asMic.recorder!, gainDb: 0 } }, "line").isClipped).toBe(true);
  });

  test("phantom power must be off for a receiver", () => {
    expect(symptomsOf(RADIO, withFaults(RADIO, ["phantomOn"])!)).toContain("buzz");
    expect(missingAt(RADIO, withFaults(RADIO, ["phantomOn"])!, "connect")).toEqual({ code: "missing.phantomOff" });
  });

  test("a recorder as audio interface keeps nothing itself", () => {
    expect(symptomsOf(RADIO, withFaults(RADIO, ["interface"])!)).toContain("notKept");
  });
});
