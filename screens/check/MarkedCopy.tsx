"use client";

import { kindName, say } from "@/messages";
import { useState } from "react";
import { readWavHeader, RecordingRefusal } from "@/core/audio";
import type { Finding } from "@/core/check";
import { taggedCopy } from "@/core/tags";
import { blobSource } from "@/workers/blobSource";
import { Button } from "@/ui/Button";
import { Soft } from "@/ui/layout";
import { copyBlob } from "../files/copyBlob";
import { saveBlob } from "../files/saveFile";

async function copyWith(file: File, findings: readonly Finding[]): Promise<Blob> {
  const { sampleRateHz } = await readWavHeader(blobSource(file));
  const markers = findings.map(({ kind, channel, startS, endS }) => ({
    atFrame: Math.round(startS * sampleRateHz),
    frames: Math.round((endS - startS) * sampleRateHz),
    label: `${kindName(kind)}${channel === null ? "" : `, track ${channel + 1}`}`,
  }));
  return copyBlob(file, await taggedCopy(blobSource(file), { markers }));
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
