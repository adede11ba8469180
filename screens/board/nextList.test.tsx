/** @jest-environment jsdom */
import { cleanup, render, screen } from "@testing-library/react";
import type { Risk } from "@/core/board";
import { stored, testWearer } from "@/fixtures/testShoot";
import { NextList } from "./NextList";

const talent = ["ada", "bo", "cy", "di", "eve"].map((id) => stored<"wearer">(id, testWearer(id)));
const risk = (wearerId: string, weight: number, says: Risk["says"], rest: Partial<Risk> = {}): Risk => ({
  ...{ station: "dress", wearerId, sceneId: "scene", weight, says },
  ...rest,
});
const show = (risks: readonly Risk[], isPlanning = false) =>
  render(<NextList shootId="s" risks={risks} talent={talent} isPlanning={isPlanning} />);
const texts = () => screen.getAllByRole("listitem").map(({ textContent }) => textContent);

afterEach(cleanup);

test("at most five things to do, the worst first, each leading to its station, talent and scene", () => {
  show([
    ...["ada", "bo", "cy", "di", "eve"].map((id, at) =>
      risk(id, 1 + at / 10, { code: "board.littleOverNoise", snrDb: 10 + at }, { station: "level" }),
    ),
    risk("ada", 3, { code: "board.saidNo" }),
  ]);
  expect(texts()).toHaveLength(5);
  expect(texts()[0]).toContain("Said no to the microphone");
  const [first] = screen.getAllByRole("link");
  expect(first!.getAttribute("href")).toBe("/shoots/s/dress?wearer=ada&scene=scene");
});

test("what several people need is one thing, with three of their names", () => {
  show(talent.map(({ id }) => risk(id, 1.5, { code: "board.notAsked" })));
  expect(texts()).toEqual([expect.stringContaining("ada, bo, cy and 2 more")]);
});

test("how far each control goes is said in a line", () => {
  const turns = [{ knob: "gain" as const, device: "recorder", control: "Gain", byDb: -6, to: "+3 dB" }];
  show([
    risk(
      "ada",
      3,
      { code: "proof.verdict", worst: "clipped" },
      { station: "check", doThis: { code: "proof.turns", turns } },
    ),
  ]);
  expect(texts()[0]).toContain("Recorder gain down 6 dB.");
});

test("nothing to do says so; while it is planned it says that", () => {
  show([], true);
  expect(screen.getByText("Planning…")).toBeTruthy();
  cleanup();
  show([]);
  expect(screen.getByText("Nothing is open: everything is planned and verified.")).toBeTruthy();
});
