import type { Chain } from "./stage";

/** Less room than this between noise and clip is no device that anybody sells, dB. Estimate. */
const LEAST_RANGE_DB = 30;

/** What cannot be in a chain's figures: a clip that lies in its own noise, an overload below it. */
export function deviceFaults(chain: Chain): string[] {
  return chain.flatMap(({ name, device, positions }): string[] => {
    const range = Math.max(
      ...positions.map(({ clip, noiseBefore, noiseAfter, addsDb }) => {
        const noise = Math.max(noiseBefore === null ? -Infinity : noiseBefore + addsDb, noiseAfter ?? -Infinity);
        return clip === null || noise === -Infinity ? Infinity : clip - noise;
      }),
    );
    if (range >= LEAST_RANGE_DB) return [];
    const of = name.toLowerCase() === device.toLowerCase() ? name : `${name} of ${device}`;
    return [
      range <= 0
        ? `${of}: it overloads below its own noise. One of its figures is wrong.`
        : `${of}: only ${range.toFixed(0)} dB between noise and overload. Look its figures up again.`,
    ];
  });
}
