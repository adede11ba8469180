"use client";

import * as Comlink from "comlink";
import { useEffect, useState } from "react";
import type { FileContent } from "@/core/records";
import type { HashDoor } from "@/workers/hashWorker";

/** What tells files from each other by what they hold, one after the other; a file that cannot be read is told by its size only. */
export async function contentsOf(files: readonly File[]): Promise<FileContent[]> {
  const worker = new Worker(new URL("../../workers/hashWorker.ts", import.meta.url), { type: "module" });
  const door = Comlink.wrap<HashDoor>(worker);
  try {
    const contents: FileContent[] = [];
    for (const file of files) contents.push({ hash: await door.hash(file).catch(() => null), sizeBytes: file.size });
    return contents;
  } finally {
    worker.terminate();
  }
}

/** What a file holds; null until it is read. */
export function useContent(file: File): FileContent | null {
  const [known, setKnown] = useState<{ file: File; content: FileContent } | null>(null);
  useEffect(() => {
    let isWanted = true;
    void contentsOf([file]).then(([content]) => {
      if (isWanted) setKnown({ file, content: content! });
    });
    return () => {
      isWanted = false;
    };
  }, [file]);
  return known?.file === file ? known.content : null;
}
