"use client";

import { ChevronDown } from "lucide-react";
import { Button, ListBox, ListBoxItem, Popover, Select as AriaSelect, SelectValue } from "react-aria-components";
import styled from "styled-components";
import { useFault } from "./faults";
import { FieldFault, FieldLabel, fieldBox } from "./fieldParts";

const Box = styled(AriaSelect)`
  ${fieldBox}
`;

const Trigger = styled(Button)`
  min-height: var(--hit);
  width: 100%;
  min-width: 0;
  padding: 0.4rem 0.6rem;
  font: inherit;
  color: var(--ink);
  text-align: left;
  background: var(--paper);
  border: 1px solid var(--seam);
  border-radius: 2px;
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.4rem;
  align-items: center;
  cursor: pointer;
  &[data-focus-visible] {
    outline: 3px solid var(--chalk);
    outline-offset: 1px;
  }
  span {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
`;

export const FloatingList = styled(Popover)`
  background: var(--paper);
  color: var(--ink);
  border: 1px solid var(--ink-soft);
  min-width: var(--trigger-width);
  max-height: min(60vh, 420px);
  overflow: auto;
`;

export const floatingItem = `
  min-height: var(--hit);
  padding: 0.5rem 0.8rem;
  display: flex;
  align-items: center;
  cursor: pointer;
  outline: none;
  &[data-focused] {
    background: var(--chalk-soft);
    box-shadow: inset 3px 0 0 var(--chalk);
  }
  &[data-selected] {
    font-weight: 600;
  }
`;

const Item = styled(ListBoxItem)`
  ${floatingItem}
`;

/** One of a list. */
export function Select<Value extends string>(props: {
  label: string;
  value: Value;
  options: readonly { value: Value; name: string }[];
  onChange: (value: Value) => void;
}) {
  const { label, value, options, onChange } = props;
  const refused = useFault(label);
  return (
    <Box value={value} isInvalid={refused !== null} onChange={(key) => key !== null && onChange(key as Value)}>
      <FieldLabel>{label}</FieldLabel>
      <Trigger>
        <SelectValue />
        <ChevronDown size={18} aria-hidden />
      </Trigger>
      <FieldFault>{refused}</FieldFault>
      <FloatingList>
        <ListBox items={options.map((option) => ({ ...option, id: option.value }))}>
          {(option) => <Item textValue={option.name}>{option.name}</Item>}
        </ListBox>
      </FloatingList>
    </Box>
  );
}
