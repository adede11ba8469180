/**
 * Timecode: frames counted as hours, minutes, seconds and frames, with and without dropped numbers.
 */
export { exactRate, framesOf, isDropRate, timecodeAt, timecodeOf, wholeRate } from "./timecode";
