import type { ConnectCatalogue } from "../../core/connect";
import type { PlacedSetting, SettingCatalogue } from "../../core/devices";
import { saidBy, type Templates } from "../templates";
import { lowerFirst } from "./words";

/** Settings as they are said on a card of their own device. */
export const settings: Templates<SettingCatalogue> = {
  "setting.asWritten": ({ text }) => text,
  "setting.plugInOn": () => "Plug-in power on",
  "setting.plugInOff": () => "Plug-in power off",
  "setting.phantomOn": () => "Phantom power on",
  "setting.phantomOff": () => "Phantom power off, before plugging in",
  "setting.line": () => "Switched to line",
  "setting.turnDown": ({ byDb }) =>
    byDb === null ? "Turned down as far as it goes" : `Turned down by at least ${byDb} dB`,
  "setting.unlink": () => "Unlinked from its neighbour: a mono track of its own",
  "setting.external": () => "Input: external, not the recorder's own mics",
  "setting.tapTest": () => "Tap the mic, then the phone: the mic must be louder",
  "setting.micSocket": () => "The mic socket, not the headphone socket",
  "setting.levelOrder": () => "Boost off, then the system's level, then the program's",
  "setting.chooseInSystem": () => "Choose it in the system and in the program; compare it with the analogue way",
  "setting.ownChannel": () => "A channel of its own, so that wired and wireless can be switched",
  "setting.nobodyListens": () => "No headphones here: play back the first take, or record beside it",
  "setting.interfaceMenu": () => "Recorder's menu: audio interface, stereo, mobile",
  "setting.chooseAsInput": () => "Choose it as the input",
  "setting.twoInputs": () => "Left and right are two channels: two inputs, or one of them",
  "setting.charged": () => "Charge the phone: the adapter draws power from it",
};

/** A setting on the card of its device. */
export const settingWords = saidBy(settings);

/** A setting with the device that it is made on. */
export function placedWords({ device, setting }: PlacedSetting): string {
  switch (setting.code) {
    case "setting.plugInOn":
    case "setting.plugInOff":
    case "setting.phantomOn":
      return `${settingWords(setting)} at ${device}`;
    case "setting.phantomOff":
      return `Phantom power off at ${device}, before plugging in`;
    case "setting.line":
      return `Switch ${device} to line`;
    case "setting.turnDown":
      return setting.byDb === null
        ? `Turn ${device} down as far as it goes`
        : `Turn ${device} down by at least ${setting.byDb} dB`;
    case "setting.unlink":
      return `Unlink ${device} from its neighbour: a mono track of its own`;
    default:
      return settingWords(setting);
  }
}

const through = (parts: readonly string[]): string => (parts.length === 0 ? "straight in" : parts.join(", then "));

export const connect: Templates<ConnectCatalogue> = {
  "connect.cancelled": () =>
    "The same signal on both contacts is taken as a difference: next to nothing is left. Take a cable that uses one of them.",
  "connect.otherHeadsetWiring": ({ input }) =>
    `The four-pole plug is wired to the other standard: ${input} hears nothing, and records its own mic.`,
  "connect.nothingOnMicContact": ({ input }) =>
    `Nothing reaches the microphone's contact: ${input} keeps its own mic and still records.`,
  "connect.headsetContactUnmet": ({ input }) => `A headset's microphone contact meets nothing in ${input}.`,
  "connect.balancedIntoStereo": () =>
    "A balanced signal in a stereo socket: left and right are inverted, and cancel where they are summed.",
  "connect.onlyLeft": () => "One channel in a stereo socket: only the left is recorded.",
  "connect.unreadable": ({ source, input }) => `${input} cannot read what ${source} sends.`,
  "connect.powerHeldBack": ({ source, input, hasOwnMic }) =>
    `The adapter keeps the power from ${source}: ${hasOwnMic ? `${input} keeps its own mic and still records` : "it stays silent"}. Take one for plug-in-powered mics.`,
  "connect.noPlugInPower": ({ source, input }) => `${input} gives no plug-in power: ${source} stays silent.`,
  "connect.noPhantom": ({ source }) => `No phantom power reaches ${source}: it stays silent.`,
  "connect.phantomHarms": ({ source, input }) => `${input} feeds phantom power that ${source} must not get.`,
  "connect.notNoticed": ({ source, input }) =>
    `${input} does not notice ${source} on this adapter, keeps its own mic and still records. Take one for battery-powered mics.`,
  "connect.tooLoud": ({ device, overDb, cure, padDb }) =>
    `${overDb} dB too loud for ${device}: it clips however low the gain. ${
      cure === "padBefore" ? "Put a pad before it." : `Take a line input, or a pad of ${padDb} dB.`
    }`,
  "connect.tooWeak": ({ input, byDb }) =>
    `${byDb} dB too weak for ${input}: it records, but in noise. Take a mic input.`,
  "connect.otherPackWiring": ({ source, input }) =>
    `${source} is not wired for ${input}, though the plug may fit: silence, noise or no power. Take the adapter made for it.`,
  "connect.speakerPower": ({ input }) =>
    `A speaker outlet into ${input} can destroy it: only into a DI box made for speaker level, or ask for a line or aux send.`,
  "connect.askAnalogue": ({ source }) =>
    `Nothing analogue comes out of ${source}: ask its operator for an XLR, aux or USB send.`,
  "connect.doesNotPass": ({ source, cable }) => `Not the ${cable}: it passes nothing of ${source}.`,
  "connect.wrongCable": ({ cable, because }) =>
    `Not the ${cable}: ${because ? lowerFirst(faultWords(because)) : "it fails."}`,
  "connect.noInput": () => "It has no sound input: record beside it, and clap at the head of each take.",
  "connect.noWay": ({ source, input }) => `Nothing here connects ${source} to ${input}.`,
  "connect.works": ({ parts, settings: toSet }) =>
    `Works: ${through(parts)}.${toSet.length > 0 ? ` Set: ${toSet.map(placedWords).join("; ")}.` : ""}`,
  "connect.fails": ({ parts, canDamage, because }) =>
    `${canDamage ? "Can do damage" : "Fails without a warning"}: ${through(parts)}.${because ? ` ${faultWords(because)}` : ""}`,
};

const faultWords = saidBy(connect);
