import * as Comlink from "comlink";
import { type Entry, type Folder, type Placed, placeFile } from "./fileCopy";

const TOLD_EVERY_MS = 100;

const door = {
  /** Copies one file and reads it back; bytes are told in lots, for each telling crosses to another worker. */
  async place(entry: Entry, targets: readonly Folder[], onBytes: (bytes: number) => void): Promise<Placed> {
    let [untold, toldAt] = [0, performance.now()];
    const tell = () => {
      onBytes(untold);
      [untold, toldAt] = [0, performance.now()];
    };
    const placed = await placeFile(entry, targets, (bytes) => {
      untold += bytes;
      if (performance.now() - toldAt >= TOLD_EVERY_MS) tell();
    });
    tell();
    return placed;
  },
};
export type FileDoor = typeof door;

Comlink.expose(door);
