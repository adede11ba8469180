import { findPath } from "../connect";
import { INPUTS, PARTS, SOURCES } from "../devices";
import { emptyShoot, newScene, type RigBody, type ShootBundle } from "../records";
import { BY_LEAD, GENERIC_SYSTEMS } from "../wireless";
import { stored, TEST_SHOOT, testWearer } from "../../fixtures/testShoot";
import { airBodyOf } from "./airScene";
import { connectionsOf } from "./connections";
import { newRig } from "./newRig";
import { type UsualChain, usualChain, withSystem, WORK_CHAINS, WORK_IDS } from "./usualChain";

const chainItem = (figures: UsualChain, shootId: string | null = null, id = `chain ${shootId ?? "crew"}`) =>
  stored<"kitItem">(id, { shootId, kind: "chain", name: "Usual chain", figures });

function bundle(kit: ShootBundle["kit"], rig: Partial<RigBody> = {}): ShootBundle {
  return {
    ...emptyShoot(stored<"shoot">("s", TEST_SHOOT)),
    scenes: [stored<"scene">("c", newScene("s", { title: "Yard" }))],
    wearers: [stored<"wearer">("Ada", testWearer("Ada"))],
    rigs: [stored<"rig">("r", newRig({ shootId: "s", wearerId: "Ada", sceneId: "c" }, rig))],
    kit,
  };
}
const adasWay = (shoot: ShootBundle) => {
  const [{ link, sourceId, inputId }] = connectionsOf(shoot).connections as [
    ReturnType<typeof connectionsOf>["connections"][number],
  ];
  return [link.systemId, sourceId, inputId];
};
const wayOf = ({ systemId, sourceId, inputId }: UsualChain) => [systemId, sourceId, inputId];

test("while nobody has said, a talent is on the first system, into a recorder", () => {
  expect(usualChain([])).toBeNull();
  expect(adasWay(bundle([]))).toEqual([GENERIC_SYSTEMS[0]!.id, SOURCES.receiver.id, INPUTS.recorder35.id]);
});

test.each(WORK_IDS)("%s: what was said once is where every talent's signal goes, and a cable leads there", (work) => {
  const chain = WORK_CHAINS[work];
  expect(adasWay(bundle([chainItem(chain)]))).toEqual(wayOf(chain));
  const source = Object.values(SOURCES).find(({ id }) => id === chain.sourceId)!;
  const input = Object.values(INPUTS).find(({ id }) => id === chain.inputId)!;
  expect(findPath(source, input, PARTS)?.verdict).toMatch(/^works/);
});

test("what a shoot has of its own goes before what the crew has", () => {
  const kit = [chainItem(WORK_CHAINS.interview), chainItem(WORK_CHAINS.phoneDiary, "s")];
  expect(usualChain(kit)).toEqual(WORK_CHAINS.phoneDiary);
  expect(adasWay(bundle(kit))).toEqual(wayOf(WORK_CHAINS.phoneDiary));
});

test("what was chosen for one talent stays: their system, their input", () => {
  const phone = [chainItem(WORK_CHAINS.phoneDiary)];
  const own = bundle(phone);
  const air = airBodyOf(own);
  const links = air.links.map((link) => ({ ...link, systemId: GENERIC_SYSTEMS[1]!.id }));
  const [systemId, , inputId] = adasWay({ ...own, airs: [stored<"air">("a", { ...air, links })] });
  expect([systemId, inputId]).toEqual([GENERIC_SYSTEMS[1]!.id, INPUTS.recorder35.id]);
  const [, , chosen] = adasWay(bundle([chainItem(WORK_CHAINS.runAndGun)], { inputId: "someone's" }));
  expect(chosen).toBe(INPUTS.recorder35.id);
});

test("a device that left the kit, or a system that the shoot has not, is not planned with", () => {
  const gone = { ...WORK_CHAINS.interview, inputId: "an own recorder" };
  expect(adasWay(bundle([chainItem(gone)]))[2]).toBe(INPUTS.recorder35.id);
  const odd = { ...WORK_CHAINS.interview, systemId: "unknown" };
  expect(adasWay(bundle([chainItem(odd)]))[0]).toBe(GENERIC_SYSTEMS[0]!.id);
});

test("another system has another output: a lav by cable, a receiver by radio; between radios it stays", () => {
  const wired = withSystem(WORK_CHAINS.interview, BY_LEAD);
  expect(wired).toEqual({ ...WORK_CHAINS.interview, systemId: BY_LEAD, sourceId: SOURCES.lavSelf.id });
  const [, second] = GENERIC_SYSTEMS;
  expect(withSystem(wired, second!.id).sourceId).toBe(SOURCES.receiver.id);
  expect(withSystem(WORK_CHAINS.interview, second!.id)).toEqual({ ...WORK_CHAINS.interview, systemId: second!.id });
  expect(withSystem(wired, BY_LEAD)).toBe(wired);
});
