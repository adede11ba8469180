import fc from "fast-check";
import { jsonPieces, jsonStream } from "./jsonStream";

test("the pieces of any object are its JSON (property)", () => {
  const lists = fc.array(fc.jsonValue(), { maxLength: 250 });
  fc.assert(
    fc.property(fc.dictionary(fc.string(), fc.oneof(fc.jsonValue(), lists)), (body) => {
      expect(JSON.parse([...jsonPieces(body)].join(""))).toEqual(JSON.parse(JSON.stringify(body)));
    }),
  );
});

test("what is not there is left out, as JSON leaves it out", () => {
  expect([...jsonPieces({ none: undefined })].join("")).toBe("{}");
  expect([...jsonPieces({ none: undefined, some: 1 })].join("")).toBe('{"some":1}');
});

test("others are answered while a large object is written", async () => {
  const records = Array.from({ length: 5000 }, (_, at) => ({ id: `record ${at}`, text: "ä–".repeat(20) }));
  let turns = 0;
  const count = setInterval(() => (turns += 1), 0);
  const text = await new Response(jsonStream({ seq: 7, records })).text();
  clearInterval(count);
  expect(JSON.parse(text)).toEqual({ seq: 7, records });
  expect(turns).toBeGreaterThan(5);
});
