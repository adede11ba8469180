"use client";

import { FolderOpen } from "lucide-react";
import styled from "styled-components";
import { Button } from "@/ui/Button";
import { Row, Soft, Stack } from "@/ui/layout";
import type { BagFault } from "@/workers/copyWorker";
import { pickFolder } from "../../files/pickFolder";
import type { CopyState } from "./useCopy";
import { faultWords, progressWords } from "./copyWords";

const Bar = styled.progress`
  width: 100%;
  height: 12px;
  accent-color: var(--chalk);
`;

const Faults = styled.ul`
  margin: 0;
  padding: 0 0 0 1.1rem;
  max-height: 12rem;
  overflow-y: auto;
`;

/** A folder to be picked; its name when it is. */
export function FolderPick(props: {
  label: string;
  folder: FileSystemDirectoryHandle | null;
  isReadOnly?: boolean;
  onPick: (folder: FileSystemDirectoryHandle) => void;
}) {
  const { label, folder, isReadOnly = false, onPick } = props;
  const pick = async () => {
    const picked = await pickFolder(isReadOnly ? "read" : "readwrite");
    if (picked && picked !== "none") onPick(picked);
  };
  return (
    <Row $gap={0.5}>
      <Button onPress={() => void pick()}>
        <FolderOpen size={18} aria-hidden /> {label}
      </Button>
      <Soft>{folder ? folder.name : "no folder yet"}</Soft>
    </Row>
  );
}

/** How far a copy is, how fast, and how long it still takes. */
export function CopyProgress({ state, onStop }: { state: CopyState; onStop: () => void }) {
  return (
    <Stack $gap={0.4}>
      <Soft role="status">{progressWords(state)}</Soft>
      <Bar aria-label="Copied and compared" value={state.doneBytes} max={Math.max(1, state.allBytes)} />
      <div>
        <Button onPress={onStop}>Stop</Button>
      </div>
    </Stack>
  );
}

/** Files that are not what they should be. */
export function FaultList({ faults }: { faults: readonly BagFault[] }) {
  if (faults.length === 0) return null;
  return (
    <Faults aria-label="What differs">
      {faults.map((fault, at) => (
        <li key={at}>{faultWords(fault)}</li>
      ))}
    </Faults>
  );
}
