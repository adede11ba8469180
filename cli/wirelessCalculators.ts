import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { oneOf } from "../core/schema/oneOf";
import { AirPlan, FIRST_AIR_PLAN, type AirLink } from "../core/wireless/airPlan";
import { AirRules, USUAL_RULES } from "../core/wireless/airRules";
import { coordinateAir, coordinationWords } from "../core/wireless/coordinateAir";
import { BODIES, budgetWords, diversityM, linkBudget, whipM } from "../core/wireless/linkBudget";
import { conflictsOf, conflictWords } from "../core/wireless/products";
import { regionFaults } from "../core/wireless/region";
import type { Calculator } from "./calculator";

const strict = { additionalProperties: false } as const;
const Frequency = Type.Number({ title: "Frequency", unit: "MHz", minimum: 1, maximum: 7000 });

const WirelessCall = Type.Object(
  {
    plan: AirPlan,
    seed: Type.Integer({ title: "Seed", minimum: 0, maximum: 2 ** 31 - 1 }),
    rounds: Type.Integer({ title: "Rounds", minimum: 20, maximum: 1_000_000 }),
  },
  strict,
);

const IntermodCall = Type.Object(
  { frequenciesMHz: Type.Array(Frequency, { title: "Frequencies", maxItems: 100 }), rules: AirRules },
  strict,
);

const BudgetCall = Type.Object(
  {
    frequencyMHz: Frequency,
    powerMw: Type.Number({ title: "Power", unit: "mW", minimum: 0.1, maximum: 5000 }),
    distanceM: Type.Number({ title: "Distance", unit: "m", minimum: 0.1, maximum: 10_000 }),
    bodies: oneOf(BODIES, "Bodies between"),
    hasDiversity: Type.Boolean({ title: "Two antennas" }),
    needsDbm: Type.Number({ title: "Receiver needs", unit: "dBm", minimum: -120, maximum: -40 }),
    wallsDb: Type.Number({ title: "Walls", unit: "dB", minimum: 0, maximum: 100 }),
    airDbm: Type.Union([
      Type.Number({ title: "Noise of the air", unit: "dBm", minimum: -130, maximum: 0 }),
      Type.Null(),
    ]),
  },
  strict,
);

const exampleLink = (id: string, systemId: string): AirLink => ({
  id,
  wearerId: null,
  name: id,
  systemId,
  zone: "",
  sceneIds: [],
  frequencyMHz: null,
  isLocked: false,
  spareMHz: null,
});

/** Calculators of what goes over the air. */
export const WIRELESS_CALCULATORS: Record<string, Calculator> = {
  wireless: {
    says: "frequencies that live together, spares, banks, and what holds a plan back",
    schema: WirelessCall,
    example: {
      plan: {
        ...FIRST_AIR_PLAN,
        links: [exampleLink("A", "uhf-tuned"), exampleLink("B", "uhf-tuned"), exampleLink("C", "uhf-banks")],
      },
      seed: 1,
      rounds: 400,
    } satisfies Static<typeof WirelessCall>,
    run(input) {
      const { plan, seed, rounds } = input as Static<typeof WirelessCall>;
      const [fault] = regionFaults(plan.region);
      if (fault) return { result: null, finding: fault.message };
      const onAir = plan.links.map(({ id, zone }) => ({ linkId: id, zone, times: [] }));
      const search = coordinateAir(plan, onAir, seed, rounds);
      let next = search.next();
      while (!next.done) next = search.next();
      const { value } = next;
      const isWhole = value.placed === value.wanted && value.refused.length === 0 && value.lockedConflicts.length === 0;
      const says = coordinationWords(value);
      return { result: { ...value, says }, finding: isWhole ? null : (value.refused[0]?.says ?? says) };
    },
  },
  intermod: {
    says: "every third and fifth order product of a set that lands on one of it",
    schema: IntermodCall,
    example: { frequenciesMHz: [600, 600.7, 602.3, 606.1], rules: USUAL_RULES } satisfies Static<typeof IntermodCall>,
    run(input) {
      const { frequenciesMHz, rules } = input as Static<typeof IntermodCall>;
      const carriers = frequenciesMHz.map((frequencyMHz, index) => ({
        id: String(index),
        name: `${frequencyMHz} MHz`,
        frequencyMHz,
        moments: 1,
      }));
      const { count, conflicts } = conflictsOf(carriers, rules);
      return {
        result: {
          count,
          conflicts: conflicts.map((conflict) => ({
            kind: conflict.kind,
            says: conflictWords(conflict),
            atMHz: conflict.atMHz,
            offKHz: conflict.offKHz,
            guardKHz: conflict.guardKHz,
          })),
        },
        finding: conflicts[0] ? `${count} rules broken; the nearest: ${conflictWords(conflicts[0])}.` : null,
      };
    },
  },
  linkbudget: {
    says: "whether a transmitter reaches its receiver, and how far it would",
    schema: BudgetCall,
    example: {
      frequencyMHz: 600,
      powerMw: 30,
      distanceM: 40,
      bodies: "one",
      hasDiversity: true,
      needsDbm: -90,
      wallsDb: 0,
      airDbm: null,
    } satisfies Static<typeof BudgetCall>,
    run(input) {
      const call = input as Static<typeof BudgetCall>;
      const budget = linkBudget(call);
      const says = budgetWords(budget, call.bodies);
      const antennas = { whipM: whipM(call.frequencyMHz), diversityM: diversityM(call.frequencyMHz) };
      return { result: { ...budget, ...antennas, says }, finding: budget.grade === "redo" ? says : null };
    },
  },
};
