import { stored } from "@/fixtures/testShoot";
import type { ShootBundle } from "@/core/records";
import { DEMO_LOG } from "@/demo/log";
import { SLACK_WATER } from "@/demo/slackWater";
import { wholeBundleOf } from "@/fixtures/testShoot";
import { reportOf } from "@/core/planning";
import { cardLogOf } from "../check/cardLog";
import type { CardFile } from "../check/useCard";
import { feedEvents, NOTHING_HEARD, type FeedReading } from "./feedEvents";
import { reportCells } from "./reportCells";
import { dayTime, runningOf, runTime, takeName } from "./rollWords";

const demo: ShootBundle = {
  ...wholeBundleOf(SLACK_WATER),
  rolls: DEMO_LOG.rolls.map(({ id, body }) => stored<"roll">(id, body)),
  marks: DEMO_LOG.marks.map(({ id, body }) => stored<"mark">(id, body)),
};

describe("words of takes", () => {
  test("names and times as they are said", () => {
    expect(takeName({ slate: "12A", take: 3, type: "take" })).toBe("Slate 12A, take 3");
    expect(takeName({ slate: "12A", take: 1, type: "wild" })).toBe("Slate 12A, wild line 1");
    expect(takeName({ slate: "", take: 2, type: "roomTone" })).toBe("Room tone 2");
    expect(takeName({ slate: "1", take: 2, type: "falseStart" })).toBe("Slate 1, false start");
    expect([runTime(7.9), runTime(67), runTime(3667), runTime(-3)]).toEqual(["0:07", "1:07", "1:01:07", "0:00"]);
    expect(dayTime(34_267.8)).toBe("09:31:07");
  });

  test("a take runs until it is stopped; one forgotten for half a day does not", () => {
    const at = (id: string, startedAt: string, lengthS: number | null) =>
      stored<"roll">(id, { ...DEMO_LOG.rolls[0]!.body, startedAt, lengthS });
    const now = Date.parse("2027-05-11T12:00:00.000Z");
    const rolls = [at("a", "2027-05-11T11:58:00.000Z", null), at("b", "2027-05-11T11:59:00.000Z", 20)];
    expect(runningOf(rolls, now)?.id).toBe("a");
    expect(runningOf([at("c", "2027-05-10T11:00:00.000Z", null)], now)).toBeNull();
    expect(runningOf([], now)).toBeNull();
  });
});

describe("what a feed tells by itself", () => {
  const reading = (change: Partial<FeedReading>): FeedReading => ({
    ...{ seconds: 0, peakDbfs: -20, momentaryLufs: -30, clips: 0 },
    ...change,
  });
  const heard = (readings: FeedReading[]) => {
    let state = NOTHING_HEARD;
    return readings.map((each) => {
      const next = feedEvents(state, each);
      state = next.state;
      return next.kinds.join();
    });
  };

  test("clips close together are one", () => {
    expect(
      heard([
        reading({ seconds: 1, clips: 1 }),
        reading({ seconds: 2, clips: 3 }),
        reading({ seconds: 9, clips: 4 }),
        reading({ seconds: 10, clips: 4 }),
      ]),
    ).toEqual(["clipped", "", "clipped", ""]);
  });

  test("a signal that was there and is gone is lost once, until it comes back; one that never came is not", () => {
    const silent = (seconds: number) => reading({ seconds, peakDbfs: -120 });
    expect(heard([silent(0), silent(2)])).toEqual(["", ""]);
    expect(
      heard([
        reading({}),
        silent(1),
        silent(1.4),
        silent(1.8),
        silent(3),
        reading({ seconds: 4 }),
        silent(5),
        silent(6),
      ]),
    ).toEqual(["", "", "", "dropOut", "", "", "", "dropOut"]);
  });
});

test("the report as a table has a line a take, with marks, notes and tracks", () => {
  const cells = reportCells(reportOf(demo, 1));
  expect(cells).toHaveLength(16);
  expect(cells.every((row) => row.length === cells[0]!.length)).toBe(true);
  const [, first] = cells;
  expect(first).toContain("Interview with the miller");
  expect(first!.join(" ")).toContain("1:04 Aircraft");
  expect(first!.join(" ")).toContain("1 Tam, miller");
});

describe("a card against the log of all days", () => {
  let id = 0;
  const item = (name: string, startedAtS: number | null, durationS: number, date: string): CardFile =>
    ({
      id: (id += 1),
      path: `CARD/${name}`,
      file: { lastModified: Date.parse(date), name } as File,
      state: {
        phase: "measured",
        recording: { measurement: { format: { durationS, startedAtS, sampleRateHz: 48_000 } } },
      },
    }) as unknown as CardFile;
  const seconds = (time: string) => {
    const [hours, minutes] = time.split(":").map(Number);
    return (hours! * 60 + minutes!) * 60;
  };

  test("files go to the day whose log they fit; a clock that is ahead is told once", () => {
    const log = cardLogOf(demo, [
      item("a.wav", seconds("09:44"), 24, "2030-01-01"),
      item("b.wav", seconds("09:52"), 24, "2030-01-01"),
      item("c.wav", seconds("10:05"), 24, "2030-01-01"),
      item("d.wav", seconds("15:12"), 24, "2030-01-01"),
      item("e.wav", seconds("15:20"), 24, "2030-01-01"),
      item("f.wav", seconds("15:27"), 24, "2030-01-01"),
      item("g.wav", seconds("16:40"), 5, "2030-01-01"),
    ])!;
    expect(log.matches.map(({ takes, files, isSure }) => [takes[0]!.body.day, files[0]!.file.name, isSure])).toEqual([
      [1, "a.wav", true],
      [1, "b.wav", true],
      [1, "c.wav", true],
      [3, "d.wav", true],
      [3, "e.wav", true],
      [3, "f.wav", true],
    ]);
    expect(log.clock).toEqual([{ code: "clock.offset", offsetS: expect.closeTo(47, 0) as number }]);
    expect(log.filesLeft.map(({ file, isFalseStart }) => [file.file.name, isFalseStart])).toEqual([["g.wav", true]]);
    expect(log.takesLeft.every(({ body }) => body.day !== 2)).toBe(true);
  });

  test("a file that says it is of another day of the shoot is not taken for this one", () => {
    const log = cardLogOf(demo, [
      item("a.wav", seconds("09:44"), 24, "2027-05-12T10:00:00"),
      item("b.wav", seconds("09:52"), 24, "2027-05-12T10:00:00"),
      item("c.wav", seconds("10:05"), 24, "2027-05-12T10:00:00"),
    ])!;
    expect(log.matches.filter(({ isSure }) => isSure)).toEqual([]);
  });

  test("without a log, or with nothing measured, there is nothing to say", () => {
    expect(cardLogOf({ ...demo, rolls: [] }, [item("a.wav", 0, 3, "2030-01-01")])).toBeNull();
    expect(cardLogOf(demo, [])).toBeNull();
  });
});
