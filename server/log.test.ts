import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { toldOf } from "./log";

test("what people typed is not in the log: of a failed query its statement and the database's code, not its values", () => {
  const cause = Object.assign(new Error('duplicate key value violates "wearer_pkey"'), { code: "23505" });
  const failed = Object.assign(new Error("Failed query: insert into wearer values ($1)\nparams: Odile Marchand"), {
    query: "insert into wearer values ($1)",
    params: ["Odile Marchand"],
    cause,
  });
  const told = JSON.stringify(toldOf(failed));
  expect(told).toContain("insert into wearer values ($1)");
  expect(told).toContain("23505");
  expect(told).not.toContain("Odile");
});

test("what is no error is told all the same", () => {
  expect(toldOf("broken")).toEqual({ message: "broken" });
});

/** Files of the server's side. */
function filesOf(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return filesOf(path);
    return /\.tsx?$/.test(entry.name) && !/\.test\./.test(entry.name) ? [path] : [];
  });
}

test("no request leaves the server but mail", () => {
  const root = join(__dirname, "..");
  const asks = ["server", "db", "app", "host"]
    .flatMap((room) => filesOf(join(root, room)))
    .filter((file) =>
      /\bfetch\(|https?\.(get|request)\(|from "(node:)?(http|https|net|tls|dns)"/.test(readFileSync(file, "utf8")),
    )
    .map((file) => file.slice(root.length + 1));
  // These listen, and look whether a port is free; they ask nobody.
  expect(asks.sort()).toEqual(KNOWN_TO_LISTEN);
});

const KNOWN_TO_LISTEN = [
  "host/asker.ts",
  "host/compressBuild.ts",
  "host/lan/addresses.ts",
  "host/lan/certificates.ts",
  "host/lan/lan.ts",
  "host/listenFrom.ts",
  "host/metrics.ts",
  "host/postgresServer.ts",
  "host/webServer.ts",
];
