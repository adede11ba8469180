import fc from "fast-check";
import { type Input, INPUTS, mate, type Part, partOf, PARTS, type Source, SOURCES } from "../devices";
import { findPath, MOST_PARTS } from "./findPath";
import { begun, carriedOn, judgePath, PATH_VERDICTS } from "./judgePath";
import { pathMessage } from "./kit";

const ALL_SOURCES: readonly Source[] = Object.values(SOURCES);
const ALL_INPUTS: readonly Input[] = Object.values(INPUTS);

test("at least forty parts, each named once; unknown ones are refused", () => {
  expect(PARTS.length).toBeGreaterThanOrEqual(40);
  expect(new Set(PARTS.map(({ id }) => id)).size).toBe(PARTS.length);
  expect(new Set(PARTS.map(({ name }) => name)).size).toBe(PARTS.length);
  expect(() => partOf("no such part")).toThrow(RangeError);
});

test("plugs go into sockets of their own kind, four-pole jacks into three-pole sockets too", () => {
  expect(mate({ connector: "jack35four", sex: "plug" }, { connector: "jack35", sex: "socket" })).toBe(true);
  expect(mate({ connector: "jack35", sex: "plug" }, { connector: "jack35", sex: "plug" })).toBe(false);
  expect(mate({ connector: "jack635", sex: "plug" }, { connector: "jack35", sex: "socket" })).toBe(false);
});

/** Every chain of up to `most` parts, without any cleverness: the best verdict that one of them has. */
function bestVerdict(source: Source, input: Input, parts: readonly Part[], most: number): number {
  let best: number = PATH_VERDICTS.length;
  const go = (chain: readonly Part[]) => {
    let [end, carried] = [source.end, begun(source)];
    for (const part of chain) {
      const next = mate(end, part.from) ? carriedOn(carried, part) : null;
      if (!next) return;
      [end, carried] = [part.to, next];
    }
    if (mate(end, input.end))
      best = Math.min(best, PATH_VERDICTS.indexOf(judgePath(source, chain, carried, input).verdict));
    if (chain.length < most) for (const part of parts) if (mate(end, part.from)) go([...chain, part]);
  };
  go([]);
  return best;
}

test("no chain of three is better than what is found (exhaustive, every source into every input)", () => {
  for (const source of ALL_SOURCES)
    for (const input of ALL_INPUTS) {
      const found = findPath(source, input, PARTS);
      // Working with something to set counts as working.
      const tier = (rank: number) => Math.max(1, rank);
      const rank = found ? PATH_VERDICTS.indexOf(found.verdict) : PATH_VERDICTS.length;
      expect(tier(rank)).toBeLessThanOrEqual(tier(bestVerdict(source, input, PARTS, 3)));
      if (found) {
        expect(found.parts.length).toBeLessThanOrEqual(MOST_PARTS);
        expect(["connect.works", "connect.fails"]).toContain(pathMessage(found, source, input).code);
      } else expect(["connect.noWay", "connect.askAnalogue"]).toContain(pathMessage(found, source, input).code);
    }
});

test("owned parts come before others; what is missing is named; owning more never makes it worse (property)", () => {
  const some = fc.subarray(PARTS.map(({ id }) => id));
  fc.assert(
    fc.property(
      fc.constantFrom(...ALL_SOURCES),
      fc.constantFrom(...ALL_INPUTS),
      some,
      some,
      (source, input, first, second) => {
        const owning = (ids: readonly string[]) => PARTS.map((part) => ({ ...part, isOwned: ids.includes(part.id) }));
        const fewer = findPath(source, input, owning(first));
        const more = findPath(source, input, owning([...first, ...second]));
        expect(fewer === null).toBe(more === null);
        if (!fewer || !more) return;
        expect(more.missing.length).toBeLessThanOrEqual(fewer.missing.length);
        expect(fewer.missing.every(({ isOwned }) => !isOwned)).toBe(true);
      },
    ),
    { numRuns: 150 },
  );
});

test("adapters in a ring come to an end, and nothing at all is said so", () => {
  const ring = ["xlr-gender-m", "xlr-gender-f", "trs35-coupler", "trs35-extension"].map(partOf);
  expect(findPath(SOURCES.deskRca, INPUTS.recorderXlr, ring)).toBeNull();
  expect(findPath(SOURCES.micDynamic, INPUTS.phoneData, [])).toBeNull();
  expect(findPath(SOURCES.micDynamic, INPUTS.recorderXlr, [])!.parts).toEqual([]);
});
