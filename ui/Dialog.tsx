"use client";

import type { ReactNode } from "react";
import { Dialog as AriaDialog, Heading, Modal, ModalOverlay } from "react-aria-components";
import styled from "styled-components";
import { Button } from "./Button";

const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 40;
  background: var(--shade);
  display: grid;
  place-items: center;
  padding: 1rem;
  &[data-low] {
    place-items: end center;
    padding: 0;
  }
`;

const Sheet = styled(Modal)`
  background: var(--paper);
  color: var(--ink);
  border: 1px solid var(--ink-soft);
  width: min(640px, 100%);
  max-height: calc(100dvh - 2rem);
  overflow: auto;
  /* In reach of the thumb, with what it is about still in sight above. */
  [data-low] > & {
    width: 100%;
    max-height: 72dvh;
    border-width: 2px 0 0;
  }
`;

const Body = styled(AriaDialog)`
  padding: 1.2rem;
  display: grid;
  gap: 1rem;
  outline: none;
`;

/** A sheet over the page that wants an answer; Escape closes it. */
export function Dialog(props: {
  title: string;
  isOpen: boolean;
  onClose: () => void;
  children: ReactNode;
  isUrgent?: boolean;
  /** At the lower edge, where a phone is held. */
  isLow?: boolean;
}) {
  return (
    <Overlay
      isOpen={props.isOpen}
      data-low={props.isLow || undefined}
      isDismissable={!props.isUrgent}
      onOpenChange={(isOpen) => !isOpen && props.onClose()}
    >
      <Sheet>
        <Body role={props.isUrgent ? "alertdialog" : "dialog"}>
          <Heading slot="title" level={2}>
            {props.title}
          </Heading>
          {props.children}
          {props.isLow && (
            <Button slot="close" look="main">
              Done
            </Button>
          )}
        </Body>
      </Sheet>
    </Overlay>
  );
}
