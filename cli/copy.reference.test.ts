import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import {
  appendFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { copyCard, type CopyProgress } from "./verifiedCopy";

const TOOL = join(__dirname, "..", ".build", "cli", "copyTool.mjs");
const folder = mkdtempSync(join(tmpdir(), "hypophon-copy-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const copy = (...args: string[]) => spawnSync(process.execPath, [TOOL, ...args], { encoding: "utf8", cwd: folder });
let made = 0;
/** A folder of its own for a test. */
const place = (name: string): string => join(folder, `${(made += 1)}-${name}`);

/** A card with files in two folders of the same names, an empty one, and names that are hard to write down. */
function cardOf(): string {
  const card = place("card");
  for (const [path, bytes] of [
    ["DAY1/T01.wav", 300_000],
    ["DAY2/T01.wav", 5_000_000],
    ["DAY2/empty.wav", 0],
    ["100%\nécluse 水.wav", 70_000],
  ] as const) {
    mkdirSync(join(card, path, ".."), { recursive: true });
    const content = Buffer.alloc(bytes, path);
    writeFileSync(join(card, path), content);
  }
  return card;
}
const filesOf = (root: string): string[] =>
  readdirSync(root, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name).slice(root.length + 1))
    .sort();
/** All there is to know of a folder's files. */
const printOf = (root: string): string[] =>
  filesOf(root).map((path) => {
    const { size, mtimeMs } = statSync(join(root, path));
    return `${path} ${size} ${mtimeMs} ${createHash("sha256")
      .update(readFileSync(join(root, path)))
      .digest("hex")}`;
  });
/** What coreutils say of a bag's list. */
const sha256sum = (bag: string, list = "manifest-sha256.txt") =>
  spawnSync("sha256sum", ["--check", "--strict", "--quiet", list], { cwd: bag, encoding: "utf8" });

test("both copies are bags whose lists sha256sum agrees with (independent program, RFC 8493); the card stays as it is", () => {
  const [card, one, other] = [cardOf(), place("one"), place("other")];
  rmSync(join(card, "100%\nécluse 水.wav"));
  const before = printOf(card);
  const { status, stdout, stderr } = copy(card, "--to", one, other);
  expect([status, stderr]).toEqual([0, ""]);
  expect(stdout).toBe("3 files: on all 2 copies, read back and equal.\nThis card may be formatted, in the recorder.\n");
  expect(printOf(card)).toEqual(before);
  for (const bag of [one, other]) {
    expect(sha256sum(bag)).toMatchObject({ status: 0, stdout: "", stderr: "" });
    expect(sha256sum(bag, "tagmanifest-sha256.txt").status).toBe(0);
    expect(readFileSync(join(bag, "bagit.txt"), "utf8")).toBe(
      "BagIt-Version: 1.0\nTag-File-Character-Encoding: UTF-8\n",
    );
    expect(readFileSync(join(bag, "bag-info.txt"), "utf8")).toContain("Payload-Oxum: 5300000.3\n");
    expect(filesOf(join(bag, "data"))).toEqual(filesOf(card));
  }
});

test("xxHash64 is that of its specification for nothing and for three letters (from memory)", () => {
  const [card, bag] = [place("card"), place("bag")];
  mkdirSync(card);
  writeFileSync(join(card, "empty"), "");
  writeFileSync(join(card, "abc"), "abc");
  const { files } = JSON.parse(copy(card, "--to", bag, "--json").stdout) as {
    files: { path: string; xxh64: string }[];
  };
  expect(files.map(({ path, xxh64 }) => [path, xxh64])).toEqual([
    ["abc", "44bc2cf5ad770999"],
    ["empty", "ef46db3751d8e999"],
  ]);
});

test("names with line ends and percent signs are copied, listed and verified", () => {
  const [card, bag] = [cardOf(), place("bag")];
  expect(copy(card, "--to", bag).stdout).toContain(
    "One copy is none: make a second one before this card is formatted.",
  );
  expect(readFileSync(join(bag, "manifest-sha256.txt"), "utf8")).toContain("data/100%25%0Aécluse 水.wav\n");
  expect(copy(bag, "--verify")).toMatchObject({ status: 0, stdout: "4 files: all as they were copied.\n" });
});

test("a bit that is turned on the copy is told, and so are a file that is gone and one that was added", () => {
  const [card, bag] = [cardOf(), place("bag")];
  copy(card, "--to", bag);
  const hurt = join(bag, "data", "DAY2", "T01.wav");
  const bytes = readFileSync(hurt);
  bytes[2_345_678]! ^= 4;
  writeFileSync(hurt, bytes);
  rmSync(join(bag, "data", "DAY1", "T01.wav"));
  writeFileSync(join(bag, "data", "DAY1", "T02.wav"), "new");
  const { status, stdout } = copy(bag, "--verify");
  expect(status).toBe(1);
  expect(stdout.trim().split("\n").sort()).toEqual([
    "data/DAY1/T01.wav is missing",
    "data/DAY1/T02.wav is not in the list",
    "data/DAY2/T01.wav differs from its list",
  ]);
  expect(sha256sum(bag).status).toBe(1);
});

test("a copy that was killed goes on where it was, and what it had hurt is copied anew", async () => {
  const [card, one, other] = [cardOf(), place("one"), place("other")];
  writeFileSync(join(card, "DAY2", "long.wav"), Buffer.alloc(120_000_000, 7));
  const running = spawn(process.execPath, [TOOL, card, "--to", one, other]);
  const part = join(other, "data", "DAY2", "long.wav.hypophon-part");
  for (let tries = 0; tries < 400 && !existsSync(part); tries += 1) await new Promise((go) => setTimeout(go, 5));
  running.kill("SIGKILL");
  await new Promise((ended) => running.once("close", ended));
  expect(existsSync(join(one, "bagit.txt"))).toBe(false);
  const known = join(one, "data", "DAY1", "T01.wav");
  if (existsSync(known)) writeFileSync(known, "hurt meanwhile");
  const { status, stdout } = copy(card, "--to", one, other);
  expect(status).toBe(0);
  expect(stdout).toContain("This card may be formatted");
  for (const bag of [one, other]) {
    expect(filesOf(join(bag, "data"))).toEqual(filesOf(card));
    expect(copy(bag, "--verify").status).toBe(0);
  }
});

test("nothing begins where it would hurt something: one sentence, and nothing is written", () => {
  const card = cardOf();
  const full = place("full");
  mkdirSync(full);
  writeFileSync(join(full, "notes.txt"), "Buy batteries");
  const done = place("done");
  copy(card, "--to", done);
  const before = printOf(card);
  const says = (...args: string[]) => copy(...args).stderr.trim();
  expect(says(card, "--to", join(card, "copy"))).toMatch(/copy and the card are in each other\.$/);
  expect(says(card, "--to", folder)).toMatch(/and the card are in each other\.$/);
  expect(says(card, "--to", full)).toMatch(/full holds something else: copy to a new folder\.$/);
  expect(says(card, "--to", done)).toMatch(/done is a finished copy: verify it, or copy to a new folder\.$/);
  expect(says(card, "--to", place("new"), join(folder, String(made) + "-new"))).toContain(
    "The same folder is named twice.",
  );
  expect(says(join(folder, "nowhere"), "--to", place("new"))).toMatch(/nowhere is no folder\.$/);
  expect(says(card)).toContain("where to?");
  expect(says(full, "--verify")).toMatch(/full is no finished copy\.$/);
  expect(copy("--to").status).toBe(2);
  expect(printOf(card)).toEqual(before);
  expect(readdirSync(full)).toEqual(["notes.txt"]);
});

test("space is looked at first: a card larger than the disk is not begun", () => {
  const [card, bag] = [place("card"), place("bag")];
  mkdirSync(card);
  writeFileSync(join(card, "T01.wav"), "");
  // A hole: it takes no room, and says that it is 15 TB long.
  truncateSync(join(card, "T01.wav"), 15e12);
  const { status, stderr } = copy(card, "--to", bag);
  expect(status).toBe(2);
  expect(stderr).toMatch(/GB free, and 15000\.0 GB are to be copied\.$/m);
  expect(existsSync(join(bag, "data"))).toBe(false);
});

test("a file that grows while it is read is told, and no list says that the copy is whole", async () => {
  const [card, bag] = [cardOf(), place("bag")];
  const growing = join(card, "DAY2", "T01.wav");
  let grew = false;
  const onProgress = ({ doneBytes }: CopyProgress) => {
    // The first piece of five megabytes has been read.
    if (grew || doneBytes < 4_000_000) return;
    grew = true;
    appendFileSync(growing, "more");
  };
  const result = await copyCard(card, [bag], { date: "2027-05-11", onProgress });
  expect(grew).toBe(true);
  expect(result.faults).toEqual([{ path: "DAY2/T01.wav", why: "changed" }]);
  expect(existsSync(join(bag, "bagit.txt"))).toBe(false);
  // As it is now it is copied when it is asked for again, and then all is there.
  expect(copy(card, "--to", bag)).toMatchObject({ status: 0, stderr: "" });
  expect(sha256sum(bag, "tagmanifest-sha256.txt").status).toBe(0);
});

test("what cannot be read is told as that, the rest goes on, and the card is not to be formatted", () => {
  // Files of the system that are read in small pieces only.
  const { status, stderr } = copy("/proc/sys/kernel/random", "--to", place("bag"));
  expect(status).toBe(1);
  expect(stderr).toContain("boot_id cannot be read");
  expect(stderr).toContain("uuid cannot be read");
  expect(stderr).toContain("not complete. Do not format this card; call this again to go on.");
});
