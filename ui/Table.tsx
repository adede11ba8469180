"use client";

import styled from "styled-components";

/** A table of figures: numbers to the right, thin seams between rows. */
export const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: 0.95rem;
  caption {
    text-align: left;
    font-weight: 600;
    padding-bottom: 0.3rem;
  }
  th {
    text-align: left;
    font-weight: 500;
    color: var(--ink-soft);
    font-size: 0.85rem;
  }
  td,
  th {
    padding: 0.45rem 0.6rem 0.45rem 0;
    border-bottom: 1px solid var(--seam-soft);
    vertical-align: middle;
  }
  td[data-figure],
  th[data-figure] {
    text-align: right;
    white-space: nowrap;
  }
  tbody th {
    color: var(--ink);
    font-size: inherit;
  }
`;

/** Lets a wide table scroll inside its piece, reachable by keyboard. */
export const TableScroll = styled.div.attrs({ tabIndex: 0, role: "group" })`
  overflow-x: auto;
  min-width: 0;
`;
