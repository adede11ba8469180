import type { HistoryChange } from "@/core/crew";
import { bundleOf } from "@/fixtures/testStore";
import { SLACK_WATER } from "@/demo/slackWater";
import { changeWords, whatWords, whoWords } from "./historyWords";

const bundle = bundleOf(SLACK_WATER);
const rig = bundle.rigs[0]!;
const change = (own: Partial<HistoryChange>): HistoryChange => ({
  ...{ id: 1, subject: "take", recordId: "x", at: "2027-05-11T07:40:00Z", member: "p1", name: "Asta" },
  ...{ before: null, after: null },
  ...own,
});

test("who did it is named by their account; without one it is said what they are", () => {
  expect(
    [
      { member: "p1", name: "Asta" },
      { member: "talent", name: null },
      { member: "local", name: null },
      { member: "gone", name: null },
    ].map(whoWords),
  ).toEqual(["Asta", "The talent, by their link", "Somebody at this machine", "Somebody who has left"]);
});

test("what was changed is called as it is on the other pages", () => {
  const take = { slate: "12A", take: 3, type: "take" };
  expect(whatWords(change({ after: take }), bundle)).toBe("Slate 12A, take 3");
  expect(whatWords(change({ before: take }), bundle)).toBe("Slate 12A, take 3");
  expect(whatWords(change({ after: { file: "T01.wav" } }), bundle)).toBe("Measured: T01.wav");
  const wearer = bundle.wearers.find(({ id }) => id === rig.body.wearerId)!;
  const consent = whatWords(change({ subject: "consent", recordId: rig.id }), bundle);
  expect(consent.startsWith(`Consent of ${wearer.body.name}, `)).toBe(true);
  expect(whatWords(change({ subject: "consent" }), bundle)).toBe("Consent of somebody who was removed");
  expect(whatWords(change({ subject: "verification" }), bundle)).toBe("Verified on a device");
});

test("how it changed names the fields that did, and no others", () => {
  const was = { slate: "1", take: 1, rating: "none", lengthS: null, files: [] };
  expect(changeWords({ before: was, after: { ...was, rating: "good", lengthS: 64 } })).toBe(
    "rating: Not rated to Good, length: nothing to 1:04",
  );
  expect(changeWords({ before: was, after: null })).toBe("removed");
  expect(changeWords({ before: null, after: { answer: "yes", askedBy: "Ines" } })).toBe(
    "added: answer yes, asked by Ines",
  );
  // Its name, and when it was, stand in other columns; what is empty need not be told.
  const added = { ...was, startedAt: "2027-05-11T07:40:00Z", fileName: "D1_S1_T01", note: "" };
  expect(changeWords({ before: null, after: added })).toBe("added: file name D1_S1_T01");
  expect(changeWords({ before: null, after: was })).toBe("added");
  expect(changeWords({ before: [{ ticks: [] }], after: [{ ticks: [{}] }] })).toBe("ticks of the settings card");
});

test.each([null, 7, "text", [1], { files: null }, { rating: { odd: true } }, { answer: "maybe" }])(
  "whatever an older release wrote is said (%j)",
  (odd) => {
    const said = [changeWords({ before: null, after: odd }), whatWords(change({ after: odd }), bundle)];
    for (const each of said) expect(each).not.toMatch(/undefined|\[object/);
  },
);
