"use client";

import { later } from "./later";
import type { ReactNode } from "react";
import styled from "styled-components";
import { ThreadSample } from "./Stitch";

/** As high as the field that follows. */
const Pending = styled.div`
  min-height: 70px;
`;

// A list of lists is a large part: only phones show it, a moment after the page.
const Select = later(() => import("./Select").then((module) => module.Select<string>), <Pending />);

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  @media (max-width: 999px) {
    display: none;
  }
`;

/** Where a list would push the work below the screen. */
const OnPhones = styled.div`
  @media (min-width: 1000px) {
    display: none;
  }
`;

const Entry = styled.button`
  width: 100%;
  min-height: 52px;
  padding: 0.35rem 0.5rem;
  display: grid;
  grid-template-columns: 38px minmax(0, 1fr);
  align-items: center;
  gap: 0.5rem;
  border: 0;
  border-top: 1px solid var(--seam-soft);
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
  small {
    display: block;
    color: var(--ink-soft);
    font-size: 0.85rem;
    line-height: 1.3;
  }
  &[aria-current] {
    background: var(--chalk-soft);
    box-shadow: inset 4px 0 0 var(--chalk);
  }
  &:hover strong {
    text-decoration: underline;
    text-underline-offset: 0.25em;
  }
  &:focus-visible {
    outline: 3px solid var(--chalk);
    outline-offset: -3px;
  }
`;

export interface PickItem {
  id: string;
  name: string;
  /** A line about it. */
  says: string;
  /** Thread of who wears it; null: nobody's. */
  thread: number | null;
}

/** A list to work through, one at a time: a list beside the work, a field above it on a phone. */
export function PickList(props: {
  label: string;
  /** What one of them is called. */
  one: string;
  items: readonly PickItem[];
  chosenId: string | null;
  onChoose: (id: string) => void;
  empty: ReactNode;
}) {
  const { items, chosenId, onChoose } = props;
  if (items.length === 0) return props.empty;
  return (
    <>
      <OnPhones>
        <Select
          label={props.one}
          value={chosenId ?? ""}
          options={items.map(({ id, name, says }) => ({ value: id, name: `${name}: ${says}` }))}
          onChange={onChoose}
        />
      </OnPhones>
      <List aria-label={props.label}>
        {items.map(({ id, name, says, thread }) => (
          <li key={id}>
            <Entry type="button" aria-current={id === chosenId || undefined} onClick={() => onChoose(id)}>
              {thread === null ? <span /> : <ThreadSample thread={thread} />}
              <span>
                <strong>{name}</strong>
                <small>{says}</small>
              </span>
            </Entry>
          </li>
        ))}
      </List>
    </>
  );
}
