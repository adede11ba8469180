import type { CoursePoint, RecordingMeasurement } from "../check";
import { dayTrend, type TrendTake } from "./dayTrend";

const point = (startS: number, own: Partial<CoursePoint> = {}): CoursePoint => ({
  startS,
  speechDbfs: -26,
  noiseDbfs: -60,
  rustles: 0,
  dropouts: 0,
  ...own,
});

function take(file: string, startedAtS: number | null, course: CoursePoint[], durationS = 60): TrendTake {
  const recording: RecordingMeasurement = {
    file,
    format: {
      container: "WAV",
      sampleRateHz: 48000,
      bitsPerSample: 24,
      encoding: "pcm",
      channels: 1,
      durationS,
      startedAtS,
    },
    overall: { samplePeakDbfs: -12, truePeakDbtp: -12, integratedLufs: -28, loudnessRangeLu: null },
    channels: [
      {
        index: 0,
        samplePeakDbfs: -12,
        truePeakDbtp: -12,
        integratedLufs: -28,
        rmsDbfs: -27,
        speechLevelDbfs: -26,
        noiseFloorDbfs: -60,
        snrDb: 34,
        dcOffset: 0,
        clippedRuns: 0,
        course,
      },
    ],
    findings: [],
  };
  return { recording, channel: 0 };
}

const HOUR = 3600;
const hourly = (of: (hour: number) => Partial<CoursePoint>) =>
  Array.from({ length: 9 }, (_, hour) =>
    take(`T${hour}.wav`, (9 + hour) * HOUR, [point(0, of(hour)), point(10, of(hour))]),
  );

describe("a day of takes", () => {
  test("stands by the recorder's clock, in order; takes without one wait outside", () => {
    const { points, isTimed } = dayTrend([
      take("b.wav", 14 * HOUR, [point(0)]),
      take("a.wav", 9 * HOUR, [point(0), point(10)]),
      take("c.wav", null, [point(0)]),
    ]);
    expect(isTimed).toBe(true);
    expect(points.map(({ take: name, atS }) => [name, atS])).toEqual([
      ["a.wav", 9 * HOUR],
      ["b.wav", 14 * HOUR],
    ]);
  });

  test("without clocks by name, one after the other", () => {
    const { points, isTimed } = dayTrend([take("T10.wav", null, [point(0)]), take("T9.wav", null, [point(0)], 30)]);
    expect(isTimed).toBe(false);
    expect(points.map(({ take: name, atS }) => [name, atS])).toEqual([
      ["T9.wav", 0],
      ["T10.wav", 30],
    ]);
  });

  test("a long take is several points, each the median of its stretch", () => {
    const course = Array.from({ length: 30 }, (_, index) =>
      point(index * 10, { speechDbfs: index === 3 ? -2 : -26, rustles: index < 12 ? 1 : 0 }),
    );
    const { points } = dayTrend([take("a.wav", 0, course, 300), take("b.wav", HOUR, [point(0)])]);
    expect(points).toHaveLength(4);
    expect(points[0]).toMatchObject({ speechDbfs: -26, rustlesPerMin: 6 });
    expect(points[1]!.rustlesPerMin).toBe(0);
  });

  test("two takes are too little to tell a drift, however far apart", () => {
    const two = hourly((hour) => ({ speechDbfs: -24 - 10 * hour })).slice(0, 2);
    expect(dayTrend(two)).toMatchObject({ isTold: false, says: [] });
    expect(dayTrend(hourly(() => ({}))).isTold).toBe(true);
  });

  test("a steady day says nothing, and noise of single takes is no trend", () => {
    expect(dayTrend(hourly(() => ({}))).says).toEqual([]);
    expect(dayTrend(hourly((hour) => ({ noiseDbfs: hour === 4 ? -40 : -60 }))).says).toEqual([]);
    expect(dayTrend([]).points).toEqual([]);
  });

  test("what drifts is said with its amount", () => {
    expect(dayTrend(hourly((hour) => ({ speechDbfs: -24 - hour }))).says).toEqual([
      { code: "trend.voiceFell", byDb: 8 },
    ]);
    expect(dayTrend(hourly((hour) => ({ noiseDbfs: -66 + 2 * hour }))).says).toEqual([
      { code: "trend.noiseRose", byDb: 16 },
    ]);
  });

  test("dropouts that come at the end speak for a battery, rustle for a fixing that came loose", () => {
    expect(dayTrend(hourly((hour) => ({ dropouts: hour > 5 ? 2 : 0 }))).says).toEqual([{ code: "trend.dropoutsGrow" }]);
    expect(dayTrend(hourly((hour) => ({ rustles: hour > 5 ? 2 : 0 }))).says).toEqual([{ code: "trend.rustleGrows" }]);
    expect(dayTrend(hourly((hour) => ({ dropouts: hour < 3 ? 2 : 0 }))).says).toEqual([]);
  });
});
