import { writeFile } from "node:fs/promises";
import { basename } from "node:path";
import { InvalidArgumentError, Option } from "commander";
import { readWavHeader } from "../core/audio";
import { measureWav, phrasesTogether } from "../core/check";
import { CutPlan, falseStarts, lengthOf, lookAtPauses, proposedCut, renderCut, segmentsOf } from "../core/cut";
import { cutEdlOf, cutOtioOf, type SoundCut } from "../core/lists";
import { renderedHead } from "../core/tags";
import { isDropRate } from "../core/timecode";
import { openFileSource } from "./fileSource";
import { refuser } from "./output";
import { pieceWorkers } from "./pieceWorkers";
import { type SoundForm, writeSound } from "./rendering";
import { readJson, runSound, soundCommand } from "./soundTool";

const PROGRAM = "hypophon cut";
const refuse = refuser(PROGRAM);

/** Pauses stay as long as they are. */
const AS_IS = "as-is";

interface Wishes {
  to?: string;
  list?: string;
  plan?: string;
  pause?: number | typeof AS_IS;
  dropBreaths?: boolean;
  keepSmacks?: boolean;
  fps: number;
  bits: "16" | "24" | "32";
  json?: boolean;
}

/** The list by its name's ending: EDL, OTIO, or the plan itself. */
function listOf(path: string, cut: SoundCut, plan: CutPlan): string {
  if (/\.edl$/i.test(path)) return cutEdlOf(cut);
  if (/\.otio$/i.test(path)) return cutOtioOf(cut);
  return `${JSON.stringify(plan, null, 1)}\n`;
}

const clock = (seconds: number): string => `${Math.floor(seconds / 60)}:${(seconds % 60).toFixed(1).padStart(4, "0")}`;

async function cutFile(path: string, wishes: Wishes): Promise<number> {
  const source = await openFileSource(path);
  const workers = pieceWorkers();
  try {
    const header = await readWavHeader(source);
    const { sampleRateHz, frames, channels, timeReference } = header;
    const given = wishes.plan === undefined ? null : await readJson(CutPlan, wishes.plan);
    if (typeof given === "string") return refuse(given);
    const { phrases: each } = await measureWav(source, path, {}, workers.measurePieces(path, source.sizeBytes));
    // Whoever speaks on any of the tracks.
    const phrases = given?.phrases.map(({ startS, endS }) => ({ startS, endS, levelDbfs: 0 })) ?? phrasesTogether(each);
    if (phrases.length === 0) {
      process.stdout.write(wishes.json ? `${JSON.stringify({ file: path, phrases: 0 })}\n` : "Nobody speaks in it.\n");
      return 1;
    }
    const proposed = given ?? proposedCut(phrases, await falseStarts(source, header, phrases));
    const plan: CutPlan = {
      ...proposed,
      ...(wishes.pause !== undefined && { longestPauseS: wishes.pause === AS_IS ? null : wishes.pause }),
      ...(wishes.dropBreaths && { dropsBreaths: true }),
      ...(wishes.keepSmacks && { dropsSmacks: false }),
    };
    const pauses = await lookAtPauses(source, header, phrases);
    const segments = segmentsOf(plan, pauses, header);
    if (segments.length === 0) return refuse("the plan keeps no phrase");
    const kept = segments.reduce((sum, { from, to }) => sum + to - from, 0);
    if (wishes.to !== undefined) {
      const form: SoundForm = { bits: Number(wishes.bits) as SoundForm["bits"], isFloat: wishes.bits === "32" };
      const head = await renderedHead(source, {
        ...{ sampleRateHz, channels, ...form, frames: kept, isAligned: false },
        from: Array.from({ length: channels }, (_, channel) => channel),
        history: `A=PCM,F=${sampleRateHz},W=${form.bits},T=Hypophon; cut to ${clock(lengthOf(segments, sampleRateHz))}`,
      });
      await writeSound(wishes.to, head, form, (take) => renderCut(source, segments, take));
    }
    const cut: SoundCut = {
      ...{ title: basename(path), frameRate: wishes.fps, isDrop: isDropRate(wishes.fps), name: basename(path) },
      ...{ startS: timeReference === null ? null : timeReference / sampleRateHz, sampleRateHz, frames, segments },
    };
    if (wishes.list !== undefined) await writeFile(wishes.list, listOf(wishes.list, cut, plan), { flag: "wx" });
    const dropped = plan.phrases.filter(({ decision }) => decision === "drop");
    const events = pauses.flatMap((pause) => pause.events);
    const figures = {
      ...{ file: path, wasS: frames / sampleRateHz, isS: kept / sampleRateHz, phrases: phrases.length },
      ...{ dropped: dropped.length, breaths: events.filter(({ kind }) => kind === "breath").length },
      smacks: events.filter(({ kind }) => kind === "smack").length,
    };
    if (wishes.json) process.stdout.write(`${JSON.stringify({ ...figures, plan }, null, 1)}\n`);
    else
      process.stdout.write(
        [
          `${clock(figures.wasS)} → ${clock(figures.isS)}, ${figures.phrases} phrases, ${figures.dropped} dropped`,
          ...dropped.map(
            ({ startS, endS, why }) => `  ${clock(startS)} to ${clock(endS)}${why === null ? "" : ": begun again"}`,
          ),
          "",
        ].join("\n"),
      );
    return 0;
  } finally {
    await workers.close();
    await source.close();
  }
}

function pauseLength(text: string): number | typeof AS_IS {
  if (text === AS_IS) return text;
  const value = Number(text);
  if (text.trim() !== "" && value >= 0.05 && value <= 10) return value;
  throw new InvalidArgumentError("0.05 to 10 s are expected, or as-is.");
}

function frameRate(text: string): number {
  const value = Number(text);
  if ([23.976, 24, 25, 29.97, 30, 48, 50, 59.94, 60].includes(value)) return value;
  throw new InvalidArgumentError("24, 25, 29.97 and the like are expected.");
}

/** Cuts a recording down to its phrases: 0 done, 1 nobody speaks or no readable recording, 2 a bad call. */
export async function runCut(args: readonly string[]): Promise<number> {
  let code = 0;
  const program = soundCommand(PROGRAM)
    .option("--to <file>", "the cut as a new sound file")
    .option("--list <file>", "the cut as .edl, .otio, or .json to be changed and given back")
    .option("--plan <json>", "which phrases stay: what --list wrote as JSON")
    .option("--pause <s>", "pauses are at most so long; as-is leaves them", pauseLength)
    .option("--drop-breaths", "breaths in pauses go")
    .option("--keep-smacks", "lip smacks in pauses stay")
    .option("--fps <rate>", "frames a second of the list", frameRate, 25)
    .addOption(
      new Option("--bits <bits>", "16 or 24 with dither, 32 is float").choices(["16", "24", "32"]).default("24"),
    )
    .option("--json", "tell it as JSON")
    .action(async (file: string, wishes: Wishes) => {
      code = await cutFile(file, wishes);
    });
  return runSound(program, args, () => code);
}
