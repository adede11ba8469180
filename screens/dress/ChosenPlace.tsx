"use client";

import { say, type TermId } from "@/messages";
import type { ReactNode } from "react";
import styled from "styled-components";
import {
  type Candidate,
  certaintyOf,
  certaintyWord,
  type DressPlan,
  EXTENSION_M,
  levelAtTurn,
  PACK_PLACES,
} from "@/core/dress";
import type { ShootBody } from "@/core/records";
import { Figure, Known, Lead, Piece, Soft } from "@/ui/layout";
import { TermWord } from "../terms/TermWord";
import { OpenQuestions } from "./OpenQuestions";
import { lengthWords, placementWords, placeTitle } from "./words";

const Band = styled.div`
  display: grid;
  gap: 0.5rem 1.4rem;
  grid-template-columns: minmax(0, 1fr);
  @media (min-width: 900px) {
    grid-template-columns: minmax(0, 1fr) auto auto;
    align-items: center;
  }
`;

const Details = styled.div`
  margin-top: -0.8rem;
  display: grid;
  gap: 0.4rem;
  padding: 0.5rem 1.1rem 0.6rem;
  background: var(--paper);
  border: 1px solid var(--seam);
  border-top: 0;
`;

const Figures = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1.3rem;
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

function OneFigure(props: { name: string; term?: TermId; value: string; unit?: string; id?: string }) {
  return (
    <div>
      <Soft>{props.term ? <TermWord id={props.term}>{props.name}</TermWord> : props.name}</Soft>
      <Figure data-testid={props.id}>
        <Known $as="planned">{props.value}</Known>
        {props.unit && <small>{props.unit}</small>}
      </Figure>
    </div>
  );
}

/** The place that is chosen or suggested: how it is held, its figures, its pack and cable; and what comes next. */
export function ChosenPlace(props: {
  candidate: Candidate;
  dress: DressPlan;
  isChosen: boolean;
  turnDeg: number;
  units: ShootBody["units"];
  wearerId: string;
  /** Against the scene before. */
  before: string | null;
  next: ReactNode;
}) {
  const { candidate, dress, isChosen, turnDeg, units, wearerId, before, next } = props;
  const { levelDb, distanceM } = levelAtTurn(candidate, dress.facts, turnDeg);
  const certainty = certaintyWord(certaintyOf(dress));
  return (
    <>
      <Piece
        $tight
        data-in-sight=""
        aria-label="Chosen place"
        style={{ position: "sticky", top: "var(--bar)", zIndex: 4 }}
      >
        <Band>
          <div data-part="verdict" aria-live="polite">
            <Soft>{isChosen ? "Chosen" : `Suggested (${certainty})`}</Soft>
            <Lead>{placeTitle(candidate, dress.facts.input.outfit)}</Lead>
          </div>
          <Figures>
            <OneFigure name="Voice" value={levelDb.toFixed(1)} unit="dB SPL" id="level-at-turn" />
            <OneFigure name="From the lips" value={lengthWords(distanceM, units)} />
            <OneFigure name="Swing" term="swing" value={candidate.swingDb.toFixed(1)} unit="dB" />
            <OneFigure name="Above noise" term="snr" value={candidate.sound.snrDb.toFixed(0)} unit="dB" />
          </Figures>
          <div data-part="next">{next}</div>
        </Band>
      </Piece>
      <Details>
        <p>
          {howWords(candidate, dress)} {cableWords(candidate, units)}
          {candidate.isBeyondConsent && (
            <>
              {" "}
              <strong>This goes further than they agreed to.</strong> Ask, or take the next one.
            </>
          )}
        </p>
        {before && <Soft role="status">{before}</Soft>}
        {!isChosen && <OpenQuestions dress={dress} wearerId={wearerId} />}
      </Details>
    </>
  );
}
