"use client";

import { useState } from "react";
import styled from "styled-components";
import { Button } from "@/ui/Button";
import { Dialog } from "@/ui/Dialog";
import { Row } from "@/ui/layout";
import { Table } from "@/ui/Table";
import { Tick } from "@/ui/Ticks";
import { areKeysOn, switchKeys, type KeyCommand } from "./useKeys";

const Key = styled.kbd`
  display: inline-block;
  min-width: 2rem;
  text-align: center;
  border: 1px solid var(--seam);
  padding: 0.1rem 0.4rem;
  font: inherit;
  font-weight: 600;
`;

/** What single keys do, and the switch for them. */
export function KeysDialog(props: { isOpen: boolean; onClose: () => void; commands: readonly KeyCommand[] }) {
  const [isOn, setIsOn] = useState(() => areKeysOn());
  return (
    <Dialog title="Keys" isOpen={props.isOpen} onClose={props.onClose}>
      <Table>
        <tbody>
          {props.commands.map((command) => (
            <tr key={command.key}>
              <td>
                <Key>{command.key === " " ? "Space" : command.key}</Key>
              </td>
              <td>{command.says}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      <Row $between>
        <Tick
          label="Single keys work"
          isOn={isOn}
          onChange={(next) => {
            switchKeys(next);
            setIsOn(next);
          }}
        />
        <Button look="main" onPress={props.onClose}>
          Close
        </Button>
      </Row>
    </Dialog>
  );
}
