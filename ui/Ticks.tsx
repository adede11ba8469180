"use client";

import { Checkbox } from "react-aria-components";
import styled from "styled-components";

const Box = styled(Checkbox)`
  min-height: var(--hit);
  padding: 0.3rem 0.7rem 0.3rem 0.5rem;
  display: inline-flex;
  align-items: center;
  gap: 0.5rem;
  border: 1px solid var(--seam);
  border-radius: 2px;
  background: var(--paper);
  cursor: pointer;
  &[data-selected] {
    background: var(--chalk-soft);
    border-color: var(--chalk);
  }
  &[data-plain] {
    padding: 0.3rem;
    border-color: transparent;
    background: none;
  }
  &[data-disabled] {
    color: var(--ink-soft);
    border-style: dashed;
    cursor: default;
  }
  &[data-focus-visible] {
    outline: 3px solid var(--chalk);
    outline-offset: 2px;
  }
`;

const Mark = styled.svg`
  width: 18px;
  height: 18px;
  flex: none;
  fill: none;
  stroke: var(--chalk);
  stroke-width: 2.4;
  stroke-linecap: round;
`;

/** Something that is so or not: a chalk cross in a square. */
export function Tick(props: {
  label: string;
  isOn: boolean;
  isDisabled?: boolean;
  /** What it is stands at the head of its column; the label is for those who do not see that. */
  isPlain?: boolean;
  onChange: (isOn: boolean) => void;
}) {
  return (
    <Box
      isSelected={props.isOn}
      isDisabled={props.isDisabled ?? false}
      onChange={props.onChange}
      {...(props.isPlain && { "aria-label": props.label, "data-plain": "" })}
    >
      {({ isSelected }) => (
        <>
          <Mark viewBox="0 0 18 18" aria-hidden>
            <rect x="1.2" y="1.2" width="15.6" height="15.6" strokeWidth="1.2" stroke="var(--seam)" />
            {isSelected && <path d="M4.5 4.5 L13.5 13.5 M13.5 4.5 L4.5 13.5" />}
          </Mark>
          {!props.isPlain && props.label}
        </>
      )}
    </Box>
  );
}
