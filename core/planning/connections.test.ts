import { GENERIC_DEVICES, INPUTS, KIT_SCHEMAS, type KitKind, PARTS, SOURCES } from "../devices";
import { ownLike } from "../connect";
import { doStep, fromTheBag, signatureOf, stepMessages } from "../rehearsal";
import { LIVING_ROOM } from "../room";
import { fits, schemaFaults } from "../schema";
import { type AirLink, BY_LEAD, FIRST_AIR_PLAN } from "../wireless";
import { newLink } from "./airScene";
import { boardOf } from "../board";
import {
  connectionBodyOf,
  connectionsOf,
  EARS,
  HOUSE,
  levelInputOf,
  NO_INPUT,
  pairingOf,
  usualRangeOf,
  type Connection,
} from "./connections";
import { ConnectionBody, emptyShoot, type KitItemBody, newScene, type ShootBundle, type StepDone } from "../records";
import { newRig } from "./newRig";
import { needsOf, packingBodyOf, packingState, toGet, withPacked } from "./packing";
import { stored, TEST_SHOOT, testWearer } from "../../fixtures/testShoot";

const kit = (kind: KitKind, figures: object, id: string, name = "Mine") =>
  stored<"kitItem">(id, { shootId: null, kind, name, figures: figures as KitItemBody["figures"] });
const stock = (of: string, count: number) => kit("stock", { of, count }, `stock-${of}`, of);

/** Ada and Ben at nine, Cyd an hour later, all tuned; a desk by lead. */
function bundle(own: Partial<ShootBundle> = {}, links: readonly AirLink[] = []): ShootBundle {
  const names = ["Ada", "Ben", "Cyd"];
  return {
    ...emptyShoot(stored<"shoot">("s", TEST_SHOOT)),
    scenes: [
      stored<"scene">("one", newScene("s", { startsAt: "09:00" })),
      stored<"scene">("two", newScene("s", { startsAt: "10:00" })),
    ],
    wearers: names.map((name) => stored<"wearer">(name, testWearer(name))),
    rigs: names.map((name) =>
      stored<"rig">(name, newRig({ shootId: "s", wearerId: name, sceneId: name === "Cyd" ? "two" : "one" })),
    ),
    airs: [
      stored<"air">("a", {
        shootId: "s",
        ...FIRST_AIR_PLAN,
        scan: null,
        links: [
          ...names.map((name, index) => newLink({ id: name, wearerId: name, name, frequencyMHz: 520 + index })),
          newLink({ id: "desk", name: "House desk", systemId: BY_LEAD }),
          ...links,
        ],
      }),
    ],
    ...own,
  };
}

const of = (each: ShootBundle, id: string): Connection =>
  connectionsOf(each).connections.find(({ link }) => link.id === id)!;
const connected = (linkId: string, sourceId: string, inputId: string, steps: StepDone[] = []) =>
  stored<"connection">(`c-${linkId}`, { shootId: "s", linkId, sourceId, inputId, steps, rehearsal: null, range: null });

describe("connections of a shoot", () => {
  test("wearers' receivers go into what Level's input is, with Level's settings; a desk by every lead; ears nowhere", () => {
    const shoot = bundle({}, [newLink({ id: "ears", name: "Ears" })]);
    const ada = of(shoot, "Ada");
    expect(ada.ways[0]!.source.id).toBe("receiver");
    expect(ada.input!.id).toBe("recorder35");
    const plan = boardOf(shoot)[0]!.levels!.plan!;
    const knob = (id: string) => plan.knobs.find((each) => each.id === id)!.valueDb;
    const level = { sensitivityDb: knob("sensitivity"), outputDb: knob("output"), gainDb: knob("gain") };
    expect(ada.setup!.right).toMatchObject(level);
    expect(stepMessages(ada.setup!, "line")).toContainEqual(
      expect.objectContaining({ code: "walk.radioLevels", sensitivityDb: level.sensitivityDb }),
    );
    const desk = of(shoot, "desk");
    expect([desk.sourceId, desk.ways.length]).toEqual([HOUSE, 3]);
    expect(of(shoot, "ears")).toMatchObject({ inputId: EARS, setup: null, steps: [] });
    expect(fits(ConnectionBody, { ...connectionBodyOf(shoot, ada), shootId: crypto.randomUUID() })).toBe(true);
  });

  test("own devices are taken as they are; one that was thrown away falls back on a generic one", () => {
    const figures = { ...SOURCES.receiver, loudestDbu: 4 } as Record<string, unknown>;
    delete figures["id"];
    delete figures["name"];
    const shoot = bundle({
      kit: [kit("source", figures, "my-rx", "My receiver")],
      connections: [connected("Ada", "my-rx", "recorderXlr")],
    });
    expect(of(shoot, "Ada").ways[0]!.source).toMatchObject({ name: "My receiver", loudestDbu: 4 });
    expect(of({ ...shoot, kit: [] }, "Ada").ways[0]!.source.id).toBe("receiver");
    expect(of(bundle({ connections: [connected("Ada", "receiver", NO_INPUT)] }), "Ada").setup).toBeNull();
  });

  test("steps on the real devices sew the link; another frequency afterwards unpicks it and names what to do again", () => {
    const ada = of(bundle(), "Ada");
    const steps = ada.steps.map((step): StepDone => ({
      step,
      how: "real",
      at: "2027-05-11T08:00:00Z",
      holdsFor: signatureOf(ada.setup!, step),
    }));
    const proved = bundle({ connections: [connected("Ada", ada.sourceId, ada.inputId, steps)] });
    expect(pairingOf(of(proved, "Ada"))).toBe("proved");
    expect(boardOf(proved)[0]!.stitches.link).toBe("sewn");
    const rehearsed = steps.map((each) => ({ ...each, how: "rehearsed" as const }));
    const elsewhere = rehearsed.map((each) => ({ ...each, holdsFor: "something else" }));
    expect(
      pairingOf(of(bundle({ connections: [connected("Ada", ada.sourceId, ada.inputId, elsewhere)] }), "Ada")),
    ).toBe("open");
    const otherFormat = { ...proved, shoot: { ...proved.shoot, body: { ...TEST_SHOOT, bitsPerSample: 16 as const } } };
    expect(of(otherFormat, "Ada").stale).toEqual(["arm"]);
    expect(
      pairingOf(of(bundle({ connections: [connected("Ada", ada.sourceId, ada.inputId, rehearsed)] }), "Ada")),
    ).toBe("open");
    const air = proved.airs[0]!;
    const moved = {
      ...proved,
      airs: [
        {
          ...air,
          body: {
            ...air.body,
            links: air.body.links.map((link) => (link.id === "Ada" ? { ...link, frequencyMHz: 524 } : link)),
          },
        },
      ],
    };
    expect(of(moved, "Ada").stale).toEqual(["bank", "sync", "confirm", "tap", "line"]);
    const [row] = boardOf(moved);
    expect(row!.stitches.link).toBe("unpicked");
    expect(row!.risks.map(({ says }) => says)).toContainEqual({
      ...{ code: "board.changedSincePaired", steps: ["bank", "sync", "confirm", "tap", "line"] },
    });
  });

  test("a lead that is silently wrong is the board's risk, a missing one too", () => {
    const bad = boardOf(bundle({ connections: [connected("Ada", "deskXlr", "phone")] }))[0]!;
    expect(bad.risks.some(({ station }) => station === "link")).toBe(true);
    const missing = boardOf(bundle())[0]!.risks.map(({ says }) => says);
    expect(missing).toContainEqual({ code: "board.notInKit", names: ["3.5 mm TRS cable"] });
    expect(boardOf(bundle({ kit: [stock("trs35-trs35", 3)] }))[0]!.risks.map(({ says }) => says.code)).not.toContain(
      "board.notInKit",
    );
  });

  test("a link reaches from corner to corner of its place until somebody says otherwise", () => {
    const shoot = bundle();
    const { link } = of(shoot, "Ada");
    expect(usualRangeOf(shoot, link)).toEqual({ distanceM: 20, bodies: "one", wallsDb: 0, across: null });
    const model = { ...LIVING_ROOM, lengthM: 8, widthM: 6 };
    const placed = {
      ...shoot,
      places: [stored<"place">("p", { shootId: "s", name: "Barn", model })],
      scenes: shoot.scenes.map((scene) => ({ ...scene, body: { ...scene.body, placeId: "p" } })),
    };
    // 6, 8, 10: a right triangle.
    expect(usualRangeOf(placed, link)).toMatchObject({ distanceM: 10, across: "Barn" });
    expect(usualRangeOf(placed, of(shoot, "desk").link).distanceM).toBe(20);
  });

  test("settings of an own device beyond the generic ranges are rehearsed and stored all the same", () => {
    const pack = GENERIC_DEVICES.find(({ kind }) => kind === "pack")!;
    const strong = { ...pack.figures, fullInputDbv: 10, sensitivityMinDb: 20, sensitivityMaxDb: 48 };
    const shoot = bundle({ kit: [kit("pack", strong, "pack")] });
    const { setup } = of(shoot, "Ada");
    expect(setup!.right.sensitivityDb).toBeGreaterThan(0);
    const rehearsal = doStep(setup!, doStep(setup!, fromTheBag(setup!), "reset"), "line");
    const body = { ...connectionBodyOf(shoot, of(shoot, "Ada")), shootId: crypto.randomUUID(), rehearsal };
    expect(schemaFaults(ConnectionBody, body)).toEqual([]);
  });

  test("what is rehearsed is kept as it stands", () => {
    const { setup } = of(bundle(), "Ada");
    const rehearsal = doStep(setup!, fromTheBag(setup!), "reset");
    const body = {
      shootId: crypto.randomUUID(),
      linkId: "Ada",
      sourceId: "receiver",
      inputId: "recorder35",
      steps: [],
      rehearsal,
      range: null,
    };
    expect(fits(ConnectionBody, JSON.parse(JSON.stringify(body)))).toBe(true);
    expect(fits(ConnectionBody, { ...body, rehearsal: { ...rehearsal, smoke: true } })).toBe(false);
  });
});

describe("the bag", () => {
  const needs = (shoot: ShootBundle, day: number | null = 1) =>
    needsOf(shoot, connectionsOf(shoot), FIRST_AIR_PLAN.systems, day);

  test("most at one time, with a spare for every four, against what is owned; worked by hand", () => {
    const shoot = bundle({
      kit: [stock("trs35-trs35", 1), stock("system:uhf-tuned", 5), kit("extra", { count: 2 }, "tape", "Cloth tape")],
    });
    const byKey = new Map(needs(shoot).map((need) => [need.key, need]));
    // Ada and Ben at nine, Cyd alone at ten: two at once, one spare, one owned.
    expect(byKey.get("trs35-trs35")).toMatchObject({
      needed: 2,
      spare: 1,
      owned: 1,
      missing: 2,
      forWhom: ["Ada", "Ben", "Cyd"],
    });
    expect(toGet(byKey.get("trs35-trs35")!)).toMatchObject({ missing: 2, spares: 1, how: "buy" });
    expect(byKey.get("system:uhf-tuned")).toMatchObject({ needed: 2, spare: 1, owned: 5, missing: 0 });
    expect(byKey.get("lav")).toMatchObject({ needed: 2, spare: 1 });
    for (const outlet of ["xlr-trs635", "trs635-trs635", "rca-635"])
      expect(byKey.get(outlet)).toMatchObject({ needed: 1, spare: 1 });
    expect(byKey.get("extra:tape")).toMatchObject({ name: "Cloth tape", needed: 2, missing: 0 });
    expect(toGet({ ...byKey.get("lav")!, missing: 1 })).toMatchObject({ missing: 1, spares: 1, how: "hire" });
  });

  test("a day without scenes needs only what is always on", () => {
    expect(needs(bundle(), 7).filter(({ group }) => group === "radio")).toEqual([]);
    expect(needs(bundle(), 7).some(({ key }) => key === "rca-635")).toBe(true);
    expect(packingState([])).toEqual({ code: "packing.nothing" });
  });

  test("what is packed is remembered by its key, more needed later shows, and what is still out is named", () => {
    const body = withPacked(withPacked(packingBodyOf(bundle()), "lav", { packed: 3 }), "rca-635", { packed: 2 });
    const shoot = bundle({ packings: [stored<"packing">("p", body)] });
    const packed = needs(shoot);
    expect(packed.find(({ key }) => key === "lav")).toMatchObject({ packed: 3, isBack: false });
    expect(packingState(packed)).toMatchObject({ code: "packing.open" });
    const back = withPacked(body, "lav", { isBack: true });
    expect(packingState(needs(bundle({ packings: [stored<"packing">("p", back)] })))).toEqual({
      ...{ code: "packing.stillOut", names: ["RCA to 6.35 mm cable"] },
    });
    expect(withPacked(body, "lav", { packed: 0 }).lines.map(({ key }) => key)).toEqual(["rca-635"]);
  });

  test("an own device begins as a copy that fits its kind", () => {
    expect(fits(KIT_SCHEMAS.source, ownLike("source", SOURCES.receiver).figures)).toBe(true);
    expect(fits(KIT_SCHEMAS.socket, ownLike("socket", INPUTS.phone).figures)).toBe(true);
    for (const part of PARTS) expect(fits(KIT_SCHEMAS.lead, ownLike("lead", part).figures)).toBe(true);
    const lead = { ...ownLike("lead", PARTS[0]!), name: "Mine" };
    const shoot = bundle({
      kit: [stored<"kitItem">("mine", lead)],
      connections: [connected("desk", "micDynamic", "recorderSwitched")],
    });
    expect(connectionsOf(shoot).parts.at(-1)).toMatchObject({ id: "mine", name: "Mine", isOwned: true });
  });

  test("Level plans with the input that Link goes into", () => {
    const inputs = GENERIC_DEVICES.filter(({ kind }) => kind === "input").map(({ id, kind, name, figures }) =>
      stored<"kitItem">(id, { shootId: null, kind, name, figures }),
    );
    expect(levelInputOf(inputs, "recorder35")).toBe("input-minijack");
    expect(levelInputOf(inputs, "recorderXlr")).toBe("input-xlr");
    expect([levelInputOf(inputs, "phone"), levelInputOf([], "recorder35")]).toEqual([null, null]);
  });

  test("figures of every kind of kit are refused under another kind", () => {
    expect(fits(KIT_SCHEMAS.stock, { of: "lav", count: 3 })).toBe(true);
    expect(fits(KIT_SCHEMAS.extra, { of: "lav", count: 3 })).toBe(false);
    expect(fits(KIT_SCHEMAS.stock, { of: "lav", count: -1 })).toBe(false);
  });
});
