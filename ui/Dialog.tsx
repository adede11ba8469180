"use client";

import type { ReactNode } from "react";
import { Dialog as AriaDialog, Heading, Modal, ModalOverlay } from "react-aria-components";
import styled from "styled-components";

const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 40;
  background: var(--shade);
  display: grid;
  place-items: center;
  padding: 1rem;
`;

const Sheet = styled(Modal)`
  background: var(--paper);
  color: var(--ink);
  border: 1px solid var(--ink-soft);
  width: min(640px, 100%);
  max-height: calc(100dvh - 2rem);
  overflow: auto;
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
}) {
  return (
    <Overlay
      isOpen={props.isOpen}
      isDismissable={!props.isUrgent}
      onOpenChange={(isOpen) => !isOpen && props.onClose()}
    >
      <Sheet>
        <Body role={props.isUrgent ? "alertdialog" : "dialog"}>
          <Heading slot="title" level={2}>
            {props.title}
          </Heading>
          {props.children}
        </Body>
      </Sheet>
    </Overlay>
  );
}
