/** Where somebody speaks and where nobody does. */
export interface SpeechDecision {
  /** 1 where somebody speaks, by hop. */
  isSpeech: Uint8Array;
  /** 1 where surely nobody does: speech is at least 150 ms away. */
  isPause: Uint8Array;
  /** Noise by band and hop, mean square. */
  noise: readonly Float32Array[];
  /** How periodic the signal is like a voice, 0…1, where it stands over the noise; 0 elsewhere. */
  voicing: Float32Array;
  /** The voice's period as a frequency, Hz, where it is periodic; 0 elsewhere. */
  pitchHz: Float32Array;
}

interface SpeechInput {
  bands: readonly Float32Array[];
  slow: Float32Array;
  slowRateHz: number;
  hops: number;
  hopS: number;
}

/** Hops over which powers are averaged before they are judged. */
const SMOOTHED = 5;
/** Noise is the least smoothed power within so many hops to either side, in blocks. */
const BLOCK = 25;
const REACH_BLOCKS = 16;
/** The least of many means lies under the mean: by so much in the narrowest band, and less in wider ones. Measured with noise. */
const BIAS = [
  2.9, 2.7, 2.6, 2.3, 2.2, 2.1, 2.0, 1.9, 1.8, 1.75, 1.7, 1.65, 1.6, 1.55, 1.5, 1.47, 1.43, 1.4, 1.37, 1.35, 1.33, 1.3,
];
/** Bands that tell a voice, 250 Hz to 5 kHz. */
const FIRST_BAND = 3;
const LAST_BAND = 16;
/** Mean excess over the noise from which somebody may speak, and under which nobody does, dB. */
const SPEAKS_DB = 2.6;
const SILENT_DB = 1.3;
const MOST_DB = 18;
/** A voice is at least this periodic somewhere. */
const VOICED = 0.55;
/** Lowest and highest voice, Hz. */
const LOWEST_HZ = 75;
const HIGHEST_HZ = 420;
/** Speech is at least so long, holes in it at most; pauses keep so far away, hops. */
const SHORTEST = 8;
const HOLE = 22;
const AWAY = 15;
/** How far unvoiced sound belongs to the voiced beside it, hops. */
const BESIDE = 20;

function smooth(values: Float32Array, width: number): Float32Array {
  const smoothed = new Float32Array(values.length);
  const half = width >> 1;
  const last = values.length - 1;
  let sum = 0;
  for (let at = -half; at <= half; at += 1) sum += values[at < 0 ? 0 : at > last ? last : at] ?? 0;
  for (let at = 0; at <= last; at += 1) {
    smoothed[at] = sum > 0 ? sum / width : 0;
    sum += values[at + half + 1 > last ? last : at + half + 1]! - values[at < half ? 0 : at - half]!;
  }
  return smoothed;
}

/** Noise power by hop: minimum statistics with a bias taken off. Method: Martin (2001), simplified to a fixed smoothing. */
function noiseOf(smoothed: Float32Array, bias: number): Float32Array {
  const blocks = Math.max(1, Math.ceil(smoothed.length / BLOCK));
  const least = new Float32Array(blocks).fill(Infinity);
  for (let hop = 0; hop < smoothed.length; hop += 1) {
    const block = (hop / BLOCK) | 0;
    // Digital silence is no noise.
    if (smoothed[hop]! > 1e-16 && smoothed[hop]! < least[block]!) least[block] = smoothed[hop]!;
  }
  const noise = new Float32Array(smoothed.length);
  for (let block = 0; block < blocks; block += 1) {
    let lowest = Infinity;
    for (let other = Math.max(0, block - REACH_BLOCKS); other <= Math.min(blocks - 1, block + REACH_BLOCKS); other += 1)
      lowest = Math.min(lowest, least[other]!);
    noise.fill(Number.isFinite(lowest) ? lowest * bias : 1e-16, block * BLOCK, (block + 1) * BLOCK);
  }
  return noise;
}

/** A shorter lag nearly as good as the best is the period itself: the best may be twice or thrice it. */
const NEARLY = 0.9;
/** Likeness by lag of the hop looked at last. */
const likenesses = new Float32Array(512);

/** Likeness half way between a lag and the next, by cubic interpolation. */
const halfWay = (lag: number): number =>
  (9 * (likenesses[lag]! + likenesses[lag + 1]!) - likenesses[lag - 1]! - likenesses[lag + 2]!) / 16;

/** The shortest lag, in halves, at which the likeness peaks nearly as high as anywhere. */
function shortestPeriod(shortest: number, longest: number, best: number): number {
  let [before, now] = [likenesses[shortest + 1]!, halfWay(shortest + 1)];
  for (let half = 2 * shortest + 3; half < 2 * (longest - 2); half += 1) {
    const next = half % 2 === 1 ? likenesses[(half + 1) >> 1]! : halfWay(half >> 1);
    if (now >= NEARLY * best && now >= before && now >= next) return half / 2;
    [before, now] = [now, next];
  }
  return longest;
}

interface Period {
  likeness: number;
  pitchHz: number;
}

const NO_PERIOD: Period = { likeness: 0, pitchHz: 0 };

/** Largest normalised autocorrelation over the lags of voices, of 40 ms round a hop, and the pitch it shows. */
function periodAt(slow: Float32Array, centre: number, rateHz: number): Period {
  const width = Math.round(rateHz * 0.04);
  const from = Math.round(centre - width / 2);
  const shortest = Math.floor(rateHz / HIGHEST_HZ);
  const longest = Math.ceil(rateHz / LOWEST_HZ);
  if (from - longest < 0 || from + width > slow.length) return NO_PERIOD;
  let energy = 0;
  for (let at = from; at < from + width; at += 1) energy += slow[at]! * slow[at]!;
  if (energy <= 0) return NO_PERIOD;
  let lagged = 0;
  for (let at = from - longest; at < from - longest + width; at += 1) lagged += slow[at]! * slow[at]!;
  let best = 0;
  for (let lag = longest; lag >= shortest; lag -= 1) {
    let product = 0;
    for (let at = from; at < from + width; at += 1) product += slow[at]! * slow[at - lag]!;
    const likeness = product / Math.sqrt(energy * lagged + 1e-30);
    likenesses[lag] = likeness;
    if (likeness > best) best = likeness;
    const [leaves, enters] = [slow[from - lag]!, slow[from - lag + width]!];
    lagged += enters * enters - leaves * leaves;
  }
  return { likeness: best, pitchHz: rateHz / shortestPeriod(shortest, longest, best) };
}

/** The slow signal less its lows: hum and handling are periodic too. One pole and zero, 150 Hz. */
function withoutLows(slow: Float32Array, rateHz: number): Float32Array {
  const pole = Math.exp((-2 * Math.PI * 150) / rateHz);
  const cut = new Float32Array(slow.length);
  let [last, y] = [0, 0];
  for (let at = 0; at < slow.length; at += 1) {
    const x = slow[at]!;
    y = pole * (y + x - last);
    last = x;
    cut[at] = y;
  }
  return cut;
}

/** Mean excess of the bands that tell a voice over their noise, hop by hop, dB. */
function excessOf(smoothed: readonly Float32Array[], noise: readonly Float32Array[], hops: number): Float32Array {
  const products = new Float64Array(hops).fill(1);
  const counts = new Uint8Array(hops);
  for (let band = FIRST_BAND; band <= LAST_BAND; band += 1) {
    const [powers, floors] = [smoothed[band]!, noise[band]!];
    for (let hop = 0; hop < hops; hop += 1) {
      const floor = floors[hop]!;
      const power = powers[hop]!;
      if (floor <= 1e-16 && power <= 1e-16) continue;
      counts[hop]! += 1;
      if (power > floor) products[hop]! *= power > 63 * floor ? 63 : power / floor;
    }
  }
  const excess = new Float32Array(hops);
  for (let hop = 0; hop < hops; hop += 1)
    if (products[hop]! > 1) excess[hop] = Math.min(MOST_DB, (10 * Math.log10(products[hop]!)) / counts[hop]!);
  return excess;
}

/** Fills holes, drops what is too short or has no voice in it. */
function tidy(isLoud: Uint8Array, voicing: Float32Array): Uint8Array {
  const speech = new Uint8Array(isLoud.length);
  let from = -1;
  let lastLoud = -HOLE - 1;
  const close = (end: number): void => {
    if (from < 0 || end - from < SHORTEST) return;
    let voiced = -BESIDE - 1;
    const firstVoiced: number[] = [];
    for (let hop = from; hop < end; hop += 1) if (voicing[hop]! >= VOICED) firstVoiced.push(hop);
    if (firstVoiced.length < 3) return;
    for (const hop of firstVoiced) {
      const begin = Math.max(from, hop - BESIDE, voiced);
      speech.fill(1, begin, Math.min(end, hop + BESIDE));
      voiced = hop;
    }
  };
  for (let hop = 0; hop < isLoud.length; hop += 1) {
    if (isLoud[hop]) {
      if (from >= 0 && hop - lastLoud > HOLE) {
        close(lastLoud + 1);
        from = hop;
      }
      if (from < 0) from = hop;
      lastLoud = hop;
    }
  }
  close(lastLoud + 1);
  return speech;
}

function pausesOf(isLoud: Uint8Array, speech: Uint8Array): Uint8Array {
  const pause = new Uint8Array(speech.length).fill(1);
  for (let hop = 0; hop < speech.length; hop += 1)
    if (speech[hop]) pause.fill(0, Math.max(0, hop - AWAY), hop + AWAY + 1);
    else if (isLoud[hop]) pause[hop] = 0;
  return pause;
}

/**
 * Decides where somebody speaks, by how far third-octaves stand over the noise and by the voice's pitch.
 *
 * Works from about 5 dB of speech over noise (see docs). Sound without any pitch (a knock, cloth, wind) is no speech.
 */
export function findSpeech(input: SpeechInput): SpeechDecision {
  const { bands, hops, slowRateHz } = input;
  const smoothed = bands.map((band) => smooth(band, SMOOTHED));
  const noise = smoothed.map((band, index) => noiseOf(band, BIAS[index]!));
  const isLoud = new Uint8Array(hops);
  const voicing = new Float32Array(hops);
  const pitchHz = new Float32Array(hops);
  const cut = withoutLows(input.slow, slowRateHz);
  const excesses = excessOf(smoothed, noise, hops);
  let isOn = false;
  for (let hop = 0; hop < hops; hop += 1) {
    const excess = excesses[hop]!;
    isOn = excess > (isOn ? SILENT_DB : SPEAKS_DB);
    if (!isOn) continue;
    isLoud[hop] = 1;
    if (hop % 4 !== 0 && isLoud[hop - 1]) {
      [voicing[hop], pitchHz[hop]] = [voicing[hop - 1]!, pitchHz[hop - 1]!];
      continue;
    }
    const period = periodAt(cut, (hop + 0.5) * input.hopS * slowRateHz, slowRateHz);
    [voicing[hop], pitchHz[hop]] = [period.likeness, period.pitchHz];
  }
  const isSpeech = tidy(isLoud, voicing);
  return { isSpeech, isPause: pausesOf(isLoud, isSpeech), noise, voicing, pitchHz };
}
