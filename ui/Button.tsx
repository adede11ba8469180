"use client";

import { Button as AriaButton, type ButtonProps } from "react-aria-components";
import styled, { css } from "styled-components";

type Look = "plain" | "main" | "quiet";

const looks = {
  plain: css`
    background: var(--paper);
    color: var(--ink);
    border-color: var(--seam);
  `,
  main: css`
    background: var(--chalk);
    color: var(--on-chalk);
    border-color: var(--chalk);
    &::after {
      content: "";
      position: absolute;
      inset: 3px;
      border: 1px dashed currentColor;
      opacity: 0.55;
      pointer-events: none;
    }
  `,
  quiet: css`
    background: transparent;
    color: var(--chalk);
    border-color: transparent;
    text-decoration: underline;
    text-underline-offset: 0.2em;
    padding-inline: 0.4rem;
  `,
};

const Styled = styled(AriaButton)<{ $look: Look }>`
  position: relative;
  min-height: var(--hit);
  min-width: var(--hit);
  padding: 0.4rem 1rem;
  border: 1px solid;
  border-radius: 2px;
  font: inherit;
  font-weight: 500;
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 0.45rem;
  cursor: pointer;
  ${({ $look }) => looks[$look]}
  &[data-hovered] {
    filter: brightness(0.95);
  }
  &[data-pressed] {
    transform: translateY(1px);
  }
  &[data-disabled] {
    opacity: 0.55;
    cursor: default;
  }
  &[data-focus-visible] {
    outline: 3px solid var(--chalk);
    outline-offset: 2px;
  }
`;

/** A button says what happens. */
export function Button({ look = "plain", ...props }: ButtonProps & { look?: Look }) {
  return <Styled $look={look} {...props} />;
}
