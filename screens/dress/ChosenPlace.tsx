"use client";

import { seenFromMouth, turnedMouth, turnWithHead } from "@/core/body/headTurn";
import { levelAtTurnDb, type Candidate } from "@/core/dress/planDress";
import { sitePoint } from "@/core/dress/sites";
import styled from "styled-components";
import type { ShootBody } from "@/core/shoot/records";
import { Figure, Known, Lead, Soft, Stack } from "@/ui/layout";

const Figures = styled.div`
  display: grid;
  grid-template-columns: repeat(3, auto);
  justify-content: space-between;
  gap: 0.6rem;
`;

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

/** The place that is chosen or suggested: its figures, fixing and lead. */
export function ChosenPlace(props: {
  candidate: Candidate;
  isChosen: boolean;
  heightM: number;
  turnDeg: number;
  units: ShootBody["units"];
}) {
  const { candidate, isChosen, heightM, turnDeg, units } = props;
  const levelDb = levelAtTurnDb(candidate, heightM, turnDeg);
  const rest = sitePoint(candidate.site, heightM);
  const point = candidate.site.ridesOnHead ? turnWithHead(rest, turnDeg) : rest;
  const { distanceM } = seenFromMouth(turnedMouth(heightM, turnDeg), point);

  return (
    <Stack>
      <div>
        <Soft>{isChosen ? "Chosen" : "Suggested: choose it below or on the form"}</Soft>
        <Lead>{candidate.site.name}</Lead>
      </div>
      <Figures>
        <div>
          <Soft>Normal voice</Soft>
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
          <Soft>Swing</Soft>
          <Figure $size="big">
            <Known $as="planned">{candidate.swingDb.toFixed(1)}</Known>
            <small>dB</small>
          </Figure>
        </div>
      </Figures>
      <p>
        {candidate.site.fixing} {cableWords(candidate, units)}
      </p>
    </Stack>
  );
}
