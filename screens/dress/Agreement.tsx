"use client";

import type { Candidate } from "@/core/dress/planDress";
import type { RigBody, Stored } from "@/core/shoot/records";
import { Choice } from "@/ui/Choice";
import { Tick } from "@/ui/Ticks";
import { Soft, Stack } from "@/ui/layout";
import { useShootStore } from "../saving/ShootProvider";
import { Reasons } from "./Reasons";
import { CONSENT_OPTIONS } from "./words";

/** Cautions that a place brings with it. */
function cautionsOf(candidate: Candidate): string[] {
  const cautions = [
    "Explain, ask, say what you will touch; offer that they place it themselves. Consent and law differ by place.",
  ];
  if (candidate.placement.surface === "skin")
    cautions.push(
      "Ask about adhesive allergy; wipe and dry the skin, new tape for every person, pins never near skin.",
    );
  if (candidate.site.host === "strap")
    cautions.push("Harness: nothing may hinder straps, buckles or release. The safety officer decides.");
  if (candidate.wind.step > 0) cautions.push("Wind: fur or foam over the capsule before you roll.");
  return cautions;
}

/** What was asked and answered, what to mind, whether it is done, and why this place. */
export function Agreement(props: { candidate: Candidate; isChosen: boolean; rig: Stored<"rig"> }) {
  const { candidate, isChosen, rig } = props;
  const store = useShootStore();
  const set = (change: Partial<RigBody>) => store.change("rig", rig.id, { ...rig.body, ...change });
  return (
    <Stack>
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
