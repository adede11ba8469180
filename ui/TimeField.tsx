"use client";

import { parseTime } from "@internationalized/date";
import { DateInput, DateSegment, TimeField as AriaTimeField } from "react-aria-components";
import { use, useState } from "react";
import styled from "styled-components";
import { ClockContext } from "./clock";
import { useFault } from "./faults";
import { FieldFault, FieldLabel, fieldBox } from "./fieldParts";

const Box = styled(AriaTimeField)`
  ${fieldBox}
`;

export const SegmentInput = styled(DateInput)`
  min-height: var(--hit);
  display: flex;
  align-items: center;
  padding: 0.2rem 0.5rem;
  background: var(--paper);
  border: 1px solid var(--seam);
  border-radius: 2px;
  white-space: nowrap;
  &[data-focus-within] {
    outline: 3px solid var(--chalk);
    outline-offset: 1px;
  }
  &[data-invalid] {
    border-color: var(--bad);
    border-width: 2px;
  }
`;

export const Segment = styled(DateSegment)`
  padding: 0 1px;
  min-width: 0.6ch;
  text-align: end;
  outline: none;
  &[data-placeholder] {
    color: var(--ink-soft);
  }
  &[data-focused] {
    background: var(--chalk);
    color: var(--on-chalk);
  }
`;

function timeOf(value: string) {
  try {
    return parseTime(value);
  } catch {
    return null;
  }
}

/** A time of the day, kept as "HH:MM" of 24 hours, whatever the browser's own zone and clock. What is refused stays typed. */
export function TimeField(props: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  /** Says what is wrong with a time, or null. */
  fault?: (value: string) => string | null;
}) {
  const { label, value, onChange, fault } = props;
  const [typed, setTyped] = useState<string | null>(null);
  const clock = use(ClockContext);
  const refused = useFault(label);
  const says = (typed !== null && fault?.(typed)) || refused;
  function take(text: string): void {
    const isRefused = (fault?.(text) ?? null) !== null;
    setTyped(isRefused ? text : null);
    if (!isRefused) onChange(text);
  }
  return (
    <Box
      value={timeOf(typed ?? value)}
      hourCycle={clock === "12" ? 12 : 24}
      shouldForceLeadingZeros={clock === "24"}
      isInvalid={says !== null}
      onChange={(time) => time && take(time.toString().slice(0, 5))}
    >
      <FieldLabel>{label}</FieldLabel>
      <SegmentInput>{(segment) => <Segment segment={segment} />}</SegmentInput>
      <FieldFault>{says}</FieldFault>
    </Box>
  );
}
