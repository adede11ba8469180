"use client";

import { DropZone, FileTrigger, Text, isFileDropItem } from "react-aria-components";
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
}) {
  const { onFile, onFiles } = props;
  const take = (files: readonly File[]) => {
    const [first] = files;
    if (!first) return;
    if (onFiles) onFiles(files);
    else onFile?.(first);
  };
  return (
    <Zone
      onDrop={(event) => {
        const items = event.items.filter(isFileDropItem);
        void Promise.all(items.map((item) => item.getFile())).then(take);
      }}
    >
      <Text slot="label">{props.label}</Text>
      <FileTrigger
        acceptedFileTypes={[...props.accepts]}
        allowsMultiple={onFiles !== undefined}
        onSelect={(files) => take([...(files ?? [])])}
      >
        <Button look="main">{props.button ?? "Choose a recording"}</Button>
      </FileTrigger>
      <small>{props.hint}</small>
    </Zone>
  );
}
