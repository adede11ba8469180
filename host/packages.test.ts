import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { inLong } from "../fixtures/inLong";

const ROOT = join(__dirname, "..");
interface Locked {
  version?: string;
  resolved?: string;
  integrity?: string;
  hasInstallScript?: boolean;
  link?: boolean;
}
const { packages } = JSON.parse(readFileSync(join(ROOT, "package-lock.json"), "utf8")) as {
  packages: Record<string, Locked>;
};
const { dependencies, devDependencies } = JSON.parse(readFileSync(join(ROOT, "package.json"), "utf8")) as Record<
  "dependencies" | "devDependencies",
  Record<string, string>
>;
const others = Object.entries(packages).filter(([path]) => path !== "");

test("every package is one of the registry, by its hash", () => {
  const wrong = others.filter(
    ([, { resolved, integrity }]) =>
      // Without an address it is the registry's that the machine is set to; one of elsewhere would stand here.
      !integrity?.startsWith("sha512-") || (resolved !== undefined && !/^https:\/\/[^/]+\/.+\.tgz$/.test(resolved)),
  );
  expect(wrong.map(([path]) => path)).toEqual([]);
  expect(others.length).toBeGreaterThan(300);
});

test("what we ask for is asked for in one version", () => {
  const loose = Object.entries({ ...dependencies, ...devDependencies }).filter(
    ([, version]) => !/^(npm:[\w@/-]+@)?\d+\.\d+\.\d+$/.test(version),
  );
  expect(loose).toEqual([]);
});

test("only packages that are known to need it run something when they are installed", () => {
  const scripted = others
    .filter(([, { hasInstallScript }]) => hasInstallScript)
    .map(([path]) => path.split("node_modules/").at(-1));
  expect(new Set(scripted)).toEqual(new Set(["@parcel/watcher", "@swc/core", "esbuild"]));
});

inLong("no weakness of a package that is used is known and grave, where the registry tells", () => {
  const { stdout } = spawnSync("npm", ["audit", "--omit=dev", "--json"], { cwd: ROOT, encoding: "utf8" });
  const told = JSON.parse(stdout || "{}") as { metadata?: { vulnerabilities: Record<string, number> } };
  // A registry that answers no such question leaves it open.
  if (!told.metadata) return;
  const { high = 0, critical = 0 } = told.metadata.vulnerabilities;
  expect({ high, critical }).toEqual({ high: 0, critical: 0 });
});
