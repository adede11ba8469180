import { gainTo, HEADSET, XLR, type InputLevels } from "./inputLevels";
import type { DeviceSetting } from "./settings";
import type { Connector, End, Part } from "./ports";

const plug = (connector: Connector): End => ({ connector, sex: "plug" });
const socket = (connector: Connector): End => ({ connector, sex: "socket" });

type Turns = Part["turns"];

/** All contacts go through as they are. */
const STRAIGHT: Turns = { balanced: "balanced", tip: "tip", dual: "dual", stereo: "stereo" };
/** Tip to hot, ring to cold. What is the same on both is gone. */
const TIP_AND_RING_TO_XLR: Turns = { balanced: "balanced", tip: "balanced", dual: "cancelled", stereo: "cancelled" };
/** Tip to hot, cold to the shield. */
const TIP_TO_XLR: Turns = { balanced: "balanced", tip: "balanced", dual: "balanced", stereo: "balanced" };
/** Hot to tip, cold to the shield: one channel. */
const XLR_TO_TIP: Turns = { balanced: "tip" };
/** Hot to tip and ring. */
const TO_BOTH: Turns = { balanced: "dual", tip: "dual", dual: "dual" };
/** Two poles only: the ring is shorted to the shield. */
const TIP_ONLY: Turns = { balanced: "tip", tip: "tip", dual: "tip", stereo: "tip" };
const TO_CTIA: Turns = { balanced: "headsetCtia", tip: "headsetCtia", dual: "headsetCtia", stereo: "headsetCtia" };
const TO_OMTP: Turns = { balanced: "headsetOmtp", tip: "headsetOmtp", dual: "headsetOmtp", stereo: "headsetOmtp" };
const DIGITAL: Turns = { digital: "digital" };

/** Timecode is one unbalanced signal: it goes where a tip goes, and stays what it is. */
const withTimecode = (turns: Turns): Turns => (turns.tip ? { ...turns, timecode: "timecode" } : turns);

const turned = (turns: Turns, own: Partial<Part>): Partial<Part> => ({ turns, ...own });

function part(id: string, name: string, from: End, to: End, own: Partial<Part>): Part {
  return {
    id,
    name,
    from,
    to,
    lossDb: 0,
    passesPlugIn: true,
    passesPhantom: false,
    isHeadsetLoad: false,
    settings: [],
    feedsPhantom: false,
    makesPlugIn: false,
    clipsDbu: null,
    isOwned: false,
    ...own,
    turns: withTimecode(own.turns ?? STRAIGHT),
  };
}

/** Half of a balanced signal is lost where only one leg of it is used, dB. */
const ONE_LEG_DB = 6;

const pad = (lossDb: number): Part =>
  // Resistors: phantom power goes through them.
  part(`pad-xlr-${lossDb}`, `XLR pad, ${lossDb} dB`, socket("xlr3"), plug("xlr3"), {
    ...{ lossDb, passesPlugIn: false, passesPhantom: true },
  });

/** Converters of a recorder as an audio interface, and of an adapter. Typical figures; common practice. */
export const INTERFACE: InputLevels = {
  ...XLR,
  maxInputDbu: -6,
  fullScaleDbu: -6,
  einDbu: -118,
  converterRangeDb: 105,
};
const INTERFACE_35: InputLevels = {
  ...HEADSET,
  maxInputDbu: -16,
  fullScaleDbu: -16,
  gain: gainTo(30),
  converterRangeDb: 94,
};

/** Interfaces: XLR in, digital out. Common practice for the order of their menus. */
const INTERFACE_MENU: DeviceSetting = { code: "setting.interfaceMenu" };

/**
 * Leads, adapters, pads and boxes that a bag may hold. Generic; wiring as it is usually sold. Common practice.
 * `from` is the end towards the source.
 */
export const PARTS: readonly Part[] = [
  part("xlr-xlr", "XLR cable", socket("xlr3"), plug("xlr3"), { passesPhantom: true }),
  part("xlr-xlr-long", "XLR cable, 10 m", socket("xlr3"), plug("xlr3"), { passesPhantom: true }),
  part("xlr-gender-m", "XLR gender changer, male to male", plug("xlr3"), plug("xlr3"), { passesPhantom: true }),
  part("xlr-gender-f", "XLR gender changer, female to female", socket("xlr3"), socket("xlr3"), { passesPhantom: true }),
  part(
    "trs35-xlr",
    "3.5 mm TRS to XLR cable, balanced",
    plug("jack35"),
    plug("xlr3"),
    turned(TIP_AND_RING_TO_XLR, { passesPhantom: true }),
  ),
  part(
    "ts35-xlr",
    "3.5 mm to XLR cable, unbalanced",
    plug("jack35"),
    plug("xlr3"),
    turned(TIP_TO_XLR, { passesPhantom: true }),
  ),
  part(
    "ts35-xlr-blocked",
    "3.5 mm to XLR adapter with phantom block",
    socket("jack35"),
    plug("xlr3"),
    turned(TIP_TO_XLR, { passesPlugIn: false }),
  ),
  part(
    "xlr-trs35-dual",
    "XLR to 3.5 mm TRS cable, both channels",
    socket("xlr3"),
    plug("jack35"),
    turned({ balanced: "dual" }, { lossDb: ONE_LEG_DB }),
  ),
  part(
    "xlr-ts635",
    "XLR to 6.35 mm TS cable",
    socket("xlr3"),
    plug("jack635"),
    turned(XLR_TO_TIP, { lossDb: ONE_LEG_DB }),
  ),
  part("xlr-trs635", "XLR to 6.35 mm TRS cable, balanced", socket("xlr3"), plug("jack635"), {}),
  part(
    "ts635-xlr",
    "6.35 mm TS to XLR cable",
    plug("jack635"),
    plug("xlr3"),
    turned(TIP_TO_XLR, { lossDb: ONE_LEG_DB, passesPhantom: true }),
  ),
  part(
    "trs635-xlr",
    "6.35 mm TRS to XLR cable, balanced",
    plug("jack635"),
    plug("xlr3"),
    turned(TIP_AND_RING_TO_XLR, { passesPhantom: true }),
  ),
  part("trs35-trs35", "3.5 mm TRS cable", plug("jack35"), plug("jack35"), {}),
  part("trs35-trs35-coil", "3.5 mm TRS cable, coiled", plug("jack35"), plug("jack35"), {}),
  part("ts35-ts35", "3.5 mm TS cable", plug("jack35"), plug("jack35"), turned(TIP_ONLY, {})),
  part(
    "trs35-both",
    "3.5 mm TRS cable, balanced to both channels",
    plug("jack35"),
    plug("jack35"),
    turned(TO_BOTH, { lossDb: ONE_LEG_DB }),
  ),
  part("trs35-extension", "3.5 mm extension", socket("jack35"), plug("jack35"), {}),
  part("trs35-coupler", "3.5 mm coupler, socket to socket", socket("jack35"), socket("jack35"), {}),
  part("trs35-right-angle", "3.5 mm right-angle adapter", socket("jack35"), plug("jack35"), {}),
  part(
    "mono-stereo35",
    "3.5 mm adapter, mono to both channels",
    socket("jack35"),
    plug("jack35"),
    turned({ tip: "dual", dual: "dual", stereo: "dual" }, {}),
  ),
  part("pad-35", "3.5 mm attenuating cable, 25 dB", plug("jack35"), plug("jack35"), {
    lossDb: 25,
    passesPlugIn: false,
  }),
  part("block-35", "3.5 mm plug-in power block", socket("jack35"), plug("jack35"), { passesPlugIn: false }),
  part(
    "lead-ctia",
    "3.5 mm TRS to TRRS cable, for phones",
    plug("jack35"),
    plug("jack35four"),
    turned(TO_CTIA, { passesPlugIn: false, isHeadsetLoad: true, lossDb: 20 }),
  ),
  part(
    "lead-omtp",
    "3.5 mm TRS to TRRS cable, OMTP",
    plug("jack35"),
    plug("jack35four"),
    turned(TO_OMTP, { passesPlugIn: false, isHeadsetLoad: true, lossDb: 20 }),
  ),
  part(
    "adapter-battery",
    "phone adapter for battery-powered mics",
    socket("jack35"),
    plug("jack35four"),
    turned(TO_CTIA, { passesPlugIn: false, isHeadsetLoad: true }),
  ),
  part(
    "adapter-self",
    "phone adapter for self-powered mics",
    socket("jack35"),
    plug("jack35four"),
    turned(TO_CTIA, {}),
  ),
  part(
    "adapter-self-omtp",
    "phone adapter for self-powered mics, OMTP",
    socket("jack35"),
    plug("jack35four"),
    turned(TO_OMTP, {}),
  ),
  part(
    "ctia-omtp",
    "TRRS adapter, CTIA to OMTP",
    socket("jack35four"),
    plug("jack35four"),
    turned({ headsetCtia: "headsetOmtp", headsetOmtp: "headsetCtia" }, {}),
  ),
  part(
    "splitter",
    "TRRS splitter, microphone and headphones",
    socket("jack35"),
    plug("jack35four"),
    turned(TO_CTIA, {}),
  ),
  part("trs35-trs635", "3.5 mm to 6.35 mm TRS cable", plug("jack35"), plug("jack635"), {}),
  part("ts35-ts635", "3.5 mm to 6.35 mm TS cable", plug("jack35"), plug("jack635"), turned(TIP_ONLY, {})),
  part("trs635-trs35", "6.35 mm to 3.5 mm TRS cable", plug("jack635"), plug("jack35"), {}),
  part(
    "ts635-trs35-dual",
    "6.35 mm to 3.5 mm cable, both channels",
    plug("jack635"),
    plug("jack35"),
    turned(TO_BOTH, { lossDb: ONE_LEG_DB }),
  ),
  part("ts635-ts635", "6.35 mm TS cable", plug("jack635"), plug("jack635"), turned(TIP_ONLY, { lossDb: ONE_LEG_DB })),
  part("trs635-trs635", "6.35 mm TRS cable", plug("jack635"), plug("jack635"), {}),
  part("jack-big", "6.35 mm adapter for 3.5 mm plugs", socket("jack35"), plug("jack635"), {}),
  part("jack-small", "3.5 mm adapter for 6.35 mm plugs", socket("jack635"), plug("jack35"), {}),
  part("rca-635", "RCA to 6.35 mm cable", plug("rca"), plug("jack635"), turned({ tip: "tip" }, {})),
  part("rca-35", "two RCA to 3.5 mm cable", plug("rca"), plug("jack35"), turned({ tip: "tip", stereo: "stereo" }, {})),
  part("rca-xlr", "RCA to XLR cable", plug("rca"), plug("xlr3"), turned({ tip: "balanced" }, {})),
  part("rca-rca", "RCA cable", plug("rca"), plug("rca"), turned({ tip: "tip", stereo: "stereo" }, {})),
  part("rca-635-adapter", "6.35 mm adapter for RCA plugs", socket("rca"), plug("jack635"), turned({ tip: "tip" }, {})),
  pad(10),
  pad(20),
  pad(40),
  part(
    "phantom-plugin",
    "3.5 mm to XLR adapter, phantom to plug-in power",
    socket("jack35"),
    plug("xlr3"),
    turned(TIP_TO_XLR, { makesPlugIn: true, passesPlugIn: false }),
  ),
  part(
    "pack35-xlr",
    "lav adapter, locking 3.5 mm to XLR, on phantom power",
    socket("lock35"),
    plug("xlr3"),
    turned({ pack35: "balanced" }, { makesPlugIn: true, passesPlugIn: false }),
  ),
  part(
    "pack3-xlr",
    "lav adapter, 3-pin to XLR, on phantom power",
    socket("pin3"),
    plug("xlr3"),
    turned({ pack3: "balanced" }, { makesPlugIn: true, passesPlugIn: false }),
  ),
  part(
    "pack4-xlr",
    "lav adapter, 4-pin to XLR, on phantom power",
    socket("pin4"),
    plug("xlr3"),
    turned({ pack4: "balanced" }, { makesPlugIn: true, passesPlugIn: false }),
  ),
  part(
    "pack35-trs",
    "lav adapter, locking 3.5 mm to plain 3.5 mm",
    socket("lock35"),
    plug("jack35"),
    turned({ pack35: "dual" }, {}),
  ),
  part("pack3-4", "lav adapter, 3-pin to 4-pin", socket("pin3"), plug("pin4"), turned({ pack3: "pack4" }, {})),
  part("pack4-3", "lav adapter, 4-pin to 3-pin", socket("pin4"), plug("pin3"), turned({ pack4: "pack3" }, {})),
  part(
    "pack35-4",
    "lav adapter, locking 3.5 mm to 4-pin",
    socket("lock35"),
    plug("pin4"),
    turned({ pack35: "pack4" }, {}),
  ),
  part(
    "pack35-3",
    "lav adapter, locking 3.5 mm to 3-pin",
    socket("lock35"),
    plug("pin3"),
    turned({ pack35: "pack3" }, {}),
  ),
  part(
    "trrs-trs",
    "four-pole to three-pole adapter, headset mic",
    socket("jack35four"),
    plug("jack35"),
    turned({ headsetCtia: "dual", headsetOmtp: "dual" }, {}),
  ),
  part(
    "att-xlr-35",
    "attenuating cable, XLR line to 3.5 mm mic, 40 dB",
    socket("xlr3"),
    plug("jack35"),
    turned({ balanced: "dual" }, { lossDb: 40, passesPlugIn: false }),
  ),
  part(
    "att-rca-35",
    "attenuating cable, two RCA to 3.5 mm mic, 40 dB",
    plug("rca"),
    plug("jack35"),
    turned({ stereo: "stereo", tip: "tip" }, { lossDb: 40, passesPlugIn: false }),
  ),
  part("xlr-split", "XLR splitter with a transformer", socket("xlr3"), plug("xlr3"), { passesPhantom: true }),
  part(
    "rca2-xlr2",
    "two RCA to two XLR cable",
    plug("rca"),
    plug("xlr3"),
    turned({ stereo: "balanced" }, { settings: [{ code: "setting.twoInputs" }] }),
  ),
  part(
    "rca2-635",
    "two RCA to two 6.35 mm cable",
    plug("rca"),
    plug("jack635"),
    turned({ stereo: "tip" }, { settings: [{ code: "setting.twoInputs" }] }),
  ),
  part(
    "speaker-di",
    "DI box for speaker level, 40 dB",
    plug("speaker"),
    plug("xlr3"),
    turned({ power: "balanced" }, { lossDb: 40, passesPlugIn: false }),
  ),
  part("isolator", "XLR isolating transformer", socket("xlr3"), plug("xlr3"), { passesPlugIn: false }),
  part(
    "di",
    "DI box, 20 dB",
    socket("jack635"),
    plug("xlr3"),
    turned({ balanced: "balanced", tip: "balanced" }, { lossDb: 20, passesPlugIn: false }),
  ),
  part("phantom-box", "phantom power box", socket("xlr3"), plug("xlr3"), {
    feedsPhantom: true,
    passesPlugIn: false,
  }),
  part(
    "interface",
    "recorder as audio interface, XLR to USB",
    socket("xlr3"),
    socket("usbC"),
    turned(
      { balanced: "digital" },
      { feedsPhantom: true, clipsDbu: -6, converter: INTERFACE, passesPlugIn: false, settings: [INTERFACE_MENU] },
    ),
  ),
  part(
    "interface-35",
    "USB sound adapter, 3.5 mm",
    socket("jack35"),
    plug("usbC"),
    turned(
      { stereo: "digital", dual: "digital" },
      { clipsDbu: -16, converter: INTERFACE_35, settings: [{ code: "setting.chooseAsInput" }] },
    ),
  ),
  part("usb-cc", "USB cable, C to C", plug("usbC"), plug("usbC"), turned(DIGITAL, { passesPlugIn: false })),
  part("usb-ca", "USB cable, C to A", plug("usbC"), plug("usbA"), turned(DIGITAL, { passesPlugIn: false })),
  part(
    "usb-micro-a",
    "USB cable, micro to A",
    plug("usbMicro"),
    plug("usbA"),
    turned(DIGITAL, { passesPlugIn: false }),
  ),
  part(
    "usb-a-c",
    "USB adapter, A socket to C plug",
    socket("usbA"),
    plug("usbC"),
    turned(DIGITAL, { passesPlugIn: false }),
  ),
  part(
    "camera-adapter",
    "phone's camera adapter",
    socket("usbA"),
    plug("phoneData"),
    turned(DIGITAL, { passesPlugIn: false, settings: [{ code: "setting.charged" }] }),
  ),
];

/** A part by its row. */
export function partOf(id: string): Part {
  const found = PARTS.find((each) => each.id === id);
  if (!found) throw new RangeError(`part ${id}: unknown`);
  return found;
}
