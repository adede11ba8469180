/**
 * Something that is to be said about facts: a code and its figures. What is said stands in messages/.
 */

/** Codes of a subject, each with what its sentence needs. */
export type Catalogue = Record<string, object>;

/** One of a catalogue's messages. */
export type Message<Codes extends Catalogue> = {
  [Code in keyof Codes & string]: { code: Code } & Codes[Code];
}[keyof Codes & string];
