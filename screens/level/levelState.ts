import { type LevelSubject, settingOf } from "@/core/planning";

const STATE_WORDS = { open: "", some: "partly set", set: "set", stale: "set it again" } as const;

/** How a way's settings stand, in a word or two. */
export function stateOf(subject: LevelSubject): string {
  const { plan, warning } = subject;
  if (!plan) return "";
  return warning ? "refused" : !plan.isClean ? "clips" : STATE_WORDS[settingOf(subject)];
}
