import { createHmac } from "node:crypto";
import { mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import AxeBuilder from "@axe-core/playwright";
import { type APIRequestContext, type Browser, expect, type Page } from "@playwright/test";
import fc from "fast-check";
import { balancerOf } from "./balancer";
import { isLong, long } from "./long";
import { freePort, WebProcess } from "../tools/webProcess";
import { pdfWords } from "./pdfWords";
import { awake, choose, expectSaved, openView, startHere } from "./shoot";
import { test } from "./test";

const mails = mkdtempSync(join(tmpdir(), "hypophon-mails-"));
/** Two web processes behind a balancer on one database: whoever asks twice is answered by both. */
let webs: WebProcess[] = [];
let web: Awaited<ReturnType<typeof balancerOf>>;

test.describe.configure({ mode: "serial" });
test.setTimeout(120_000);

test.beforeAll(async () => {
  const urls = { web: process.env["HYPOPHON_TEST_URL"]!, owner: process.env["HYPOPHON_TEST_OWNER_URL"]! };
  const environment = { HYPOPHON_SECRET: "only for this test, and long enough for it", HYPOPHON_MAILS: mails };
  for (let at = 0; at < 2; at += 1)
    webs.push(new WebProcess(urls, await freePort(), [], { args: ["--accounts"], environment }));
  await Promise.all(webs.map((each) => each.start()));
  web = await balancerOf(webs.map(({ address }) => address));
});
test.afterAll(async () => {
  web.close();
  await Promise.all(webs.map((each) => each.kill()));
  webs = [];
  rmSync(mails, { recursive: true, force: true });
});

const axe = (page: Page) => new AxeBuilder({ page }).setLegacyMode();
/** The code of this half minute. Source: RFC 6238 with SHA-1, six digits, on RFC 4226. */
function codeNow(uri: string): string {
  const secret = new URL(uri).searchParams.get("secret")!;
  const letters = "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567";
  const bits = [...secret.replace(/=+$/, "")]
    .map((letter) => letters.indexOf(letter).toString(2).padStart(5, "0"))
    .join("");
  const key = Buffer.from((bits.match(/.{8}/g) ?? []).map((each) => parseInt(each, 2)));
  const counter = Buffer.alloc(8);
  counter.writeBigUInt64BE(BigInt(Math.floor(Date.now() / 30_000)));
  const hash = createHmac("sha1", key).update(counter).digest();
  return String((hash.readUInt32BE(hash[19]! & 15) & 0x7fffffff) % 1_000_000).padStart(6, "0");
}

const PASSWORD = "slack water at dawn";
const addressOf = (name: string) => `${name.toLowerCase()}.${Date.now()}@example.org`;

async function fillDoor(page: Page, fields: Record<string, string>, button: string): Promise<void> {
  for (const [label, text] of Object.entries(fields))
    await page.getByRole("textbox", { name: label, exact: true }).fill(text);
  await page.getByRole("button", { name: button, exact: true }).first().click();
}

/** Makes an account by the form that is open. */
async function signUp(page: Page, name: string, email = addressOf(name)): Promise<string> {
  await expect(page.getByRole("heading", { name: "New account" })).toBeVisible();
  await fillDoor(page, { Name: name, "E-mail": email, Password: PASSWORD }, "Make account");
  await page.waitForURL((url) => !url.pathname.startsWith("/sign-in"));
  return email;
}

/** Another person with a device of their own, by a link. */
async function joinBy(browser: Browser, link: string, name: string): Promise<Page> {
  const page = await (await browser.newContext({ serviceWorkers: "block" })).newPage();
  await page.goto(link);
  await signUp(page, name);
  await awake(page);
  return page;
}

/** The door, the crew and a link's page have no accessibility fault either. */
async function expectNoFault(page: Page): Promise<void> {
  if (!isLong) return;
  expect((await axe(page).analyze()).violations.map(({ id }) => id)).toEqual([]);
}

async function invite(owner: Page, role: RegExp): Promise<string> {
  await owner.goto(`${web.address}/crew`);
  await owner.getByRole("button", { name: /Invite as$/ }).click();
  await owner.getByRole("option", { name: role }).click();
  await owner.getByRole("button", { name: "Make a link" }).click();
  const dialog = owner.getByRole("dialog", { name: "Invitation" });
  await expect(dialog.getByRole("img", { name: "The link as a QR code" })).toBeVisible();
  const link = (await dialog.locator("code").textContent())!;
  await expectNoFault(owner);
  await owner.keyboard.press("Escape");
  return link;
}

const send = (page: Page, command: object) =>
  page.evaluate(async (body) => {
    const answer = await fetch("/api/commands", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ commands: [body] }),
    });
    return (await answer.json()) as { outcomes: { outcome: string; says?: { code: string } }[] };
  }, command);

test("an owner lets people in by links: both log takes live, a guest only reads, who is signed out is out at once", async ({
  page,
  browser,
}) => {
  await page.goto(`${web.address}/`);
  // Nobody is let in without signing in.
  await page.waitForURL(/\/sign-in\?to=/);
  await expectNoFault(page);
  await page.getByRole("button", { name: "New account" }).click();
  await signUp(page, "Olin");
  await awake(page);
  const shootId = await startHere(page, "Signed in");
  await page.getByRole("button", { name: "Add place" }).click();
  await expectSaved(page);
  await page.goto(`${web.address}/shoots/${shootId}/dress`);
  await page.getByRole("button", { name: "Add talent" }).click();
  await expectSaved(page);

  const assistant = await joinBy(browser, await invite(page, /^Assistant/), "Asta");
  await expect(assistant.getByRole("link", { name: /Signed in/ }).first()).toBeVisible();
  await assistant.goto(`${web.address}/shoots/${shootId}/roll`);
  await awake(assistant);
  await page.goto(`${web.address}/shoots/${shootId}/roll`);
  await awake(page);
  // Pages of other tests on the same database may count too; they have no name.
  await expect(page.getByRole("button", { name: /\d+ here: Asta, Olin$/ })).toBeVisible();
  await assistant.getByRole("button", { name: "Start take" }).click();
  await expect(page.getByText(/^Rolling: /).first()).toBeVisible({ timeout: 3000 });
  await page.getByRole("button", { name: "Stop" }).click();
  await expect(assistant.getByText(/^Next: .*take 2$/).first()).toBeVisible({ timeout: 3000 });

  const guest = await joinBy(browser, await invite(page, /^Guest/), "Gwen");
  await guest.goto(`${web.address}/shoots/${shootId}/roll`);
  await awake(guest);
  await expect(guest.getByRole("list", { name: "Takes" }).getByRole("listitem")).toHaveCount(1);
  await guest.getByRole("button", { name: "Start take" }).click();
  await expect(guest.getByText(/a crew's guest cannot\. Ask the owner\./)).toBeVisible();
  await expect(guest.getByText("Look only")).toBeVisible();
  await expect(guest.getByRole("list", { name: "Takes" }).getByRole("listitem")).toHaveCount(1);
  const key = crypto.randomUUID();
  const deletes = { op: "delete", key, kind: "shoot", id: shootId };
  for (const each of [guest, assistant])
    expect((await send(each, deletes)).outcomes[0]).toMatchObject({
      outcome: "refused",
      says: { code: "right.missing" },
    });
  await guest.goto(`${web.address}/crew`);
  await expect(guest.getByRole("button", { name: "Make a link" })).toHaveCount(0);
  await expect(guest.getByText("Your role: guest.")).toBeVisible();

  await page.goto(`${web.address}/crew`);
  const row = page.getByRole("row", { name: /Asta/ });
  await row.getByRole("button", { name: "Sign out everywhere" }).click();
  await assistant.waitForURL(/\/sign-in\?to=/, { timeout: 2000 });
  await expect(row.getByRole("cell", { name: "0", exact: true })).toBeVisible();
  await choose(page, "Role of Gwen", "Assistant");
  await guest.reload();
  await guest.waitForURL(/\/sign-in/);
});

test("strangers see nothing: every door asks who is there, and another crew has its own", async ({
  browser,
  request,
}) => {
  const gets = [
    ...["shoots", "me", "crew", "crew/export", "events", "takes?of=", "demo", `links?shoot=${crypto.randomUUID()}`],
    ...[`history?shoot=${crypto.randomUUID()}`, `shoots/${crypto.randomUUID()}/records?since=0`],
  ];
  for (const path of gets)
    expect([path, (await request.get(`${web.address}/api/${path}`)).status()]).toEqual([path, 401]);
  const id = crypto.randomUUID();
  for (const path of [`shoots/${id}/report.pdf`, `shoots/${id}/card.pdf`])
    expect([path, (await request.get(`${web.address}/${path}`)).status()]).toEqual([path, 401]);
  for (const path of ["commands", "crew", "crew/join", "crew/choose", "demo", "here", "links", "talent/link"])
    expect([path, (await request.post(`${web.address}/api/${path}`, { data: {} })).status()]).toEqual([path, 401]);
  expect((await request.get(`${web.address}/api/health`)).headers()["x-hypophon-installation"]).toBeUndefined();

  const other = await (await browser.newContext({ serviceWorkers: "block" })).newPage();
  await other.goto(`${web.address}/sign-in`);
  await other.getByRole("button", { name: "New account" }).click();
  await signUp(other, "Stranger");
  await awake(other);
  await expect(other.getByText("Signed in", { exact: true })).toHaveCount(0);
  await other.goto(`${web.address}/sign-in?to=https://elsewhere.example`);
  const used = await other.evaluate(async () => {
    const answer = await fetch("/api/crew/join", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ token: "a".repeat(32) }),
    });
    return answer.status;
  });
  expect(used).toBe(404);
});

test("a talent answers on their own phone by a link, and the crew sees it at once", async ({ page, browser }) => {
  await page.goto(`${web.address}/sign-in`);
  await page.getByRole("button", { name: "New account" }).click();
  await signUp(page, "Mixa");
  await awake(page);
  const shootId = await startHere(page, "Asked by phone");
  await page.goto(`${web.address}/shoots/${shootId}/dress`);
  await page.getByRole("button", { name: "Add talent" }).click();
  await expectSaved(page);
  await openView(page, "Ask");
  await page.getByRole("button", { name: "Let them answer on their phone" }).click();
  const link = (await page.getByRole("dialog", { name: "Their own card" }).locator("code").textContent())!;
  await page.keyboard.press("Escape");

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const card = await phone.newPage();
  await card.goto(link);
  await expect(card.getByRole("heading", { name: "Talent 1: your microphone" })).toBeVisible();
  await expectNoFault(card);
  expect(await card.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
  await card.getByRole("button", { name: "I place it myself" }).click();
  await expect(card.getByText("You place it yourself: the steps are above.")).toBeVisible();
  await expect(card.getByRole("listitem").first()).toBeVisible();
  await expect(page.getByText("What to tell them")).toBeVisible({ timeout: 3000 });
  // The link opens nothing else.
  expect((await card.request.get(`${web.address}/api/shoots`)).status()).toBe(401);
  await card.goto(`${web.address}/t/${"a".repeat(32)}`);
  await expect(card.getByText("This link works no more.")).toBeVisible();
});

long(
  "a code of a second device is asked for beside the password, once it is set up; other devices can be signed out",
  async ({ page, browser }) => {
    await page.goto(`${web.address}/sign-in`);
    await page.getByRole("button", { name: "New account" }).click();
    const email = await signUp(page, "Twice");
    await page.goto(`${web.address}/crew`);
    await page.getByRole("button", { name: "A code beside the password" }).click();
    await page.getByRole("textbox", { name: "Your password" }).fill(PASSWORD);
    const enabled = page.waitForResponse(/two-factor\/enable/);
    await page.getByRole("button", { name: "Set up a code" }).click();
    const { totpURI } = (await (await enabled).json()) as { totpURI: string };
    await expect(page.getByRole("img", { name: "The secret as a QR code" })).toBeVisible();
    await expectNoFault(page);
    await page.getByRole("textbox", { name: "Code", exact: true }).fill(codeNow(totpURI));
    await page.getByRole("button", { name: "Ask for the code" }).click();
    await expect(page.getByText("A code is asked for beside your password.")).toBeVisible();

    const other = await (await browser.newContext({ serviceWorkers: "block" })).newPage();
    await other.goto(`${web.address}/sign-in?to=/crew`);
    await fillDoor(other, { "E-mail": email, Password: PASSWORD }, "Sign in");
    await expect(other.getByRole("heading", { name: "Code of your second device" })).toBeVisible();
    await fillDoor(other, { Code: "000000" }, "Go on");
    await expect(other.getByRole("alert").filter({ hasText: /\S/ })).toBeVisible();
    await fillDoor(other, { Code: codeNow(totpURI) }, "Go on");
    await other.waitForURL(`${web.address}/crew`);
    await page.reload();
    await page.getByRole("button", { name: "Sign out there" }).first().click();
    await expect(page.getByText("Signed out there.")).toBeVisible();
    await other.reload();
    await other.waitForURL(/\/sign-in/);
  },
);

test("a passkey of the device signs in without the password, and is taken off again", async ({ page }) => {
  // Keys of devices are for names.
  const here = web.address.replace("127.0.0.1", "localhost");
  const devtools = await page.context().newCDPSession(page);
  await devtools.send("WebAuthn.enable");
  await devtools.send("WebAuthn.addVirtualAuthenticator", {
    options: {
      ...{ protocol: "ctap2", transport: "internal", hasResidentKey: true, hasUserVerification: true },
      ...{ isUserVerified: true, automaticPresenceSimulation: true },
    },
  });
  await page.goto(`${here}/sign-in`);
  await page.getByRole("button", { name: "New account" }).click();
  await signUp(page, "Keya");
  await page.goto(`${here}/crew`);
  await page.getByRole("button", { name: "Passkeys" }).click();
  await page.getByRole("button", { name: "Add a passkey of this device" }).click();
  await expect(page.getByText("Passkey added.")).toBeVisible();
  await expectNoFault(page);
  await page.getByRole("button", { name: "Sign out", exact: true }).click();
  await page.waitForURL(/\/sign-in/);
  await page.goto(`${here}/sign-in?to=/crew`);
  await page.getByRole("button", { name: "Use a passkey" }).click();
  await page.waitForURL(`${here}/crew`);
  await page.getByRole("button", { name: "Passkeys" }).click();
  await page.getByRole("group", { name: "Passkeys" }).getByRole("button", { name: "Remove" }).click();
  await expect(page.getByText("Passkey removed.")).toBeVisible();
  await page.getByRole("button", { name: "Sign out", exact: true }).click();
  await page.waitForURL(/\/sign-in/);
  await page.getByRole("button", { name: "Use a passkey" }).click();
  await expect(page.getByRole("alert").filter({ hasText: /\S/ })).toBeVisible();
});

long(
  "a call sheet, a report and a delivery list are read by a link without an account, until it is taken back",
  async ({ page, request }) => {
    await page.goto(`${web.address}/sign-in`);
    await page.getByRole("button", { name: "New account" }).click();
    await signUp(page, "Sheeta");
    await awake(page);
    const shootId = await startHere(page, "Shared sheets");
    await page.goto(`${web.address}/shoots/${shootId}/dress`);
    await page.getByRole("button", { name: "Add talent" }).click();
    await expectSaved(page);
    const share = async (path: string, sheet: string): Promise<string> => {
      await page.goto(`${web.address}/shoots/${shootId}/${path}`);
      await page.getByRole("button", { name: "Share", exact: true }).click();
      const dialog = page.getByRole("dialog", { name: "Share by a link" });
      await dialog.getByRole("button", { name: sheet, exact: true }).click();
      return (await dialog.locator("code").textContent())!;
    };
    const links = [
      await share("day", "Call sheet"),
      await share("report", "Sound report"),
      await share("report", "Delivery list"),
    ];
    await expectNoFault(page);
    const said: string[] = [];
    for (const link of links) {
      const answer = await request.get(link);
      expect([answer.status(), answer.headers()["content-type"]]).toEqual([200, "application/pdf"]);
      said.push(
        pdfWords(await answer.body())
          .map(({ text }) => text)
          .join(" "),
      );
    }
    expect(said[0]).toContain("Shared sheets: call sheet");
    expect(said[0]).toContain("Talent 1");
    expect(said[0]).not.toMatch(/MHz|lav|consent|sternum/i);
    expect(said[1]).toContain("sound report");
    expect(said[2]).toContain("delivery list");
    const open = page.getByRole("group", { name: "Links of this shoot" });
    for (let left = 3; left > 0; left -= 1) {
      await expect(open.getByRole("button", { name: "Take back" })).toHaveCount(left);
      await open.getByRole("button", { name: "Take back" }).first().click();
    }
    await expect(open).toHaveCount(0);
    for (const link of links) expect((await request.get(link)).status()).toBe(404);
  },
);

const ROUTES = [
  "/api/alive",
  "/api/health",
  "/api/me",
  "/api/here",
  "/api/shoots",
  "/api/shoots/ID/records?since=ODD",
  "/api/shoots/ODD/records",
  "/api/commands",
  "/api/takes?of=ODD",
  "/api/demo",
  "/api/crew",
  "/api/crew/join",
  "/api/crew/choose",
  "/api/crew/export",
  "/api/history?shoot=ID&before=ODD",
  "/api/history?shoot=ODD",
  "/api/links?shoot=ODD",
  "/api/links",
  "/api/talent?token=ODD",
  "/api/talent",
  "/api/talent/link",
  "/api/accounts/get-session",
  "/api/accounts/sign-in/email",
  "/api/accounts/sign-in/day",
  "/api/accounts/sign-up/email",
  "/api/accounts/reset-password/ODD",
  "/api/accounts/two-factor/verify-totp",
  "/api/accounts/passkey/verify-authentication",
  "/api/accounts/delete-user",
  "/api/accounts/ODD",
  "/api/ODD",
  "/l/ODD",
  "/t/ODD",
  "/shoots/ODD",
  "/shoots/ID/report.pdf?day=ODD&size=ODD",
  "/shoots/ID/card.pdf?rig=ODD",
  "/demo-recordings/ODD",
  "/ODD",
];
const FIELDS =
  "do role id personId token answer at shootId rigId kind day page email password name code commands op key body changes crewId response";

/** Requests that nobody in their right mind makes: any method, any address, any body. */
function hostile(): fc.Arbitrary<{ path: string; init: RequestInit }> {
  const odd = fc.oneof(
    fc.string({ maxLength: 60, unit: "binary" }),
    fc.constantFrom(
      "../../etc/passwd",
      "%00",
      "' or 1=1 --",
      "<script>",
      "__proto__",
      "-1",
      "1e999",
      "\u202e",
      "a".repeat(3000),
    ),
  );
  const value: fc.Arbitrary<unknown> = fc.oneof(odd, fc.jsonValue({ maxDepth: 3 }), fc.uuid(), fc.double());
  const body = fc.oneof(
    fc.dictionary(fc.constantFrom(...FIELDS.split(" ")), value, { maxKeys: 6 }).map((each) => JSON.stringify(each)),
    fc.jsonValue({ maxDepth: 4 }).map((each) => JSON.stringify(each)),
    fc.string({ maxLength: 200 }),
    fc.constant("[".repeat(5000)),
  );
  const type = fc.constantFrom(
    "application/json",
    "application/json; charset=utf-7",
    "text/plain",
    "multipart/form-data",
    "",
  );
  return fc
    .record({
      route: fc.constantFrom(...ROUTES),
      odd,
      id: fc.uuid(),
      body,
      type,
      method: fc.constantFrom("GET", "POST", "POST", "PUT", "DELETE", "PATCH"),
    })
    .map(({ route, odd: text, id, method, type: contentType, body: sent }) => ({
      path: route.replaceAll("ID", id).replaceAll("ODD", encodeURIComponent(text)),
      init: {
        method,
        headers: { "content-type": contentType },
        redirect: "manual" as const,
        ...(method === "GET" ? {} : { body: sent }),
      },
    }));
}

test("hostile requests over all routes, signed in or not: a clear answer each, never a failure or a stack", async ({
  page,
}) => {
  test.setTimeout(600_000);
  await page.goto(`${web.address}/sign-in`);
  await page.getByRole("button", { name: "New account" }).click();
  await signUp(page, "Hosta");
  const cookie = (await page.context().cookies()).map(({ name, value }) => `${name}=${value}`).join("; ");
  const wrong: string[] = [];
  const many = fc.sample(hostile(), { numRuns: isLong ? 10_000 : 120, seed: 20_271_130 });
  const worker = async () => {
    for (let next = many.pop(); next; next = many.pop()) {
      const { path, init } = next;
      const headers = { ...(init.headers as Record<string, string>), ...(many.length % 3 > 0 ? { cookie } : {}) };
      const answer = await fetch(web.address + path, { ...init, headers });
      const text = await answer.text();
      if (answer.status >= 500 || /\bat .+:\d+:\d+|node_modules|\.tsx?:\d|select .+ from/i.test(text))
        wrong.push(
          `${init.method} ${path.slice(0, 120)} ${JSON.stringify(init.body ?? "").slice(0, 200)}: ${answer.status} ${text.slice(0, 200)}`,
        );
    }
  };
  await Promise.all(Array.from({ length: 8 }, worker));
  expect(wrong).toEqual([]);
  expect((await fetch(`${web.address}/api/health`)).status).toBe(200);
});

const tryIn = (request: APIRequestContext, email: string, password: string) =>
  request.post(`${web.address}/api/accounts/sign-in/email`, { data: { email, password } });

test("guessing is slowed, whether there is such an account or not; a forgotten password is set by mail", async ({
  page,
  request,
}) => {
  await page.goto(`${web.address}/sign-in`);
  await page.getByRole("button", { name: "New account" }).click();
  const email = await signUp(page, "Mails");
  for (const address of [email, addressOf("nobody")]) {
    const answers: number[] = [];
    for (let guess = 0; guess < 8; guess += 1)
      answers.push((await tryIn(request, address, `wrong ${guess} wrong`)).status());
    expect(new Set(answers)).toEqual(new Set([401, 429]));
  }
  expect((await tryIn(request, email, PASSWORD)).status()).toBe(429);

  await page.goto(`${web.address}/sign-in`);
  await page.getByRole("button", { name: "Forgot the password?" }).click();
  for (const address of [addressOf("nobody"), email]) {
    await fillDoor(page, { "E-mail": address }, "Send me a link");
    await expect(page.getByText("If there is such an account, a link is on its way.")).toBeVisible();
  }
  await expect.poll(() => readdirSync(mails).length).toBe(1);
  const mail = readFileSync(join(mails, readdirSync(mails)[0]!), "utf8")
    .replace(/=\n/g, "")
    .replaceAll("=3D", "=");
  expect(mail).toContain(`To: ${email}`);
  await page.goto(/https?:\/\/\S+reset-password\S+/.exec(mail)![0]);
  await expect(page.getByRole("heading", { name: "New password" })).toBeVisible();
  await fillDoor(page, { Password: "short" }, "Set password");
  await expect(page.getByRole("alert").filter({ hasText: "ten characters" })).toBeVisible();
  await fillDoor(page, { Password: "another slack water" }, "Set password");
  await expect(page.getByText("The password is set: sign in with it.")).toBeVisible();
});
