import fc from "fast-check";
import { type Input, INPUTS, type Source, SOURCES } from "../devices";
import { FAULT_IDS, withFaults } from "./faults";
import { diagnose } from "./finder";
import { genericSetup } from "./genericSetup";
import { heardMessage, hideFaults } from "./practice";
import { probeOf } from "./probes";
import { allRight, fromTheBag } from "./rehearsal";
import type { SignalPath } from "./signalPath";
import { symptomsOf } from "./symptoms";

const setupFor = (source: Source, input: Input): SignalPath => genericSetup(source, input)!;
const SOME = [
  setupFor(SOURCES.receiverBalanced, INPUTS.recorderXlr),
  setupFor(SOURCES.lavSelf, INPUTS.phone),
  setupFor(SOURCES.receiver, INPUTS.computerMic),
  setupFor(SOURCES.deskXlr, INPUTS.recorderSwitched),
  setupFor(SOURCES.receiverBalanced, INPUTS.streamMixer),
];
/** Draws given one after the other, then the middle. */
const from = (draws: readonly number[]) => {
  let at = 0;
  return () => draws[at++] ?? 0.5;
};

describe("hidden faults", () => {
  test("are noticed, and no two draws of the same make another (property)", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SOME),
        fc.integer({ min: 1, max: 2 }),
        fc.array(fc.double({ min: 0, max: 0.999, noNaN: true }), { maxLength: 20 }),
        (setup, count, draws) => {
          const hidden = hideFaults(setup, count, from(draws));
          expect(symptomsOf(setup, hidden).length).toBeGreaterThan(0);
          expect(hidden).not.toEqual(allRight(setup));
          expect(hideFaults(setup, count, from(draws))).toEqual(hidden);
        },
      ),
      { numRuns: 60 },
    );
  });

  test("one of them is what the finder finds by looking (property)", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SOME),
        fc.array(fc.double({ min: 0, max: 0.999, noNaN: true }), { maxLength: 20 }),
        (setup, draws) => {
          const hidden = hideFaults(setup, 1, from(draws));
          const which = FAULT_IDS.filter((id) => JSON.stringify(withFaults(setup, [id])) === JSON.stringify(hidden));
          expect(which).toHaveLength(1);
          const [symptom] = symptomsOf(setup, hidden);
          let story = { symptom: symptom!, answers: {}, skipped: [] as never[], ruledOut: [] };
          for (let asked = 0; asked < 12; asked += 1) {
            const { causes, next } = diagnose(setup, story);
            if (next === null) {
              expect(causes[0]).toEqual(which);
              return;
            }
            story = { ...story, answers: { ...story.answers, [next]: probeOf(next).answer(setup, hidden)! } };
          }
          throw new Error("asked without an end");
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe("what is heard", () => {
  const [radio, phone] = SOME;

  test("the mic, the device's own, somebody else, nothing, a buzz, distorted", () => {
    const says = (setup: SignalPath, ...ids: Parameters<typeof withFaults>[1]) =>
      heardMessage(setup, withFaults(setup, ids)!, "line");
    expect(heardMessage(radio!, allRight(radio!), "line")).toMatchObject({ code: "heard.sound", from: "mic" });
    expect(heardMessage(radio!, allRight(radio!), "silence")).toMatchObject({ code: "heard.nothing" });
    expect(says(phone!, "wrongAdapter")).toMatchObject({ code: "heard.sound", from: "device" });
    expect(says(radio!, "twoOnOne")).toMatchObject({ code: "heard.sound", from: "strangers" });
    expect(says(radio!, "muted")).toMatchObject({ code: "heard.nothing" });
    expect(says(radio!, "phantomOn")).toMatchObject({ code: "heard.buzz" });
    expect(says(radio!, "sensitivityHigh")).toMatchObject({ code: "heard.sound", from: "mic", isClipped: true });
    expect(heardMessage(radio!, fromTheBag(radio!), "line")).toMatchObject({ code: "heard.nothing" });
  });
});
