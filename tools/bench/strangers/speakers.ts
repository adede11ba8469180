import { execFileSync, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { filtered } from "./sounds";
import { RATE } from "./rate";

/** What the detectors may be tuned with, what tells whether that holds, and what is scored once. */
export type Part = "tune" | "validate" | "third";

export interface Speaker {
  /** Where it is from and which language it speaks. */
  name: string;
  part: Part;
  /** Words or sentences, each at most 1 and trimmed to what is spoken. */
  utterances: readonly Float32Array[];
}

/** Debian packages with recordings of people or of things; nothing else in the project uses them. */
const PACKAGES = [
  "klettres-data",
  "ktuberling-data",
  "tuxpaint-stamps-default",
  "fillets-ng-data-cs",
  "fillets-ng-data-nl",
  "hedgewars-data",
  "asterisk-moh-opsound-wav",
  "sonic-pi-samples",
  "openttd-opensfx",
  "supertux-data",
] as const;

const WORDS = ["ca", "da", "de", "el", "en", "fr", "gl", "lt", "nn", "ru", "sl", "uk", "wa"];
const SYLLABLES = "cs da de en en_GB es fr he hu it lt ml nds nl pt_BR ru tn uk".split(" ");
const SENTENCES = ["es", "fr", "ca", "el", "bg", "ru", "be"];
/** Two people speak in each language: small and large. */
const DIALOGUES = ["cs-m", "cs-v", "nl-m", "nl-v"];
/** Made voices of 16 kHz. */
const MADE = ["awb", "rms", "slt", "kal16"];
const MADE_TEXT = [
  "The quarry closes at seven, and the last train leaves at nine.",
  "She asked for three sheets of paper and a small blue envelope.",
  "Nobody thought the bridge would hold through another winter.",
  "Keep the engine warm while I look for the other key.",
  "Yes, that was the plan before the weather changed.",
  "Six or seven of them were waiting by the side door.",
  "He counted the boats twice, and one was always missing.",
  "If you hear the bell, walk slowly to the far end of the yard.",
];

/** Most utterances of a speaker, and the least seconds that make one. */
const MOST = 60;
const LEAST_S = 14;

function filesUnder(folder: string): string[] {
  if (!existsSync(folder)) return [];
  return (readdirSync(folder, { recursive: true }) as string[]).map((name) => join(folder, name)).sort();
}

/** Fetches the packages and lays them out under a folder, once. */
export function fetchPackages(folder: string): string {
  const root = join(folder, "packages");
  mkdirSync(root, { recursive: true });
  for (const name of PACKAGES) {
    const done = join(root, `${name}.done`);
    if (existsSync(done)) continue;
    execFileSync("apt-get", ["-qq", "download", name], { cwd: root, stdio: "ignore" });
    const file = readdirSync(root).find((found) => found.startsWith(`${name}_`))!;
    execFileSync("dpkg", ["-x", join(root, file), root]);
    writeFileSync(done, "");
  }
  return join(root, "usr/share");
}

/** A file as mono samples at {@link RATE}, its peak at 0.9; decoded by an outside program and kept. */
export function samplesOf(folder: string, file: string, isKept = true): Float32Array {
  const kept = join(folder, "decoded", `${createHash("sha256").update(file).digest("hex").slice(0, 24)}.f32`);
  if (isKept && existsSync(kept)) {
    const bytes = readFileSync(kept);
    return new Float32Array(bytes.buffer, bytes.byteOffset, bytes.length >> 2);
  }
  const made = spawnSync(
    "ffmpeg",
    ["-v", "error", "-i", file, "-f", "f32le", "-ac", "1", "-ar", String(RATE), "-t", "120", "-"],
    { maxBuffer: 1 << 28 },
  );
  const bytes = Buffer.from(made.stdout.subarray(0, made.stdout.length & ~3));
  const samples = new Float32Array(new Uint8Array(bytes).buffer);
  let largest = 1e-6;
  for (const value of samples) largest = Math.max(largest, Math.abs(value));
  for (let at = 0; at < samples.length; at += 1) samples[at]! *= 0.9 / largest;
  if (isKept) {
    mkdirSync(join(folder, "decoded"), { recursive: true });
    writeFileSync(kept, Buffer.from(samples.buffer));
  }
  return samples;
}

const FRAME = RATE / 50;
const UNDER_TOP_DB = 40;
const OWN_NOISE_UNDER_TOP_DB = 46;
const MARGIN = 2;

/** What is spoken in a file: from the first to the last 20 ms within 40 dB of the loudest, and a little beside. Null where its own noise is nearer. */
function trimmed(samples: Float32Array): Float32Array | null {
  const levels: number[] = [];
  for (let from = 0; from + FRAME <= samples.length; from += FRAME) {
    let sum = 0;
    for (let at = from; at < from + FRAME; at += 1) sum += samples[at]! ** 2;
    levels.push(10 * Math.log10(sum / FRAME + 1e-12));
  }
  if (levels.length < 10) return null;
  const top = Math.max(...levels);
  const isLoud = levels.map((level) => level > top - UNDER_TOP_DB);
  const [first, last] = [isLoud.indexOf(true), isLoud.lastIndexOf(true)];
  const quiet = levels.filter((_, index) => index < first || index > last);
  // Its own noise comes and goes with the word: it must be too weak to be heard doing so.
  quiet.sort((one, other) => one - other);
  if (quiet.length < 3 || quiet[quiet.length >> 1]! > top - OWN_NOISE_UNDER_TOP_DB) return null;
  const part = samples.slice(Math.max(0, first - MARGIN) * FRAME, Math.min(levels.length, last + 1 + MARGIN) * FRAME);
  const fade = FRAME / 2;
  for (let at = 0; at < fade; at += 1) {
    part[at]! *= at / fade;
    part[part.length - 1 - at]! *= at / fade;
  }
  return part;
}

/** Desks and breath have shaken many of these recordings, which nobody has marked: what lies under the voice is cut. */
function withoutLows(samples: Float32Array): Float32Array {
  for (let turn = 0; turn < 2; turn += 1) filtered(samples, "high", 85);
  return samples;
}

/** Some were recorded through a narrow band, whatever their files say: highs so far under the middle are none, dB. */
const NO_HIGHS_DB = -36;

function isWide(utterances: readonly Float32Array[]): boolean {
  let [high, middle] = [0, 0];
  for (const utterance of utterances) {
    const own = utterance.slice();
    for (let turn = 0; turn < 3; turn += 1) filtered(own, "high", 5500);
    high += own.reduce((sum, value) => sum + value * value, 0);
    middle += utterance.reduce((sum, value) => sum + value * value, 0);
  }
  return 10 * Math.log10(high / middle) > NO_HIGHS_DB;
}

/** The part a speaker belongs to, by its name alone. */
export function partOf(name: string): Part {
  const byte = createHash("sha256").update(`hypophon ${name}`).digest()[0]!;
  return byte < 128 ? "tune" : byte < 192 ? "validate" : "third";
}

/** All speakers of a part that have enough to say. */
export function speakersOf(folder: string, part: Part): Speaker[] {
  const share = fetchPackages(folder);
  const stamps = filesUnder(join(share, "tuxpaint/stamps"));
  const dialogue = filesUnder(join(share, "games/fillets-ng/sound"));
  const sources: [name: string, files: () => string[]][] = [
    ...WORDS.map((code): [string, () => string[]] => [
      `words ${code}`,
      () => filesUnder(join(share, `ktuberling/sounds/${code}`)),
    ]),
    ...SYLLABLES.map((code): [string, () => string[]] => [
      `syllables ${code}`,
      () => filesUnder(join(share, `klettres/${code}`)),
    ]),
    ...SENTENCES.map((code): [string, () => string[]] => [
      `sentences ${code}`,
      () => stamps.filter((file) => file.endsWith(`_desc_${code}.ogg`)),
    ]),
    ...DIALOGUES.map((code): [string, () => string[]] => {
      const [language, voice] = code.split("-");
      return [
        `dialogue ${code}`,
        () => dialogue.filter((file) => file.includes(`/${language}/`) && file.includes(`-${voice}-`)),
      ];
    }),
    ...MADE.map((voice): [string, () => string[]] => [
      `made ${voice}`,
      () =>
        MADE_TEXT.map((text, index) => {
          const wav = join(folder, `made-${voice}-${index}.wav`);
          if (!existsSync(wav)) execFileSync("flite", ["-voice", voice, "-t", text, "-o", wav]);
          return wav;
        }),
    ]),
  ];
  return sources
    .filter(([name]) => partOf(name) === part)
    .flatMap(([name, files]): Speaker[] => {
      const sounds = files().filter((file) => /\.(ogg|wav|opus|mp3)$/.test(file));
      const step = Math.max(1, sounds.length / MOST);
      const chosen = sounds.filter((_, index) => Math.floor(index / step) !== Math.floor((index - 1) / step));
      const utterances = chosen.flatMap((file) => trimmed(withoutLows(samplesOf(folder, file))) ?? []);
      const seconds = utterances.reduce((sum, { length }) => sum + length, 0) / RATE;
      return seconds >= LEAST_S && isWide(utterances) ? [{ name, part, utterances }] : [];
    });
}
