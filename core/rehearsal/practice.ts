import { FAULT_IDS, inject, type FaultId } from "./faults";
import { hear, type Stimulus } from "./heardOnPath";
import { allRight, type Rehearsal } from "./rehearsal";
import type { HeardMessage } from "./messages";
import type { SignalPath } from "./signalPath";
import { symptomsOf } from "./symptoms";

/** What is heard, as it is said. */
export function heardMessage(setup: SignalPath, rehearsal: Rehearsal, stimulus: Stimulus): HeardMessage {
  const { isBuzzing, leftDbfs, rightDbfs, from, isClipped, isHollow } = hear(setup, rehearsal, stimulus);
  if (isBuzzing) return { code: "heard.buzz" };
  if (leftDbfs === null && rightDbfs === null) return { code: "heard.nothing" };
  return { code: "heard.sound", from, isClipped, isHollow };
}

/**
 * Some faults that would be noticed, hidden in a link that is otherwise right. `random`: 0 to 1, from outside. Fewer where
 * the link has not so many that go together.
 */
export function hideFaults(setup: SignalPath, count: number, random: () => number): Rehearsal {
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
