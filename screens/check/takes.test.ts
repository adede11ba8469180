import { findingWords, say } from "@/messages";
import type { ChannelMeasurement, Finding, FindingKind, RecordingMeasurement } from "@/core/check";
import { BANDS_HZ } from "@/core/audio";
import {
  channelOfTake,
  directOverEchoDb,
  distanceByFallM,
  expectedBrightDb,
  expectedFallDbPerS,
  findingsAgainstPlan,
  judgeTake,
} from "@/core/proof";
import { LIVING_ROOM } from "@/core/room";
import { overallDb } from "@/core/sound";
import { audioFileOf, emptyShoot, newScene, type PlaceBody, type ShootBundle } from "@/core/records";
import {
  expectedTake,
  keptTake,
  levelsOfRig,
  measurementOf,
  newRig,
  placeOfRig,
  planRig,
  takeRecord,
} from "@/core/planning";
import { noiseFromTake } from "./noiseFromTake";
import { rigOfFile } from "./takeOwner";
import { stored, TEST_SHOOT, testWearer } from "@/fixtures/testShoot";

const HASH = `xxh128:${"0".repeat(32)}`;
/** A file whose content nobody has hashed. */
const UNREAD = { hash: null, sizeBytes: null };

/** A hall of stone: much more echo than the room. */
const HALL: PlaceBody["model"] = {
  ...LIVING_ROOM,
  lengthM: 14,
  widthM: 9,
  heightM: 5,
  floor: "concrete",
  ceiling: "plaster",
  walls: "concrete",
  patches: [],
};

const rig = (wearerId: string, sceneId: string) => ({
  ...newRig({ shootId: "s", wearerId, sceneId }),
  choice: { site: "placket", surface: "outside", layer: 0, mount: "clip", port: "up" } as const,
});

function bundleWith(model: PlaceBody["model"] = LIVING_ROOM, own: Partial<ShootBundle> = {}): ShootBundle {
  return {
    ...emptyShoot(stored<"shoot">("s", TEST_SHOOT)),
    places: [stored<"place">("p", { shootId: "s", name: "The hall", model })],
    scenes: [
      stored<"scene">("c", newScene("s", { placeId: "p", day: 1, startsAt: "09:00" })),
      stored<"scene">("d", newScene("s", { placeId: "p", day: 1, startsAt: "14:00" })),
    ],
    wearers: [
      stored<"wearer">("w", testWearer("Inès, engineer", { voice: "light" })),
      stored<"wearer">("v", testWearer("Tam, miller", { voice: "deep" })),
    ],
    rigs: [stored<"rig">("r", rig("w", "c")), stored<"rig">("q", rig("v", "c")), stored<"rig">("r2", rig("w", "d"))],
    ...own,
  };
}

/** What the plan of the first rig expects, with a colour of speech that fits it. */
function setting(bundle = bundleWith()) {
  const subject = levelsOfRig(bundle, "r")!;
  const expected = expectedTake(bundle, subject)!;
  const { plan } = expected;
  const bright = expectedBrightDb(expected.dressed!.candidate.colourDb);
  // Flat in the middle; the four highs share what the place leaves of them.
  const inMiddle = BANDS_HZ.filter((hz) => hz >= 400 && hz <= 1600).length;
  const inHighs = BANDS_HZ.filter((hz) => hz >= 2500 && hz <= 6300).length;
  const colour = (brighterDb: number) =>
    BANDS_HZ.map((hz) =>
      hz >= 2500 && hz <= 6300
        ? bright + brighterDb - 10 * Math.log10(inHighs)
        : hz >= 400 && hz <= 1600
          ? -10 * Math.log10(inMiddle)
          : -30,
    );
  const channel = (own: Partial<ChannelMeasurement> = {}): ChannelMeasurement => ({
    index: 0,
    samplePeakDbfs: plan.peakDbfs,
    truePeakDbtp: plan.peakDbfs,
    integratedLufs: -28,
    rmsDbfs: -27,
    speechLevelDbfs: plan.speechDbfs,
    noiseFloorDbfs: plan.noiseDbfs,
    snrDb: plan.snrDb,
    dcOffset: 0,
    clippedRuns: 0,
    decayDbPerS: 380,
    colourDb: colour(0),
    pitchHz: 220,
    counts: {},
    ...own,
  });
  const recording = (channels: ChannelMeasurement[], findings: Finding[] = []): RecordingMeasurement => ({
    file: "D1_S01_T01_Ines.wav",
    format: {
      container: "WAV",
      sampleRateHz: 48000,
      bitsPerSample: 24,
      encoding: "pcm",
      channels: channels.length,
      durationS: 180,
    },
    overall: { samplePeakDbfs: -12, truePeakDbtp: -12, integratedLufs: -28, loudnessRangeLu: 3 },
    channels,
    findings,
  });
  return { bundle, subject, expected, channel, colour, recording };
}

const finding = (kind: FindingKind, own: Partial<Finding> = {}): Finding => ({
  kind,
  severity: "warning",
  channel: 0,
  startS: 4,
  endS: 5,
  confidence: 0.9,
  ...own,
});

const kindsOf = (findings: readonly Finding[]) => findings.map(({ kind }) => kind);

describe("how phrases should die away", () => {
  test("close by at the voice's own pace, far off at the room's, by diffuse-field theory", () => {
    expect(expectedFallDbPerS(1.5, 30)).toBeCloseTo(400, 6);
    expect(expectedFallDbPerS(1.5, -10)).toBeCloseTo(60 / 1.5, 6);
    // Half of the 12 dB at 400 dB/s, half at 60 dB/s.
    expect(expectedFallDbPerS(1, 11)).toBeCloseTo(12 / (6 / 400 + 6 / 60), 6);
    expect(expectedFallDbPerS(0.1, 0)).toBe(400);
  });

  test("the distance comes back from the fall it makes", () => {
    for (const distanceM of [0.25, 0.4, 0.55]) {
      const fall = expectedFallDbPerS(1.2, directOverEchoDb(distanceM, 1.4));
      expect(distanceByFallM(fall, 1.2, 1.4)).toBeCloseTo(distanceM, 6);
    }
    expect(distanceByFallM(40, 1.2, 1.4)).toBe(Infinity);
  });
});

describe("a take against its plan", () => {
  test("as planned, nothing is added", () => {
    const { expected, channel, recording } = setting();
    expect(findingsAgainstPlan(expected, recording([channel()]), 0)).toEqual([]);
  });

  test.each([
    [{ sampleRateHz: 44100 }, "warning", { sampleRateHz: 44100, bits: 24, agreedHz: 48000, agreedBits: 24 }],
    [{ bitsPerSample: 16 }, "warning", { bits: 16 }],
    [{ bitsPerSample: 32, encoding: "float" }, "note", { bits: 32 }],
    [{ bitsPerSample: null, encoding: "decoded" }, "warning", { isLossy: true }],
  ] as const)("a format that was not agreed is told: %o", (format, severity, what) => {
    const { expected, channel, recording } = setting();
    const take = recording([channel()]);
    const [found] = findingsAgainstPlan(expected, { ...take, format: { ...take.format, ...format } }, 0);
    expect(found).toMatchObject({ kind: "wrongFormat", severity, channel: null });
    expect(found!.what).toMatchObject({ code: "finding.otherFormat", ...what });
  });

  test("duller than the place lets expect is muffled; as dull as planned is only noted", () => {
    const { expected, channel, colour, recording } = setting();
    const dull = recording([channel({ colourDb: colour(-10) })]);
    expect(findingsAgainstPlan(expected, dull, 0)).toMatchObject([{ kind: "muffled", severity: "warning" }]);
    const under = { ...expected.dressed!.candidate, colourDb: [0, 0, 0, 0, -10, -22, -24] as const };
    const covered = { ...expected, dressed: { ...expected.dressed!, candidate: under } };
    const shift = expectedBrightDb(under.colourDb) - expectedBrightDb(expected.dressed!.candidate.colourDb);
    const asPlanned = recording([channel({ colourDb: colour(shift) })], [finding("muffled")]);
    expect(findingsAgainstPlan(covered, asPlanned, 0)).toMatchObject([{ kind: "muffled", severity: "note" }]);
    // Far brighter than its cover allows and much noisier: another microphone.
    const open = recording([channel({ colourDb: colour(0), snrDb: expected.plan.snrDb - 15 })]);
    expect(kindsOf(findingsAgainstPlan(covered, open, 0))).toContain("ownMicrophone");
  });

  test("a strong room is as forecast, or farther than planned, or longer than Scout has it", () => {
    const near = setting(bundleWith(HALL));
    const { reverberationS, criticalDistanceM } = near.expected.room!;
    const { distanceM } = near.expected.dressed!.candidate.sound;
    const roomy = (decayDbPerS: number) =>
      findingsAgainstPlan(near.expected, near.recording([near.channel({ decayDbPerS })], [finding("roomy")]), 0).find(
        ({ kind }) => kind === "roomy",
      )!.what?.code;
    const asForecast = expectedFallDbPerS(reverberationS!, directOverEchoDb(distanceM, criticalDistanceM!));
    expect(roomy(asForecast)).toBe("finding.roomAsForecast");
    expect(roomy(Math.min(asForecast * 0.5, (60 / reverberationS!) * 1.05))).toBe("finding.moreRoom");
    expect(roomy((60 / reverberationS!) * 0.4)).toBe("finding.longerReverberation");
  });

  test("the device's own microphone is suspected by echo and noise together, by neither alone", () => {
    const { expected, channel, recording } = setting(bundleWith(HALL));
    const slow = (60 / expected.room!.reverberationS!) * 1.02;
    const noisy = expected.plan.snrDb - 14;
    const found = (own: Partial<ChannelMeasurement>) =>
      kindsOf(findingsAgainstPlan(expected, recording([channel(own)]), 0));
    expect(found({ decayDbPerS: slow, snrDb: noisy })).toContain("ownMicrophone");
    expect(found({ snrDb: noisy })).not.toContain("ownMicrophone");
    expect(found({ decayDbPerS: slow })).not.toContain("ownMicrophone");
  });

  test("crossed tracks are told by pitch, the right way round is not", () => {
    const { expected, channel, recording } = setting();
    expect(expected.tracks.map(({ name }) => name)).toEqual(["Inès, engineer", "Tam, miller"]);
    const two = (first: number, second: number) =>
      recording([channel({ pitchHz: first }), channel({ index: 1, pitchHz: second })]);
    const [found] = findingsAgainstPlan(expected, two(105, 230), 0);
    expect(found).toMatchObject({ kind: "swapped", severity: "fault", otherChannel: 1 });
    expect(found!.what).toMatchObject({ holds: "Tam, miller", wanted: "Inès, engineer" });
    expect(findingsAgainstPlan(expected, two(230, 105), 0)).toEqual([]);
    expect(findingsAgainstPlan(expected, two(230, 225), 0)).toEqual([]);
    expect(channelOfTake(expected, two(105, 230))).toBe(0);
  });

  test("each finding names what is likeliest in this chain", () => {
    const { expected, channel, recording } = setting();
    const kinds = ["clipped", "rustle", "dropout", "hum", "plosive", "silent", "noisy", "pumping"] as const;
    const found = findingsAgainstPlan(
      expected,
      recording(
        [channel()],
        kinds.map((kind) => finding(kind)),
      ),
      0,
    );
    const causeOf = (kind: FindingKind) => found.find((each) => each.kind === kind)!.cause;
    expect(causeOf("clipped")).toMatchObject({ code: "cause.louderThanPlanned" });
    expect(causeOf("plosive")).toMatchObject({ code: "cause.nearMouth" });
    expect(causeOf("dropout")).toMatchObject({ code: "cause.dropout" });
    expect(causeOf("hum")!.code).toMatch(/alanced/);
    expect(causeOf("silent")).toBeDefined();
    expect(["cause.placeNoise", "cause.deviceNoise"]).toContain(causeOf("noisy")!.code);
    for (const each of found) expect(Object.values(findingWords(each)).join("").length).toBeLessThanOrEqual(800);
  });
});

describe("what a take leads to", () => {
  const rustly = (count: number) =>
    Array.from({ length: count }, (_, index) => finding("rustle", { startS: index * 9 }));

  test("rustle sends the microphone to another place of the plan, with how often it was", () => {
    const { subject, expected, channel, recording } = setting();
    const take = recording([channel({ counts: { rustle: 14 } })], rustly(14));
    const { redress, verdict } = judgeTake(subject.levels!, expected, take, 0, []);
    expect(verdict.grade).toBe("usable");
    expect(redress).toMatchObject({ kind: "rustle", times: 14 });
    expect(say({ code: "proof.redress", ...redress! })).toMatch(
      /^Rustle, 14 times in 3 min: .+\. Use place \d+ instead: .+\.$/,
    );
    expect(redress!.siteId).not.toBe(expected.dressed!.candidate.site.id);
  });

  test("what is dismissed neither counts nor sends anybody anywhere", () => {
    const { subject, expected, channel, recording } = setting();
    const take = recording([channel({ counts: { rustle: 14 } })], rustly(14));
    const dismissed = { kind: "rustle", channel: 0, startS: null, decision: "dismissed", note: "a flag" } as const;
    const judged = judgeTake(subject.levels!, expected, take, 0, [dismissed]);
    expect(judged.verdict.grade).toBe("good");
    expect(judged.redress).toBeNull();
    expect(judged.findings).toHaveLength(14);
  });

  test("it is kept with findings as judged and found again by what the file holds, by name and length without its hash", () => {
    const { bundle, subject, expected, channel, recording } = setting();
    const take = recording([channel(), channel({ index: 1 })], [finding("hum"), finding("hum", { channel: 1 })]);
    const judged = judgeTake(subject.levels!, expected, take, 0, []);
    const { summary, detail } = takeRecord({ shootId: "s", rigId: "r" }, take, UNREAD, expected.plan, judged, []);
    expect(detail.findings.map(({ channel: on, cause }) => [on, cause !== undefined])).toEqual([
      [0, true],
      [1, false],
    ]);
    expect(measurementOf(summary, detail)).toMatchObject({
      file: take.file,
      format: take.format,
      overall: take.overall,
    });
    const kept = { ...bundle, measurements: [stored<"measurement">("m", summary)] };
    const file = audioFileOf(take, UNREAD);
    expect(keptTake(kept, "r", file)?.id).toBe("m");
    expect(keptTake(kept, "q", file)).toBeNull();
    expect(keptTake(kept, "r", { ...file, format: { ...file.format, durationS: 9 } })).toBeNull();
    const read = { ...file, hash: HASH, sizeBytes: 9 };
    const known = { ...bundle, measurements: [stored<"measurement">("m", { ...summary, file: read })] };
    expect(keptTake(known, "r", { ...read, name: "renamed.wav" })?.id).toBe("m");
    // A recorder that counts anew gives the next card the same names.
    expect(keptTake(known, "r", { ...read, hash: HASH.replace("0", "1") })).toBeNull();
    expect(keptTake(known, "r", { ...read, timeReference: 1 })).toBeNull();
  });

  test("64 tracks full of findings are kept in less than the server takes at once", () => {
    const { subject, expected, channel, recording } = setting();
    const course = Array.from({ length: 360 }, (_, index) => ({
      startS: index * 10.123456789,
      speechDbfs: -26.123456789,
      noiseDbfs: -61.123456789,
      rustles: 3,
      dropouts: 2,
    }));
    const tracks = Array.from({ length: 64 }, (_, index) => channel({ index, course }));
    const found = Array.from({ length: 2000 }, (_, index) =>
      finding("rustle", {
        channel: index % 2,
        startS: index,
        what: { code: "finding.asWritten", text: "m".repeat(300) },
      }),
    );
    const take = recording(tracks, found);
    const judged = judgeTake(subject.levels!, expected, take, 0, []);
    const { summary, detail } = takeRecord({ shootId: "s", rigId: "r" }, take, UNREAD, expected.plan, judged, []);
    expect(JSON.stringify(detail).length).toBeLessThan(1_000_000);
    expect(JSON.stringify(summary).length).toBeLessThan(2_000);
    expect(detail.channels[0]!.course).toHaveLength(360);
    expect(detail.channels).toHaveLength(64);
  });

  test("an earlier good take teaches the wearer's pitch", () => {
    const { bundle, subject, expected, channel, recording } = setting();
    const take = recording([channel({ pitchHz: 187 })]);
    const { summary } = takeRecord(
      { shootId: "s", rigId: "r" },
      take,
      UNREAD,
      expected.plan,
      judgeTake(subject.levels!, expected, take, 0, []),
      [],
    );
    const after = { ...bundle, measurements: [stored<"measurement">("m", summary)] };
    expect(expectedTake(after, levelsOfRig(after, "r")!)!.tracks[0]).toMatchObject({ pitchHz: 187 });
  });

  test("noise as planned comes back as the place's own; the devices' noise says nothing of it", () => {
    const { bundle, subject, channel } = setting();
    const place = placeOfRig(bundle, bundle.rigs[0]!.body)!;
    const {
      candidate,
      place: forecast,
      sound,
    } = planRig(bundle.wearers[0]!.body, bundle.rigs[0]!.body, place.body, bundle.kit);
    const gainDb = subject.plan!.speechDbfs - overallDb(sound!.voicesDb[sound!.usual]);
    const heard = sound!.noiseDb.map((level) => level + gainDb + 20);
    const tone = noiseFromTake("t.wav", 60, channel({ noiseOctavesDbfs: heard }), subject, candidate!)!;
    tone.octavesDb.forEach((level, band) => expect(level).toBeCloseTo(forecast!.noiseOctavesDb[band]! + 20, 0));
    expect(tone.isCalibrated).toBe(true);
    const off = channel({ noiseOctavesDbfs: heard, samplePeakDbfs: -30, truePeakDbtp: -30 });
    expect(noiseFromTake("t.wav", 60, off, subject, candidate!)!.isCalibrated).toBe(false);
    expect(
      noiseFromTake("t.wav", 60, channel({ noiseOctavesDbfs: Array(7).fill(-140) }), subject, candidate!),
    ).toBeNull();
  });
});

describe("whose a file is", () => {
  const bundle = bundleWith();
  test.each([
    ["card/D1_S01_T03_Inès-engineer.wav", "r"],
    ["D1_S02_T01_engineer.wav", "r2"],
    ["d1-s1-t1 miller.WAV", "q"],
    ["D1_S02_W01_engineer.wav", "r2"],
    ["D1_S02_RT01_engineer.wav", "r2"],
    ["D1_S02_X01_engineer.wav", null],
    ["D1_S02_T01_Tam.wav", null],
    ["D2_S01_T01_Tam.wav", null],
    ["D1_S01_T01.wav", null],
    ["D1_S01_T01_Tam_Inès.wav", null],
    ["Tam.wav", null],
    ["../../etc/passwd", null],
  ] as const)("%s", (path, rigId) => {
    expect(rigOfFile(bundle, path)?.id ?? null).toBe(rigId);
  });
});
