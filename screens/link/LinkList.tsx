"use client";

import styled from "styled-components";
import type { Connection } from "@/core/shoot/connections";
import { Select } from "@/ui/Select";
import { ThreadSample } from "@/ui/Stitch";
import { Soft } from "@/ui/layout";
import type { Links } from "./useLinks";

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

/** Every link of the shoot, with a line about each. */
export function LinkList(props: { links: Links; label: string; says: (connection: Connection) => string }) {
  const { plan, chosen, choose, threads } = props.links;
  if (plan.connections.length === 0)
    return <Soft>Nobody is in a scene yet: add a wearer in Dress, or another transmitter under Frequencies.</Soft>;
  return (
    <>
      <OnPhones>
        <Select
          label="Link"
          value={chosen?.link.id ?? ""}
          options={plan.connections.map((connection) => ({
            value: connection.link.id,
            name: `${connection.link.name}: ${props.says(connection)}`,
          }))}
          onChange={choose}
        />
      </OnPhones>
      <List aria-label={props.label}>
        {plan.connections.map((connection) => {
          const { link } = connection;
          return (
            <li key={link.id}>
              <Entry
                type="button"
                aria-current={link.id === chosen?.link.id || undefined}
                onClick={() => choose(link.id)}
              >
                {link.wearerId ? <ThreadSample thread={threads.get(link.wearerId) ?? 0} /> : <span />}
                <span>
                  <strong>{link.name}</strong>
                  <small>{props.says(connection)}</small>
                </span>
              </Entry>
            </li>
          );
        })}
      </List>
    </>
  );
}
