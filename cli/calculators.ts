import { JUDGED_NAMES, say } from "../messages";
import {
  certaintyOf,
  choiceOf,
  contradictionsOf,
  DressInput,
  type DressPlan,
  exampleInput,
  explain,
  planDress,
  type RankedPlace,
  recipeFor,
  suggestionOf,
  whyNotNext,
  unknownsOf,
  usualLayer,
} from "../core/dress";
import type { Calculator } from "./calculator";
import { PLACE_CALCULATORS } from "./placeCalculators";
import { CONNECT_CALCULATORS } from "./connectCalculators";
import { LEVEL_CALCULATOR } from "./levelCalculator";
import { DAY_CALCULATORS } from "./dayCalculators";
import { ROLL_CALCULATORS } from "./rollCalculators";
import { WIRELESS_CALCULATORS } from "./wirelessCalculators";

function placeRow({ best, ways }: RankedPlace, index: number, plan: DressPlan) {
  return {
    rank: index + 1,
    choice: choiceOf(best),
    name: best.site.name,
    mount: best.mount.name,
    windCover: best.windCover,
    distanceM: best.sound.distanceM,
    offAxisDeg: best.sound.offAxisDeg,
    levelDb: best.levelDb,
    swingDb: best.swingDb,
    colourDb: best.colourDb,
    snrDb: best.sound.snrDb,
    speechTransmissionIndex: best.sound.sti,
    overloadDb: best.overloadDb,
    pack: best.pack && {
      place: best.pack.place,
      neededM: best.pack.cable.neededM,
      spareM: best.pack.cable.spareM,
      needsExtension: best.pack.needsExtension,
    },
    isOnFront: best.isOnFront,
    points: best.points,
    reasons: explain(best, plan).map(({ judged, ...reason }) => ({
      ...reason,
      step: judged && JUDGED_NAMES[judged.of][judged.step],
    })),
    ways: ways.length,
  };
}

function dressAnswer(plan: DressPlan) {
  const advised = suggestionOf(plan);
  return {
    considered: plan.considered,
    certainty: certaintyOf(plan),
    unknowns: unknownsOf(plan).map(({ says }) => says),
    places: plan.places.map((place, index) => placeRow(place, index, plan)),
    recipe: advised ? recipeFor(advised, plan) : null,
    next: whyNotNext(plan),
    ruledOut: plan.ruledOut.map(({ site, reason }) => ({ site: site.id, name: site.name, reason })),
  };
}

/** What scripts can ask of the core by name. */
export const CALCULATORS: Record<string, Calculator> = {
  ...PLACE_CALCULATORS,
  ...WIRELESS_CALCULATORS,
  ...CONNECT_CALCULATORS,
  ...DAY_CALCULATORS,
  ...ROLL_CALCULATORS,
  dress: {
    says: "where a lavalier goes on a person in an outfit: ranked places with figures and reasons, and the best one's recipe",
    schema: DressInput,
    example: exampleInput([usualLayer("shirt"), usualLayer("blazer", { opening: "open" })], ["tie"], {
      performance: { faces: "left", mayBeSeen: true },
    }),
    run(input) {
      const dress = input as DressInput;
      const [contradiction] = contradictionsOf(dress.outfit);
      if (contradiction)
        return { result: { contradictions: contradictionsOf(dress.outfit) }, finding: say(contradiction.says) };
      const plan = planDress(dress);
      return {
        result: dressAnswer(plan),
        finding: suggestionOf(plan) === null ? say({ code: "dress.noPlace" }) : null,
      };
    },
  },
  level: LEVEL_CALCULATOR,
};
