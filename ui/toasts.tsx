"use client";

import {
  Text,
  UNSTABLE_Toast as Toast,
  UNSTABLE_ToastContent as ToastContent,
  UNSTABLE_ToastQueue as ToastQueue,
  UNSTABLE_ToastRegion as ToastRegion,
} from "react-aria-components";
import styled from "styled-components";
import { Button } from "./Button";

export interface ToastMessage {
  says: string;
  /** One thing that can be done about it, as long as the toast shows. */
  action?: { name: string; run: () => void };
  /** It stays until somebody closes it or does what it offers. */
  stays?: boolean;
}

const queue = new ToastQueue<ToastMessage>({ maxVisibleToasts: 3 });

/** Shows a message for a while; longer when something can be done about it. */
export function showToast(message: ToastMessage): void {
  queue.add(message, message.stays ? {} : { timeout: message.action ? 15_000 : 6000 });
}

const Region = styled(ToastRegion)`
  position: fixed;
  z-index: 50;
  right: 1rem;
  bottom: 1rem;
  left: 1rem;
  display: grid;
  gap: 0.5rem;
  justify-items: end;
  pointer-events: none;
  outline: none;
`;

const Slip = styled(Toast)`
  pointer-events: auto;
  background: var(--ink);
  color: var(--paper);
  padding: 0.5rem 0.6rem 0.5rem 1rem;
  display: flex;
  align-items: center;
  gap: 0.8rem;
  max-width: 480px;
`;

/** Where toasts appear; once in the page. */
export function Toasts() {
  return (
    <Region queue={queue}>
      {({ toast }) => {
        const { says, action } = toast.content as ToastMessage;
        return (
          <Slip toast={toast}>
            <ToastContent>
              <Text slot="title">{says}</Text>
            </ToastContent>
            {action && (
              <Button
                onPress={() => {
                  action.run();
                  queue.close(toast.key);
                }}
              >
                {action.name}
              </Button>
            )}
            <Button slot="close" aria-label="Close message">
              ×
            </Button>
          </Slip>
        );
      }}
    </Region>
  );
}
