"use client";

import styled from "styled-components";
import { InCallList } from "./InCallList";

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  @media (max-width: 899px) {
    display: flex;
  }
`;

const Entry = styled.button`
  width: 100%;
  min-height: var(--hit);
  padding: 0.25rem 0.7rem;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
  outline-offset: -3px;
  small {
    display: block;
    color: var(--ink-soft);
    font-size: 0.82rem;
    line-height: 1.25;
  }
  &:hover {
    background: var(--paper-deep);
  }
  &[aria-current] {
    background: var(--paper);
    box-shadow: inset 3px 0 0 var(--ink);
    font-weight: 700;
    small {
      font-weight: 400;
    }
  }
  @media (max-width: 899px) {
    white-space: nowrap;
    small {
      display: none;
    }
  }
`;

/** Sources that no talent wears: booms, planted microphones, feeds. They stand under the talent. */
export function OtherSources(props: {
  items: readonly { id: string; name: string; says: string }[];
  chosenId: string | null;
  onChoose: (id: string) => void;
}) {
  if (props.items.length === 0) return null;
  return (
    <InCallList>
      <h2>Other sources</h2>
      <List aria-label="Other sources">
        {props.items.map(({ id, name, says }) => (
          <li key={id}>
            <Entry
              type="button"
              aria-current={id === props.chosenId ? "true" : undefined}
              onClick={() => props.onChoose(id)}
            >
              {name}
              <small>{says}</small>
            </Entry>
          </li>
        ))}
      </List>
    </InCallList>
  );
}
