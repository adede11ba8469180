"use client";

import { DropZone, FileTrigger, Text, isDirectoryDropItem, isFileDropItem, type DropItem } from "react-aria-components";
import styled from "styled-components";
import { Button } from "./Button";

const Zone = styled(DropZone)`
  border: 2px dashed var(--seam);
  background: var(--paper-deep);
  padding: 1.4rem 1rem;
  display: grid;
  gap: 0.7rem;
  justify-items: center;
  text-align: center;
  &[data-drop-target] {
    border-color: var(--chalk);
    background: var(--chalk-soft);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--chalk);
  }
`;

/** Files that are taken from one drop at most. */
const MOST_FILES = 20_000;

/** A file and where it lay under what was dropped. */
export interface DroppedFile {
  file: File;
  path: string;
}

/** All files of what was dropped, folders and all; what cannot be opened is left out. */
async function filesIn(items: Iterable<DropItem> | AsyncIterable<DropItem>, under = ""): Promise<DroppedFile[]> {
  const found: DroppedFile[] = [];
  for await (const item of items) {
    if (found.length >= MOST_FILES) break;
    try {
      if (isFileDropItem(item)) found.push({ file: await item.getFile(), path: under + item.name });
      else if (isDirectoryDropItem(item)) found.push(...(await filesIn(item.getEntries(), `${under}${item.name}/`)));
    } catch {
      // A file that went away between the drop and here is missing in the list, and nothing else is.
    }
  }
  return found;
}

/** A place to drop a file on, or to choose one. */
export function FileDrop(props: {
  label: string;
  hint: string;
  accepts: readonly string[];
  /** What the button says; a recording when it says nothing. */
  button?: string;
  onFile?: (file: File) => void;
  /** Where several files at once make sense. */
  onFiles?: (files: readonly File[]) => void;
  /** Where whole folders make sense. */
  onCard?: (files: readonly DroppedFile[]) => void;
}) {
  const { onFile, onFiles, onCard } = props;
  const take = (files: readonly File[], dropped?: readonly DroppedFile[]) => {
    const [first] = files;
    if (!first) return;
    if (onCard && files.length > 1) onCard(dropped ?? files.map((file) => ({ file, path: file.name })));
    else if (onFiles) onFiles(files);
    else onFile?.(first);
  };
  return (
    <Zone
      onDrop={(event) => {
        void filesIn(event.items).then((dropped) =>
          take(
            dropped.map(({ file }) => file),
            dropped,
          ),
        );
      }}
    >
      <Text slot="label">{props.label}</Text>
      <FileTrigger
        acceptedFileTypes={[...props.accepts]}
        allowsMultiple={onFiles !== undefined || onCard !== undefined}
        onSelect={(files) => take([...(files ?? [])])}
      >
        <Button look="main">{props.button ?? "Choose a recording"}</Button>
      </FileTrigger>
      <small>{props.hint}</small>
    </Zone>
  );
}
