import type { Catalogue, Message } from "../core/message";

/** The sentences of a subject in one language, one for each code: what is missing or unused fails the type check. */
export type Templates<Codes extends Catalogue> = { [Code in keyof Codes]: (facts: Codes[Code]) => string };

/** Says messages of one subject; a code that came from elsewhere and is unknown here says nothing. */
export const saidBy =
  <Codes extends Catalogue>(templates: Templates<Codes>) =>
  (message: Message<Codes>): string => {
    const template = templates[message.code] as ((facts: Message<Codes>) => string) | undefined;
    return template ? template(message) : "";
  };
