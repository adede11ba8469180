import fc from "fast-check";
import {
  bagInfo,
  decodedPath,
  encodedPath,
  type Hashed,
  journalLine,
  manifestOf,
  payloadOxum,
  readJournal,
  readManifest,
} from "./index";

const file = (path: string, bytes = 3): Hashed => ({ path, bytes, sha256: "ab".repeat(32), xxh64: "cd".repeat(8) });
const name = fc
  .string({ minLength: 1, maxLength: 12, unit: "binary" })
  .filter((each) => !/[/\\\0]/.test(each) && each !== "." && each !== "..");
const path = fc.array(name, { minLength: 1, maxLength: 3 }).map((parts) => parts.join("/"));

test("line ends and percent signs are written as codes, and nothing else (RFC 8493 §2.1.3)", () => {
  expect(encodedPath("T01 100%\nA\r.wav")).toBe("T01 100%25%0AA%0D.wav");
  expect(decodedPath("T01 100%25%0aA%0D.wav")).toBe("T01 100%\nA\r.wav");
  expect(decodedPath("a%20b")).toBe("a%20b");
});

test("a manifest is read as it was written, whatever files are called (property)", () => {
  fc.assert(
    fc.property(fc.uniqueArray(path, { maxLength: 8 }), (paths) => {
      const read = readManifest(
        manifestOf(
          paths.map((each) => file(each)),
          "sha256",
        ),
      );
      expect(new Set(read!.map((line) => line.path))).toEqual(new Set(paths.map((each) => `data/${each}`)));
      expect(read!.every(({ hash }) => hash === "ab".repeat(32))).toBe(true);
    }),
  );
});

test.each([
  "no hash",
  "abc  ../outside",
  "abc  /etc/passwd",
  "abc  data/../../x",
  "abc  data//x",
  "abc  data\\x",
  "abc",
])("a manifest with %j is none", (line) => expect(readManifest(`${line}\n`)).toBeNull());

test("a manifest of others is read: two blanks or a tab, a star for binary, any line end, capitals", () => {
  const text = "ABCD  data/a\r\nabcd\tdata/b\nabcd *data/c\r";
  expect(readManifest(text)).toEqual(["a", "b", "c"].map((each) => ({ hash: "abcd", path: `data/${each}` })));
});

test("what is said of a bag: bytes and files, where it came from on one line", () => {
  const files = [file("a", 10), file("b", 32)];
  expect(payloadOxum(files)).toBe("42.2");
  const info = bagInfo(files, { date: "2027-05-11", about: "copy of /media/CARD\nPayload-Oxum: 0.0" });
  expect(info.split("\n")).toEqual([
    "Bagging-Date: 2027-05-11",
    "Payload-Oxum: 42.2",
    "External-Description: copy of /media/CARD Payload-Oxum: 0.0",
    "Bag-Software-Agent: Hypophon",
    "",
  ]);
});

test("what was copied is known again; half a line, and what is none, is left out", () => {
  const done = { ...file("a.wav"), changedMs: 7 };
  const text = journalLine(done) + journalLine({ ...done, path: "b.wav" }).slice(0, -9);
  expect([...readJournal(text)]).toEqual([["a.wav", done]]);
  for (const odd of ["", "{}", "null", '{"path":"a","bytes":-1}', journalLine({ ...done, sha256: "x" })])
    expect(readJournal(odd).size).toBe(0);
});
