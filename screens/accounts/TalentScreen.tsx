"use client";

import { QueryClient, QueryClientProvider, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import type { TalentCard } from "@/core/crew";
import { askTalentCard, Refused, sendTalentAnswer } from "@/data/server";
import { say, sayIn, timeWords } from "@/messages";
import { Button } from "@/ui/Button";
import { Lead, Piece, Soft, Stack, Steps } from "@/ui/layout";
import { showToast } from "@/ui/toasts";
import { nowWords } from "../dress/nowWords";
import { INTRUSION_OPTIONS } from "../dress/words";

const Sheet = styled.main`
  max-width: 34rem;
  margin: 0 auto;
  padding: 1rem 1rem 3rem;
`;

const Answers = styled.div`
  display: grid;
  gap: 0.6rem;
  button {
    min-height: 56px;
    font-size: 1.05rem;
  }
`;

const ANSWERED: Record<TalentCard["answer"], string> = {
  notAsked: "",
  yes: "You said yes. You can change your mind at any time.",
  self: "You place it yourself: the steps are above.",
  no: "You said no, and that is fine: we use another way.",
};

const saidBy = (error: unknown): string =>
  error instanceof Refused ? say(error.says) : "This could not be loaded: is there signal?";

function Placement({ placement, isOwn }: { placement: NonNullable<TalentCard["placement"]>; isOwn: boolean }) {
  const touches = INTRUSION_OPTIONS.find(({ value }) => value === String(placement.intrusion))!.name;
  return (
    <Stack $gap={0.6}>
      <Lead>
        {placement.site}: {placement.mount}
      </Lead>
      <p>
        {touches}. About {placement.minutes} min.
      </p>
      {isOwn && (
        <Steps>
          {placement.steps.map(say).map((step) => (
            <li key={step}>{step}</li>
          ))}
        </Steps>
      )}
      {placement.cautions.map(say).map((caution) => (
        <Soft key={caution}>{caution}</Soft>
      ))}
    </Stack>
  );
}

function Card({ token }: { token: string }) {
  const queries = useQueryClient();
  const query = useQuery({ queryKey: ["card", token], queryFn: () => askTalentCard(token) });
  const [sending, setSending] = useState<string | null>(null);
  const card = query.data;
  if (query.isError) return <Lead role="alert">{saidBy(query.error)}</Lead>;
  if (!card) return <Soft role="status">Opening your card…</Soft>;
  sayIn({ units: card.units, clock: card.clock });
  const answer = async (next: TalentCard["answer"]) => {
    setSending(next);
    try {
      queries.setQueryData(["card", token], await sendTalentAnswer(token, next, nowWords()));
    } catch (error) {
      showToast({ says: saidBy(error) });
    }
    setSending(null);
  };
  const { scene, placement } = card;
  // None is put forward: the one that was given stands out, and no other.
  const choice = (value: TalentCard["answer"], name: string) => (
    <Button
      look={card.answer === value ? "main" : "plain"}
      aria-pressed={card.answer === value}
      isPending={sending === value}
      isDisabled={sending !== null}
      onPress={() => void answer(value)}
    >
      {name}
    </Button>
  );
  return (
    <Stack>
      <div>
        <Soft>
          {card.shoot}
          {scene && ` · day ${scene.day}, ${timeWords(scene.startsAt)}: ${scene.title}`}
        </Soft>
        <h1>{card.name}: your microphone</h1>
      </div>
      {placement ? (
        <Piece aria-label="Where it goes">
          <Placement placement={placement} isOwn={card.answer === "self"} />
        </Piece>
      ) : (
        <Piece>
          <Lead>Nobody has planned a place for it yet. You can answer all the same.</Lead>
        </Piece>
      )}
      <Piece aria-label="Your answer">
        <Stack>
          <p>
            It is a small microphone, and it is live while you wear it: take it off, or ask, before anything private.
            Nobody touches you without asking. Is this all right?
          </p>
          {card.answer !== "notAsked" && <p role="status">{ANSWERED[card.answer]}</p>}
          <Answers>
            {choice("yes", "Yes, somebody may fix it there")}
            {choice("self", "I place it myself")}
            {choice("no", "No, please find another way")}
          </Answers>
        </Stack>
      </Piece>
    </Stack>
  );
}

/** A talent's own card, by a link: where the microphone goes, and their answer. */
export function TalentScreen({ token }: { token: string }) {
  const [queries] = useState(() => new QueryClient({ defaultOptions: { queries: { retry: 1 } } }));
  return (
    <QueryClientProvider client={queries}>
      <Sheet>
        <Card token={token} />
      </Sheet>
    </QueryClientProvider>
  );
}
