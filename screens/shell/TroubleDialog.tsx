"use client";

import { say } from "@/messages";
import { useShootStore } from "@/data/ShootProvider";
import type { Pending } from "@/data/pending";
import { Button } from "@/ui/Button";
import { Dialog } from "@/ui/Dialog";
import { Row, Soft, Stack } from "@/ui/layout";
import { Table, TableScroll } from "@/ui/Table";
import { fieldName, valueWords } from "./fieldWords";

const called = ({ name }: Pending): string => (name === "" ? "This" : name);

function Conflict({ pending, decide }: { pending: Pending; decide: (decision: "keep" | "drop") => void }) {
  if (pending.trouble?.why !== "conflict") return null;
  const { kind } = pending.command;
  return (
    <>
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
            {pending.trouble.conflicts.map(({ path, to, current }) => (
              <tr key={path.join(" ")}>
                <th scope="row">{fieldName(kind, path)}</th>
                <td>{valueWords(to)}</td>
                <td>{valueWords(current)}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </TableScroll>
      <Row>
        <Button look="main" onPress={() => decide("keep")}>
          Keep mine
        </Button>
        <Button onPress={() => decide("drop")}>Take theirs</Button>
      </Row>
    </>
  );
}

function Gone({ pending, decide }: { pending: Pending; decide: (decision: "keep" | "drop") => void }) {
  return (
    <>
      <p>You changed it here. Bring it back with your change, or let it go.</p>
      <Row>
        <Button look="main" onPress={() => decide("keep")}>
          Bring {called(pending)} back
        </Button>
        <Button onPress={() => decide("drop")}>Let it go</Button>
      </Row>
    </>
  );
}

function Refused({ pending, decide }: { pending: Pending; decide: (decision: "keep" | "drop") => void }) {
  if (pending.trouble?.why !== "refused") return null;
  const { fields } = pending.trouble;
  const whole = say(pending.trouble.says);
  const told = fields.map(({ path, says }) => ({ path, says: say(says) })).filter(({ says }) => says !== whole);
  return (
    <>
      <p>{whole}</p>
      {told.length > 0 && (
        <ul>
          {told.map(({ path, says }) => (
            <li key={path}>
              {fieldName(pending.command.kind, path.split("."))}: {says}
            </li>
          ))}
        </ul>
      )}
      <Soft>Correct it where you typed it, and it is sent again. Or drop the change.</Soft>
      <Row>
        <Button onPress={() => decide("keep")}>Send again</Button>
        <Button onPress={() => decide("drop")}>Drop the change</Button>
      </Row>
    </>
  );
}

const TITLES = {
  conflict: "was changed elsewhere too",
  gone: "was deleted elsewhere",
  refused: "was not saved",
} as const;

/** What could not be saved as it was typed. Closing it decides nothing: what was typed stays. */
export function TroubleDialog({ troubles, onClose }: { troubles: readonly Pending[]; onClose: () => void }) {
  const store = useShootStore();
  const [pending] = troubles;
  if (!pending?.trouble) return null;
  const decide = (decision: "keep" | "drop") => store.decide(pending, decision);
  const { why } = pending.trouble;
  const Part = { conflict: Conflict, gone: Gone, refused: Refused }[why];
  return (
    <Dialog title={`${called(pending)} ${TITLES[why]}`} isOpen isUrgent onClose={onClose}>
      <Stack>
        <Part pending={pending} decide={decide} />
        {troubles.length > 1 && <Soft>{troubles.length - 1} more after this.</Soft>}
        <Row>
          <Button look="quiet" onPress={onClose}>
            Decide later
          </Button>
        </Row>
      </Stack>
    </Dialog>
  );
}
