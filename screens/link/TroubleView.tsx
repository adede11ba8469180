"use client";

import { useMemo, useState } from "react";
import styled from "styled-components";
import { ANSWER_NAMES, type AnyMessage, say, SYMPTOM_NAMES } from "@/messages";
import type { FindingKind } from "@/core/check";
import { INPUTS, SOURCES } from "@/core/devices";
import {
  type Answer,
  causeMessages,
  diagnose,
  genericSetup,
  type ProbeId,
  probeOf,
  questionOf,
  type Rehearsal,
  type SignalPath,
  type Story,
  type Symptom,
  symptomsOf,
} from "@/core/rehearsal";
import { Button } from "@/ui/Button";
import { Select } from "@/ui/Select";
import { Columns, Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import { useLinks } from "./useLinks";

const Answers = styled.ol`
  margin: 0;
  padding-left: 1.3rem;
  li {
    padding: 0.15rem 0;
  }
  b {
    font-weight: 600;
  }
`;

const Causes = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.5rem;
  li {
    border-left: 3px solid var(--seam);
    padding-left: 0.7rem;
  }
  li:first-child {
    border-left: 6px double var(--chalk);
  }
`;

/** What can be noticed, by kind; what is noticed most comes first. */
const GROUPS: readonly { name: string; symptoms: readonly Symptom[] }[] = [
  { name: "Silence, or the wrong sound", symptoms: ["nothing", "quiet", "oneSide", "wrongMic", "strangers"] },
  { name: "Noise", symptoms: ["buzz", "hiss", "crackleMoves", "crackle", "chargerHum", "phoneBuzz", "pumping"] },
  { name: "Distortion", symptoms: ["distorted", "distortedLow", "distortedAlways"] },
  { name: "Tone", symptoms: ["far", "hollow", "boomy", "thin", "dull", "echo", "echoPhones"] },
  { name: "Radio", symptoms: ["dropFar", "dropTurns"] },
  { name: "Recorder and picture", symptoms: ["notKept", "stops", "dead", "follows", "late", "drifts"] },
];

/** The finding whose advice holds where no known fault of this way can cause what is noticed. */
const LIKE: Partial<Record<Symptom, FindingKind>> = {
  buzz: "hum",
  chargerHum: "hum",
  phoneBuzz: "buzz",
  crackle: "crackle",
  crackleMoves: "crackle",
  hiss: "hiss",
  distorted: "clipped",
  far: "roomy",
  quiet: "tooLow",
  strangers: "radioNoise",
  hollow: "inverted",
  pumping: "pumping",
};

/** As many causes are named as one can keep in mind. */
const MOST_NAMED = 5;

const saidTogether = (messages: readonly AnyMessage[]): string => messages.map(say).join(" ");

const begin = (symptom: Symptom): Story => ({ symptom, answers: {}, skipped: [], ruledOut: [] });

function Finding(props: {
  setup: SignalPath;
  story: Story;
  rehearsal: Rehearsal | null;
  onStory: (story: Story) => void;
  onAgain: () => void;
}) {
  const { setup, story, rehearsal, onStory } = props;
  const { causes, next } = useMemo(() => diagnose(setup, story), [setup, story]);
  const answered = Object.entries(story.answers) as [ProbeId, Answer][];
  const probe = next ? probeOf(next) : null;
  const answer = (given: Answer) => next && onStory({ ...story, answers: { ...story.answers, [next]: given } });
  const skip = () => next && onStory({ ...story, skipped: [...story.skipped, next] });
  const look = () => {
    const seen = rehearsal && probe ? probe.answer(setup, rehearsal) : null;
    if (seen === null) skip();
    else answer(seen);
  };
  const [first] = causes;
  const kind = LIKE[story.symptom];
  const fallback = answered.length === 0 && kind ? ({ code: "kind.advice", kind } as const) : null;
  return (
    <Stack>
      <Soft>{SYMPTOM_NAMES[story.symptom]}.</Soft>
      {probe ? (
        <Stack $gap={0.6}>
          <Lead role="status">{say(questionOf(setup, next!))}</Lead>
          <Row $gap={0.5}>
            {probe.answers.map((id) => (
              <Button key={id} onPress={() => answer(id)}>
                {ANSWER_NAMES[id]}
              </Button>
            ))}
            <Button look="quiet" onPress={skip}>
              Cannot tell
            </Button>
            {rehearsal && (
              <Button look="quiet" onPress={look}>
                Look on the simulated devices
              </Button>
            )}
          </Row>
        </Stack>
      ) : first ? (
        <Lead role="status">{saidTogether(causeMessages(setup, first).says)}</Lead>
      ) : (
        <Lead role="status">{say(fallback ?? { code: "trouble.noCause" })}</Lead>
      )}
      {first && (
        <Stack $gap={0.4}>
          {probe && <h3>It can be</h3>}
          <Causes aria-label="Causes">
            {causes.slice(0, probe ? MOST_NAMED : 2).map((ids) => {
              const { says, cure } = causeMessages(setup, ids);
              return (
                <li key={ids.join()}>
                  {probe && <p>{saidTogether(says)}</p>}
                  <p>
                    <b>{saidTogether(cure)}</b>
                  </p>
                </li>
              );
            })}
          </Causes>
          {probe && causes.length > MOST_NAMED && <Soft>and {causes.length - MOST_NAMED} more.</Soft>}
          {!probe && (
            <div>
              <Button onPress={() => onStory({ ...story, ruledOut: [...story.ruledOut, ...first] })}>
                That was not it
              </Button>
            </div>
          )}
        </Stack>
      )}
      {answered.length > 0 && (
        <Answers aria-label="What is known">
          {answered.map(([id, given]) => (
            <li key={id}>
              {say(questionOf(setup, id))} <b>{ANSWER_NAMES[given]}.</b>
            </li>
          ))}
        </Answers>
      )}
      <Row $gap={0.5}>
        {answered.length > 0 && (
          <Button
            look="quiet"
            onPress={() => onStory({ ...story, answers: Object.fromEntries(answered.slice(0, -1)), ruledOut: [] })}
          >
            Undo the last answer
          </Button>
        )}
        <Button look="quiet" onPress={props.onAgain}>
          Start over
        </Button>
      </Row>
    </Stack>
  );
}

const ANY = "any";

/** Something is wrong: what can it be, and what tells it apart? For a link of the shoot, or for any. */
export function TroubleView() {
  const links = useLinks();
  const [isAny, setIsAny] = useState(false);
  const [sourceId, setSourceId] = useState<keyof typeof SOURCES>("lavSelf");
  const [inputId, setInputId] = useState<keyof typeof INPUTS>("phone");
  const [told, setTold] = useState<{ about: string; story: Story } | null>(null);
  const planned = links.plan.connections.filter(({ setup }) => setup !== null);
  const connection = planned.find(({ link }) => link.id === links.chosen?.link.id) ?? planned[0] ?? null;
  const isFree = isAny || connection === null;
  const free = useMemo(() => genericSetup(SOURCES[sourceId], INPUTS[inputId]), [sourceId, inputId]);
  const setup = isFree ? free : connection.setup;
  const about = isFree ? `${sourceId} ${inputId}` : connection.link.id;
  const story = told?.about === about ? told.story : null;
  const rehearsal = isFree ? null : (connection.stored?.body.rehearsal ?? null);
  const noticed = setup && rehearsal ? symptomsOf(setup, rehearsal) : [];
  const tell = (next: Story | null) => setTold(next && { about, story: next });
  return (
    <Columns $template="minmax(0, 320px) minmax(0, 1fr)">
      <Piece aria-label="Which link">
        <Stack $gap={0.8}>
          <Select
            label="On which link?"
            value={isFree ? ANY : connection.link.id}
            options={[
              ...planned.map(({ link }) => ({ value: link.id, name: link.name })),
              { value: ANY, name: "another, not of this shoot" },
            ]}
            onChange={(id) => {
              setIsAny(id === ANY);
              if (id !== ANY) links.choose(id);
            }}
          />
          {isFree && (
            <>
              <Select
                label="From"
                value={sourceId}
                options={Object.values(SOURCES).map(({ id, name }) => ({ value: id, name }))}
                onChange={(id) => setSourceId(id)}
              />
              <Select
                label="Into"
                value={inputId}
                options={Object.values(INPUTS).map(({ id, name }) => ({ value: id, name }))}
                onChange={(id) => setInputId(id)}
              />
            </>
          )}
          {setup ? (
            <Soft>
              {setup.source.name}, {setup.way.map(({ name }) => name).join(", ") || "straight"}, {setup.input.name}
            </Soft>
          ) : (
            <Soft>Nothing connects these two.</Soft>
          )}
          {noticed.length > 0 && (
            <Soft>On the simulated devices: {noticed.map((id) => SYMPTOM_NAMES[id].toLowerCase()).join("; ")}.</Soft>
          )}
        </Stack>
      </Piece>
      {setup && (
        <Piece aria-label="Troubleshoot">
          {story ? (
            <Finding setup={setup} story={story} rehearsal={rehearsal} onStory={tell} onAgain={() => tell(null)} />
          ) : (
            <Stack>
              <Lead>What is heard, or seen?</Lead>
              {GROUPS.map(({ name, symptoms }) => (
                <Stack key={name} $gap={0.3} role="group" aria-label={name}>
                  <h3>{name}</h3>
                  <Row $gap={0.4}>
                    {symptoms.map((id) => (
                      <Button key={id} onPress={() => tell(begin(id))}>
                        {SYMPTOM_NAMES[id]}
                      </Button>
                    ))}
                  </Row>
                </Stack>
              ))}
            </Stack>
          )}
        </Piece>
      )}
    </Columns>
  );
}
