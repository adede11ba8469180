import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import {
  FILE_LIMITS,
  gigabytesPerH,
  minutesIn,
  minutesOnCard,
  planCards,
  SoundFormat,
  splitOf,
  SPLITS_BYTES,
} from "../core/media";
import { say } from "../messages";
import { Battery, planDayPower, USUAL_BATTERIES } from "../core/power";
import { oneOf } from "../core/schema";
import { ClockTime, minutesOfDay, timeOfDay } from "../core/schedule";
import { exposureOf } from "../core/sound";
import type { Calculator } from "./calculator";

const strict = { additionalProperties: false } as const;
const Minutes = (title: string, minimum: number) => Type.Number({ title, unit: "min", minimum, maximum: 1440 });
const Title = Type.String({ title: "Title", minLength: 1, maxLength: 80 });

const MediaCall = Type.Object(
  {
    format: SoundFormat,
    /** The size at which the recorder begins a new file. */
    fileLimit: Type.Optional(oneOf(FILE_LIMITS, "New file at")),
    cardsGb: Type.Array(Type.Number({ title: "Card", unit: "GB", minimum: 0.1, maximum: 8000 }), { maxItems: 24 }),
    recordings: Type.Array(
      Type.Object(
        {
          title: Title,
          from: ClockTime("From"),
          lengthMin: Minutes("Length", 0.1),
          takeMin: Minutes("Longest take", 0.1),
          tracks: Type.Integer({ title: "Tracks", minimum: 1, maximum: 64 }),
        },
        strict,
      ),
      { maxItems: 100 },
    ),
  },
  strict,
);

const PowerCall = Type.Object(
  {
    name: Title,
    watts: Type.Number({ title: "Draws", unit: "W", minimum: 0.01, maximum: 200 }),
    battery: Battery,
    temperatureC: Type.Number({ title: "Temperature", unit: "°C", minimum: -30, maximum: 50 }),
    takesUsb: Type.Boolean(),
    bankWh: Type.Union([Type.Number({ title: "Power bank", unit: "Wh", minimum: 1, maximum: 1000 }), Type.Null()]),
    uses: Type.Array(Type.Object({ title: Title, from: ClockTime("From"), to: ClockTime("To") }, strict), {
      maxItems: 100,
    }),
  },
  strict,
);

const ExposureCall = Type.Object(
  {
    listened: Type.Array(
      Type.Object(
        {
          levelDba: Type.Number({ title: "Level", unit: "dBA", minimum: 40, maximum: 140 }),
          hours: Type.Number({ title: "Hours", unit: "h", minimum: 0, maximum: 24 }),
        },
        strict,
      ),
      { minItems: 1, maxItems: 50 },
    ),
  },
  strict,
);

/** Calculators of a day's cards, batteries and ears. */
export const DAY_CALCULATORS: Record<string, Calculator> = {
  media: {
    says: "size of sound, minutes on cards and in files, and where a day's cards are changed",
    schema: MediaCall,
    example: {
      format: { sampleRateHz: 48_000, bits: 24, channels: 2, kbps: null },
      cardsGb: [32],
      recordings: [{ title: "Interview", from: "09:30", lengthMin: 60, takeMin: 10, tracks: 2 }],
    } satisfies Static<typeof MediaCall>,
    run(input) {
      const { format, fileLimit = "4 GiB", cardsGb, recordings } = input as Static<typeof MediaCall>;
      const plan = planCards(
        recordings.map(({ from, ...rest }) => ({ ...rest, fromMin: minutesOfDay(from) })),
        format,
        cardsGb,
      );
      return {
        result: {
          gigabytesPerH: gigabytesPerH(format),
          splitMin: Object.fromEntries(
            Object.entries(SPLITS_BYTES).map(([name, bytes]) => [name, minutesIn(bytes, format)]),
          ),
          files: splitOf(fileLimit, format, Math.max(0, ...recordings.map(({ takeMin }) => takeMin))),
          cardMin: cardsGb.map((gigabytes) => minutesOnCard(gigabytes, format)),
          ...plan,
          says: say(plan.says),
          changes: plan.changes.map(({ atMin, ...rest }) => ({ ...rest, at: timeOfDay(atMin) })),
        },
        finding: plan.lack ? say(plan.says) : null,
      };
    },
  },
  power: {
    says: "how long a battery lasts by kind, cold, age and load, and when it is changed over a day",
    schema: PowerCall,
    example: {
      name: "Pack",
      watts: 0.9,
      battery: USUAL_BATTERIES.twoAlkaline,
      temperatureC: 5,
      takesUsb: false,
      bankWh: null,
      uses: [
        { title: "Interview", from: "09:00", to: "12:00" },
        { title: "Quay", from: "14:00", to: "16:30" },
      ],
    } satisfies Static<typeof PowerCall>,
    run(input) {
      const { uses, temperatureC, bankWh, ...device } = input as Static<typeof PowerCall>;
      const backwards = uses.find(({ from, to }) => minutesOfDay(to) <= minutesOfDay(from));
      if (backwards) return { result: null, finding: `${backwards.title} ends before it begins.` };
      const timed = uses.map(({ title, from, to }) => ({
        title,
        fromMin: minutesOfDay(from),
        toMin: minutesOfDay(to),
      }));
      const [plan] = planDayPower([{ ...device, uses: timed }], temperatureC, bankWh);
      return {
        result: {
          ...plan!,
          says: say(plan!.says),
          swaps: plan!.swaps.map(({ atMin, title }) => ({ at: timeOfDay(atMin), title })),
          feeds: plan!.feeds.map(({ fromMin, toMin, ...feed }) => ({
            ...feed,
            from: timeOfDay(fromMin),
            to: timeOfDay(toMin),
          })),
        },
        finding: plan!.tooLong ? say(plan!.says) : null,
      };
    },
  },
  exposure: {
    says: "what a day on headphones takes of what ears may be given (NIOSH, WHO/ITU-T H.870)",
    schema: ExposureCall,
    example: { listened: [{ levelDba: 82, hours: 6 }] } satisfies Static<typeof ExposureCall>,
    run(input) {
      const { listened } = input as Static<typeof ExposureCall>;
      const hours = listened.reduce((sum, each) => sum + each.hours, 0);
      if (hours > 24) return { result: null, finding: `The hours add up to ${hours}: a day has 24.` };
      const exposure = exposureOf(listened);
      return { result: exposure, finding: exposure.grade === "redo" ? say(exposure.says) : null };
    },
  },
};
