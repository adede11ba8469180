import { execFileSync } from "node:child_process";
import { X509Certificate } from "node:crypto";
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { get as getPlain, type IncomingMessage, request as ask } from "node:http";
import { createServer as createSecure, get, request as askSecure, type RequestOptions } from "node:https";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Browser, chromium, expect } from "@playwright/test";
import { certificatesFor } from "../host/lan/certificates";
import { freePort, WebProcess } from "../tools/webProcess";
import { CHROMIUM } from "./browser";
import { awake, startHere } from "./shoot";
import { test } from "./test";

/** The phone's network: another address of this machine than the laptop's own. */
const PHONE_NET = "127.0.0.2";
const home = mkdtempSync(join(tmpdir(), "hypophon-lan-"));
let web: WebProcess;
let port = 0;

test.describe.configure({ mode: "serial" });
test.setTimeout(120_000);
test.beforeAll(async () => {
  const urls = { web: process.env["HYPOPHON_TEST_URL"]!, owner: process.env["HYPOPHON_TEST_OWNER_URL"]! };
  port = await freePort();
  const environment = {
    ...{ HYPOPHON_SECRET: "only for this test, and long enough for it", HYPOPHON_STATE: home },
    ...{ HYPOPHON_LAN_ADDRESSES: PHONE_NET, HYPOPHON_LAN_PORT: String(port) },
  };
  web = new WebProcess(urls, await freePort(), [], { args: ["--lan"], environment });
  await web.start();
});
test.afterAll(async () => {
  await web.kill();
  rmSync(home, { recursive: true, force: true });
});

const read = async (answer: IncomingMessage): Promise<string> => {
  let text = "";
  for await (const part of answer.setEncoding("utf8")) text += part as string;
  return text;
};
const plain = (path: string): Promise<{ status: number; text: string; headers: IncomingMessage["headers"] }> =>
  new Promise((resolve, reject) =>
    getPlain(
      `http://${PHONE_NET}:${port + 1}${path}`,
      (answer) =>
        void read(answer).then(
          (text) => resolve({ status: answer.statusCode!, text, headers: answer.headers }),
          reject,
        ),
    ).on("error", reject),
  );
const secure = (path: string, options: RequestOptions): Promise<{ status: number; text: string }> =>
  new Promise((resolve, reject) =>
    get(
      `https://${PHONE_NET}:${port}${path}`,
      options,
      (answer) => void read(answer).then((text) => resolve({ status: answer.statusCode!, text }), reject),
    ).on("error", reject),
  );

test("a phone that took the root certificate knows the laptop, one that did not refuses it; names of others are refused", async () => {
  const root = (await plain("/hypophon-root.crt")).text;
  expect((await secure("/api/health", { ca: root })).status).toBe(200);
  await expect(secure("/api/health", {})).rejects.toThrow(/self-signed certificate|unable to verify/i);
  const asOther = { ca: root, headers: { host: "sound.example.org" }, checkServerIdentity: () => undefined };
  expect((await secure("/api/health", asOther)).status).toBe(421);
  // Nobody is in without signing in.
  expect((await secure("/api/shoots", { ca: root })).status).toBe(401);
});

test("the page beside it says how, and shows nothing else", async () => {
  const page = await plain("/");
  const root = new X509Certificate((await plain("/hypophon-root.crt")).text);
  expect(page.text).toContain(root.fingerprint256.split(":").slice(0, 8).join(" "));
  expect(page.text).toContain(`https://${PHONE_NET}:${port}/`);
  for (const path of ["/api/shoots", "/sign-in", "/../root.key", "/leaf.key"])
    expect([path, (await plain(path)).status, (await plain(path)).text]).toEqual([path, 302, ""]);
});

test("behind a proxy with TLS cookies are of that host and go over TLS only; the proxy's word is taken, nobody else's", async () => {
  const PROXY = "127.0.0.3";
  const certificates = await certificatesFor(join(home, "proxy"), [PROXY]);
  const own = await freePort();
  const urls = { web: process.env["HYPOPHON_TEST_URL"]!, owner: process.env["HYPOPHON_TEST_OWNER_URL"]! };
  const environment = {
    ...{ HYPOPHON_SECRET: "only for this test, and long enough for it", HYPOPHON_HOSTS: PROXY },
    ...{ HYPOPHON_ORIGIN: `https://${PROXY}:${own}`, HYPOPHON_PROXY: "127.0.0.1" },
  };
  const hosted = new WebProcess(urls, await freePort(), [], { args: ["--accounts"], environment });
  await hosted.start();
  const proxy = createSecure({ cert: certificates.cert, key: certificates.key }, (incoming, outgoing) => {
    const { hostname, port: to } = new URL(hosted.address);
    const headers = { ...incoming.headers, "x-forwarded-for": "192.0.2.7", "x-forwarded-proto": "https" };
    const passed = ask({ hostname, port: to, path: incoming.url, method: incoming.method, headers }, (answer) => {
      outgoing.writeHead(answer.statusCode!, answer.headers);
      answer.pipe(outgoing);
    });
    incoming.pipe(passed);
  });
  await new Promise<void>((resolve) => proxy.listen(own, PROXY, resolve));
  try {
    const body = JSON.stringify({
      name: "Hosta",
      email: `hosta.${Date.now()}@example.org`,
      password: "slack water at dawn",
    });
    const headers = { "content-type": "application/json", origin: `https://${PROXY}:${own}` };
    const options = { ca: certificates.root, method: "POST", headers };
    const cookies = await new Promise<string[]>((resolve, reject) => {
      const asked = askSecure(`https://${PROXY}:${own}/api/accounts/sign-up/email`, options, (answer) => {
        answer.resume();
        resolve(answer.headers["set-cookie"] ?? []);
      }).on("error", reject);
      asked.end(body);
    });
    expect(cookies).toHaveLength(1);
    expect(cookies[0]).toMatch(/^__Host-hypophon\.session_token=.+; Path=\/; HttpOnly; Secure; SameSite=Lax$/);
  } finally {
    proxy.closeAllConnections();
    proxy.close();
    await hosted.kill();
  }
});

/** A phone's browser; with the root certificate installed as the page says, or without. */
async function phoneWith(root: string | null): Promise<Browser> {
  const own = mkdtempSync(join(home, "phone-"));
  if (root !== null) {
    const store = join(own, ".pki", "nssdb");
    mkdirSync(store, { recursive: true });
    writeFileSync(join(own, "root.crt"), root);
    execFileSync("certutil", ["-d", `sql:${store}`, "-N", "--empty-password"]);
    const trusted = ["-A", "-t", "C,,", "-n", "laptop", "-i", join(own, "root.crt")];
    execFileSync("certutil", ["-d", `sql:${store}`, ...trusted]);
  }
  const env = { ...(process.env as Record<string, string>), HOME: own };
  return chromium.launch({ executablePath: CHROMIUM, args: ["--no-sandbox"], env });
}

test("a browser without the root certificate warns, and does not go on by itself", async () => {
  const phone = await phoneWith(null);
  await expect((await phone.newPage()).goto(`https://${PHONE_NET}:${port}/`)).rejects.toThrow(
    /ERR_CERT_AUTHORITY_INVALID/,
  );
  await phone.close();
});

test("one code signs phones in for the day: they log, work without signal, and are out when it is taken back", async ({
  page,
}) => {
  await page.goto(`${web.address}/sign-in`);
  await page.getByRole("button", { name: "New account" }).click();
  for (const [label, text] of [
    ["Name", "Olin"],
    ["E-mail", `olin.${Date.now()}@example.org`],
    ["Password", "slack water at dawn"],
  ] as const)
    await page.getByRole("textbox", { name: label, exact: true }).fill(text);
  await page.getByRole("button", { name: "Make account" }).click();
  await page.waitForURL(`${web.address}/`);
  await awake(page);
  const shootId = await startHere(page, "On the quay");
  await page.goto(`${web.address}/crew`);
  await page.getByRole("button", { name: "Show the code" }).click();
  const dialog = page.getByRole("dialog", { name: "Sign in for the day" });
  await expect(dialog.getByRole("img", { name: "The link as a QR code" })).toBeVisible();
  await expect(dialog.getByText(`http://${PHONE_NET}:${port + 1}`)).toBeVisible();
  const link = (await dialog.locator("code").first().textContent())!;
  expect(link).toMatch(new RegExp(`^https://${PHONE_NET}:${port}/sign-in\\?day=`));
  await page.keyboard.press("Escape");

  const phone = await phoneWith((await plain("/hypophon-root.crt")).text);
  try {
    const context = await phone.newContext({
      ...{ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true },
      serviceWorkers: "allow",
    });
    const inHand = await context.newPage();
    await inHand.goto(link);
    await inHand.getByRole("textbox", { name: "Name" }).fill("Asta");
    await inHand.getByRole("button", { name: "Sign in" }).click();
    await inHand.waitForURL(`https://${PHONE_NET}:${port}/`);
    await awake(inHand);
    const cookies = await context.cookies();
    expect(cookies.filter(({ name }) => name.includes("session"))).toMatchObject([
      { name: "__Host-hypophon.session_token", secure: true, httpOnly: true, sameSite: "Lax", path: "/" },
    ]);
    const session = cookies.find(({ name }) => name.includes("session"))!;
    expect(session.expires - Date.now() / 1000).toBeLessThanOrEqual(16 * 3600);

    await inHand.goto(`https://${PHONE_NET}:${port}/shoots/${shootId}/roll`);
    await awake(inHand);
    await inHand.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.goto(`${web.address}/shoots/${shootId}/roll`);
    await awake(page);
    await inHand.getByRole("button", { name: "Start take" }).click();
    await expect(page.getByText(/^Rolling: /).first()).toBeVisible({ timeout: 3000 });
    await context.setOffline(true);
    await inHand.reload();
    await awake(inHand);
    await expect(inHand.getByText(/^Rolling: /).first()).toBeVisible();
    await context.setOffline(false);

    await page.goto(`${web.address}/crew`);
    await expect(page.getByRole("rowheader", { name: "Asta (today)" })).toBeVisible();
    await page.getByRole("button", { name: "Take back" }).click();
    await inHand.waitForURL(/\/sign-in/, { timeout: 15_000 });
    await inHand.goto(link);
    await inHand.getByRole("textbox", { name: "Name" }).fill("Asta");
    await inHand.getByRole("button", { name: "Sign in" }).click();
    await expect(inHand.getByRole("alert").filter({ hasText: "taken back" })).toBeVisible();
  } finally {
    await phone.close();
  }
});
