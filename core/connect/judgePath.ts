import type { Carriage, DeviceSetting, Input, Part, PlacedSetting, Setting, Source } from "../devices";
import type { ConnectMessage } from "./messages";

/** Best first. */
export const PATH_VERDICTS = ["works", "worksIfSet", "silentlyWrong", "damage"] as const;
export type PathVerdict = (typeof PATH_VERDICTS)[number];

/** What has become of a source's signal on its way so far. */
export interface Carried {
  carriage: Carriage;
  lossDb: number;
  passesPlugIn: boolean;
  passesPhantom: boolean;
  isHeadsetLoad: boolean;
  feedsPhantom: boolean;
  makesPlugIn: boolean;
}

export const begun = ({ carriage }: Source): Carried => ({
  carriage,
  lossDb: 0,
  passesPlugIn: true,
  passesPhantom: true,
  isHeadsetLoad: false,
  feedsPhantom: false,
  makesPlugIn: false,
});

/** After one more part; null where it does not pass. */
export function carriedOn(carried: Carried, part: Part): Carried | null {
  const carriage = part.turns[carried.carriage];
  if (carriage === undefined) return null;
  return {
    carriage,
    lossDb: carried.lossDb + part.lossDb,
    passesPlugIn: carried.passesPlugIn && part.passesPlugIn,
    passesPhantom: carried.passesPhantom && part.passesPhantom,
    isHeadsetLoad: carried.isHeadsetLoad || part.isHeadsetLoad,
    feedsPhantom: carried.feedsPhantom || part.feedsPhantom,
    // Phantom power that a box before it feeds, or the input behind all of it.
    makesPlugIn: part.makesPlugIn || (carried.makesPlugIn && (part.passesPhantom || part.feedsPhantom)),
  };
}

export interface Judgement {
  verdict: PathVerdict;
  /** What is wrong, or could be: the worst first. */
  because: readonly ConnectMessage[];
  /** What to set, in order. */
  settings: readonly PlacedSetting[];
}

interface Finding {
  verdict: PathVerdict;
  says: ConnectMessage;
}

/** What a look at a way finds, and what has to be set. */
interface Look {
  findings: Finding[];
  settings: PlacedSetting[];
}

const wrong = (says: ConnectMessage): Finding => ({ verdict: "silentlyWrong", says });

const onInput = (input: Input, setting: Setting, isLevel = false): PlacedSetting => ({
  ...{ on: "input", device: input.name, setting, isLevel },
});
const turnedDown = (source: Source, byDb: number | null): PlacedSetting => ({
  ...{ on: "source", device: source.name, setting: { code: "setting.turnDown", byDb }, isLevel: true },
});

/** What is wrong with how a signal lies on the contacts of an input; null where it is right. */
function carriageFault(source: Source, carriage: Carriage, input: Input): Finding | null {
  const named = { source: source.name, input: input.name };
  if (carriage === "cancelled") return wrong({ code: "connect.cancelled" });
  if (input.takes.includes(carriage)) return null;
  const isHeadset = (each: Carriage) => each === "headsetCtia" || each === "headsetOmtp";
  const isPack = (each: Carriage) => each === "pack35" || each === "pack3" || each === "pack4";
  if (isPack(carriage) || input.takes.some(isPack)) return wrong({ code: "connect.otherPackWiring", ...named });
  if (carriage === "power") return { verdict: "damage", says: { code: "connect.speakerPower", input: input.name } };
  if (input.takes.some(isHeadset))
    return wrong({
      code: isHeadset(carriage) ? "connect.otherHeadsetWiring" : "connect.nothingOnMicContact",
      input: input.name,
    });
  if (isHeadset(carriage)) return wrong({ code: "connect.headsetContactUnmet", input: input.name });
  if (carriage === "balanced" && (input.takes.includes("stereo") || input.takes.includes("dual")))
    return wrong({ code: "connect.balancedIntoStereo" });
  return wrong(carriage === "tip" ? { code: "connect.onlyLeft" } : { code: "connect.unreadable", ...named });
}

/** What the power of the input does, and what has to be switched. */
function lookAtPower(source: Source, carried: Carried, input: Input): Look {
  const findings: Finding[] = [];
  const settings: PlacedSetting[] = [];
  const named = { source: source.name, input: input.name };
  const set = (setting: Setting) => settings.push(onInput(input, setting));
  if (source.needs === "plugIn" && carried.makesPlugIn) {
    if (input.phantom === "switched" && !carried.feedsPhantom) set({ code: "setting.phantomOn" });
    else if (input.phantom === "never" && !carried.feedsPhantom)
      findings.push(wrong({ code: "connect.noPhantom", source: source.name }));
  } else if (source.needs === "plugIn") {
    if (!carried.passesPlugIn)
      findings.push(wrong({ code: "connect.powerHeldBack", ...named, hasOwnMic: input.hasOwnMic }));
    else if (input.plugIn === "never") findings.push(wrong({ code: "connect.noPlugInPower", ...named }));
    else if (input.plugIn === "switched") set({ code: "setting.plugInOn" });
  }
  if (source.needs === "phantom" && !carried.feedsPhantom) {
    if (!carried.passesPhantom || input.phantom === "never")
      findings.push(wrong({ code: "connect.noPhantom", source: source.name }));
    else if (input.phantom === "switched") set({ code: "setting.phantomOn" });
  }
  if (source.isHarmedByPhantom && carried.passesPhantom) {
    if (input.phantom === "always")
      findings.push({ verdict: "damage", says: { code: "connect.phantomHarms", ...named } });
    else if (input.phantom === "switched") set({ code: "setting.phantomOff" });
  }
  if (source.needs !== "plugIn" && carried.passesPlugIn && input.plugIn === "switched" && source.needs !== "phantom")
    set({ code: "setting.plugInOff" });
  // A headset socket feels for its microphone: what feeds itself, on a bare adapter, is not noticed.
  const isHeadset = carried.carriage === "headsetCtia" || carried.carriage === "headsetOmtp";
  if (source.needs !== "plugIn" && isHeadset && input.takes.includes(carried.carriage) && !carried.isHeadsetLoad)
    findings.push(wrong({ code: "connect.notNoticed", ...named }));
  return { findings, settings };
}

/** Parts that clip or feed power themselves: what has to be set on them, and where it is too loud for them. */
function lookAtParts(source: Source, parts: readonly Part[]): Look & { turns: PlacedSetting[] } {
  const findings: Finding[] = [];
  const settings: PlacedSetting[] = [];
  const turns: PlacedSetting[] = [];
  let arrivesDbu = source.loudestDbu;
  parts.forEach(({ name, lossDb, clipsDbu, feedsPhantom }, on) => {
    const isWanted = source.needs === "phantom" || parts.slice(0, on).some(({ makesPlugIn }) => makesPlugIn);
    const code = isWanted ? "setting.phantomOn" : "setting.phantomOff";
    if (feedsPhantom) settings.push({ on, device: name, setting: { code }, isLevel: false });
    const overDb = clipsDbu === null ? 0 : arrivesDbu - clipsDbu;
    if (overDb > source.turnsDownDb)
      findings.push(
        wrong({
          ...{ code: "connect.tooLoud", device: name, overDb: Math.ceil(overDb - source.turnsDownDb) },
          ...{ cure: "padBefore", padDb: null },
        }),
      );
    else if (overDb > 0) turns.push(turnedDown(source, Math.ceil(overDb)));
    arrivesDbu -= lossDb;
  });
  return { findings, settings, turns };
}

/** Whether the level fits, and what to turn or switch. */
function lookAtLevel(source: Source, carried: Carried, input: Input): Look {
  const fits: Look = { findings: [], settings: [] };
  if (carried.carriage === "digital") return fits;
  const arrivesDbu = source.loudestDbu - carried.lossDb;
  const overDb = arrivesDbu - input.clipsDbu;
  if (arrivesDbu < input.weakestDbu) {
    const byDb = Math.round(input.weakestDbu - arrivesDbu);
    return { ...fits, findings: [wrong({ code: "connect.tooWeak", input: input.name, byDb })] };
  }
  if (overDb <= 0) return fits;
  if (input.lineClipsDbu !== null && arrivesDbu <= input.lineClipsDbu)
    return { ...fits, settings: [onInput(input, { code: "setting.line" }, true)] };
  if (overDb <= source.turnsDownDb) return { ...fits, settings: [turnedDown(source, Math.ceil(overDb))] };
  const padDb = Math.ceil((overDb - source.turnsDownDb) / 10) * 10;
  return {
    findings: [
      wrong({ code: "connect.tooLoud", device: input.name, overDb: Math.ceil(overDb), cure: "lineOrPad", padDb }),
    ],
    settings: source.turnsDownDb > 0 ? [turnedDown(source, null)] : [],
  };
}

/** What a source on this way does at an input: works, works if set, silently wrong, or can do damage; with reasons. */
export function judgePath(source: Source, parts: readonly Part[], carried: Carried, input: Input): Judgement {
  const carriage = carriageFault(source, carried.carriage, input);
  const power = lookAtPower(source, carried, input);
  const level = lookAtLevel(source, carried, input);
  const boxes = lookAtParts(source, parts);
  const findings = [...(carriage ? [carriage] : []), ...power.findings, ...boxes.findings, ...level.findings].sort(
    (one, other) => PATH_VERDICTS.indexOf(other.verdict) - PATH_VERDICTS.indexOf(one.verdict),
  );
  const own = (settings: readonly DeviceSetting[], isLevel: boolean) =>
    settings.map((setting) => onInput(input, setting, isLevel));
  const settings: PlacedSetting[] = [
    ...power.settings,
    ...boxes.settings,
    ...boxes.turns,
    ...parts.flatMap((part, on) =>
      part.settings.map((setting) => ({ on, device: part.name, setting, isLevel: false })),
    ),
    ...level.settings,
    ...(input.canBeLinked ? [onInput(input, { code: "setting.unlink" })] : []),
    ...own(input.settings, false),
    ...own(input.levelSettings ?? [], true),
  ];
  return {
    verdict: findings[0]?.verdict ?? (settings.length > 0 ? "worksIfSet" : "works"),
    because: findings.map(({ says }) => says),
    settings,
  };
}
