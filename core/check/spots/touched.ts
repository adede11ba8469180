import type { FindingKind } from "../kinds";
import type { Spot } from "../spot";
import type { Scene } from "./scene";

/** What covers all of a voice; the rest shakes its lows or its level. */
const BROAD: readonly FindingKind[] = ["rustle", "radioNoise", "wind"];
/** What was found is heard a little before and after its bounds, hops. */
const BESIDE_HOPS = 10;

/** Hops in which something was found. */
export function touchedBy(spots: readonly Spot[], { heard, startS: sceneStartS }: Scene): Uint8Array {
  const touched = new Uint8Array(heard.hops);
  for (const { startS, endS } of spots) {
    const from = Math.floor((startS - sceneStartS) / heard.hopS) - BESIDE_HOPS;
    touched.fill(1, Math.max(0, from), Math.ceil((endS - sceneStartS) / heard.hopS) + BESIDE_HOPS);
  }
  return touched;
}

/** Hops in which what was found covers all of the voice, so that nothing can be said of it. */
export function coveredBy(spots: readonly Spot[], scene: Scene): Uint8Array {
  return touchedBy(
    spots.filter(({ kind }) => BROAD.includes(kind)),
    scene,
  );
}
