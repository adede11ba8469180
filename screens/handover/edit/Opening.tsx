"use client";

import styled from "styled-components";
import { Soft, Stack } from "@/ui/layout";
import type { OpenState } from "./useOpened";

const Progress = styled.progress`
  width: 100%;
  height: 12px;
  accent-color: var(--chalk);
`;

/** What is seen until a recording is measured, or why it is not. */
export function Opening({ state, hint }: { state: OpenState; hint: string }) {
  if (state.phase === "none") return <Soft>{hint}</Soft>;
  if (state.phase === "refused") return <p role="alert">{state.says}</p>;
  if (state.phase === "open") return null;
  return (
    <Stack $gap={0.4}>
      <Soft role="status">Measuring it</Soft>
      <Progress aria-label="Measured" value={state.share} max={1} />
    </Stack>
  );
}

/** How far something is that is being written. */
export function Working({ says, share }: { says: string; share: number }) {
  return (
    <Stack $gap={0.3}>
      <Soft role="status">{says}</Soft>
      <Progress aria-label={says} value={share} max={1} />
    </Stack>
  );
}
