import fc from "fast-check";
import { type Input, INPUTS, partOf, type Source, SOURCES } from "../devices";
import { hear } from "./heardOnPath";
import { allRight, type Rehearsal } from "./rehearsal";
import { throughParts } from "./signalPath";
import { genericSetup } from "./genericSetup";

const setupFor = (source: Source, input: Input) => genericSetup(source, input)!;
const RADIO = setupFor(SOURCES.receiverBalanced, INPUTS.recorderXlr);
const radio = (own: { pack?: object; receiver?: object; recorder?: object } = {}, rest: Partial<Rehearsal> = {}) => {
  const right = allRight(RADIO);
  return {
    ...right,
    pack: { ...right.pack!, ...own.pack },
    receiver: { ...right.receiver!, ...own.receiver },
    recorder: { ...right.recorder!, ...own.recorder },
    ...rest,
  };
};
const peak = (rehearsal: Rehearsal, setup = RADIO) => hear(setup, rehearsal, "line").leftDbfs;

test("levels add up: pack, receiver, lead, gain; worked by hand", () => {
  // 6 dB over full modulation at 0 dB; −9 dB leaves 3 in hand. −4 dBu at full modulation, so −7 dBu arrive; full scale −6 dBu.
  const flat = radio({ pack: { sensitivityDb: -9 }, receiver: { outputDb: 0 }, recorder: { gainDb: 0 } });
  expect(peak(flat)).toBeCloseTo(-1, 6);
  expect(
    peak(radio({ pack: { sensitivityDb: -9 }, receiver: { outputDb: -18 }, recorder: { gainDb: 0 } })),
  ).toBeCloseTo(-19, 6);
  expect(
    peak(radio({ pack: { sensitivityDb: -9 }, receiver: { outputDb: -18 }, recorder: { gainDb: 7 } })),
  ).toBeCloseTo(-12, 6);
  // A pad of 20 dB at the input, and 6 dB less at the pack.
  expect(
    peak(radio({ pack: { sensitivityDb: -15 }, receiver: { outputDb: 0 }, recorder: { gainDb: 0, isPadOn: true } })),
  ).toBeCloseTo(-27, 6);
});

test("the pack clips however low the rest is; a socket clips whatever the gain; a pad cures the socket only", () => {
  const heard = (rehearsal: Rehearsal) => hear(RADIO, rehearsal, "line");
  const hot = radio({ pack: { sensitivityDb: 0 }, receiver: { outputDb: -36 }, recorder: { gainDb: 0 } });
  expect(heard(hot)).toMatchObject({ isClipped: true, receiverSound: "over" });
  // −4 dBu at full modulation into a socket that takes −6.
  const socket = radio({ pack: { sensitivityDb: -6 }, receiver: { outputDb: 0 }, recorder: { gainDb: 0 } });
  expect(heard(socket)).toMatchObject({ isClipped: true, receiverSound: "moves" });
  expect(
    heard(radio({ pack: { sensitivityDb: -6 }, receiver: { outputDb: 0 }, recorder: { gainDb: 0, isPadOn: true } }))
      .isClipped,
  ).toBe(false);
  expect(heard({ ...hot, recorder: { ...hot.recorder!, isPadOn: true } }).isClipped).toBe(true);
});

test("lamps and voices: dark without a carrier, lit by a stranger's, who is heard instead", () => {
  const off = radio({ pack: { isOn: false } });
  expect(hear(RADIO, off, "line")).toMatchObject({
    packLamp: false,
    receiverLamp: false,
    from: "nothing",
    leftDbfs: null,
  });
  const stranger = { ...off, strangersMHz: [off.receiver!.frequencyMHz] };
  expect(hear(RADIO, stranger, "line")).toMatchObject({ receiverLamp: true, from: "strangers" });
  expect(hear(RADIO, radio({ pack: { isMuted: true } }), "line")).toMatchObject({ receiverLamp: true, leftDbfs: null });
});

test("a phone without a microphone that it notices hears itself: taps on it are louder than taps on the mic", () => {
  const setup = setupFor(SOURCES.lavSelf, INPUTS.phone);
  const right = allRight(setup);
  const wrong = { ...right, leads: ["adapter-battery"] };
  const level = (rehearsal: Rehearsal, tap: "tapMic" | "tapDevice") =>
    hear(setup, rehearsal, tap).leftDbfs ?? -Infinity;
  expect(level(right, "tapMic")).toBeGreaterThan(level(right, "tapDevice"));
  expect(level(wrong, "tapDevice")).toBeGreaterThan(level(wrong, "tapMic"));
  expect(hear(setup, wrong, "line").from).toBe("device");
});

test("phantom power into a receiver buzzes, through a block it does not", () => {
  const buzz = radio({ recorder: { isPhantomOn: true } });
  expect(hear(RADIO, buzz, "line").isBuzzing).toBe(true);
  const blocked = setupFor(SOURCES.receiver, INPUTS.recorderXlr);
  const right = allRight(blocked);
  const through = {
    ...right,
    leads: ["trs35-trs35", "ts35-xlr-blocked"],
    recorder: { ...right.recorder!, isPhantomOn: true },
  };
  expect(hear(blocked, through, "line")).toMatchObject({ isBuzzing: false, from: "mic" });
});

test("one channel in a stereo socket is on the left only, a balanced one is hollow, the same on both as a difference is gone", () => {
  const minijack = setupFor(SOURCES.receiver, INPUTS.recorder35);
  const withLeads = (setup: typeof minijack, ids: string[]) => hear(setup, { ...allRight(setup), leads: ids }, "line");
  expect(withLeads(minijack, ["ts35-ts35"])).toMatchObject({ rightDbfs: null, from: "mic" });
  const balanced = setupFor(SOURCES.receiverBalanced, INPUTS.recorder35);
  expect(withLeads(balanced, ["trs35-trs35"]).isHollow).toBe(true);
  const xlr = setupFor(SOURCES.receiver, INPUTS.recorderXlr);
  expect(withLeads(xlr, ["trs35-xlr"])).toMatchObject({ leftDbfs: null, isBuzzing: false });
});

test("a box with a converter turns dBu into dBFS once, and clips above what it takes", () => {
  const [interface_, lead] = [partOf("interface"), partOf("usb-ca")];
  const chain = [interface_, lead, partOf("camera-adapter")];
  const phantom = throughParts(SOURCES.micPhantom, SOURCES.micPhantom.loudestDbu, chain, INPUTS.phoneData)!;
  // −18 dBu into a converter that is full at −6 dBu.
  expect(phantom.level).toBeCloseTo(-12, 6);
  expect(throughParts(SOURCES.micPhantom, 4, chain, INPUTS.phoneData)).toMatchObject({ level: 0, isClipped: true });
  expect(throughParts(SOURCES.micPhantom, -18, [lead], INPUTS.phoneData)).toBeNull();
});

test("more gain is never quieter, and what is muted, unplugged or broken is never heard (property)", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 50 }),
      fc.integer({ min: 0, max: 6 }),
      fc.boolean(),
      (gainDb, moreDb, isPadOn) => {
        const at = (gain: number) => peak(radio({ recorder: { gainDb: gain, isPadOn } }))!;
        expect(at(gainDb + moreDb)).toBeGreaterThanOrEqual(at(gainDb));
        for (const dead of [
          radio({ pack: { isMuted: true } }),
          radio({}, { isPlugged: false }),
          radio({}, { isLeadBroken: true }),
        ])
          expect(peak({ ...dead, recorder: { ...dead.recorder!, gainDb, isPadOn } })).toBeNull();
      },
    ),
  );
});

test("automatic level brings every voice to one level and says so by its pumping", () => {
  const auto = (own: object) => hear(RADIO, radio({ pack: own, recorder: { isAutoLevelOn: true } }), "line");
  expect(auto({ sensitivityDb: -9 }).leftDbfs).toBe(auto({ sensitivityDb: -27 }).leftDbfs);
  expect(auto({ sensitivityDb: -9 }).isPumping).toBe(true);
});
