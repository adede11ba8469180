"use client";

import { ChevronDown } from "lucide-react";
import {
  Autocomplete,
  Button,
  Input,
  ListBox,
  ListBoxItem,
  Popover,
  SearchField,
  Select as AriaSelect,
  SelectValue,
  useFilter,
} from "react-aria-components";
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

const Nothing = styled.div`
  padding: 0.6rem 0.8rem;
  color: var(--ink-soft);
`;

const Empty = () => <Nothing>No such entry.</Nothing>;

const Search = styled(Input)`
  width: 100%;
  min-height: var(--hit);
  padding: 0.4rem 0.8rem;
  position: sticky;
  top: 0;
  z-index: 1;
  font: inherit;
  color: var(--ink);
  background: var(--paper);
  border: 0;
  border-bottom: 1px solid var(--seam);
  outline-offset: -3px;
`;

export interface Option<Value extends string> {
  value: Value;
  name: string;
  /** Other words under which it is found. */
  also?: string;
}

/** Lists longer than this are searched. */
const SEARCHED_FROM = 13;

/** One of a list; a long one is searched by typing. */
export function Select<Value extends string>(props: {
  label: string;
  /** Null while nothing is chosen. */
  value: Value | null;
  /** What stands there meanwhile. */
  placeholder?: string;
  options: readonly Option<Value>[];
  onChange: (value: Value) => void;
  autoFocus?: boolean;
  /** What it is stands beside it: its label is for screen readers. */
  isPlain?: boolean;
}) {
  const { label, value, placeholder = "", options, onChange, autoFocus = false, isPlain = false } = props;
  const { contains } = useFilter({ sensitivity: "base" });
  const list = (
    <ListBox items={options.map((option) => ({ ...option, id: option.value }))} renderEmptyState={() => <Empty />}>
      {(option) => <Item textValue={`${option.name}${option.also ? ` ${option.also}` : ""}`}>{option.name}</Item>}
    </ListBox>
  );
  const refused = useFault(label);
  return (
    <Box
      autoFocus={autoFocus}
      {...(isPlain && { "aria-label": label })}
      value={value}
      placeholder={placeholder}
      isInvalid={refused !== null}
      onChange={(key) => key !== null && onChange(key as Value)}
    >
      {!isPlain && <FieldLabel>{label}</FieldLabel>}
      <Trigger>
        <SelectValue />
        <ChevronDown size={18} aria-hidden />
      </Trigger>
      <FieldFault>{refused}</FieldFault>
      <FloatingList>
        {options.length >= SEARCHED_FROM ? (
          <Autocomplete filter={(text, typed) => typed.split(/\s+/).every((word) => contains(text, word))}>
            <SearchField aria-label={`Search: ${label}`} autoFocus>
              <Search placeholder="Type to search" />
            </SearchField>
            {list}
          </Autocomplete>
        ) : (
          list
        )}
      </FloatingList>
    </Box>
  );
}
