import { readFile } from "node:fs/promises";
import { Command, CommanderError } from "commander";
import { type Report, reportOf } from "../core/planning";
import { bundleOf, type Listed, readShootFile, type RecordKind } from "../core/records";
import { markName, RATING_NAMES, say, TYPE_NAMES } from "../messages";
import { refuser } from "./output";

const refuse = refuser("hypophon report");

const clock = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, "0")}`;

/** The report as lines that can be read and cut. */
function readable(title: string, { rows, totals }: Report): string {
  const { takes, good, minutes, gigabytes } = totals;
  const lines = rows.map(({ roll: { body }, timecode, marks }) => {
    const notes = [
      ...marks
        .filter((mark) => !mark.body.isProposal)
        .map((mark) => `${clock(mark.body.atS)} ${markName(mark.body.kind)}${mark.body.note && `: ${mark.body.note}`}`),
      ...(body.note ? [body.note] : []),
    ].join("; ");
    const cells = [
      `${body.slate || "–"} ${TYPE_NAMES[body.type].toLowerCase()} ${body.take}`.padEnd(20),
      (body.rating === "none" ? "" : RATING_NAMES[body.rating]).padEnd(8),
      (body.files.map(({ name }) => name).join(" ") || body.fileName).padEnd(24),
      timecode,
      (body.lengthS === null ? "no end" : clock(body.lengthS)).padStart(7),
    ];
    return `  day ${body.day}  ${cells.join("  ")}  ${notes}`.trimEnd();
  });
  return [`${title}: ${say({ code: "totals.day", takes, good, minutes, gigabytes })}`, ...lines, ""].join("\n");
}

/** The sound report of an exported shoot: 0 printed, 2 a bad call or file. */
export async function runReport(args: readonly string[]): Promise<number> {
  let code = 0;
  const program = new Command("hypophon report")
    .argument("<shoot>", "a shoot that was exported, as JSON")
    .option("--day <number>", "one day of it")
    .option("--json", "as JSON")
    .exitOverride()
    .configureOutput({ writeErr: (text) => process.stderr.write(text.replace(/^error: /, "hypophon report: ")) })
    .action(async (path: string, options: { day?: string; json?: boolean }) => {
      const day = options.day === undefined ? null : Number(options.day);
      if (day !== null && !(Number.isInteger(day) && day >= 1)) {
        code = refuse("--day is a number from 1");
        return;
      }
      const text = await readFile(path, "utf8").catch(() => null);
      if (text === null) {
        code = refuse(`${path} cannot be read`);
        return;
      }
      const read = readShootFile(text);
      if ("says" in read) {
        code = refuse(`${path}: ${say(read.says)}`);
        return;
      }
      const at = new Date(0).toISOString();
      const listed = read.records.map(({ kind, id, body }): Listed<RecordKind> => ({
        kind,
        id,
        body,
        version: 1,
        createdAt: at,
        changedAt: at,
      }));
      const shoot = read.records.find(({ kind }) => kind === "shoot")!;
      const bundle = bundleOf(shoot.id, listed)!;
      const report = reportOf(bundle, day);
      process.stdout.write(
        options.json ? `${JSON.stringify(report, null, 2)}\n` : readable(bundle.shoot.body.title, report),
      );
    });
  try {
    await program.parseAsync(["node", "hypophon", ...args]);
  } catch (error) {
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : 2;
    throw error;
  }
  return code;
}
