import { isFeed } from "../devices";
import { firstMHz } from "./radio";
import { presetName } from "../wireless";
import { hear } from "./heardOnPath";
import type { MissingMessage, WalkMessage } from "./messages";
import { allRight, devicesOf, targetOf, type DeviceId, type Rehearsal } from "./rehearsal";
import { gainMessages, type SignalPath, powerOf } from "./signalPath";
import type { StepId } from "./steps";

const STEP_DEVICES: Record<StepId, readonly (DeviceId | "target")[]> = {
  reset: ["pack", "receiver"],
  scan: ["pack", "scanner"],
  bank: ["receiver"],
  sync: ["pack", "receiver"],
  confirm: ["pack", "receiver"],
  connect: ["receiver", "houseDesk", "target"],
  unlink: ["target"],
  arm: ["target"],
  tap: ["pack", "receiver", "target"],
  line: ["pack", "receiver", "houseDesk", "target"],
};

/** The devices that a step is done on, source first. */
export function devicesAt(setup: SignalPath, step: StepId): DeviceId[] {
  const named = STEP_DEVICES[step].map((id) => (id === "target" ? targetOf(setup) : id));
  return devicesOf(setup).filter((id) => named.includes(id));
}

const tuningOf = ({ system, frequencyMHz }: SignalPath) => ({
  frequencyMHz,
  preset: system && frequencyMHz !== null ? presetName(system, frequencyMHz) : null,
});

/** What has to be done at a step, with this link's own figures. */
export function stepMessages(setup: SignalPath, id: StepId): WalkMessage[] {
  const { way, settings, input, right, system, sampleRateHz, bits } = setup;
  const isDesk = isFeed(setup.source);
  switch (id) {
    case "reset":
      return [{ code: "walk.freshBatteries" }, { code: "walk.factoryReset" }];
    case "scan":
      return [{ code: "walk.transmittersOff" }, { code: "walk.scan" }];
    case "bank":
      return [{ code: "walk.tune", ...tuningOf(setup) }];
    case "sync":
      return [
        { code: "walk.receiverToSync" },
        { code: system?.band === "uhf" ? "walk.holdToWindow" : "walk.switchOnBeside" },
      ];
    case "confirm":
      return [{ code: "walk.lampNameMute" }, { code: "walk.walkTheGround" }];
    case "connect":
      return [
        { code: "walk.plug", cables: way.map(({ name }) => name), input: input.name },
        ...settings
          .filter(({ setting }) => setting.code !== "setting.unlink" && setting.code !== "setting.tapTest")
          .map((placed): WalkMessage => ({ code: "walk.set", placed })),
      ];
    case "unlink":
      return [{ code: "walk.unlink" }];
    case "arm":
      return input.kind === "recorder" || input.kind === "camera"
        ? [{ code: "walk.format", sampleRateHz, bits }, { code: "walk.armRecorder" }]
        : [{ code: "walk.chooseSocket" }, { code: "walk.armPhone" }];
    case "tap":
      return [{ code: "walk.tap", device: input.name.split(",")[0]! }];
    case "line":
      return [
        { code: isDesk ? "walk.askDesk" : "walk.loudestLine" },
        ...(system
          ? [{ code: "walk.radioLevels" as const, sensitivityDb: right.sensitivityDb, outputDb: right.outputDb }]
          : []),
        ...gainMessages(setup).map((gain): WalkMessage => ({ code: "walk.peaks", gain })),
      ];
  }
}

const LINE_BAND_DBFS = [-20, -5.9] as const;
/** A device without a gain is taken as it comes. */
const GAINLESS_BAND_DBFS = [-30, 0] as const;
const hasNoLess = ({ input, right }: SignalPath): boolean => input.kind === "phone" || right.gainDb === 0;

/** What is still missing at a step on the simulated devices; null when it is done. */
export function missingAt(setup: SignalPath, rehearsal: Rehearsal, id: StepId): MissingMessage | null {
  const { pack, receiver, scanner, recorder } = rehearsal;
  const target = rehearsal[targetOf(setup)]!;
  switch (id) {
    case "reset":
      if (!pack || !receiver) return null;
      if (pack.batteryPercent < 80 || receiver.batteryPercent < 80) return { code: "missing.freshBatteries" };
      return pack.wasReset && receiver.wasReset ? null : { code: "missing.reset" };
    case "scan":
      if (!scanner?.isDone) return { code: scanner?.secondsLeft ? "missing.scanning" : "missing.scan" };
      return scanner.heardOwn ? { code: "missing.heardOwn" } : null;
    case "bank":
      return receiver && Math.abs(receiver.frequencyMHz - (setup.frequencyMHz ?? -1)) < 0.001
        ? null
        : { code: "missing.tuning", ...tuningOf(setup) };
    case "sync":
      if (!pack?.isOn) return { code: "missing.packOff" };
      return receiver &&
        receiver.pairedName !== "" &&
        receiver.pairedName === pack.name &&
        Math.abs(receiver.frequencyMHz - pack.frequencyMHz) < 0.001
        ? null
        : { code: "missing.paired" };
    case "confirm": {
      if (!hear(setup, rehearsal, "silence").receiverLamp) return { code: "missing.lamp" };
      if (pack?.isMuted) return { code: "missing.muted" };
      if (hear(setup, rehearsal, "line").from === "strangers") return { code: "missing.strangers" };
      return rehearsal.isWalked ? null : { code: "missing.walk" };
    }
    case "connect": {
      if (rehearsal.leads.join() !== setup.way.map((part) => part.id).join()) return { code: "missing.cable" };
      if (!rehearsal.isPlugged) return { code: "missing.plug" };
      if (hear(setup, rehearsal, "line").isBuzzing) return { code: "missing.phantomOff" };
      if (
        "isPhantomOn" in target &&
        powerOf(setup) === "phantom" &&
        !target.isPhantomOn &&
        setup.input.phantom === "switched" &&
        !setup.way.some(({ feedsPhantom }) => feedsPhantom)
      )
        return { code: "missing.phantom" };
      if (powerOf(setup) === "plugIn" && setup.input.plugIn === "switched" && !recorder?.isPlugInOn)
        return { code: "missing.plugIn" };
      return setup.isLine && !recorder?.isLine ? { code: "missing.line" } : null;
    }
    case "unlink":
      return recorder?.isLinked ? { code: "missing.unlink" } : null;
    case "arm": {
      if (!("transport" in target)) return null;
      if ("source" in target && target.source === "own") return { code: "missing.socket" };
      if (target.isAutoLevelOn) return { code: "missing.autoLevel" };
      if (recorder && (recorder.sampleRateHz !== setup.sampleRateHz || recorder.bits !== setup.bits))
        return { code: "missing.format" };
      if (recorder?.isHold) return { code: "missing.hold" };
      return target.transport === "stopped" ? { code: "missing.arm" } : null;
    }
    case "tap": {
      const [mic, device] = (["tapMic", "tapDevice"] as const).map(
        (tap) => hear(setup, rehearsal, tap).leftDbfs ?? -Infinity,
      );
      if (mic === -Infinity && device === -Infinity) return { code: "missing.taps" };
      return mic! > device! + 3 ? null : { code: "missing.deviceLouder" };
    }
    case "line": {
      const heard = hear(setup, rehearsal, "line");
      const [least, most] = hasNoLess(setup) ? GAINLESS_BAND_DBFS : LINE_BAND_DBFS;
      if (heard.leftDbfs === null) return { code: "missing.signal" };
      if (heard.from === "device") return { code: "missing.socket" };
      if (heard.from === "strangers") return { code: "missing.strangers" };
      if (heard.isClipped) return { code: "missing.clips" };
      if (heard.leftDbfs > most) return { code: "missing.tooLoud" };
      if (heard.leftDbfs < least) return { code: "missing.tooQuiet" };
      return heard.isRolling ? null : { code: "missing.record" };
    }
  }
}

/** The step done as it should be on the simulated devices, whatever stands there now. */
export function doStep(setup: SignalPath, rehearsal: Rehearsal, id: StepId): Rehearsal {
  const right = allRight(setup);
  const target = targetOf(setup);
  const { pack, receiver } = rehearsal;
  const all = { ...right[target] } as Record<string, unknown>;
  const at = (...keys: string[]): Rehearsal => ({
    ...rehearsal,
    [target]: {
      ...rehearsal[target],
      ...Object.fromEntries(keys.filter((key) => key in all).map((key) => [key, all[key]])),
    },
  });
  switch (id) {
    case "reset": {
      const reset = {
        batteryPercent: 100,
        wasReset: true,
        ...(setup.system?.band === "uhf" && { frequencyMHz: firstMHz(setup.system) }),
      };
      return {
        ...rehearsal,
        pack: pack && { ...pack, ...reset, isOn: true, isMuted: false, sensitivityDb: 0, name: right.pack!.name },
        receiver: receiver && { ...receiver, ...reset, isOn: true, isSyncing: false, outputDb: 0, pairedName: "" },
      };
    }
    case "scan":
      return { ...rehearsal, pack: pack && { ...pack, isOn: false }, scanner: right.scanner };
    case "bank":
      return { ...rehearsal, receiver: receiver && { ...receiver, frequencyMHz: right.receiver!.frequencyMHz } };
    case "sync":
      return {
        ...rehearsal,
        pack: pack && {
          ...pack,
          isOn: true,
          isAtWindow: false,
          name: right.pack!.name,
          frequencyMHz: receiver!.frequencyMHz,
        },
        receiver: receiver && { ...receiver, isSyncing: false, pairedName: right.pack!.name },
      };
    case "confirm":
      return { ...rehearsal, pack: pack && { ...pack, isMuted: false }, strangersMHz: [], isWalked: true };
    case "connect":
      return {
        ...at("isPhantomOn", "isPlugInOn", "isLine", "isMuted"),
        houseDesk: right.houseDesk,
        leads: right.leads,
        isPlugged: true,
      };
    case "unlink":
      return at("isLinked");
    case "arm": {
      const armed = at(
        "isOn",
        "batteryPercent",
        "storageMb",
        "source",
        "isAutoLevelOn",
        "sampleRateHz",
        "bits",
        "isHold",
        "isInterface",
        "isFlightMode",
      );
      return { ...armed, [target]: { ...armed[target], ...("transport" in all && { transport: "armed" }) } };
    }
    case "tap":
      return rehearsal;
    case "line": {
      const set = at("gainDb", "boostDb", "systemDb", "trimDb", "isPadOn", "isMuted", "transport");
      return {
        ...set,
        pack: pack && { ...pack, sensitivityDb: right.pack!.sensitivityDb },
        receiver: receiver && { ...receiver, outputDb: right.receiver!.outputDb },
      };
    }
  }
}
