import { createXXHash128 } from "hash-wasm";

/** Hash of a file's content. Source: XXH128 of xxHash 0.8. */
export async function hashOf(bytes: Uint8Array): Promise<string> {
  const hasher = await createXXHash128();
  return `xxh128:${hasher.init().update(bytes).digest("hex")}`;
}
