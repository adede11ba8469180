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
  onFile: (file: File) => void;
}) {
  return (
    <Zone
      onDrop={(event) => {
        const item = event.items.find(isFileDropItem);
        if (item) void item.getFile().then(props.onFile);
      }}
    >
      <Text slot="label">{props.label}</Text>
      <FileTrigger acceptedFileTypes={[...props.accepts]} onSelect={(files) => files?.[0] && props.onFile(files[0])}>
        <Button look="main">Choose a recording</Button>
      </FileTrigger>
      <small>{props.hint}</small>
    </Zone>
  );
}
