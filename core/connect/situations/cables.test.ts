import { INPUTS, PACK_INPUTS, PARTS, SOURCES } from "../../devices";
import { say } from "../../../messages";
import { findPath } from "../findPath";
import { pathMessage } from "../kit";
import { nearMisses } from "../nearMisses";
import { type CableSituation, HELD_OUT, TUNED } from "./cables";

const EVERY_INPUT = { ...INPUTS, ...PACK_INPUTS };

/** Everything of a way that does not hold; common practice, no publication stands behind it. */
function broken({ from, to, owned, uses, never, verdict, says, sets, wrong }: CableSituation): string[] {
  const parts = PARTS.map((part) => ({ ...part, isOwned: owned?.includes(part.id) ?? false }));
  const [source, input] = [SOURCES[from], EVERY_INPUT[to]];
  const path = findPath(source, input, parts);
  const whole = pathMessage(path, source, input);
  if (says) return whole.code === says ? [] : [`says ${whole.code}`];
  if (!path) return ["nothing connects them"];
  const found: string[] = [];
  const ids = path.parts.map(({ id }) => id);
  for (const id of uses ?? []) if (!ids.includes(id)) found.push(`uses ${ids.join(", ")}`);
  for (const id of never ?? []) if (ids.includes(id)) found.push(`uses ${id}`);
  if (verdict && !verdict.includes(path.verdict)) found.push(`${path.verdict}: ${say(whole)}`);
  const set = path.settings.map(({ setting }) => setting.code as string);
  for (const code of sets ?? []) if (!set.includes(code)) found.push(`sets ${set.join(", ")}`);
  const misses = nearMisses(source, input, parts);
  for (const [id, code] of Object.entries(wrong ?? {})) {
    const miss = misses.find(({ part }) => part.id === id)?.says;
    const because = miss?.code === "connect.wrongCable" ? miss.because?.code : miss?.code;
    if (because !== code) found.push(`${id}: ${because}`);
  }
  for (const { says: why } of misses) if (!/^Not the .*\.$/.test(say(why))) found.push(say(why));
  return found;
}

const ALL = [...TUNED, ...HELD_OUT];

describe("cables that a recordist would take (common practice)", () => {
  test.each(ALL)("$name: $why", (situation) => {
    expect(broken(situation)).toEqual([]);
  });
});

test("a speaker outlet never reaches an input but through its own box", () => {
  for (const input of Object.values(EVERY_INPUT)) {
    const path = findPath(SOURCES.speakerOutlet, input, PARTS);
    if (path) expect(path.parts.map(({ id }) => id)).toContain("speaker-di");
  }
});

test("no cable is both the answer and a wrong one", () => {
  for (const source of Object.values(SOURCES))
    for (const input of Object.values(EVERY_INPUT)) {
      const path = findPath(source, input, PARTS);
      const [only] = path?.parts ?? [];
      if (!path || path.parts.length !== 1 || path.verdict === "silentlyWrong" || path.verdict === "damage") continue;
      expect(nearMisses(source, input, PARTS).map(({ part }) => part.id)).not.toContain(only!.id);
    }
});
