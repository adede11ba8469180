"use client";

import { UserPlus } from "lucide-react";
import { useState } from "react";
import styled from "styled-components";
import { HEAD_TURN_LIMIT_DEG } from "@/core/body/headTurn";
import { headDirections } from "@/core/dress/headDirections";
import type { SiteId } from "@/core/dress/sites";
import { Button } from "@/ui/Button";
import { Disclosure } from "@/ui/Disclosure";
import { Slider } from "@/ui/Slider";
import { DressForm } from "@/ui/dressForm/DressForm";
import { Lead, Piece, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { useShoot, useShootStore } from "../saving/ShootProvider";
import { WearerLinks } from "../shell/WearerLinks";
import { addWearer } from "../shell/newWearer";
import { useWearer, type WorkingOn } from "../shell/useWearer";
import { Agreement } from "./Agreement";
import { CandidateList } from "./CandidateList";
import { ChosenPlace } from "./ChosenPlace";
import { OutfitForm } from "./OutfitForm";

const Bench = styled.div`
  display: grid;
  gap: 1rem;
  align-items: start;
  grid-template-columns: minmax(0, 1fr);
  @media (min-width: 900px) {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
  @media (min-width: 1180px) {
    grid-template-columns: minmax(0, 1.05fr) minmax(0, 1fr) minmax(0, 1fr);
  }
`;

function turnWords(turnDeg: number): string {
  if (turnDeg === 0) return "straight ahead";
  return `${Math.abs(turnDeg)}° to their ${turnDeg > 0 ? "right" : "left"}`;
}

function Fitting({ workingOn }: { workingOn: WorkingOn }) {
  const { wearer, rig, plan } = workingOn;
  const { bundle } = useShoot();
  const store = useShootStore();
  const { units } = bundle.shoot.body;
  const mainDeg = headDirections(rig.body.performance.faces).mainDeg;
  const [turn, setTurn] = useState<number | null>(null);
  const turnDeg = turn ?? mainDeg;
  const { heightM, outfit, thread } = wearer.body;
  const choose = (siteId: SiteId) => store.change("rig", rig.id, { ...rig.body, siteId, isRigged: false });
  const isGone = rig.body.siteId !== null && !plan.isChosen;

  return (
    <Bench>
      <Piece aria-label="Dress form">
        <Stack $gap={0.6}>
          <DressForm
            heightM={heightM}
            outfit={outfit}
            thread={thread}
            turnDeg={turnDeg}
            candidates={plan.dress.candidates}
            chosen={plan.candidate}
            onChoose={(candidate) => choose(candidate.site.id)}
          />
          <Slider
            label="Head turn"
            value={turnDeg}
            minimum={-HEAD_TURN_LIMIT_DEG}
            maximum={HEAD_TURN_LIMIT_DEG}
            step={5}
            says={turnWords(turnDeg)}
            onChange={setTurn}
          />
          {plan.candidate && <Agreement candidate={plan.candidate} isChosen={plan.isChosen} rig={rig} />}
        </Stack>
      </Piece>
      <Piece aria-label="Places">
        <Stack>
          {isGone && <Lead role="alert">The chosen place is gone with this outfit: choose another.</Lead>}
          {plan.candidate && (
            <ChosenPlace
              candidate={plan.candidate}
              isChosen={plan.isChosen}
              heightM={heightM}
              turnDeg={turnDeg}
              units={units}
            />
          )}
          <h2>Places, best first</h2>
          <CandidateList
            candidates={plan.dress.candidates}
            ruledOut={plan.dress.ruledOut}
            chosen={plan.isChosen ? rig.body.siteId : null}
            onChoose={choose}
          />
        </Stack>
      </Piece>
      <Piece aria-label="Outfit and scene">
        <Disclosure title="Outfit and scene" isOpenAtFirst>
          <OutfitForm wearer={wearer} rig={rig} units={units} />
        </Disclosure>
      </Piece>
    </Bench>
  );
}

/** Where on this person, in this outfit, and how held? */
export function DressScreen() {
  const { bundle } = useShoot();
  const store = useShootStore();
  const { workingOn, choose } = useWearer();
  return (
    <Stack>
      <VisuallyHidden as="h1">Dress: where on this person, in this outfit, and how held?</VisuallyHidden>
      {workingOn ? (
        <>
          <WearerLinks selected={workingOn.wearer.id} />
          <Fitting key={workingOn.wearer.id} workingOn={workingOn} />
        </>
      ) : (
        <Piece>
          <Stack>
            <Lead>Who is wearing the microphone?</Lead>
            <Soft>Add them and say what they wear. The places are ranked at once.</Soft>
          </Stack>
        </Piece>
      )}
      <div>
        <Button look={workingOn ? "plain" : "main"} onPress={() => choose(addWearer(store, bundle))}>
          <UserPlus size={18} aria-hidden /> Add a wearer
        </Button>
      </div>
    </Stack>
  );
}
