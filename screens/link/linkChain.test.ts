import { INPUTS, SOURCES } from "@/core/devices";
import { BY_LEAD, FIRST_AIR_PLAN } from "@/core/wireless";
import { airSceneOf, connectionsOf, EARS, HOUSE, newLink, newRig, NO_INPUT } from "@/core/planning";
import { emptyShoot, newScene, type ShootBundle } from "@/core/records";
import { briefWay, chainOfWay, type ChainLink } from "./linkChain";
import { linkStateOf } from "@/core/board";
import { stored, TEST_SHOOT, testWearer } from "@/fixtures/testShoot";

/** Ada tuned, from a source into an input. */
function bundle(
  sourceId: string,
  inputId: string,
  systemId = "uhf-tuned",
  frequencyMHz: number | null = 520,
): ShootBundle {
  return {
    ...emptyShoot(stored<"shoot">("s", TEST_SHOOT)),
    scenes: [stored<"scene">("one", newScene("s"))],
    wearers: [stored<"wearer">("Ada", testWearer("Ada"))],
    rigs: [stored<"rig">("r", newRig({ shootId: "s", wearerId: "Ada", sceneId: "one" }))],
    airs: [
      stored<"air">("a", {
        shootId: "s",
        ...FIRST_AIR_PLAN,
        scan: null,
        links: [newLink({ id: "Ada", wearerId: "Ada", name: "Ada", systemId, frequencyMHz })],
      }),
    ],
    connections: [
      stored<"connection">("c", {
        shootId: "s",
        linkId: "Ada",
        sourceId,
        inputId,
        steps: [],
        rehearsal: null,
        range: null,
      }),
    ],
  };
}

const only = (shoot: ShootBundle) => connectionsOf(shoot).connections[0]!;
function chain(shoot: ShootBundle, way = 0): ChainLink[] {
  const connection = only(shoot);
  return chainOfWay(connection, connection.ways[way]!, FIRST_AIR_PLAN.systems, TEST_SHOOT);
}
const kinds = (links: readonly ChainLink[]) => links.map(({ kind }) => kind);
const settingsAt = (links: readonly ChainLink[], kind: ChainLink["kind"]) =>
  links
    .filter((each) => each.kind === kind)
    .flatMap(({ settings }) => settings)
    .join("; ");

describe("the way from capsule to file", () => {
  test("a radio: capsule, pack, through the air to the receiver, lead, input, file; each setting at its own thing", () => {
    const way = chain(bundle("receiverBalanced", "recorderXlr"));
    expect(kinds(way)).toEqual(["capsule", "pack", "source", "part", "input", "file"]);
    expect(way.filter(({ byAir }) => byAir).map(({ kind }) => kind)).toEqual(["source"]);
    expect(settingsAt(way, "pack")).toMatch(/^520\.000 MHz; sensitivity (0|−\d+) dB$/);
    expect(settingsAt(way, "source")).toMatch(/^output (0|−\d+) dB$/);
    expect(settingsAt(way, "input")).toContain("Phantom power off, before plugging in");
    expect(settingsAt(way, "input")).toContain("Unlinked from its neighbour");
    expect(way.at(-1)!.name).toBe("48 kHz, 24 bit");
    expect(way.filter(({ isMissing }) => isMissing).map(({ kind }) => kind)).toEqual(["part"]);
  });

  test("what Level plans for a radio's knobs is not asked for a second time by the cables", () => {
    const shoot = bundle("receiver", "recorder35");
    expect(only(shoot).ways[0]!.path!.settings.filter(({ isLevel }) => isLevel)).toMatchObject([
      { on: "source", setting: { code: "setting.turnDown" } },
    ]);
    const way = chain(shoot);
    expect(settingsAt(way, "source")).toMatch(/^output (0|−\d+) dB$/);
    expect(way.flatMap(({ settings }) => settings).join("; ")).not.toMatch(/down by/);
    expect(only(shoot).setup!.settings.some(({ isLevel }) => isLevel)).toBe(false);
    // A desk has no radio before it: what the input must stand at is said.
    expect(settingsAt(chain(bundle("deskXlr", "recorderSwitched", BY_LEAD)), "input")).toContain("Switched to line");
  });

  test("presets by name, 2.4 GHz by its band, none yet where none is set", () => {
    const at = (systemId: string, frequencyMHz: number | null) =>
      settingsAt(chain(bundle("receiver", "recorder35", systemId, frequencyMHz)), "pack");
    expect(at("uhf-banks", 566.4)).toContain("bank 1, channel 1");
    expect(at("kit-24", null)).toContain("2.4 GHz, paired");
    expect(at("uhf-tuned", null)).toContain("no frequency yet");
  });

  test("a mic through a box: what is set on the box stands at the box", () => {
    const way = chain(bundle("micPhantom", "phoneData", BY_LEAD, null));
    expect(kinds(way)).toEqual(["source", "part", "part", "part", "input", "file"]);
    expect(settingsAt(way, "part")).toContain("audio interface");
    expect(settingsAt(way, "input")).not.toContain("audio interface");
    expect(settingsAt(way, "input")).not.toContain("Tap the mic");
  });

  test("a desk turned down by nobody says nothing at the desk; an unknown outlet has a way each", () => {
    const shoot = bundle(HOUSE, "recorderLine", BY_LEAD, null);
    expect(only(shoot).ways).toHaveLength(3);
    expect(settingsAt(chain(shoot, 2), "source")).toBe("");
    expect(chain(shoot, 2)[0]!.name).toBe(SOURCES.deskRca.name);
  });

  test("in a few words for a list", () => {
    expect(briefWay(only(bundle("receiverBalanced", "recorderXlr")), EARS)).toBe(
      `3.5 mm TRS to XLR cable, balanced into ${INPUTS.recorderXlr.name}`,
    );
    expect(briefWay(only(bundle("lavSelf", "recorder35", BY_LEAD, null)), EARS)).toContain("straight into");
    expect(briefWay(only(bundle(HOUSE, "recorderLine", BY_LEAD, null)), EARS)).toContain("a cable for each outlet");
    expect(briefWay(only(bundle("receiver", EARS)), EARS)).toBe("heard only");
    expect(briefWay(only(bundle("receiver", NO_INPUT)), EARS)).toBe("recorded beside it");
  });
});

describe("how a link stands", () => {
  const state = (shoot: ShootBundle) => linkStateOf(airSceneOf(shoot), only(shoot));
  const codes = (shoot: ShootBundle) => state(shoot).risks.map((risk) => risk.says.code);

  test("tuned and connected is planned; without a frequency nothing yet; wired planned", () => {
    expect(state(bundle("receiverBalanced", "recorderXlr")).stitch).toBe("basted");
    expect(state(bundle("receiverBalanced", "recorderXlr", "uhf-tuned", null)).stitch).toBe("loose");
    expect(state(bundle("lavSelf", "recorder35", BY_LEAD, null)).stitch).toBe("basted");
  });

  test("what can do damage or fails without a warning must be redone, and says why", () => {
    const weak = bundle("micDynamic", "recorderLine", BY_LEAD, null);
    expect(state(weak).stitch).toBe("unpicked");
    expect(codes(weak)).toContain("connect.tooWeak");
  });

  test("risks are ordered by what they cost: a wrong lead over a missing one", () => {
    const weights = (shoot: ShootBundle) => state(shoot).risks.map(({ weight }) => weight);
    const missing = Math.max(...weights(bundle("receiverBalanced", "recorderXlr")));
    const wrong = Math.max(...weights(bundle("micDynamic", "recorderLine", BY_LEAD, null)));
    expect(wrong).toBeGreaterThan(missing);
  });
});
