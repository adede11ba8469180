import type { LevelPlan } from "../chain";
import type { FoundPath } from "../connect";
import { type Input, isFeed, type Setting, type Source } from "../devices";
import { type AirLink, presetName, type RadioSystem } from "../wireless";
import type { LevelLine, SetTo, ShootBody } from "../records";
import type { CardMessage, Habit } from "./messages";

/** Everything to set on one device of one way. */
export interface SettingsCard {
  /** Tells it from the other devices of its way. */
  deviceId: string;
  device: string;
  lines: readonly CardMessage[];
  /** Connecting it is the house technician's affair. */
  isFeed: boolean;
  /** What a tick holds for. */
  holdsFor: SetTo[];
  /** Not set yet; set; or set to something that has changed since. */
  state: "open" | "set" | "stale";
  setAt: string | null;
}

/** What always stands on a device that records. Common practice. */
const HABITS: Record<Input["kind"], readonly Habit[]> = {
  recorder: ["automaticLevelOff", "lowCutOff", "limiterOnly", "headphonesIn"],
  camera: ["automaticLevelOff", "lowCutOff"],
  phone: ["programLevelOff", "flightMode"],
  computer: ["processingOff", "rightInput"],
  mixer: ["compressorOff"],
};

const habit = (each: Habit): CardMessage => ({ code: "card.habit", habit: each });
const setting = (each: Setting): CardMessage => ({ code: "card.setting", setting: each });

/** What a knob reads, as it is kept: figures without their unit. */
const figuresOf = (reads: string): string => reads.replaceAll("−", "-").replaceAll("+", "").replaceAll(" dB", "");

/** What stands on a card as it is kept with a tick: a control and its value; worded anew it is the same. */
function setTo(line: CardMessage): SetTo {
  switch (line.code) {
    case "card.paired":
      return { control: "frequency", value: "paired" };
    case "card.noFrequency":
      return { control: "frequency", value: "none" };
    case "card.frequency":
      return { control: "frequency", value: line.frequencyMHz.toFixed(3) };
    case "card.preset":
      return { control: "preset", value: line.preset };
    case "card.knob":
      return { control: line.knob, value: figuresOf(line.reads) };
    case "card.setting": {
      const { code, ...facts } = line.setting;
      return { control: code, value: Object.values(facts).join(" ") };
    }
    case "card.format":
      return { control: "format", value: `${line.sampleRateHz}/${line.bits}` };
    case "card.compressor":
      return { control: "compressor", value: `${line.ratio}:1 ${line.thresholdDbfs}` };
    case "card.habit":
      return { control: `habit.${line.habit}`, value: "" };
  }
}

const isSame = (one: readonly SetTo[], other: readonly SetTo[]): boolean =>
  one.length === other.length &&
  one.every(({ control, value }) => other.some((each) => each.control === control && each.value === value));

function tuningLines(link: AirLink | null, system: RadioSystem | null): CardMessage[] {
  if (!link || !system) return [];
  if (system.band !== "uhf") return [{ code: "card.paired" }];
  const { frequencyMHz } = link;
  if (frequencyMHz === null) return [{ code: "card.noFrequency" }];
  const preset = presetName(system, frequencyMHz);
  return [{ code: "card.frequency", frequencyMHz }, ...(preset ? [{ code: "card.preset", preset } as const] : [])];
}

/** What the cables' judge says is to be set, by the part or at the input. Knobs are given by their figures; taps belong to pairing. */
function settingsBeside(path: FoundPath | null, source: Source | null, input: Input) {
  const toSet = (path?.settings ?? []).filter(
    ({ setting: each, isLevel }) => !isLevel && each.code !== "setting.tapTest",
  );
  const ofPart = (number: number) => toSet.filter(({ on }) => on === number).map((each) => each.setting);
  const ofInput = toSet.filter(({ on }) => typeof on === "string").map((each) => each.setting);
  const isPhantomSaid = ofInput.some(({ code }) => code === "setting.phantomOn" || code === "setting.phantomOff");
  const isMadeOfPhantom = path?.parts.some(({ makesPlugIn }) => makesPlugIn) ?? false;
  const needsNone = source !== null && source.needs !== "phantom" && !isMadeOfPhantom;
  if (input.phantom === "switched" && needsNone && !isPhantomSaid) ofInput.push({ code: "setting.phantomOff" });
  return { ofPart, ofInput };
}

/** Cards of one way, in the order of the signal. */
export function settingsCards(
  plan: LevelPlan,
  about: {
    source: Source | null;
    path: FoundPath | null;
    input: Input;
    link: AirLink | null;
    system: RadioSystem | null;
    shoot: Pick<ShootBody, "sampleRateHz" | "bitsPerSample">;
  },
  { ticks, dynamics }: LevelLine,
): SettingsCard[] {
  const { source, path, input, link, system, shoot } = about;
  const { ofPart, ofInput } = settingsBeside(path, source, input);
  const knobsOf = (deviceId: string): CardMessage[] =>
    plan.knobs
      .filter((knob) => knob.deviceId === deviceId)
      .map(({ id, stageId, name, says }) => ({ code: "card.knob", knob: id, stageId, name, reads: says }));
  const isDesk = source ? isFeed(source) : false;
  const card = (
    { id, name }: { id: string; name: string },
    lines: readonly CardMessage[],
    isFeed = false,
  ): SettingsCard[] => {
    if (lines.length === 0) return [];
    const holdsFor = lines.map(setTo);
    const tick = ticks.find((each) => each.device === id);
    const state = !tick ? "open" : isSame(tick.holdsFor, holdsFor) ? "set" : "stale";
    return [{ deviceId: id, device: name, lines, isFeed, holdsFor, state, setAt: tick?.at ?? null }];
  };
  const radio = (id: "pack" | "receiver", ...more: CardMessage[]) =>
    card({ id, name: id }, [...tuningLines(link, system), ...knobsOf(id), ...more]);
  const format: CardMessage = {
    ...{ code: "card.format", sampleRateHz: shoot.sampleRateHz, bits: shoot.bitsPerSample },
  };
  return [
    ...(system ? [...radio("pack"), ...radio("receiver", habit("twoThirds"))] : []),
    ...(source && isDesk ? card(source, [...knobsOf(source.id), habit("testTone")], true) : []),
    ...(path?.parts ?? []).flatMap((part, number) => card(part, [...knobsOf(part.id), ...ofPart(number).map(setting)])),
    ...card(input, [
      ...knobsOf(input.id),
      ...(input.kind === "recorder" ? [format] : []),
      ...ofInput.map(setting),
      ...(dynamics
        ? [{ code: "card.compressor", ratio: dynamics.ratio, thresholdDbfs: dynamics.thresholdDbfs } as const]
        : []),
      ...HABITS[input.kind].map(habit),
    ]),
  ];
}
