import {
  emptyShoot,
  newScene,
  type RecordBodies,
  type RecordKind,
  type ShootBundle,
  type Stored,
} from "../../core/records";
import { DIRECTIONS, type DressInput, exampleInput, type Layer, planDress, usualLayer } from "../../core/dress";
import { dayPlan, newRig } from "../../core/planning";
import { GENERIC_DEVICES } from "../../core/devices";
import { SLACK_WATER } from "../../demo/slackWater";

const LIMIT_MS = 20;
const LIMIT_GROUP_S = 3;
const OCTAVES = 7;
const ROUNDS = 200;

/** Layers put on one after the other, innermost first. */
const WARDROBE: readonly Layer[] = [
  usualLayer("bra"),
  usualLayer("pocketShirt"),
  usualLayer("waistcoat"),
  usualLayer("blazer"),
  usualLayer("uniform"),
];

const worn = (count: number): DressInput =>
  exampleInput(
    WARDROBE.slice(0, count).map((layer) => ({ ...layer })),
    ["tie", "brooch", "scarf", "spectacles"],
    { performance: { mayBeSeen: true, faces: "round" } },
  );

function median(times: number[]): number {
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!;
}

/** Median time of a whole plan, ms, after the engine has warmed up. */
function timePlan(input: DressInput): number {
  for (let round = 0; round < ROUNDS; round += 1) planDress(input);
  return median(
    Array.from({ length: ROUNDS }, () => {
      const began = performance.now();
      planDress(input);
      return performance.now() - began;
    }),
  );
}

const stored = <Kind extends RecordKind>(id: string, body: RecordBodies[Kind]): Stored<Kind> => ({
  id,
  version: 1,
  changedAt: "2027-05-11T09:00:00Z",
  body,
});

/** Forty wearers in ten scenes each, dressed as the demo shoot's people are. */
function crowd(wearers: number, scenes: number): ShootBundle {
  const people = Object.values(SLACK_WATER.wearers);
  const performances = Object.values(SLACK_WATER.rigs).map((rig) => rig.performance);
  const shootId = "crowd";
  return {
    ...emptyShoot(stored<"shoot">(shootId, SLACK_WATER.shoot)),
    places: Object.entries(SLACK_WATER.places).map(([id, body]) => stored<"place">(id, body)),
    scenes: Array.from({ length: scenes }, (_, index) =>
      stored<"scene">(
        `scene-${index}`,
        newScene(shootId, {
          title: `Scene ${index}`,
          placeId: Object.keys(SLACK_WATER.places)[index % Object.keys(SLACK_WATER.places).length]!,
          startsAt: `${String(8 + index).padStart(2, "0")}:00`,
        }),
      ),
    ),
    wearers: Array.from({ length: wearers }, (_, index) =>
      stored<"wearer">(`wearer-${index}`, people[index % people.length]!),
    ),
    rigs: Array.from({ length: wearers * scenes }, (_, index) =>
      stored<"rig">(
        `rig-${index}`,
        newRig(
          { shootId, wearerId: `wearer-${index % wearers}`, sceneId: `scene-${Math.floor(index / wearers)}` },
          { performance: performances[index % performances.length]! },
        ),
      ),
    ),
    kit: GENERIC_DEVICES.map(({ id, kind, name, figures }) =>
      stored<"kitItem">(id, { shootId: null, kind, name, figures }),
    ),
  };
}

/** Speed of the placement planner: one outfit of one to five layers, and a crowd over a day. */
export function benchDress(): Promise<number> {
  const say = (line: string) => process.stdout.write(`${line}\n`);
  say("layers  candidates  ms a plan  candidates/s  level evaluations/s");
  let five = { candidates: 0, ms: 0 };
  for (let count = 1; count <= WARDROBE.length; count += 1) {
    const input = worn(count);
    const { evaluated } = planDress(input);
    const ms = timePlan(input);
    five = { candidates: evaluated, ms };
    const perSecond = (evaluated / ms) * 1000;
    say(
      [
        String(count).padStart(6),
        String(evaluated).padStart(10),
        ms.toFixed(2).padStart(9),
        perSecond.toFixed(0).padStart(12),
        (perSecond * DIRECTIONS * OCTAVES).toExponential(2).padStart(19),
      ].join("  "),
    );
  }
  const group = crowd(40, 10);
  const began = performance.now();
  const { scenes } = dayPlan(group, 1);
  const seconds = (performance.now() - began) / 1000;
  const planned = scenes.reduce((sum, scene) => sum + scene.calls.length, 0);
  say(
    `${planned} rigs (40 wearers × 10 scenes) planned with recipes, carry-over and call times in ${seconds.toFixed(2)} s`,
  );
  const isGood = five.candidates >= 300 && five.ms <= LIMIT_MS && planned === 400 && seconds <= LIMIT_GROUP_S;
  say(
    isGood
      ? `within ${LIMIT_MS} ms for ≥ 300 candidates and ${LIMIT_GROUP_S} s for the crowd`
      : `beyond a limit (≥ 300 candidates in ${LIMIT_MS} ms, the crowd in ${LIMIT_GROUP_S} s)`,
  );
  return Promise.resolve(isGood ? 0 : 1);
}
