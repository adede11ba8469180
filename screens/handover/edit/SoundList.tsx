"use client";

import styled from "styled-components";
import { Piece, Soft, Stack } from "@/ui/layout";
import type { DroppedFile } from "@/ui/FileDrop";

const List = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  max-height: 26rem;
  overflow-y: auto;
  button {
    width: 100%;
    min-height: var(--hit);
    padding: 0.2rem 0.6rem;
    border: 0;
    border-top: 1px solid var(--seam-soft);
    background: none;
    color: inherit;
    font: inherit;
    text-align: left;
    overflow-wrap: anywhere;
    cursor: pointer;
  }
  button[aria-pressed="true"] {
    background: var(--chalk-soft);
    box-shadow: inset 4px 0 0 var(--chalk);
    font-weight: 600;
  }
`;

/** The recordings that were dropped on this page, one of them chosen. */
export function SoundList(props: {
  sounds: readonly DroppedFile[];
  chosen: DroppedFile | null;
  onChoose: (sound: DroppedFile) => void;
}) {
  const { sounds, chosen, onChoose } = props;
  return (
    <Piece aria-label="Recordings" $tight>
      <Stack $gap={0.4}>
        <h2>Recordings</h2>
        {sounds.length === 0 ? (
          <Soft>Drop the day&apos;s sound files below.</Soft>
        ) : (
          <List>
            {sounds.map((sound) => (
              <li key={sound.path}>
                <button type="button" aria-pressed={sound === chosen} onClick={() => onChoose(sound)}>
                  {sound.file.name}
                </button>
              </li>
            ))}
          </List>
        )}
      </Stack>
    </Piece>
  );
}
