"use client";

import styled from "styled-components";

/** A pattern piece: paper with its seam allowance drawn in and a notch on the edge. */
export const Piece = styled.section<{ $flush?: boolean; $tight?: boolean }>`
  position: relative;
  min-width: 0;
  background: var(--paper);
  border: 1px solid var(--seam);
  padding: ${({ $flush, $tight }) => ($flush ? "0" : $tight ? "0.7rem 1.1rem 0.8rem" : "1.1rem 1.1rem 1.2rem")};
  &::before {
    content: "";
    position: absolute;
    top: -1px;
    left: 1.6rem;
    border: 6px solid transparent;
    border-top-color: var(--seam);
    border-bottom-width: 0;
  }
`;

export const Stack = styled.div<{ $gap?: number }>`
  display: grid;
  gap: ${({ $gap = 1 }) => `${$gap}rem`};
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  min-width: 0;
`;

export const Row = styled.div<{ $gap?: number; $between?: boolean; $low?: boolean }>`
  display: flex;
  flex-wrap: wrap;
  align-items: ${({ $low }) => ($low ? "end" : "center")};
  justify-content: ${({ $between }) => ($between ? "space-between" : "flex-start")};
  gap: ${({ $gap = 0.6 }) => `${$gap}rem`};
  min-width: 0;
`;

/** Columns that fall under each other on a phone. */
export const Columns = styled.div<{ $template: string }>`
  display: grid;
  gap: 1rem;
  align-items: start;
  grid-template-columns: minmax(0, 1fr);
  @media (min-width: 1000px) {
    grid-template-columns: ${({ $template }) => $template};
  }
`;

export const Soft = styled.p`
  color: var(--ink-soft);
  font-size: 0.9rem;
`;

export const Lead = styled.p`
  font-family: "Fraunces Variable", serif;
  font-size: 1.25rem;
  line-height: 1.3;
`;

/** A figure with its unit: the figure is what counts. */
export const Figure = styled.span<{ $size?: "big" | "normal" }>`
  font-weight: 600;
  font-size: ${({ $size }) => ($size === "big" ? "1.9rem" : "1.05rem")};
  line-height: 1.1;
  white-space: nowrap;
  small {
    font-size: 0.8rem;
    font-weight: 400;
    color: var(--ink-soft);
    margin-left: 0.25em;
  }
`;

/** Planned figures stand on a dashed line, proved ones on a solid one. */
export const Known = styled.span<{ $as: "planned" | "proved" }>`
  border-bottom: 2px ${({ $as }) => ($as === "planned" ? "dashed" : "solid")} currentColor;
`;

export const VisuallyHidden = styled.span`
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
  white-space: nowrap;
`;

/** Steps in their order, large enough to be read while the hands work. */
export const Steps = styled.ol`
  margin: 0;
  padding-left: 1.4rem;
  display: grid;
  gap: 0.4rem;
  font-size: 1.05rem;
`;
