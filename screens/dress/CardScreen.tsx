"use client";

import { say, timeWords } from "@/messages";
import { Link, useAddress } from "@/ui/address";
import styled from "styled-components";
import { headDirections, recipeFor, selfPlacementSteps } from "@/core/dress";
import { dayPlan, outfitOf } from "@/core/planning";
import { Button } from "@/ui/Button";
import { DressForm } from "@/ui/dressForm/DressForm";
import { Columns, Lead, Piece, Row, Soft, Stack, Steps, VisuallyHidden } from "@/ui/layout";
import { useShoot } from "@/data/ShootProvider";
import { stationHref } from "../shell/stationHref";
import { useWearer, type WorkingOn } from "../shell/useWearer";
import { missingLetters } from "./cardLetters";
import { MaterialList } from "./RecipeView";
import { placeTitle, upperFirst } from "./words";

const Go = styled(Link)`
  min-height: var(--hit);
  display: inline-flex;
  align-items: center;
`;

const NotPrinted = styled.div`
  display: flex;
  justify-content: space-between;
  @media print {
    display: none;
  }
`;

const Print = styled.a`
  min-height: var(--hit);
  display: inline-flex;
  align-items: center;
`;

/** Letters that are named when the A4 page lacks them. */
const MISSING_SHOWN = 8;

const keepStill = () => undefined;

function Card({ workingOn, isOneOfMany = false }: { workingOn: WorkingOn; isOneOfMany?: boolean }) {
  const { wearer, rig, scene, plan } = workingOn;
  const { candidate, dress } = plan;
  const { shootId } = rig.body;
  const { units, title } = useShoot().bundle.shoot.body;
  if (!candidate)
    return (
      <Piece>
        <Lead>{say({ code: "dress.noPlace" })}</Lead>
      </Piece>
    );
  const recipe = recipeFor(candidate, dress);
  const outfit = outfitOf(wearer.body, rig.body);
  const place = dress.places.find(({ ways }) => ways.includes(candidate))!;
  const missing = missingLetters([wearer.body.name, scene?.body.title ?? "", title]);
  return (
    <Stack>
      {!isOneOfMany && (
        <Row $between>
          <Go href={stationHref(shootId, "dress", wearer.id, rig.body.sceneId)}>Back to Dress</Go>
          <Print
            href={`/shoots/${shootId}/card.pdf?wearer=${wearer.id}&scene=${rig.body.sceneId}`}
            target="_blank"
            rel="noreferrer"
          >
            Print: one A4 page
          </Print>
        </Row>
      )}
      {!isOneOfMany && missing.length > 0 && (
        <Row $between>
          <Soft role="status">
            The A4 page has no letters for {missing.slice(0, MISSING_SHOWN).join(" ")}
            {missing.length > MISSING_SHOWN ? " and others" : ""}, and prints a mark for each. This page prints them
            all.
          </Soft>
          <Button onPress={() => window.print()}>Print this page</Button>
        </Row>
      )}
      <Piece>
        <Stack $gap={0.3}>
          <h2>{wearer.body.name}</h2>
          {scene && (
            <Soft>
              Day {scene.body.day}, {timeWords(scene.body.startsAt)}: {scene.body.title}
            </Soft>
          )}
          <Lead>
            {placeTitle(candidate, outfit)}: {candidate.mount.name}
          </Lead>
          <p>
            {upperFirst(recipe.capsule.colour)} capsule. {say({ code: "port.why", port: recipe.capsule.port })} About{" "}
            {recipe.minutes} minutes.
          </p>
        </Stack>
      </Piece>
      <Columns $template="minmax(0, 1fr) minmax(0, 1.2fr)">
        <Piece aria-label="Picture">
          <DressForm
            heightM={wearer.body.heightM}
            outfit={outfit}
            hair={wearer.body.hair}
            hidden={[]}
            thread={wearer.body.thread}
            turnDeg={headDirections(rig.body.performance.faces).mainDeg}
            places={[place]}
            ruledOut={[]}
            chosen={candidate}
            onChoose={keepStill}
            onTurn={keepStill}
            units={units}
          />
        </Piece>
        <Stack>
          <Piece aria-label="For you">
            <Stack $gap={0.5}>
              <h3>If you place it yourself</h3>
              <Steps>
                {selfPlacementSteps(candidate)
                  .map(say)
                  .map((step) => (
                    <li key={step}>{step}</li>
                  ))}
              </Steps>
            </Stack>
          </Piece>
          <Piece aria-label="For sound">
            <Stack $gap={0.5}>
              <h3>For the sound crew</h3>
              <MaterialList materials={recipe.materials} />
              <Steps>
                {recipe.steps.map(say).map((step) => (
                  <li key={step}>{step}</li>
                ))}
              </Steps>
              <h4>Taking off</h4>
              <p>{recipe.takingOff.map(say).join(" ")}</p>
              {recipe.cautions.map(say).map((caution) => (
                <Soft key={caution}>{caution}</Soft>
              ))}
            </Stack>
          </Piece>
        </Stack>
      </Columns>
    </Stack>
  );
}

const Sheet = styled.div`
  break-after: page;
  & + & {
    margin-top: 1.4rem;
  }
  @media print {
    & + & {
      margin-top: 0;
    }
  }
`;

/** Cards of everybody who is dressed on a day, in the order of the call times, to be printed in one go. */
function DayCards({ day }: { day: number }) {
  const { bundle } = useShoot();
  const calls = dayPlan(bundle, day).scenes.flatMap(({ scene, calls: of }) => of.map((call) => ({ ...call, scene })));
  return (
    <Stack>
      <VisuallyHidden as="h1">Talent cards of day {day}</VisuallyHidden>
      <NotPrinted>
        <Go href={stationHref(bundle.shoot.id, "day", null)}>Back to the day sheet</Go>
        <Button look="main" onPress={() => window.print()}>
          Print {calls.length === 1 ? "1 card" : `${calls.length} cards`}
        </Button>
      </NotPrinted>
      {calls.map(({ wearer, rig, scene, plan }) => (
        <Sheet key={rig.id}>
          <Card isOneOfMany workingOn={{ wearer, rig, scene, plan, place: null }} />
        </Sheet>
      ))}
    </Stack>
  );
}

/** One person's card: for them, and for whoever rigs; or all of a day. */
export function CardScreen() {
  const { workingOn } = useWearer();
  const { query } = useAddress();
  const day = Number(query.get("day"));
  if (day >= 1) return <DayCards day={day} />;
  return workingOn ? (
    <>
      <VisuallyHidden as="h1">Talent card</VisuallyHidden>
      <Card workingOn={workingOn} />
    </>
  ) : (
    <Piece>
      <Lead>No microphone planned yet.</Lead>
    </Piece>
  );
}
