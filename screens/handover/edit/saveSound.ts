import { say } from "@/messages";
import type { Answer, Target } from "@/workers/editWorker";
import { saveBlob } from "../../files/saveFile";

type Picker = (options: object) => Promise<FileSystemFileHandle>;

/** A file that somebody picks to be written; null where the browser has no such, "none" where they think better of it. */
export async function pickTarget(name: string): Promise<Target | "none"> {
  const pick = (window as unknown as { showSaveFilePicker?: Picker }).showSaveFilePicker;
  if (!pick) return null;
  return pick({ suggestedName: name, types: [{ description: "WAV", accept: { "audio/wav": [".wav"] } }] }).catch(
    () => "none" as const,
  );
}

/** What is said when a new file was made: where it is, or why it is not. */
export function savedAs(name: string, target: Target, answer: Answer<Blob | null>): string {
  if ("refused" in answer) return say(answer.refused);
  if (answer.value) saveBlob(name, answer.value);
  return target ? `Saved as ${target.name}.` : `Saved as ${name} where the browser keeps downloads.`;
}

/** A file's name with something added before its ending. */
export const nameWith = (file: File, added: string): string => `${file.name.replace(/\.[^.]*$/, "")} ${added}.wav`;
