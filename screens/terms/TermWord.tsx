"use client";

import { Button, Dialog, DialogTrigger, Popover } from "react-aria-components";
import styled from "styled-components";
import { TERMS, type TermId } from "@/messages";

const Word = styled(Button)`
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  padding: 0;
  text-align: inherit;
  cursor: help;
  text-decoration: underline dotted var(--ink-soft);
  text-underline-offset: 0.2em;
`;

const Slip = styled(Popover)`
  max-width: 290px;
  padding: 0.5rem 0.7rem;
  background: var(--ink);
  color: var(--paper);
  font-size: 0.88rem;
  line-height: 1.35;
`;

/** A term of the trade: pressing it says what it means. Its children are how it is written here. */
export function TermWord(props: { id: TermId; children?: string }) {
  const { name, means } = TERMS[props.id];
  return (
    <DialogTrigger>
      <Word>{props.children ?? name}</Word>
      <Slip offset={6}>
        <Dialog aria-label={name} style={{ outline: "none" }}>
          {means}
        </Dialog>
      </Slip>
    </DialogTrigger>
  );
}
