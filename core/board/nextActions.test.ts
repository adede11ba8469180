import type { Risk } from "./board";
import { nextActions } from "./nextActions";

const risk = (wearerId: string, weight: number, says: Risk["says"], rest: Partial<Risk> = {}): Risk => ({
  ...{ station: "dress", wearerId, sceneId: "scene", weight, says },
  ...rest,
});
const ASK: Risk["says"] = { code: "board.notAsked" };
const WIND: Risk["says"] = { code: "board.wind" };

test("the worst comes first, whoever it is", () => {
  const actions = nextActions([
    risk("a", 0.5, { code: "board.nothingChecked" }),
    risk("b", 3, { code: "board.saidNo" }),
    risk("c", 2, WIND),
  ]);
  expect(actions.map(({ says }) => says.code)).toEqual(["board.saidNo", "board.wind", "board.nothingChecked"]);
});

test("what several people need in the same words is one action for all of them, in their order", () => {
  const [first, ...rest] = nextActions([
    risk("a", 1.5, ASK),
    risk("b", 1.5, ASK, { sceneId: "other" }),
    risk("c", 1, WIND),
    risk("d", 1.5, ASK),
  ]);
  expect(first).toEqual({
    ...{ station: "dress", weight: 1.5, says: ASK },
    concerns: [
      { wearerId: "a", sceneId: "scene" },
      { wearerId: "b", sceneId: "other" },
      { wearerId: "d", sceneId: "scene" },
    ],
  });
  expect(rest).toHaveLength(1);
});

test("the same words at another station, with other figures or another remedy are another action", () => {
  const little = (snrDb: number): Risk["says"] => ({ code: "board.littleOverNoise", snrDb });
  expect(
    nextActions([
      risk("a", 1.7, little(12)),
      risk("b", 1.7, little(13)),
      risk("c", 1.7, little(12), { station: "level" }),
      risk("d", 1.7, little(12), { doThis: ASK }),
    ]),
  ).toHaveLength(4);
});

test("no more than five are told, nor more than are wanted", () => {
  const many = Array.from({ length: 9 }, (_, at) =>
    risk(String(at), at / 3, { code: "board.littleOverNoise", snrDb: at }),
  );
  expect(nextActions(many)).toHaveLength(5);
  expect(nextActions(many, 2).map(({ weight }) => weight)).toEqual([8 / 3, 7 / 3]);
  expect(nextActions([])).toEqual([]);
});
