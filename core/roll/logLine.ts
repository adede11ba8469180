/** A line of the log: when it was started and how long it ran, seconds by the clock of the log. */
export interface LogLine {
  id: string;
  startS: number;
  /** Null: nobody saw its end. */
  lengthS: number | null;
}

/** A file of the card, in the order it was recorded. */
export interface CardFileFacts {
  id: string;
  lengthS: number;
  /** When it began by the recorder's clock, seconds on the same scale as the log; null: it does not say. */
  startS: number | null;
}
