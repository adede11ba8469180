"use client";

import { kindName, say } from "@/messages";
import { useState } from "react";
import { readWavHeader, RecordingRefusal } from "@/core/audio";
import { type Finding, markedCopy, type MarkedCopy as Changes } from "@/core/check";
import { blobSource } from "@/workers/blobSource";
import { Button } from "@/ui/Button";
import { Soft } from "@/ui/layout";
import { saveBlob } from "../files/saveFile";

/** The copy as a blob of pieces of the file: nothing of the sound is read into memory. */
function blobOf(file: File, { keepBytes, patches, tail }: Changes): Blob {
  const parts: BlobPart[] = [];
  let at = 0;
  for (const { offset, bytes } of patches) {
    parts.push(file.slice(at, offset), bytes);
    at = offset + bytes.length;
  }
  return new Blob([...parts, file.slice(at, keepBytes), tail], { type: "audio/wav" });
}

async function copyWith(file: File, findings: readonly Finding[]): Promise<Blob> {
  const { sampleRateHz } = await readWavHeader(blobSource(file));
  const markers = findings.map(({ kind, channel, startS, endS }) => ({
    atFrame: Math.round(startS * sampleRateHz),
    frames: Math.round((endS - startS) * sampleRateHz),
    label: `${kindName(kind)}${channel === null ? "" : `, track ${channel + 1}`}`,
  }));
  return blobOf(file, await markedCopy(blobSource(file), markers));
}

/** Saves a copy of the file with the findings as markers. */
export function MarkedCopy({ file, name, findings }: { file: File; name: string; findings: readonly Finding[] }) {
  const [fault, setFault] = useState<string | null>(null);
  if (findings.length === 0 || !/\.(wav|wave|bwf|rf64)$/i.test(file.name)) return null;
  const save = () =>
    copyWith(file, findings).then(
      (blob) => {
        setFault(null);
        saveBlob(`${name} marked.wav`, blob);
      },
      (error: unknown) =>
        setFault(say(error instanceof RecordingRefusal ? error.says : { code: "refused.unreadable" })),
    );
  return (
    <>
      <Button look="quiet" onPress={() => void save()}>
        Copy with markers
      </Button>
      {fault && <Soft role="alert">{fault}</Soft>}
    </>
  );
}
