import type { Right, Role } from "../../core/crew";

const RIGHT_WORDS: Record<Right, string> = {
  read: "Seeing this",
  work: "Changing this",
  arrange: "Making or deleting this",
  manage: "Letting people in and out",
};

/** What a right is for, at the beginning of a sentence. */
export const rightWords = (right: string): string =>
  Object.hasOwn(RIGHT_WORDS, right) ? RIGHT_WORDS[right as Right] : "This";

export const ROLE_NAMES: Record<Role, string> = {
  owner: "Owner",
  mixer: "Mixer",
  assistant: "Assistant",
  guest: "Guest",
};

/** What each role can do: "can …". */
export const ROLE_WORDS: Record<Role, string> = {
  owner: "do everything, and let people in and out",
  mixer: "do everything but let people in and out",
  assistant: "plan, log and pack, but not make or delete shoots",
  guest: "see everything and change nothing",
};

/** The mail by which somebody sets a new password. */
export const newPasswordMail = (email: string, url: string): { subject: string; text: string } => ({
  subject: "A new password for Hypophon",
  text: `Somebody asked for a new password for ${email}. If it was you, open this within an hour:\n\n${url}\n\nIf not, do nothing: your password stays as it is.\n`,
});

export const tooManyTries = (seconds: number): string => `Too many tries. Wait ${seconds} s.`;
