import { fullScaleOf } from "../audio";
import { type FindingKind, recordingMeter } from "../check";

/** Something that was heard in the feed. */
export interface HeardEvent {
  kind: FindingKind;
  /** When it began, s from the first sample. */
  atS: number;
  /** How sure, 0…1. */
  confidence: number;
}

export interface FeedWatch {
  push(block: Float32Array): void;
  /** How much was heard so far, s. */
  heardS(): number;
  /** What was heard since the last look and is over. Takes some 2 ms a second of the window. */
  look(): HeardEvent[];
}

/** So much of the feed is looked at, s: enough to tell the voice from its pauses. */
const WINDOW_S = 12;
/** With less than this nothing is told, s. */
const LEAST_S = 4;
/** What begins closer to the end may not be over, and what lies closer to the beginning lacks what was before it, s. */
const EDGE_S = 0.6;
/** Places of a kind that are closer than this are one, s. */
const APART_S = 0.5;

/**
 * Listens to a live feed with the detectors of a file's measurement, over its last twelve seconds: what is marked while it rolls
 * is what the card will show.
 * @param sampleRateHz 8000 to 192000.
 * @param kinds which findings are told.
 * Errors: none; blocks of any length. Memory: the window, 4 bytes a sample.
 */
export function feedWatch(sampleRateHz: number, kinds: ReadonlySet<FindingKind>): FeedWatch {
  const most = Math.ceil(WINDOW_S * sampleRateHz);
  let blocks: Float32Array[] = [];
  let [held, heard] = [0, 0];
  const toldUntilS = new Map<FindingKind, number>();

  return {
    push(block) {
      blocks.push(block);
      held += block.length;
      heard += block.length;
      while (blocks.length > 1 && held - blocks[0]!.length >= most) {
        held -= blocks[0]!.length;
        blocks = blocks.slice(1);
      }
    },
    heardS: () => heard / sampleRateHz,
    look() {
      const heldS = held / sampleRateHz;
      if (heldS < LEAST_S) return [];
      const meter = recordingMeter({
        file: "feed",
        container: "live",
        encoding: "decoded",
        bitsPerSample: null,
        sampleRateHz,
        channels: 1,
        fullScale: fullScaleOf({ encoding: "pcm", bitsPerSample: 16 }),
      });
      for (const block of blocks) meter.push([block], block.length);
      const startS = (heard - held) / sampleRateHz;
      const found = meter
        .finish()
        .measurement.findings.filter(({ kind, startS: at, endS }) => {
          const hasBefore = startS === 0 || at >= EDGE_S;
          return kinds.has(kind) && hasBefore && endS <= heldS - EDGE_S;
        })
        .map(({ kind, startS: at, endS, confidence }) => ({
          kind,
          atS: startS + at,
          untilS: startS + endS,
          confidence,
        }))
        .sort((one, other) => one.atS - other.atS);
      return found.flatMap(({ kind, atS, untilS, confidence }): HeardEvent[] => {
        const isNew = atS > (toldUntilS.get(kind) ?? -Infinity) + APART_S;
        toldUntilS.set(kind, Math.max(untilS, toldUntilS.get(kind) ?? 0));
        return isNew ? [{ kind, atS, confidence }] : [];
      });
    },
  };
}
