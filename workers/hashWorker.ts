import * as Comlink from "comlink";
import { createXXHash128 } from "hash-wasm";

/** Reads a file from one end to the other. */
async function hash(file: Blob): Promise<string> {
  const hasher = await createXXHash128();
  hasher.init();
  const reader = file.stream().getReader();
  for (let part = await reader.read(); !part.done; part = await reader.read()) hasher.update(part.value);
  return `xxh128:${hasher.digest("hex")}`;
}

const door = { hash };
export type HashDoor = typeof door;

Comlink.expose(door);
