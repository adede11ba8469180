import { FAULT_IDS, inject, type FaultId } from "./faults";
import { hear, type Stimulus } from "./hear";
import { allRight, type Rehearsal } from "./rehearsal";
import type { Setup } from "./setup";
import { symptomsOf } from "./symptoms";

/** What is heard, in a sentence. */
export function heardWords(setup: Setup, rehearsal: Rehearsal, stimulus: Stimulus): string {
  const heard = hear(setup, rehearsal, stimulus);
  if (heard.isBuzzing) return "It buzzes.";
  if (heard.leftDbfs === null && heard.rightDbfs === null) return "Nothing is heard.";
  const from = {
    mic: "the mic",
    device: "the device's own mic, far away",
    strangers: "somebody else",
    nothing: "nothing",
  }[heard.from];
  return `Heard: ${from}${heard.isClipped ? ", distorted" : ""}${heard.isHollow ? ", hollow" : ""}.`;
}

/**
 * Some faults that would be noticed, hidden in a link that is otherwise right. `random`: 0 to 1, from outside. Fewer where
 * the link has not so many that go together.
 */
export function hideFaults(setup: Setup, count: number, random: () => number): Rehearsal {
  let rehearsal = allRight(setup);
  const left: FaultId[] = [...FAULT_IDS];
  for (let hidden = 0; hidden < count && left.length > 0;) {
    const [id] = left.splice(Math.floor(random() * left.length), 1);
    const next = inject(setup, rehearsal, id!);
    if (!next || symptomsOf(setup, next).length === 0) continue;
    rehearsal = next;
    hidden += 1;
  }
  return rehearsal;
}
