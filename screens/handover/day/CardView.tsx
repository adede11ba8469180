"use client";

import { ShieldCheck } from "lucide-react";
import { useState } from "react";
import { Button } from "@/ui/Button";
import { Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import type { BagFault, BagResult, Entry } from "@/workers/copyWorker";
import { canPickFolders } from "../../files/pickFolder";
import { CopyProgress, FaultList, FolderPick } from "./CopyParts";
import { isTwice } from "./targets";
import { today } from "./today";
import { filesWords, sizeWords, stoppedWords } from "./copyWords";
import { useCopy } from "./useCopy";

type Folder = FileSystemDirectoryHandle;

/** Every file of a card, wherever it lies; what systems put there for themselves stays. */
async function filesOf(card: Folder, under = ""): Promise<Entry[]> {
  const found: Entry[] = [];
  for await (const [name, handle] of card.entries()) {
    if (handle.kind === "directory") found.push(...(await filesOf(handle, `${under}${name}/`)));
    else {
      const blob = await handle.getFile();
      found.push({ path: under + name, blob, changedMs: blob.lastModified });
    }
  }
  return found.toSorted((one, other) => (one.path < other.path ? -1 : 1));
}

function outcome(result: BagResult): string {
  const stopped = stoppedWords(result);
  if (stopped) return stopped;
  if (result.faults.length > 0) return "Do not format the card: some files differ. Press again to copy them once more.";
  if (result.manifest === null) return "Stopped. What is copied stays: press again to go on.";
  const bytes = result.files.reduce((sum, file) => sum + file.bytes, 0);
  const all =
    result.files.length === 1
      ? `The file (${sizeWords(bytes)}) is`
      : `All ${result.files.length} files (${sizeWords(bytes)}) are`;
  return `${all} the same on both. This card may be formatted, in the recorder.`;
}

function checked(result: { files: number; faults: readonly BagFault[] } | null): string {
  if (!result) return "This is no finished copy: its lists are missing.";
  return result.faults.length === 0
    ? `${result.files === 1 ? "The file is what it was." : `All ${result.files} files are what they were.`}`
    : `${filesWords(result.faults.length)} of ${result.files} ${result.faults.length === 1 ? "is" : "are"} not what ${result.faults.length === 1 ? "it was" : "they were"}.`;
}

/** A card to two folders, read once, compared with what arrived; and old copies compared with their lists. */
export function CardView() {
  const [card, setCard] = useState<Folder | null>(null);
  const [entries, setEntries] = useState<readonly Entry[]>([]);
  const [targets, setTargets] = useState<readonly (Folder | null)[]>([null, null]);
  const [says, setSays] = useState<string | null>(null);
  const [faults, setFaults] = useState<readonly BagFault[]>([]);
  const { state, copy, check, cancel } = useCopy();
  if (!canPickFolders())
    return (
      <Piece aria-label="Copy a card">
        <Soft>This browser cannot write into folders. Copy the card with the hypophon copy command.</Soft>
      </Piece>
    );
  const chosen = targets.filter((each) => each !== null);
  const open = async (folder: Folder) => {
    setCard(folder);
    setSays(null);
    setFaults([]);
    setEntries(await filesOf(folder).catch(() => []));
  };
  const run = async () => {
    if (!card) return;
    setSays(null);
    setFaults([]);
    if (await isTwice(chosen)) {
      setSays("Both copies would go into one folder. Choose two, on two disks.");
      return;
    }
    const isSame = await Promise.all(chosen.map((target) => target.isSameEntry(card)));
    const isInside = await Promise.all(chosen.map(async (target) => (await card.resolve(target)) !== null));
    if ([...isSame, ...isInside].some(Boolean)) {
      setSays("A target lies on the card. Choose folders on other disks.");
      return;
    }
    const result = await copy(entries, chosen, { date: today(), about: `copy of ${card.name}` });
    setSays(outcome(result));
    setFaults(result.faults);
  };
  const verify = async (bag: Folder) => {
    setSays(null);
    setFaults([]);
    const result = await check(bag);
    setSays(checked(result));
    setFaults(result?.faults ?? []);
  };
  const bytes = entries.reduce((sum, { blob }) => sum + blob.size, 0);
  return (
    <Piece aria-label="Copy a card">
      <Stack $gap={0.8}>
        <Lead role="status" data-part="verdict">
          {card === null
            ? "Choose the card, then two folders on two disks."
            : entries.length === 0
              ? `${card.name} holds no file.`
              : `${card.name}: ${filesWords(entries.length)}, ${sizeWords(bytes)}.`}
        </Lead>
        <Row>
          <FolderPick label="Card" isReadOnly folder={card} onPick={(folder) => void open(folder)} />
          {targets.map((target, place) => (
            <FolderPick
              key={place}
              label={place === 0 ? "First copy" : "Second copy"}
              folder={target}
              onPick={(folder) => setTargets((all) => all.map((each, at) => (at === place ? folder : each)))}
            />
          ))}
        </Row>
        {state && <CopyProgress state={state} onStop={cancel} />}
        <Row>
          <Button
            look="main"
            isDisabled={entries.length === 0 || chosen.length < 2 || state !== null}
            onPress={() => void run()}
          >
            <ShieldCheck size={18} aria-hidden /> Copy and compare
          </Button>
          <Soft role="status">{says ?? "Each file is read once, written twice, read back and compared."}</Soft>
        </Row>
        <FaultList faults={faults} />
        <Row>
          <FolderPick label="Verify an old copy" isReadOnly folder={null} onPick={(bag) => void verify(bag)} />
        </Row>
      </Stack>
    </Piece>
  );
}
