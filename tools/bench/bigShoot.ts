import { type MeasurementBody, newScene, type RecordBodies, type RecordKind } from "../../core/records";
import { SLACK_WATER } from "../../demo/slackWater";

/** A record of a shoot that is made for measuring. */
export interface Made<Kind extends RecordKind = RecordKind> {
  kind: Kind;
  id: string;
  body: RecordBodies[Kind];
}

/** An id that follows from what it is for. */
const idIn =
  (shoot: number) =>
  (group: number, number: number): string =>
    `b16b00b5-${shoot.toString(16).padStart(4, "0")}-4000-8${group.toString(16).padStart(3, "0")}-${number.toString(16).padStart(12, "0")}`;

const pick = <Each>(list: readonly Each[], at: number): Each => list[at % list.length]!;

/**
 * A shoot as large as asked for: every talent is in so many scenes, dressed like the demo's. Takes are told as measured, with
 * figures that are as good as any.
 */
export function bigShoot(size: { talents: number; scenes: number; scenesEach: number; takes: number }): {
  shootId: string;
  records: Made[];
} {
  const idOf = idIn(size.scenesEach * 1000 + (size.takes % 1000));
  const shootId = idOf(0, 0);
  const places = Object.values(SLACK_WATER.places);
  const wearers = Object.entries(SLACK_WATER.wearers);
  const records: Made[] = [
    {
      kind: "shoot",
      id: shootId,
      body: { ...SLACK_WATER.shoot, title: `${size.talents} talents, ${size.scenes} scenes`, days: 10 },
    },
    ...places.map((body, at): Made => ({ kind: "place", id: idOf(1, at), body: { ...body, shootId } })),
  ];
  const rigIds: string[] = [];
  for (let at = 0; at < size.scenes; at += 1)
    records.push({
      kind: "scene",
      id: idOf(2, at),
      body: {
        ...newScene(shootId),
        title: `Scene ${at + 1}`,
        day: 1 + Math.floor((at * 10) / size.scenes),
        startsAt: `${String(6 + (at % 12)).padStart(2, "0")}:${at % 2 ? "30" : "00"}`,
        placeId: idOf(1, at % places.length),
      },
    });
  for (let at = 0; at < size.talents; at += 1) {
    const [likeId, like] = pick(wearers, at);
    const rig = Object.values(SLACK_WATER.rigs).find(({ wearerId }) => wearerId === likeId)!;
    records.push({ kind: "wearer", id: idOf(3, at), body: { ...like, shootId, name: `Talent ${at + 1}` } });
    for (let scene = 0; scene < size.scenesEach; scene += 1) {
      const id = idOf(4, rigIds.length);
      rigIds.push(id);
      const body = {
        ...rig,
        ...{ shootId, wearerId: idOf(3, at), sceneId: idOf(2, (at + scene) % size.scenes) },
        ...{ lavId: null, packId: null, receiverId: null, inputId: null },
      };
      records.push({ kind: "rig", id, body });
    }
  }
  for (let at = 0; at < size.takes; at += 1)
    records.push({ kind: "measurement", id: idOf(5, at), body: measured(shootId, pick(rigIds, at), at) });
  return { shootId, records };
}

function measured(shootId: string, rigId: string, at: number): MeasurementBody {
  const levels = { peakDbfs: -9.4, speechDbfs: -22.5, noiseDbfs: -61, snrDb: 38.5 };
  return {
    ...{ shootId, rigId, channel: 0 },
    file: {
      ...{ name: `take-${at + 1}.wav`, hash: `xxh128:${at.toString(16).padStart(32, "0")}` },
      ...{ sizeBytes: 8_640_044, timeReference: at * 2_880_000 },
      format: {
        ...{ container: "wav", encoding: "pcm", channels: 1 },
        ...{ sampleRateHz: 48_000, bitsPerSample: 24, durationS: 60 },
      },
    },
    measured: { ...levels, pitchHz: 120 },
    planned: levels,
    grade: at % 9 === 0 ? "redo" : "good",
    said: { worst: null, correction: { byDb: null, isAtLeast: false, turns: [], advice: null }, redress: null },
  };
}
