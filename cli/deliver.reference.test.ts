import { spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

const tool = (name: string) => join(__dirname, "..", ".build", "cli", `${name}Tool.mjs`);
const folder = mkdtempSync(join(tmpdir(), "hypophon-deliver-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const run = (program: string, ...args: string[]) => spawnSync(program, args, { encoding: "utf8" });
const deliver = (...args: string[]) => run(process.execPath, tool("deliver"), ...args);
const cut = (...args: string[]) => run(process.execPath, tool("cut"), ...args);

const at = (name: string) => join(folder, name);
const [voice, two, poly, restart] = [at("voice.wav"), at("two.wav"), at("poly.wav"), at("restart.wav")];

beforeAll(() => {
  const say = (text: string, name: string, speaker = "en") =>
    run("espeak-ng", "-v", speaker, "-s", "150", "-w", at(name), text);
  say(
    "The mill stands on the quay by the water. It took us three winters to find the oak for the wheel. ".repeat(3),
    "a.wav",
  );
  say("We opened the gate at low tide, and the pond began to fill. ".repeat(5), "b.wav", "en+f3");
  run("sh", "-c", `sox -R "${at("a.wav")}" -r 48000 -b 24 "${at("a48.wav")}" gain -n -9 pad 1 1`);
  run(
    "sh",
    "-c",
    `sox -R "${at("a48.wav")}" -p synth pinknoise vol 0.001 | sox -R -m -v 1 "${at("a48.wav")}" -v 1 - -b 24 "${voice}"`,
  );
  run("sh", "-c", `sox -R "${at("b.wav")}" -r 48000 -b 24 "${at("b48.wav")}" gain -n -15 pad 1 1`);
  run("sox", "-M", voice, at("b48.wav"), two);
  run("sox", "-M", voice, at("b48.wav"), voice, poly);
  say("We open the", "r0.wav");
  say("We open the gate at low water", "r1.wav");
  say("and the wheel begins to turn", "r2.wav");
  const parts = ["r0", "r1", "r2"].map((name) => `|sox "${at(`${name}.wav`)}" -p pad 0 1.4`);
  run("sox", ...parts, "-r", "48000", "-b", "24", at("r.wav"), "pad", "1", "1");
  run(
    "sh",
    "-c",
    `sox -R "${at("r.wav")}" -p synth pinknoise vol 0.003 | sox -R -m -v 0.7 "${at("r.wav")}" -v 1 - -b 24 "${restart}"`,
  );
});

/** Integrated loudness and true peak as ffmpeg tells them (libebur128's method). */
function heard(path: string): { lufs: number; peak: number } {
  const { stderr } = run(
    "ffmpeg",
    "-hide_banner",
    "-nostdin",
    "-i",
    path,
    "-af",
    "ebur128=peak=true",
    "-f",
    "null",
    "-",
  );
  const summary = stderr.slice(stderr.lastIndexOf("Summary:"));
  return { lufs: Number(/I:\s+(\S+) LUFS/.exec(summary)![1]), peak: Number(/Peak:\s+(\S+) dBFS/.exec(summary)![1]) };
}

test.each([
  ["r128", [], -23, -1, 0.1],
  ["a85", [], -24, -2, 0.1],
  ["online", [], -16, -1, 0.3],
  ["r128", ["--lufs", "-19", "--peak", "-3"], -19, -3, 0.2],
] as const)(
  "a voice brought to %s %j is as loud as ffmpeg's ebur128 hears it, and no peak passes",
  (target, own, lufs, peak, near) => {
    const to = at(`${target}${own.length}.wav`);
    const { status, stderr } = deliver(voice, "--to", to, "--for", target, ...own);
    expect([status, stderr]).toEqual([0, ""]);
    const is = heard(to);
    expect(Math.abs(is.lufs - lufs)).toBeLessThan(near + 0.051);
    expect(is.peak).toBeLessThan(peak + 0.06);
    expect(run("soxi", "-s", to).stdout).toBe(run("soxi", "-s", voice).stdout);
  },
);

test("two tracks become one as sox mixes them", () => {
  const [to, theirs] = [at("mixed.wav"), at("theirs.wav")];
  const { stdout } = deliver(two, "--to", to, "--mix", "--lufs", "-30", "--bits", "32", "--json");
  const { gainDb } = JSON.parse(stdout) as { gainDb: number };
  run(
    "sox",
    "-D",
    two,
    "-e",
    "float",
    "-b",
    "32",
    theirs,
    "remix",
    "-m",
    `1v${10 ** (gainDb / 20)},2v${10 ** (gainDb / 20)}`,
  );
  const { stderr } = run("sox", "-D", "-m", "-v", "1", to, "-v", "-1", theirs, "-n", "stats");
  expect(Number(/Pk lev dB\s+(\S+)/.exec(stderr)![1])).toBeLessThan(-110);
});

test("tracks of one voice are brought together: sox has moved one, and a mix of them is louder for it", () => {
  const moved = at("moved.wav");
  run("sh", "-c", `sox -M "${voice}" "|sox '${voice}' -p pad 0.005 trim 0 vol -0.7" "${moved}" trim 0 15`);
  const told = (...args: string[]) =>
    JSON.parse(deliver(moved, "--mix", "--lufs", "-30", "--json", ...args).stdout) as {
      before: { integratedLufs: number };
      apart: { channel: number; lateS: number; isInverted: boolean }[];
    };
  const apart = told("--to", at("moved1.wav"));
  const together = told("--to", at("moved2.wav"), "--align");
  expect(apart.apart).toEqual([]);
  expect(together.apart.map(({ channel, isInverted }) => [channel, isInverted])).toEqual([[1, true]]);
  expect(Math.abs(together.apart[0]!.lateS - 0.005)).toBeLessThan(0.0001);
  // One and seven tenths of the same voice are 4.6 dB over it.
  expect(together.before.integratedLufs - apart.before.integratedLufs).toBeGreaterThan(2);
});

test.each([
  [[poly], "--mix makes one of them"],
  [[voice, "--tracks", "2"], "there is no track 2"],
  [[voice, "--lufs", "3"], "-60 to 0 LUFS"],
])("%j is refused in a line", (args, says) => {
  const { status, stderr } = deliver(...args, "--to", at("never.wav"));
  expect([status, stderr]).toEqual([2, expect.stringContaining(says)]);
  expect(existsSync(at("never.wav"))).toBe(false);
});

test("chosen tracks of a poly file are delivered by themselves", () => {
  const to = at("chosen.wav");
  expect(deliver(poly, "--to", to, "--tracks", "2,3").status).toBe(0);
  expect(run("soxi", "-c", to).stdout.trim()).toBe("2");
});

describe("a cut", () => {
  test("drops what is begun again, shortens pauses and is as long as it says; its lists say the same", () => {
    const [to, edl, otio, plan] = [at("cut.wav"), at("cut.edl"), at("cut.otio"), at("cut.json")];
    const { stdout, status } = cut(restart, "--to", to, "--list", edl, "--json");
    expect(status).toBe(0);
    const told = JSON.parse(stdout) as {
      wasS: number;
      isS: number;
      dropped: number;
      plan: { phrases: { why: string | null }[] };
    };
    expect(told.dropped).toBe(1);
    expect(told.plan.phrases[0]!.why).toBe("falseStart");
    expect(told.isS).toBeLessThan(told.wasS - 3);
    expect(Number(run("soxi", "-D", to).stdout)).toBeCloseTo(told.isS, 3);
    const events = [
      ...readFileSync(edl, "utf8").matchAll(/^\d{3} .* (\d\d:\d\d:\d\d:\d\d) (\d\d:\d\d:\d\d:\d\d)\r$/gm),
    ];
    const frame = (code: string) =>
      code.split(":").reduce((sum, part, place) => sum + Number(part) * [90_000, 1500, 25, 1][place]!, 0);
    // One after the other, from one o'clock on.
    events.slice(1).forEach(([, from], place) => expect(from).toBe(events[place]![2]));
    expect((frame(events.at(-1)![2]!) - 90_000) / 25).toBeCloseTo(told.isS, 1);
    expect(cut(restart, "--list", otio).status).toBe(0);
    const document = JSON.parse(readFileSync(otio, "utf8")) as {
      tracks: { children: { children: { source_range: { duration: { value: number; rate: number } } }[] }[] };
    };
    const clips = document.tracks.children[0]!.children.map(({ source_range }) => source_range.duration);
    expect(clips.reduce((sum, { value, rate }) => sum + value / rate, 0)).toBeCloseTo(told.isS, 4);
    // The plan comes back changed.
    expect(cut(restart, "--list", plan).status).toBe(0);
    const changed = readFileSync(plan, "utf8").replaceAll('"drop"', '"keep"');
    rmSync(plan);
    writeFileSync(plan, changed);
    const again = JSON.parse(cut(restart, "--plan", plan, "--pause", "as-is", "--json").stdout) as typeof told;
    expect(again.dropped).toBe(0);
    expect(again.isS).toBeGreaterThan(told.isS + 2);
  });

  test("nobody speaks in noise, and a list that is there is not written over", () => {
    run("sox", "-R", "-n", "-r", "48000", "-b", "24", at("noise.wav"), "synth", "6", "pinknoise", "vol", "0.05");
    expect(cut(at("noise.wav"), "--to", at("none.wav"))).toMatchObject({ status: 1, stdout: "Nobody speaks in it.\n" });
    const { status, stderr } = cut(restart, "--list", voice);
    expect([status, stderr]).toEqual([2, expect.stringContaining("is there already")]);
  });
});
