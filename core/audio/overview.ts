/** Most columns an overview ever has; it halves its resolution when it would pass that. */
const MAX_COLUMNS = 1 << 15;
/** Room for a short file; it doubles as it fills. */
const FIRST_COLUMNS = 1024;

/** Lowest and highest value of a channel, column by column, for drawing. */
export interface Overview {
  framesPerColumn: number;
  low: Float32Array;
  high: Float32Array;
}

export interface OverviewBuilder {
  /** Extremes of the next hops, in order. */
  push(lowest: Float32Array, highest: Float32Array): void;
  finish(): Overview;
}

/** Builds an overview of a channel of any length from the extremes of its hops, in fixed memory. */
export function overviewBuilder(hopFrames: number, mostColumns = MAX_COLUMNS): OverviewBuilder {
  let low = new Float32Array(Math.min(FIRST_COLUMNS, mostColumns));
  let high = new Float32Array(low.length);
  let hopsPerColumn = 1;
  let columns = 0;
  let inColumn = 0;

  function halve(): void {
    for (let column = 0; column < mostColumns / 2; column += 1) {
      low[column] = Math.min(low[2 * column]!, low[2 * column + 1]!);
      high[column] = Math.max(high[2 * column]!, high[2 * column + 1]!);
    }
    columns = mostColumns / 2;
    hopsPerColumn *= 2;
  }

  function grow(): void {
    const [shortLow, shortHigh] = [low, high];
    low = new Float32Array(Math.min(mostColumns, 2 * low.length));
    high = new Float32Array(low.length);
    low.set(shortLow);
    high.set(shortHigh);
  }

  return {
    push(lowest, highest) {
      for (let hop = 0; hop < lowest.length; hop += 1) {
        if (inColumn === 0) {
          if (columns === mostColumns) halve();
          if (columns === low.length) grow();
          low[columns] = lowest[hop]!;
          high[columns] = highest[hop]!;
          columns += 1;
        } else {
          low[columns - 1] = Math.min(low[columns - 1]!, lowest[hop]!);
          high[columns - 1] = Math.max(high[columns - 1]!, highest[hop]!);
        }
        inColumn = (inColumn + 1) % hopsPerColumn;
      }
    },
    finish: () => ({
      framesPerColumn: hopsPerColumn * hopFrames,
      low: low.slice(0, columns),
      high: high.slice(0, columns),
    }),
  };
}
