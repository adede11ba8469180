/** Most columns an overview ever has; it halves its resolution when it would pass that. */
const MAX_COLUMNS = 4096;
const FIRST_COLUMN_FRAMES = 64;

/** Lowest and highest value of a channel, column by column, for drawing. */
export interface Overview {
  framesPerColumn: number;
  low: Float32Array;
  high: Float32Array;
}

export interface OverviewBuilder {
  push(samples: Float32Array, length: number): void;
  finish(): Overview;
}

/** Builds an overview of a channel of any length in fixed memory. */
export function overviewBuilder(): OverviewBuilder {
  const low = new Float32Array(MAX_COLUMNS);
  const high = new Float32Array(MAX_COLUMNS);
  let framesPerColumn = FIRST_COLUMN_FRAMES;
  let columns = 0;
  let inColumn = 0;
  let lowest = Infinity;
  let highest = -Infinity;

  function closeColumn(): void {
    if (columns === MAX_COLUMNS) {
      for (let column = 0; column < MAX_COLUMNS / 2; column += 1) {
        low[column] = Math.min(low[2 * column]!, low[2 * column + 1]!);
        high[column] = Math.max(high[2 * column]!, high[2 * column + 1]!);
      }
      columns = MAX_COLUMNS / 2;
      framesPerColumn *= 2;
      return;
    }
    low[columns] = lowest;
    high[columns] = highest;
    columns += 1;
    inColumn = 0;
    lowest = Infinity;
    highest = -Infinity;
  }

  return {
    push(samples, length) {
      for (let index = 0; index < length;) {
        const end = Math.min(length, index + framesPerColumn - inColumn);
        let least = lowest;
        let most = highest;
        for (let at = index; at < end; at += 1) {
          const value = samples[at]!;
          if (value < least) least = value;
          if (value > most) most = value;
        }
        lowest = least;
        highest = most;
        inColumn += end - index;
        index = end;
        if (inColumn >= framesPerColumn) closeColumn();
      }
    },
    finish() {
      if (inColumn > 0 && columns < MAX_COLUMNS) closeColumn();
      return { framesPerColumn, low: low.slice(0, columns), high: high.slice(0, columns) };
    },
  };
}
