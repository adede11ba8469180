import { say } from "../messages";
import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { oneOf } from "../core/schema";
import {
  airFormFaults,
  type AirLink,
  AirPlan,
  AirRules,
  bindingOf,
  bindingMessage,
  BODIES,
  budgetMessage,
  conflictsOf,
  conflictMessage,
  coordinateAir,
  coordinationMessages,
  diversityM,
  FIRST_AIR_PLAN,
  linkBudget,
  USUAL_RULES,
  whipM,
} from "../core/wireless";
import type { Calculator } from "./calculator";

const strict = { additionalProperties: false } as const;
const Frequency = Type.Number({ title: "Frequency", unit: "MHz", minimum: 1, maximum: 7000 });

const WirelessCall = Type.Object(
  {
    plan: AirPlan,
    seed: Type.Integer({ title: "Seed", minimum: 0, maximum: 2 ** 31 - 1 }),
    rounds: Type.Integer({ title: "Rounds", minimum: 20, maximum: 1_000_000 }),
    /** The search ends with its best by then. */
    seconds: Type.Optional(Type.Number({ title: "Time", unit: "s", minimum: 0.1, maximum: 3600, default: 10 })),
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
    hasDiversity: Type.Boolean({ title: "Antenna diversity" }),
    needsDbm: Type.Number({ title: "Receiver sensitivity", unit: "dBm", minimum: -120, maximum: -40 }),
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

const TOLD_EVERY_MS = 2000;

/** Runs a search to its end, or to its best after so many seconds; long ones tell on stderr how far they are. */
function runFor<Step, Result>(
  seconds: number,
  search: Generator<Step, Result, boolean | undefined>,
  wordsOf: (step: Step) => string,
): Result {
  const began = performance.now();
  let told = began;
  for (let next = search.next(); ;) {
    if (next.done) return next.value;
    const now = performance.now();
    if (now - told > TOLD_EVERY_MS) {
      told = now;
      process.stderr.write(`hypophon calc: ${((now - began) / 1000).toFixed(0)} s, ${wordsOf(next.value)}\n`);
    }
    next = search.next(now - began > seconds * 1000);
  }
}

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
      const { plan, seed, rounds, seconds = 10 } = input as Static<typeof WirelessCall>;
      const [fault] = airFormFaults(plan);
      if (fault) return { result: null, finding: say(fault.says) };
      const onAir = plan.links.map(({ id, zone }) => ({ linkId: id, zone, times: [] }));
      const found = runFor(
        seconds,
        coordinateAir(plan, onAir, seed, rounds),
        ({ stage, placed, wanted }) => `${stage}: ${placed} of ${wanted}`,
      );
      const { placed, wanted, isProved, lockedConflicts } = found;
      const hasReasons = placed < wanted && lockedConflicts.length === 0;
      const binding = hasReasons ? runFor(seconds, bindingOf(plan, onAir, placed, seed), () => "reasons") : [];
      const says = [...coordinationMessages(found), bindingMessage(binding, isProved) ?? []].flat().map(say).join(" ");
      const isWhole = placed === wanted && found.onTaken.length === 0 && lockedConflicts.length === 0;
      return { result: { ...found, binding, says }, finding: isWhole ? null : says };
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
            says: say(conflictMessage(conflict)),
            atMHz: conflict.atMHz,
            offKHz: conflict.offKHz,
            guardKHz: conflict.guardKHz,
          })),
        },
        finding: conflicts[0] ? `${count} rules broken; the nearest: ${say(conflictMessage(conflicts[0]))}.` : null,
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
      const says = say(budgetMessage(budget, call.bodies));
      const antennas = { whipM: whipM(call.frequencyMHz), diversityM: diversityM(call.frequencyMHz) };
      return { result: { ...budget, ...antennas, says }, finding: budget.grade === "redo" ? says : null };
    },
  },
};
