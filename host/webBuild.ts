import { createHash } from "node:crypto";
import { spawn } from "node:child_process";
import {
  createWriteStream,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from "node:fs";
import { join, relative } from "node:path";
import { compressBuild } from "./compressBuild";
import { withLock } from "./lock";
import { makeServiceWorker } from "./serviceWorker";
import { writeNextSettings } from "./nextSettings";
import { ROOT, say } from "./state";
import { whyFailed } from "./trouble";

const SOURCES = [
  "app",
  "screens",
  "ui",
  "data",
  "server",
  "db",
  "core",
  "messages",
  "workers",
  "picture",
  "demo",
  "public",
];
const SOURCE_FILES = ["next.config.ts", "proxy.ts", "package-lock.json", "tsconfig.json"];
const BUILDS = join(ROOT, ".build");
const LOG = join(BUILDS, "build.log");
const FINISHED = "hypophon-finished";
const KEPT_BUILDS = 3;

function filesBelow(folder: string): string[] {
  if (!existsSync(folder)) return [];
  return readdirSync(folder, { withFileTypes: true })
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .flatMap((entry) => {
      const path = join(folder, entry.name);
      if (entry.isDirectory()) return filesBelow(path);
      return entry.name.includes(".test.") || entry.name.endsWith(".wav") ? [] : [path];
    });
}

function sourceHash(): string {
  const hash = createHash("sha256");
  const files = [
    ...SOURCE_FILES.map((file) => join(ROOT, file)).filter(existsSync),
    ...SOURCES.flatMap((folder) => filesBelow(join(ROOT, folder))),
  ];
  for (const file of files) hash.update(relative(ROOT, file)).update("\0").update(readFileSync(file));
  return hash.digest("hex").slice(0, 12);
}

function build(distDir: string): Promise<boolean> {
  mkdirSync(BUILDS, { recursive: true });
  const log = createWriteStream(LOG);
  const child = spawn(process.execPath, [join(ROOT, "node_modules/next/dist/bin/next"), "build"], {
    cwd: ROOT,
    env: { ...process.env, HYPOPHON_DIST: distDir, NODE_ENV: "production" },
    stdio: ["ignore", "pipe", "pipe"],
  });
  child.stdout.pipe(log);
  child.stderr.pipe(log);
  return new Promise((resolve) => {
    child.once("error", () => resolve(false));
    child.once("exit", (code) => resolve(code === 0));
  });
}

/** Throws away old builds, newest kept: a server may still run from one. */
function tidy(): void {
  readdirSync(BUILDS)
    .filter((name) => name.startsWith("web-"))
    .map((name) => ({ path: join(BUILDS, name), time: statSync(join(BUILDS, name)).mtimeMs }))
    .sort((a, b) => b.time - a.time)
    .slice(KEPT_BUILDS)
    .forEach(({ path }) => rmSync(path, { recursive: true, force: true }));
}

/** A production build of the sources as they are now, made when there is none; returns its folder, relative to the root. */
export function webBuild(): Promise<string> {
  return withLock(BUILDS, "build", async () => {
    const distDir = join(".build", `web-${sourceHash()}`);
    const mark = join(ROOT, distDir, FINISHED);
    if (existsSync(mark)) {
      utimesSync(join(ROOT, distDir), new Date(), new Date());
      return distDir;
    }
    say(`Building (log: ${LOG})`);
    rmSync(join(ROOT, distDir), { recursive: true, force: true });
    writeNextSettings();
    if (!(await build(distDir))) {
      throw new Error(`The build failed: ${whyFailed(readFileSync(LOG, "utf8"), ROOT)} (${LOG})`);
    }
    await makeServiceWorker(distDir);
    await compressBuild(join(ROOT, distDir));
    writeFileSync(mark, "");
    tidy();
    return distDir;
  });
}
