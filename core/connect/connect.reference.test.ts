import {
  HOUSE_OUTLETS,
  type Input,
  type InputId,
  INPUTS,
  mate,
  type Part,
  partOf,
  PARTS,
  type PlacedSetting,
  type Source,
  type SourceId,
  SOURCES,
} from "../devices";
import { findPath } from "./findPath";
import { begun, carriedOn, judgePath, type Judgement } from "./judgePath";
import { leadsForAll, pathMessage } from "./kit";

const way = (source: SourceId, input: InputId, parts: readonly Part[] = PARTS) =>
  findPath(SOURCES[source], INPUTS[input], parts)!;

/** What a certain chain does, whatever would be better. */
function chain(sourceId: SourceId, ids: readonly string[], inputId: InputId): Judgement {
  const source: Source = SOURCES[sourceId];
  const input: Input = INPUTS[inputId];
  const parts = ids.map(partOf);
  let [end, carried] = [source.end, begun(source)];
  for (const part of parts) {
    expect(mate(end, part.from)).toBe(true);
    carried = carriedOn(carried, part)!;
    end = part.to;
  }
  expect(mate(end, input.end)).toBe(true);
  return judgePath(source, parts, carried, input);
}

const codesOf = ({ settings }: { settings: readonly PlacedSetting[] }) => settings.map(({ setting }) => setting.code);

describe("the table of connections (common practice)", () => {
  test("receiver to recorder XLR: its own lead, phantom off, unlinked", () => {
    const balanced = way("receiverBalanced", "recorderXlr");
    expect(balanced.verdict).toBe("worksIfSet");
    expect(balanced.parts.map(({ id }) => id)).toEqual(["trs35-xlr"]);
    expect(codesOf(balanced)[0]).toBe("setting.phantomOff");
    expect(codesOf(balanced)).toContain("setting.unlink");
    const unbalanced = way("receiver", "recorderXlr");
    expect(unbalanced.parts.map(({ id }) => id)).toEqual(["ts35-xlr"]);
    // The other one's lead makes a difference of two signals that are the same.
    expect(chain("receiver", ["trs35-xlr"], "recorderXlr")).toMatchObject({ verdict: "silentlyWrong" });
    expect(chain("receiver", ["trs35-xlr"], "recorderXlr").because[0]!.code).toBe("connect.cancelled");
  });

  test("phantom that cannot be switched off can do damage; a block takes it away", () => {
    const always: Input = { ...INPUTS.recorderXlr, phantom: "always" };
    const lead = partOf("ts35-xlr");
    expect(judgePath(SOURCES.receiver, [lead], carriedOn(begun(SOURCES.receiver), lead)!, always).verdict).toBe(
      "damage",
    );
    const safe = findPath(SOURCES.receiver, always, PARTS)!;
    expect(safe.verdict).toBe("worksIfSet");
    expect(safe.parts.some(({ passesPhantom }) => !passesPhantom)).toBe(true);
  });

  test("receiver to recorder 3.5 mm: three-pole lead, receiver turned down or an attenuating lead", () => {
    const direct = way("receiver", "recorder35");
    expect(direct.parts.map(({ id }) => id)).toEqual(["trs35-trs35"]);
    expect(direct.settings).toContainEqual({
      ...{ on: "source", device: "receiver, unbalanced 3.5 mm", isLevel: true },
      setting: { code: "setting.turnDown", byDb: 6 },
    });
    expect(codesOf(chain("receiver", ["pad-35"], "recorder35"))).not.toContain("setting.turnDown");
    // A balanced output in a stereo socket is gone where left and right are summed.
    expect(chain("receiverBalanced", ["trs35-trs35"], "recorder35").because[0]!.code).toBe(
      "connect.balancedIntoStereo",
    );
    expect(way("receiverBalanced", "recorder35").parts.map(({ id }) => id)).toEqual(["trs35-both"]);
  });

  test("one-channel plugs in stereo sockets: only the left", () => {
    const left = chain("receiver", ["ts35-ts35"], "recorder35");
    expect(left.verdict).toBe("silentlyWrong");
    expect(left.because[0]!.code).toBe("connect.onlyLeft");
  });

  test("receiver to a phone: the microphone's contact of a four-pole plug, the phone's wiring standard", () => {
    const phone = way("receiver", "phone");
    expect(phone.parts.map(({ id }) => id)).toEqual(["lead-ctia"]);
    expect(codesOf(phone)).toContain("setting.tapTest");
    expect(way("receiver", "phoneOlder").parts.map(({ id }) => id)).toEqual(["lead-omtp"]);
    expect(chain("receiver", ["lead-omtp"], "phone").because[0]!.code).toBe("connect.otherHeadsetWiring");
    const bare = chain("receiver", ["trs35-trs35"], "phone");
    expect(bare.verdict).toBe("silentlyWrong");
    expect(bare.because[0]!.code).toBe("connect.nothingOnMicContact");
  });

  test("lavs into a phone: battery-powered and self-powered ones each want their adapter, the wrong one records the phone's own mic", () => {
    expect(way("lavBattery", "phone").parts.map(({ id }) => id)).toEqual(["adapter-battery"]);
    expect(way("lavSelf", "phone").parts.map(({ id }) => id)).toEqual(["adapter-self"]);
    for (const [lav, adapter] of [
      ["lavBattery", "adapter-self"],
      ["lavSelf", "adapter-battery"],
    ] as const) {
      const wrong = chain(lav, [adapter], "phone");
      expect(wrong.verdict).toBe("silentlyWrong");
      expect(["connect.powerHeldBack", "connect.notNoticed"]).toContain(wrong.because[0]!.code);
    }
    expect(chain("lavSelf", ["adapter-self-omtp"], "phone").because[0]!.code).toBe("connect.otherHeadsetWiring");
    // A swap mends the wiring.
    expect(chain("lavSelf", ["adapter-self-omtp", "ctia-omtp"], "phone").verdict).toBe("worksIfSet");
  });

  test("lavs into a recorder: plug-in power on for one, off for the other", () => {
    for (const [lav, power] of [
      ["lavSelf", "setting.plugInOn"],
      ["lavBattery", "setting.plugInOff"],
    ] as const) {
      const straight = way(lav, "recorder35");
      expect([straight.verdict, straight.parts]).toEqual(["worksIfSet", []]);
      expect(codesOf(straight)).toContain(power);
    }
    const none = findPath(SOURCES.lavSelf, { ...INPUTS.recorder35, plugIn: "never" }, []);
    expect(none!.because[0]!.code).toBe("connect.noPlugInPower");
  });

  test("receiver into a computer by USB and by its mic socket: boost and levels are named, and the comparison", () => {
    expect(way("receiverUsb", "computerUsb").parts.map(({ id }) => id)).toEqual(["usb-cc"]);
    expect(codesOf(way("receiverUsb", "computerUsb"))).toContain("setting.chooseInSystem");
    const analogue = way("receiver", "computerMic");
    expect(analogue.verdict).toBe("worksIfSet");
    expect(codesOf(analogue)).toEqual(
      expect.arrayContaining(["setting.turnDown", "setting.micSocket", "setting.levelOrder"]),
    );
  });

  test("receiver into a streaming mixer beside a wired mic: a channel of its own", () => {
    const mixer = way("receiver", "streamMixer");
    expect(mixer.verdict).toBe("worksIfSet");
    expect(codesOf(mixer)).toContain("setting.ownChannel");
  });

  test("XLR mics into a phone: by interface mode, USB and the camera adapter", () => {
    for (const mic of ["micPhantom", "micDynamic"] as const) {
      const path = way(mic, "phoneData");
      expect(path.verdict).toBe("worksIfSet");
      expect(path.parts.map(({ id }) => id)).toEqual(["interface", "usb-ca", "camera-adapter"]);
      expect(codesOf(path)).toContain("setting.interfaceMenu");
    }
  });

  test("an interface clips like any mic input: a desk needs a pad before it, and phantom off", () => {
    const bare = chain("deskXlr", ["interface", "usb-cc"], "computerUsb");
    expect(bare.because[0]).toMatchObject({ code: "connect.tooLoud", overDb: 24, cure: "padBefore" });
    const withoutCable = PARTS.filter(({ id }) => id !== "att-xlr-35");
    const padded = findPath(SOURCES.deskXlr, INPUTS.computerUsb, withoutCable)!;
    expect(padded.verdict).toBe("worksIfSet");
    expect(padded.parts.map(({ id }) => id)).toEqual(["pad-xlr-40", "interface", "usb-cc"]);
    expect(padded.settings).toContainEqual({
      ...{ on: 1, device: partOf("interface").name, isLevel: false },
      setting: { code: "setting.phantomOff" },
    });
    expect(codesOf(way("micPhantom", "computerUsb"))).toContain("setting.phantomOn");
  });

  test("nothing that feeds itself is noticed by a headset socket on a bare adapter", () => {
    expect(chain("micDynamic", ["xlr-trs35-dual", "adapter-self"], "phone").verdict).toBe("silentlyWrong");
    expect(chain("micDynamic", ["xlr-trs35-dual", "adapter-battery"], "phone").verdict).toBe("worksIfSet");
  });

  test("phantom: on for a condenser; none gives silence, unless a box feeds it", () => {
    expect(codesOf(way("micPhantom", "recorderXlr"))[0]).toBe("setting.phantomOn");
    const never: Input = { ...INPUTS.recorderXlr, phantom: "never" };
    expect(findPath(SOURCES.micPhantom, never, [partOf("xlr-xlr")])!.because[0]!.code).toBe("connect.noPhantom");
    expect(findPath(SOURCES.micPhantom, never, PARTS)!.parts.map(({ id }) => id)).toContain("phantom-box");
  });

  test("line into mic: how many dB over, 10 and 20 dB of pad do not suffice, 40 does; a line input is better", () => {
    const bare = chain("deskXlr", ["xlr-xlr"], "recorderXlr");
    expect(bare.because[0]).toMatchObject({ code: "connect.tooLoud", overDb: 24, cure: "lineOrPad", padDb: 30 });
    expect(chain("deskXlr", ["pad-xlr-10"], "recorderXlr").because[0]).toMatchObject({ overDb: 14 });
    expect(chain("deskXlr", ["pad-xlr-20"], "recorderXlr").because[0]).toMatchObject({ overDb: 4 });
    expect(chain("deskXlr", ["pad-xlr-40"], "recorderXlr").verdict).toBe("worksIfSet");
    expect(way("deskXlr", "recorderLine").parts.some(({ lossDb }) => lossDb > 0)).toBe(false);
    expect(codesOf(way("deskXlr", "recorderSwitched"))).toContain("setting.line");
    // The other way round: a microphone in a line input is lost.
    expect(chain("micDynamic", ["xlr-trs635"], "recorderLine").because[0]!.code).toBe("connect.tooWeak");
  });

  test("a house desk whose outlet is not known: the leads that cover every outlet", () => {
    const outlets = HOUSE_OUTLETS.map((id): Source => SOURCES[id]);
    const { ways, needed, missing } = leadsForAll(outlets, INPUTS.recorderLine, PARTS);
    expect(ways.every(({ path }) => path!.verdict === "works" || path!.verdict === "worksIfSet")).toBe(true);
    expect(needed).toHaveLength(3);
    expect(missing).toEqual(needed);
    const owned = PARTS.map((part) => (part.id === needed[0]!.id ? { ...part, isOwned: true } : part));
    expect(leadsForAll(outlets, INPUTS.recorderLine, owned).missing).toHaveLength(2);
  });

  test("a powered speaker's through as the last resort; a camera nobody can listen at; one without an input", () => {
    expect(way("speakerThrough", "recorderSwitched").verdict).toBe("worksIfSet");
    expect(codesOf(way("receiver", "cameraNoPhones"))).toContain("setting.nobodyListens");
    expect(pathMessage(null, SOURCES.receiver, null)).toEqual({ code: "connect.noInput" });
  });
});
