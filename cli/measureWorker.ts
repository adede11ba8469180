import { parentPort } from "node:worker_threads";
import type { PieceMeter } from "../core/audio/pieceMeter";
import type { Piece } from "../core/audio/pieces";
import type { WavHeader } from "../core/audio/wavHeader";
import { meterFor, measurePiece } from "../core/check/measureWav";
import type { PieceReport } from "../core/check/pieceReport";
import { openFileSource } from "./fileSource";

/** One piece of one file for a worker. */
export interface PieceTask {
  path: string;
  header: WavHeader;
  piece: Piece;
}

export type PieceAnswer = { report: PieceReport | null } | { error: string };

let open: { path: string; source: Awaited<ReturnType<typeof openFileSource>>; meter: PieceMeter } | null = null;

async function measure({ path, header, piece }: PieceTask): Promise<PieceReport | null> {
  if (open?.path !== path) {
    await open?.source.close();
    open = null;
    open = { path, source: await openFileSource(path), meter: meterFor(header) };
  }
  return measurePiece(open.source, header, open.meter, piece);
}

/** Memory of all figures in a report: handed over, not copied. */
function buffersOf(value: unknown, found = new Set<ArrayBuffer>()): Set<ArrayBuffer> {
  if (ArrayBuffer.isView(value)) found.add(value.buffer as ArrayBuffer);
  else if (typeof value === "object" && value !== null)
    Object.values(value).forEach((part: unknown) => buffersOf(part, found));
  return found;
}

parentPort?.on("message", (task: PieceTask) => {
  measure(task).then(
    (report) => parentPort!.postMessage({ report } satisfies PieceAnswer, [...buffersOf(report)]),
    (error: unknown) =>
      parentPort!.postMessage({ error: error instanceof Error ? error.message : String(error) } satisfies PieceAnswer),
  );
});
