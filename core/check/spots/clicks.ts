import { PARTS_PER_HOP } from "../../audio";
import type { Spot } from "../spot";
import { dbOver, mostIn, type Scene } from "./scene";

/** A click stands alone: for a part or two the fine structure is so far over what was before and what comes after, dB. */
const ALONE_DB = 20;
const BEFORE = { from: -16, to: -1 } as const;
const AFTER = { from: 3, to: 30 } as const;
/** It is heard from so far under the voice, dB. */
const UNDER_VOICE_DB = -15;
/** A strike that leaves so much of its energy in the lows is a knock, dB. */
const KNOCKS_DB = -9;
/** So many clicks, each no further than this from the next, are a contact that crackles, s. */
const MANY = 5;
const APART_S = 0.4;

/** Clicks: a few samples that nothing before or after explains. Fine structure by the millisecond tells, as a voice's pulses come in rows. */
export function findClicks({ heard, startS, speech, low }: Scene): Spot[] {
  const { steps, squares } = heard.figures;
  const partS = heard.hopS / PARTS_PER_HOP;
  const least = (speech * heard.hopFrames * 10 ** (UNDER_VOICE_DB / 10)) / PARTS_PER_HOP;
  if (least <= 0) return [];
  const clicks: Spot[] = [];
  for (let part = -BEFORE.from; part + AFTER.to < steps.length; part += 1) {
    if (squares[part]! < least || steps[part]! < steps[part - 1]! || steps[part]! < steps[part + 1]!) continue;
    const over = (place: { from: number; to: number }) =>
      dbOver(steps[part]!, mostIn(steps, { from: part + place.from, to: part + place.to }));
    const aloneDb = Math.min(over(BEFORE), over(AFTER));
    const hop = Math.floor(part / PARTS_PER_HOP);
    const lowsLeft = (mostIn(low, { from: hop, to: hop + 3 }) - low[hop - 2]!) * heard.hopFrames;
    if (aloneDb < ALONE_DB || dbOver(Math.max(0, lowsLeft), squares[part]!) > KNOCKS_DB) continue;
    const at = startS + part * partS;
    clicks.push({
      kind: "click",
      startS: at,
      endS: at + 2 * partS,
      sizeDb: aloneDb,
      confidence: Math.min(1, 0.5 + (aloneDb - ALONE_DB) / 20),
    });
  }
  return gathered(clicks);
}

/** Clicks, with those that come in swarms as one crackle each. */
function gathered(clicks: readonly Spot[]): Spot[] {
  const swarms: Spot[][] = [];
  for (const click of clicks) {
    const last = swarms.at(-1);
    if (last && click.startS - last.at(-1)!.endS < APART_S) last.push(click);
    else swarms.push([click]);
  }
  return swarms.flatMap((swarm) =>
    swarm.length < MANY
      ? swarm
      : [{ ...swarm[0]!, kind: "crackle" as const, endS: swarm.at(-1)!.endS, confidence: 0.8 }],
  );
}
