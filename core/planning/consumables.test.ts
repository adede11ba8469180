import { SLACK_WATER } from "../../demo/slackWater";
import { say } from "../../messages";
import { stored, wholeBundleOf } from "../../fixtures/testShoot";
import { consumablesOf } from "./consumables";
import { dayMediaOf } from "./dayMedia";
import { dayPlan } from "./dayPlan";
import { packingState, withPacked } from "./packing";

const SHOOT_ID = Object.values(SLACK_WATER.places)[0]!.shootId;
const demo = wholeBundleOf(SLACK_WATER);

test("a day takes the tape of its recipes, the cells of its devices and the cards of its takes", () => {
  const lines = consumablesOf(demo, 3);
  const amounts = new Map(lines.map(({ key, amount }) => [key, amount]));
  for (const { supply, amount } of dayPlan(demo, 3).totals.supplies)
    expect(amounts.get(`supply:${supply}`)).toBe(amount);
  const { cells, cards } = dayMediaOf(demo, 3);
  expect(cells.length).toBeGreaterThan(0);
  for (const { chemistry, volts, count } of cells) expect(amounts.get(`cells:${chemistry}:${volts}`)).toBe(count);
  expect(lines.filter(({ group }) => group === "cards").map(({ amount }) => amount)).toEqual([cards.needed]);
});

test("the whole shoot takes what its days take together", () => {
  const sum = (key: string) =>
    [1, 2, 3].reduce(
      (total, day) => total + (consumablesOf(demo, day).find((line) => line.key === key)?.amount ?? 0),
      0,
    );
  const whole = consumablesOf(demo, null);
  expect(whole.length).toBeGreaterThan(4);
  const order = whole.map(({ group }) => ["fixing", "power", "cards"].indexOf(group));
  expect(order).toEqual([...order].sort((one, other) => one - other));
  for (const { key, amount } of whole) expect([key, amount]).toEqual([key, sum(key)]);
});

test("amounts are said in pieces, centimetres or metres", () => {
  const says = (amount: number, unit: "cm" | "pieces") => say({ code: "packing.supply", name: "tape", amount, unit });
  expect([says(30, "cm"), says(150, "cm"), says(2, "pieces")]).toEqual(["30 cm of tape", "1.5 m of tape", "2 × tape"]);
  expect(say({ code: "packing.cells", count: 12, chemistry: "nimh", volts: 1.2 })).toBe(
    "12 × battery, NiMH, rechargeable, 1.2 V",
  );
});

test("what is packed is remembered and counted; an empty day has nothing to pack", () => {
  const [line] = consumablesOf(demo, 1);
  const body = withPacked({ shootId: SHOOT_ID, lines: [] }, line!.key, { packed: 1 });
  const packed = consumablesOf({ ...demo, packings: [stored<"packing">("p", body)] }, 1);
  expect(packed.filter(({ isPacked }) => isPacked).map(({ key }) => key)).toEqual([line!.key]);
  expect(packingState([], packed)).toEqual({ code: "packing.open", open: packed.length - 1, of: packed.length });
  expect(consumablesOf(demo, 9)).toEqual([]);
  expect(packingState([], [])).toEqual({ code: "packing.nothing" });
});
