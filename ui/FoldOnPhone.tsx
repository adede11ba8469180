"use client";

import type { ReactNode } from "react";
import { Disclosure } from "./Disclosure";
import { Stack, VisuallyHidden } from "./layout";
import { useIsNarrow } from "./useIsNarrow";

/** What is seldom needed standing up: folded on a phone, open elsewhere. */
export function FoldOnPhone(props: {
  title: string;
  children: ReactNode;
  /** Elsewhere it needs no heading. */
  isPlain?: boolean;
  /** What is needed now stays open on a phone too. */
  isNeeded?: boolean;
}) {
  const { title, children, isPlain = false, isNeeded = false } = props;
  const isNarrow = useIsNarrow();
  if (isNarrow && !isNeeded) return <Disclosure title={title}>{children}</Disclosure>;
  return (
    <Stack $gap={0.6}>
      {isPlain ? <VisuallyHidden as="h2">{title}</VisuallyHidden> : <h2>{title}</h2>}
      {children}
    </Stack>
  );
}
