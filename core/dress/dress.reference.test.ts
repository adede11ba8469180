import { overallDb, addOctaves } from "../sound/octaves";
import { speechOctavesDb } from "../voice/speechSpectrum";
import { seenFromMouth, turnedMouth } from "../body/headTurn";
import { HALF_SHOULDER_SHARE, HEIGHT_SHARE } from "../body/landmarks";
import { swingDb } from "./planDress";
import { siteGain } from "./levelAtSite";
import { SITES, sitePoint, type SiteId } from "./sites";

const BARE = [0, 0, 0, 0, 0, 0, 0] as const;
const HEIGHTS_M = [1.5, 1.65, 1.75, 1.9];

function levelDb(site: SiteId, heightM: number, turnDeg: number): number {
  return overallDb(addOctaves(speechOctavesDb("normal"), siteGain(SITES[site], heightM, turnDeg, BARE).gainDb));
}

function rangeDb(site: SiteId, heightM: number, limitDeg: number): number {
  const levels: number[] = [];
  for (let turn = -limitDeg; turn <= limitDeg; turn += 5) levels.push(levelDb(site, heightM, turn));
  return Math.max(...levels) - Math.min(...levels);
}

test("chin .870, shoulder line .818, half shoulder width .129 of height (Drillis & Contini 1966)", () => {
  expect(HEIGHT_SHARE.chin).toBe(0.87);
  expect(HEIGHT_SHARE.shoulder).toBe(0.818);
  expect(HALF_SHOULDER_SHARE).toBe(0.129);
  expect(HEIGHT_SHARE.knee).toBe(0.285);
});

describe.each(HEIGHTS_M)("height %d m", (heightM) => {
  test("mid-chest is 25–30 cm from the lips of an adult (common practice)", () => {
    const { distanceM } = seenFromMouth(turnedMouth(heightM, 0), sitePoint(SITES.breastboneInside, heightM));
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
    expect(rangeDb("breastboneInside", heightM, 60)).toBeLessThan(1);
  });

  test("a collar swings several times as much as mid-chest (common practice)", () => {
    const chest = rangeDb("breastboneInside", heightM, 60);
    expect(rangeDb("collarLeft", heightM, 60)).toBeGreaterThan(3 * chest);
    expect(rangeDb("lapelLeft", heightM, 60)).toBeGreaterThan(2 * chest);
  });

  test("the lapel on the partner's side beats the far one (common practice)", () => {
    expect(levelDb("lapelRight", heightM, 45)).toBeGreaterThan(levelDb("lapelLeft", heightM, 45) + 1.5);
    expect(swingDb(SITES.lapelRight, heightM, BARE, "right")).toBeLessThan(
      swingDb(SITES.lapelLeft, heightM, BARE, "right"),
    );
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
  const near = siteGain(SITES.tieKnot, 1.75, 0, BARE);
  const far = siteGain(SITES.breastboneInside, 1.75, 0, BARE);
  const spread = (gain: typeof near) => 20 * Math.log10(1 / gain.distanceM);
  expect(spread(near) - spread(far)).toBeCloseTo(20 * Math.log10(far.distanceM / near.distanceM), 9);
});
