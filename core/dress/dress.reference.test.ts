import { HALF_SHOULDER_SHARE, HEIGHT_SHARE, seenFromMouth, turnedMouth } from "../body";
import { addOctaves, overallDb } from "../sound";
import { mouthDirectivityDb, speechOctavesDb } from "../voice";
import { siteGain, type Hearing } from "./levelAtSite";
import { SITES, siteColourDb, sitePoint, type SiteId } from "./sites";

const BARE = [0, 0, 0, 0, 0, 0, 0] as const;
const HEIGHTS_M = [1.5, 1.65, 1.75, 1.9];

const at = (site: SiteId): Hearing => ({ site: SITES[site], necklineDropM: 0.02, isInHood: false });

function levelDb(site: SiteId, heightM: number, turnDeg: number): number {
  return overallDb(addOctaves(speechOctavesDb("normal"), siteGain(at(site), heightM, turnDeg, BARE).gainDb));
}

function rangeDb(site: SiteId, heightM: number, fromDeg: number, toDeg = -fromDeg): number {
  const levels: number[] = [];
  for (let turn = Math.min(fromDeg, toDeg); turn <= Math.max(fromDeg, toDeg); turn += 5)
    levels.push(levelDb(site, heightM, turn));
  return Math.max(...levels) - Math.min(...levels);
}

test("chin .870, shoulder line .818, half shoulder width .129 of height (Drillis & Contini 1966)", () => {
  expect(HEIGHT_SHARE.chin).toBe(0.87);
  expect(HEIGHT_SHARE.shoulder).toBe(0.818);
  expect(HALF_SHOULDER_SHARE).toBe(0.129);
  expect(HEIGHT_SHARE.knee).toBe(0.285);
  expect(HEIGHT_SHARE.elbow).toBe(0.63);
  expect(HEIGHT_SHARE.hip).toBe(0.53);
});

describe.each(HEIGHTS_M)("height %d m", (heightM) => {
  test("mid-chest is 25–30 cm from the lips of an adult (common practice)", () => {
    const { distanceM } = seenFromMouth(turnedMouth(heightM, 0), sitePoint(SITES.breastbone, heightM));
    expect(distanceM).toBeGreaterThan(0.23);
    expect(distanceM).toBeLessThan(0.31);
  });

  test("the near school's places are 10–18 cm from the lips (common practice)", () => {
    for (const site of ["collarLeft", "tieKnot"] as const) {
      const { distanceM } = seenFromMouth(turnedMouth(heightM, 0), sitePoint(SITES[site], heightM));
      expect(distanceM).toBeGreaterThan(0.095);
      expect(distanceM).toBeLessThan(0.19);
    }
  });

  test("mid-chest swings less than 1 dB over ±60° (common practice)", () => {
    expect(rangeDb("breastbone", heightM, 60)).toBeLessThan(1);
  });

  test("a collar swings several times as much as mid-chest (common practice)", () => {
    const chest = rangeDb("breastbone", heightM, 60);
    expect(rangeDb("collarLeft", heightM, 60)).toBeGreaterThan(3 * chest);
    expect(rangeDb("lapelLeft", heightM, 60)).toBeGreaterThan(2 * chest);
  });

  test("the lapel on the partner's side beats the far one (common practice)", () => {
    expect(levelDb("lapelRight", heightM, 45)).toBeGreaterThan(levelDb("lapelLeft", heightM, 45) + 1.5);
    expect(rangeDb("lapelRight", heightM, -5, 60)).toBeLessThan(rangeDb("lapelLeft", heightM, -5, 60));
  });

  test("a collar's level rises toward the side the head turns (common practice)", () => {
    expect(levelDb("collarRight", heightM, 40)).toBeGreaterThan(levelDb("collarRight", heightM, 0));
    expect(levelDb("collarRight", heightM, -40)).toBeLessThan(levelDb("collarRight", heightM, 0));
  });

  test("the forehead is the evenest of all (common practice)", () => {
    expect(rangeDb("hairline", heightM, 75)).toBeLessThan(0.01);
  });
});

test("doubling the distance loses 6 dB (inverse distance law, acoustics handbooks)", () => {
  const near = siteGain(at("tieKnot"), 1.75, 0, BARE);
  const far = siteGain(at("breastbone"), 1.75, 0, BARE);
  const spread = (site: SiteId, gain: typeof near) => gain.gainDb[3] - siteColourDb(SITES[site])[3];
  expect(spread("tieKnot", near) - spread("breastbone", far)).toBeCloseTo(
    20 * Math.log10(far.distanceM / near.distanceM),
    9,
  );
});

test("level at a turned head, worked out by hand: 20·lg(1/r), colour, and the directivity's difference", () => {
  // 1.75 m tall: lips at 1.5645 m, 9.5 cm in front; breastbone at 0.818·1.75 − 0.15 = 1.2815 m, 8.2 cm in front.
  const rise = 1.5645 - 1.2815;
  const straightM = Math.hypot(0.095 - 0.082, rise);
  const [lipX, lipY] = [0.095 * Math.sin(Math.PI / 3), 0.095 * Math.cos(Math.PI / 3)];
  const turnedM = Math.hypot(lipX, 0.082 - lipY, rise);
  const angle = (cosine: number) => (Math.acos(cosine) * 180) / Math.PI;
  const straightDeg = angle((0.082 - 0.095) / straightM);
  const turnedDeg = angle((-lipX * Math.sin(Math.PI / 3) + (0.082 - lipY) * Math.cos(Math.PI / 3)) / turnedM);
  const gain = siteGain(at("breastbone"), 1.75, 60, BARE);
  expect(gain.distanceM).toBeCloseTo(turnedM, 9);
  expect(gain.offAxisDeg).toBeCloseTo(turnedDeg, 6);
  gain.gainDb.forEach((gainDb, band) => {
    const byHand =
      20 * Math.log10(1 / turnedM) +
      siteColourDb(SITES.breastbone)[band]! +
      mouthDirectivityDb(turnedDeg)[band]! -
      mouthDirectivityDb(straightDeg)[band]!;
    expect(gainDb).toBeCloseTo(byHand, 9);
  });
});
