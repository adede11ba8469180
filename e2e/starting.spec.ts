import { spawn } from "node:child_process";
import { connect } from "node:net";
import { join } from "node:path";
import { expect } from "@playwright/test";
import { freePort } from "../tools/webProcess";
import { test } from "./test";

const ROOT = join(import.meta.dirname, "..");

/** What comes of knocking: nobody there, an answer, or silence, which is what must not be. */
function knock(port: number): Promise<"closed" | "answered" | "silent"> {
  return new Promise((resolve) => {
    const socket = connect(port, "127.0.0.1", () =>
      socket.write(`GET /api/health HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nConnection: close\r\n\r\n`),
    );
    socket.setTimeout(10_000, () => socket.destroy(resolve("silent") as undefined));
    socket.on("error", () => resolve("closed"));
    socket.once("data", (data) => {
      expect(data.toString()).toMatch(/^HTTP\/1\.1 200/);
      resolve("answered");
    });
    socket.on("close", () => resolve("closed"));
  });
}

test("from the first moment on the port is closed or answers: nobody who comes early waits for ever", async () => {
  const port = await freePort();
  const child = spawn(process.execPath, [join(ROOT, ".build", "cli", "host.mjs"), "start"], {
    cwd: ROOT,
    env: {
      ...process.env,
      HYPOPHON_ROOT: ROOT,
      HYPOPHON_PORT: String(port),
      DATABASE_URL: process.env["HYPOPHON_TEST_URL"],
      DATABASE_OWNER_URL: process.env["HYPOPHON_TEST_OWNER_URL"],
    },
  });
  let said = "";
  child.stdout.on("data", (text: Buffer) => (said += text.toString()));
  child.stderr.on("data", (text: Buffer) => (said += text.toString()));
  const ended = new Promise((resolve) => child.once("close", resolve));
  const heard: string[] = [];
  try {
    await expect
      .poll(
        async () => {
          heard.push(await knock(port));
          return said;
        },
        { intervals: [20], timeout: 50_000 },
      )
      .toContain(`running at http://127.0.0.1:${port}`);
    heard.push(await knock(port));
  } finally {
    child.kill("SIGTERM");
    await ended;
  }
  expect(heard).not.toContain("silent");
  expect(heard.at(-1)).toBe("answered");
  expect(heard[0]).toBe("closed");
  expect(said).not.toContain("prepare() must be called");
});
