import type { LevelPlan } from "../chain";
import type { FoundPath } from "../connect";
import type { Input, Source } from "../devices";
import { type AirLink, presetName, type RadioSystem } from "../wireless";
import type { LevelLine, ShootBody } from "../records";

/** One thing to set on a device. */
export interface CardLine {
  what: string;
  /** What it should read; empty where the words say all. */
  value: string;
  /** Whether it is a level: shown large. */
  isKnob: boolean;
}

/** Everything to set on one device of one way. */
export interface SettingsCard {
  device: string;
  lines: readonly CardLine[];
  caution: string | null;
  /** What a tick holds for. */
  holdsFor: string;
  /** Not set yet; set; or set to something that has changed since. */
  state: "open" | "set" | "stale";
  setAt: string | null;
}

/** What always stands on a device that records. Common practice. */
const HABITS: Record<Input["kind"], readonly string[]> = {
  recorder: [
    "Automatic level off",
    "Low cut off, unless there is wind or rumble",
    "Limiter as seat belt only",
    "Headphones in: their volume is not the record level",
  ],
  camera: ["Automatic level off", "Low cut off, unless there is wind or rumble"],
  phone: ["Automatic level off in the program", "Flight mode, notifications off"],
  computer: ["Echo cancelling, noise suppression and automatic gain off", "The right input in system and program"],
  mixer: ["Compressor off, limiter as seat belt only"],
};

const FEED_CAUTION =
  "Only through the venue's technician. No home-made adapters, and never lift the safety earth against hum.";
const RECEIVER_HABIT = "Simple receivers distort near full: two thirds to three quarters";

const words = (what: string): CardLine => ({ what, value: "", isKnob: false });

function tuningLines(link: AirLink | null, system: RadioSystem | null): CardLine[] {
  if (!link || !system) return [];
  if (system.band !== "uhf") return [words("2.4 GHz, paired")];
  if (link.frequencyMHz === null) return [words("No frequency yet")];
  const preset = presetName(system, link.frequencyMHz);
  return [
    { what: "Frequency", value: `${link.frequencyMHz.toFixed(3)} MHz`, isKnob: false },
    ...(preset ? [{ what: "Preset", value: preset, isKnob: false }] : []),
  ];
}

/** Taps belong to pairing. */
const isNoTap = (says: string): boolean => !says.startsWith("Tap ");

/** What has to be set on the way is said by the leads' judge for the whole way: each at its own thing. */
function sortedSettings(path: FoundPath | null, source: Source | null, input: Input) {
  // Knobs are given by their figures.
  const knobs = new Set(path?.levelSettings);
  const all = (path?.settings ?? []).filter((says) => isNoTap(says) && !knobs.has(says));
  const parts = path?.parts ?? [];
  const ofPart = (says: string) =>
    parts.find(({ settings, name }) => settings.includes(says) || says.endsWith(name) || says.includes(` at ${name}`));
  const byPart = new Map<string, string[]>();
  const ofInput: string[] = [];
  for (const says of all) {
    const part = ofPart(says);
    if (part) byPart.set(part.name, [...(byPart.get(part.name) ?? []), says.replace(` at ${part.name}`, "")]);
    else ofInput.push(says.replace(` at ${input.name}`, "").replace(`Unlink ${input.name}`, "Unlink it"));
  }
  const carriesPhantom =
    input.phantom === "switched" && source !== null && !ofInput.some((says) => /phantom/i.test(says));
  if (carriesPhantom && source.needs !== "phantom") ofInput.push("Phantom power off");
  return { byPart, ofInput };
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
  const { byPart, ofInput } = sortedSettings(path, source, input);
  const knobsOf = (device: string): CardLine[] =>
    plan.knobs
      .filter((knob) => knob.device === device)
      .map(({ name, says }) => ({ what: name, value: says, isKnob: true }));
  const isDesk = source?.kind === "desk" || source?.kind === "speaker";
  const card = (device: string, lines: readonly CardLine[], caution: string | null = null): SettingsCard[] => {
    if (lines.length === 0) return [];
    const holdsFor = lines.map(({ what, value }) => `${what} ${value}`.trim()).join("; ");
    const tick = ticks.find((each) => each.device === device);
    const state = !tick ? "open" : tick.holdsFor === holdsFor ? "set" : "stale";
    return [{ device, lines, caution, holdsFor, state, setAt: tick?.at ?? null }];
  };
  const tuning = tuningLines(link, system);
  const format = `${shoot.sampleRateHz / 1000} kHz, ${shoot.bitsPerSample} bit`;
  const outlet = source && isDesk ? knobsOf(source.name) : [];
  return [
    ...(system ? card("pack", [...tuning, ...knobsOf("pack")]) : []),
    ...(system ? card("receiver", [...tuning, ...knobsOf("receiver"), words(RECEIVER_HABIT)]) : []),
    ...(source && isDesk
      ? card(source.name, [...outlet, words("Ask for a test tone, or the loudest song, before the show")], FEED_CAUTION)
      : []),
    ...(path?.parts ?? []).flatMap(({ name }) =>
      card(name, [...knobsOf(name), ...(byPart.get(name) ?? []).map(words)]),
    ),
    ...card(input.name, [
      ...knobsOf(input.name),
      ...(input.kind === "recorder" ? [{ what: "Format", value: format, isKnob: false }] : []),
      ...ofInput.map(words),
      ...(dynamics
        ? [{ what: "Compressor", value: `${dynamics.ratio} : 1 from ${dynamics.thresholdDbfs} dBFS`, isKnob: false }]
        : []),
      ...HABITS[input.kind].map(words),
    ]),
  ];
}
