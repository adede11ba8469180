"use client";

import { Slider as AriaSlider, SliderThumb, SliderTrack } from "react-aria-components";
import styled from "styled-components";
import { FieldLabel } from "./fieldParts";

const Box = styled(AriaSlider)`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 0.6rem;
  align-items: baseline;
`;

const Track = styled(SliderTrack)`
  grid-column: 1 / -1;
  height: var(--hit);
  margin-inline: 14px;
  background: linear-gradient(var(--seam), var(--seam)) center / 100% 2px no-repeat;
`;

const Thumb = styled(SliderThumb)`
  top: 50%;
  width: 28px;
  height: 28px;
  border: 2px solid var(--ink);
  border-radius: 50%;
  background:
    radial-gradient(circle at 38% 50%, var(--ink) 0 2.5px, transparent 3px),
    radial-gradient(circle at 62% 50%, var(--ink) 0 2.5px, transparent 3px), var(--paper);
  cursor: grab;
  &[data-focus-visible] {
    outline: 3px solid var(--chalk);
    outline-offset: 2px;
  }
`;

/** A figure moved along a thread with a button. */
export function Slider(props: {
  label: string;
  value: number;
  minimum: number;
  maximum: number;
  step: number;
  says: string;
  onChange: (value: number) => void;
}) {
  return (
    <Box
      value={props.value}
      minValue={props.minimum}
      maxValue={props.maximum}
      step={props.step}
      onChange={(value) => props.onChange(Array.isArray(value) ? value[0]! : value)}
    >
      <FieldLabel>{props.label}</FieldLabel>
      <span>{props.says}</span>
      <Track>
        <Thumb aria-label={props.label} />
      </Track>
    </Box>
  );
}
