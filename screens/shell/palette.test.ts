import { DEMO_LOG } from "@/demo/log";
import { SLACK_WATER } from "@/demo/slackWater";
import { bundleOf } from "@/fixtures/testStore";
import { stored } from "@/fixtures/testShoot";
import { TERMS } from "@/messages";
import { paletteOf, type PaletteEntry } from "./palette";

const bundle = bundleOf(SLACK_WATER);
const [firstTalent] = bundle.wearers;
const focus = { wearerId: firstTalent!.id, sceneId: bundle.scenes[0]!.id };
const undo = { id: "undo", name: "Undo", says: "Ctrl+Z", run: jest.fn() };
const entries = paletteOf(bundle, focus, [undo]);
const of = (group: PaletteEntry["group"]) => entries.filter((entry) => entry.group === group);

test("everything of a shoot that has a name is there, once", () => {
  expect(of("Talent").map(({ name }) => name)).toEqual(bundle.wearers.map(({ body }) => body.name));
  expect(
    of("Scenes")
      .map(({ name }) => name)
      .sort(),
  ).toEqual(bundle.scenes.map(({ body }) => body.title).sort());
  expect(of("Places").map(({ name }) => name)).toEqual(bundle.places.map(({ body }) => body.name));
  expect(of("Go to").map(({ name }) => name)).toEqual(
    expect.arrayContaining(["Board", "Scout", "Pickup", "Dress", "Link", "Level", "Roll", "Check", "Hand over", "Kit"]),
  );
  const keys = entries.map(({ group, id }) => `${group} ${id}`);
  expect(new Set(keys).size).toBe(keys.length);
});

test("a station is opened for the talent and the scene that are worked on", () => {
  const level = of("Go to").find(({ name }) => name === "Level")!;
  const query = new URLSearchParams(level.href!.split("?")[1]);
  expect([query.get("wearer"), query.get("scene")]).toEqual([focus.wearerId, focus.sceneId]);
});

test("a talent says in which scene, and leads to Dress", () => {
  const [talent] = of("Talent");
  expect(talent!.says).toMatch(/^Day \d, \d\d:\d\d: /);
  expect(talent!.href).toContain(`/dress?wearer=${firstTalent!.id}`);
});

test("what is done has no address, and what is a term is only read", () => {
  const [done] = of("Do");
  done!.run!();
  expect(undo.run).toHaveBeenCalledTimes(1);
  expect(of("Terms")).toHaveLength(Object.keys(TERMS).length);
  expect(of("Terms").every(({ href, run, says }) => !href && !run && says.length > 20)).toBe(true);
});

test("takes of the log are found by slate, file name and note, and lead to Roll", () => {
  const [, { id, body }] = DEMO_LOG.rolls as [unknown, (typeof DEMO_LOG.rolls)[number]];
  const logged = { ...bundle, rolls: [stored<"roll">(id, { ...body, note: "gulls at the end" })] };
  const take = paletteOf(logged, focus, []).find((entry) => entry.id === `log ${id}`)!;
  expect(take.name).toBe(`Slate ${body.slate}, take ${body.take}`);
  expect(take.says).toMatch(/^Day 1, .+, gulls at the end$/);
  expect(take.href).toContain("/roll");
});

test("pages for paper are found by name", () => {
  const pages = of("Go to").map(({ name, href }) => [name, new URL(href!, "http://x").pathname.split("/").at(-1)]);
  expect(pages).toEqual(
    expect.arrayContaining([
      ["Sound report", "report"],
      ["Talent card", "card"],
      ["Settings cards", "settings"],
      ["Frequency cards", "frequencies"],
      ["Site sheet", "site"],
    ]),
  );
});

test("talent in no scene is found too", () => {
  const lone = { ...bundle, rigs: [] };
  expect(paletteOf(lone, focus, []).find(({ group }) => group === "Talent")!.says).toBe("in no scene");
});
