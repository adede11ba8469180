"use client";

import styled from "styled-components";
import type { ChainLink } from "@/screens/link/linkChain";

const Way = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  row-gap: 0.8rem;
  @media (max-width: 640px) {
    flex-direction: column;
    row-gap: 0;
  }
`;

const Place = styled.li`
  display: flex;
  align-items: flex-start;
  min-width: 0;
  @media (max-width: 640px) {
    flex-direction: column;
  }
`;

/** What lies between two things: a running stitch for a lead, a wave for the air. */
const Between = styled.span`
  flex: none;
  margin-top: 14px;
  width: 24px;
  height: 14px;
  svg {
    display: block;
    width: 24px;
    height: 14px;
    fill: none;
    stroke: var(--chalk);
    stroke-width: 2.2;
    stroke-linecap: round;
  }
  @media (max-width: 640px) {
    width: 14px;
    height: 22px;
    margin: 0 0 0 1.2rem;
    svg {
      transform: rotate(90deg) translate(4px, 7px);
    }
  }
`;

const Thing = styled.div`
  border: 1px solid var(--seam);
  background: var(--paper);
  padding: 0.4rem 0.6rem 0.5rem;
  max-width: 156px;
  @media (max-width: 640px) {
    max-width: none;
  }
  strong {
    display: block;
    font-weight: 600;
    line-height: 1.25;
  }
  ul {
    list-style: none;
    margin: 0.2rem 0 0;
    padding: 0;
    font-size: 0.88rem;
    line-height: 1.3;
  }
  &[data-kind="part"] {
    background: var(--paper-deep);
  }
  &[data-kind="file"] {
    border-style: double;
    border-width: 3px;
  }
  &[data-missing] {
    border: 2px dashed var(--bad);
  }
  em {
    display: block;
    margin-top: 0.2rem;
    font-style: normal;
    font-size: 0.85rem;
    font-weight: 600;
    color: var(--bad);
  }
`;

/** A way from the capsule to the file: each thing on it with what is set there. */
export function PathDiagram({ chain, label }: { chain: readonly ChainLink[]; label: string }) {
  return (
    <Way aria-label={label}>
      {chain.map((thing, index) => (
        <Place key={thing.id}>
          {index > 0 && (
            <Between aria-hidden>
              <svg viewBox="0 0 28 14">
                {thing.byAir ? (
                  <path d="M3 7c3.5 -8 7 -8 11 0s7.500 8 11 0" />
                ) : (
                  <path d="M2 7H26" strokeDasharray="5 5" />
                )}
              </svg>
            </Between>
          )}
          <Thing data-kind={thing.kind} data-missing={thing.isMissing || undefined}>
            <strong>{thing.name}</strong>
            {thing.settings.length > 0 && (
              <ul>
                {thing.settings.map((says) => (
                  <li key={says}>{says}</li>
                ))}
              </ul>
            )}
            {thing.isMissing && <em>not in the kit</em>}
          </Thing>
        </Place>
      ))}
    </Way>
  );
}
