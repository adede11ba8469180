"use client";

import { say } from "@/messages";
import { type Candidate, cautionsOf, INTRUSIONS, selfPlacementSteps } from "@/core/dress";
import { answeredConsent, type Consent, type Stored } from "@/core/records";
import { Choice } from "@/ui/Choice";
import { Disclosure } from "@/ui/Disclosure";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Ticks";
import { Row, Soft, Stack } from "@/ui/layout";
import { useShootStore } from "@/data/ShootProvider";
import { ByThemselves } from "./ByThemselves";
import { nowWords } from "./nowWords";
import { CONSENT_OPTIONS, INTRUSION_OPTIONS } from "./words";

/** What was explained, asked and answered for this scene; what to mind; whether it is done. */
export function Agreement(props: { candidate: Candidate | null; isChosen: boolean; rig: Stored<"rig"> }) {
  const { candidate, isChosen, rig } = props;
  const store = useShootStore();
  const { consent } = rig.body;
  const set = (change: Partial<Consent>) =>
    store.change("rig", rig.id, { ...rig.body, consent: { ...consent, ...change } });
  return (
    <Stack>
      <Soft>
        Explain, ask, say what you will touch; offer a private place, a second person, or that they place it themselves.
        With children a guardian is there. Consent and law differ by place.
      </Soft>
      <Choice
        label="Their answer"
        value={consent.answer}
        options={CONSENT_OPTIONS}
        onChange={(answer) => set(answeredConsent(consent, answer, candidate?.intrusion ?? 0, nowWords()))}
      />
      <ByThemselves rig={rig} />
      {consent.answer === "no" && (
        <p>
          That is fine.{" "}
          {candidate?.intrusion === 0 ? `${candidate.site.name} on the outside stays possible if they like; ` : ""}
          otherwise a boom just out of frame, 45–60 cm from the mouth, or a hand mic.
        </p>
      )}
      <Row>
        <Tick label="Explained" isOn={consent.isExplained} onChange={(isExplained) => set({ isExplained })} />
        {isChosen && consent.answer !== "no" && (
          <Tick
            label="Rigged and listened to"
            isOn={rig.body.isRigged}
            onChange={(isRigged) => store.change("rig", rig.id, { ...rig.body, isRigged })}
          />
        )}
      </Row>
      {consent.answer === "yes" && (
        <Select
          label="Agreed to, at most"
          value={String(consent.agreedTo)}
          options={INTRUSION_OPTIONS}
          onChange={(value) => set({ agreedTo: INTRUSIONS.find((each) => String(each) === value) ?? 0 })}
        />
      )}
      {consent.answer !== "notAsked" && (
        <>
          <TextField
            label="Asked by"
            value={consent.askedBy}
            fault={() => null}
            onChange={(askedBy) => set({ askedBy })}
          />
          <Soft>Asked {consent.askedAt}.</Soft>
        </>
      )}
      {candidate && consent.answer === "self" && (
        <Disclosure title="What to tell them" isOpenAtFirst>
          <ol>
            {selfPlacementSteps(candidate)
              .map(say)
              .map((step) => (
                <li key={step}>{step}</li>
              ))}
          </ol>
        </Disclosure>
      )}
      {candidate &&
        cautionsOf(candidate)
          .map(say)
          .map((caution) => <Soft key={caution}>{caution}</Soft>)}
    </Stack>
  );
}
