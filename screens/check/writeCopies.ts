import { RecordingRefusal } from "@/core/audio";
import { marksByRoll, nameFacts, rollSetupOf, takeTags } from "@/core/planning";
import type { ShootBundle } from "@/core/records";
import { nameBy, schemeFault } from "@/core/roll";
import { monoFiles, monoSound, taggedCopy } from "@/core/tags";
import { markName, say } from "@/messages";
import { blobSource } from "@/workers/blobSource";
import { copyBlob } from "../files/copyBlob";
import type { Folder } from "../files/pickFolder";
import { saveBlob } from "../files/saveFile";
import { takeName } from "../roll/rollWords";
import type { LogMatch } from "./cardLog";
import { factsOf } from "./useCard";

/** The tracks of a file as files of their own; a file of one track as it is. Pieces go into blobs, which may lie on the disk. */
export async function trackBlobs(whole: Blob): Promise<readonly { suffix: string; blob: Blob }[]> {
  const source = blobSource(whole);
  try {
    const files = [];
    for (const { channel, head } of await monoFiles(source)) {
      const parts = [new Blob([head])];
      for await (const piece of monoSound(source, channel)) parts.push(new Blob([piece]));
      files.push({ suffix: `_${channel + 1}`, blob: new Blob(parts, { type: "audio/wav" }) });
    }
    return files;
  } catch (error) {
    if (error instanceof RecordingRefusal && error.says.code === "refused.oneTrack")
      return [{ suffix: "", blob: whole }];
    throw error;
  }
}

/** A name that is taken in the folder: it may be the card itself, and nothing of it is written over. */
class NameTaken extends Error {}

const isThere = (folder: Folder, name: string): Promise<boolean> =>
  folder.getFileHandle(name).then(
    () => true,
    (error: unknown) => {
      if ((error as DOMException).name === "NotFoundError") return false;
      throw error;
    },
  );

async function keep(folder: Folder | null, name: string, blob: Blob): Promise<void> {
  if (!folder) {
    saveBlob(name, blob);
    return;
  }
  if (await isThere(folder, name)) throw new NameTaken(name);
  const writable = await (await folder.getFileHandle(name, { create: true })).createWritable();
  await writable.write(blob);
  await writable.close();
}

/** Copies of a card's files with what the log says of them, named by the scheme. `refusal`: why it stopped. */
export async function writeCopies(
  bundle: ShootBundle,
  matches: readonly LogMatch[],
  { folder, isPerTrack }: { folder: Folder | null; isPerTrack: boolean },
): Promise<{ written: number; refusal: string | null }> {
  const { scheme, counter } = rollSetupOf(bundle);
  let written = 0;
  try {
    for (const { takes, files } of matches) {
      const roll = takes[0]!;
      const marks = marksByRoll(bundle).get(roll.id) ?? [];
      const labelOf = ({ body }: (typeof marks)[number]) => `${markName(body.kind)}${body.note && `: ${body.note}`}`;
      let fromS = 0;
      for (const [at, item] of files.entries()) {
        const { file } = item;
        const facts = factsOf(item);
        if (!facts) continue;
        const { durationS: lengthS, sampleRateHz } = facts;
        const part = { fromS, lengthS, sampleRateHz };
        const tags = takeTags(bundle, roll, marks, { name: takeName(roll.body), labelOf }, part);
        const byScheme = schemeFault(scheme) ? "" : nameBy(scheme, nameFacts(bundle, roll.body, counter));
        const named = roll.body.fileName || byScheme || file.name.replace(/\.[^.]*$/, "");
        const copy = copyBlob(file, await taggedCopy(blobSource(file), tags));
        const name = `${named}${files.length > 1 ? `_part${at + 1}` : ""}`;
        for (const { suffix, blob } of isPerTrack ? await trackBlobs(copy) : [{ suffix: "", blob: copy }]) {
          await keep(folder, `${name}${suffix}.wav`, blob);
          written += 1;
        }
        fromS += lengthS;
      }
    }
    return { written, refusal: null };
  } catch (error) {
    if (error instanceof RecordingRefusal) return { written, refusal: say(error.says) };
    if (error instanceof NameTaken)
      return { written, refusal: `${error.message} is in that folder already. Choose an empty one.` };
    return { written, refusal: "The folder could not be written." };
  }
}
