import fc from "fast-check";
import * as Type from "@sinclair/typebox";
import { cleanText, clipText, isStorable } from "./cleanText";
import { schemaFaults } from "./validate";

const anyText = fc
  .array(fc.integer({ min: 0, max: 0xffff }), { maxLength: 40 })
  .map((units) => String.fromCharCode(...units));

test("a cleaned text is well formed, without NUL, and what was good stays (property)", () => {
  fc.assert(
    fc.property(anyText, (text) => {
      const clean = cleanText(text);
      expect(isStorable(clean)).toBe(true);
      expect(() => encodeURIComponent(clean)).not.toThrow();
      expect(clean).not.toContain("\0");
      if (isStorable(text)) expect(clean).toBe(text);
    }),
  );
  expect(cleanText("Tam\0 \ud83c\tand\nInès 🎙")).toBe("Tam \tand\nInès 🎙");
});

test("what is clipped is a whole beginning, never half a character (property)", () => {
  fc.assert(
    fc.property(fc.string({ unit: "grapheme", maxLength: 30 }), fc.nat(30), (text, most) => {
      const clipped = clipText(text, most);
      expect(clipped.length).toBeLessThanOrEqual(most);
      expect(cleanText(text).startsWith(clipped)).toBe(true);
      expect(() => encodeURIComponent(clipped)).not.toThrow();
    }),
  );
  expect(clipText("ab👩‍🌾c", 5)).toBe("ab");
  expect(clipText("ab👩‍🌾c", 7)).toBe("ab👩‍🌾");
});

test("texts that cannot be stored are refused at their field, names of fields too", () => {
  const schema = Type.Object({
    name: Type.String({ title: "Name" }),
    more: Type.Array(Type.Record(Type.String(), Type.String())),
  });
  const faults = schemaFaults(schema, { name: "half \ud83c", more: [{ "a\0": "fine" }, { b: "NUL \0" }] });
  expect(faults).toEqual([
    { path: "name", says: { code: "field.unstorable", field: "Name" } },
    { path: "more.0", says: { code: "field.unstorable", field: null } },
    { path: "more.1.b", says: { code: "field.unstorable", field: "b" } },
  ]);
  expect(schemaFaults(schema, { name: "whole 🎙", more: [] })).toEqual([]);
});

test.each([
  "urn:uuid:0b7d9e3e-0000-4000-8000-000000000001",
  "0B7D9E3E-0000-4000-8000-000000000001",
  "{0b7d9e3e-0000-4000-8000-000000000001}",
])("%s is no id: the database would read it otherwise", (id) => {
  const schema = Type.Object({ id: Type.String({ format: "uuid", title: "Id" }) });
  expect(schemaFaults(schema, { id })).toHaveLength(1);
  expect(schemaFaults(schema, { id: "0b7d9e3e-0000-4000-8000-000000000001" })).toEqual([]);
});
