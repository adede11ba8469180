"use client";

import type { ReactNode } from "react";
import { Tab, TabList, TabPanel, Tabs as AriaTabs } from "react-aria-components";
import styled from "styled-components";

const Whole = styled(AriaTabs)`
  min-width: 0;
`;

const List = styled(TabList)`
  display: flex;
  overflow-x: auto;
  gap: 0.2rem;
  border-bottom: 1px solid var(--seam);
`;

const Label = styled(Tab)`
  min-height: var(--hit);
  padding: 0.5rem 0.9rem;
  display: flex;
  align-items: center;
  gap: 0.5rem;
  white-space: nowrap;
  cursor: pointer;
  border: 1px solid transparent;
  border-bottom: 0;
  margin-bottom: -1px;
  outline-offset: -3px;
  &[data-selected] {
    background: var(--paper);
    border-color: var(--seam);
    font-weight: 600;
  }
  &[data-focus-visible] {
    outline: 3px solid var(--chalk);
  }
`;

const Panel = styled(TabPanel)`
  outline: none;
  padding-top: 1rem;
  min-width: 0;
`;

export interface TabChoice {
  id: string;
  label: ReactNode;
}

/** Several of one kind, one in sight. */
export function Tabs(props: {
  label: string;
  tabs: readonly TabChoice[];
  selected: string;
  onSelect: (id: string) => void;
  children: ReactNode;
}) {
  return (
    <Whole selectedKey={props.selected} onSelectionChange={(key) => props.onSelect(String(key))}>
      <List aria-label={props.label}>
        {props.tabs.map((tab) => (
          <Label key={tab.id} id={tab.id}>
            {tab.label}
          </Label>
        ))}
      </List>
      <Panel key={props.selected} id={props.selected}>
        {props.children}
      </Panel>
    </Whole>
  );
}
