"use client";

import { say } from "@/messages";
import { later } from "@/ui/later";
import { useState } from "react";
import { OVERHEAD_SCHOOLS, type PickupWishes, type PlacedMic, SHOT_SIZES } from "@/core/pickup";
import { pickupAdvice, pickupScene, type PickupScene } from "@/screens/pickup/pickupScene";
import { Choice } from "@/ui/Choice";
import { Select } from "@/ui/Select";
import { Tick } from "@/ui/Ticks";
import { Columns, Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { upperFirst } from "../dress/words";
import { RecordFaults } from "../shell/RecordFaults";
import { useFocus } from "../shell/useFocus";
import { storedPickup } from "@/core/planning";
import { useShoot } from "@/data/ShootProvider";
import { usePickup } from "./usePickup";

// What is read or typed after a first look follows a moment later.
const CandidateList = later(() => import("./CandidateList").then((module) => module.CandidateList));
const WhatItGets = later(() => import("./WhatItGets").then((module) => module.WhatItGets));
const Better = later(() => import("./WhatItGets").then((module) => module.Better));
const Arrangement = later(
  () => import("./Arrangement").then((module) => module.Arrangement),
  <Soft role="status">Computing the forecasts…</Soft>,
);

const SHOT_OPTIONS = SHOT_SIZES.map((value) => ({ value, name: upperFirst(value) }));
const SCHOOL_NAMES: Record<PickupWishes["overhead"], string> = {
  byRoom: "By the room",
  gun: "Always a long gun",
  hyper: "Always a short hypercardioid",
};
const SCHOOL_OPTIONS = OVERHEAD_SCHOOLS.map((value) => ({ value, name: SCHOOL_NAMES[value] }));

function Wishes({ wishes, set }: { wishes: PickupWishes; set: (change: Partial<PickupWishes>) => void }) {
  return (
    <Row $gap={0.6}>
      <Choice label="Shot" value={wishes.shot} options={SHOT_OPTIONS} onChange={(shot) => set({ shot })} />
      <Select
        label="Overhead"
        value={wishes.overhead}
        options={SCHOOL_OPTIONS}
        onChange={(overhead) => set({ overhead })}
      />
      <Tick label="May be in the picture" isOn={wishes.mayBeSeen} onChange={(mayBeSeen) => set({ mayBeSeen })} />
      <Tick label="There is a table" isOn={wishes.hasTable} onChange={(hasTable) => set({ hasTable })} />
    </Row>
  );
}

const NO_MICS: readonly PlacedMic[] = [];

function Scene({ pickup }: { pickup: PickupScene }) {
  const { bundle } = useShoot();
  const { units } = bundle.shoot.body;
  const edits = usePickup(pickup.body);
  const [wanted, setShown] = useState<string | null>(null);
  const { own, candidates, hidden, body } = pickup;
  const first = candidates.find(({ ruledOut }) => ruledOut === null)?.id ?? (hidden.length > 0 ? "hidden" : "");
  const shown = wanted === "own" && !own ? first : (wanted ?? (own ? "own" : first));
  const candidate = shown === "own" ? own : (candidates.find(({ id }) => id === shown) ?? null);
  const mics = shown === "own" ? body.setup.mics : (candidate?.mics ?? NO_MICS);
  return (
    <Stack>
      <Piece $tight aria-label="Verdict">
        <Lead aria-live="polite" data-part="verdict">
          {say(pickupAdvice(pickup))}
        </Lead>
        <p data-part="next" style={{ minHeight: "1.6em" }}>
          {candidate && <Better candidate={candidate} talkers={body.setup.talkers} place={pickup.placeModel} />}
        </p>
      </Piece>
      <Columns $template="minmax(0, 1.15fr) minmax(0, 1fr)">
        <Piece aria-label="Plan and section" data-part="picture">
          <Arrangement pickup={pickup} mics={mics} edits={edits} onOwn={() => setShown("own")} />
        </Piece>
        <Stack>
          <Piece aria-label="Ways">
            <Stack $gap={0.6}>
              {!pickup.isScouted && <Soft>The place is not scouted: a furnished living room is assumed.</Soft>}
              <Wishes wishes={body.wishes} set={edits.setWishes} />
              <CandidateList pickup={pickup} shown={shown} onShow={setShown} />
            </Stack>
          </Piece>
          {candidate && (
            <Piece aria-label="What it gets">
              <WhatItGets candidate={candidate} talkers={body.setup.talkers} units={units} />
            </Piece>
          )}
        </Stack>
      </Columns>
    </Stack>
  );
}

/** Which microphone, pattern, distance, angle? */
export function PickupScreen() {
  const { bundle } = useShoot();
  const sceneId = useFocus().scene?.id ?? null;
  const pickup = sceneId ? pickupScene(bundle, sceneId) : null;
  const stored = sceneId ? storedPickup(bundle, sceneId) : null;
  return (
    <Stack>
      <VisuallyHidden as="h1">Pickup: which microphone, and where?</VisuallyHidden>
      {pickup ? (
        <>
          <RecordFaults of={{ scene: pickup.scene.id, ...(stored && { pickup: stored.id }) }}>
            <Scene key={pickup.scene.id} pickup={pickup} />
          </RecordFaults>
        </>
      ) : (
        <Piece>
          <Stack>
            <Lead>Who talks, and where?</Lead>
            <Soft>Add talent in Dress. Their scene is then laid out here, with every way of picking it up.</Soft>
          </Stack>
        </Piece>
      )}
    </Stack>
  );
}
