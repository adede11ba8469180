import type { InputId, PackInputId, SourceId } from "../../devices";
import type { PathVerdict } from "../judgePath";
import type { ConnectCatalogue } from "../messages";

/** What is to be joined, and what a recordist takes for it. Common practice throughout. */
export interface CableSituation {
  name: string;
  why: string;
  from: SourceId;
  to: InputId | PackInputId;
  /** What is in the bag, by id; the rest can be got. */
  owned?: readonly string[];
  /** Parts that must be, and must not be, on the way. */
  uses?: readonly string[];
  never?: readonly string[];
  verdict?: readonly PathVerdict[];
  /** Nothing connects the two, and this is said. */
  says?: keyof ConnectCatalogue;
  /** What must be set. */
  sets?: readonly string[];
  /** Why a cable that fits is the wrong one. */
  wrong?: Readonly<Record<string, keyof ConnectCatalogue>>;
}

const GOOD = ["works", "worksIfSet"] as const;

/** The half that the rows were made with. */
export const TUNED: readonly CableSituation[] = [
  {
    name: "a plug-in-power lav into an XLR input with phantom power",
    why: "the adapter that makes plug-in power out of phantom, not a phone's",
    ...{ from: "lavSelf", to: "recorderXlr" },
    ...{ uses: ["phantom-plugin"], never: ["adapter-self", "adapter-battery", "ts35-xlr"] },
    ...{ verdict: GOOD, sets: ["setting.phantomOn"] },
  },
  {
    name: "a plug-in-power lav into a phone's headset socket",
    why: "the adapter for self-powered mics",
    ...{ from: "lavSelf", to: "phone" },
    ...{ uses: ["adapter-self"], verdict: GOOD, wrong: { "adapter-battery": "connect.powerHeldBack" } },
  },
  {
    name: "a receiver into a phone",
    why: "an attenuating cable for phones; a plain TRS cable meets no microphone contact",
    ...{ from: "receiver", to: "phone", owned: ["trs35-trs35"] },
    ...{ uses: ["lead-ctia"], verdict: GOOD, wrong: { "trs35-trs35": "connect.nothingOnMicContact" } },
  },
  {
    name: "a receiver into a phone with USB C only",
    why: "it has no analogue input: an adapter with a converter",
    ...{ from: "receiver", to: "phoneUsbC" },
    ...{ uses: ["interface-35"], never: ["lead-ctia"], verdict: GOOD },
  },
  {
    name: "a condenser on an XLR cable",
    why: "phantom on",
    ...{ from: "micPhantom", to: "recorderXlr" },
    ...{ verdict: GOOD, sets: ["setting.phantomOn"] },
  },
  {
    name: "a dynamic mic on an XLR input",
    why: "no phantom is needed",
    ...{ from: "micDynamic", to: "recorderXlr" },
    ...{ verdict: GOOD },
  },
  {
    name: "a desk's line into a mic-only input",
    why: "a pad, or a line input; resistors let phantom through, so it is off",
    ...{ from: "deskXlr", to: "recorderXlr" },
    ...{ verdict: GOOD, sets: ["setting.phantomOff"] },
  },
  {
    name: "a desk's XLR into an input that can be line",
    why: "switched to line",
    ...{ from: "deskXlr", to: "recorderSwitched" },
    ...{ verdict: GOOD, sets: ["setting.line"], never: ["pad-xlr-40"] },
  },
  {
    name: "an RCA pair into a 3.5 mm recorder",
    why: "two channels stay two",
    ...{ from: "deskRcaPair", to: "recorder35" },
    ...{ uses: ["att-rca-35"], wrong: { "rca-35": "connect.tooLoud" } },
  },
  {
    name: "an amplifier's speaker outlet",
    why: "never into anything but a DI box for speaker level",
    ...{ from: "speakerOutlet", to: "recorderSwitched" },
    ...{ uses: ["speaker-di"], verdict: GOOD },
  },
  {
    name: "a digital desk",
    why: "ask for an analogue or USB send",
    ...{ from: "deskDigital", to: "recorderXlr" },
    ...{ says: "connect.askAnalogue" },
  },
  {
    name: "a pack lav with a locking plug into a 3.5 mm recorder",
    why: "the plug fits, the wiring does not",
    ...{ from: "lavLocking", to: "recorder35" },
    ...{ uses: ["pack35-trs"], verdict: GOOD },
  },
  {
    name: "a 3-pin lav into a 4-pin pack",
    why: "an adapter between the two",
    ...{ from: "lavThreePin", to: "packFourPin" },
    ...{ uses: ["pack3-4"], verdict: GOOD },
  },
  {
    name: "a four-pole headset into a recorder's three-pole socket",
    why: "the adapter that puts the mic's contact on the tip",
    ...{ from: "headset", to: "recorder35" },
    ...{ uses: ["trrs-trs"], verdict: GOOD },
  },
  {
    name: "a USB mic into a phone with USB C",
    why: "a C to C cable",
    ...{ from: "micUsb", to: "phoneUsbC" },
    ...{ uses: ["usb-cc"], verdict: GOOD },
  },
];

/** Written at the same time, looked at afterwards. */
export const HELD_OUT: readonly CableSituation[] = [
  {
    name: "a plug-in-power lav into a streaming mixer",
    why: "phantom there too",
    ...{ from: "lavSelf", to: "streamMixer" },
    ...{ uses: ["phantom-plugin"], verdict: GOOD, sets: ["setting.phantomOn"] },
  },
  {
    name: "a plug-in-power lav into a camera's XLR",
    why: "the same adapter",
    ...{ from: "lavSelf", to: "cameraXlr" },
    ...{ uses: ["phantom-plugin"], never: ["adapter-self"], verdict: GOOD },
  },
  {
    name: "a locking lav into an XLR input",
    why: "its own adapter, on phantom power",
    ...{ from: "lavLocking", to: "recorderXlr" },
    ...{ uses: ["pack35-xlr"], verdict: GOOD, sets: ["setting.phantomOn"] },
  },
  {
    name: "a 4-pin lav into an XLR input",
    why: "its own adapter, on phantom power",
    ...{ from: "lavFourPin", to: "recorderXlr" },
    ...{ uses: ["pack4-xlr"], never: ["phantom-plugin"], verdict: GOOD },
  },
  {
    name: "a locking lav into its own pack",
    why: "straight in",
    ...{ from: "lavLocking", to: "packLocking" },
    ...{ verdict: GOOD, never: ["pack35-trs"] },
  },
  {
    name: "a plain lav into a locking pack",
    why: "it fits, and is not wired for it",
    ...{ from: "lavSelf", to: "packLocking" },
    ...{ verdict: ["silentlyWrong"] },
  },
  {
    name: "a battery lav into a phone",
    why: "the adapter for battery-powered mics, or the phone does not notice it",
    ...{ from: "lavBattery", to: "phone" },
    ...{ uses: ["adapter-battery"], verdict: GOOD, wrong: { "adapter-self": "connect.notNoticed" } },
  },
  {
    name: "a receiver, balanced, into a stereo recorder",
    why: "to both channels, never the two legs as left and right",
    ...{ from: "receiverBalanced", to: "recorder35", owned: ["trs35-trs35"] },
    ...{ uses: ["trs35-both"], verdict: GOOD, wrong: { "trs35-trs35": "connect.balancedIntoStereo" } },
  },
  {
    name: "an aux send into a recorder's line input",
    why: "a balanced jack cable",
    ...{ from: "deskAux", to: "recorderLine" },
    ...{ uses: ["trs635-trs635"], verdict: GOOD },
  },
  {
    name: "an aux send into a recorder's combo socket",
    why: "the jack side takes line",
    ...{ from: "deskAux", to: "recorderCombo" },
    ...{ verdict: GOOD },
  },
  {
    name: "an RCA pair into XLR inputs",
    why: "two cables into two inputs",
    ...{ from: "deskRcaPair", to: "recorderSwitched" },
    ...{ uses: ["rca2-xlr2"], sets: ["setting.twoInputs"] },
  },
  {
    name: "a condenser into a phone with USB C",
    why: "a recorder as an interface feeds phantom and converts",
    ...{ from: "micPhantom", to: "phoneUsbC" },
    ...{ uses: ["interface", "usb-cc"], verdict: GOOD },
  },
  {
    name: "a condenser into a 3.5 mm recorder",
    why: "a phantom box before the cable",
    ...{ from: "micPhantom", to: "recorder35" },
    ...{ uses: ["phantom-box"], verdict: GOOD },
  },
  {
    name: "a desk's line into a camera's 3.5 mm",
    why: "an attenuating cable",
    ...{ from: "deskXlr", to: "cameraNoPhones" },
    ...{ uses: ["att-xlr-35"], verdict: GOOD, wrong: { "xlr-trs35-dual": "connect.tooLoud" } },
  },
  {
    name: "a USB receiver into a phone with USB C",
    why: "digital all the way",
    ...{ from: "receiverUsb", to: "phoneUsbC" },
    ...{ uses: ["usb-cc"], verdict: GOOD },
  },
  {
    name: "a timecode box into a recorder's timecode input",
    why: "a plain 3.5 mm cable",
    ...{ from: "timecodeBox", to: "recorderTimecode" },
    ...{ uses: ["trs35-trs35"], verdict: GOOD },
  },
  {
    name: "a timecode box into a camera's mic input",
    why: "timecode at line level clips a mic input: an attenuating cable",
    ...{ from: "timecodeBox", to: "cameraNoPhones" },
    ...{ uses: ["pad-35"], verdict: GOOD },
  },
  {
    name: "a receiver into a recorder's timecode input",
    why: "that socket records nothing",
    ...{ from: "receiver", to: "recorderTimecode" },
    ...{ verdict: ["silentlyWrong"] },
  },
];
