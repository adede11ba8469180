import type { Finding } from "../check";
import type { MarkBody, TakeDetailBody } from "../records";
import { stored } from "../../fixtures/testShoot";
import { measuredMoments } from "./measuredMoments";

const finding = (kind: Finding["kind"], startS: number, own: Partial<Finding> = {}): Finding => ({
  ...{ kind, channel: 0, startS, endS: startS + 0.2, severity: "warning", confidence: 1 },
  ...own,
});
const detail = (findings: Finding[], noise: (number | null)[] = []): TakeDetailBody =>
  ({
    findings,
    channels: [
      {
        course: noise.map((noiseDbfs, at) => ({
          startS: at * 10,
          speechDbfs: -25,
          noiseDbfs,
          rustles: 0,
          dropouts: 0,
        })),
      },
    ],
  }) as unknown as TakeDetailBody;
const file = (name: string, lengthS: number) => ({ name, lengthS, hash: null, isSure: true });
const mark = (id: string, atS: number) =>
  stored<"mark">(id, { shootId: "s", rollId: "r", atS, kind: "aircraft" } as MarkBody);

test("findings stand at their moments; the same again within two seconds is one; notes and what is all through are none", () => {
  const { moments } = measuredMoments(
    [file("a.wav", 60)],
    new Map([
      [
        "a.wav",
        detail([
          finding("rustle", 43),
          finding("rustle", 44.5, { severity: "fault" }),
          finding("rustle", 50),
          finding("plosive", 3),
          finding("hum", 0, { endS: 60 }),
          finding("breath", 5, { severity: "note" }),
        ]),
      ],
    ]),
    [],
  );
  expect(moments).toEqual([
    { atS: 3, kind: "plosive", isFault: false, times: 1 },
    { atS: 43, kind: "rustle", isFault: true, times: 2 },
    { atS: 50, kind: "rustle", isFault: false, times: 1 },
  ]);
});

test("parts that the recorder split count on; one that was not measured leaves a gap", () => {
  const details = new Map([["c.wav", detail([finding("clipped", 2)])]]);
  const files = [file("a.wav", 30), file("b.wav", 30), file("c.wav", 30)];
  expect(measuredMoments(files, details, []).moments).toEqual([{ atS: 62, kind: "clipped", isFault: false, times: 1 }]);
});

test("where an aircraft was noted the noise is up by so much against the rest of the take; elsewhere it is not", () => {
  // Pauses at −60 dBFS, and at −51 in the ten seconds of the aircraft.
  const details = new Map([["a.wav", detail([], [-60, -61, -60, -59, -51, -60])]]);
  const { noiseUpDb } = measuredMoments([file("a.wav", 60)], details, [mark("loud", 41), mark("quiet", 12)]);
  expect([...noiseUpDb]).toEqual([["loud", 9]]);
});

test("a take too short for a second stretch, without pauses, or without anything measured tells no rise", () => {
  for (const noise of [[], [-50], [null, -60], [-50, null]]) {
    const details = new Map([["a.wav", detail([], noise)]]);
    expect(measuredMoments([file("a.wav", 20)], details, [mark("m", 5)]).noiseUpDb.size).toBe(0);
  }
  expect(measuredMoments([], new Map(), [mark("m", 5)])).toEqual({ moments: [], noiseUpDb: new Map() });
});

test("in a take that was split a mark is heard in its own part", () => {
  const details = new Map([
    ["a.wav", detail([], [-60, -60])],
    ["b.wav", detail([], [-60, -48, -60])],
  ]);
  const { noiseUpDb } = measuredMoments([file("a.wav", 20), file("b.wav", 30)], details, [mark("m", 35)]);
  expect([...noiseUpDb]).toEqual([["m", 12]]);
});
