/** Minutes and seconds with tenths. */
export function clockOf(seconds: number): string {
  const minutes = Math.floor(seconds / 60);
  return `${minutes}:${(seconds - minutes * 60).toFixed(1).padStart(4, "0")}`;
}

/** A level with a true minus; a dash where there is none. */
export const figureOf = (value: number | null, digits = 1): string =>
  value === null ? "–" : value.toFixed(digits).replace("-", "−");
