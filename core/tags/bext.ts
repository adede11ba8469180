import { ascii, plain } from "./chunks";
import { textIn } from "./cueMarkers";

/** What a broadcast chunk says of a recording. Source: EBU Tech 3285. */
export interface BroadcastFacts {
  description: string;
  originator: string;
  reference: string;
  /** "YYYY-MM-DD" and "HH:MM:SS". */
  date: string;
  time: string;
  /** Samples since midnight. */
  timeReference: number;
  history: string;
}

/** Length without history; where its fields stand and how long they are. Source: EBU Tech 3285. */
export const BEXT_BYTES = 602;
const FIELDS = {
  description: [0, 256],
  originator: [256, 32],
  reference: [288, 32],
  date: [320, 10],
  time: [330, 8],
} as const;
const TIME_AT = 338;
const VERSION_AT = 346;

/** Reads a broadcast chunk; null where it is too short to be one. */
export function readBext(body: Uint8Array): BroadcastFacts | null {
  if (body.length < BEXT_BYTES) return null;
  const text = ([at, length]: readonly [number, number]) => textIn(body.subarray(at, at + length));
  const view = new DataView(body.buffer, body.byteOffset, body.byteLength);
  return {
    description: text(FIELDS.description),
    originator: text(FIELDS.originator),
    reference: text(FIELDS.reference),
    date: text(FIELDS.date),
    time: text(FIELDS.time),
    timeReference: view.getUint32(TIME_AT, true) + view.getUint32(TIME_AT + 4, true) * 2 ** 32,
    history: textIn(body.subarray(BEXT_BYTES)),
  };
}

/** The content of a broadcast chunk with these facts over what was there; its length stays, history and loudness too. */
export function bextWith(before: Uint8Array | null, facts: Partial<BroadcastFacts>): Uint8Array<ArrayBuffer> {
  const body = before ? Uint8Array.from(before) : new Uint8Array(BEXT_BYTES);
  const view = new DataView(body.buffer);
  for (const [name, [at, length]] of Object.entries(FIELDS) as [keyof typeof FIELDS, readonly [number, number]][]) {
    const value = facts[name];
    if (value === undefined) continue;
    body.fill(0, at, at + length);
    body.set(ascii(plain(value).slice(0, length)), at);
  }
  if (facts.timeReference !== undefined) {
    view.setUint32(TIME_AT, facts.timeReference % 2 ** 32, true);
    view.setUint32(TIME_AT + 4, Math.floor(facts.timeReference / 2 ** 32), true);
  }
  if (!before) view.setUint16(VERSION_AT, 1, true);
  return body;
}

/** A broadcast chunk's content with one more line of coding history. Source: EBU R 98: lines end with CR and LF. */
export function withHistory(before: Uint8Array | null, line: string): Uint8Array<ArrayBuffer> {
  const body = bextWith(before, {});
  let end = body.length;
  while (end > BEXT_BYTES && body[end - 1] === 0) end -= 1;
  const told = body.subarray(0, end);
  const isOpen = end > BEXT_BYTES && told[end - 1] !== 10;
  const added = ascii(`${isOpen ? "\r\n" : ""}${plain(line)}\r\n`);
  const whole = new Uint8Array(end + added.length);
  whole.set(told);
  whole.set(added, end);
  return whole;
}
