/** @jest-environment jsdom */
import { createColumnHelper, type ColumnDef } from "@tanstack/react-table";
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { DataTable } from "./DataTable";

afterEach(cleanup);

interface Part {
  id: string;
  name: string;
  count: number | undefined;
  bag: string;
}
const column = createColumnHelper<Part>();
const columns = [
  column.accessor("name", { id: "name", header: "Item" }),
  column.accessor("count", { id: "count", header: "Number", sortUndefined: "last", meta: { isFigure: true } }),
  column.display({
    id: "deeds",
    header: "Deeds",
    enableSorting: false,
    cell: () => <button type="button">Pack</button>,
  }),
] as ColumnDef<Part, never>[];
const PARTS: Part[] = [
  { id: "t", name: "tape", count: 3, bag: "Tape" },
  { id: "c", name: "cable", count: 10, bag: "Cables" },
  { id: "a", name: "adapter", count: undefined, bag: "Cables" },
];

const show = (own: Partial<Parameters<typeof DataTable<Part>>[0]> = {}) =>
  render(<DataTable label="Kit" rows={PARTS} columns={columns} rowId={({ id }) => id} heading="name" {...own} />);
const names = () => screen.getAllByRole("rowheader").map(({ textContent }) => textContent);
const sortBy = (name: string) => userEvent.click(screen.getByRole("button", { name }));

test("rows stand as they come until a head is pressed: up, down, and as they came again", async () => {
  show();
  expect(names()).toEqual(["tape", "cable", "adapter"]);
  await sortBy("Item");
  expect(names()).toEqual(["adapter", "cable", "tape"]);
  expect(screen.getByRole("columnheader", { name: "Item" }).getAttribute("aria-sort")).toBe("ascending");
  await sortBy("Item");
  expect(names()).toEqual(["tape", "cable", "adapter"]);
  expect(screen.getByRole("columnheader", { name: "Item" }).getAttribute("aria-sort")).toBe("descending");
  await sortBy("Item");
  expect(names()).toEqual(["tape", "cable", "adapter"]);
  expect(screen.getByRole("columnheader", { name: "Item" }).getAttribute("aria-sort")).toBeNull();
});

test("figures are sorted as numbers, and what is not known stands last, whichever way", async () => {
  show();
  await sortBy("Number");
  expect(names()).toEqual(["cable", "tape", "adapter"]);
  await sortBy("Number");
  expect(names()).toEqual(["tape", "cable", "adapter"]);
  expect(screen.getAllByRole("cell").filter((cell) => cell.dataset["figure"])).toHaveLength(3);
});

test("what cannot be sorted has no button for it", () => {
  show();
  expect(screen.queryByRole("button", { name: "Deeds" })).toBeNull();
  expect(screen.getAllByRole("button", { name: "Pack" })).toHaveLength(3);
});

test("groups have a head each until it is sorted, and again when it is put back", async () => {
  const inOrder = [PARTS[1]!, PARTS[2]!, PARTS[0]!];
  show({ rows: inOrder, groupOf: ({ bag }) => bag });
  expect(names()).toEqual(["Cables", "cable", "adapter", "Tape", "tape"]);
  await sortBy("Item");
  expect(names()).toEqual(["adapter", "cable", "tape"]);
  await sortBy("Item");
  await sortBy("Item");
  expect(names()).toEqual(["Cables", "cable", "adapter", "Tape", "tape"]);
});

test("a hidden column is not there, and the row that is shown elsewhere is marked", () => {
  show({ hidden: { count: false }, chosenId: "c" });
  expect(screen.queryByRole("columnheader", { name: "Number" })).toBeNull();
  const marked = screen.getAllByRole("row").filter((row) => row.dataset["chosen"]);
  expect(marked).toHaveLength(1);
  expect(within(marked[0]!).getByRole("rowheader").textContent).toBe("cable");
});

test("it may be sorted from the beginning, and says how many rows it has", () => {
  show({ order: [{ id: "name", desc: true }] });
  expect(names()).toEqual(["tape", "cable", "adapter"]);
  expect(screen.getByRole("table", { name: "Kit" }).getAttribute("aria-rowcount")).toBe("4");
});

test("nothing is a table without rows, not a fault", () => {
  show({ rows: [] });
  expect(screen.queryAllByRole("rowheader")).toEqual([]);
});
