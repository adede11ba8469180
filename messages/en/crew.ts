import type { Right, Role } from "../../core/crew";

/** What a right is for, at the beginning of a sentence. */
export const RIGHT_WORDS: Record<Right, string> = {
  read: "Seeing this",
  work: "Changing this",
  arrange: "Making or deleting this",
  manage: "Letting people in and out",
};

export const ROLE_NAMES: Record<Role, string> = {
  owner: "Owner",
  mixer: "Mixer",
  assistant: "Assistant",
  guest: "Guest",
};

/** What each role may do, for whoever chooses one. */
export const ROLE_WORDS: Record<Role, string> = {
  owner: "everything, and lets people in and out",
  mixer: "everything but letting people in and out",
  assistant: "plans, logs and packs; makes and deletes no shoots",
  guest: "sees everything, changes nothing",
};

/** The mail by which somebody sets a new password. */
export const newPasswordMail = (email: string, url: string): { subject: string; text: string } => ({
  subject: "A new password for Hypophon",
  text: `Somebody asked for a new password for ${email}. If it was you, open this within an hour:\n\n${url}\n\nIf not, do nothing: your password stays as it is.\n`,
});

export const tooManyTries = (seconds: number): string => `Too many tries. Wait ${seconds} s.`;
