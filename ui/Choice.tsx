"use client";

import { Radio, RadioGroup } from "react-aria-components";
import styled from "styled-components";
import { FieldLabel, fieldBox } from "./fieldParts";

const Box = styled(RadioGroup)`
  ${fieldBox}
`;

const Options = styled.div`
  display: flex;
  flex-wrap: wrap;
  border: 1px solid var(--seam);
  border-radius: 2px;
  background: var(--paper);
`;

const Option = styled(Radio)`
  flex: 1 1 auto;
  min-height: var(--hit);
  padding: 0.35rem 0.55rem;
  display: flex;
  align-items: center;
  justify-content: center;
  cursor: pointer;
  white-space: nowrap;
  &[data-selected] {
    background: var(--chalk-soft);
    box-shadow: inset 0 -3px 0 var(--chalk);
    font-weight: 600;
  }
  &[data-focus-visible] {
    outline: 3px solid var(--chalk);
    outline-offset: 1px;
  }
`;

/** One of a few, all in sight. */
export function Choice<Value extends string>(props: {
  label: string;
  value: Value;
  options: readonly { value: Value; name: string }[];
  onChange: (value: Value) => void;
  /** What it chooses is plain to see: the label is for those who do not. */
  isPlain?: boolean;
}) {
  return (
    <Box
      value={props.value}
      onChange={(value) => props.onChange(value as Value)}
      orientation="horizontal"
      aria-label={props.isPlain ? props.label : undefined}
    >
      {!props.isPlain && <FieldLabel>{props.label}</FieldLabel>}
      <Options>
        {props.options.map((option) => (
          <Option key={option.value} value={option.value}>
            {option.name}
          </Option>
        ))}
      </Options>
    </Box>
  );
}
