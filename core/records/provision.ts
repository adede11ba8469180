import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { FILE_LIMITS } from "../media";
import { Battery } from "../power";
import { oneOf } from "../schema";
import { Id, strict } from "./fields";

/** What a shoot has to record on and to run on, and how long is listened; one for a shoot. */
export const ProvisionBody = Type.Object(
  {
    shootId: Id,
    cardsGb: Type.Array(Type.Number({ title: "Card", unit: "GB", minimum: 0.1, maximum: 8000 }), { maxItems: 24 }),
    /** The size at which the recorder begins a new file. */
    fileLimit: Type.Optional(oneOf(FILE_LIMITS, "New file at")),
    hasFloat: Type.Boolean({ title: "The recorder writes 32-bit float" }),
    hasSafetyTracks: Type.Boolean({ title: "A safety track for each" }),
    temperatureC: Type.Number({ title: "Coldest hour", unit: "°C", minimum: -30, maximum: 50 }),
    packBattery: Battery,
    recorderBattery: Battery,
    /** The recorder hangs on mains wherever there is a roof. */
    hasMains: Type.Boolean({ title: "Mains at the recorder, indoors" }),
    /** Tracks that the recorder takes at once; null: nobody has said. */
    recorderTracks: Type.Union([
      Type.Integer({ title: "Tracks of the recorder", minimum: 1, maximum: 128 }),
      Type.Null(),
    ]),
    bankWh: Type.Union([Type.Number({ title: "Power bank", unit: "Wh", minimum: 1, maximum: 1000 }), Type.Null()]),
    listenDba: Type.Number({ title: "Headphones", unit: "dBA", minimum: 60, maximum: 120 }),
    listenHours: Type.Number({ title: "Listened", unit: "h", minimum: 0, maximum: 16 }),
  },
  strict,
);
export type ProvisionBody = Static<typeof ProvisionBody>;
