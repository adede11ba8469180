import { sql } from "drizzle-orm";
import { boolean, doublePrecision, index, integer, pgTable, text, uniqueIndex } from "drizzle-orm/pg-core";
import { MatchBody } from "../../core/records";
import { holds } from "./kept";
import { inShoot, keptInShoot } from "./shoot";

const { properties: fields } = MatchBody;

/** A picture file and the sound file that belongs to it. */
export const match = pgTable(
  "match",
  {
    ...keptInShoot,
    picture: text("picture").notNull(),
    pictureS: doublePrecision("picture_s").notNull(),
    sound: text("sound").notNull(),
    soundS: doublePrecision("sound_s").notNull(),
    sampleRateHz: integer("sample_rate_hz").notNull(),
    soundStartS: doublePrecision("sound_start_s"),
    offsetS: doublePrecision("offset_s").notNull(),
    nudgeS: doublePrecision("nudge_s").notNull(),
    driftPpm: doublePrecision("drift_ppm"),
    confidence: doublePrecision("confidence").notNull(),
    isInverted: boolean("is_inverted").notNull(),
    by: text("by").notNull().default("sound"),
  },
  (table) => [
    index("match_shoot").on(table.shootId, table.seq),
    inShoot("match_of_shoot", table),
    uniqueIndex("match_one_a_pair")
      .on(table.shootId, table.picture, table.sound)
      .where(sql`deleted_at is null`),
    holds("match", table.pictureS, fields.pictureS),
    holds("match", table.soundS, fields.soundS),
    holds("match", table.sampleRateHz, fields.sampleRateHz),
    holds("match", table.soundStartS, fields.soundStartS),
    holds("match", table.offsetS, fields.offsetS),
    holds("match", table.nudgeS, fields.nudgeS),
    holds("match", table.driftPpm, fields.driftPpm),
    holds("match", table.confidence, fields.confidence),
    holds("match", table.by, fields.by),
  ],
);
