"use client";

import { setInAddress } from "@/ui/address";
import { say, STEP_NAMES } from "@/messages";
import { useEffect, useMemo, useState } from "react";
import styled from "styled-components";
import {
  devicesAt,
  devicesOf,
  doStep,
  FAULT_IDS,
  faultMessage,
  fromTheBag,
  hear,
  heardMessage,
  hideFaults,
  later,
  machineOf,
  missingAt,
  type Rehearsal,
  type SignalPath,
  type StepId,
  type Stimulus,
  targetOf,
  turnKnob,
  withFaults,
} from "@/core/rehearsal";
import type { Connection } from "@/core/planning";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Select } from "@/ui/Select";
import { Tick } from "@/ui/Ticks";
import { Row, Stack } from "@/ui/layout";
import { DeviceFront } from "./DeviceFront";
import { useConnections } from "./useConnections";

const Fronts = styled.div`
  display: grid;
  gap: 0.8rem;
  align-items: start;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 250px), 1fr));
`;

const STIMULUS_NAMES: Record<Stimulus, string> = {
  silence: "Silence",
  tapMic: "A tap on the mic",
  tapDevice: "A tap on the device",
  line: "The loudest line",
};

const SCAN_TICK_S = 5;

/** A step on the simulated devices: what is missing, what is heard, everything that can be moved; and faults to find. */
export function Rehearsing({ connection, setup, step }: { connection: Connection; setup: SignalPath; step: StepId }) {
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
  const certain = useMemo(() => FAULT_IDS.filter((id) => withFaults(setup, [id]) !== null), [setup]);
  const missing = missingAt(setup, rehearsal, step);
  const heard = hear(setup, rehearsal, stimulus);
  const target = targetOf(setup);
  const leadIds = rehearsal.leads;
  const wayOptions = [
    { value: "", name: "no cable" },
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
              : `On the simulated devices: ${say(missing)}`)}
        </p>
        <Row $gap={0.4}>
          <Tick label="All devices" isOn={isAll} onChange={setIsAll} />
          <Button onPress={() => (setSays(null), keep(doStep(setup, rehearsal, step)))}>Show me</Button>
          <Button look="quiet" onPress={() => (setSays(null), keep(fromTheBag(setup)))}>
            Start over
          </Button>
        </Row>
      </Row>
      <Row $gap={0.8} $low>
        <Choice
          label="Now heard"
          value={stimulus}
          options={(Object.keys(STIMULUS_NAMES) as Stimulus[]).map((value) => ({ value, name: STIMULUS_NAMES[value] }))}
          onChange={setStimulus}
        />
        <p role="status">{say(heardMessage(setup, rehearsal, stimulus))}</p>
      </Row>
      <Row $gap={0.6} $low>
        <Select
          label="Cable in hand"
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
            label="Range walked"
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
              setSays(turned.says && say(turned.says));
              keep(turned.rehearsal);
            }}
          />
        ))}
      </Fronts>
      <Stack $gap={0.4}>
        <h3>Practise troubleshooting</h3>
        <Row $gap={0.5} $low>
          {[1, 2].map((count) => (
            <Button
              key={count}
              onPress={() => {
                keep(hideFaults(setup, count, Math.random));
                setStimulus("line");
                setIsAll(true);
                setSays(count === 1 ? "One thing is wrong now." : "Two things are wrong now.");
              }}
            >
              Hide {count === 1 ? "one fault" : "two faults"}
            </Button>
          ))}
          <Select
            label="Fault to hide"
            value=""
            options={[
              { value: "", name: "any" },
              ...certain.map((id) => ({ value: id, name: say(faultMessage(setup, id)) })),
            ]}
            onChange={(id) => {
              const put = id === "" ? null : withFaults(setup, [id]);
              if (!put) return;
              keep(put);
              setStimulus("line");
              setIsAll(true);
              setSays("It is put in.");
            }}
          />
          <Button look="quiet" onPress={() => setInAddress({ view: "trouble", link: connection.link.id })}>
            Troubleshoot
          </Button>
        </Row>
      </Stack>
    </Stack>
  );
}
