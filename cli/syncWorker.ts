import { dirname } from "node:path";
import { parentPort } from "node:worker_threads";
import * as Comlink from "comlink";
import nodeEndpoint from "comlink/dist/esm/node-adapter.mjs";
import { RecordingRefusal } from "../core/audio";
import { alignPair, type Candidate, type Landmarks, isWavName, type Match, openSound, type Side } from "../core/sync";
import type { AnyMessage } from "../messages";
import { openPicture } from "../picture/openPicture";
import { fileRefusal, openFileSource } from "./fileSource";

/** What listening to one file came to. */
export interface Heard {
  path: string;
  isPicture: boolean;
  device: string;
  seconds: number;
  frameRate: number | null;
  startS: number | null;
  landmarks: Landmarks | null;
  /** Why it cannot be lined up; null where it can. */
  says: AnyMessage | null;
}

async function opened<Result>(
  path: string,
  act: (source: Awaited<ReturnType<typeof openFileSource>>) => Promise<Result>,
) {
  const source = await openFileSource(path);
  try {
    return await act(source);
  } finally {
    await source.close();
  }
}

function scan(path: string, isPicture: boolean): Promise<Heard> {
  const unknown = { seconds: 0, frameRate: null, startS: null, landmarks: null };
  const nothing = { path, isPicture, device: dirname(path), ...unknown };
  return opened(path, async (source): Promise<Heard> => {
    if (isWavName(path)) {
      const { seconds, startOfDayS, scan: listen } = await openSound(source);
      return { ...nothing, seconds, startS: startOfDayS, landmarks: await listen(), says: null };
    }
    const { seconds, frameRate, sound } = await openPicture(source);
    const facts = { ...nothing, seconds, frameRate };
    if (!sound) return { ...facts, says: { code: "sync.noSound" } };
    if ("codec" in sound) return { ...facts, says: { code: "sync.codec", codec: sound.codec, isShell: true } };
    return { ...facts, landmarks: await sound.scan(), says: null };
  }).catch((error: unknown) => {
    const refusal = fileRefusal(error);
    if (refusal instanceof RecordingRefusal) return { ...nothing, says: refusal.says };
    throw error;
  });
}

/** A side whose windows are read as they are asked for; what went away meanwhile is silent. */
function sideOf({ path, seconds }: Pick<Heard, "path" | "seconds">): Side {
  const silence = { samples: new Float32Array(0), sampleRateHz: 48_000 };
  return {
    seconds,
    read: (fromS, wantedS) =>
      opened(path, async (source) => {
        if (isWavName(path)) return (await openSound(source)).read(fromS, wantedS);
        const { sound } = await openPicture(source);
        return sound && "read" in sound ? sound.read(fromS, wantedS) : silence;
      }).catch(() => silence),
  };
}

const door = {
  scan,
  align: (
    candidate: Candidate,
    picture: Pick<Heard, "path" | "seconds">,
    sound: Pick<Heard, "path" | "seconds">,
  ): Promise<Match | null> => alignPair(candidate, sideOf(picture), sideOf(sound)),
};
export type SyncDoor = typeof door;

if (parentPort) Comlink.expose(door, nodeEndpoint(parentPort));
