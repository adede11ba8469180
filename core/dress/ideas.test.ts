import fc from "fast-check";
import { differentFirst, type Idea, ideaOf } from "./ideas";
import { SITES } from "./sites";

const IDEAS: readonly Idea[] = ["skin", "chest", "edge", "outside", "worn", "head"];
interface Place {
  id: number;
  idea: Idea;
  mayLead: boolean;
}
const places = fc
  .array(fc.record({ idea: fc.constantFrom(...IDEAS), mayLead: fc.boolean() }), { maxLength: 30 })
  .map((all) => all.map((each, id): Place => ({ id, ...each })));
const ordered = (all: readonly Place[]) =>
  differentFirst(
    all,
    ({ idea }) => idea,
    ({ mayLead }) => mayLead,
  );

test("nothing is lost and nothing comes twice (property)", () => {
  fc.assert(
    fc.property(places, (all) => {
      const ids = ordered(all).map(({ id }) => id);
      expect([...ids].sort((one, other) => one - other)).toEqual(all.map(({ id }) => id));
    }),
  );
});

test("the best that may lead stays first, each kind of the first five stands once, and the rest keeps its order (property)", () => {
  fc.assert(
    fc.property(places, (all) => {
      const result = ordered(all);
      const leaders = all.filter(({ mayLead }) => mayLead);
      const kinds = Math.min(5, new Set(leaders.map(({ idea }) => idea)).size);
      const ahead = result.slice(0, kinds);
      if (leaders.length > 0) expect(ahead[0]).toBe(leaders[0]);
      expect(new Set(ahead.map(({ idea }) => idea)).size).toBe(ahead.length);
      for (const { mayLead } of ahead) expect(mayLead).toBe(true);
      // Each is the best of its kind.
      for (const place of ahead) expect(leaders.find(({ idea }) => idea === place.idea)).toBe(place);
      const rest = result.slice(kinds).map(({ id }) => id);
      expect(rest).toEqual([...rest].sort((one, other) => one - other));
    }),
  );
});

test("kinds of answer: skin, cloth, an edge, outside, something worn, the head", () => {
  const at = { surface: "inside", layer: 0, covers: [0], behind: null } as const;
  expect(ideaOf(SITES.breastbone, { ...at, surface: "skin", layer: null })).toBe("skin");
  expect(ideaOf(SITES.breastbone, at)).toBe("chest");
  expect(ideaOf(SITES.placket, at)).toBe("edge");
  expect(ideaOf(SITES.lapelLeft, { ...at, surface: "outside" })).toBe("outside");
  expect(ideaOf(SITES.tieKnot, { ...at, behind: "tie" })).toBe("worn");
  expect(ideaOf(SITES.hatBrim, { ...at, surface: "headwear", behind: "hat" })).toBe("head");
});
