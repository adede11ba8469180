"use client";

import { say } from "@/messages";
import { UserPlus } from "lucide-react";
import { later } from "@/ui/later";
import { useState } from "react";
import styled from "styled-components";
import { HEAD_TURN_LIMIT_DEG } from "@/core/body";
import {
  choiceOf,
  type DressPlan,
  GARMENTS,
  headDirections,
  levelAtTurn,
  type Layer,
  PRESETS,
  type RankedPlace,
  ranksUnder,
  whyNotNext,
} from "@/core/dress";
import { carryFromBefore, outfitOf } from "@/core/planning";
import { Button } from "@/ui/Button";
import { Link } from "@/ui/address";
import { Choice } from "@/ui/Choice";
import { FoldOnPhone } from "@/ui/FoldOnPhone";
import { Slider } from "@/ui/Slider";
import { Tick } from "@/ui/Ticks";
import { DressForm } from "@/ui/dressForm/DressForm";
import { Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { RecordFaults } from "../shell/RecordFaults";
import { stationHref } from "../shell/stationHref";
import { useAddTalent } from "../shell/useAddTalent";
import { useFocus } from "../shell/useFocus";
import { useWearer, type WorkingOn } from "../shell/useWearer";
import { ChosenPlace } from "./ChosenPlace";
import { PlaceList } from "./PlaceList";
import { CopyRig } from "./CopyRig";
import { nextStep } from "./nextStep";
import { usePlansAhead } from "./usePlansAhead";
import { upperFirst } from "./words";

const loading = <Soft role="status">Ranking the places…</Soft>;

// The form and the places come first; what they are changed with follows a moment later.
const AimsForm = later(() => import("./AimsForm").then((module) => module.AimsForm));
const OutfitForm = later(() => import("./OutfitForm").then((module) => module.OutfitForm), loading);
// What stands behind a tab is loaded when it is first opened.
const Agreement = later(() => import("./Agreement").then((module) => module.Agreement));
const CompareView = later(() => import("./CompareView").then((module) => module.CompareView));
const RecipeView = later(() => import("./RecipeView").then((module) => module.RecipeView));
const WhyView = later(() => import("./WhyView").then((module) => module.WhyView));

const Bench = styled.div`
  display: grid;
  gap: 1rem;
  align-items: start;
  grid-template-columns: minmax(0, 1fr);
  @media (min-width: 900px) {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
  @media (min-width: 1180px) {
    grid-template-columns: minmax(0, 1.05fr) minmax(0, 1.2fr) minmax(0, 0.9fr);
  }
`;

function turnWords(turnDeg: number): string {
  if (turnDeg === 0) return "straight ahead";
  return `${Math.abs(turnDeg)}° to their ${turnDeg > 0 ? "right" : "left"}`;
}

const VIEWS = [
  { value: "places", name: "Places" },
  { value: "recipe", name: "Recipe" },
  { value: "ask", name: "Ask" },
  { value: "why", name: "Why" },
  { value: "compare", name: "Compare" },
] as const;
type ViewId = (typeof VIEWS)[number]["value"];

/** Which layers are drawn on the form. */
function LayerToggles(props: {
  layers: readonly Layer[];
  hidden: readonly number[];
  onToggle: (index: number, isShown: boolean) => void;
}) {
  return (
    <Row role="group" aria-label="Drawn on the form" $gap={0.3}>
      {props.layers.map((layer, index) => (
        <Tick
          key={index}
          label={upperFirst(GARMENTS[layer.garment].name)}
          isOn={!props.hidden.includes(index)}
          onChange={(isShown) => props.onToggle(index, isShown)}
        />
      ))}
    </Row>
  );
}

/** Ranks that the kind of work's own weights would give; null while they are in use. */
function ranksBefore(dress: DressPlan): Map<RankedPlace, number> | null {
  const { preset, weights } = dress.facts.input.aims;
  const own = PRESETS[preset].weights;
  const isMoved = Object.entries(own).some(([criterion, weight]) => weights[criterion as keyof typeof own] !== weight);
  return isMoved ? ranksUnder(dress, own) : null;
}

/** The button for what comes next. */
function NextStep(props: {
  workingOn: WorkingOn;
  view: ViewId;
  onView: (view: ViewId) => void;
  onChoose: (place: RankedPlace) => void;
}) {
  const { workingOn, view, onView, onChoose } = props;
  const { rig, plan, wearer } = workingOn;
  const store = useShootStore();
  const step = nextStep(rig.body, plan);
  const [best] = plan.dress.places;
  const { shootId, sceneId } = rig.body;
  switch (step) {
    case "choose":
    case "chooseAgain":
      return best ? (
        <Button look="main" onPress={() => onChoose(best)}>
          {step === "choose" ? "Choose this place" : "Choose the best place left"}
        </Button>
      ) : null;
    case "ask":
      return (
        <Button look="main" onPress={() => onView("ask")}>
          Ask for consent
        </Button>
      );
    case "rig":
      return view === "recipe" ? (
        <Button look="main" onPress={() => store.edit("rig", rig.id, (body) => ({ ...body, isRigged: true }))}>
          Mark as rigged
        </Button>
      ) : (
        <Button look="main" onPress={() => onView("recipe")}>
          Show the recipe
        </Button>
      );
    case "boom":
      return <Link href={stationHref(shootId, "pickup", wearer.id, sceneId)}>Plan a boom at Pickup</Link>;
    case "level":
      return <Link href={stationHref(shootId, "level", wearer.id, sceneId)}>Set the levels</Link>;
    case "outfit":
      return <Link href={stationHref(shootId, "pickup", wearer.id, sceneId)}>Plan a boom at Pickup</Link>;
  }
}

function beforeWords(carry: ReturnType<typeof carryFromBefore>): string | null {
  if (!carry) return null;
  return carry.carries
    ? "Carries over from the scene before: nothing that matters changed."
    : `Since the scene before: ${carry.changes.map(say).join(", ")}.`;
}

/** Turns of the head that the ring is drawn from. */
const SWEEP_DEG = Array.from({ length: 13 }, (_, at) => (at - 6) * 12.5);

function Fitting({ workingOn }: { workingOn: WorkingOn }) {
  const { wearer, rig, plan } = workingOn;
  const { dress, candidate } = plan;
  const { bundle } = useShoot();
  const store = useShootStore();
  const { units } = bundle.shoot.body;
  const { mainDeg } = headDirections(rig.body.performance.faces);
  const [turn, setTurn] = useState<number | null>(null);
  const [view, setView] = useState<ViewId>("places");
  const [hidden, setHidden] = useState<readonly number[]>([]);
  const turnDeg = turn ?? mainDeg;
  const outfit = outfitOf(wearer.body, rig.body);
  const place = candidate ? (dress.places.find(({ ways }) => ways.includes(candidate)) ?? null) : null;
  const choose = ({ best }: RankedPlace) =>
    store.change("rig", rig.id, { ...rig.body, choice: choiceOf(best), isRigged: false });
  const turnBy = (byDeg: number) =>
    setTurn((now) =>
      Math.min(HEAD_TURN_LIMIT_DEG, Math.max(-HEAD_TURN_LIMIT_DEG, Math.round((now ?? mainDeg) + byDeg))),
    );
  const sweep = candidate ? SWEEP_DEG.map((deg) => levelAtTurn(candidate, dress.facts, deg).levelDb) : [];
  const loudest = Math.max(...sweep);
  const isGone = rig.body.choice !== null && !plan.isChosen;
  const next = <NextStep workingOn={workingOn} view={view} onView={setView} onChoose={choose} />;

  return (
    <Stack $gap={0.8}>
      {isGone && (
        <Piece $tight>
          <Lead role="alert">The chosen place is gone with this outfit: choose another.</Lead>
        </Piece>
      )}
      {candidate ? (
        <ChosenPlace
          candidate={candidate}
          dress={dress}
          isChosen={plan.isChosen}
          turnDeg={turnDeg}
          units={units}
          wearerId={wearer.id}
          before={beforeWords(carryFromBefore(bundle, rig))}
          next={next}
        />
      ) : (
        <Piece aria-label="Chosen place" $tight>
          <Row $between>
            <Lead data-part="verdict">No place on this outfit works for this shot.</Lead>
            <div data-part="next">{next}</div>
          </Row>
        </Piece>
      )}
      <Bench>
        <Piece aria-label="Dress form" data-part="picture">
          <Stack $gap={0.6}>
            <DressForm
              heightM={wearer.body.heightM}
              outfit={outfit}
              hair={wearer.body.hair}
              hidden={hidden}
              thread={wearer.body.thread}
              turnDeg={turnDeg}
              places={dress.places}
              ruledOut={dress.ruledOut.map(({ site, reason }) => ({ site, says: say(reason) }))}
              chosen={candidate}
              onChoose={choose}
              onTurn={turnBy}
              ring={sweep.map((levelDb, at) => ({ turnDeg: SWEEP_DEG[at]!, downDb: loudest - levelDb }))}
              units={units}
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
            <LayerToggles
              layers={outfit.layers}
              hidden={hidden}
              onToggle={(index, isShown) =>
                setHidden((now) => (isShown ? now.filter((each) => each !== index) : [...now, index]))
              }
            />
          </Stack>
        </Piece>
        <Piece aria-label="Places">
          <Stack $gap={0.7}>
            <VisuallyHidden as="h2">{VIEWS.find(({ value }) => value === view)?.name}</VisuallyHidden>
            <Choice isPlain label="Dress views" value={view} options={VIEWS} onChange={setView} />
            {view === "places" && (
              <PlaceList
                places={dress.places}
                ranksBefore={ranksBefore(dress)}
                ruledOut={dress.ruledOut}
                next={secondOf(dress)}
                chosen={plan.isChosen ? place : null}
                outfit={outfit}
                onChoose={choose}
              />
            )}
            {view === "recipe" && candidate && (
              <RecipeView place={place} candidate={candidate} dress={dress} rig={rig} />
            )}
            {view === "ask" && <Agreement candidate={candidate} isChosen={plan.isChosen} rig={rig} />}
            {view === "why" && candidate && <WhyView candidate={candidate} dress={dress} />}
            {view === "compare" && <CompareView dress={dress} chosen={place} turnDeg={turnDeg} units={units} />}
          </Stack>
        </Piece>
        <Piece aria-label="Outfit and scene">
          <FoldOnPhone isPlain title="Outfit and scene" isNeeded={!plan.isChosen}>
            <Stack>
              <RecordFaults of={{ wearer: wearer.id, rig: rig.id }}>
                <OutfitForm wearer={wearer} rig={rig} units={units} />
              </RecordFaults>
              <AimsForm rigId={rig.id} aims={rig.body.aims} />
              <CopyRig workingOn={workingOn} />
            </Stack>
          </FoldOnPhone>
        </Piece>
      </Bench>
    </Stack>
  );
}

/** Why the second place is not the first, said. */
function secondOf(dress: DressPlan): string | null {
  const why = whyNotNext(dress);
  return why && say(why);
}

/** Where on this person, in this outfit, and how held? */
export function DressScreen() {
  const { workingOn } = useWearer();
  const { scene } = useFocus();
  const addTalent = useAddTalent();
  usePlansAhead();
  return (
    <Stack>
      <VisuallyHidden as="h1">Dress: where does the mic go?</VisuallyHidden>
      {workingOn ? (
        <Fitting key={workingOn.rig.id} workingOn={workingOn} />
      ) : (
        <Piece>
          <Stack>
            <Lead>Who wears the microphone?</Lead>
            <Soft>Add them and say what they wear. The places are ranked at once.</Soft>
            <div>
              <Button look="main" onPress={() => addTalent(scene?.id)}>
                <UserPlus size={18} aria-hidden /> Add talent
              </Button>
            </div>
          </Stack>
        </Piece>
      )}
    </Stack>
  );
}
