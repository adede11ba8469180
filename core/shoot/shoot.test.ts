import { GENERIC_DEVICES } from "../chain/devices";
import type { PlaceModel } from "../room/place";
import { boardOf, worstRisk } from "./board";
import { chainOf, planRig } from "./planRig";
import type { MeasurementBody, RecordBodies, RecordKind, RigBody, ShootBundle, Stored } from "./records";

const stored = <Kind extends RecordKind>(
  id: string,
  body: RecordBodies[Kind],
  changedAt = "2027-05-11T09:00:00Z",
): Stored<Kind> => ({
  id,
  version: 1,
  changedAt,
  body,
});

const ROOM: PlaceModel = {
  setting: "room",
  lengthM: 5,
  widthM: 4,
  heightM: 2.5,
  floor: "carpetOnPad",
  ceiling: "gypsum",
  walls: "gypsum",
  otherWall: "mediumCurtain",
  otherWallM2: 8,
  noiseNc: 20,
  windMps: 0,
};

const RIG: RigBody = {
  shootId: "s",
  wearerId: "w",
  sceneId: "c",
  performance: {
    faces: "camera",
    action: "sitting",
    shot: "medium",
    mayBeSeen: true,
    softest: "soft",
    loudest: "raised",
  },
  siteId: null,
  isRigged: false,
  consent: "notAsked",
  lavId: null,
  packId: null,
  receiverId: null,
  inputId: null,
  isSet: false,
  targetDbfs: -12,
  ceilingDbfs: -6,
};

const PROOF: MeasurementBody = {
  shootId: "s",
  rigId: "r",
  channel: 0,
  recording: {
    file: "a.wav",
    format: { container: "WAV", sampleRateHz: 48000, bitsPerSample: 24, encoding: "pcm", channels: 1, durationS: 5 },
    overall: { samplePeakDbfs: -12, truePeakDbtp: -12, integratedLufs: -25, loudnessRangeLu: null },
    channels: [],
    findings: [],
  },
  planned: { peakDbfs: -12, speechDbfs: -27, noiseDbfs: -60, snrDb: 33 },
  grade: "good",
  sentence: "Good.",
  correction: "Leave the levels as they are.",
};

function bundle(
  rig: Partial<RigBody> = {},
  proofs: Stored<"measurement">[] = [],
  own: Partial<ShootBundle> = {},
): ShootBundle {
  return {
    shoot: stored<"shoot">("s", {
      title: "T",
      firstDay: "2027-05-11",
      days: 1,
      units: "metric",
      frameRate: 25,
      delivery: "picture",
      sampleRateHz: 48000,
      bitsPerSample: 24,
    }),
    places: [stored<"place">("p", { shootId: "s", name: "Room", model: ROOM })],
    scenes: [stored<"scene">("c", { shootId: "s", title: "One", placeId: "p" })],
    wearers: [
      stored<"wearer">("w", {
        shootId: "s",
        name: "W",
        heightM: 1.75,
        voiceOffsetDb: 0,
        thread: 0,
        outfit: {
          layers: [{ garment: "shirt", fabric: "cotton", fit: "fitted", opening: "closed", pattern: "plain" }],
          accessories: [],
        },
      }),
    ],
    rigs: [stored<"rig">("r", { ...RIG, ...rig })],
    kit: [],
    measurements: proofs,
    ...own,
  };
}

const stitchesOf = (each: ShootBundle) => boardOf(each)[0]!.stitches;
const proofAt = (grade: MeasurementBody["grade"], changedAt: string) =>
  stored<"measurement">(changedAt, { ...PROOF, grade, sentence: `It is ${grade}.` }, changedAt);

describe("stitches", () => {
  test("nothing chosen is loose, chosen is basted, rigged is sewn", () => {
    expect(stitchesOf(bundle()).dress).toBe("loose");
    expect(stitchesOf(bundle({ siteId: "placketEdge" }))).toMatchObject({
      dress: "basted",
      level: "basted",
      check: "loose",
    });
    expect(stitchesOf(bundle({ siteId: "placketEdge", isRigged: true, consent: "yes" })).dress).toBe("sewn");
  });

  test("a place that the outfit no longer has is unpicked, and so is a no", () => {
    expect(stitchesOf(bundle({ siteId: "tieKnot" })).dress).toBe("unpicked");
    expect(stitchesOf(bundle({ siteId: "placketEdge", consent: "no" })).dress).toBe("unpicked");
  });

  test("the newest recording decides Level and Check", () => {
    const rig = { siteId: "placketEdge" as const };
    const bad = proofAt("redo", "2027-05-11T10:00:00Z");
    const good = proofAt("good", "2027-05-11T11:00:00Z");
    expect(stitchesOf(bundle(rig, [bad]))).toMatchObject({ level: "unpicked", check: "unpicked" });
    expect(stitchesOf(bundle(rig, [good, bad]))).toMatchObject({ level: "sewn", check: "sewn" });
    expect(stitchesOf(bundle(rig, [proofAt("usable", "2027-05-11T12:00:00Z"), bad])).check).toBe("sewn");
  });

  test("Scout is basted only where the scene has a place", () => {
    expect(stitchesOf(bundle()).scout).toBe("basted");
    const homeless = bundle({}, [], { scenes: [stored<"scene">("c", { shootId: "s", title: "One", placeId: null })] });
    expect(stitchesOf(homeless).scout).toBe("loose");
  });
});

describe("risks", () => {
  test("a recording to redo is the worst of the day and says what to do", () => {
    const rows = boardOf(bundle({ siteId: "placketEdge" }, [proofAt("redo", "2027-05-11T10:00:00Z")]));
    expect(worstRisk(rows)).toMatchObject({
      station: "check",
      says: "It is redo.",
      doThis: "Leave the levels as they are.",
    });
  });

  test("permission not asked is named once a place is chosen, a refusal before anything planned", () => {
    const says = (rig: Partial<RigBody>) =>
      boardOf(bundle(rig))[0]!
        .risks.map((risk) => risk.says)
        .join(" ");
    expect(says({ siteId: "placketEdge" })).toContain("Permission not asked");
    expect(worstRisk(boardOf(bundle({ siteId: "placketEdge", consent: "no" })))!.says).toContain("Said no");
  });

  test("an empty board has no risk", () => {
    expect(worstRisk(boardOf(bundle({}, [], { wearers: [] })))).toBeNull();
  });
});

describe("planRig follows one line from outfit to file", () => {
  const wearer = bundle().wearers[0]!.body;
  const place = bundle().places[0]!.body;

  test("without a choice the best place is planned, with one that place", () => {
    const open = planRig(wearer, RIG, place, []);
    expect(open.isChosen).toBe(false);
    expect(open.candidate!.site.id).toBe(open.dress.candidates[0]!.site.id);
    const chosen = planRig(wearer, { ...RIG, siteId: "collarLeft" }, place, []);
    expect(chosen.candidate!.site.id).toBe("collarLeft");
    expect(chosen.sound!.normalDb).toBeGreaterThan(open.sound!.normalDb);
  });

  test("a louder scene turns the pack down", () => {
    const soft = planRig(wearer, RIG, place, []).gain!;
    const shouted = planRig(wearer, { ...RIG, performance: { ...RIG.performance, loudest: "shout" } }, place, []).gain!;
    expect(shouted.settings.sensitivityDb).toBeLessThan(soft.settings.sensitivityDb);
    expect(shouted.peakDbfs).toBeGreaterThan(-13.01);
  });

  test("a noisier place is less voice over noise; wind counts in the open alone", () => {
    const loudPlace = { ...place, model: { ...ROOM, noiseNc: 50 as const } };
    expect(planRig(wearer, RIG, loudPlace, []).gain!.snrDb).toBeLessThan(
      planRig(wearer, RIG, place, []).gain!.snrDb - 15,
    );
    const windy = { ...place, model: { ...ROOM, windMps: 9 } };
    expect(planRig(wearer, RIG, windy, []).candidate!.wind.step).toBe(0);
    const quay = { ...place, model: { ...ROOM, setting: "open" as const, windMps: 9 } };
    const winds = planRig(wearer, RIG, quay, []).dress.candidates.map((candidate) => candidate.wind.step);
    expect(Math.max(...winds)).toBeGreaterThan(1);
  });

  test("all-soft and all-loud scenes take their own effort for the usual voice", () => {
    const whispered = {
      ...RIG,
      performance: { ...RIG.performance, softest: "whisper" as const, loudest: "soft" as const },
    };
    const shouted = {
      ...RIG,
      performance: { ...RIG.performance, softest: "loud" as const, loudest: "shout" as const },
    };
    const quiet = planRig(wearer, whispered, place, []).sound!;
    expect(quiet.normalDb).toBe(quiet.loudestDb);
    const loud = planRig(wearer, shouted, place, []).sound!;
    expect(loud.normalDb).toBe(loud.softestDb);
  });

  test("the kit's own figures win over the generic ones, the chosen device over the first", () => {
    const [lav] = GENERIC_DEVICES.filter((device) => device.kind === "lav");
    const kit = [1, 2].map((number) =>
      stored<"kitItem">(`lav-${number}`, {
        kind: "lav",
        name: `lav ${number}`,
        figures: { ...(lav!.figures as object), sensitivityMvPerPa: number } as RecordBodies["kitItem"]["figures"],
      }),
    );
    expect(chainOf(kit, RIG).lav.sensitivityMvPerPa).toBe(1);
    expect(chainOf(kit, { ...RIG, lavId: "lav-2" }).lav.sensitivityMvPerPa).toBe(2);
    expect(chainOf([], RIG).lav.sensitivityMvPerPa).toBe(6);
  });
});
