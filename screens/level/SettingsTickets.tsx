"use client";

import styled from "styled-components";
import type { CardMessage, SettingsCard } from "@/core/planning";
import { CARD_NAMES, FEED_CAUTION, say } from "@/messages";

import { Tick } from "@/ui/Ticks";
import { Figure, Soft, Stack } from "@/ui/layout";
import { upperFirst } from "../dress/words";

const Tickets = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.8rem;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
`;

/** One device's settings, as on a swing ticket. */
const Ticket = styled.li<{ $state: SettingsCard["state"] }>`
  position: relative;
  min-width: 0;
  border: 1px solid var(--ink-soft);
  border-top: 4px ${({ $state }) => ($state === "set" ? "solid" : $state === "stale" ? "dotted" : "dashed")}
    ${({ $state }) => ($state === "stale" ? "var(--bad)" : "var(--ink-soft)")};
  background: var(--paper);
  padding: 0.7rem 0.9rem 0.8rem 1.5rem;
  break-inside: avoid;
  &::before {
    content: "";
    position: absolute;
    left: 0.5rem;
    top: 0.9rem;
    width: 9px;
    height: 9px;
    border: 1.5px solid var(--ink-soft);
    border-radius: 50%;
  }
`;

const Knob = styled.div`
  display: grid;
  gap: 0.05rem;
`;

const Words = styled.ul`
  margin: 0;
  padding: 0 0 0 1rem;
  font-size: 0.9rem;
  li + li {
    margin-top: 0.15rem;
  }
`;

const OnScreen = styled.div`
  @media print {
    display: none;
  }
`;

/** What a line that reads something is called; null where its words say all. */
const nameOf = (line: CardMessage): string | null =>
  line.code === "card.knob" ? line.name : (CARD_NAMES[line.code] ?? null);

/** What to set on each device of one way; a tick makes planned into set. */
export function SettingsTickets(props: {
  label: string;
  cards: readonly SettingsCard[];
  onTick: (card: SettingsCard, isOn: boolean) => void;
  /** Habits stand elsewhere, so that what is set stands close together. */
  isBrief?: boolean;
}) {
  const { isBrief = false } = props;
  return (
    <Tickets aria-label={props.label}>
      {props.cards.map((card) => {
        const figures = card.lines.filter((line) => nameOf(line) !== null);
        const words = card.lines.filter((line) => nameOf(line) === null && (!isBrief || line.code === "card.setting"));
        return (
          <Ticket key={card.deviceId} $state={card.state}>
            <Stack $gap={0.45}>
              <h3>{upperFirst(card.device)}</h3>
              {figures.map((line) => (
                <Knob key={nameOf(line)}>
                  <Soft>{nameOf(line)}</Soft>
                  <Figure $size={line.code === "card.knob" ? "big" : "normal"}>{say(line)}</Figure>
                </Knob>
              ))}
              {words.length > 0 && (
                <Words>
                  {words.map((line) => (
                    <li key={say(line)}>{say(line)}</li>
                  ))}
                </Words>
              )}
              {card.isFeed && <Soft>{FEED_CAUTION}</Soft>}
              {card.state === "stale" && <p>Changed since it was set: set it again.</p>}
              <OnScreen>
                <Tick
                  label={card.state === "set" ? "Set" : "Mark as set"}
                  isOn={card.state === "set"}
                  onChange={(isOn) => props.onTick(card, isOn)}
                />
              </OnScreen>
            </Stack>
          </Ticket>
        );
      })}
    </Tickets>
  );
}

/** What else is done at each device, a line a device. */
export function Habits({ cards }: { cards: readonly SettingsCard[] }) {
  const lines = cards.flatMap(({ deviceId, device, lines: all }) => {
    const words = all.filter((line) => nameOf(line) === null && line.code !== "card.setting").map(say);
    return words.length > 0 ? [{ deviceId, device, words }] : [];
  });
  if (lines.length === 0) return null;
  return (
    <Stack $gap={0.15} role="group" aria-label="Also">
      {lines.map(({ deviceId, device, words }) => (
        <Soft key={deviceId}>
          <b>{upperFirst(device)}</b>: {words.join(" · ")}
        </Soft>
      ))}
    </Stack>
  );
}
