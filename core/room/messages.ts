import * as Type from "@sinclair/typebox";
import { type Message, storedMessage, type StoredCatalogue } from "../message";
import type { Grade } from "./roomVerdict";

/** What a band of a clap lacks, dB: range above the noise, reach down to it, or an even decay. */
export interface ClapLack {
  lacks: "range" | "reach" | "evenness";
  hz: number;
  hasDb: number;
  neededDb: number;
}

const Hz = Type.Number({ minimum: 0, maximum: 20_000 });
const strict = { additionalProperties: false } as const;

/** What lowers trust in a measured clap. */
const REMARKS = {
  "clap.several": { claps: Type.Integer({ minimum: 0 }), atS: Type.Number({ minimum: 0 }) },
  "clap.bent": { bandsHz: Type.Array(Hz, { maxItems: 8 }) },
  "clap.notAt": {
    bands: Type.Array(Type.Object({ hz: Hz, shortByDb: Type.Number({ minimum: 0, maximum: 400 }) }, strict), {
      maxItems: 8,
    }),
  },
  /** As it was said by a release before. */
  "clap.asWritten": { text: Type.String({ maxLength: 300 }) },
} as const;
export const ClapRemark = storedMessage(REMARKS);
export type ClapRemark = Type.Static<typeof ClapRemark>;

/** So many pieces of a treatment, by name; null: they stand in the room, or cover the bare surface. */
export interface Pieces {
  name: string;
  plural: string;
  count: number;
  surface: string | null;
  over: string | null;
}

/** What is said of a place: its sound, what would help, and a clap. Distances in m, times in s. */
export type RoomCatalogue = StoredCatalogue<typeof REMARKS> & {
  "place.corner": { side: "length" | "width" };
  "place.noSurface": { surface: string };
  "place.partsTooLarge": { surface: string; wholeM2: number; usedM2: number };
  "clap.notSound": object;
  "clap.silent": object;
  "clap.none": object;
  "clap.tooQuiet": { peakDbfs: number };
  "clap.clipped": object;
  "clap.nextAtOnce": object;
  "clap.stopsAtOnce": object;
  "clap.notEvaluated": ClapLack & { endsBy: "nextClap" | "cut" | "noise" };
  "room.verdict": { reverberation: Grade | "open"; noise: Grade };
  "room.keepWithin": { withinM: number };
  "room.lowsRing": object;
  "room.stopNoises": object;
  "room.passing": { noises: number };
  "room.wind": object;
  "room.anyPlace": object;
  "room.dryEnough": object;
  "room.nothingHelps": object;
  "room.pieces": Pieces;
  /** `isAll`: there is nothing more to get. */
  "room.treatments": { pieces: readonly Pieces[]; isAll: boolean; beforeS: number; afterS: number };
};
export type RoomMessage = Message<RoomCatalogue>;
