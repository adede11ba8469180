"use client";

import { useState, type KeyboardEvent } from "react";
import { TextField as AriaTextField } from "react-aria-components";
import styled from "styled-components";
import { useFault } from "./faults";
import { FieldFault, FieldInput, FieldLabel, fieldBox } from "./fieldParts";

/** How a stored figure is shown: factor from the stored unit, name of the shown one, digits after the point. */
export interface ShownUnit {
  unit: string;
  factor: number;
  digits: number;
  step: number;
}

/** A number of things. */
export const COUNTED = { unit: "", factor: 1, digits: 0, step: 1 };

export const UNITS = {
  centimetre: { unit: "cm", factor: 100, digits: 0, step: 1 },
  inch: { unit: "in", factor: 1 / 0.0254, digits: 1, step: 0.5 },
  metre: { unit: "m", factor: 1, digits: 2, step: 0.1 },
  foot: { unit: "ft", factor: 1 / 0.3048, digits: 1, step: 0.5 },
  squareMetre: { unit: "m²", factor: 1, digits: 1, step: 0.5 },
  squareFoot: { unit: "ft²", factor: 1 / 0.3048 ** 2, digits: 0, step: 5 },
  metrePerSecond: { unit: "m/s", factor: 1, digits: 1, step: 0.5 },
  decibel: { unit: "dB", factor: 1, digits: 1, step: 1 },
  hours: { unit: "h", factor: 1, digits: 1, step: 0.5 },
  days: { unit: "days", factor: 1, digits: 0, step: 1 },
} as const satisfies Record<string, ShownUnit>;

/** The bounds of a figure's schema, for its field. */
export function boundsOf(schema: { minimum?: number; maximum?: number }): { minimum: number; maximum: number } {
  return { minimum: schema.minimum!, maximum: schema.maximum! };
}

const Box = styled(AriaTextField)`
  ${fieldBox}
`;

const WithUnit = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: center;
  gap: 0.4rem;
  color: var(--ink-soft);
  font-size: 0.9rem;
`;

const Narrow = styled(FieldInput)`
  text-align: right;
`;

function read(text: string): number | null {
  const cleaned = text.trim().replace(",", ".").replace("−", "-");
  if (!/^[-+]?(\d+\.?\d*|\.\d+)$/.test(cleaned)) return null;
  return Number(cleaned);
}

function write(value: number, shown: ShownUnit): string {
  return String(Number((value * shown.factor).toFixed(shown.digits)));
}

/**
 * A number with its unit. Out of range is refused at the field with what is allowed; the typed text stays, and the last
 * good figure stays in use. Arrow keys step.
 */
export function NumberField(props: {
  label: string;
  value: number;
  onChange: (value: number) => void;
  minimum: number;
  maximum: number;
  shown: ShownUnit;
  isWhole?: boolean;
  isDisabled?: boolean;
  /** What it is stands at the head of its column; the label is for those who do not see that. */
  isPlain?: boolean;
}) {
  const {
    label,
    value,
    onChange,
    minimum,
    maximum,
    shown,
    isWhole = false,
    isDisabled = false,
    isPlain = false,
  } = props;
  const [typed, setTyped] = useState<string | null>(null);
  const [seen, setSeen] = useState(value);
  const text = typed ?? write(value, shown);
  const allowed = `${write(minimum, shown)} to ${write(maximum, shown)} ${shown.unit}`.replaceAll("-", "−");

  function faultOf(candidate: string): string | null {
    const number = read(candidate);
    if (number === null) return `${label}: a number, ${allowed}.`;
    const stored = number / shown.factor;
    const slack = 0.5 / shown.factor / 10 ** shown.digits;
    if (stored < minimum - slack || stored > maximum + slack) return `${label}: ${allowed}.`;
    return isWhole && !Number.isInteger(number) ? `${label}: a whole number, ${allowed}.` : null;
  }

  // Where it was changed elsewhere, what was typed is not what stands here any more; what was refused stays to be corrected.
  if (!Object.is(value, seen)) {
    setSeen(value);
    if (typed !== null && faultOf(typed) === null && write(value, shown) !== write(read(typed)! / shown.factor, shown))
      setTyped(null);
  }

  function take(candidate: string): void {
    setTyped(candidate);
    if (faultOf(candidate) !== null) return;
    onChange(Math.min(maximum, Math.max(minimum, read(candidate)! / shown.factor)));
  }

  function step(event: KeyboardEvent): void {
    if (event.key !== "ArrowUp" && event.key !== "ArrowDown") return;
    event.preventDefault();
    const from = read(text) ?? value * shown.factor;
    const next = from + (event.key === "ArrowUp" ? shown.step : -shown.step);
    take(write(Math.min(maximum, Math.max(minimum, next / shown.factor)), shown));
  }

  const refused = useFault(label);
  const fault = (typed === null ? null : faultOf(typed)) ?? refused;
  return (
    <Box
      value={text}
      inputMode="decimal"
      isInvalid={fault !== null}
      isDisabled={isDisabled}
      {...(isPlain && { "aria-label": label })}
      onChange={take}
      onBlur={() => typed !== null && faultOf(typed) === null && setTyped(null)}
    >
      {!isPlain && <FieldLabel>{label}</FieldLabel>}
      <WithUnit>
        <Narrow onKeyDown={step} />
        <span>{shown.unit}</span>
      </WithUnit>
      <FieldFault>{fault}</FieldFault>
    </Box>
  );
}
