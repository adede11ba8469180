import { join } from "node:path";
import type { Finding } from "../../core/check";
import { findingsOf } from "./benchDetectors";
import { ANSWERS, SPOILS, type Spoilt } from "./strangers/faults";
import { OTHERS, otherSounds, otherTake } from "./strangers/others";
import { Dice } from "./strangers/sounds";
import { RATE } from "./strangers/rate";
import { type Part, speakersOf } from "./strangers/speakers";
import { mixed, type Take, takeOf } from "./strangers/takes";

const NEAR_S = 0.15;
const TAKE_S = 40;

const findingsIn = (samples: Float32Array): Finding[] => findingsOf([samples]);

/** How many of the places were found, of how many. */
export function answered(
  name: string,
  { places }: Spoilt,
  findings: readonly Finding[],
): [found: number, wanted: number] {
  const kinds = ANSWERS[name] ?? [name.split("/")[0]!];
  const own = findings.filter(({ kind }) => kinds.includes(kind));
  if (!places) return [own.length > 0 ? 1 : 0, 1];
  const found = places.filter(({ from, to }) =>
    own.some(({ startS, endS }) => endS > from / RATE - NEAR_S && startS < to / RATE + NEAR_S),
  );
  return [found.length, places.length];
}

const counted = (findings: readonly Finding[]): string => {
  const counts = new Map<string, number>();
  for (const { kind } of findings) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return [...counts].map(([kind, count]) => `${kind} ${count}`).join(", ");
};

const PARTS: readonly Part[] = ["tune", "validate", "third"];

/**
 * Prints what the detectors find on one part of the strangers' set: clean takes, each fault, and what is no fault.
 * The third part is scored once, when the detectors are done: it must be asked for by name.
 */
export function benchStrangers(asked: string | undefined): number {
  const part = PARTS.find((name) => name === asked) ?? "validate";
  const folder =
    process.env["HYPOPHON_STRANGERS"] ?? join(process.env["HYPOPHON_ROOT"] ?? process.cwd(), ".build/strangers");
  const speakers = speakersOf(folder, part);
  const say = (line: string) => process.stdout.write(`${line}\n`);
  const only = process.env["HYPOPHON_KINDS"]?.split(",");
  const turns = Number(process.env["HYPOPHON_CLIPS"] ?? 6);
  const made = new Map<number, Take>();
  const take = (index: number): Take => {
    const own = made.get(index) ?? takeOf(new Dice(1000 + index), speakers[index]!, TAKE_S);
    made.set(index, own);
    return own;
  };
  if (!only || only.includes("clean")) {
    const wrong: Finding[] = [];
    for (const [index, speaker] of speakers.entries()) {
      const found = findingsIn(mixed(take(index).voice, take(index).noise));
      wrong.push(...found);
      if (found.length > 0) say(`  ${speaker.name}: ${counted(found)}`);
    }
    say(
      `${part}: clean, ${((speakers.length * TAKE_S) / 60).toFixed(0)} min: ${wrong.length} false, ${((wrong.length * 600) / speakers.length / TAKE_S).toFixed(1)} in 10 min: ${counted(wrong)}`,
    );
  }
  let [allFound, allWanted] = [0, 0];
  for (const [index, [name, spoil]] of Object.entries(SPOILS).entries()) {
    if (only && !only.includes(name.split("/")[0]!)) continue;
    let [found, wanted] = [0, 0];
    const beside: Finding[] = [];
    for (let turn = 0; turn < turns; turn += 1) {
      const dice = new Dice(50_000 + index * 100 + turn);
      const spoilt = spoil(dice, take((index + turn) % speakers.length));
      const findings = findingsIn(spoilt.samples);
      const [own, all] = answered(name, spoilt, findings);
      found += own;
      wanted += all;
      beside.push(...findings.filter(({ kind }) => !(ANSWERS[name] ?? [name.split("/")[0]!]).includes(kind)));
    }
    allFound += found / Math.max(1, wanted);
    allWanted += 1;
    say(
      `${name.padEnd(28)}${`${found}/${wanted}`.padStart(8)}  ${(found / Math.max(1, wanted)).toFixed(2)}  beside: ${counted(beside)}`,
    );
  }
  if (allWanted > 0) say(`${part}: mean recall ${(allFound / allWanted).toFixed(3)}`);
  const sounds = otherSounds(folder, part);
  for (const [index, other] of OTHERS.entries()) {
    if (only && !only.includes("others")) break;
    const wrong: Finding[] = [];
    for (let turn = 0; turn < 5; turn += 1)
      wrong.push(...findingsIn(otherTake(new Dice(90_000 + index * 100 + turn), other, speakers, sounds, folder)));
    say(`${other.padEnd(28)}${((wrong.length * 10) / 5).toFixed(1)} in 10 min: ${counted(wrong)}`);
  }
  return 0;
}
