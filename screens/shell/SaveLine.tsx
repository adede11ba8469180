"use client";

import styled from "styled-components";
import type { SaveState } from "../saving/saveQueue";

const Line = styled.p<{ $isTrouble: boolean }>`
  font-size: 0.85rem;
  color: ${({ $isTrouble }) => ($isTrouble ? "var(--bad)" : "var(--ink-soft)")};
  font-weight: ${({ $isTrouble }) => ($isTrouble ? 600 : 400)};
`;

function words({ phase, message }: SaveState): string {
  switch (phase) {
    case "saved":
      return "All saved";
    case "saving":
      return "Saving…";
    case "waiting":
      return "Server away: kept on this device, trying again";
    case "refused":
      return message ?? "Not saved: look at the marked field";
  }
}

/** Whether what was typed is safe. */
export function SaveLine({ state }: { state: SaveState }) {
  return (
    <Line role="status" $isTrouble={state.phase === "waiting" || state.phase === "refused"}>
      {words(state)}
    </Line>
  );
}
