"use client";

import Link from "next/link";
import { useEffect, useState } from "react";
import styled from "styled-components";
import { FAULT_IDS, inject, type FaultId } from "@/core/rehearsal/faults";
import { hear, type Stimulus } from "@/core/rehearsal/hear";
import {
  allRight,
  devicesOf,
  fromTheBag,
  later,
  machineOf,
  targetOf,
  turnKnob,
  type Rehearsal,
} from "@/core/rehearsal/rehearsal";
import type { Setup } from "@/core/rehearsal/setup";
import { symptomsOf } from "@/core/rehearsal/symptoms";
import { devicesAt, doStep, missingAt, signatureOf, STEP_NAMES, stepWords, type StepId } from "@/core/rehearsal/walk";
import { EARS, type Connection } from "@/core/shoot/connections";
import { airPlanOf } from "@/core/shoot/airScene";
import { bankCountsOf } from "@/core/wireless/coordinateAir";
import { bankWords } from "@/core/wireless/systems";
import type { AirBody, StepDone } from "@/core/shoot/records";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Select } from "@/ui/Select";
import { Tick } from "@/ui/Ticks";
import { Columns, Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import { useShoot } from "../saving/ShootProvider";
import { DeviceFront } from "./DeviceFront";
import { LinkList } from "./LinkList";
import { useConnections } from "./useConnections";
import { setInAddress, useLinks } from "./useLinks";

const Steps = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(84px, 1fr));
`;

const Step = styled.button`
  width: 100%;
  min-height: 56px;
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

const Fronts = styled.div`
  display: grid;
  gap: 0.8rem;
  align-items: start;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 250px), 1fr));
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

const STIMULUS_NAMES: Record<Stimulus, string> = {
  silence: "Silence",
  tapMic: "A tap on the mic",
  tapDevice: "A tap on the device",
  line: "The loudest line",
};

/** What is heard, in a sentence. */
function heardWords(setup: Setup, rehearsal: Rehearsal, stimulus: Stimulus): string {
  const heard = hear(setup, rehearsal, stimulus);
  if (heard.isBuzzing) return "It buzzes.";
  if (heard.leftDbfs === null && heard.rightDbfs === null) return "Nothing is heard.";
  const from = {
    mic: "the mic",
    device: "the device's own mic, far away",
    strangers: "somebody else",
    nothing: "nothing",
  }[heard.from];
  return `Heard: ${from}${heard.isClipped ? ", distorted" : ""}${heard.isHollow ? ", hollow" : ""}.`;
}

/** One or two faults that would be noticed, hidden in a link that is otherwise right. */
function hide(setup: Setup, count: number): Rehearsal {
  let rehearsal = allRight(setup);
  const left: FaultId[] = [...FAULT_IDS];
  for (let hidden = 0; hidden < count && left.length > 0;) {
    const [id] = left.splice(Math.floor(Math.random() * left.length), 1);
    const next = inject(setup, rehearsal, id!);
    if (!next || symptomsOf(setup, next).length === 0) continue;
    rehearsal = next;
    hidden += 1;
  }
  return rehearsal;
}

const SCAN_TICK_S = 5;

function Rehearsing({ connection, setup, step }: { connection: Connection; setup: Setup; step: StepId }) {
  const { setConnection } = useConnections();
  const [stimulus, setStimulus] = useState<Stimulus>("silence");
  const [says, setSays] = useState<string | null>(null);
  const [isAll, setIsAll] = useState(false);
  const stored = connection.stored?.body.rehearsal ?? null;
  const isKnown = stored !== null && devicesOf(setup).every((id) => stored[id] !== null);
  const rehearsal = isKnown ? stored : fromTheBag(setup);
  const isScanning = typeof rehearsal.scanner?.secondsLeft === "number";
  const keep = (next: Rehearsal) => setConnection(connection, (body) => ({ ...body, rehearsal: next }));
  useEffect(() => {
    if (!isScanning) return;
    const timer = setTimeout(() => keep(later(setup, rehearsal, SCAN_TICK_S)), 1000 * SCAN_TICK_S);
    return () => clearTimeout(timer);
  });
  const missing = missingAt(setup, rehearsal, step);
  const heard = hear(setup, rehearsal, stimulus);
  const target = targetOf(setup);
  const leadIds = rehearsal.leads;
  const wayOptions = [
    { value: "", name: "nothing in the hand" },
    ...(setup.way.length > 0
      ? [{ value: setup.way.map(({ id }) => id).join(" "), name: setup.way.map(({ name }) => name).join(", ") }]
      : []),
    ...setup.shelf
      .filter(({ id }) => setup.way.length !== 1 || id !== setup.way[0]!.id)
      .map(({ id, name }) => ({ value: id, name })),
  ];
  const inHand = leadIds.join(" ");
  return (
    <Stack>
      <Row $between>
        <p role="status">
          {says ??
            (missing === null
              ? `On the simulated devices: ${STEP_NAMES[step].toLowerCase()} is done.`
              : `On the simulated devices: ${missing}`)}
        </p>
        <Row $gap={0.4}>
          <Tick label="All devices" isOn={isAll} onChange={setIsAll} />
          <Button onPress={() => (setSays(null), keep(doStep(setup, rehearsal, step)))}>Show me</Button>
          <Button look="quiet" onPress={() => (setSays(null), keep(fromTheBag(setup)))}>
            From the bag again
          </Button>
        </Row>
      </Row>
      <Row $gap={0.8} $low>
        <Choice
          label="Now there is"
          value={stimulus}
          options={(Object.keys(STIMULUS_NAMES) as Stimulus[]).map((value) => ({ value, name: STIMULUS_NAMES[value] }))}
          onChange={setStimulus}
        />
        <p role="status">{heardWords(setup, rehearsal, stimulus)}</p>
      </Row>
      <Row $gap={0.6} $low>
        <Select
          label="Lead in the hand"
          value={wayOptions.some(({ value }) => value === inHand) ? inHand : ""}
          options={wayOptions}
          onChange={(value) => keep({ ...rehearsal, leads: value === "" ? [] : value.split(" ") })}
        />
        <Tick
          label="Plugged in"
          isOn={rehearsal.isPlugged}
          onChange={(isPlugged) => keep({ ...rehearsal, isPlugged, isLeadBroken: rehearsal.isLeadBroken && isPlugged })}
        />
        {setup.system && (
          <Tick
            label="The ground is walked"
            isOn={rehearsal.isWalked}
            onChange={(isWalked) => keep({ ...rehearsal, isWalked })}
          />
        )}
      </Row>
      <Fronts>
        {(isAll ? devicesOf(setup) : devicesAt(setup, step)).map((id) => (
          <DeviceFront
            key={id}
            id={id}
            machine={machineOf(setup, id)}
            state={rehearsal[id]!}
            heard={heard}
            isTarget={id === target}
            turn={(knobId, value) => {
              const turned = turnKnob(setup, rehearsal, id, knobId, value);
              setSays(turned.says);
              keep(turned.rehearsal);
            }}
          />
        ))}
      </Fronts>
      <Stack $gap={0.4}>
        <h3>Practise finding what is wrong</h3>
        <Row $gap={0.5}>
          {[1, 2].map((count) => (
            <Button
              key={count}
              onPress={() => {
                keep(hide(setup, count));
                setStimulus("line");
                setIsAll(true);
                setSays(count === 1 ? "One thing is wrong now." : "Two things are wrong now.");
              }}
            >
              Hide {count === 1 ? "one fault" : "two faults"}
            </Button>
          ))}
          <Button look="quiet" onPress={() => setInAddress({ view: "trouble", link: connection.link.id })}>
            Find it by its symptom
          </Button>
        </Row>
      </Stack>
    </Stack>
  );
}

function Walk(props: { connection: Connection; setup: Setup; banks: string | null }) {
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
        {count === steps.length && <Lead>Proved: all steps are done on the real devices.</Lead>}
        <h3>{STEP_NAMES[step]}</h3>
        <Does>
          {stepWords(setup, step).map((says) => (
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
              Not done after all
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
  const counts = bankCountsOf(airPlanOf(air), setup.system);
  return `Bank ${counts[0]!.bank.name}: ${bankWords(counts)}`;
}

/** How paired? Step by step, on the real devices or rehearsed on simulated ones. */
export function PairView() {
  const { bundle } = useShoot();
  const links = useLinks();
  const { chosen } = links;
  return (
    <Columns $template="minmax(0, 260px) minmax(0, 1fr)">
      <Piece aria-label="Links">
        <LinkList
          links={links}
          label="Links and how far they are"
          says={({ steps, done, stale, inputId }) => {
            if (steps.length === 0) return inputId === EARS ? "heard only" : "nothing to pair";
            if (stale.length > 0) return `${stale.length} steps again: it changed`;
            const count = steps.filter((id) => done.get(id) === "real").length;
            return count === steps.length ? "proved" : `${count} of ${steps.length} steps`;
          }}
        />
      </Piece>
      {chosen && (
        <Piece aria-label="Walk">
          <Stack>
            <h2>{chosen.link.name}</h2>
            {chosen.setup ? (
              <Walk key={chosen.link.id} connection={chosen} setup={chosen.setup} banks={bankSays(links.air, chosen)} />
            ) : (
              <Soft>
                Nothing to pair or plug here.{" "}
                <Link href={`/shoots/${bundle.shoot.id}/link?view=leads&link=${chosen.link.id}`}>
                  Say where it goes
                </Link>
              </Soft>
            )}
          </Stack>
        </Piece>
      )}
    </Columns>
  );
}
