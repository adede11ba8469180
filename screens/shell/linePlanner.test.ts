import type { PlannedLine } from "@/core/board";
import { emptyShoot } from "@/core/records";
import { plannerOf } from "./linePlanner";

type Report = (lines: PlannedLine[], left: number) => void;
const mockAsked: Report[] = [];
jest.mock("comlink", () => ({
  proxy: (report: unknown) => report,
  wrap: () => ({
    plan: (_news: unknown, _first: unknown, _isOnlyFirst: boolean, report: Report) => {
      mockAsked.push(report);
      return Promise.resolve();
    },
  }),
}));

const line = (id: string, risk: number) => ({ id, risk }) as unknown as PlannedLine;

beforeAll(() => {
  Object.assign(globalThis, {
    Worker: class {
      addEventListener() {}
      terminate() {}
    },
  });
});

test("a line that is told late, after the next plan was asked for, is not lost: the worker tells it once", () => {
  const bundle = emptyShoot({ id: "51ac0000-0000-4000-8000-000000000001" } as never);
  const planner = plannerOf("one");
  planner.plan(bundle, []);
  planner.plan(bundle, []);
  const [first, second] = mockAsked;
  first!([line("a", 1)], 0);
  expect(planner.plans().lines.get("a")).toEqual(line("a", 1));
  expect(planner.plans().left).toBe(Infinity);
  second!([line("b", 2)], 0);
  expect([...planner.plans().lines.keys()]).toEqual(["a", "b"]);
  expect(planner.plans().left).toBe(0);
});
