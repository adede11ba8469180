"use client";

import type { RecordBodies, RecordKind } from "@/core/shoot/records";
import { Button } from "@/ui/Button";
import { Dialog } from "@/ui/Dialog";
import { Row } from "@/ui/layout";
import { Table, TableScroll } from "@/ui/Table";
import { useShoot, useShootStore } from "../saving/ShootProvider";

/** Fields that differ, by dotted path, with both values as text. */
function differences(mine: unknown, theirs: unknown, path = ""): { path: string; mine: string; theirs: string }[] {
  if (JSON.stringify(mine) === JSON.stringify(theirs)) return [];
  const isPair = (value: unknown): value is Record<string, unknown> => typeof value === "object" && value !== null;
  if (!isPair(mine) || !isPair(theirs))
    return [{ path, mine: JSON.stringify(mine) ?? "nothing", theirs: JSON.stringify(theirs) ?? "nothing" }];
  const keys = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])];
  return keys.flatMap((key) => differences(mine[key], theirs[key], path ? `${path} ${key}` : key));
}

function nameOf(body: RecordBodies[RecordKind]): string {
  if ("name" in body) return body.name;
  return "title" in body ? body.title : "This";
}

/** Two versions of one record: shows what differs and lets the person decide. */
export function ConflictDialog() {
  const { conflicts } = useShoot();
  const store = useShootStore();
  const [conflict] = conflicts;
  if (!conflict) return null;
  return (
    <Dialog
      title={`${nameOf(conflict.mine)} was changed elsewhere too`}
      isOpen
      isUrgent
      onClose={() => store.decide(conflict, "theirs")}
    >
      <TableScroll aria-label="What differs">
        <Table>
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">Here</th>
              <th scope="col">Elsewhere</th>
            </tr>
          </thead>
          <tbody>
            {differences(conflict.mine, conflict.theirs.body).map((row) => (
              <tr key={row.path}>
                <th scope="row">{row.path}</th>
                <td>{row.mine}</td>
                <td>{row.theirs}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </TableScroll>
      <Row>
        <Button look="main" onPress={() => store.decide(conflict, "mine")}>
          Keep what is here
        </Button>
        <Button onPress={() => store.decide(conflict, "theirs")}>Take what is elsewhere</Button>
      </Row>
    </Dialog>
  );
}
