"use client";

import styled from "styled-components";
import { minus } from "@/core/sound";
import type { DeviceId, Heard, Knob, Machine, Setting } from "@/core/rehearsal";
import { Button } from "@/ui/Button";
import { NumberField } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { Tick } from "@/ui/Ticks";
import { Row, Stack } from "@/ui/layout";

const Front = styled.section`
  border: 1px solid var(--seam);
  background: var(--paper);
  padding: 0.7rem 0.8rem 0.9rem;
  min-width: 0;
  &[data-target] {
    grid-column: 1 / -1;
  }
  h3 {
    font-size: 1rem;
  }
`;

const Shown = styled.dl`
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1rem;
  font-size: 0.9rem;
  div {
    display: flex;
    gap: 0.35rem;
    align-items: center;
  }
  dt {
    color: var(--ink-soft);
  }
  dd {
    margin: 0;
    font-weight: 600;
  }
`;

const Lamp = styled.svg`
  width: 14px;
  height: 14px;
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
  &[data-lit] {
    fill: var(--ochre);
  }
`;

const Meters = styled.div`
  display: grid;
  gap: 0.2rem 1rem;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
`;

const Fields = styled.div`
  display: grid;
  gap: 0.6rem;
  align-items: end;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
`;

/** From −60 dBFS to full scale; the target stands as a notch. */
const LEAST_DBFS = -60;
const place = (dbfs: number): number => 100 * Math.max(0, 1 - dbfs / LEAST_DBFS);

const Scale = styled.svg`
  display: block;
  width: 100%;
  height: 22px;
`;

function Meter({ name, dbfs, isClipped }: { name: string; dbfs: number | null; isClipped: boolean }) {
  return (
    <div>
      <Shown>
        <div>
          <dt>{name}</dt>
          <dd>{dbfs === null ? "stands still" : `${minus(dbfs)} dBFS${isClipped ? ", clips" : ""}`}</dd>
        </div>
      </Shown>
      <Scale viewBox="0 0 100 22" preserveAspectRatio="none" aria-hidden>
        <path d="M0 12H100" stroke="var(--seam-soft)" strokeWidth="8" vectorEffect="non-scaling-stroke" />
        {dbfs !== null && (
          <path
            d={`M0 12H${place(dbfs)}`}
            stroke={isClipped ? "var(--bad)" : "var(--ink)"}
            strokeWidth="8"
            vectorEffect="non-scaling-stroke"
          />
        )}
        {[-12, -6].map((mark) => (
          <path
            key={mark}
            d={`M${place(mark)} 3V21`}
            stroke="var(--chalk)"
            strokeWidth="2"
            strokeDasharray={mark === -6 ? "3 3" : undefined}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </Scale>
    </div>
  );
}

function LampLine({ name, isLit }: { name: string; isLit: boolean }) {
  return (
    <div>
      <dt>{name}</dt>
      <dd>
        <Lamp viewBox="0 0 14 14" data-lit={isLit || undefined} aria-hidden>
          <circle cx="7" cy="7" r="5.5" />
        </Lamp>{" "}
        {isLit ? "lit" : "dark"}
      </dd>
    </div>
  );
}

const Figure = ({ name, children }: { name: string; children: string }) => (
  <div>
    <dt>{name}</dt>
    <dd>{children}</dd>
  </div>
);

const minutes = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, "0")}`;

/** Lamps, figures and meters of one device. */
function Display({ id, state, heard }: { id: DeviceId; state: Record<string, unknown>; heard: Heard }) {
  const battery = state["batteryPercent"];
  const storage = state["storageMb"];
  const secondsLeft = state["secondsLeft"];
  return (
    <Shown>
      {typeof battery === "number" && <Figure name="Battery">{`${Math.round(battery)} %`}</Figure>}
      {id === "pack" && <LampLine name="Lamp" isLit={heard.packLamp} />}
      {id === "receiver" && <LampLine name="RF" isLit={heard.receiverLamp} />}
      {id === "receiver" && (
        <Figure name="Audio">{{ still: "still", moves: "moves", over: "hits the end" }[heard.receiverSound]}</Figure>
      )}
      {typeof state["name"] === "string" && <Figure name="Name">{state["name"] || "–"}</Figure>}
      {typeof state["pairedName"] === "string" && <Figure name="Shows">{state["pairedName"] || "–"}</Figure>}
      {id === "scanner" && (
        <Figure name="Scan">
          {typeof secondsLeft === "number" ? `${Math.ceil(secondsLeft)} s left` : state["isDone"] ? "done" : "not yet"}
        </Figure>
      )}
      {typeof storage === "number" && <Figure name="Room">{`${(storage / 1000).toFixed(1)} GB`}</Figure>}
      {typeof state["transport"] === "string" && (
        <Figure name="State">
          {state["transport"] === "recording" ? `recording ${minutes(Number(state["recordedS"]))}` : state["transport"]}
        </Figure>
      )}
    </Shown>
  );
}

function Control({ knob, state, turn }: { knob: Knob<object>; state: object; turn: (value: Setting) => void }) {
  switch (knob.kind) {
    case "push":
      return <Button onPress={() => turn(true)}>{knob.name}</Button>;
    case "switch":
      return <Tick label={knob.name} isOn={knob.reads(state)} onChange={turn} />;
    case "choice":
      return <Select label={knob.name} value={knob.reads(state)} options={[...knob.options]} onChange={turn} />;
    case "turn":
      return (
        <NumberField
          label={knob.name}
          value={knob.reads(state)}
          minimum={knob.minimum}
          maximum={knob.maximum}
          shown={{ unit: knob.unit, factor: 1, digits: knob.step < 1 ? 3 : 0, step: knob.step }}
          onChange={turn}
        />
      );
  }
}

/** A simulated device: what it shows, and everything that can be moved on it. */
export function DeviceFront(props: {
  id: DeviceId;
  machine: Machine<object>;
  state: object;
  heard: Heard;
  isTarget: boolean;
  turn: (knobId: string, value: Setting) => void;
}) {
  const { id, machine, state, heard } = props;
  const of = (...kinds: Knob<object>["kind"][]) => machine.knobs.filter(({ kind }) => kinds.includes(kind));
  return (
    <Front aria-label={machine.name} data-target={props.isTarget || undefined}>
      <Stack $gap={0.6}>
        <h3>{machine.name}</h3>
        <Display id={id} state={state as Record<string, unknown>} heard={heard} />
        {props.isTarget && (
          <Meters>
            <Meter name="Left" dbfs={heard.leftDbfs} isClipped={heard.isClipped} />
            <Meter name="Right" dbfs={heard.rightDbfs} isClipped={heard.isClipped} />
          </Meters>
        )}
        <Fields>
          {of("turn", "choice").map((knob) => (
            <Control key={knob.id} knob={knob} state={state} turn={(value) => props.turn(knob.id, value)} />
          ))}
        </Fields>
        <Row $gap={0.4}>
          {of("switch").map((knob) => (
            <Control key={knob.id} knob={knob} state={state} turn={(value) => props.turn(knob.id, value)} />
          ))}
        </Row>
        <Row $gap={0.4}>
          {of("push").map((knob) => (
            <Control key={knob.id} knob={knob} state={state} turn={(value) => props.turn(knob.id, value)} />
          ))}
        </Row>
      </Stack>
    </Front>
  );
}
