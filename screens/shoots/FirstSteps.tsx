"use client";

import styled from "styled-components";
import { Button } from "@/ui/Button";
import { Piece, Soft, Stack } from "@/ui/layout";

const Steps = styled.ol`
  margin: 0;
  padding-left: 1.3rem;
  display: grid;
  gap: 0.5rem;
  li::marker {
    font-weight: 600;
    color: var(--chalk);
  }
`;

/** What to look at first, on the demo shoot: where in it, and what to notice there. */
const STEPS = [
  { path: "/dress", name: "See where the mic goes", notice: "Change a garment: the places are ranked anew." },
  { path: "/link?view=cables", name: "See which cable it takes", notice: "Choose another input, and read why." },
  { path: "/check", name: "See whether a take is good", notice: "Open a measured take, or drop a file of your own." },
] as const;

/** Three steps through the demo shoot, for who is here for the first time. */
export function FirstSteps({ isOpening, onOpen }: { isOpening: boolean; onOpen: (path: string) => void }) {
  return (
    <Piece aria-labelledby="first">
      <Stack $gap={0.6}>
        <h2 id="first">First time here?</h2>
        <Soft>Three steps through the demo shoot.</Soft>
        <Steps>
          {STEPS.map(({ path, name, notice }) => (
            <li key={path}>
              <Button look="quiet" isPending={isOpening} onPress={() => onOpen(path)}>
                {name}
              </Button>
              <Soft>{notice}</Soft>
            </li>
          ))}
        </Steps>
      </Stack>
    </Piece>
  );
}
