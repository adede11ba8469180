"use client";

import styled from "styled-components";
import type { Grade } from "@/core/room";

const Mark = styled.p<{ $grade: Grade }>`
  font-size: 0.85rem;
  font-weight: 600;
  color: ${({ $grade }) => ({ good: "var(--good)", usable: "var(--warn)", poor: "var(--bad)" })[$grade]};
`;

/** A grade in a word. */
export function GradeMark({ grade }: { grade: Grade }) {
  return <Mark $grade={grade}>{grade}</Mark>;
}
