import fc from "fast-check";
import { allKinds, keyKinds, MARK_KINDS } from "./markKinds";
import { checkCounter, secondsShown } from "./counter";
import { FIRST_SCHEME, inFileName, learnScheme, nameBy, type NameFacts, sameNames, schemeFault } from "./naming";
import { nextTake, type Numbered, renumbered, sharedNumbers } from "./numbering";
import { owedOf, type OwedScene, type OwedTake } from "./owed";

const facts: NameFacts = {
  ...{ shoot: "Slack Water", day: 2, date: "2027-05-12", scene: "Interview: the miller", slate: "12A" },
  ...{ take: 3, counter: 41, track: null },
};

describe("names of files", () => {
  test("follow a scheme of fields, with as many digits as it says", () => {
    expect(nameBy(FIRST_SCHEME, facts)).toBe("12A-T03");
    expect(nameBy("{date}_{counter:4}", facts)).toBe("270512_0041");
    expect(nameBy("{shoot} D{day} {scene}_{slate}_{take:3}", facts)).toBe(
      "Slack Water D2 Interview- the miller_12A_003",
    );
    expect(nameBy("{slate}-T{take:2}_{track}", { ...facts, track: "Boom" })).toBe("12A-T03_Boom");
    // What is not there leaves no dash behind.
    expect(nameBy("{slate}-T{take:2}_{track}", facts)).toBe("12A-T03");
  });

  test("hold nothing that a card refuses, whatever is typed (property)", () => {
    fc.assert(
      fc.property(fc.string({ unit: "binary" }), fc.string({ unit: "grapheme" }), (scene, slate) => {
        const name = nameBy("{scene}_{slate}_{take:2}", { ...facts, scene, slate });
        // oxlint-disable-next-line no-control-regex -- that is what is looked for
        expect(name).not.toMatch(/[\u0000-\u001f<>:"/\\|?*]/);
        expect(name).not.toMatch(/[ .]$/);
        expect(name.length).toBeGreaterThan(0);
      }),
    );
    expect(inFileName("a/b\\c: d?")).toBe("a-b-c- d-");
  });

  test("a scheme that tells no two takes apart, or names a field there is none of, is refused", () => {
    expect(schemeFault("{slate}")).toEqual({ code: "scheme.sameNames" });
    expect(schemeFault("{slate}_{tale}")).toEqual({ code: "scheme.unknown", text: "{tale}" });
    expect(schemeFault("{counter:3}")).toBeNull();
  });

  test("two takes of one name are found; cards do not tell capitals apart", () => {
    expect(sameNames(["12A-T01", "12a-t01", "12B-T01", ""])).toEqual(["12A-T01", "12a-t01"]);
  });

  test("a scheme is learned from the first files", () => {
    expect(learnScheme(["REC0007.WAV", "REC0008.WAV"])).toEqual({ scheme: "REC{counter:4}", counter: 9 });
    expect(learnScheme(["card/250512-001.wav"])).toEqual({ scheme: "250512-{counter:3}", counter: 2 });
    expect(learnScheme(["S1T1_9.wav", "S1T2_10.wav", "S1T1_11.wav"])).toEqual({
      scheme: "S1T{take}_{counter}",
      counter: 12,
    });
    expect(learnScheme(["Interview.wav"])).toBeNull();
    expect(learnScheme(["a1.wav", "b-2-c.wav"])).toBeNull();
    expect(learnScheme([])).toBeNull();
  });

  test("what a learned scheme says next is what the recorder writes next (property)", () => {
    fc.assert(
      fc.property(
        fc.constantFrom("REC_", "day2-", "A", "take "),
        fc.integer({ min: 3, max: 5 }),
        fc.integer({ min: 1, max: 900 }),
        fc.integer({ min: 1, max: 6 }),
        (text, digits, from, count) => {
          const name = (number: number) => `${text}${String(number).padStart(digits, "0")}`;
          const learned = learnScheme(Array.from({ length: count }, (_, at) => `${name(from + at)}.wav`))!;
          expect(nameBy(learned.scheme, { ...facts, counter: learned.counter })).toBe(name(from + count));
        },
      ),
    );
  });
});

const take = (id: string, number: number, change: Partial<Numbered> = {}): Numbered => ({
  ...{ id, sceneId: "s", slate: "1", take: number, type: "take" as const },
  startedAt: `2027-05-11T09:${String(10 + Number(id)).padStart(2, "0")}:00.000Z`,
  ...change,
});

describe("numbers of takes", () => {
  test("go on from the highest of the slate; wild lines and room tone count by themselves", () => {
    const takes = [take("1", 1), take("2", 2), take("3", 1, { type: "wild" }), take("4", 7, { slate: "2" })];
    expect(nextTake(takes, { sceneId: "s", slate: "1", type: "take" })).toBe(3);
    expect(nextTake(takes, { sceneId: "s", slate: "1", type: "pickUp" })).toBe(3);
    expect(nextTake(takes, { sceneId: "s", slate: "1", type: "wild" })).toBe(2);
    expect(nextTake(takes, { sceneId: "s", slate: " 2 ", type: "take" })).toBe(8);
    expect(nextTake(takes, { sceneId: "s", slate: "3", type: "take" })).toBe(1);
  });

  test("renumbering one moves those recorded after it, and nothing else", () => {
    const takes = [take("1", 1), take("2", 2), take("3", 3), take("4", 1, { slate: "2" })];
    expect([...renumbered(takes, "2", 3)]).toEqual([
      ["2", 3],
      ["3", 4],
    ]);
    expect(renumbered(takes, "1", 0).size).toBe(0);
    expect(renumbered(takes, "2", 2).size).toBe(0);
  });

  test("two of one number are found, the later one", () => {
    expect([...sharedNumbers([take("2", 1), take("1", 1), take("3", 2)])]).toEqual(["2"]);
    expect(sharedNumbers([take("1", 1), take("2", 1, { type: "falseStart" })]).size).toBe(0);
  });
});

describe("kinds of marks on the keys", () => {
  test("those used most come first, and equal ones keep their places", () => {
    const first = keyKinds([], []);
    expect(first).toHaveLength(10);
    expect(keyKinds(["door", "door", "hum"], []).slice(0, 3)).toEqual(["door", "hum", first[0]]);
    expect(keyKinds(["slate", "slate"], [])).toEqual(first);
    expect(keyKinds([], ["generator"])).toEqual(first);
    expect(keyKinds(["generator"], ["generator"])[0]).toBe("generator");
    const all = allKinds([], ["generator"]);
    expect(all).toContain("generator");
    for (const kind of MARK_KINDS.filter((each) => each !== "slate" && each !== "endSlate"))
      expect(all).toContain(kind);
    expect(new Set(all).size).toBe(all.length);
  });
});

describe("the recorder's display", () => {
  test("a counter says how late it was started, a time of day how its clock lies", () => {
    expect(checkCounter(28, 29, 36_000)).toMatchObject({ isTimeOfDay: false, says: { code: "counter.agrees" } });
    expect(checkCounter(10, 25, 36_000).says).toEqual({ code: "counter.late", seconds: 15 });
    expect(checkCounter(36_047, 25, 36_000)).toMatchObject({ isTimeOfDay: true, offsetS: 47 });
    // Over midnight the short way.
    expect(checkCounter(20, 400, 86_390)).toMatchObject({ isTimeOfDay: true, offsetS: 30 });
  });

  test("is read as people type it", () => {
    expect(secondsShown("00:01:07")).toBe(67);
    expect(secondsShown("1:07")).toBe(67);
    expect(secondsShown("12:00:00")).toBe(43_200);
    for (const text of ["", "1", "1:60", "1:75:00", "a:bc"]) expect(secondsShown(text)).toBeNull();
  });
});

const owedTake = (change: Partial<OwedTake> = {}): OwedTake => ({
  ...{
    id: "t",
    slate: "1",
    take: 1,
    type: "take" as const,
    rating: "good" as const,
    marks: ["clap"],
    wearerIds: ["tam"],
  },
  ...change,
});
const scene = (takes: OwedTake[], change: Partial<OwedScene> = {}): OwedScene => ({
  ...{ place: "Granary", hasRoomTone: true, hasPicture: true, talent: [{ id: "tam", name: "Tam" }], takes },
  ...change,
});
const codes = (of: OwedScene) => owedOf(of).map(({ code }) => code);

describe("what is owed before a scene is left (common practice, no source)", () => {
  test("nothing where all was done, and nothing before the first take", () => {
    expect(codes(scene([owedTake()]))).toEqual([]);
    expect(codes(scene([], { hasRoomTone: false }))).toEqual([]);
  });

  test("room tone of the place, once for the day", () => {
    expect(owedOf(scene([owedTake()], { hasRoomTone: false }))).toEqual([{ code: "owed.roomTone", place: "Granary" }]);
    expect(codes(scene([owedTake()], { hasRoomTone: false, place: null }))).toEqual([]);
  });

  test("a wild line where every take of a slate is spoilt, until it is there", () => {
    const spoilt = owedTake({ marks: ["clap", "aircraft"] });
    expect(codes(scene([spoilt]))).toEqual(["owed.wildLine"]);
    expect(codes(scene([spoilt, owedTake({ id: "u", take: 2 })]))).toEqual([]);
    expect(codes(scene([spoilt, owedTake({ id: "w", type: "wild" })]))).toEqual([]);
  });

  test("a slate of which every take is no good", () => {
    expect(codes(scene([owedTake({ rating: "noGood" })]))).toEqual(["owed.noGoodTake"]);
  });

  test("a clap where a camera rolls; none without one, and none of wild lines", () => {
    expect(codes(scene([owedTake({ marks: [] })]))).toEqual(["owed.clap"]);
    expect(codes(scene([owedTake({ marks: ["slate"] })]))).toEqual([]);
    expect(codes(scene([owedTake({ marks: [] })], { hasPicture: false }))).toEqual([]);
    expect(codes(scene([owedTake(), owedTake({ type: "wild", marks: [] })]))).toEqual([]);
  });

  test("talent that was never recorded is named", () => {
    const talent = [
      { id: "tam", name: "Tam" },
      { id: "ines", name: "Ines" },
    ];
    expect(owedOf(scene([owedTake()], { talent }))).toEqual([{ code: "owed.notRecorded", names: ["Ines"] }]);
    const mute = owedTake({ type: "noSound", wearerIds: ["ines"] });
    expect(codes(scene([owedTake(), mute], { talent }))).toEqual(["owed.notRecorded"]);
  });
});
