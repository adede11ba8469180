"use client";

import { Button } from "@/ui/Button";
import { Dialog } from "@/ui/Dialog";
import { Row } from "@/ui/layout";

/** Asks before a shoot goes into the bin. */
export function DeleteShoot(props: { title: string; onClose: () => void; onDelete: () => void }) {
  return (
    <Dialog title={`Delete ${props.title}?`} isOpen isUrgent onClose={props.onClose}>
      <p>Everything in it goes into the bin and stays there for 30 days.</p>
      <Row>
        <Button
          look="main"
          onPress={() => {
            props.onClose();
            props.onDelete();
          }}
        >
          Delete this shoot
        </Button>
        <Button onPress={props.onClose}>Keep it</Button>
      </Row>
    </Dialog>
  );
}
