import type { Catalogue } from "../core/message";

/** The sentences of a subject in one language, one for each code: what is missing or unused fails the type check. */
export type Templates<Codes extends Catalogue> = { [Code in keyof Codes]: (facts: Codes[Code]) => string };
