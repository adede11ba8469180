"use client";

import { FieldError, Input, Label, Text } from "react-aria-components";
import styled from "styled-components";

export const FieldLabel = styled(Label)`
  font-size: 0.85rem;
  font-weight: 500;
  color: var(--ink-soft);
`;

export const FieldInput = styled(Input)`
  min-height: var(--hit);
  width: 100%;
  min-width: 0;
  padding: 0.4rem 0.6rem;
  font: inherit;
  color: var(--ink);
  background: var(--paper);
  border: 1px solid var(--seam);
  border-radius: 2px;
  &[data-focused] {
    outline: 3px solid var(--chalk);
    outline-offset: 1px;
  }
  &[data-invalid] {
    border-color: var(--bad);
    border-width: 2px;
  }
`;

export const FieldFault = styled(FieldError)`
  color: var(--bad);
  font-size: 0.85rem;
`;

export const FieldHint = styled(Text)`
  color: var(--ink-soft);
  font-size: 0.85rem;
`;

export const fieldBox = `
  display: grid;
  gap: 0.2rem;
  align-content: start;
  min-width: 0;
`;
