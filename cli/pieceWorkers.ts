import { availableParallelism } from "node:os";
import { Worker } from "node:worker_threads";
import type { MeasurePieces } from "../core/check";
import { RecordingRefusal } from "../core/audio";
import type { PieceAnswer, PieceTask } from "./measureWorker";

/** More workers than this would not fit in the memory that measuring may take. */
const MOST_WORKERS = Number(process.env["HYPOPHON_THREADS"] ?? 2);
/** Each worker's share of memory for new and old objects, MB: what it keeps is in typed arrays. */
const LIMITS = { maxYoungGenerationSizeMb: 4, maxOldGenerationSizeMb: 64 };

export interface PieceWorkers {
  /** Measures the pieces of one file, several at a time. */
  measurePieces(path: string | Uint8Array, sizeBytes: number): MeasurePieces;
  close(): Promise<void>;
}

/** Workers that live as long as the command; started when a file has more than one piece. */
export function pieceWorkers(): PieceWorkers {
  const workers: Worker[] = [];

  function ask(worker: Worker, task: PieceTask): Promise<PieceAnswer> {
    return new Promise((resolve, reject) => {
      const settle = (finish: () => void) => {
        worker.removeAllListeners("message");
        worker.removeAllListeners("error");
        finish();
      };
      worker.once("message", (answer: PieceAnswer) => settle(() => resolve(answer)));
      worker.once("error", (error) => settle(() => reject(error)));
      worker.postMessage(task);
    });
  }

  return {
    measurePieces: (path, sizeBytes) => async (header, pieces, onReport, options) => {
      const wanted = Math.min(MOST_WORKERS, availableParallelism(), pieces.length);
      while (workers.length < wanted)
        workers.push(new Worker(new URL("./measureWorker.mjs", import.meta.url), { resourceLimits: LIMITS }));
      let next = 0;
      let done = 0;
      let isFailed = false;
      const work = async (worker: Worker): Promise<void> => {
        for (let piece = pieces[next++]; piece && !isFailed; piece = pieces[next++]) {
          const answer = await ask(worker, { path, sizeBytes, header, piece });
          if ("report" in answer) {
            onReport(answer.report);
            done += 1;
            options.onProgress?.(done / pieces.length);
            continue;
          }
          isFailed = true;
          throw "refused" in answer ? new RecordingRefusal(answer.refused) : new Error(answer.error);
        }
      };
      // Every worker comes to the end of its piece first: its answer must not meet the next file.
      const ends = await Promise.allSettled(workers.slice(0, wanted).map(work));
      const failed = ends.find((end) => end.status === "rejected");
      if (failed) throw failed.reason;
    },
    async close() {
      await Promise.all(workers.map((worker) => worker.terminate()));
    },
  };
}
