"use client";

import { later } from "@/ui/later";
import { useState } from "react";
import styled from "styled-components";
import { may } from "@/core/crew";
import { useHub, useShootPart } from "@/data/ShootProvider";
import { knownRole } from "@/data/server";
import type { SaveState } from "@/data/shootStore";
import { Button } from "@/ui/Button";
import { saveFile } from "../files/saveFile";

// Few are ever in trouble; where the page was opened without a network, the device has it.
const TroubleDialog = later(() => import("./TroubleDialog").then((module) => module.TroubleDialog));

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 0.4rem;
  font-size: 0.85rem;
`;

const Says = styled.p<{ $isTrouble: boolean }>`
  color: ${({ $isTrouble }) => ($isTrouble ? "var(--bad)" : "var(--ink-soft)")};
  font-weight: ${({ $isTrouble }) => ($isTrouble ? 600 : 400)};
`;

const changes = (count: number): string => (count === 1 ? "1 change" : `${count} changes`);

/** How it stands with what was typed: true, and with where it is meanwhile. */
export function savingWords({ phase, pending, kept }: SaveState, inTrouble: number): string {
  switch (phase) {
    case "saved":
      return "All saved";
    case "saving":
      return "Saving…";
    case "away":
      return kept === "device"
        ? `Server unreachable: ${changes(pending)} kept on this device`
        : `Not saved: server unreachable, and this browser keeps nothing. ${changes(pending)} in this page only`;
    case "trouble": {
      const rest = pending - inTrouble;
      const waiting = rest > 0 ? `, ${changes(rest)} on the way` : "";
      return kept === "device"
        ? `${changes(inTrouble)} not saved${waiting}`
        : `${changes(inTrouble)} not saved, in this page only${waiting}`;
    }
  }
}

/** Whether what was typed is safe, and what can be done where it is not. */
export function SaveLine() {
  const hub = useHub();
  const saving = useShootPart((snapshot) => snapshot.saving);
  const troubles = useShootPart((snapshot) => snapshot.troubles);
  const [isOpen, setIsOpen] = useState(true);
  const [seen, setSeen] = useState(0);
  // What is new in trouble is shown; what somebody has put off is not thrown at them again.
  if (troubles.length !== seen) {
    setSeen(troubles.length);
    if (troubles.length > seen) setIsOpen(true);
  }
  const isOnlyHere = saving.kept === "page" && saving.pending > 0;
  return (
    <Line>
      <Says role="status" $isTrouble={saving.phase === "away" || saving.phase === "trouble"}>
        {saving.phase === "saved" && !may(knownRole(), "work") ? "Look only" : savingWords(saving, troubles.length)}
      </Says>
      {troubles.length > 0 && (
        <Button look="quiet" onPress={() => setIsOpen(true)}>
          Decide
        </Button>
      )}
      {isOnlyHere && (
        <Button
          look="quiet"
          onPress={() =>
            saveFile("hypophon-unsaved.json", "application/json", JSON.stringify(hub.keeper.pendings(), null, 1))
          }
        >
          Save them as a file
        </Button>
      )}
      {troubles.length > 0 && isOpen && <TroubleDialog troubles={troubles} onClose={() => setIsOpen(false)} />}
    </Line>
  );
}
