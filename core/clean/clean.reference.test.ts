import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { whiteNoise } from "../../fixtures/testSignals";
import { bytesSource, toWav } from "../audio";
import { cleanWav, fillIn, type Treatment } from ".";
import { newCleaningEngine } from "./engine";
import { filterOf, highPass, lowPass, notch, type Section } from "./filters";

const RATE = 48_000;
const folder = mkdtempSync(join(tmpdir(), "hypophon-clean-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** A series worked on by a script in Python: `x` in, `y` out. */
function python(script: string, samples: Float32Array | Float64Array): Float64Array {
  const [from, to] = [join(folder, "x.f64"), join(folder, "y.f64")];
  writeFileSync(from, new Uint8Array(Float64Array.from(samples).buffer));
  const around = `import numpy as np\nx = np.fromfile(${JSON.stringify(from)})\n${script}\nnp.asarray(y, float).tofile(${JSON.stringify(to)})\n`;
  execFileSync("python3", ["-"], { input: around });
  const bytes = readFileSync(to);
  return new Float64Array(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length));
}

function largestApart(one: ArrayLike<number>, other: ArrayLike<number>): number {
  expect(one.length).toBe(other.length);
  let most = 0;
  for (let at = 0; at < one.length; at += 1) most = Math.max(most, Math.abs(one[at]! - other[at]!));
  return most;
}

function filtered(samples: Float32Array, sections: readonly Section[], isBothWays: boolean): Float32Array {
  const engine = newCleaningEngine();
  const line = engine.roomFor(4 * samples.length);
  const filter = filterOf(engine, sections);
  new Float32Array(engine.memory.buffer, line, samples.length).set(samples);
  if (isBothWays) filter.bothWays(line, samples.length);
  else filter.run(line, samples.length);
  return new Float32Array(engine.memory.buffer, line, samples.length).slice();
}

const noise = whiteNoise(5, -12, RATE);

test.each([
  [2, 80, "highpass"],
  [4, 60, "highpass"],
  [8, 120, "highpass"],
  [2, 150, "lowpass"],
] as const)("order %d at %d Hz, %s, there and back, is scipy's butter and sosfiltfilt", (order, hz, kind) => {
  const own = filtered(noise, (kind === "highpass" ? highPass : lowPass)(order, hz, RATE), true);
  const script = `from scipy.signal import butter, sosfilt
sos = butter(${order}, ${hz}, "${kind}", fs=${RATE}, output="sos")
y = sosfilt(sos, sosfilt(sos, x)[::-1])[::-1]`;
  expect(largestApart(own, python(script, noise))).toBeLessThan(2e-6);
});

test.each([
  [50.02, 0.6],
  [150.1, 1.8],
  [1000, 12],
])("a notch at %d Hz, %d Hz wide, is scipy's iirnotch", (hz, widthHz) => {
  const own = filtered(noise, [notch(hz, widthHz, RATE)], false);
  const script = `from scipy.signal import iirnotch, lfilter
b, a = iirnotch(${hz}, ${hz / widthHz}, fs=${RATE})
y = lfilter(b, a, x)`;
  expect(largestApart(own, python(script, noise))).toBeLessThan(1e-6);
});

test("many notches one after the other are the product of scipy's", () => {
  const lines = Array.from({ length: 7 }, (_, at) => 50 * (at + 1));
  const own = filtered(
    noise,
    lines.map((hz) => notch(hz, 1.2, RATE)),
    false,
  );
  const script = `from scipy.signal import iirnotch, lfilter
y = x
for f in ${JSON.stringify(lines)}:
    y = lfilter(*iirnotch(f, f / 1.2, fs=${RATE}), y)`;
  expect(largestApart(own, python(script, noise))).toBeLessThan(1e-6);
});

test("missing samples are those that numpy finds by least squares of the prediction's error (Janssen and others 1986)", () => {
  const voice = Float64Array.from({ length: 3000 }, (_, at) => {
    const second = at / RATE;
    return [120, 240, 360, 720, 1440, 2500].reduce(
      (sum, hz, k) => sum + Math.sin(2 * Math.PI * hz * second + k) / (k + 1),
      0,
    );
  }).map((value, at) => 0.1 * value + 0.002 * noise[at]!);
  const missing = [...Array.from({ length: 150 }, (_, at) => 1400 + at), 1600, 1601, 1640];
  const own = voice.slice();
  fillIn(own, missing, 128);
  const script = `from scipy.linalg import toeplitz
p, n, m = 128, len(x), np.array(${JSON.stringify(missing)})
y = x.copy(); y[m] = 0
known = np.setdiff1d(np.arange(n), m)
lost = np.isin(np.arange(n), m)
for turn in range(2):
    past = np.stack([y[p - j:n - j] for j in range(p + 1)])
    # What was lost predicts nothing at first.
    if turn == 0: past = past[:, ~np.stack([lost[p - j:n - j] for j in range(p + 1)]).any(0)]
    C = past @ past.T
    a = np.concatenate([[1], np.linalg.solve(C[1:, 1:] + 1e-9 * C[0, 0] * np.eye(p), -C[1:, 0])])
    # Every error in which a missing sample has a part: rows of a convolution.
    A = toeplitz(np.concatenate([a, np.zeros(n - 1)]), np.concatenate([[1], np.zeros(n - 1)]))
    y[m] = np.linalg.lstsq(A[:, m], -A[:, known] @ y[known], rcond=None)[0]`;
  const theirs = python(script, voice);
  expect(largestApart(own, theirs)).toBeLessThan(1e-6);
  // And they are close to what was there.
  expect(Math.max(...missing.map((at) => Math.abs(own[at]! - voice[at]!)))).toBeLessThan(0.005);
});

/** Minimum statistics and the log-spectral gain in numpy, from the two papers, in double precision. */
const LOG_MMSE = (floor: number) => `from scipy.special import exp1
N, H, fs, floor = 1024, 512, ${RATE}, ${floor}
t = H / fs
w = np.sin(np.pi * (np.arange(N) + .5) / N)
D, M = [1,2,5,8,10,15,20,30,40,60,80,120,140,160], [0,.26,.48,.58,.61,.668,.705,.762,.8,.841,.865,.89,.9,.91]
V = max(2, int(round(1.536 / t / 8))); L = 8 * V
mean = lambda d: np.interp(np.sqrt(d), np.sqrt(D), M)
def bias(d, inverse): return 1 + 2 * (d - 1) * (1 - mean(d)) / (1 / inverse - 2 * mean(d))
class Tracker:
    def __init__(s): s.P = None
    def push(s, Y):
        if s.P is None:
            b = len(Y); s.P = np.maximum(Y, 1e-12); s.n = s.P.copy(); s.m = s.P.copy(); s.q = s.P**2; s.c = 1.
            s.act = np.full(b, 1e30); s.sub = np.full(b, 1e30); s.all = np.full(b, 1e30)
            s.kept = np.full((8, b), 1e30); s.old = 0; s.i = 0; s.may = np.zeros(b, bool)
        k = np.exp(-t / .0449)
        s.c = k * s.c + (1 - k) * max(1 / (1 + (s.P.sum() / Y.sum() - 1)**2), .7)
        least = min(.3, (s.P.sum() / s.n.sum()) ** (-t / .064))
        a = np.maximum(np.exp(-t / .392) * s.c / (1 + (s.P / s.n - 1)**2), least)
        s.P = a * s.P + (1 - a) * np.maximum(Y, 1e-12)
        b = np.minimum(a * a, np.exp(-t / .0717))
        s.m = b * s.m + (1 - b) * s.P; s.q = b * s.q + (1 - b) * s.P**2
        inverse = np.clip((s.q - s.m**2) / (2 * s.n**2), 1 / 14, 1 / 2)
        steady = inverse.mean(); P = s.P * (1 + 2.12 * np.sqrt(steady))
        whole = P * bias(L, inverse); less = whole < s.act
        s.act = np.where(less, whole, s.act); s.sub = np.where(less, P * bias(V, inverse), s.sub)
        s.i += 1
        if 1 < s.i < V:
            s.may |= less; s.all = np.minimum(s.all, s.sub); s.n = np.maximum(s.all, 1e-12)
        elif s.i >= V:
            s.kept[s.old] = s.act; s.old = (s.old + 1) % 8; all = s.kept.min(0)
            rate = 47 if steady < .03 else 31.4 if steady < .05 else 15.7 if steady < .06 else 4.1
            risen = s.may & ~less & (s.sub < all * 10 ** (rate * V * t / 10)) & (s.sub > all)
            all = np.where(risen, s.sub, all); s.kept[:, risen] = all[risen]
            s.all = all; s.n = np.maximum(all, 1e-12); s.may[:] = False; s.act[:] = 1e30; s.sub[:] = 1e30; s.i = 0
tracker = Tracker()
# Four bins beyond the half are taken along there, mirrored.
def power(f): X = np.fft.fft(f * w); return X, np.abs(X[:H + 4])**2
learned = x[:int(3 * fs) // (8 * H) * (8 * H)][::-1]
line = np.concatenate([np.zeros(H), learned])
for i in range(len(learned) // H): tracker.push(power(line[i * H:i * H + N])[1])
line = np.concatenate([np.zeros(H), x, np.zeros(N)]); y = np.zeros(len(line)); before = np.zeros(H + 4)
for i in range(len(x) // H + 1):
    X, Y = power(line[i * H:i * H + N]); tracker.push(Y)
    g = np.minimum(Y / tracker.n, 1e5); r = np.maximum(.92 * before + .08 * np.maximum(g - 1, 0), 10**-2.5)
    v = np.maximum(r / (1 + r) * g, 1e-7); G = r / (1 + r) * np.exp(exp1(v) / 2); before = G * G * g
    G = np.clip(G, floor, 1)[:H + 1]; full = np.concatenate([G, G[-2:0:-1]])
    y[i * H:i * H + N] += w * np.fft.ifft(X * full).real
y = y[H:H + len(x)]`;

test("noise comes down as numpy brings it down by the two papers, written anew there (scipy's exp1)", async () => {
  const seconds = 9;
  const samples = whiteNoise(9, -50, seconds * RATE).map((value, at) => {
    const second = at / RATE;
    const isSpeaking = second % 1.7 > 0.6 ? 1 : 0;
    return (
      value + isSpeaking * 0.06 * (Math.sin(2 * Math.PI * 180 * second) + 0.5 * Math.sin(2 * Math.PI * 1300 * second))
    );
  });
  const treatments: Treatment[] = [{ kind: "noise", byDb: 12 }];
  const wav = toWav([samples], { sampleRateHz: RATE, bits: 32, isFloat: true });
  const own = new Float32Array(samples.length);
  let at = 0;
  await cleanWav(bytesSource(wav), { channels: [{ channel: 0, treatments }] }, ([plane]) => {
    own.set(plane!, at);
    at += plane!.length;
  });
  const theirs = python(LOG_MMSE(10 ** (-12 / 20)), samples);
  let [apart, all] = [0, 0];
  for (let index = 0; index < samples.length; index += 1) {
    apart += (own[index]! - theirs[index]!) ** 2;
    all += theirs[index]! ** 2;
  }
  expect(10 * Math.log10(apart / all)).toBeLessThan(-60);
});
