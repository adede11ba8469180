import type { RecordBodies, RecordKind } from "../../core/records";
import { kitItem, provision, rig, scene, shoot, takeDetail } from "../../db/schema";
import { oldestFirst, repository } from "./repository";

/** Records of one row each. */

export const shoots = repository({
  kind: "shoot",
  table: shoot,
  shootId: shoot.id,
  rows: (connection, where) =>
    connection
      .select()
      .from(shoot)
      .where(where)
      .orderBy(...oldestFirst(shoot)),
  bodies: async (_, rows) =>
    rows.map(({ title, firstDay, days, units, clock, frameRate, delivery, sampleRateHz, bitsPerSample }) => ({
      ...{ title, firstDay, days, units, clock, frameRate, delivery, sampleRateHz, bitsPerSample },
    })),
  columns: plain<"shoot">,
});

export const scenes = repository({
  kind: "scene",
  table: scene,
  shootId: scene.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(scene)
      .where(where)
      .orderBy(...oldestFirst(scene)),
  bodies: async (_, rows) =>
    rows.map(({ shootId, title, placeId, day, startsAt, lengthMin, takeMin }) => ({
      ...{ shootId, title, placeId, day, startsAt, lengthMin, takeMin },
    })),
  columns: plain<"scene">,
});

export const rigs = repository({
  kind: "rig",
  table: rig,
  shootId: rig.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(rig)
      .where(where)
      .orderBy(...oldestFirst(rig)),
  bodies: async (_, rows) =>
    rows.map(
      ({ shootId, wearerId, sceneId, performance, outfit, aims, choice, packPlace, isRigged, consent, ...row }) => {
        const { lavId, packId, receiverId, inputId, voiceTodayDb, targetDbfs, ceilingDbfs } = row;
        return {
          ...{ shootId, wearerId, sceneId, performance, outfit, aims, choice, packPlace, isRigged, consent },
          ...{ lavId, packId, receiverId, inputId, voiceTodayDb, targetDbfs, ceilingDbfs },
        };
      },
    ),
  columns: plain<"rig">,
});

export const kitItems = repository({
  kind: "kitItem",
  table: kitItem,
  shootId: kitItem.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(kitItem)
      .where(where)
      .orderBy(...oldestFirst(kitItem)),
  bodies: async (_, rows) => rows.map(({ shootId, kind, name, figures }) => ({ shootId, kind, name, figures })),
  columns: plain<"kitItem">,
});

export const provisions = repository({
  kind: "provision",
  table: provision,
  shootId: provision.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(provision)
      .where(where)
      .orderBy(...oldestFirst(provision)),
  bodies: async (_, rows) =>
    rows.map(({ shootId, cardsGb, fileLimit, hasFloat, hasSafetyTracks, temperatureC, packBattery, ...row }) => {
      const { recorderBattery, hasMains, recorderTracks, bankWh, listenDba, listenHours } = row;
      return {
        ...{ shootId, cardsGb, fileLimit, hasFloat, hasSafetyTracks, temperatureC, packBattery },
        ...{ recorderBattery, hasMains, recorderTracks, bankWh, listenDba, listenHours },
      };
    }),
  columns: plain<"provision">,
});

export const takeDetails = repository({
  kind: "takeDetail",
  table: takeDetail,
  shootId: takeDetail.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(takeDetail)
      .where(where)
      .orderBy(...oldestFirst(takeDetail)),
  bodies: async (_, rows) =>
    rows.map(({ shootId, measurementId, overall, channels, findings, reviews }) => ({
      ...{ shootId, measurementId, overall, channels, findings, reviews },
    })),
  columns: plain<"takeDetail">,
});

/** A body whose fields are the columns. */
function plain<Kind extends RecordKind>(body: RecordBodies[Kind]): object {
  return body;
}
