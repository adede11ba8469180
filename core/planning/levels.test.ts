import { genericFigures, INPUTS } from "../devices";
import { ownLike } from "../connect";
import { FIRST_WISHES, type MicrophoneId, type PlacedMic, type Talker } from "../pickup";
import { fits } from "../schema";
import { BY_LEAD, FIRST_AIR_PLAN } from "../wireless";
import { newLink } from "./airScene";
import { boardOf } from "../board";
import { HOUSE } from "./connections";
import { capsuleCures } from "./cures";
import { emptyShoot, LevelsBody, newScene, type ShootBundle } from "../records";
import { levelsBodyOf, withLine } from "./levelLines";
import { levelsOf, levelsOfRig, settingOf, type LevelSubject } from "./levels";
import { newRig } from "./newRig";
import { withVoiceToday } from "./voiceToday";
import { stored, TEST_SHOOT, testWearer } from "../../fixtures/testShoot";

const connected = (linkId: string, sourceId: string, inputId: string) =>
  stored<"connection">(linkId, { shootId: "s", linkId, sourceId, inputId, steps: [], rehearsal: null, range: null });

/** Ada on a radio, Ben by lead, a desk, a hand mic for the phone; what is placed in the scene is given. */
function bundle(own: Partial<ShootBundle> = {}): ShootBundle {
  const names = ["Ada", "Ben"];
  return {
    ...emptyShoot(stored<"shoot">("s", TEST_SHOOT)),
    scenes: [stored<"scene">("one", newScene("s"))],
    wearers: names.map((name) => stored<"wearer">(name, testWearer(name))),
    rigs: names.map((name) => stored<"rig">(`rig-${name}`, newRig({ shootId: "s", wearerId: name, sceneId: "one" }))),
    airs: [
      stored<"air">("a", {
        shootId: "s",
        ...FIRST_AIR_PLAN,
        scan: null,
        links: [
          newLink({ id: "Ada", wearerId: "Ada", name: "Ada", frequencyMHz: 521 }),
          newLink({ id: "Ben", wearerId: "Ben", name: "Ben", systemId: BY_LEAD }),
          newLink({ id: "desk", name: "House desk", systemId: BY_LEAD }),
          newLink({ id: "hand", name: "Hand mic", systemId: BY_LEAD }),
        ],
      }),
    ],
    connections: [connected("desk", "deskXlr", "recorderLine"), connected("hand", "micDynamic", "phoneData")],
    ...own,
  };
}

const TALKER: Talker = {
  id: "t",
  name: "Cyd",
  wearerId: null,
  at: { xM: 2, yM: 2 },
  mouthM: 1.2,
  facesDeg: 0,
  turnsDeg: 0,
  effort: "normal",
  path: [],
  isInstrument: false,
};
const placing = (microphone: MicrophoneId, talker: Partial<Talker> = {}) => {
  const mic: PlacedMic = {
    id: "mic",
    microphone,
    pattern: "cardioid",
    holder: "stand",
    at: { xM: 2, yM: 2.4 },
    heightM: 1.2,
    aimsDeg: 180,
    tiltDeg: 0,
    hasScreen: false,
    handsM: null,
  };
  const setup = { talkers: [{ ...TALKER, ...talker }], mics: [mic] };
  return stored<"pickup">("p", { shootId: "s", sceneId: "one", setup, wishes: FIRST_WISHES });
};
const of = (shoot: ShootBundle, id: string): LevelSubject => levelsOf(shoot).find((each) => each.id === id)!;
const controlsOf = ({ holdsFor }: LevelSubject["cards"][number]) => holdsFor.map(({ control }) => control);
const knobsOf = (subject: LevelSubject) => subject.plan!.knobs.map(({ id }) => id);

describe("every way of a shoot", () => {
  test("worn by radio and by lead, placed, from a desk, through an interface into a phone: each has its settings", () => {
    const shoot = bundle({ pickups: [placing("standCardioid")] });
    expect(levelsOf(shoot).map(({ id, kind }) => [kind, id.startsWith("one|") ? "mic" : id])).toEqual([
      ["worn", "rig-Ada"],
      ["worn", "rig-Ben"],
      ["placed", "mic"],
      ["feed", "desk"],
      ["feed", "hand"],
    ]);
    expect(knobsOf(of(shoot, "rig-Ada"))).toEqual(["sensitivity", "output", "gain"]);
    expect(knobsOf(of(shoot, "rig-Ben"))).toEqual(["gain"]);
    expect(levelsOf(shoot)[2]!.source!.id).toBe("micPhantom");
    const box = of(shoot, "hand").cards.find(({ device }) => device === "recorder as audio interface, XLR to USB")!;
    expect(controlsOf(box)).toEqual(expect.arrayContaining(["gain", "setting.phantomOff"]));
    for (const { plan, refusal } of levelsOf(shoot)) {
      expect(refusal).toBeNull();
      expect(plan!.isClean).toBe(true);
    }
  });

  test("a mic on phantom power is told so, a lavalier and a desk the opposite; a desk only through its technician", () => {
    const shoot = bundle({ pickups: [placing("standCardioid")] });
    const set = (subject: LevelSubject) => subject.cards.flatMap(controlsOf);
    expect(set(levelsOf(shoot)[2]!)).toContain("setting.phantomOn");
    expect(set(of(shoot, "rig-Ada"))).not.toContain("setting.phantomOn");
    expect(of(shoot, "desk").cards.find(({ deviceId }) => deviceId === "deskXlr")!.isFeed).toBe(true);
    expect(set(of(shoot, "rig-Ada"))).toContain("habit.automaticLevelOff");
    expect(of(shoot, "rig-Ada").cards[0]!.holdsFor).toContainEqual({ control: "frequency", value: "521.000" });
  });

  test("a recorder's own pair has no lead and no socket; an instrument is as loud as it is set", () => {
    const shoot = bundle({ pickups: [placing("recorderPair", { isInstrument: true, effort: "loud" })] });
    const pair = levelsOf(shoot).find(({ kind }) => kind === "placed")!;
    expect(pair.source).toBeNull();
    expect(pair.plan!.stages.map(({ id }) => id)).toEqual(["capsule", "outlet", "file"]);
    expect(pair.plan!.loudest).toBe("loud");
    expect(pair.levels!.sound.usual).toBe("loud");
  });

  test("a desk into a mic input is refused with the number of dB, until somebody has the pad it needs", () => {
    const desk = (kit: ShootBundle["kit"]) =>
      of(bundle({ connections: [connected("desk", "deskXlr", "recorderXlr")], kit }), "desk");
    // +18 dBu into −6 dBu that the recorder's socket takes: worked by hand.
    expect(desk([]).warning).toMatchObject({
      ...{ code: "levels.needsPads", overDb: 24, device: "recorder, XLR mic input" },
    });
    const pads = [10, 20, 40].map((db) =>
      stored<"kitItem">(`k${db}`, {
        shootId: null,
        kind: "stock",
        name: "pad",
        figures: { of: `pad-xlr-${db}`, count: 1 },
      }),
    );
    expect(desk(pads).warning).toBeNull();
    expect(desk(pads).plan!.isClean).toBe(true);
  });

  test("a condenser into an input without phantom power gets a box for it, to be switched on; another figure of its own counts", () => {
    const line = (own: object) => stored<"levels">("l", withLine(levelsBodyOf(bundle()), "one|mic", own));
    const placed = (own: object) =>
      levelsOf(bundle({ pickups: [placing("standCardioid")], levels: [line(own)] })).find(
        ({ kind }) => kind === "placed",
      )!;
    const box = placed({ inputId: "recorderLine" }).cards.find(({ device }) => device === "phantom power box")!;
    expect(controlsOf(box)).toContain("setting.phantomOn");
    const usual = placed({});
    const hot = placed({ mic: { sensitivityMvPerPa: 70, selfNoiseDba: 16, maxSplDb: 135 } });
    expect(hot.levels!.way.mic!.isTypical).toBe(false);
    // Five times as sensitive: 14 dB less gain.
    expect(usual.plan!.knobs[0]!.valueDb - hot.plan!.knobs[0]!.valueDb).toBeCloseTo(14, 6);
  });

  test("what is recorded nowhere has nothing to set, and says so", () => {
    const shoot = bundle({ connections: [connected("Ada", "receiver", "none")] });
    expect(of(shoot, "rig-Ada")).toMatchObject({ plan: null, refusal: { code: "levels.recordedBeside" } });
    expect(boardOf(shoot)[0]!.stitches.level).toBe("loose");
  });

  test("a desk of unknown outlet is planned for its loudest", () => {
    const shoot = bundle({ connections: [connected("desk", HOUSE, "recorderLine")] });
    expect(of(shoot, "desk").source!.id).toBe("deskXlr");
  });

  test("an own input of which only the socket is known gives a range; with its data sheet a figure", () => {
    const mine = (levels?: object) => {
      const item = ownLike("socket", { ...INPUTS.streamMixer, ...levels });
      return bundle({
        kit: [stored<"kitItem">("mine", item)],
        connections: [connected("Ada", "receiverBalanced", "mine")],
      });
    };
    const gain = (shoot: ShootBundle) => of(shoot, "rig-Ada").plan!.knobs.find(({ id }) => id === "gain")!;
    expect(gain(mine()).says).toContain(" to ");
    const sheet = { fullScaleDbu: 6, gainMaxDb: 50, gainStepDb: 2, einDbu: -125, converterRangeDb: 110 };
    expect(gain(mine({ levels: sheet })).says).not.toContain(" to ");
    expect(gain(mine({ levels: sheet })).valueDb % 2).toBe(0);
  });
});

describe("what is set", () => {
  const body = levelsBodyOf(bundle());
  const withBody = (own: LevelsBody) => bundle({ levels: [stored<"levels">("l", own)] });
  const ticked = (subject: LevelSubject) =>
    subject.cards.map(({ deviceId, holdsFor }) => ({ device: deviceId, holdsFor, at: "2027-05-11T08:00:00Z" }));

  test("a tick holds for what was set: when the settings change it is stale, and the board says so", () => {
    const ada = of(bundle(), "rig-Ada");
    const set = withBody(withLine(body, "rig-Ada", { ticks: ticked(ada) }));
    expect(settingOf(of(set, "rig-Ada"))).toBe("set");
    expect(fits(LevelsBody, { ...set.levels[0]!.body, shootId: crypto.randomUUID() })).toBe(true);
    const some = withBody(withLine(body, "rig-Ada", { ticks: ticked(ada).slice(1) }));
    expect(settingOf(of(some, "rig-Ada"))).toBe("some");
    const louder = {
      ...set,
      rigs: set.rigs.map((rig) => ({
        ...rig,
        body: { ...rig.body, choice: null, performance: { ...rig.body.performance, loudest: "shout" as const } },
      })),
    };
    expect(settingOf(of(louder, "rig-Ada"))).toBe("stale");
    expect(boardOf(louder)[0]!.risks.map(({ says }) => says)).toContainEqual({ code: "board.settingsChanged" });
  });

  test("a knob that is held stays in the plan and on the card; a value that the device has not is left out", () => {
    const held = (valueDb: number) =>
      of(withBody(withLine(body, "rig-Ada", { held: [{ stage: "receiver", valueDb }] })), "rig-Ada").plan!.knobs[1]!;
    expect(held(-12)).toMatchObject({ valueDb: -12, isHeld: true });
    expect(held(-12.4).isHeld).toBe(false);
  });

  test("a school holds for the whole shoot; own figures for each", () => {
    const school = { ...body, school: "threeQuarters" as const, meterBottomDbfs: -60 };
    expect(of(withBody(school), "rig-Ada").targets.targetDbfs).toBe(-15);
    const own = withLine(body, "desk", { targets: { targetDbfs: -18, ceilingDbfs: -9 } });
    expect(of(withBody(own), "desk").targets.targetDbfs).toBe(-18);
    expect(of(withBody(own), "rig-Ada").targets.targetDbfs).toBe(-12);
  });

  test("a voice measured louder on the day turns the early knobs down, and Dress knows it too", () => {
    const louder = bundle();
    const [first, ...others] = louder.rigs;
    const today = { ...louder, rigs: [{ ...first!, body: { ...first!.body, voiceTodayDb: 18 } }, ...others] };
    const before = levelsOfRig(bundle(), "rig-Ada")!.plan!;
    const after = levelsOfRig(today, "rig-Ada")!.plan!;
    expect(after.stages[0]!.peak - before.stages[0]!.peak).toBeCloseTo(18, 6);
    const total = (plan: typeof before) => plan.knobs.reduce((sum, { valueDb }) => sum + valueDb, 0);
    expect(total(before) - total(after)).toBeGreaterThan(16);
    expect(after.isClean).toBe(true);
  });
});

describe("what is learned and cured", () => {
  test("a measured voice holds for the wearer's whole day, adds up, and stays within reason", () => {
    const scenes = ["one", "two", "three"].map((id, index) =>
      stored<"scene">(id, newScene("s", { day: index < 2 ? 1 : 2 })),
    );
    const rigs = scenes.map(({ id }) =>
      stored<"rig">(`rig-${id}`, newRig({ shootId: "s", wearerId: "Ada", sceneId: id }, { voiceTodayDb: 2 })),
    );
    const changed = withVoiceToday(bundle({ scenes, rigs }), "rig-one", 3.04);
    expect(changed.map(({ id, body }) => [id, body.voiceTodayDb])).toEqual([
      ["rig-one", 5],
      ["rig-two", 5],
    ]);
    expect(withVoiceToday(bundle({ scenes, rigs }), "rig-one", 500)[0]!.body.voiceTodayDb).toBe(40);
    expect(withVoiceToday(bundle(), "nobody", 3)).toEqual([]);
  });

  test("an overload at the pack is cured by the capsule of the kit that is just insensitive enough, and by no other", () => {
    const lav = (id: string, sensitivityMvPerPa: number) => {
      const figures = { ...genericFigures("lav"), sensitivityMvPerPa, maxSplDb: 150 };
      return stored<"kitItem">(id, { shootId: null, kind: "lav", name: id, figures });
    };
    const pack = stored<"kitItem">("pack", {
      shootId: null,
      kind: "pack",
      name: "pack",
      figures: { ...genericFigures("pack"), fullInputDbv: -70 },
    });
    const kit = [lav("hot", 20), lav("mild", 4), lav("low", 0.3), lav("lowest", 0.1), pack];
    const shoot = bundle({ kit });
    const [first, ...others] = shoot.rigs;
    const performance = { ...first!.body.performance, loudest: "shout" as const };
    const loud = { ...shoot, rigs: [{ ...first!, body: { ...first!.body, performance } }, ...others] };
    const ada = of(loud, "rig-Ada");
    expect(ada.plan!.isClean).toBe(false);
    expect(capsuleCures(loud, ada).map(({ lavId }) => lavId)).toEqual(["low", "lowest"]);
    expect(capsuleCures(loud, ada)[0]!.lessDb).toBeCloseTo(20 * Math.log10(20 / 0.3), 6);
    expect(capsuleCures(loud, of(loud, "rig-Ben"))).toEqual([]);
  });
});
