import { allRight, diagnose, FAULT_IDS, probeOf, recorderOf, stepMessages, symptomsOf, withFaults } from "../rehearsal";
import { type Input, INPUTS, XLR } from "../devices";
import { emptyShoot, newScene } from "../records";
import { FIRST_AIR_PLAN } from "../wireless";
import { stored, TEST_SHOOT, testWearer } from "../../fixtures/testShoot";
import { newLink } from "./airScene";
import { connectionsOf } from "./connections";
import { levelsOf } from "./levels";
import { newRig } from "./newRig";

/** A recorder that ships in no release: one row, as docs/adding.md has it. */
const NEW: Input = {
  ...INPUTS.recorderSwitched,
  id: "fieldRecorder",
  name: "field recorder, XLR input",
  clipsDbu: 6,
  lineClipsDbu: 26,
  typical: {
    ...XLR,
    maxInputDbu: 6,
    fullScaleDbu: 6,
    einDbu: -128,
    converterRangeDb: 120,
    gain: { leastDb: 0, mostDb: 48, stepDb: 3 },
    line: { maxInputDbu: 26, fullScaleDbu: 26, einDbu: -100 },
  },
};

const rows = INPUTS as unknown as Record<string, Input>;
beforeAll(() => {
  rows[NEW.id] = NEW;
});
afterAll(() => {
  delete rows[NEW.id];
});

const shoot = () => ({
  ...emptyShoot(stored<"shoot">("s", TEST_SHOOT)),
  scenes: [stored<"scene">("one", newScene("s", { startsAt: "09:00" }))],
  wearers: [stored<"wearer">("Ada", testWearer("Ada"))],
  rigs: [stored<"rig">("Ada", newRig({ shootId: "s", wearerId: "Ada", sceneId: "one" }))],
  airs: [
    stored<"air">("a", {
      shootId: "s",
      ...FIRST_AIR_PLAN,
      scan: null,
      links: [newLink({ id: "Ada", wearerId: "Ada", name: "Ada", frequencyMHz: 520 })],
    }),
  ],
  connections: [
    stored<"connection">("c", {
      shootId: "s",
      linkId: "Ada",
      sourceId: "receiverBalanced",
      inputId: NEW.id,
      steps: [],
      rehearsal: null,
      range: null,
    }),
  ],
});

test("a recorder is one row: cables, levels, simulation and troubleshooting know it at once", () => {
  const [connection] = connectionsOf(shoot()).connections;
  // Cables: a way into its socket works, with what has to be set on it.
  const path = connection!.ways[0]!.path!;
  expect(path.verdict).toBe("worksIfSet");
  expect(path.parts.at(-1)!.to).toEqual({ connector: "xlr3", sex: "plug" });
  expect(path.settings.map(({ device }) => device)).toContain(NEW.name);
  // Levels: its own gain steps of 3 dB, and its own full scale, of the microphone input or of line.
  expect([6, 26]).toContain(connection!.setup!.fullScaleDbu);
  const subject = levelsOf(shoot()).find(({ id }) => id === "Ada")!;
  const gain = subject.plan!.knobs.find(({ id }) => id === "gain")!;
  expect(gain.device).toBe(NEW.name);
  expect(Math.abs(gain.valueDb % 3)).toBe(0);
  expect(subject.cards.map(({ device }) => device)).toContain(NEW.name);
  // Simulation: the controls of its socket.
  const knobs = recorderOf(NEW).knobs.map(({ id }) => id);
  expect(knobs).toEqual(expect.arrayContaining(["gainDb", "isPhantomOn", "isLine", "isLinked"]));
  const setup = connection!.setup!;
  expect(symptomsOf(setup, allRight(setup))).toEqual([]);
  expect(JSON.stringify(stepMessages(setup, "connect"))).toContain(NEW.name);
  // Troubleshooting: what can be wrong there is found from its symptom alone.
  let found = 0;
  for (const id of FAULT_IDS) {
    const world = withFaults(setup, [id]);
    const symptom = world ? symptomsOf(setup, world)[0] : undefined;
    if (!world || !symptom) continue;
    let story: Parameters<typeof diagnose>[1] = { symptom, answers: {}, skipped: [], ruledOut: [] };
    for (let { causes, next } = diagnose(setup, story); ; { causes, next } = diagnose(setup, story)) {
      if (next === null) {
        expect([id, causes.map((each) => each.join())]).toEqual([id, [id]]);
        found += 1;
        break;
      }
      const answer = probeOf(next).answer(setup, world);
      story =
        answer === null
          ? { ...story, skipped: [...story.skipped, next] }
          : { ...story, answers: { ...story.answers, [next]: answer } };
    }
  }
  expect(found).toBeGreaterThan(10);
});
