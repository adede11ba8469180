import { SLACK_WATER } from "@/demo/slackWater";
import { PLACE_IDS } from "@/demo/places";
import { REMEDIES, usualSource } from "@/core/noise";
import { placeFaults } from "@/core/room";
import { bundleOf, testStore } from "@/fixtures/testStore";
import { isSound, looksLikeWav } from "../sound/decodeFile";
import { editPlace } from "./editPlace";
import { remedyWords, whenWords } from "./noiseWords";

describe("what is known of a noise, in words", () => {
  test("when it is there", () => {
    expect(whenWords(usualSource("a", "fridge"))).toBe("all the time");
    expect(whenWords(usualSource("a", "dog", { perHour: 4, lastsS: 20 }))).toBe("4 an hour, 20 s each");
    expect(whenWords(usualSource("a", "bell"))).toBe("times not known yet");
    const times = [
      { from: "09:00", minutes: 1 },
      { from: "10:00", minutes: 1 },
    ];
    expect(whenWords(usualSource("a", "bell", { times }))).toBe("2 times, first 09:00");
  });

  test("what is done, by whom, and what is still to do", () => {
    const fridge = usualSource("a", "fridge");
    expect(remedyWords(fridge)).toBe("nothing done yet");
    expect(remedyWords({ ...fridge, remedy: "switchOff", owner: "Kit" })).toBe("to do: switch it off (Kit)");
    expect(remedyWords({ ...fridge, remedy: "switchOff", isDone: true })).toBe("switched off");
    for (const remedy of REMEDIES) expect(remedyWords({ ...fridge, remedy })).toMatch(/^to do: ./);
  });
});

describe("changing a place", () => {
  beforeEach(() => {});
  afterEach(() => {});

  test("whatever is changed, what is kept is a place that can be", () => {
    const store = testStore(bundleOf(SLACK_WATER));
    const model = () => store.snapshot().bundle.places.find(({ id }) => id === PLACE_IDS.KITCHEN)!.body.model;
    editPlace(store, PLACE_IDS.KITCHEN, () => ({ lengthM: 1.5, widthM: 1.2 }));
    expect(placeFaults(model())).toEqual([]);
    editPlace(store, PLACE_IDS.KITCHEN, () => ({ setting: "box" }));
    editPlace(store, PLACE_IDS.KITCHEN, () => ({ setting: "lShape", cutLengthM: 0 }));
    expect(model().cutLengthM).toBeGreaterThan(0);
    expect(placeFaults(model())).toEqual([]);
  });

  test("changes build on what is there, also two at once", () => {
    const store = testStore(bundleOf(SLACK_WATER));
    const add = (id: string) =>
      editPlace(store, PLACE_IDS.VAN, ({ sources }) => ({ sources: [...sources, usualSource(id, "clock")] }));
    add("one");
    add("two");
    const van = store.snapshot().bundle.places.find(({ id }) => id === PLACE_IDS.VAN)!.body.model;
    expect(van.sources.slice(-2).map(({ id }) => id)).toEqual(["one", "two"]);
  });
});

describe("files", () => {
  const file = (name: string, bytes: number[], type = "") => new File([new Uint8Array(bytes)], name, { type });
  const RIFF = [..."RIFF\0\0\0\0WAVE"].map((letter) => letter.charCodeAt(0));

  test("a WAV by its name or by its first bytes; what is too short to tell is read as one and refused as one", async () => {
    expect(await looksLikeWav(file("take.WAV", []))).toBe(true);
    expect(await looksLikeWav(file("take", RIFF))).toBe(true);
    expect(await looksLikeWav(file("tiny.m4a", [1, 2]))).toBe(true);
    expect(await looksLikeWav(file("voice.m4a", Array<number>(40).fill(7)))).toBe(false);
  });

  test("what a phone records is sound, a picture is none", () => {
    expect(["a.m4a", "b.MP3", "c.ogg", "d.flac"].every((name) => isSound(file(name, [])))).toBe(true);
    expect(isSound(file("x.bin", [], "audio/mp4"))).toBe(true);
    expect(isSound(file("holiday.jpg", [], "image/jpeg"))).toBe(false);
  });
});
