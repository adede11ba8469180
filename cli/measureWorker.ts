import { parentPort } from "node:worker_threads";
import { type Piece, type PieceMeter, RecordingRefusal, type Refusal, type WavHeader } from "../core/audio";
import { measurePiece, meterFor, type PieceReport } from "../core/check";
import { openFileSource } from "./fileSource";

/** One piece of one file for a worker. */
export interface PieceTask {
  path: string | Uint8Array;
  /** How long the file was when its header was read. */
  sizeBytes: number;
  header: WavHeader;
  piece: Piece;
}

/** A refusal is for the user, an error for whoever mends it. */
export type PieceAnswer = { report: PieceReport | null } | { refused: Refusal } | { error: string };

let open: { key: string; source: Awaited<ReturnType<typeof openFileSource>>; meter: PieceMeter } | null = null;

async function measure({ path, sizeBytes, header, piece }: PieceTask): Promise<PieceReport | null> {
  const bytes = Buffer.from(path);
  const key = bytes.toString("latin1");
  if (open?.key !== key) {
    await open?.source.close();
    open = null;
    const source = await openFileSource(bytes).catch(() => null);
    if (!source) throw new RecordingRefusal({ code: "refused.wentAway" });
    open = { key, source, meter: meterFor(header) };
    if (source.sizeBytes < sizeBytes) throw new RecordingRefusal({ code: "refused.shrank" });
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
    (error: unknown) => {
      const answer: PieceAnswer =
        error instanceof RecordingRefusal
          ? { refused: error.says }
          : { error: error instanceof Error ? error.message : String(error) };
      parentPort!.postMessage(answer);
    },
  );
});
