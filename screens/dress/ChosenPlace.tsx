"use client";

import { say } from "@/messages";
import styled from "styled-components";
import {
  type Candidate,
  certaintyOf,
  certaintyWord,
  type DressPlan,
  EXTENSION_M,
  levelAtTurn,
  PACK_PLACES,
  unknownsOf,
} from "@/core/dress";
import type { ShootBody } from "@/core/records";
import { Figure, Known, Lead, Soft, Stack } from "@/ui/layout";
import { lengthWords, placementWords } from "./words";

const Figures = styled.div`
  display: grid;
  grid-template-columns: repeat(2, auto);
  justify-content: space-between;
  @media (min-width: 500px) {
    grid-template-columns: repeat(4, auto);
  }
  gap: 0.6rem;
`;

function cableWords({ pack }: Candidate, units: ShootBody["units"]): string {
  if (!pack) return say({ code: "pack.none" });
  const { spareM, neededM } = pack.cable;
  const about = { place: PACK_PLACES[pack.place].name, needed: lengthWords(neededM, units) };
  const short = lengthWords(-spareM, units);
  if (spareM >= 0) return say({ code: "pack.reaches", ...about, spare: lengthWords(spareM, units) });
  return say(
    pack.isInReach
      ? { code: "pack.extension", ...about, short, extension: lengthWords(EXTENSION_M, units) }
      : { code: "pack.tooFar", ...about, short },
  );
}

function howWords(candidate: Candidate, dress: DressPlan): string {
  const { mount, port, windCover } = candidate;
  const where = placementWords(candidate, dress.facts.input.outfit);
  return say({
    code: "place.how",
    mount: mount.name,
    where,
    port,
    windCover: windCover === "none" ? null : windCover,
  });
}

function OneFigure(props: { name: string; value: string; unit?: string; id?: string }) {
  return (
    <div>
      <Soft>{props.name}</Soft>
      <Figure $size="big" data-testid={props.id}>
        <Known $as="planned">{props.value}</Known>
        {props.unit && <small>{props.unit}</small>}
      </Figure>
    </div>
  );
}

/** The place that is chosen or suggested: how it is held, its figures, its pack and lead. */
export function ChosenPlace(props: {
  candidate: Candidate;
  dress: DressPlan;
  isChosen: boolean;
  turnDeg: number;
  units: ShootBody["units"];
}) {
  const { candidate, dress, isChosen, turnDeg, units } = props;
  const { levelDb, distanceM } = levelAtTurn(candidate, dress.facts, turnDeg);
  const certainty = certaintyWord(certaintyOf(dress));
  const unknowns = unknownsOf(dress);
  return (
    <Stack $gap={0.6}>
      <div>
        <Soft>{isChosen ? "Chosen" : `Suggested, ${certainty}: choose it below or on the form`}</Soft>
        <Lead>{candidate.site.name}</Lead>
        <p>{howWords(candidate, dress)}</p>
      </div>
      <Figures>
        <OneFigure name="Voice" value={levelDb.toFixed(1)} unit="dB SPL" id="level-at-turn" />
        <OneFigure name="From the lips" value={lengthWords(distanceM, units)} />
        <OneFigure name="Swing" value={candidate.swingDb.toFixed(1)} unit="dB" />
        <OneFigure name="Over noise" value={candidate.sound.snrDb.toFixed(0)} unit="dB" />
      </Figures>
      <p>{cableWords(candidate, units)}</p>
      {candidate.isBeyondConsent && (
        <p>
          <strong>Goes further than they agreed to.</strong> Ask, or take the next one.
        </p>
      )}
      {!isChosen && unknowns.length > 0 && <Soft>Not known: {unknowns.map(({ says }) => say(says)).join(" ")}</Soft>}
    </Stack>
  );
}
