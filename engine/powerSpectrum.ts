import { room } from "./block";
import { Fourier4, POINT_BYTES } from "./fourier";

/** Hann window, so scaled that the sum over bins is the mean square. */
function hannScale(frames: i32): f64 {
  // Mean square of a Hann window is 3/8; one side of the spectrum counts twice.
  return Math.sqrt(2 / (<f64>frames * <f64>frames * 0.375));
}

/** Bin powers of four Hann-windowed real frames at once, one in each lane. */
export class PowerSpectrum {
  frames: i32;
  /** Four lanes a bin, from bin 0 on; bin 0 itself is not worked out. */
  powers: usize;
  private half: i32;
  private window: usize;
  private cosines: usize;
  private sines: usize;
  private fourier: Fourier4;

  constructor(frames: i32) {
    this.fourier = new Fourier4(frames / 2);
    this.frames = frames;
    this.half = frames / 2;
    this.window = room((<usize>frames) << 2);
    this.cosines = room((<usize>(this.half + 1)) << 2);
    this.sines = room((<usize>(this.half + 1)) << 2);
    this.powers = room((<usize>(this.half + 1)) << 4);
    const scale = hannScale(frames);
    for (let index = 0; index < frames; index += 1)
      store<f32>(
        this.window + ((<usize>index) << 2),
        <f32>((0.5 - 0.5 * Math.cos((2 * Math.PI * <f64>index) / <f64>frames)) * scale),
      );
    for (let index = 0; index <= this.half; index += 1) {
      const angle = (-2 * Math.PI * <f64>index) / <f64>frames;
      // Halved: the parts that are even and odd in time are means.
      store<f32>(this.cosines + ((<usize>index) << 2), <f32>(Math.cos(angle) / 2));
      store<f32>(this.sines + ((<usize>index) << 2), <f32>(Math.sin(angle) / 2));
    }
  }

  /** Puts four frames into the lanes, even samples as real and odd ones as imaginary part. */
  private fill(from: usize, apart: usize): void {
    const fourier = this.fourier;
    for (let index = 0; index < this.half; index += 2) {
      const at = from + ((<usize>index) << 3);
      const taps = v128.load(this.window + ((<usize>index) << 3));
      const a = f32x4.mul(v128.load(at), taps);
      const b = f32x4.mul(v128.load(at + apart), taps);
      const c = f32x4.mul(v128.load(at + 2 * apart), taps);
      const d = f32x4.mul(v128.load(at + 3 * apart), taps);
      // Four samples of four frames turn into the same sample of four frames, four times.
      const ab = v128.shuffle<f32>(a, b, 0, 4, 1, 5);
      const cd = v128.shuffle<f32>(c, d, 0, 4, 1, 5);
      const abLate = v128.shuffle<f32>(a, b, 2, 6, 3, 7);
      const cdLate = v128.shuffle<f32>(c, d, 2, 6, 3, 7);
      const to = fourier.slot(index);
      const toLate = fourier.slot(index + 1);
      v128.store(to, v128.shuffle<f32>(ab, cd, 0, 1, 4, 5));
      v128.store(to, v128.shuffle<f32>(ab, cd, 2, 3, 6, 7), 16);
      v128.store(toLate, v128.shuffle<f32>(abLate, cdLate, 0, 1, 4, 5));
      v128.store(toLate, v128.shuffle<f32>(abLate, cdLate, 2, 3, 6, 7), 16);
    }
  }

  /** Powers of the real frames' bins from the packed transform; a bin and the one as far from the end at once. */
  private unpack(lastBin: i32): void {
    const half = this.half;
    const points = this.fourier.points;
    const middle = f32x4.splat(0.5);
    const twice = f32x4.splat(2);
    // Bin 0 of the packed transform stands for the last bin too; it is of no use to anybody.
    for (let bin = 1; bin <= min(half / 2, lastBin); bin += 1) {
      const near = points + <usize>bin * POINT_BYTES;
      const far = points + <usize>(half - bin) * POINT_BYTES;
      const nearRe = v128.load(near);
      const nearIm = v128.load(near, 16);
      const farRe = v128.load(far);
      const farIm = v128.load(far, 16);
      const evenRe = f32x4.mul(middle, f32x4.add(nearRe, farRe));
      const evenIm = f32x4.mul(middle, f32x4.sub(nearIm, farIm));
      const oddRe = f32x4.add(nearIm, farIm);
      const oddIm = f32x4.sub(farRe, nearRe);
      const cosine = v128.load32_splat(this.cosines + ((<usize>bin) << 2));
      const sine = v128.load32_splat(this.sines + ((<usize>bin) << 2));
      const turnedRe = f32x4.sub(f32x4.mul(oddRe, cosine), f32x4.mul(oddIm, sine));
      const turnedIm = f32x4.add(f32x4.mul(oddRe, sine), f32x4.mul(oddIm, cosine));
      // |E + O|² and |E − O|² are their sum of powers, plus and less twice their product.
      const sum = f32x4.add(
        f32x4.add(f32x4.mul(evenRe, evenRe), f32x4.mul(evenIm, evenIm)),
        f32x4.add(f32x4.mul(turnedRe, turnedRe), f32x4.mul(turnedIm, turnedIm)),
      );
      const product = f32x4.mul(twice, f32x4.add(f32x4.mul(evenRe, turnedRe), f32x4.mul(evenIm, turnedIm)));
      v128.store(this.powers + ((<usize>bin) << 4), f32x4.add(sum, product));
      if (half - bin <= lastBin) v128.store(this.powers + ((<usize>(half - bin)) << 4), f32x4.sub(sum, product));
    }
  }

  /** Works out the powers of four frames that begin `apart` bytes from each other. */
  push(from: usize, apart: usize, lastBin: i32): void {
    this.fill(from, apart);
    this.fourier.transform();
    this.unpack(lastBin);
  }
}
