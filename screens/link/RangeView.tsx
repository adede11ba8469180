"use client";

import { say } from "@/messages";
import { Plus } from "lucide-react";
import { useState } from "react";
import { type AirScene, storedConnection, usualRangeOf } from "@/core/planning";
import type { ShootBody } from "@/core/records";
import {
  type AirLink,
  BODIES,
  type Bodies,
  budgetMessage,
  congestionOf,
  diversityM,
  latencyMessage,
  levelNear,
  linkBudget,
  type Network,
  type RangeWish,
  whipM,
} from "@/core/wireless";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { NumberField, UNITS } from "@/ui/NumberField";
import { Columns, Known, Lead, Row, Soft, Stack } from "@/ui/layout";
import { useShoot } from "@/data/ShootProvider";
import { useConnections } from "./useConnections";

const BODY_NAMES: Record<Bodies, string> = { none: "Nobody between", one: "One body", two: "Two bodies" };
const DECIBELS = { unit: "dB", factor: 1, digits: 0, step: 5 } as const;
const DBM = { unit: "dBm", factor: 1, digits: 0, step: 5 } as const;
const PERCENT = { unit: "%", factor: 100, digits: 0, step: 10 } as const;
const CHANNEL = { unit: "", factor: 1, digits: 0, step: 1 } as const;
const MIDDLE_24_MHZ = 2441;
/** How near a receiver's channel the noise of the air is looked at, kHz. Common practice. */
const AIR_KHZ = 150;

/** Networks heard at 2.4 GHz, and where there is room between them. */
function Networks() {
  const [networks, setNetworks] = useState<readonly Network[]>([]);
  const { quietest, grade, busy } = congestionOf(networks);
  const set = (index: number, change: Partial<Network>) =>
    setNetworks(networks.map((each, where) => (where === index ? { ...each, ...change } : each)));
  return (
    <Stack $gap={0.5}>
      {networks.map((network, index) => (
        <Columns key={index} $template="1fr 1fr 1fr" role="group" aria-label={`Network ${index + 1}`}>
          <NumberField
            label="Channel"
            value={network.channel}
            minimum={1}
            maximum={14}
            shown={CHANNEL}
            onChange={(channel) => set(index, { channel: Math.round(channel) })}
          />
          <NumberField
            label="Level"
            value={network.levelDbm}
            minimum={-100}
            maximum={-10}
            shown={DBM}
            onChange={(levelDbm) => set(index, { levelDbm })}
          />
          <NumberField
            label="Busy"
            value={network.busy}
            minimum={0}
            maximum={1}
            shown={PERCENT}
            onChange={(next) => set(index, { busy: next })}
          />
        </Columns>
      ))}
      <div>
        <Button
          isDisabled={networks.length >= 20}
          onPress={() =>
            setNetworks([...networks, { channel: [1, 6, 11][networks.length % 3]!, levelDbm: -60, busy: 0.4 }])
          }
        >
          <Plus size={18} aria-hidden /> A network that is heard
        </Button>
      </div>
      {networks.length > 0 && (
        <p>
          {grade === "good"
            ? `There is room from ${quietest.fromMHz} MHz on.`
            : grade === "usable"
              ? `It gets narrow: the quietest 20 MHz, from ${quietest.fromMHz} MHz, are taken ${Math.round(100 * quietest.busy)} % of the time.`
              : `It is full: ${Math.round(100 * busy)} % of the time. Switch networks and phones off, or take another band.`}
        </p>
      )}
    </Stack>
  );
}

/** Whether a link reaches, and how late it is. */
export function RangeView({ air, link, shoot }: { air: AirScene; link: AirLink | null; shoot: ShootBody }) {
  const { bundle } = useShoot();
  const { setRange } = useConnections();
  const system = air.plan.systems.find(({ id }) => id === link?.systemId);
  if (!link || !system) return <Soft>Choose a link that is on the air.</Soft>;
  const { across, ...usual } = usualRangeOf(bundle, link);
  const stored = storedConnection(bundle, link.id)?.body.range ?? null;
  const { distanceM, bodies, wallsDb } = stored ?? usual;
  const set = (change: Partial<RangeWish>) => setRange(link.id, (range) => ({ ...(range ?? usual), ...change }));
  const frequencyMHz =
    system.band === "ism24" ? MIDDLE_24_MHZ : (link.frequencyMHz ?? (system.fromMHz + system.toMHz) / 2);
  const budget = linkBudget({
    frequencyMHz,
    powerMw: system.powerMw,
    distanceM,
    bodies,
    hasDiversity: system.hasDiversity,
    needsDbm: system.needsDbm,
    wallsDb,
    airDbm: air.plan.scan ? levelNear(air.plan.scan, frequencyMHz, AIR_KHZ) : null,
  });
  const late = latencyMessage(system.latencyMs, shoot.frameRate);
  const length = (metres: number) =>
    shoot.units === "metric" ? `${(100 * metres).toFixed(0)} cm` : `${(metres / 0.0254).toFixed(0)} in`;
  return (
    <Stack $gap={0.6}>
      <Columns $template="1fr 1fr">
        <NumberField
          label="Pack to receiver"
          value={distanceM}
          minimum={0.1}
          maximum={5000}
          shown={shoot.units === "metric" ? UNITS.metre : UNITS.foot}
          onChange={(next) => set({ distanceM: next })}
        />
        <NumberField
          label="Walls and metal"
          value={wallsDb}
          minimum={0}
          maximum={100}
          shown={DECIBELS}
          onChange={(next) => set({ wallsDb: next })}
        />
      </Columns>
      {!stored && across && <Soft>{say({ code: "range.assumed", place: across })}</Soft>}
      <Choice
        label="Between the antennas"
        value={bodies}
        options={BODIES.map((value) => ({ value, name: BODY_NAMES[value] }))}
        onChange={(next) => set({ bodies: next })}
      />
      <Lead>
        <Known $as="planned">{say(budgetMessage(budget, bodies))}</Known>
      </Lead>
      <Soft>
        {say({
          code: "range.figures",
          link: link.name,
          receivedDbm: budget.receivedDbm,
          neededDbm: budget.neededDbm,
          whip: length(whipM(frequencyMHz)),
          apart: length(diversityM(frequencyMHz)),
        })}
      </Soft>
      {late && <p>{say(late)}</p>}
      <Soft>{say({ code: "range.battery", hours: system.batteryH })}</Soft>
      {system.band === "ism24" && <Networks />}
      <Row>
        <Soft>{say({ code: "range.caution" })}</Soft>
      </Row>
    </Stack>
  );
}
