import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { AirRules, USUAL_RULES } from "./airRules";
import { EXAMPLE_REGIONS, Region } from "./region";
import { Scan } from "./scan";
import { GENERIC_SYSTEMS, RadioSystem } from "./systems";

const strict = { additionalProperties: false } as const;
const Frequency = Type.Number({ title: "Frequency", unit: "MHz", minimum: 1, maximum: 7000 });

/** One transmitter with its receiver: a wearer's pack, or something else that sends. */
export const AirLink = Type.Object(
  {
    id: Type.String({ minLength: 1, maxLength: 40 }),
    /** Whose pack it is; null: named here. */
    wearerId: Type.Union([Type.String({ format: "uuid" }), Type.Null()]),
    name: Type.String({ title: "Name", minLength: 1, maxLength: 80 }),
    systemId: Type.String({ title: "System", minLength: 1, maxLength: 40 }),
    /** Links in different named zones stand too far apart to meet; empty: everywhere. */
    zone: Type.String({ title: "Zone", maxLength: 40 }),
    /** When it is on, for what no wearer wears; empty: always. */
    sceneIds: Type.Array(Type.String({ format: "uuid" }), { maxItems: 200, uniqueItems: true }),
    frequencyMHz: Type.Union([Frequency, Type.Null()]),
    /** It must stay where it is. */
    isLocked: Type.Boolean({ title: "Locked" }),
    spareMHz: Type.Union([Frequency, Type.Null()]),
  },
  strict,
);
export type AirLink = Static<typeof AirLink>;

export const MOST_LINKS = 100;

/** The system of those who are connected by a lead, or carry their own recorder: nothing of them is on the air. */
export const BY_LEAD = "lead";

/** What a shoot does on the air: where, with which systems, by which rules, who is tuned to what. */
export const AirPlan = Type.Object(
  {
    region: Region,
    rules: AirRules,
    systems: Type.Array(RadioSystem, { title: "Systems", minItems: 1, maxItems: 20 }),
    scan: Type.Union([Scan, Type.Null()]),
    links: Type.Array(AirLink, { title: "Links", maxItems: MOST_LINKS }),
  },
  strict,
);
export type AirPlan = Static<typeof AirPlan>;

export const FIRST_AIR_PLAN: AirPlan = {
  region: EXAMPLE_REGIONS[0]!,
  rules: USUAL_RULES,
  systems: [...GENERIC_SYSTEMS],
  scan: null,
  links: [],
};
