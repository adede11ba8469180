import { Option } from "commander";
import { type ByteSource, readWavHeader, type WavHeader } from "../core/audio";
import { measureWav, recordingMeter } from "../core/check";
import {
  alignedTracks,
  apartMessage,
  channelsOf,
  deliverWav,
  deliveryMessage,
  LOUDNESS_TARGETS,
  settledMix,
  type LoudnessTarget,
  type LoudnessTargetId,
  type Mix,
  type ProgrammeLevels,
  type TrackApart,
  tracksApart,
} from "../core/deliver";
import { renderedHead } from "../core/tags";
import { say } from "../messages";
import { openFileSource } from "./fileSource";
import { refuser } from "./output";
import { type SoundForm, writeSound } from "./rendering";
import { amount, runSound, soundCommand, trackNumbers } from "./soundTool";

const PROGRAM = "hypophon deliver";
const refuse = refuser(PROGRAM);

interface Wishes {
  to: string;
  for: LoudnessTargetId;
  lufs?: number;
  peak?: number;
  tracks?: readonly number[];
  mix?: boolean;
  align?: boolean;
  bits: "16" | "24" | "32";
  json?: boolean;
}

/** Loudness and true peak of a mix. */
async function levelsOf(source: ByteSource, header: WavHeader, mix: Mix): Promise<ProgrammeLevels> {
  const meter = recordingMeter({
    ...{ file: "", container: header.container, encoding: "float", bitsPerSample: 32 },
    ...{ sampleRateHz: header.sampleRateHz, channels: channelsOf(mix), fullScale: 1 },
  });
  await deliverWav(source, mix, (planes, frames) => {
    meter.push(planes, frames);
    return Promise.resolve();
  });
  return meter.finish().measurement.overall;
}

/** How the tracks lie to each other, by what is spoken. */
async function apartOf(path: string, source: ByteSource, header: WavHeader): Promise<TrackApart[]> {
  const { phrases } = await measureWav(source, path);
  const [row] = phrases.toSorted((one, other) => other.length - one.length);
  return tracksApart(source, header, row ?? []);
}

const targetOf = (wishes: Wishes): LoudnessTarget => ({
  ...LOUDNESS_TARGETS[wishes.for],
  ...(wishes.lufs !== undefined && { integratedLufs: wishes.lufs, toleranceLu: 0.5 }),
  ...(wishes.peak !== undefined && { truePeakDbtp: wishes.peak }),
});

async function deliver(path: string, wishes: Wishes): Promise<number> {
  const source = await openFileSource(path);
  try {
    const header = await readWavHeader(source);
    const chosen = wishes.tracks ?? Array.from({ length: header.channels }, (_, channel) => channel);
    const missing = chosen.find((channel) => channel >= header.channels);
    if (missing !== undefined) return refuse(`there is no track ${missing + 1}: ${path} has ${header.channels}`);
    if (!wishes.mix && chosen.length > 2)
      return refuse(`${chosen.length} tracks are no programme: --mix makes one of them, --tracks chooses two`);
    const plainTracks = chosen.map((channel) => ({ channel, gainDb: 0 }));
    const apart = wishes.align ? await apartOf(path, source, header) : [];
    const tracks = wishes.align ? alignedTracks(plainTracks, apart) : plainTracks;
    const target = targetOf(wishes);
    const plain: Mix = { tracks, isMixed: wishes.mix ?? false, gainDb: 0, ceilingDbtp: null };
    const settled = await settledMix(plain, target, (mix) => levelsOf(source, header, mix));
    if (!settled) {
      process.stdout.write(
        wishes.json ? `${JSON.stringify({ file: path, to: null })}\n` : `${say({ code: "deliver.silent" })}\n`,
      );
      return 1;
    }
    const { mix, before } = settled;
    const form: SoundForm = { bits: Number(wishes.bits) as SoundForm["bits"], isFloat: wishes.bits === "32" };
    const head = await renderedHead(source, {
      ...{ sampleRateHz: header.sampleRateHz, channels: channelsOf(mix), ...form, frames: header.frames },
      ...{ from: mix.isMixed ? null : chosen, isAligned: true },
      history: `A=PCM,F=${header.sampleRateHz},W=${form.bits},T=Hypophon; ${mix.gainDb.toFixed(1)} dB to ${target.integratedLufs} LUFS`,
    });
    const made = { limitedDb: 0, limitedShare: 0 };
    await writeSound(wishes.to, head, form, async (take) => Object.assign(made, await deliverWav(source, mix, take)));
    const result = await openFileSource(wishes.to);
    const all = Array.from({ length: channelsOf(mix) }, (_, channel) => ({ channel, gainDb: 0 }));
    const after = await levelsOf(result, await readWavHeader(result), { ...plain, isMixed: false, tracks: all });
    await result.close();
    const told = deliveryMessage(
      { integratedLufs: after.integratedLufs ?? -200, truePeakDbtp: after.truePeakDbtp ?? -200 },
      target,
      { gainDb: mix.gainDb, limitedDb: made.limitedDb },
    );
    const figures = {
      ...{ file: path, to: wishes.to, target, before, after: pick(after), gainDb: mix.gainDb },
      ...{ limitedDb: made.limitedDb, limitedShare: made.limitedShare, apart, says: say(told) },
    };
    process.stdout.write(
      wishes.json
        ? `${JSON.stringify({ ...figures, before: pick(before) }, null, 1)}\n`
        : `${[...apart.map((each) => say(apartMessage(each))), say(told), wishes.to].join("\n")}\n`,
    );
    return told.code === "deliver.off" ? 1 : 0;
  } finally {
    await source.close();
  }
}

const pick = ({ integratedLufs, truePeakDbtp }: ProgrammeLevels): ProgrammeLevels => ({ integratedLufs, truePeakDbtp });

/** Brings a recording to a loudness in a new file: 0 done, 1 silent, beside its target or no readable recording, 2 a bad call. */
export async function runDeliver(args: readonly string[]): Promise<number> {
  let code = 0;
  const names = Object.keys(LOUDNESS_TARGETS);
  const program = soundCommand(PROGRAM)
    .requiredOption("--to <file>", "the new file")
    .addOption(new Option("--for <target>", "where it goes").choices(names).default("r128"))
    .option("--lufs <LUFS>", "a loudness of your own", amount(-60, 0, "LUFS"))
    .option("--peak <dBTP>", "a ceiling of your own", amount(-20, 0, "dBTP"))
    .option("--tracks <tracks>", "only these, such as 1,3", trackNumbers)
    .option("--mix", "tracks become one")
    .option("--align", "tracks of one voice are brought to each other in time and polarity")
    .addOption(
      new Option("--bits <bits>", "16 or 24 with dither, 32 is float").choices(["16", "24", "32"]).default("24"),
    )
    .option("--json", "tell it as JSON")
    .action(async (file: string, wishes: Wishes) => {
      code = await deliver(file, wishes);
    });
  return runSound(program, args, () => code);
}
