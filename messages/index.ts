/**
 * What is said about facts: one sentence for every code that core returns. Screens, print and shell say it by this door.
 */
import type { MediaCatalogue } from "../core/media";
import type { Message } from "../core/message";
import type { PowerCatalogue } from "../core/power";
import { en } from "./en";
import type { Templates } from "./templates";

type Codes = MediaCatalogue & PowerCatalogue;
/** Anything that can be said. */
export type AnyMessage = Message<Codes>;

const templates: Templates<Codes> = en;

/** A message in words. */
export function say(message: AnyMessage): string {
  const template = templates[message.code] as (facts: AnyMessage) => string;
  return template(message);
}

export { CHEMISTRY_NAMES } from "./en/power";
