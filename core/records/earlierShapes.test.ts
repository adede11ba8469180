import { inShapeNow } from "./earlierShapes";

test("sentences of the release before become codes that say them; a tick holds, for nothing that can be compared", () => {
  const at = "2027-05-11T08:00:00Z";
  const levels = { lines: [{ subject: "a", ticks: [{ device: "pack", holdsFor: "Sensitivity −12 dB", at }] }] };
  expect(inShapeNow("levels", levels)).toEqual({
    lines: [
      {
        subject: "a",
        ticks: [{ device: "pack", holdsFor: [{ control: "unknown", value: "Sensitivity −12 dB" }], at }],
      },
    ],
  });
  expect(inShapeNow("kitItem", { name: "x", figures: { settings: ["Set it so"] } })).toEqual({
    ...{ name: "x", figures: { settings: [{ code: "setting.asWritten", text: "Set it so" }] } },
  });
  const said = { sentence: "Good.", correction: "Leave it.", redress: "" };
  expect(inShapeNow("measurement", { grade: "good", ...said })).toEqual({ grade: "good", said });
  const finding = { kind: "rustle", message: "Cloth.", advice: "Fix it.", cause: "A tie." };
  expect(inShapeNow("takeDetail", { findings: [finding, { kind: "hum", message: "Hum.", advice: "Look." }] })).toEqual({
    findings: [
      {
        kind: "rustle",
        what: { code: "finding.asWritten", text: "Cloth." },
        advice: { code: "advice.asWritten", text: "Fix it." },
        cause: { code: "cause.asWritten", text: "A tie." },
      },
      {
        kind: "hum",
        what: { code: "finding.asWritten", text: "Hum." },
        advice: { code: "advice.asWritten", text: "Look." },
      },
    ],
  });
  expect(inShapeNow("place", { model: { echo: { remarks: ["Bent."] } } })).toEqual({
    model: { echo: { remarks: [{ code: "clap.asWritten", text: "Bent." }] } },
  });
});

test("a shoot of before the clock could be chosen tells its times in 24 hours", () => {
  expect(inShapeNow("shoot", { title: "Mill", days: 2 })).toEqual({ title: "Mill", days: 2, clock: "24" });
  const now = { title: "Mill", clock: "12" };
  expect(inShapeNow("shoot", now)).toBe(now);
  // A change of some fields is no whole shoot.
  const change = { days: 3 };
  expect(inShapeNow("shoot", change)).toBe(change);
});

test("what is of this release, or nothing at all, stays the same object", () => {
  const bodies = [
    { lines: [{ ticks: [{ device: "pack", holdsFor: [], at: "" }] }], findings: [{ kind: "hum" }], said: null },
    { figures: { settings: [{ code: "setting.external" }] }, model: { echo: null } },
    {},
  ];
  for (const kind of ["levels", "kitItem", "measurement", "takeDetail", "place", "scene"] as const)
    for (const body of bodies) expect(inShapeNow(kind, body)).toBe(body);
  for (const odd of [null, 3, "text", [1]]) expect(inShapeNow("levels", odd)).toBe(odd);
});

test("a match of before claps could be chosen was found by its sound", () => {
  expect(inShapeNow("match", { picture: "C01.mov", confidence: 1 })).toEqual({
    ...{ picture: "C01.mov", confidence: 1, by: "sound" },
  });
  expect(inShapeNow("match", { picture: "C01.mov", by: "clap" })).toEqual({ picture: "C01.mov", by: "clap" });
  // What is no whole body, such as a change of one field, stays what it is.
  expect(inShapeNow("match", { nudgeS: 0.04 })).toEqual({ nudgeS: 0.04 });
});
