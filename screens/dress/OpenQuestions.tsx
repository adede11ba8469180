"use client";

import styled from "styled-components";
import { unknownsOf, type DressPlan } from "@/core/dress";
import type { WearerBody } from "@/core/records";
import { say } from "@/messages";
import { useShootStore } from "@/data/ShootProvider";
import { Button } from "@/ui/Button";

const Questions = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.2rem;
  font-size: 0.9rem;
  color: var(--ink-soft);
  li {
    display: flex;
    align-items: center;
    gap: 0.2rem;
  }
  button {
    min-width: 0;
  }
`;

type Unknown = ReturnType<typeof unknownsOf>[number]["says"]["code"];

/** Answers to what is not known, one tap each. */
const ANSWERS: Partial<Record<Unknown, readonly { name: string; set: Partial<WearerBody> }[]>> = {
  "unknown.voice": [
    { name: "Deep", set: { voice: "deep" } },
    { name: "Middle", set: { voice: "middle" } },
    { name: "Light", set: { voice: "light" } },
  ],
  "unknown.allergy": [
    { name: "Yes", set: { tapeAllergy: "yes" } },
    { name: "No", set: { tapeAllergy: "no" } },
  ],
  "unknown.hair": [
    { name: "Yes", set: { hairyChest: "yes" } },
    { name: "No", set: { hairyChest: "no" } },
  ],
};

/** What would make the answer surer, asked where the answer stands. */
export function OpenQuestions({ dress, wearerId }: { dress: DressPlan; wearerId: string }) {
  const store = useShootStore();
  const unknowns = unknownsOf(dress);
  if (unknowns.length === 0) return null;
  return (
    <Questions aria-label="Open questions">
      {unknowns.map(({ says }) => (
        <li key={says.code}>
          {say(says)}
          {(ANSWERS[says.code] ?? []).map(({ name, set }) => (
            <Button
              key={name}
              look="quiet"
              aria-label={`${say(says)} ${name}`}
              onPress={() => store.edit("wearer", wearerId, (now) => ({ ...now, ...set }))}
            >
              {name}
            </Button>
          ))}
        </li>
      ))}
    </Questions>
  );
}
