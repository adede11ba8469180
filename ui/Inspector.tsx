"use client";

import type { ReactNode } from "react";
import { Dialog } from "./Dialog";
import { Piece, Stack } from "./layout";
import { useIsNarrow } from "./useIsNarrow";

/** What is chosen, beside the list it was chosen in; on a phone a sheet at the lower edge, once it was pressed. */
export function Inspector(props: {
  title: string;
  /** Whether it was pressed, and not only chosen because something must be. */
  isOpen: boolean;
  onClose: () => void;
  children: ReactNode;
}) {
  const { title, isOpen, onClose, children } = props;
  if (useIsNarrow())
    return (
      <Dialog title={title} isOpen={isOpen} onClose={onClose} isLow>
        {children}
      </Dialog>
    );
  return (
    <Piece aria-label={title}>
      <Stack $gap={0.6}>
        <h2>{title}</h2>
        {children}
      </Stack>
    </Piece>
  );
}
