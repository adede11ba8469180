"use client";

import { X } from "lucide-react";
import type { ReactNode } from "react";
import styled from "styled-components";
import { Button } from "@/ui/Button";

const Line = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.5rem;
  align-items: end;
  border-left: 3px solid var(--seam-soft);
  padding-left: 0.6rem;
`;

/** One of a list that can be taken out. */
export function ListRow(props: { removeLabel: string; onRemove: () => void; children: ReactNode }) {
  return (
    <Line>
      {props.children}
      <Button look="quiet" aria-label={props.removeLabel} onPress={props.onRemove}>
        <X size={18} aria-hidden />
      </Button>
    </Line>
  );
}
