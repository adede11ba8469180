"use client";

import { useState } from "react";
import { TextField as AriaTextField } from "react-aria-components";
import styled from "styled-components";
import { clipText } from "@/core/schema";
import { useFault } from "./faults";
import { FieldFault, FieldHint, FieldInput, FieldLabel, fieldBox } from "./fieldParts";

const Box = styled(AriaTextField)`
  ${fieldBox}
`;

/** A line of text. What is refused stays typed, and only what fits is passed on. */
export function TextField(props: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  maxLength?: number;
  hint?: string;
  autoFocus?: boolean;
  type?: "text" | "email" | "password";
  /** What a browser may fill in. */
  autoComplete?: string;
  /** Says what is wrong with a text, or null. */
  fault?: (value: string) => string | null;
  /** The value is written in its own way, such as with three decimals: that waits until the field is left. */
  isFormatted?: boolean;
}) {
  const { label, value, onChange, maxLength = 120, hint, autoFocus = false } = props;
  const [typed, setTyped] = useState<string | null>(null);
  const shown = typed ?? value;
  const findFault = props.fault ?? ((text: string) => (text.trim() === "" ? `${label} must not be empty.` : null));
  const refused = useFault(label);
  const fault = (typed === null ? null : findFault(typed)) ?? refused;
  return (
    <Box
      value={shown}
      maxLength={maxLength}
      type={props.type ?? "text"}
      autoComplete={props.autoComplete}
      autoFocus={autoFocus}
      isInvalid={fault !== null}
      onChange={(typedText) => {
        // A browser cuts at the limit without asking whether a character is whole.
        const text = clipText(typedText, maxLength);
        const isRefused = findFault(text) !== null;
        setTyped(isRefused || props.isFormatted ? text : null);
        if (!isRefused) onChange(text);
      }}
      onBlur={() => {
        if (typed !== null && findFault(typed) === null) setTyped(null);
      }}
    >
      <FieldLabel>{label}</FieldLabel>
      <FieldInput />
      {hint && <FieldHint slot="description">{hint}</FieldHint>}
      <FieldFault>{fault}</FieldFault>
    </Box>
  );
}
