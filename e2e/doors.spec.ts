import { randomUUID } from "node:crypto";
import { expect } from "@playwright/test";
import { long } from "./long";
import { awake, openDemo } from "./shoot";
import { test } from "./test";

const shoot = {
  title: "Door",
  firstDay: "2027-01-01",
  days: 1,
  units: "metric",
  frameRate: 25,
  delivery: "picture",
  sampleRateHz: 48000,
  bitsPerSample: 24,
};

const create = (body: unknown) => ({ op: "create", key: randomUUID(), kind: "shoot", id: randomUUID(), body });

test("pages carry a strict content policy and are framed by nobody", async ({ request }) => {
  const policy = (await request.get("/")).headers()["content-security-policy"]!;
  expect(policy).toContain("default-src 'self'");
  expect(policy).toContain("frame-ancestors 'none'");
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/);
  expect(policy).not.toContain("'unsafe-eval'");
});

long("no page breaks its own policy", async ({ page, request }) => {
  const complaints: string[] = [];
  page.on("console", (message) => {
    if (message.type() === "error") complaints.push(message.text());
  });
  page.on("pageerror", (error) => complaints.push(error.message));
  const id = await openDemo(request);
  for (const path of [
    "/",
    ...["", "/scout", "/site", "/pickup", "/dress", "/link", "/level", "/roll", "/check", "/handover"].map(
      (each) => `/shoots/${id}${each}`,
    ),
  ]) {
    await page.goto(path);
    await awake(page);
    await expect(page.getByRole("main")).toBeVisible();
  }
  expect(complaints).toEqual([]);
});

test("changes from another site are refused", async ({ request }) => {
  const send = (headers: Record<string, string>) =>
    request.post("/api/commands", { data: { commands: [create(shoot)] }, headers });
  expect((await send({ origin: "http://elsewhere.example" })).status()).toBe(403);
  expect((await send({ "sec-fetch-site": "cross-site" })).status()).toBe(403);
  expect((await send({ "content-type": "text/plain" })).status()).toBe(403);
  expect((await send({})).status()).toBe(200);
});

test("what does not fit is refused with its field; what is too large is not read", async ({ request }) => {
  const bad = await request.post("/api/commands", { data: { commands: [create({ ...shoot, days: 0 })] } });
  expect(await bad.json()).toMatchObject({
    outcomes: [
      {
        outcome: "refused",
        fields: [{ path: "days", says: { code: "field.range", field: "Days", minimum: 1, maximum: 365, unit: null } }],
      },
    ],
  });
  const large = await request.post("/api/commands", { data: { commands: [create("x".repeat(3_000_000))] } });
  expect(large.status()).toBe(413);
  const broken = await request.post("/api/commands", {
    data: Buffer.from("{nope"),
    headers: { "content-type": "application/json" },
  });
  expect(broken.status()).toBe(422);
});

test("a shoot that does not exist says so", async ({ page }) => {
  await page.goto(`/shoots/${randomUUID()}`);
  await expect(page.getByText("This shoot is not here")).toBeVisible();
});

test("only the demo's own recordings are served", async ({ request }) => {
  expect((await request.get("/demo-recordings/miller-granary.wav")).status()).toBe(200);
  expect((await request.get("/demo-recordings/..%2F..%2Fpackage.json")).status()).toBe(404);
});
