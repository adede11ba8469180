import { measureWav } from "../core/check/measureWav";
import type { RecordingMeasurement } from "../core/check/measurement";
import { RecordingRefusal } from "../core/audio/refusal";
import { openFileSource } from "./fileSource";
import { pieceWorkers, type PieceWorkers } from "./pieceWorkers";

const USAGE = "hypophon measure FILE… [--json]\n";

async function measureFile(path: string, workers: PieceWorkers): Promise<RecordingMeasurement> {
  const source = await openFileSource(path);
  try {
    return (await measureWav(source, path, {}, workers.measurePieces(path))).measurement;
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
  for (const finding of findings) {
    const where = finding.channel === null ? "file" : `ch ${finding.channel + 1}`;
    lines.push(`  ${finding.severity}: ${where}, ${clock(finding.startS)}: ${finding.message} ${finding.advice}`);
  }
  return `${lines.join("\n")}\n`;
}

/** Measures files: one JSON object a line with `--json`, else tables. 0 good, 1 findings or refusals, 2 bad call. */
export async function runMeasure(args: readonly string[]): Promise<number> {
  const asJson = args.includes("--json");
  const files = args.filter((arg) => !arg.startsWith("--"));
  const unknown = args.find((arg) => arg.startsWith("--") && arg !== "--json");
  if (unknown || files.length === 0) {
    process.stderr.write(unknown ? `hypophon measure: ${unknown} is not known. ${USAGE}` : USAGE);
    return 2;
  }
  let exitCode = 0;
  const workers = pieceWorkers();
  for (const file of files) {
    try {
      const measurement = await measureFile(file, workers);
      process.stdout.write(asJson ? `${JSON.stringify(measurement)}\n` : readable(measurement));
      if (measurement.findings.some((finding) => finding.severity !== "note")) exitCode = 1;
    } catch (error) {
      const isKnown = error instanceof RecordingRefusal || (error as NodeJS.ErrnoException).code !== undefined;
      if (!isKnown) throw error;
      const message = error instanceof RecordingRefusal ? error.message : "The file cannot be read: is the path right?";
      process.stderr.write(`${file}: ${message}\n`);
      if (asJson) process.stdout.write(`${JSON.stringify({ file, error: message })}\n`);
      exitCode = 1;
    }
  }
  await workers.close();
  return exitCode;
}
