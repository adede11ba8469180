import type { ChainMessage } from "./messages";
import type { Chain } from "./stage";

/** Less room than this between noise and clip is no device that anybody sells, dB. Estimate. */
const LEAST_RANGE_DB = 30;

/** What cannot be in a chain's figures: a clip that lies in its own noise, an overload below it. */
export function deviceFaults(chain: Chain): ChainMessage[] {
  return chain.flatMap(({ name, device, positions }): ChainMessage[] => {
    const range = Math.max(
      ...positions.map(({ clip, noiseBefore, noiseAfter, addsDb }) => {
        const noise = Math.max(noiseBefore === null ? -Infinity : noiseBefore + addsDb, noiseAfter ?? -Infinity);
        return clip === null || noise === -Infinity ? Infinity : clip - noise;
      }),
    );
    if (range >= LEAST_RANGE_DB) return [];
    const named = { stage: name, device };
    return [
      range <= 0
        ? { code: "chain.overloadBelowNoise", ...named }
        : { code: "chain.littleRange", ...named, rangeDb: range },
    ];
  });
}
