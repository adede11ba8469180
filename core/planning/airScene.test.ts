import { type AirBody, emptyShoot, newScene, type ShootBundle } from "../records";
import {
  airJson,
  airPlanFaults,
  airRows,
  airTable,
  BY_LEAD,
  FIRST_AIR_PLAN,
  packScan,
  simulatedScan,
  unpackScan,
  withoutForbidden,
} from "../wireless";
import { airBodyOf, airPlanOf, airSceneOf, airStateOf, newLink, onAirOf } from "./airScene";
import { boardOf } from "../board";
import { newRig } from "./newRig";
import { stored, TEST_SHOOT, testWearer } from "../../fixtures/testShoot";

/** Two people in a scene each, an hour apart, and one who is in none. */
function bundle(air: Partial<AirBody> | null = null): ShootBundle {
  const person = (name: string, thread: number) => stored<"wearer">(name, testWearer(name, { thread }));
  const rig = (wearerId: string, sceneId: string) =>
    stored<"rig">(`${wearerId}-${sceneId}`, newRig({ shootId: "s", wearerId, sceneId }));
  return {
    ...emptyShoot(stored<"shoot">("s", TEST_SHOOT)),
    scenes: [
      stored<"scene">("one", newScene("s", { startsAt: "09:00" })),
      stored<"scene">("two", newScene("s", { startsAt: "10:00" })),
    ],
    wearers: [person("Ada", 0), person("Ben", 1), person("Cyd", 2)],
    rigs: [rig("Ada", "one"), rig("Ben", "two")],
    airs: air ? [stored<"air">("a", { shootId: "s", ...FIRST_AIR_PLAN, scan: null, links: [], ...air })] : [],
  };
}

const tuned = (id: string, frequencyMHz: number) => newLink({ id, wearerId: id, name: id, frequencyMHz });

describe("the shoot's air", () => {
  test("everybody in a scene has a link, nobody else; names follow; other transmitters stay; who left is gone", () => {
    expect(airBodyOf(bundle()).links.map(({ name }) => name)).toEqual(["Ada", "Ben"]);
    const body = airBodyOf(
      bundle({
        links: [{ ...tuned("Ada", 520), name: "Old name" }, tuned("Gone", 521), newLink({ id: "hop", name: "Hop" })],
      }),
    );
    expect(body.links.map(({ name, frequencyMHz }) => [name, frequencyMHz])).toEqual([
      ["Ada", 520],
      ["Ben", null],
      ["Hop", null],
    ]);
  });

  test("scenes an hour apart do not meet: the same frequency serves both, and longer scenes do", () => {
    const same = bundle({ links: [tuned("Ada", 520), tuned("Ben", 520)] });
    expect(airSceneOf(same).faults.count).toBe(0);
    const longer = {
      ...same,
      scenes: same.scenes.map((scene) => ({ ...scene, body: { ...scene.body, lengthMin: 90 } })),
    };
    const { faults } = airSceneOf(longer);
    expect(faults.count).toBe(1);
    expect(faults.cure).not.toBeNull();
    expect(onAirOf(same, airBodyOf(same).links)[0]!.times).toEqual([{ day: 1, fromMin: 540, toMin: 570 }]);
  });

  test("stitches: no frequency loose, a sound one basted, a broken one unpicked with what to do; by lead planned", () => {
    const at = (links: AirBody["links"]) => {
      const shoot = bundle({ links });
      return [airStateOf(airSceneOf(shoot), "Ada"), boardOf(shoot)[0]!.stitches.link];
    };
    expect(at([])).toEqual(["loose", "loose"]);
    expect(at([tuned("Ada", 520)])).toEqual(["basted", "basted"]);
    const hop = newLink({ id: "hop", name: "Hop", frequencyMHz: 520.1 });
    expect(at([tuned("Ada", 520), hop])).toEqual(["unpicked", "unpicked"]);
    expect(boardOf(bundle({ links: [tuned("Ada", 520), hop] }))[0]!.risks[0]!.says).toEqual({
      code: "board.frequencyConflict",
    });
    expect(at([{ ...tuned("Ada", 520), systemId: BY_LEAD, frequencyMHz: null }])).toEqual([null, "basted"]);
    expect(at([{ ...tuned("Ada", 520), systemId: "kit-24", frequencyMHz: null }])).toEqual(["basted", "basted"]);
    expect(airStateOf(airSceneOf(bundle()), "Cyd")).toBeNull();
    expect(boardOf(bundle())[0]!.stitches.link).toBe("loose");
  });
});

describe("what may not be", () => {
  test("a frequency or spare outside the region, ranges the wrong way round; a narrower region clears", () => {
    const plan = airPlanOf({
      ...airBodyOf(bundle({ links: [{ ...tuned("Ada", 800), spareMHz: 521.01 }, tuned("Ben", 520)] })),
    });
    expect(airPlanFaults(plan).map(({ path }) => path)).toEqual(["/links/0/frequencyMHz", "/links/0/spareMHz"]);
    expect(withoutForbidden(plan).links.map(({ frequencyMHz }) => frequencyMHz)).toEqual([null, 520]);
    const backwards = { ...plan, links: [], systems: [{ ...plan.systems[0]!, toMHz: 1 }] };
    expect(airPlanFaults(backwards)[0]!.says.code).toBe("air.endsBelow");
  });
});

describe("out of the house", () => {
  const plan = airPlanOf(
    airBodyOf(
      bundle({
        links: [
          { ...tuned("Ada", 566.4), systemId: "uhf-banks", spareMHz: 566.8 },
          newLink({ id: "x", name: '=1+1,"x"', frequencyMHz: 520, zone: "quay" }),
        ],
      }),
    ),
  );

  test("as a table: lowest first, presets named", () => {
    const [heads, lowest, next] = airTable(plan);
    expect(heads).toEqual(["name", "system", "frequencyMHz", "preset", "spareMHz", "sparePreset", "zone", "mustStay"]);
    expect(lowest).toEqual(['=1+1,"x"', "analogue UHF, tuned in steps", 520, null, null, null, "quay", false]);
    expect(next).toEqual(expect.arrayContaining([566.4, "bank 1, channel 1", 566.8, "bank 1, channel 2"]));
    expect(airRows(plan).at(-1)!.frequencyMHz).toBeNull();
    expect(JSON.parse(airJson(plan))).toMatchObject({
      region: { isExample: true },
      links: [{ frequencyMHz: 520 }, {}, {}],
    });
  });

  test("a scan is stored small and comes back to the decibel", () => {
    const scan = simulatedScan({ place: "quay", hour: 9, fromMHz: 500, toMHz: 520, stepKHz: 25, ownMHz: [] });
    const packed = packScan(scan);
    expect(packed.levels).toHaveLength(2 * scan.levelsDbm.length);
    unpackScan(packed).levelsDbm.forEach((level, bin) => {
      expect(Math.abs(level - scan.levelsDbm[bin]!)).toBeLessThanOrEqual(0.5);
    });
  });
});
