import { randomUUID } from "node:crypto";
import type { Pool } from "pg";
import type { Database } from "../../db/client";
import { workerDatabase } from "../../fixtures/testCrew";
import { guessedRight, guessedWrong, waitAfterMs, waitMs } from "./guesses";
import { hashPassword, isPassword } from "./passwords";

let pool: Pool;
let database: Database;
beforeAll(() => ({ database, pool } = workerDatabase()));
afterAll(() => pool.end());

const address = () => `${randomUUID()}@example.org`;

test("a few wrong passwords cost nothing, each further one doubles the wait, up to a quarter of an hour", () => {
  expect([0, 1, 5, 6, 7, 8, 30].map(waitAfterMs)).toEqual([0, 0, 0, 2000, 4000, 8000, 900_000]);
});

test("ten thousand guesses at one address take longer than anybody has", () => {
  let total = 0;
  for (let guess = 1; guess <= 10_000; guess += 1) total += waitAfterMs(guess);
  expect(total / (24 * 3_600_000)).toBeGreaterThan(90);
});

test("guesses are counted by address, whatever its case; the right one, or an hour, forgets them", async () => {
  const email = address();
  const now = Date.parse("2027-05-11T09:00:00Z");
  for (let guess = 0; guess < 7; guess += 1) await guessedWrong(database, email, now);
  expect(await waitMs(database, email, now)).toBe(4000);
  expect(await waitMs(database, ` ${email.toUpperCase()}`, now + 1000)).toBe(3000);
  expect(await waitMs(database, address(), now)).toBe(0);
  expect(await waitMs(database, email, now + 3_600_001)).toBe(0);
  await guessedWrong(database, email, now + 3_700_000);
  expect(await waitMs(database, email, now + 3_700_000)).toBe(0);
  for (let guess = 0; guess < 7; guess += 1) await guessedWrong(database, email, now + 3_800_000);
  await guessedRight(database, email);
  expect(await waitMs(database, email, now + 3_800_000)).toBe(0);
});

test("guesses at once are all counted", async () => {
  const email = address();
  await Promise.all(Array.from({ length: 8 }, () => guessedWrong(database, email, 1_000_000)));
  expect(await waitMs(database, email, 1_000_000)).toBe(waitAfterMs(8));
});

test("a password is kept as an Argon2id hash that is another each time, and only the same one fits", async () => {
  const [one, other] = await Promise.all([hashPassword("slack water, 09:44"), hashPassword("slack water, 09:44")]);
  expect(one).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
  expect(one).not.toBe(other);
  expect(await isPassword({ hash: one, password: "slack water, 09:44" })).toBe(true);
  expect(await isPassword({ hash: one, password: "slack water, 09:45" })).toBe(false);
  expect(await isPassword({ hash: "no hash", password: "slack water, 09:44" })).toBe(false);
});
