import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { oneOf } from "../schema";
import { Name, strict } from "./fields";

export const FRAME_RATES = [23.976, 24, 25, 29.97, 30, 48, 50, 59.94, 60] as const;
export const SAMPLE_RATES_HZ = [44100, 48000, 88200, 96000] as const;
export const BIT_DEPTHS = [16, 24, 32] as const;

export const ShootBody = Type.Object(
  {
    title: Name("Title"),
    firstDay: Type.String({ title: "First day", format: "date" }),
    days: Type.Integer({ title: "Days", minimum: 1, maximum: 365 }),
    units: oneOf(["metric", "imperial"], "Units"),
    clock: oneOf(["24", "12"], "Clock"),
    frameRate: oneOf(FRAME_RATES, "Frame rate"),
    delivery: oneOf(["picture", "radio", "own"], "Delivery"),
    sampleRateHz: oneOf(SAMPLE_RATES_HZ, "Sample rate"),
    bitsPerSample: oneOf(BIT_DEPTHS, "Bits"),
  },
  strict,
);
export type ShootBody = Static<typeof ShootBody>;

/** What a delivery asks for. Common practice. */
export const DELIVERY_FORMATS = {
  picture: { sampleRateHz: 48000, bitsPerSample: 24 },
  radio: { sampleRateHz: 44100, bitsPerSample: 16 },
} as const;
