import type { MatchBody } from "../../core/records";
import { match } from "../../db/schema";
import { oldestFirst, repository } from "./repository";

export const matches = repository({
  kind: "match",
  table: match,
  shootId: match.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(match)
      .where(where)
      .orderBy(...oldestFirst(match)),
  bodies: async (_, rows) =>
    rows.map(({ shootId, picture, pictureS, sound, soundS, sampleRateHz, soundStartS, ...own }) => ({
      ...{ shootId, picture, pictureS, sound, soundS, sampleRateHz, soundStartS },
      ...{ offsetS: own.offsetS, nudgeS: own.nudgeS, driftPpm: own.driftPpm },
      ...{ confidence: own.confidence, isInverted: own.isInverted, by: own.by as MatchBody["by"] },
    })),
  columns: (body) => body,
});
