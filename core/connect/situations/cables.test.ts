import { PARTS, SOURCES } from "../../devices";
import { say } from "../../../messages";
import { findPath } from "../findPath";
import { nearMisses } from "../nearMisses";
import { cableFaults, EVERY_INPUT } from "./cableFaults";
import { HELD_OUT, TUNED } from "./cables";

const ALL = [...TUNED, ...HELD_OUT];

describe("cables that a recordist would take (common practice)", () => {
  test.each(ALL)("$name: $why", (situation) => {
    expect(cableFaults(situation)).toEqual([]);
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

test("why a cable is the wrong one is said in a sentence", () => {
  for (const source of Object.values(SOURCES))
    for (const input of Object.values(EVERY_INPUT))
      for (const { says } of nearMisses(source, input, PARTS)) expect(say(says)).toMatch(/^Not the .*\.$/);
});
