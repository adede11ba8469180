import type { AirMessage, ForbiddenMessage } from "./messages";
import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";

const strict = { additionalProperties: false } as const;
const MHz = (title: string) => Type.Number({ title, unit: "MHz", minimum: 1, maximum: 7000 });
const StepKHz = Type.Number({ title: "Steps", unit: "kHz", minimum: 0.1, maximum: 10_000 });

/** A part of the spectrum that may be used, and how. */
export const AllowedRange = Type.Object(
  {
    fromMHz: MHz("From"),
    toMHz: MHz("To"),
    /** Carriers stand on whole steps from the range's lower end; null: anywhere. */
    stepKHz: Type.Union([StepKHz, Type.Null()]),
    powerMw: Type.Number({ title: "Power up to", unit: "mW", minimum: 0.1, maximum: 5000 }),
    note: Type.String({ title: "Note", maxLength: 200 }),
  },
  strict,
);
export type AllowedRange = Static<typeof AllowedRange>;

/** What the law of one place allows, as its owner has looked it up. */
export const Region = Type.Object(
  {
    name: Type.String({ title: "Region", minLength: 1, maxLength: 80 }),
    /** Shipped as an example: nobody has confirmed it. */
    isExample: Type.Boolean({ title: "An example" }),
    ranges: Type.Array(AllowedRange, { title: "Allowed ranges", maxItems: 60 }),
  },
  strict,
);
export type Region = Static<typeof Region>;

const range = (
  fromMHz: number,
  toMHz: number,
  stepKHz: number | null,
  powerMw: number,
  note: string,
): AllowedRange => ({
  fromMHz,
  toMHz,
  stepKHz,
  powerMw,
  note,
});

/**
 * Made-up allowances of the usual kinds: an example shows what a region file holds, and is no licence.
 * From memory of how such lists look; to be replaced by what the regulator says.
 */
export const EXAMPLE_REGIONS: readonly Region[] = [
  {
    name: "Example A: 8 MHz broadcasting blocks",
    isExample: true,
    ranges: [
      range(470, 694, 25, 50, "between broadcasting, with a licence for the place"),
      range(823, 832, 25, 20, "duplex gap, without a licence"),
      range(863, 865, 25, 10, "shared by everybody, without a licence"),
      range(2400, 2483.5, null, 10, "shared with networks, without a licence"),
    ],
  },
  {
    name: "Example B: 6 MHz broadcasting blocks",
    isExample: true,
    ranges: [
      range(470, 608, 25, 50, "between broadcasting"),
      range(614, 616, 25, 20, "edge of a guard band"),
      range(653, 663, 25, 20, "duplex gap"),
      range(2400, 2483.5, null, 10, "shared with networks"),
    ],
  },
];

/** What is wrong with a region beyond its form: the field, and why. */
export function regionFaults({ ranges }: Region): { path: string; says: AirMessage }[] {
  return ranges.flatMap(({ fromMHz, toMHz }, index) =>
    fromMHz < toMHz
      ? []
      : [{ path: `/ranges/${index}/toMHz`, says: { code: "air.rangeEndsBelow", range: index + 1, fromMHz } }],
  );
}

const TOLERANCE_KHZ = 0.05;

function allows({ fromMHz, toMHz, stepKHz }: AllowedRange, frequencyMHz: number): boolean {
  if (frequencyMHz < fromMHz - 1e-6 || frequencyMHz > toMHz + 1e-6) return false;
  if (stepKHz === null) return true;
  const steps = ((frequencyMHz - fromMHz) * 1000) / stepKHz;
  return Math.abs(steps - Math.round(steps)) * stepKHz < TOLERANCE_KHZ;
}

/**
 * The range that allows a frequency; where ranges overlap the one with the most power; null when none does. Steps are part of
 * what is allowed.
 */
export function rangeOf({ ranges }: Region, frequencyMHz: number): AllowedRange | null {
  let best: AllowedRange | null = null;
  for (const range of ranges)
    if ((best === null || range.powerMw > best.powerMw) && allows(range, frequencyMHz)) best = range;
  return best;
}

/** Why a transmitter may not be used there; null when it may. */
export function whyForbidden(region: Region, frequencyMHz: number, powerMw: number): ForbiddenMessage | null {
  const allowed = rangeOf(region, frequencyMHz);
  if (!allowed) return { code: "forbidden.frequency", frequencyMHz, region: region.name };
  if (powerMw > allowed.powerMw) return { code: "forbidden.power", powerMw, allowedMw: allowed.powerMw, frequencyMHz };
  return null;
}
