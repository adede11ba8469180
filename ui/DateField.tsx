"use client";

import { parseDate } from "@internationalized/date";
import { CalendarDays, ChevronLeft, ChevronRight } from "lucide-react";
import {
  Button,
  Calendar,
  CalendarCell,
  CalendarGrid,
  DatePicker,
  Dialog,
  Group,
  Heading,
  Popover,
} from "react-aria-components";
import styled from "styled-components";
import { useFault } from "./faults";
import { FieldFault, FieldLabel, fieldBox } from "./fieldParts";
import { Segment, SegmentInput } from "./TimeField";

const Box = styled(DatePicker)`
  ${fieldBox}
`;

const Both = styled(Group)`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
`;

const Open = styled(Button)`
  min-width: var(--hit);
  border: 1px solid var(--seam);
  border-left: 0;
  background: var(--paper);
  color: var(--ink);
  display: grid;
  place-items: center;
  cursor: pointer;
`;

const Sheet = styled(Popover)`
  background: var(--paper);
  color: var(--ink);
  border: 1px solid var(--ink-soft);
  padding: 0.6rem;
`;

const Head = styled.header`
  display: grid;
  grid-template-columns: auto 1fr auto;
  align-items: center;
  text-align: center;
  h2 {
    font-size: 1rem;
  }
  button {
    min-height: var(--hit);
    min-width: var(--hit);
    border: 0;
    background: none;
    color: var(--ink);
  }
`;

const Cell = styled(CalendarCell)`
  width: var(--hit);
  height: var(--hit);
  display: grid;
  place-items: center;
  cursor: pointer;
  outline-offset: -2px;
  &[data-outside-month] {
    display: none;
  }
  &[data-hovered] {
    background: var(--paper-deep);
  }
  &[data-selected] {
    background: var(--chalk);
    color: var(--on-chalk);
  }
`;

function dateOf(value: string) {
  try {
    return parseDate(value);
  } catch {
    return null;
  }
}

/** A date, "YYYY-MM-DD". */
export function DateField(props: { label: string; value: string; onChange: (value: string) => void }) {
  const { label, value, onChange } = props;
  const refused = useFault(label);
  return (
    <Box value={dateOf(value)} isInvalid={refused !== null} onChange={(date) => date && onChange(date.toString())}>
      <FieldLabel>{label}</FieldLabel>
      <Both>
        <SegmentInput>{(segment) => <Segment segment={segment} />}</SegmentInput>
        <Open>
          <CalendarDays size={16} aria-hidden />
        </Open>
      </Both>
      <FieldFault>{refused}</FieldFault>
      <Sheet>
        <Dialog>
          <Calendar>
            <Head>
              <Button slot="previous">
                <ChevronLeft size={18} aria-hidden />
              </Button>
              <Heading />
              <Button slot="next">
                <ChevronRight size={18} aria-hidden />
              </Button>
            </Head>
            <CalendarGrid>{(date) => <Cell date={date} />}</CalendarGrid>
          </Calendar>
        </Dialog>
      </Sheet>
    </Box>
  );
}
