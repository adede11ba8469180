"use client";

import { say, STEP_NAMES } from "@/messages";
import { Link } from "@/ui/address";
import { useState } from "react";
import styled from "styled-components";
import { type SignalPath, signatureOf, type StepId, stepMessages } from "@/core/rehearsal";
import { airPlanOf, type Connection, EARS } from "@/core/planning";
import { bankMessage, prepareAir } from "@/core/wireless";
import type { AirBody, StepDone } from "@/core/records";
import { Button } from "@/ui/Button";
import { Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import { useShoot } from "@/data/ShootProvider";
import { LinkSources } from "./LinkSources";
import { NobodyYet } from "./NobodyYet";
import { Rehearsing } from "./Rehearsing";
import { useConnections } from "./useConnections";
import { useLinks } from "./useLinks";

const Steps = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(84px, 1fr));
`;

const Step = styled.button`
  width: 100%;
  min-height: var(--row);
  padding: 0.2rem 0.1rem 0.4rem;
  display: grid;
  justify-items: center;
  align-content: start;
  gap: 0.1rem;
  border: 0;
  border-bottom: 3px solid transparent;
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: 0.9rem;
  line-height: 1.2;
  cursor: pointer;
  small {
    color: var(--ink-soft);
    font-size: 0.78rem;
  }
  &[aria-current] {
    border-bottom-color: var(--chalk);
    font-weight: 600;
  }
  &[data-stale] small {
    color: var(--bad);
    font-weight: 600;
  }
  &:focus-visible {
    outline: 3px solid var(--chalk);
    outline-offset: -2px;
  }
  svg {
    width: 100%;
    height: 18px;
    fill: none;
    stroke: var(--ink-soft);
    stroke-width: 2;
  }
`;

const Does = styled.ul`
  margin: 0;
  padding-left: 1.2rem;
  font-size: 1.05rem;
`;

type Shown = StepDone["how"] | "stale" | "open";

const SHOWN_WORDS: Record<Shown, string> = { real: "done", rehearsed: "rehearsed", stale: "again", open: "open" };

/** A step's piece of the seam: nothing, dashed once rehearsed, sewn once done. */
function StepMark({ shown }: { shown: Shown }) {
  return (
    <svg viewBox="0 0 60 18" preserveAspectRatio="none" aria-hidden>
      {shown === "open" && <path d="M28 9h4" strokeLinecap="round" />}
      {shown === "rehearsed" && <path d="M2 9H58" strokeDasharray="7 6" vectorEffect="non-scaling-stroke" />}
      {shown === "real" && <path d="M2 9H58M24 4l12 10M36 4l-12 10" vectorEffect="non-scaling-stroke" />}
      {shown === "stale" && <path d="M2 9H20c4 0 4 -5 8 -4M58 9H42c-4 0 -4 5 -8 4" vectorEffect="non-scaling-stroke" />}
    </svg>
  );
}

function Walk(props: { connection: Connection; setup: SignalPath; banks: string | null }) {
  const { connection, setup } = props;
  const { setConnection } = useConnections();
  const { steps, done, stale } = connection;
  const firstOpen = steps.find((id) => done.get(id) !== "real") ?? steps[0]!;
  const [wanted, setWanted] = useState<StepId | null>(null);
  const step = wanted && steps.includes(wanted) ? wanted : firstOpen;
  const shownOf = (id: StepId): Shown => done.get(id) ?? (stale.includes(id) ? "stale" : "open");
  const isReal = done.get(step) === "real";
  function mark(how: StepDone["how"] | null): void {
    const others = (body: readonly StepDone[]) => body.filter((each) => each.step !== step);
    setConnection(connection, (body) => ({
      ...body,
      steps: [
        ...others(body.steps),
        ...(how ? [{ step, how, at: new Date().toISOString(), holdsFor: signatureOf(setup, step) }] : []),
      ],
    }));
    if (how) setWanted(steps[steps.indexOf(step) + 1] ?? step);
  }
  const count = steps.filter((id) => done.get(id) === "real").length;
  return (
    <Stack>
      <Steps aria-label="Steps">
        {steps.map((id) => (
          <li key={id}>
            <Step
              type="button"
              aria-current={id === step ? "step" : undefined}
              data-stale={shownOf(id) === "stale" || undefined}
              onClick={() => setWanted(id)}
            >
              <StepMark shown={shownOf(id)} />
              {STEP_NAMES[id]}
              <small>{SHOWN_WORDS[shownOf(id)]}</small>
            </Step>
          </li>
        ))}
      </Steps>
      <Stack $gap={0.5}>
        {count === steps.length && <Lead>Verified: all steps are done on the real devices.</Lead>}
        <h3>{STEP_NAMES[step]}</h3>
        <Does>
          {stepMessages(setup, step)
            .map(say)
            .map((says) => (
              <li key={says}>{says}</li>
            ))}
          {(step === "scan" || step === "bank") && props.banks && <li>{props.banks}</li>}
        </Does>
        <Row $gap={0.5}>
          <Button look="main" onPress={() => mark("real")} isDisabled={isReal}>
            Done on the real devices
          </Button>
          <Button onPress={() => mark("rehearsed")} isDisabled={isReal}>
            Rehearsed
          </Button>
          {shownOf(step) !== "open" && (
            <Button look="quiet" onPress={() => mark(null)}>
              Mark as not done
            </Button>
          )}
        </Row>
      </Stack>
      <Rehearsing key={connection.link.id} connection={connection} setup={setup} step={step} />
    </Stack>
  );
}

/** Which bank the plan's scan leaves freest, and why; null for systems without banks. */
function bankSays(air: AirBody, { setup }: Connection): string | null {
  if (!setup?.system || setup.system.banks.length === 0) return null;
  const { banks, bankInUse } = prepareAir(airPlanOf(air), []);
  const counts = banks.get(setup.system.id);
  return counts ? say(bankMessage(counts, bankInUse.get(setup.system.id)!)) : null;
}

/** How paired? Step by step, on the real devices or rehearsed on simulated ones. */
export function PairView() {
  const { bundle } = useShoot();
  const links = useLinks();
  const { chosen } = links;
  return (
    <>
      <LinkSources
        links={links}
        says={({ steps, done, stale, inputId }) => {
          if (steps.length === 0) return inputId === EARS ? "heard only" : "nothing to pair";
          if (stale.length > 0) return `${stale.length} ${stale.length === 1 ? "step" : "steps"} again: it changed`;
          const count = steps.filter((id) => done.get(id) === "real").length;
          return count === steps.length ? "verified" : `${count} of ${steps.length} steps`;
        }}
      />
      {chosen ? (
        <Piece aria-label="Walk">
          <Stack>
            <h2>{chosen.link.name}</h2>
            {chosen.setup ? (
              <Walk key={chosen.link.id} connection={chosen} setup={chosen.setup} banks={bankSays(links.air, chosen)} />
            ) : (
              <Soft>
                Nothing to pair or plug here.{" "}
                <Link href={`/shoots/${bundle.shoot.id}/link?view=cables&link=${chosen.link.id}`}>
                  Choose its cable and input
                </Link>
              </Soft>
            )}
          </Stack>
        </Piece>
      ) : (
        <NobodyYet />
      )}
    </>
  );
}
