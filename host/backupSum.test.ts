import { appendFileSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createHash, randomBytes } from "node:crypto";
import { tmpdir } from "node:os";
import { join } from "node:path";
import fc from "fast-check";
import { addSum, isWhole } from "./backupSum";

const folder = mkdtempSync(join(tmpdir(), "hypophon-sum-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const file = join(folder, "a file");

test("a file with its sum is whole, whatever its length", () => {
  for (const bytes of [0, 1, 100, 1 << 20, (1 << 20) + 7]) {
    writeFileSync(file, randomBytes(bytes));
    expect(isWhole(file)).toBeNull();
    addSum(file);
    expect(isWhole(file)).toBe(true);
  }
});

test("the sum is SHA-256 of what was there before", () => {
  const before = randomBytes(5000);
  writeFileSync(file, before);
  addSum(file);
  const after = readFileSync(file);
  expect(after.subarray(0, 5000).equals(before)).toBe(true);
  expect(after.subarray(5000).toString("latin1")).toContain(createHash("sha256").update(before).digest("hex"));
});

test("one bit turned anywhere before the sum is told (property)", () => {
  const before = randomBytes(3000);
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 2999 }), fc.integer({ min: 0, max: 7 }), (at, bit) => {
      writeFileSync(file, before);
      addSum(file);
      const bytes = readFileSync(file);
      bytes[at]! ^= 1 << bit;
      writeFileSync(file, bytes);
      expect(isWhole(file)).toBe(false);
    }),
  );
});

test("a file that was cut, or written on, has no sum at its end and is judged by its reader", () => {
  writeFileSync(file, randomBytes(3000));
  addSum(file);
  const whole = readFileSync(file);
  writeFileSync(file, whole.subarray(0, 2500));
  expect(isWhole(file)).toBeNull();
  writeFileSync(file, whole);
  appendFileSync(file, "more");
  expect(isWhole(file)).toBeNull();
});
