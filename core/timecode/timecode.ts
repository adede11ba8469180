/** Frames that a rate numbers in a second: 24 for 23.976, 30 for 29.97. */
export const wholeRate = (frameRate: number): number => Math.round(frameRate);

/** Rates whose numbers may be dropped, so that they follow the clock. Source: SMPTE ST 12-1. */
export const isDropRate = (frameRate: number): boolean =>
  Math.abs(frameRate - 30_000 / 1001) < 0.01 || Math.abs(frameRate - 60_000 / 1001) < 0.01;

/** The exact rate of a nominal one: 23.976 is 24000/1001. Source: SMPTE ST 12-1. */
export const exactRate = (frameRate: number): number =>
  Number.isInteger(frameRate) ? frameRate : (wholeRate(frameRate) * 1000) / 1001;

const two = (value: number): string => String(value).padStart(2, "0");

/** Numbers that are left out at the start of each minute but each tenth: two of 30, four of 60. Source: SMPTE ST 12-1. */
const droppedAMinute = (whole: number): number => Math.round(whole / 15);

/**
 * Timecode of a count of frames from midnight, "HH:MM:SS:FF"; with dropped numbers "HH:MM:SS;FF". It goes round at 24 hours.
 * frame: a whole number from 0. Source: SMPTE ST 12-1.
 */
export function timecodeOf(frame: number, frameRate: number, isDrop = false): string {
  const whole = wholeRate(frameRate);
  const drops = isDrop && isDropRate(frameRate);
  let number = Math.max(0, Math.floor(frame));
  if (drops) {
    const dropped = droppedAMinute(whole);
    const aMinute = whole * 60 - dropped;
    const tenMinutes = aMinute * 10 + dropped;
    const [tens, rest] = [Math.floor(number / tenMinutes), number % tenMinutes];
    // The first minute of ten keeps all its numbers.
    const minutes = rest < whole * 60 ? 0 : 1 + Math.floor((rest - whole * 60) / aMinute);
    number += dropped * (9 * tens + minutes);
  }
  const seconds = Math.floor(number / whole);
  const time = [Math.floor(seconds / 3600) % 24, Math.floor(seconds / 60) % 60, seconds % 60].map(two).join(":");
  return `${time}${drops ? ";" : ":"}${two(number % whole)}`;
}

/** Frames since midnight of a timecode, or null where it is none. Source: SMPTE ST 12-1. */
export function framesOf(timecode: string, frameRate: number): number | null {
  const parts = /^(\d{2}):(\d{2}):(\d{2})([:;.])(\d{2})$/.exec(timecode.trim());
  if (!parts) return null;
  const [hours, minutes, seconds, frames] = [parts[1], parts[2], parts[3], parts[5]].map(Number) as [
    number,
    number,
    number,
    number,
  ];
  const whole = wholeRate(frameRate);
  if (hours > 23 || minutes > 59 || seconds > 59 || frames >= whole) return null;
  const number = ((hours * 60 + minutes) * 60 + seconds) * whole + frames;
  if (parts[4] === ":" || !isDropRate(frameRate)) return number;
  const dropped = droppedAMinute(whole);
  // A number that is left out names no frame.
  if (seconds === 0 && frames < dropped && minutes % 10 !== 0) return null;
  const all = hours * 60 + minutes;
  return number - dropped * (all - Math.floor(all / 10));
}

/** Timecode of a moment, seconds after midnight, at a rate of frames. */
export const timecodeAt = (seconds: number, frameRate: number, isDrop = false): string =>
  timecodeOf(Math.floor(seconds * exactRate(frameRate) + 1e-6), frameRate, isDrop);
