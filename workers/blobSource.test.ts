import fc from "fast-check";
import { runs } from "../fixtures/runs";
import {
  type ByteSource,
  bytesSource,
  type FrameRange,
  MeasurementCancelled,
  readBlocks,
  readWavHeader,
  toWav,
  type WavHeader,
} from "../core/audio";
import { blobSource } from "./blobSource";

const FRAMES = 90_000;
/** Three channels of 24 bits: nine bytes a frame, which no portion of a stream is a multiple of. */
const wav = toWav(
  [3, 5, 7].map((step) => Float32Array.from({ length: FRAMES }, (_, at) => ((at * step) % 1999) / 2000)),
  { sampleRateHz: 48_000, bits: 24 },
);
const header: Promise<WavHeader> = readWavHeader(bytesSource(wav));

/** What a source hands on of a range, and in how many frames at a time. */
async function blocksOf(source: ByteSource, range: FrameRange, blockFrames: number, options = {}) {
  const known = await header;
  const counts: number[] = [];
  const parts: Uint8Array[] = [];
  const onBlock = (bytes: Uint8Array, frames: number) => {
    expect(bytes).toHaveLength(frames * known.bytesPerFrame);
    counts.push(frames);
    parts.push(bytes.slice());
  };
  const frames = await readBlocks(source, known, range, blockFrames, onBlock, options);
  return { frames, counts, bytes: Buffer.concat(parts) };
}

async function bytesOf({ from, frames }: FrameRange): Promise<Buffer> {
  const { dataOffset, bytesPerFrame } = await header;
  return Buffer.from(wav.subarray(dataOffset + from * bytesPerFrame, dataOffset + (from + frames) * bytesPerFrame));
}

/** A source whose portions are as long as is said, over and over; counts how often it was told to end. */
function portioned(bytes: Uint8Array, lengths: readonly number[]) {
  const source = {
    ...bytesSource(bytes),
    ended: 0,
    run(offset: number, length: number) {
      let [at, turn] = [offset, 0];
      return {
        next: () => {
          const portion = bytes.slice(at, Math.min(at + lengths[turn++ % lengths.length]!, offset + length));
          at += portion.length;
          return Promise.resolve(portion.length > 0 ? portion : null);
        },
        end: () => void (source.ended += 1),
      };
    },
  };
  return source;
}

const WHOLE = { from: 0, frames: FRAMES };

describe("bytes of a stretch, whichever way they come", () => {
  test("a blob's stream gives the same whole blocks as pulls from memory", async () => {
    const range = { from: 123, frames: 70_001 };
    const streamed = await blocksOf(blobSource(new Blob([wav])), range, 480);
    const pulled = await blocksOf(bytesSource(wav), range, 480);
    expect(streamed.bytes.equals(await bytesOf(range))).toBe(true);
    expect(streamed.counts).toEqual(pulled.counts);
    expect(new Set(streamed.counts.slice(0, -1))).toEqual(new Set([480]));
    expect(streamed.frames).toBe(70_001);
  });

  test("portions of any length come to the same blocks", async () => {
    const lengths = fc.array(fc.integer({ min: 1, max: 60_000 }), { minLength: 1, maxLength: 4 });
    const starts = fc.integer({ min: 0, max: FRAMES - 1 });
    await fc.assert(
      fc.asyncProperty(lengths, starts, fc.integer({ min: 1, max: 9000 }), async (some, from, blockFrames) => {
        // A million portions of a byte would only take long.
        const enough = [...some, 20_000];
        const range = { from, frames: 40_000 };
        const got = await blocksOf(portioned(wav, enough), range, blockFrames);
        expect(got.frames).toBe(Math.min(40_000, FRAMES - from));
        expect(got.bytes.equals(await bytesOf(range))).toBe(true);
        expect(got.counts.slice(0, -1).every((count) => count === blockFrames)).toBe(true);
      }),
      { numRuns: runs(12, 40) },
    );
  });

  test("a file cut off in the midst of a frame ends with the last whole one", async () => {
    const { dataOffset, bytesPerFrame } = await header;
    const cut = wav.slice(0, dataOffset + 50_000 * bytesPerFrame + 4);
    for (const source of [bytesSource(cut), blobSource(new Blob([cut])), portioned(cut, [10_007])])
      expect((await blocksOf(source, WHOLE, 4096)).frames).toBe(50_000);
  });

  test("nothing is asked of a file past its end, and nothing comes of an empty stretch", async () => {
    for (const source of [bytesSource(wav), blobSource(new Blob([wav]))]) {
      expect((await blocksOf(source, { from: FRAMES, frames: 10 }, 480)).counts).toEqual([]);
      expect((await blocksOf(source, { from: 5, frames: 0 }, 480)).frames).toBe(0);
    }
  });

  test("a stream is let go when all is read, when it is stopped and when what comes cannot be used", async () => {
    const read = portioned(wav, [50_000]);
    await blocksOf(read, WHOLE, 480);
    expect(read.ended).toBe(1);
    const stopped = portioned(wav, [50_000]);
    await expect(blocksOf(stopped, WHOLE, 480, { isCancelled: () => true })).rejects.toThrow(MeasurementCancelled);
    expect(stopped.ended).toBe(1);
    const useless = portioned(wav, [50_000]);
    const failing = readBlocks(useless, await header, WHOLE, 480, () => {
      throw new Error("full");
    });
    await expect(failing).rejects.toThrow("full");
    expect(useless.ended).toBe(1);
  });

  test("a card that is pulled is an error, not a short file", async () => {
    let turn = 0;
    const pulled: ByteSource = {
      ...bytesSource(wav),
      run: () => ({
        next: () => (++turn < 4 ? Promise.resolve(wav.slice(0, 30_000)) : Promise.reject(new Error("gone"))),
        end: () => undefined,
      }),
    };
    await expect(blocksOf(pulled, WHOLE, 480)).rejects.toThrow("gone");
  });

  test("progress ends at one and a hold keeps the next portion waiting", async () => {
    const shares: number[] = [];
    let release = () => {};
    let held: Promise<void> | null = new Promise((open) => (release = open));
    const reading = blocksOf(portioned(wav, [100_000]), WHOLE, 480, {
      onProgress: (share: number) => shares.push(share),
      holdUp: () => held,
    });
    await new Promise((later) => setTimeout(later, 20));
    expect(shares).toHaveLength(1);
    held = null;
    release();
    await reading;
    expect(shares.at(-1)).toBe(1);
    expect([...shares].sort((one, other) => one - other)).toEqual(shares);
  });
});
