import { firstMHz } from "./radio";
import { presetName } from "../wireless";
import type { PlacedSetting } from "../devices";
import { minus } from "../sound";
import { hear } from "./hear";
import { allRight, devicesOf, targetOf, type DeviceId, type Rehearsal } from "./rehearsal";
import { gainWords, type Setup } from "./setup";
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
export function devicesAt(setup: Setup, step: StepId): DeviceId[] {
  const named = STEP_DEVICES[step].map((id) => (id === "target" ? targetOf(setup) : id));
  return devicesOf(setup).filter((id) => named.includes(id));
}

const tunedTo = ({ system, frequencyMHz }: Setup): string => {
  if (frequencyMHz === null) return "the frequency that Link finds";
  const preset = system ? presetName(system, frequencyMHz) : null;
  return `${frequencyMHz.toFixed(3)} MHz${preset ? `, ${preset}` : ""}`;
};

/** What has to be done at a step, with this link's own figures. */
export function stepWords(setup: Setup, id: StepId): (string | PlacedSetting)[] {
  const { way, settings, input, right, system, sampleRateHz, bits } = setup;
  const isDesk = setup.source.kind === "desk" || setup.source.kind === "speaker";
  switch (id) {
    case "reset":
      return [
        "Fresh batteries in pack and receiver.",
        "Factory reset of both: unknown leftovers cause unknown faults.",
      ];
    case "scan":
      return ["All own transmitters off.", "Scan where the shoot will be; it takes about a minute."];
    case "bank":
      return [`Receiver to ${tunedTo(setup)}.`];
    case "sync":
      return system?.band === "uhf"
        ? ["Receiver to sync.", "Hold the pack's window to it until it ticks."]
        : ["Receiver to sync.", "Switch the pack on beside it until its lamp stands still."];
    case "confirm":
      return ["RF lamp steady, name shown, mute off.", "Walk the ground the talent will walk, listening."];
    case "connect":
      return [
        way.length > 0
          ? `${way.map(({ name }) => name).join(", then ")}, into ${input.name}.`
          : `Straight into the ${input.name}.`,
        ...settings.filter(({ setting }) => setting.code !== "setting.unlink" && setting.code !== "setting.tapTest"),
      ];
    case "unlink":
      return ["Input menu: unlink it from its neighbour. A mono track of its own, with its own level."];
    case "arm":
      return input.kind === "recorder" || input.kind === "camera"
        ? [
            `${sampleRateHz / 1000} kHz, ${bits} bit. Automatic level off.`,
            "Room on the card, battery full, hold off. Arm.",
          ]
        : ["Input: the socket. Automatic level and noise suppression off.", "Room, battery, flight mode. Arm."];
    case "tap":
      return [
        `Tap the mic, then the ${input.name.split(",")[0]}: the mic must be louder. If not, it hears its own mic.`,
      ];
    case "line":
      return [
        isDesk ? "Ask for the loudest part." : "Have them say the loudest line, as loud as they will.",
        ...(system
          ? [`Pack's sensitivity ${minus(right.sensitivityDb)} dB, receiver's output ${minus(right.outputDb)} dB.`]
          : []),
        ...gainWords(setup).map(
          (says) => `${says.charAt(0).toUpperCase()}${says.slice(1)}: peaks near −12, never above −6 dBFS.`,
        ),
      ];
  }
}

const LINE_BAND_DBFS = [-20, -5.9] as const;
/** A device without a gain is taken as it comes. */
const GAINLESS_BAND_DBFS = [-30, 0] as const;
const hasNoLess = ({ input, right }: Setup): boolean => input.kind === "phone" || right.gainDb === 0;

/** What is still missing at a step on the simulated devices; null when it is done. */
export function missingAt(setup: Setup, rehearsal: Rehearsal, id: StepId): string | null {
  const { pack, receiver, scanner, recorder } = rehearsal;
  const target = rehearsal[targetOf(setup)]!;
  switch (id) {
    case "reset":
      if (!pack || !receiver) return null;
      if (pack.batteryPercent < 80 || receiver.batteryPercent < 80) return "Batteries: not fresh in both.";
      return pack.wasReset && receiver.wasReset ? null : "Not reset in both.";
    case "scan":
      if (!scanner?.isDone) return scanner?.secondsLeft ? "Scanning." : "Not scanned yet.";
      return scanner.heardOwn ? "The pack was on while it scanned: off, and again." : null;
    case "bank":
      return receiver && Math.abs(receiver.frequencyMHz - (setup.frequencyMHz ?? -1)) < 0.001
        ? null
        : `The receiver is not at ${tunedTo(setup)}.`;
    case "sync":
      if (!pack?.isOn) return "The pack is off.";
      return receiver &&
        receiver.pairedName !== "" &&
        receiver.pairedName === pack.name &&
        Math.abs(receiver.frequencyMHz - pack.frequencyMHz) < 0.001
        ? null
        : "The receiver does not show this pack.";
    case "confirm": {
      if (!hear(setup, rehearsal, "silence").receiverLamp) return "The RF lamp is dark.";
      if (pack?.isMuted) return "The pack is muted.";
      if (hear(setup, rehearsal, "line").from === "strangers") return "Somebody else is on this frequency.";
      return rehearsal.isWalked ? null : "The ground is not walked yet.";
    }
    case "connect": {
      if (rehearsal.leads.join() !== setup.way.map((part) => part.id).join()) return "Not this lead.";
      if (!rehearsal.isPlugged) return "Not plugged in.";
      if (hear(setup, rehearsal, "line").isBuzzing) return "Phantom power is on: off first.";
      if (
        "isPhantomOn" in target &&
        setup.source.needs === "phantom" &&
        !target.isPhantomOn &&
        setup.input.phantom === "switched" &&
        !setup.way.some(({ feedsPhantom }) => feedsPhantom)
      )
        return "Phantom power is off.";
      if (setup.source.needs === "plugIn" && setup.input.plugIn === "switched" && !recorder?.isPlugInOn)
        return "Plug-in power is off.";
      return setup.isLine && !recorder?.isLine ? "The input does not stand at line." : null;
    }
    case "unlink":
      return recorder?.isLinked ? "Still linked." : null;
    case "arm": {
      if (!("transport" in target)) return null;
      if ("source" in target && target.source === "own") return "It listens to its own mic.";
      if (target.isAutoLevelOn) return "Automatic level is on.";
      if (recorder && (recorder.sampleRateHz !== setup.sampleRateHz || recorder.bits !== setup.bits))
        return "Another format.";
      if (recorder?.isHold) return "Hold is on.";
      return target.transport === "stopped" ? "Not armed." : null;
    }
    case "tap": {
      const [mic, device] = (["tapMic", "tapDevice"] as const).map(
        (tap) => hear(setup, rehearsal, tap).leftDbfs ?? -Infinity,
      );
      if (mic === -Infinity && device === -Infinity) return "Neither is heard.";
      return mic! > device! + 3 ? null : "The device is louder: it hears its own mic.";
    }
    case "line": {
      const heard = hear(setup, rehearsal, "line");
      const [least, most] = hasNoLess(setup) ? GAINLESS_BAND_DBFS : LINE_BAND_DBFS;
      if (heard.leftDbfs === null) return "Nothing comes in.";
      if (heard.from === "device") return "It hears its own mic.";
      if (heard.from === "strangers") return "Somebody else is on this frequency.";
      if (heard.isClipped) return "It clips.";
      if (heard.leftDbfs > most) return "Too loud.";
      if (heard.leftDbfs < least) return "Too quiet.";
      return heard.isRolling ? null : "Not recording: press record, and see the time count.";
    }
  }
}

/** The step done as it should be on the simulated devices, whatever stands there now. */
export function doStep(setup: Setup, rehearsal: Rehearsal, id: StepId): Rehearsal {
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
