"use client";

import { minus } from "@/core/sound/decibel";
import dynamic from "next/dynamic";
import Link from "next/link";
import { useState } from "react";
import styled from "styled-components";
import { LEVEL_UNCERTAINTY_DB, NOISE_UNCERTAINTY_DB, type GainPlan } from "@/core/chain/gainPlan";
import { CEILING_RANGE_DBFS, TARGET_RANGE_DBFS } from "@/core/shoot/bounds";
import { Choice } from "@/ui/Choice";
import { Disclosure } from "@/ui/Disclosure";
import { NumberField, UNITS } from "@/ui/NumberField";
import { Tick } from "@/ui/Ticks";
import { Columns, Figure, Known, Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { useShoot, useShootStore } from "../saving/ShootProvider";
import { stationHref } from "../shell/ThreadNav";
import { WearerLinks } from "../shell/WearerLinks";
import { useWearer, type WorkingOn } from "../shell/useWearer";
import { DeviceFields } from "./DeviceFields";
import { Staircase } from "./Staircase";

const Knobs = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 0.6rem;
`;

/** One knob's setting, as on a swing ticket. */
const Ticket = styled.div`
  border: 1px solid var(--ink-soft);
  padding: 0.7rem 0.9rem 0.7rem 1.6rem;
  position: relative;
  &::before {
    content: "";
    position: absolute;
    left: 0.55rem;
    top: 50%;
    width: 9px;
    height: 9px;
    margin-top: -5px;
    border: 1.5px solid var(--ink-soft);
    border-radius: 50%;
  }
`;

// Scenes with microphones that nobody wears are few: what tells of them follows.
const PlacedMics = dynamic(() => import("./PlacedMics").then((module) => module.PlacedMics), { ssr: false });

const DayMediaView = dynamic(() => import("./DayMediaView").then((module) => module.DayMediaView), {
  ssr: false,
  loading: () => <Soft role="status">One moment…</Soft>,
});

const signed = (value: number) => (value > 0 ? `+${value}` : minus(value));

function sentenceOf(plan: GainPlan): string {
  const { firstToClip } = plan;
  if (firstToClip.headroomDb < 0)
    return `${firstToClip.name} clips ${minus(-firstToClip.headroomDb)} dB before the loudest line is over.`;
  return `${firstToClip.name} would clip first, ${minus(firstToClip.headroomDb)} dB above the loudest line.`;
}

function Settings({ workingOn }: { workingOn: WorkingOn }) {
  const { rig, plan } = workingOn;
  const store = useShootStore();
  const set = (change: Partial<typeof rig.body>) => store.change("rig", rig.id, { ...rig.body, ...change });
  const { gain } = plan;
  if (!gain) return <Lead>No place on this outfit works, so there is nothing to set yet.</Lead>;
  return (
    <Stack>
      <Lead aria-live="polite">{sentenceOf(gain)}</Lead>
      <Knobs>
        <Ticket>
          <Soft>Pack sensitivity</Soft>
          <Figure $size="big">
            {signed(gain.settings.sensitivityDb)}
            <small>dB</small>
          </Figure>
        </Ticket>
        <Ticket>
          <Soft>Receiver volume</Soft>
          <Figure $size="big">
            {signed(gain.settings.outputDb)}
            <small>dB</small>
          </Figure>
        </Ticket>
        <Ticket>
          <Soft>Recorder gain</Soft>
          <Figure $size="big">
            {signed(gain.settings.gainDb)}
            <small>dB</small>
          </Figure>
        </Ticket>
      </Knobs>
      <Soft>Auto level off, low cut off unless there is wind or rumble, phantom off, limiter as seat belt only.</Soft>
      <Row $gap={1.4}>
        <div>
          <Soft>Loudest peaks</Soft>
          <Figure>
            <Known $as="planned">{minus(gain.peakDbfs, 1)}</Known>
            <small>dBFS ±{LEVEL_UNCERTAINTY_DB}</small>
          </Figure>
        </div>
        <div>
          <Soft>Speech</Soft>
          <Figure>
            <Known $as="planned">{minus(gain.speechDbfs, 1)}</Known>
            <small>dBFS ±{LEVEL_UNCERTAINTY_DB}</small>
          </Figure>
        </div>
        <div>
          <Soft>Noise</Soft>
          <Figure>
            <Known $as="planned">{minus(gain.noiseDbfs, 1)}</Known>
            <small>dBFS ±{NOISE_UNCERTAINTY_DB}</small>
          </Figure>
        </div>
        <div>
          <Soft>Speech over noise</Soft>
          <Figure>
            <Known $as="planned">{minus(gain.snrDb)}</Known>
            <small>dB, most from {gain.noiseSources[0]!.name}</small>
          </Figure>
        </div>
      </Row>
      {gain.advice.map((advice) => (
        <p key={advice}>{advice}</p>
      ))}
      <Staircase plan={gain} />
      <div>
        <Tick label="Set on the devices" isOn={rig.body.isSet} onChange={(isSet) => set({ isSet })} />
      </div>
      <Disclosure title="How this was computed">
        <Soft>
          Every step of every knob is tried; the set kept puts the loudest line&apos;s peaks, taken 18 dB over its mean,
          at the target, keeps 3 dB in hand at pack and socket, and has the least noise. RMS figures in dBFS follow
          AES17: a full-scale sine reads 0. Noise is unweighted, 125 Hz to 8 kHz.
        </Soft>
      </Disclosure>
    </Stack>
  );
}

function ChainForm({ workingOn }: { workingOn: WorkingOn }) {
  const { rig } = workingOn;
  const store = useShootStore();
  const set = (change: Partial<typeof rig.body>) => store.change("rig", rig.id, { ...rig.body, ...change });
  return (
    <Stack>
      <DeviceFields label="Microphone" kind="lav" chosenId={rig.body.lavId} onChoose={(lavId) => set({ lavId })} />
      <DeviceFields label="Pack" kind="pack" chosenId={rig.body.packId} onChoose={(packId) => set({ packId })} />
      <DeviceFields
        label="Receiver"
        kind="receiver"
        chosenId={rig.body.receiverId}
        onChoose={(receiverId) => set({ receiverId })}
      />
      <DeviceFields
        label="Recorder input"
        kind="input"
        chosenId={rig.body.inputId}
        onChoose={(inputId) => set({ inputId })}
      />
      <Columns $template="1fr 1fr">
        <NumberField
          label="Peaks at"
          value={rig.body.targetDbfs}
          minimum={TARGET_RANGE_DBFS.minimum}
          maximum={Math.min(TARGET_RANGE_DBFS.maximum, rig.body.ceilingDbfs)}
          shown={{ ...UNITS.decibel, unit: "dBFS" }}
          onChange={(value) => set({ targetDbfs: value })}
        />
        <NumberField
          label="Never above"
          value={rig.body.ceilingDbfs}
          minimum={Math.max(CEILING_RANGE_DBFS.minimum, rig.body.targetDbfs)}
          maximum={CEILING_RANGE_DBFS.maximum}
          shown={{ ...UNITS.decibel, unit: "dBFS" }}
          onChange={(value) => set({ ceilingDbfs: value })}
        />
      </Columns>
      <Soft>Figures are typical for their kind: put in those of your own data sheets.</Soft>
    </Stack>
  );
}

const VIEWS = [
  { value: "settings", name: "Settings" },
  { value: "day", name: "Cards and batteries" },
] as const;

/** What do I set? */
export function LevelScreen() {
  const { bundle } = useShoot();
  const { workingOn } = useWearer();
  const [view, setView] = useState<(typeof VIEWS)[number]["value"]>("settings");
  return (
    <Stack>
      <VisuallyHidden as="h1">Level: what do I set?</VisuallyHidden>
      <Choice label="About the levels" value={view} options={VIEWS} onChange={setView} />
      {view === "day" ? (
        <DayMediaView />
      ) : workingOn ? (
        <>
          <WearerLinks selected={workingOn.wearer.id} />
          <Columns $template="minmax(0, 2fr) minmax(0, 1fr)">
            <Piece>
              <Settings workingOn={workingOn} />
            </Piece>
            <Piece key={workingOn.rig.id}>
              <ChainForm workingOn={workingOn} />
            </Piece>
          </Columns>
          <PlacedMics sceneId={workingOn.rig.body.sceneId} />
        </>
      ) : (
        <Piece>
          <Stack>
            <Lead>Settings follow from a person and a place for the microphone.</Lead>
            <Link href={stationHref(bundle.shoot.id, "dress", null)}>Dress somebody first</Link>
          </Stack>
        </Piece>
      )}
    </Stack>
  );
}
