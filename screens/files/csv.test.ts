import fc from "fast-check";
import Papa from "papaparse";
import { csvOf } from "./csv";

const RUNS = /^[\s"]*[=+\-@]/;

test("quotes doubled, numbers as they are, nothing for what is not there (RFC 4180)", () => {
  expect(
    csvOf([
      ["name", "MHz"],
      ['Ines, "the engineer"', 520.3],
      [null, -12],
    ]),
  ).toBe('name,MHz\r\n"Ines, ""the engineer""",520.3\r\n,-12\r\n');
});

test.each([
  "=1+1",
  "+1",
  "-1",
  "@SUM(A1)",
  "\t=1",
  "\r=1",
  "a;=1+1",
  "a,=1+1",
  'a;"=1',
  "a\t-1",
  "a\n=1",
  "a|@x",
  " =1",
  "'=1",
])("%j is no formula, whatever a spreadsheet parts cells by", (text) => {
  const csv = csvOf([[text, "next"]]);
  for (const delimiter of [",", ";", "\t", "|"])
    for (const row of Papa.parse<string[]>(csv, { delimiter }).data)
      for (const cell of row) expect(cell).not.toMatch(RUNS);
  // A program that knows no quotes.
  for (const cell of csv.split(/[;,|\t\r\n]/)) expect(cell).not.toMatch(RUNS);
});

test("any text is read back with nothing lost but the guards, and no cell runs (property)", () => {
  const text = fc.array(fc.constantFrom("a", "=", "+", "-", "@", ";", ",", "\t", "\r", "\n", '"', " ", "'", "|", "1"), {
    maxLength: 12,
  });
  fc.assert(
    fc.property(
      fc.array(
        text.map((each) => each.join("")),
        { minLength: 2, maxLength: 4 },
      ),
      (row) => {
        const csv = csvOf([row]);
        const [read] = Papa.parse<string[]>(csv, { delimiter: ",", newline: "\r\n" }).data;
        expect(read!.map((cell) => cell.replaceAll("'", ""))).toEqual(row.map((cell) => cell.replaceAll("'", "")));
        for (const cell of csv.split(/[;,|\t\r\n]/)) expect(cell).not.toMatch(RUNS);
      },
    ),
  );
});
