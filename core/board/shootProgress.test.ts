import { SLACK_WATER } from "../../demo/slackWater";
import { bundleOf, stored } from "../../fixtures/testShoot";
import { say } from "../../messages";
import type { ShootBundle } from "../records";
import { shootProgress } from "./shootProgress";

const DEMO = bundleOf(SLACK_WATER);
const all = (change: Partial<ShootBundle["rigs"][number]["body"]>): ShootBundle => ({
  ...DEMO,
  rigs: DEMO.rigs.map((rig) => ({ ...rig, body: { ...rig.body, ...change } })),
});
const EMPTY: ShootBundle = { ...DEMO, places: [], scenes: [], wearers: [], rigs: [], measurements: [] };
const CHOICE = { ...DEMO.rigs.find(({ body }) => body.choice)!.body.choice! };
const YES = { ...DEMO.rigs[0]!.body.consent, answer: "yes" as const };

const nextOf = (bundle: ShootBundle) => shootProgress(bundle).next;

test("a shoot begins with a place, then somebody to hear", () => {
  expect(nextOf(EMPTY)).toEqual({ says: { code: "home.addPlace" }, station: "scout" });
  expect(nextOf({ ...EMPTY, places: DEMO.places })).toEqual({ says: { code: "home.addTalent" }, station: "dress" });
  expect(nextOf({ ...EMPTY, places: DEMO.places, wearers: DEMO.wearers })?.says.code).toBe("home.addTalent");
});

test("then a place is chosen for each, they are asked, it is fixed, and a take is measured", () => {
  const of = DEMO.rigs.length;
  expect(nextOf(all({ choice: null }))).toEqual({ says: { code: "home.choose", count: of }, station: "dress" });
  const chosen = { choice: CHOICE, consent: { ...YES, answer: "notAsked" as const }, isRigged: false };
  expect(nextOf(all(chosen))?.says).toEqual({ code: "home.ask", count: of });
  expect(nextOf(all({ ...chosen, consent: YES }))?.says).toEqual({ code: "home.fix", count: of });
  const fixed = all({ ...chosen, consent: YES, isRigged: true });
  expect(nextOf(fixed)).toEqual({ says: { code: "home.verify", count: of }, station: "check" });
});

test("when each has a take nothing is next, and all is counted", () => {
  const fixed = all({ choice: CHOICE, consent: YES, isRigged: true });
  const measurements = fixed.rigs.map(({ id }, at) =>
    stored<"measurement">(`take ${at}`, { rigId: id } as ShootBundle["measurements"][number]["body"]),
  );
  const rigs = fixed.rigs.length;
  expect(shootProgress({ ...fixed, measurements })).toEqual({
    ...{ rigs, chosen: rigs, agreed: rigs, fixed: rigs, verified: rigs },
    next: null,
  });
});

test("what is next is said in a sentence, for one and for many", () => {
  const said = (bundle: ShootBundle) => say(nextOf(bundle)!.says);
  expect(said(EMPTY)).toBe("Add the first place.");
  expect(said(all({ choice: null }))).toBe(`Choose a place on ${DEMO.rigs.length} talents.`);
  const [first, ...others] = all({ choice: CHOICE }).rigs;
  const one = { ...DEMO, rigs: [{ ...first!, body: { ...first!.body, choice: null } }, ...others] };
  expect(said(one)).toBe("Choose a place on 1 talent.");
});
