"use client";

import type { ReactNode } from "react";
import { Tooltip as AriaTooltip, TooltipTrigger } from "react-aria-components";
import styled from "styled-components";

const Slip = styled(AriaTooltip)`
  background: var(--ink);
  color: var(--paper);
  padding: 0.35rem 0.6rem;
  font-size: 0.85rem;
  max-width: 260px;
`;

/** A word of explanation beside a control; the control carries its own name. */
export function Tooltip(props: { says: string; children: ReactNode }) {
  return (
    <TooltipTrigger delay={500}>
      {props.children}
      <Slip offset={6}>{props.says}</Slip>
    </TooltipTrigger>
  );
}
