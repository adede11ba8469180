import type { Carriage, Input, Part, Source } from "../devices";

/** Best first. */
export const VERDICTS = ["works", "worksIfSet", "silentlyWrong", "damage"] as const;
export type Verdict = (typeof VERDICTS)[number];

/** What has become of a source's signal on its way so far. */
export interface Carried {
  carriage: Carriage;
  lossDb: number;
  passesPlugIn: boolean;
  passesPhantom: boolean;
  isHeadsetLoad: boolean;
  feedsPhantom: boolean;
}

export const begun = ({ carriage }: Source): Carried => ({
  carriage,
  lossDb: 0,
  passesPlugIn: true,
  passesPhantom: true,
  isHeadsetLoad: false,
  feedsPhantom: false,
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
  };
}

export interface Judgement {
  verdict: Verdict;
  /** What is wrong, or could be: the worst first. */
  because: readonly string[];
  /** What to set, in order. */
  settings: readonly string[];
  /** Those of them that are levels: a plan of levels sets these knobs better. */
  levelSettings: readonly string[];
}

interface Finding {
  verdict: Verdict;
  says: string;
}

/** What is wrong with how a signal lies on the contacts of an input; null where it is right. */
function carriageFault(source: Source, carriage: Carriage, input: Input): Finding | null {
  const wrong = (says: string): Finding => ({ verdict: "silentlyWrong", says });
  if (carriage === "cancelled")
    return wrong(
      "The same signal on both contacts is taken as a difference: next to nothing is left. Take a lead that uses one of them.",
    );
  if (input.takes.includes(carriage)) return null;
  const isHeadset = (each: Carriage) => each === "headsetCtia" || each === "headsetOmtp";
  if (input.takes.some(isHeadset))
    return isHeadset(carriage)
      ? wrong(
          `The four-pole plug is wired to the other standard: ${input.name} hears nothing, and records its own mic.`,
        )
      : wrong(`Nothing lies on the microphone's contact: ${input.name} keeps its own mic and still records.`);
  if (isHeadset(carriage)) return wrong(`A headset's microphone contact meets nothing in ${input.name}.`);
  if (carriage === "balanced" && (input.takes.includes("stereo") || input.takes.includes("dual")))
    return wrong("A balanced signal in a stereo socket: left and right are inverted, and gone where they are summed.");
  if (carriage === "tip") return wrong("One channel in a stereo socket: only the left is recorded.");
  return wrong(`${source.name} gives what ${input.name} cannot read.`);
}

/** What the power of the input does, and what has to be switched. */
function powerFindings(source: Source, carried: Carried, input: Input): { findings: Finding[]; settings: string[] } {
  const findings: Finding[] = [];
  const settings: string[] = [];
  const reaches = (supply: Input["phantom"], passes: boolean) => supply === "always" && passes;
  if (source.needs === "plugIn") {
    if (!carried.passesPlugIn)
      findings.push({
        verdict: "silentlyWrong",
        says: `The adapter keeps the power from ${source.name}: ${input.hasOwnMic ? `${input.name} keeps its own mic and still records` : "it stays silent"}. Take one for self-powered mics.`,
      });
    else if (input.plugIn === "never")
      findings.push({
        verdict: "silentlyWrong",
        says: `${input.name} gives no plug-in power: ${source.name} stays silent.`,
      });
    else if (input.plugIn === "switched") settings.push(`Plug-in power on at ${input.name}`);
  }
  if (source.needs === "phantom" && !carried.feedsPhantom) {
    if (!carried.passesPhantom || input.phantom === "never")
      findings.push({ verdict: "silentlyWrong", says: `No phantom power comes to ${source.name}: it stays silent.` });
    else if (input.phantom === "switched") settings.push(`Phantom power on at ${input.name}`);
  }
  if (source.isHarmedByPhantom && carried.passesPhantom) {
    if (reaches(input.phantom, carried.passesPhantom))
      findings.push({ verdict: "damage", says: `${input.name} feeds phantom power that ${source.name} must not get.` });
    else if (input.phantom === "switched") settings.push(`Phantom power off at ${input.name}, before plugging in`);
  }
  if (source.needs !== "plugIn" && carried.passesPlugIn && input.plugIn === "switched" && source.needs !== "phantom")
    settings.push(`Plug-in power off at ${input.name}`);
  // A headset socket feels for its microphone: what feeds itself, on a bare adapter, is not noticed.
  const isHeadset = carried.carriage === "headsetCtia" || carried.carriage === "headsetOmtp";
  if (source.needs !== "plugIn" && isHeadset && input.takes.includes(carried.carriage) && !carried.isHeadsetLoad)
    findings.push({
      verdict: "silentlyWrong",
      says: `${input.name} does not notice ${source.name} on this adapter, keeps its own mic and still records. Take one for battery-powered mics.`,
    });
  return { findings, settings };
}

/** Parts that clip or feed power themselves: what has to be set on them, and where it is too loud for them. */
function partFindings(
  source: Source,
  parts: readonly Part[],
): { findings: Finding[]; settings: string[]; turns: string[] } {
  const findings: Finding[] = [];
  const settings: string[] = [];
  const turns: string[] = [];
  let arrivesDbu = source.loudestDbu;
  for (const { name, lossDb, clipsDbu, feedsPhantom } of parts) {
    if (feedsPhantom && source.needs === "phantom") settings.push(`Phantom power on at ${name}`);
    else if (feedsPhantom) settings.push(`Phantom power off at ${name}, before plugging in`);
    const overDb = clipsDbu === null ? 0 : arrivesDbu - clipsDbu;
    if (overDb > source.turnsDownDb)
      findings.push({
        verdict: "silentlyWrong",
        says: `${Math.ceil(overDb - source.turnsDownDb)} dB too loud for ${name}: it clips however low the gain. Put a pad before it.`,
      });
    else if (overDb > 0) turns.push(`Turn ${source.name} down by ${Math.ceil(overDb)} dB at least`);
    arrivesDbu -= lossDb;
  }
  return { findings, settings, turns };
}

/** Whether the level fits, and what to turn or switch. */
function levelFindings(source: Source, carried: Carried, input: Input): { findings: Finding[]; settings: string[] } {
  if (carried.carriage === "digital") return { findings: [], settings: [] };
  const arrivesDbu = source.loudestDbu - carried.lossDb;
  const overDb = arrivesDbu - input.clipsDbu;
  if (arrivesDbu < input.weakestDbu)
    return {
      findings: [
        {
          verdict: "silentlyWrong",
          says: `${Math.round(input.weakestDbu - arrivesDbu)} dB too weak for ${input.name}: it records, in noise. Take a mic input.`,
        },
      ],
      settings: [],
    };
  if (overDb <= 0) return { findings: [], settings: [] };
  if (input.lineClipsDbu !== null && arrivesDbu <= input.lineClipsDbu)
    return { findings: [], settings: [`${input.name} switched to line`] };
  if (overDb <= source.turnsDownDb)
    return { findings: [], settings: [`Turn ${source.name} down by ${Math.ceil(overDb)} dB at least`] };
  return {
    findings: [
      {
        verdict: "silentlyWrong",
        says: `${Math.ceil(overDb)} dB too loud for ${input.name}: it clips however low the gain. Take a line input, or a pad of ${Math.ceil((overDb - source.turnsDownDb) / 10) * 10} dB.`,
      },
    ],
    settings: source.turnsDownDb > 0 ? [`Turn ${source.name} down as far as it goes`] : [],
  };
}

/** What a source on this way does at an input: works, works if set, silently wrong, or can do damage; with reasons. */
export function judgePath(source: Source, parts: readonly Part[], carried: Carried, input: Input): Judgement {
  const carriage = carriageFault(source, carried.carriage, input);
  const power = powerFindings(source, carried, input);
  const level = levelFindings(source, carried, input);
  const boxes = partFindings(source, parts);
  const findings = [...(carriage ? [carriage] : []), ...power.findings, ...boxes.findings, ...level.findings].sort(
    (one, other) => VERDICTS.indexOf(other.verdict) - VERDICTS.indexOf(one.verdict),
  );
  const levelSettings = [...boxes.turns, ...level.settings, ...(input.levelSettings ?? [])];
  const settings = [
    ...power.settings,
    ...boxes.settings,
    ...boxes.turns,
    ...parts.flatMap((part) => part.settings),
    ...level.settings,
    ...(input.canBeLinked ? [`Unlink ${input.name} from its neighbour: a mono track of its own`] : []),
    ...input.settings,
    ...(input.levelSettings ?? []),
  ];
  return {
    verdict: findings[0]?.verdict ?? (settings.length > 0 ? "worksIfSet" : "works"),
    because: findings.map(({ says }) => says),
    settings,
    levelSettings,
  };
}
