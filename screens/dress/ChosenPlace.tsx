"use client";

import { seenFromMouth, turnedMouth, turnWithHead } from "@/core/body/headTurn";
import { levelAtTurnDb, type Candidate } from "@/core/dress/planDress";
import { sitePoint } from "@/core/dress/sites";
import type { RigBody, ShootBody, Stored } from "@/core/shoot/records";
import { Choice } from "@/ui/Choice";
import { Tick } from "@/ui/Ticks";
import { Figure, Known, Lead, Row, Soft, Stack } from "@/ui/layout";
import { useShootStore } from "../saving/ShootProvider";
import { Reasons } from "./Reasons";
import { CONSENT_OPTIONS } from "./words";

function lengthWords(metres: number, units: ShootBody["units"]): string {
  return units === "metric" ? `${Math.round(metres * 100)} cm` : `${(metres / 0.0254).toFixed(0)} in`;
}

function cableWords(candidate: Candidate, units: ShootBody["units"]): string {
  const { spareM, neededM } = candidate.cable;
  const needed = `Lead needs ${lengthWords(neededM, units)}`;
  return spareM < 0
    ? `${needed}: ${lengthWords(-spareM, units)} short, use an extension.`
    : `${needed}: coil ${lengthWords(spareM, units)} at the pack.`;
}

/** Cautions that a place brings with it. */
function cautionsOf(candidate: Candidate): string[] {
  const cautions = ["Explain, ask, say what you will touch; offer that they place it themselves."];
  if (candidate.placement.surface === "skin")
    cautions.push("Ask about adhesive allergy; wipe and dry the skin, new tape for every person, pins never near skin.");
  if (candidate.site.host === "strap")
    cautions.push("Harness: nothing may hinder straps, buckles or release. The safety officer decides.");
  if (candidate.wind.step > 0) cautions.push("Wind: fur or foam over the capsule before you roll.");
  return cautions;
}

/** The place that is chosen or suggested: figures, fixing, lead, consent, and why. */
export function ChosenPlace(props: {
  candidate: Candidate;
  isChosen: boolean;
  heightM: number;
  turnDeg: number;
  rig: Stored<"rig">;
  units: ShootBody["units"];
}) {
  const { candidate, isChosen, heightM, turnDeg, rig, units } = props;
  const store = useShootStore();
  const set = (change: Partial<RigBody>) => store.change("rig", rig.id, { ...rig.body, ...change });
  const levelDb = levelAtTurnDb(candidate, heightM, turnDeg);
  const rest = sitePoint(candidate.site, heightM);
  const point = candidate.site.ridesOnHead ? turnWithHead(rest, turnDeg) : rest;
  const { distanceM } = seenFromMouth(turnedMouth(heightM, turnDeg), point);

  return (
    <Stack>
      <div>
        <Soft>{isChosen ? "Chosen" : "Suggested: choose it in the list or on the form"}</Soft>
        <Lead>{candidate.site.name}</Lead>
      </div>
      <Row $gap={1.4}>
        <div>
          <Soft>Normal voice here</Soft>
          <Figure $size="big" data-testid="level-at-turn">
            <Known $as="planned">{levelDb.toFixed(1)}</Known>
            <small>dB SPL</small>
          </Figure>
        </div>
        <div>
          <Soft>From the lips</Soft>
          <Figure $size="big">
            <Known $as="planned">{lengthWords(distanceM, units)}</Known>
          </Figure>
        </div>
        <div>
          <Soft>Swing in this scene</Soft>
          <Figure $size="big">
            <Known $as="planned">{candidate.swingDb.toFixed(1)}</Known>
            <small>dB</small>
          </Figure>
        </div>
      </Row>
      <p>{candidate.site.fixing}</p>
      <p>{cableWords(candidate, units)}</p>
      {cautionsOf(candidate).map((caution) => (
        <Soft key={caution}>{caution}</Soft>
      ))}
      <Choice
        label="Permission"
        value={rig.body.consent}
        options={CONSENT_OPTIONS}
        onChange={(consent) => set({ consent })}
      />
      {isChosen && (
        <div>
          <Tick label="Rigged and listened to" isOn={rig.body.isRigged} onChange={(isRigged) => set({ isRigged })} />
        </div>
      )}
      <Reasons candidate={candidate} />
    </Stack>
  );
}
