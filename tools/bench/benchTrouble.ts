import { INPUTS, SOURCES } from "../../core/devices";
import {
  allRight,
  diagnose,
  FAULT_IDS,
  genericSetup,
  probeOf,
  type Story,
  symptomsOf,
  withFaults,
} from "../../core/rehearsal";

/** What is worth asking before somebody loses patience, and how long a page may stand still, ms. */
const MOST_ASKED = 9;
const MOST_MS = 50;

const middle = (values: readonly number[]): number =>
  [...values].sort((one, other) => one - other)[Math.floor(values.length / 2)] ?? 0;

/** Every fault on every generic way, found from its first symptom: how many questions, how long a question takes to choose. */
export function benchTrouble(): boolean {
  const asked: number[] = [];
  const costS: number[] = [];
  const ms: number[] = [];
  let ways = 0;
  let found = 0;
  for (const source of Object.values(SOURCES))
    for (const input of Object.values(INPUTS)) {
      const setup = genericSetup(source, input);
      if (!setup || symptomsOf(setup, allRight(setup)).length > 0) continue;
      ways += 1;
      for (const id of FAULT_IDS) {
        const world = withFaults(setup, [id]);
        const [symptom] = world ? symptomsOf(setup, world) : [];
        if (!world || !symptom) continue;
        let story: Story = { symptom, answers: {}, skipped: [], ruledOut: [] };
        let seconds = 0;
        for (;;) {
          const begun = performance.now();
          const { causes, next } = diagnose(setup, story);
          ms.push(performance.now() - begun);
          if (next === null) {
            if (causes.length === 1 && causes[0]!.join() === id) found += 1;
            break;
          }
          seconds += probeOf(next).costS;
          const answer = probeOf(next).answer(setup, world);
          story = answer === null ? story : { ...story, answers: { ...story.answers, [next]: answer } };
          if (answer === null) story = { ...story, skipped: [...story.skipped, next] };
        }
        asked.push(Object.keys(story.answers).length);
        costS.push(seconds);
      }
    }
  const lines: readonly (readonly [string, boolean])[] = [
    [`${found} of ${asked.length} faults on ${ways} ways found from their symptom alone`, found === asked.length],
    [
      `questions: median ${middle(asked)}, most ${Math.max(...asked)} (at most ${MOST_ASKED}); estimated time: median ${middle(costS)} s, most ${Math.max(...costS)} s`,
      Math.max(...asked) <= MOST_ASKED,
    ],
    [
      `choosing a question: median ${middle(ms).toFixed(2)} ms, worst ${Math.max(...ms).toFixed(1)} ms (at most ${MOST_MS})`,
      Math.max(...ms) <= MOST_MS,
    ],
  ];
  for (const [says, isGood] of lines) process.stdout.write(`${isGood ? "ok  " : "FAIL"} ${says}\n`);
  return lines.every(([, isGood]) => isGood);
}
