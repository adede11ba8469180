"use client";

import { say } from "@/messages";
import { useState } from "react";
import styled from "styled-components";
import type { ChannelMeasurement, FindingKind } from "@/core/check";
import { adviseTrial, stepOf, TRIAL_STEPS, type TrialStep } from "@/core/meter";
import { correctionMessage, correctLevel } from "@/core/proof";
import type { LevelSubject } from "@/core/planning";
import { minus } from "@/core/sound";
import { Button } from "@/ui/Button";
import { Known, Lead, Row, Soft, Stack } from "@/ui/layout";
import { saveBlob } from "../files/saveFile";
import type { LiveInput } from "../sound/useLiveInput";
import { TakeVoice } from "./TakeVoice";
import { useKeeping } from "./useKeeping";

const STEPS: Record<TrialStep, { name: string; says: string; seconds: number }> = {
  quiet: { name: "Record room tone", says: "Nobody speaks, nobody moves.", seconds: 4 },
  noise: { name: "Record the noise", says: "Everything on that will be on. Walk, turn and move.", seconds: 4 },
  loudest: { name: "Record the loudest line", says: "The loudest line, as loud as when the camera rolls.", seconds: 6 },
};

const Steps = styled.ol`
  margin: 0;
  padding: 0 0 0 1.4rem;
  display: grid;
  gap: 0.5rem;
`;

interface HeardStep {
  channel: ChannelMeasurement;
  kinds: Set<FindingKind>;
  /** The way as it was planned while it was heard. */
  subject: LevelSubject | null;
}

/** Inputs that this page itself can hear: what is in the file is what the meter shows. */
const isHere = ({ input }: LevelSubject): boolean => input?.kind === "phone" || input?.kind === "computer";

/** What the trial means for the knobs of this very way, and for the voice of the day. */
function Correction({ subject, heard }: { subject: LevelSubject; heard: HeardStep }) {
  const { levels, plan, rig } = subject;
  if (!levels || !plan) return null;
  const correction = correctLevel(levels, plan, heard.channel, heard.kinds);
  return (
    <Stack $gap={0.5}>
      <p>
        <strong>{say(correctionMessage(correction))}</strong>
      </p>
      {rig && <TakeVoice rigId={rig.id} voiceDb={correction.voiceDb} />}
    </Stack>
  );
}

/** Quiet, noise, loudest line: and what to change. */
export function Trial({ live, subject }: { live: LiveInput; subject: LevelSubject | null }) {
  const [steps, setSteps] = useState<Partial<Record<TrialStep, HeardStep>>>({});
  const [missed, setMissed] = useState<TrialStep | null>(null);
  const { step, leftS, keep, end } = useKeeping<TrialStep>();
  const isListening = live.state.phase === "listening";
  function listen(which: TrialStep): void {
    const door = live.door();
    if (!door) return;
    setMissed(null);
    void door.keep();
    keep(which, STEPS[which].seconds, () => {
      void door.measureKept(which).then((recording) => {
        if (recording) setSteps((now) => ({ ...now, [which]: { ...stepOf(recording), subject } }));
        else setMissed(which);
      });
    });
  }
  async function save(format: "24" | "float"): Promise<void> {
    const bytes = await live.door()?.wav(format);
    if (bytes) saveBlob("trial.wav", new Blob([bytes], { type: "audio/wav" }));
  }
  const targets = subject?.targets ?? { targetDbfs: -12, ceilingDbfs: -6 };
  const { loudest } = steps;
  const advice =
    loudest &&
    adviseTrial(
      {
        loudest: loudest.channel,
        ...(steps.quiet && { quiet: steps.quiet.channel }),
        ...(steps.noise && { noise: steps.noise.channel }),
      },
      loudest.kinds,
      targets,
    );
  const hasSome = Object.keys(steps).length > 0;
  return (
    <Stack $gap={0.6}>
      <h2>Trial in three steps</h2>
      <Steps>
        {TRIAL_STEPS.map((which) => {
          const heard = steps[which]?.channel;
          return (
            <li key={which}>
              <Row $gap={0.8}>
                <Button isDisabled={!isListening || step !== null} onPress={() => listen(which)}>
                  {STEPS[which].name}
                </Button>
                {step === which ? (
                  <span role="status">
                    {STEPS[which].says} {Math.ceil(leftS)} s
                  </span>
                ) : heard ? (
                  <span>
                    <Known $as="proved">
                      {minus((which === "loudest" ? heard.truePeakDbtp : heard.rmsDbfs) ?? -Infinity, 1)}
                    </Known>{" "}
                    {which === "loudest" ? "dBTP at peaks" : "dBFS RMS"}
                  </span>
                ) : (
                  <Soft>{STEPS[which].says}</Soft>
                )}
              </Row>
            </li>
          );
        })}
      </Steps>
      {step && (
        <div>
          <Button look="quiet" onPress={end}>
            Stop
          </Button>
        </div>
      )}
      {missed && <p role="alert">Nothing was heard: start the meter again, then repeat the step.</p>}
      {advice && !step && (
        <Stack $gap={0.5}>
          <Lead role="status">{say(advice.says[0]!)}</Lead>
          {advice.says
            .slice(1)
            .map(say)
            .map((says) => (
              <p key={says}>{says}</p>
            ))}
          {subject && loudest && isHere(subject) && advice.overNoiseDb !== null && (
            <Correction
              key={subject.id}
              subject={loudest.subject?.id === subject.id ? loudest.subject : subject}
              heard={loudest}
            />
          )}
          {subject && !isHere(subject) && (
            <Soft>
              What this page hears is not what {subject.input?.name ?? "the recorder"} records: for its knobs, record
              these three steps there and drop the file into Check.
            </Soft>
          )}
        </Stack>
      )}
      {hasSome && !step && (
        <Row>
          <Button onPress={() => void save("24")}>Save as WAV, 24 bit</Button>
          <Button look="quiet" onPress={() => void save("float")}>
            32-bit float
          </Button>
          <Button
            look="quiet"
            onPress={() => {
              void live.door()?.forget();
              setSteps({});
            }}
          >
            Start over
          </Button>
        </Row>
      )}
    </Stack>
  );
}
