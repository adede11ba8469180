import fc from "fast-check";
import { runs } from "../../fixtures/runs";
import { CAR, LIVING_ROOM, type PlaceModel } from "../room";
import { rankPickups, type PickupCandidate } from "./candidates";
import { placeSound } from "./placeSound";
import { HELD, type PickupWishes, SHOT_SIZES, type Talker } from "./pickupSetup";
import { COVER_FACTS, COVERS, coverFor, lowCutHz, windPower } from "./wind";
import { deepestOf } from "../voice";
import { HOLDERS } from "./microphones";

const talkers: fc.Arbitrary<Talker[]> = fc
  .array(
    fc.record({
      xM: fc.double({ min: 0.5, max: 3.5, noNaN: true }),
      yM: fc.double({ min: 0.4, max: 2.4, noNaN: true }),
      facesDeg: fc.integer({ min: -180, max: 180 }),
      holds: fc.constantFrom(...HELD),
      isInstrument: fc.boolean(),
    }),
    { minLength: 1, maxLength: 6 },
  )
  .map((all) =>
    all.map(({ xM, yM, facesDeg, holds, isInstrument }, index): Talker => ({
      ...{ id: `t${index}`, name: `Talker ${index}`, wearerId: null, at: { xM, yM }, mouthM: 1.3, facesDeg },
      ...{ turnsDeg: 20, effort: "normal", path: [], isInstrument: isInstrument && index > 0, holds },
    })),
  );
const places: fc.Arbitrary<PlaceModel> = fc.oneof(
  fc.constant<PlaceModel>(LIVING_ROOM),
  fc.constant<PlaceModel>(CAR),
  fc.double({ min: 0, max: 15, noNaN: true }).map((windMps): PlaceModel => ({
    ...LIVING_ROOM,
    ...{ setting: "open", lengthM: 20, widthM: 20, patches: [], floor: "grass", windMps },
  })),
);
const wishes: fc.Arbitrary<PickupWishes> = fc.record({
  shot: fc.constantFrom(...SHOT_SIZES),
  mayBeSeen: fc.boolean(),
  hasTable: fc.boolean(),
  overhead: fc.constantFrom("byRoom" as const, "gun" as const, "hyper" as const),
});

const always = (
  holds: (ranked: PickupCandidate[], asked: { people: Talker[]; place: PlaceModel; wishes: PickupWishes }) => void,
) =>
  fc.assert(
    fc.property(talkers, places, wishes, (all, place, wish) =>
      holds(rankPickups(all, placeSound(place), wish), {
        people: all.filter(({ isInstrument }) => !isInstrument),
        place,
        wishes: wish,
      }),
    ),
    { numRuns: runs(60, 2000) },
  );

describe("of anybody anywhere (property)", () => {
  test("nobody booms in a car, and no hand that holds something holds a microphone", () =>
    always((ranked, { people, place }) => {
      for (const { id, mics, ruledOut } of ranked) {
        if (ruledOut) continue;
        if (place.setting === "vehicle") expect(mics.map(({ holder }) => holder)).not.toContain("boom");
        const isHeld = mics.some(({ holder }) => holder === "hand" || holder === "phone");
        if (isHeld) expect([id, people.every(({ holds = "nothing" }) => holds === "nothing")]).toEqual([id, true]);
      }
    }));

  test("nothing stands on a table that is not there, and nothing is seen that may not be", () =>
    always((ranked, { wishes: { hasTable, mayBeSeen } }) => {
      for (const { id, mics, ruledOut } of ranked) {
        if (ruledOut) continue;
        if (!hasTable) expect([id, mics.some(({ holder }) => holder === "table")]).toEqual([id, false]);
        if (!mayBeSeen) expect(["hand", "desk20", "desk30", "desk60", "tableOmni", "phone"]).not.toContain(id);
      }
    }));

  test("what is possible comes before what is not, the best first; clarity is between 0 and 1, angles and levels are those of this world", () =>
    always((ranked) => {
      let [wasOut, last] = [false, Infinity];
      for (const { ruledOut, points, worstSti, best } of ranked) {
        if (ruledOut) wasOut = true;
        else {
          expect(wasOut).toBe(false);
          expect(points).toBeLessThanOrEqual(last + 1e-9);
          last = points;
        }
        expect(worstSti >= 0 && worstSti <= 1).toBe(true);
        for (const { heard } of best) {
          expect(heard.levelDb).toBeGreaterThan(-20);
          expect(heard.levelDb).toBeLessThan(140);
          if (heard.combing) expect(heard.combing.notchHz).toBeLessThanOrEqual(16_000 + 1e-6);
        }
      }
    }));
});

describe("wind", () => {
  const at = (mps: number, cover: (typeof COVERS)[number] = "bare", isGradient = false) =>
    10 * Math.log10(windPower(mps, cover, isGradient)[0]);

  test("there is none in calm air, it grows by 18 dB when the speed doubles, and falls with the octave (common practice, no source)", () => {
    expect(windPower(0.3, "bare", false).every((power) => power === 0)).toBe(true);
    expect(at(8) - at(4)).toBeCloseTo(60 * Math.log10(2), 6);
    const powers = windPower(6, "bare", false);
    for (let band = 1; band < powers.length; band += 1) expect(powers[band]!).toBeLessThan(powers[band - 1]!);
  });

  test("each cover takes more than the one before, and a gradient hears more of it than an omni", () => {
    for (let index = 1; index < COVERS.length; index += 1) {
      expect(COVER_FACTS[COVERS[index]!].cutsDb).toBeGreaterThan(COVER_FACTS[COVERS[index - 1]!].cutsDb);
      expect(at(6, COVERS[index])).toBeLessThan(at(6, COVERS[index - 1]));
    }
    expect(at(6, "fur", true)).toBeGreaterThan(at(6, "fur", false));
  });

  test("more wind never asks for less cover, a hand mic carries no basket, and the low cut rises", () => {
    for (const holder of HOLDERS) {
      let before = 0;
      for (const mps of [0, 1, 2, 3, 5, 7, 9, 14]) {
        const cover = coverFor(holder, mps);
        expect(COVERS.indexOf(cover)).toBeGreaterThanOrEqual(before);
        before = COVERS.indexOf(cover);
        if (holder !== "boom" && holder !== "stand") expect(cover).not.toBe("basketFur");
      }
    }
    expect([0, 4, 9].map((mps) => lowCutHz(mps, "unknown"))).toEqual([80, 120, 150]);
  });

  test("a low cut stays below the pitch of the deepest voice (common practice, no source)", () => {
    expect([0, 4, 9].map((mps) => lowCutHz(mps, "deep"))).toEqual([80, 80, 80]);
    expect([0, 4, 9].map((mps) => lowCutHz(mps, "middle"))).toEqual([80, 100, 100]);
    expect([0, 4, 9].map((mps) => lowCutHz(mps, "light"))).toEqual([80, 120, 150]);
    expect(deepestOf(["light", "unknown", "deep"])).toBe("deep");
    expect(deepestOf(["unknown"])).toBe("unknown");
  });
});
