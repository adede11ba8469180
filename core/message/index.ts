/**
 * Something that is to be said about facts: a code and its figures. What is said stands in messages/.
 */
import * as Type from "@sinclair/typebox";
import type { Static, TObject, TProperties, TUnsafe } from "@sinclair/typebox";

/** Codes of a subject, each with what its sentence needs. */
export type Catalogue = Record<string, object>;

/** One of a catalogue's messages. */
export type Message<Codes extends Catalogue> = {
  [Code in keyof Codes & string]: { code: Code } & Codes[Code];
}[keyof Codes & string];

/** The catalogue of messages that are stored, from what their sentences need. */
export type StoredCatalogue<Facts extends Record<string, TProperties>> = {
  [Code in keyof Facts & string]: Static<TObject<Facts[Code]>>;
};

/** Schema of messages that are stored: each of its codes with exactly its facts. */
export const storedMessage = <Facts extends Record<string, TProperties>>(
  facts: Facts,
): TUnsafe<Message<StoredCatalogue<Facts>>> =>
  Type.Unsafe<Message<StoredCatalogue<Facts>>>(
    Type.Union(
      Object.entries(facts).map(([code, own]) =>
        Type.Object({ code: Type.Literal(code), ...own }, { additionalProperties: false }),
      ),
    ),
  );
