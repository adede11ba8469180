import fc from "fast-check";
import { allocate, partsOf, type Wanted } from "./allocate";
import { HOUSE_OUTLETS, type InputId, INPUTS, type Part, PARTS, type SourceId, SOURCES } from "../devices";
import { countOf } from "./ownKit";
import { findPath } from "./findPath";

const want = (id: string, source: SourceId, input: InputId, instants: readonly number[] = [0]): Wanted => ({
  id,
  sources: [SOURCES[source]],
  input: INPUTS[input],
  instants: new Set(instants),
});
const stockFrom = (counts: readonly (readonly [string, number])[]) =>
  new Map(counts.map(([id, owned]) => [id, { owned, hired: 0 }]));
const bag = (counts: Record<string, number>) => stockFrom(Object.entries(counts));
const missingOf = (ways: ReturnType<typeof allocate>) =>
  [...ways.values()].flatMap((each) => partsOf(each).filter(({ isOwned }) => !isOwned)).map(({ id }) => id);

test("two at once need two leads, one after the other need one", () => {
  const [first, second] = [want("a", "receiverBalanced", "recorderXlr"), want("b", "receiverBalanced", "recorderXlr")];
  const one = bag({ "trs35-xlr": 1 });
  expect(missingOf(allocate([first, second], PARTS, one))).toEqual(["trs35-xlr"]);
  expect(missingOf(allocate([first, second], PARTS, bag({ "trs35-xlr": 2 })))).toEqual([]);
  const later = want("b", "receiverBalanced", "recorderXlr", [1]);
  expect(missingOf(allocate([first, later], PARTS, one))).toEqual([]);
});

test("two who need the same lead, and one of each of two that serve: each takes one", () => {
  const wanted = [want("a", "deskXlr", "recorderLine"), want("b", "deskXlr", "recorderLine")];
  const ways = allocate(wanted, PARTS, bag({ "xlr-trs635": 1, "xlr-ts635": 1 }));
  expect(missingOf(ways)).toEqual([]);
  expect([...ways.values()].flatMap((each) => partsOf(each).map(({ id }) => id))).toEqual(["xlr-trs635", "xlr-ts635"]);
});

test("an outlet that is known only on arrival: a way for each, none of them missing what another owns", () => {
  const house: Wanted = { ...want("desk", "deskXlr", "recorderLine"), sources: HOUSE_OUTLETS.map((id) => SOURCES[id]) };
  const ways = allocate([house], PARTS, bag({})).get("desk")!;
  expect(ways.map(({ path }) => path?.parts.map(({ id }) => id))).toEqual([
    ["xlr-trs635"],
    ["trs635-trs635"],
    ["rca-635"],
  ]);
});

test("one cable for two who need it one after the other, rather than for one who needs it all day", () => {
  const all = want("all day", "receiverBalanced", "recorderXlr", [0, 1]);
  const [early, late] = [0, 1].map((at) => want(`at ${at}`, "receiverBalanced", "recorderXlr", [at])) as [
    Wanted,
    Wanted,
  ];
  for (const order of [
    [all, late, early],
    [early, all, late],
  ])
    expect(missingOf(allocate(order, PARTS, bag({ "ts35-xlr": 1 })))).toHaveLength(1);
});

/** Fewest missing over every order of those who want something: what no order of taking can beat. */
function fewest(wanted: readonly Wanted[], stock: ReturnType<typeof stockFrom>): number {
  let best = Infinity;
  const go = (order: readonly Wanted[], left: readonly Wanted[]) => {
    if (left.length > 0) {
      for (const each of left)
        go(
          [...order, each],
          left.filter((other) => other !== each),
        );
      return;
    }
    const used: { id: string; instants: ReadonlySet<number> }[] = [];
    let missing = 0;
    for (const { sources, input, instants } of order) {
      const isFree = ({ id }: Part) =>
        Math.max(...[...instants].map((at) => used.filter((each) => each.id === id && each.instants.has(at)).length)) <
        countOf(stock, id);
      const shelf = PARTS.map((part) => ({ ...part, isOwned: isFree(part) }));
      const parts = [...new Set(sources.flatMap((source) => findPath(source, input, shelf)?.parts ?? []))];
      missing += parts.filter(({ isOwned }) => !isOwned).length;
      used.push(...parts.map(({ id }) => ({ id, instants })));
    }
    best = Math.min(best, missing);
  };
  go([], wanted);
  return best;
}

test("no order of taking misses fewer parts (property, against every order of up to three)", () => {
  const ids = ["trs35-xlr", "ts35-xlr", "trs35-trs35", "pad-35", "xlr-xlr", "xlr-trs635", "xlr-ts635", "trs35-both"];
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(
          fc.constantFrom<SourceId>("receiverBalanced", "receiver", "deskXlr"),
          fc.constantFrom<InputId>("recorderXlr", "recorder35", "recorderLine", "streamMixer"),
          fc.subarray([0, 1], { minLength: 1 }),
        ),
        { minLength: 1, maxLength: 3 },
      ),
      fc.array(fc.nat({ max: 2 }), { minLength: ids.length, maxLength: ids.length }),
      (links, counts) => {
        const wanted = links.map(([source, input, at], index) => want(String(index), source, input, at));
        const stock = stockFrom(ids.map((id, index) => [id, counts[index]!]));
        expect(missingOf(allocate(wanted, PARTS, stock)).length).toBe(fewest(wanted, stock));
      },
    ),
    { numRuns: 40 },
  );
});
