import { findingWords, say } from "../messages";
import { Command, CommanderError } from "commander";
import { measureWav, type RecordingMeasurement } from "../core/check";
import { RecordingRefusal } from "../core/audio";
import { pathsOf } from "./fileNames";
import { openFileSource } from "./fileSource";
import { pieceWorkers, type PieceWorkers } from "./pieceWorkers";
import { trackNumbers } from "./soundTool";

async function measureFile(
  name: string,
  path: string | Buffer,
  mix: readonly number[] | undefined,
  workers: PieceWorkers,
): Promise<RecordingMeasurement> {
  const source = await openFileSource(path);
  try {
    return (await measureWav(source, name, { mix }, workers.measurePieces(path, source.sizeBytes))).measurement;
  } finally {
    await source.close();
  }
}

function figure(value: number | null, digits = 1): string {
  return value === null ? "−∞" : value.toFixed(digits).replace("-", "−");
}

function clock(seconds: number): string {
  const minutes = Math.floor(seconds / 60);
  return `${minutes}:${(seconds - minutes * 60).toFixed(1).padStart(4, "0")}`;
}

function readable(measurement: RecordingMeasurement): string {
  const { format, overall, channels, findings } = measurement;
  const bits = format.bitsPerSample === null ? "" : `, ${format.bitsPerSample} bit ${format.encoding}`;
  const header = ["ch", "peak", "true pk", "LUFS", "RMS", "speech", "noise", "SNR", "clips"];
  const rows = channels.map((channel) => [
    String(channel.index + 1),
    figure(channel.samplePeakDbfs),
    figure(channel.truePeakDbtp),
    figure(channel.integratedLufs),
    figure(channel.rmsDbfs),
    figure(channel.speechLevelDbfs),
    figure(channel.noiseFloorDbfs),
    figure(channel.snrDb),
    String(channel.clippedRuns),
  ]);
  const lines = [
    measurement.file,
    `  ${format.container}, ${format.sampleRateHz} Hz${bits}, ${format.channels} ch, ${clock(format.durationS)}`,
    ...[header, ...rows].map((row) => `  ${row.map((cell) => cell.padStart(8)).join("")}`),
  ];
  if (overall.integratedLufs !== null || overall.loudnessRangeLu !== null)
    lines.push(`  programme ${figure(overall.integratedLufs)} LUFS, range ${figure(overall.loudnessRangeLu ?? 0)} LU`);
  if (overall.mix)
    lines.push(
      `  tracks ${overall.mix.tracks.join(", ")} together ${figure(overall.mix.integratedLufs)} LUFS, range ${figure(overall.mix.loudnessRangeLu ?? 0)} LU`,
    );
  for (const finding of findings) {
    const { what, advice } = findingWords(finding);
    const where = finding.channel === null ? "file" : `ch ${finding.channel + 1}`;
    lines.push(`  ${finding.severity}: ${where}, ${clock(finding.startS)}: ${what} ${advice}`);
  }
  return `${lines.join("\n")}\n`;
}

/** The same with each finding in words beside its codes. */
const withWords = (measurement: RecordingMeasurement) => ({
  ...measurement,
  findings: measurement.findings.map((finding) => ({ ...finding, says: findingWords(finding) })),
});

interface Call {
  files: readonly string[];
  asJson: boolean;
  mix: readonly number[] | undefined;
}

/** What was asked for; null where the call is wrong, which has been said then, or asked for help. */
function readCall(args: readonly string[]): Call | { exitCode: number } {
  const command = new Command("hypophon measure")
    .description("Measures recordings: levels, loudness, noise, and what is wrong with them.")
    .argument("<file...>", "WAV, RF64 or BW64 files; -- before names that begin with -")
    .option("--json", "one JSON object a line")
    .option("--mix <tracks>", "loudness of these tracks together, such as 1,2", trackNumbers)
    .configureOutput({ writeErr: (text) => process.stderr.write(text.replace(/^error: /, "hypophon measure: ")) })
    .exitOverride();
  try {
    command.parse(args, { from: "user" });
  } catch (error) {
    if (!(error instanceof CommanderError)) throw error;
    return { exitCode: error.exitCode === 0 ? 0 : 2 };
  }
  const { json, mix } = command.opts<{ json?: true; mix?: number[] }>();
  return { files: command.args, asJson: json === true, mix };
}

/** Measures files: one JSON object a line with `--json`, else tables. 0 good, 1 findings or refusals, 2 bad call or no place to write to. */
export async function runMeasure(args: readonly string[]): Promise<number> {
  const call = readCall(args);
  if ("exitCode" in call) return call.exitCode;
  const { files, asJson, mix } = call;
  const paths = pathsOf(files);
  let exitCode = 0;
  const workers = pieceWorkers();
  for (const [index, file] of files.entries()) {
    try {
      const measurement = await measureFile(file, paths[index]!, mix, workers);
      process.stdout.write(asJson ? `${JSON.stringify(withWords(measurement))}\n` : readable(measurement));
      if (measurement.findings.some((finding) => finding.severity !== "note")) exitCode = 1;
    } catch (error) {
      if (!(error instanceof RecordingRefusal)) throw error;
      process.stderr.write(`${file}: ${say(error.says)}\n`);
      if (asJson) process.stdout.write(`${JSON.stringify({ file, error: say(error.says) })}\n`);
      exitCode = 1;
    }
    process.exitCode = exitCode;
  }
  await workers.close();
  return exitCode;
}
