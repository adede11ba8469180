import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { sine } from "../../fixtures/testSignals";
import { bytesSource, toWav } from "../audio";
import { rateRatio } from "./ixml";
import { readTags, taggedCopy, type Tags } from "./taggedCopy";
import { renderedHead } from "./trackFiles";

const RATE = 48000;
const folder = mkdtempSync(join(tmpdir(), "hypophon-tags-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const TAGS: Tags = {
  bext: {
    ...{ description: "12A take 3", originator: "Hypophon", reference: "SW0041", date: "2027-05-11", time: "09:31:07" },
    timeReference: 34_267 * RATE,
  },
  ixml: {
    ...{ project: "Slack Water", scene: "12A", take: "3", tape: "D1", note: "aircraft at 0:41" },
    ...{ isCircled: true, isNoGood: false, isFalseStart: false, isWild: false },
    tracks: [{ channel: 1, name: "Tam" }],
    ...{ frameRate: rateRatio(25), isDrop: false },
  },
  markers: [{ atFrame: 24_000, frames: 0, label: "aircraft" }],
};

const run = (program: string, args: readonly string[]) => spawnSync(program, args, { encoding: "utf8" });

async function written(name: string, wav: Uint8Array): Promise<string> {
  const { keepBytes, patches, tail } = await taggedCopy(bytesSource(wav), TAGS);
  const copy = new Uint8Array(keepBytes + tail.length);
  copy.set(wav.subarray(0, keepBytes));
  for (const { offset, bytes } of patches) copy.set(bytes, offset);
  copy.set(tail, keepBytes);
  const path = join(folder, name);
  writeFileSync(path, copy);
  return path;
}

const plain = toWav([sine({ frequencyHz: 440, levelDbfs: -12, seconds: 1, sampleRateHz: RATE })], {
  sampleRateHz: RATE,
  bits: 24,
});

/** An RF64 file as another program writes it. */
function rf64(): Uint8Array {
  const [wav, wide] = [join(folder, "plain.wav"), join(folder, "wide.wav")];
  writeFileSync(wav, plain);
  run("ffmpeg", ["-nostdin", "-v", "error", "-y", "-i", wav, "-c:a", "pcm_s24le", "-rf64", "always", wide]);
  return new Uint8Array(readFileSync(wide));
}

describe.each([
  ["a WAV", () => plain],
  [
    "a WAV with a broadcast chunk",
    () => toWav([new Float32Array(RATE)], { sampleRateHz: RATE, bits: 16, startedAtS: 5 }),
  ],
  ["an RF64 of ffmpeg", rf64],
] as const)("words in a copy of %s", (name, wavOf) => {
  let path = "";
  let wav: Uint8Array;
  beforeAll(async () => {
    wav = wavOf();
    path = await written(`${name}.wav`, wav);
  });

  test("are read back by ffprobe (independent program)", () => {
    const { stdout } = run("ffprobe", ["-v", "error", "-show_format", "-of", "json", path]);
    const { tags } = (JSON.parse(stdout) as { format: { tags: Record<string, string> } }).format;
    expect(tags["comment"] ?? tags["description"]).toBe("12A take 3");
    expect([tags["encoded_by"], tags["date"], tags["creation_time"]]).toEqual(["Hypophon", "2027-05-11", "09:31:07"]);
    expect(Number(tags["time_reference"])).toBe(34_267 * RATE);
  });

  test("are read back by mediainfo, scene and take too (independent program)", () => {
    const { stdout } = run("mediainfo", ["--Output=JSON", path]);
    const says = stdout.toString();
    expect(says).toContain("12A take 3");
    expect(says).toContain("SW0041");
    expect(says).toMatch(/2027-05-11/);
  });

  test("leave the sound as it is: decoded by sox and ffmpeg it has the same hash (sha256sum)", () => {
    const original = join(folder, "original.wav");
    writeFileSync(original, wav);
    const hashOf = (file: string) =>
      run("sh", ["-c", `ffmpeg -nostdin -v error -i "${file}" -f s24le - | sha256sum`]).stdout;
    expect(hashOf(path)).toBe(hashOf(original));
    const soxHash = (file: string) => run("sh", ["-c", `sox "${file}" -t raw -e signed -b 24 - | sha256sum`]).stdout;
    expect(soxHash(path)).toBe(soxHash(original));
    expect(soxHash(path)).toMatch(/^[0-9a-f]{64}/);
  });

  test("are read by ourselves from what ffmpeg has written", async () => {
    const theirs = join(folder, "theirs.wav");
    const meta = ["-metadata", "description=by another", "-metadata", "originator=somebody"];
    run("ffmpeg", ["-nostdin", "-v", "error", "-y", "-i", path, "-write_bext", "1", ...meta, theirs]);
    const { bext } = await readTags(bytesSource(new Uint8Array(readFileSync(theirs))));
    expect([bext!.description, bext!.originator]).toEqual(["by another", "somebody"]);
  });
});

test("a rendered file keeps the words, tells what was done, and has its own form, as ffprobe reads it", async () => {
  const path = await written("words.wav", plain);
  const source = bytesSource(new Uint8Array(readFileSync(path)));
  const sound = new Float32Array(RATE / 2);
  const form = {
    sampleRateHz: RATE,
    channels: 2,
    bits: 32,
    isFloat: true,
    frames: sound.length,
    from: [0, 0],
  } as const;
  const render = async (before: Uint8Array, history: string) => {
    const head = await renderedHead(bytesSource(before), { ...form, isAligned: false, history });
    return new Uint8Array(Buffer.concat([head, new Uint8Array(new Float32Array(2 * sound.length).buffer)]));
  };
  const once = await render(new Uint8Array(readFileSync(path)), "A=PCM,F=48000,W=32,T=Hypophon; low cut at 80 Hz");
  const twice = await render(once, "A=PCM,F=48000,W=32,T=Hypophon; −23 LUFS");
  const to = join(folder, "rendered.wav");
  writeFileSync(to, twice);
  const { stdout } = run("ffprobe", ["-v", "error", "-show_format", "-show_streams", "-of", "json", to]);
  const { format, streams } = JSON.parse(stdout) as {
    format: { tags: Record<string, string> };
    streams: { codec_name: string; channels: number; duration_ts: number }[];
  };
  expect(streams[0]).toMatchObject({ codec_name: "pcm_f32le", channels: 2, duration_ts: sound.length });
  expect(format.tags["coding_history"]!.split("\r\n").filter(Boolean)).toEqual([
    "A=PCM,F=48000,W=32,T=Hypophon; low cut at 80 Hz",
    "A=PCM,F=48000,W=32,T=Hypophon; -23 LUFS",
  ]);
  const { ixml, markers } = await readTags(bytesSource(twice));
  expect(ixml).toMatchObject({ scene: "12A", take: "3" });
  // Frames do not stand where they stood: marks would point at something else.
  expect([markers.length, (await readTags(source)).markers.length]).toEqual([0, 1]);
});
