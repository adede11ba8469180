"use client";

import type { ReactNode } from "react";
import { Menu as AriaMenu, MenuItem, MenuTrigger } from "react-aria-components";
import styled from "styled-components";
import { Button } from "./Button";
import { FloatingList, floatingItem } from "./Select";

const Item = styled(MenuItem)`
  ${floatingItem}
`;

export interface MenuChoice {
  id: string;
  name: string;
  onChoose: () => void;
}

/** Things to do with one thing, behind one button. */
export function Menu(props: {
  label: string;
  icon: ReactNode;
  choices: readonly MenuChoice[];
  look?: "plain" | "quiet";
}) {
  return (
    <MenuTrigger>
      <Button aria-label={props.label} look={props.look ?? "plain"}>
        {props.icon}
      </Button>
      <FloatingList>
        <AriaMenu
          aria-label={props.label}
          onAction={(key) => props.choices.find((choice) => choice.id === key)?.onChoose()}
        >
          {props.choices.map((choice) => (
            <Item key={choice.id} id={choice.id}>
              {choice.name}
            </Item>
          ))}
        </AriaMenu>
      </FloatingList>
    </MenuTrigger>
  );
}
