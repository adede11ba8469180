"use client";

import { say } from "@/messages";
import { Link } from "@/ui/address";
import styled from "styled-components";
import { headDirections, recipeFor, selfPlacementSteps } from "@/core/dress";
import { outfitOf } from "@/core/planning";
import { Button } from "@/ui/Button";
import { DressForm } from "@/ui/dressForm/DressForm";
import { Columns, Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import { useShoot } from "@/data/ShootProvider";
import { stationHref } from "../shell/stationHref";
import { useWearer, type WorkingOn } from "../shell/useWearer";
import { missingLetters } from "./cardLetters";
import { MaterialList } from "./RecipeView";
import { placeTitle, upperFirst } from "./words";

const Steps = styled.ol`
  margin: 0;
  padding-left: 1.4rem;
  display: grid;
  gap: 0.4rem;
  font-size: 1.05rem;
`;

const Go = styled(Link)`
  min-height: var(--hit);
  display: inline-flex;
  align-items: center;
`;

const Print = styled.a`
  min-height: var(--hit);
  display: inline-flex;
  align-items: center;
`;

/** Letters that are named when the A4 page lacks them. */
const MISSING_SHOWN = 8;

const keepStill = () => undefined;

function Card({ workingOn }: { workingOn: WorkingOn }) {
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
      {missing.length > 0 && (
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
          <h1>{wearer.body.name}</h1>
          {scene && (
            <Soft>
              Day {scene.body.day}, {scene.body.startsAt}: {scene.body.title}
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
            layers={outfit.layers}
            hidden={[]}
            accessories={outfit.accessories}
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
              <h2>If you place it yourself</h2>
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
              <h2>For the sound crew</h2>
              <MaterialList materials={recipe.materials} />
              <Steps>
                {recipe.steps.map(say).map((step) => (
                  <li key={step}>{step}</li>
                ))}
              </Steps>
              <h3>Taking off</h3>
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

/** One person's card: for them, and for whoever rigs. */
export function CardScreen() {
  const { workingOn } = useWearer();
  return workingOn ? (
    <Card workingOn={workingOn} />
  ) : (
    <Piece>
      <Lead>No microphone planned yet.</Lead>
    </Piece>
  );
}
