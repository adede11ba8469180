import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { filterOctave, octaveSections } from "../audio";
import { sine } from "../../fixtures/testSignals";
import { analyseClap, type ClapAnalysis } from "./clap";
import { CLAP_RATE_HZ, noiseClap, toneClap } from "../../fixtures/decays";
import { ROOM_OCTAVES_HZ } from "./materials";

function analysed(samples: Float32Array): ClapAnalysis {
  const result = analyseClap(samples, CLAP_RATE_HZ);
  if (!result.isMeasured) throw new Error(result.says.code);
  return result;
}

describe("decays of known time, T20 and T30 of every octave within 3 % (ISO 3382-2, made signals)", () => {
  test.each([0.2, 0.3, 0.5, 0.8, 1.2, 2, 3.5, 5])("%d s, noise floor 60 dB down", (timeS) => {
    const { bands, midS } = analysed(toneClap({ timeS, noiseDb: -84 }));
    expect(Math.abs(midS / timeS - 1)).toBeLessThan(0.03);
    for (const { hz, t20S, t30S } of bands) {
      expect([hz, Math.abs(t20S! / timeS - 1) < 0.03]).toEqual([hz, true]);
      if (t30S !== null) expect([hz, Math.abs(t30S / timeS - 1) < 0.03]).toEqual([hz, true]);
    }
  });

  test.each([0.5, 1, 2])("%d s with the noise so near that only T20 is left", (timeS) => {
    const { bands } = analysed(toneClap({ timeS, noiseDb: -57 }));
    const at1k = bands.find(({ hz }) => hz === 1000)!;
    expect(at1k.evaluation).toBe("t20");
    expect(Math.abs(at1k.fit!.timeS / timeS - 1)).toBeLessThan(0.03);
  });

  /** One burst of noise spreads by chance; the mean of ten claps does not (ISO 3382-2, annex A: 0.88·√((1 + 1.90)/(B·T)) of a T20). */
  test.each([0.4, 1.5])("bursts of noise of %d s, mean of ten within 3 %% from 500 Hz on", (timeS) => {
    const claps = Array.from({ length: 10 }, (_, index) =>
      analysed(noiseClap({ timeS, noiseDb: -72, seed: 11 + index })),
    );
    for (const band of [2, 3, 4, 5]) {
      const mean = claps.reduce((sum, { bands }) => sum + bands[band]!.fit!.timeS / claps.length, 0);
      expect([ROOM_OCTAVES_HZ[band], Math.abs(mean / timeS - 1) < 0.03]).toEqual([ROOM_OCTAVES_HZ[band], true]);
    }
  });
});

/** The same by other hands: scipy's Butterworth band-pass, Schroeder's integral and a straight line by numpy. */
const SCIPY = `
import json, sys
import numpy as np
from scipy.signal import butter, sosfilt, sosfreqz
rate, start, noise_free = int(sys.argv[2]), int(sys.argv[3]), float(sys.argv[4])
x = np.fromfile(sys.argv[1], dtype=np.float32).astype(float)[start:]
out = {}
for hz in (125, 250, 500, 1000, 2000, 4000):
    sos = butter(3, [hz / 2 ** 0.5, hz * 2 ** 0.5], btype="bandpass", fs=rate, output="sos")
    y = sosfilt(sos, x[::-1])[::-1][: int(noise_free * rate)]
    level = 10 * np.log10(np.cumsum((y ** 2)[::-1])[::-1])
    level -= level[0]
    times = {}
    for name, low in (("t20", -25), ("t30", -35)):
        inside = np.where((level <= -5) & (level >= low))[0]
        slope = np.polyfit(inside / rate, level[inside], 1)[0]
        times[name] = -60 / slope
    _, h = sosfreqz(sos, worN=[hz / 2, hz / 2 ** 0.5, hz, hz * 2 ** 0.5, min(hz * 2, 0.49 * rate)], fs=rate)
    times["response"] = [20 * float(np.log10(abs(v))) for v in h]
    out[hz] = times
print(json.dumps(out))
`;

interface ScipyBand {
  t20: number;
  t30: number;
  response: number[];
}

function scipy(samples: Float32Array, startS: number, lengthS: number): Record<string, ScipyBand> {
  const folder = mkdtempSync(join(tmpdir(), "clap-"));
  try {
    const file = join(folder, "clap.f32");
    writeFileSync(file, new Uint8Array(samples.buffer, samples.byteOffset, samples.byteLength));
    const args = ["-c", SCIPY, file, String(CLAP_RATE_HZ), String(Math.round(startS * CLAP_RATE_HZ)), String(lengthS)];
    const done = spawnSync("python3", args, { encoding: "utf8" });
    if (done.status !== 0) throw new Error(`${done.error?.message ?? ""} ${done.stderr}`);
    return JSON.parse(done.stdout) as Record<string, ScipyBand>;
  } finally {
    rmSync(folder, { recursive: true });
  }
}

test("decay times agree with scipy and numpy on the same burst within 3 % (independent implementation)", () => {
  const samples = noiseClap({ timeS: 1.1, noiseDb: -140, afterS: 3 });
  const { bands } = analysed(samples);
  const theirs = scipy(samples, 1, 2);
  for (const { hz, t20S, t30S } of bands) {
    expect([hz, Math.abs(t20S! / theirs[hz]!.t20 - 1) < 0.03]).toEqual([hz, true]);
    expect([hz, Math.abs(t30S! / theirs[hz]!.t30 - 1) < 0.03]).toEqual([hz, true]);
  }
});

test("octave filters are scipy's Butterworth band-passes within 0.1 dB (independent implementation)", () => {
  const theirs = scipy(noiseClap({ timeS: 0.5, noiseDb: -140 }), 1, 1);
  for (const hz of ROOM_OCTAVES_HZ)
    [hz / 2, hz / Math.SQRT2, hz, hz * Math.SQRT2, hz * 2].forEach((frequencyHz, index) => {
      const tone = Float64Array.from(sine({ frequencyHz, levelDbfs: 0, seconds: 1, sampleRateHz: CLAP_RATE_HZ }));
      filterOctave(tone, octaveSections(hz, CLAP_RATE_HZ));
      const settled = tone.subarray(tone.length / 2);
      const levelDb = 10 * Math.log10((2 * settled.reduce((sum, each) => sum + each * each, 0)) / settled.length);
      expect([hz, frequencyHz, Math.abs(levelDb - theirs[hz]!.response[index]!) < 0.1]).toEqual([
        hz,
        frequencyHz,
        true,
      ]);
    });
});
