"use client";

import { originWords, say, type AnyMessage } from "@/messages";
import { Link } from "@/ui/address";
import { Printer } from "lucide-react";
import { later } from "@/ui/later";
import { useState } from "react";
import { LEVEL_UNCERTAINTY_DB, type LevelPlan, NOISE_UNCERTAINTY_DB } from "@/core/chain";
import { capsuleCures, type LevelSubject } from "@/core/planning";
import { minus, OCTAVES_HZ } from "@/core/sound";
import { Button } from "@/ui/Button";
import { Disclosure } from "@/ui/Disclosure";
import { Columns, Figure, Known, Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { stationHref } from "../shell/stationHref";
import { TermWord } from "../terms/TermWord";
import { Habits, SettingsTickets } from "./SettingsTickets";
import type { ShownVoice } from "./Staircase";
import { useLevels, useLevelsRecord } from "./useLevels";

const loading = <Soft role="status">One moment…</Soft>;
// What to set comes first: the stairs, the devices and cures follow.
const ChainForm = later(() => import("./ChainForm").then((module) => module.ChainForm), loading);
const Staircase = later(() => import("./Staircase").then((module) => module.Staircase), loading);
const DynamicsView = later(() => import("./DynamicsView").then((module) => module.DynamicsView));

const EFFORT_WORDS = {
  whisper: "a whisper",
  soft: "a soft voice",
  normal: "a normal voice",
  raised: "a raised voice",
  loud: "a loud voice",
  shout: "a shout",
} as const;

/** Who clips first, and at which voice. */
function verdictOf({ firstToClip, isClean, peakDbfs, targets, stages }: LevelPlan): AnyMessage {
  const { headroomDb, atEffort } = firstToClip;
  const stage = firstToClip.name.toLowerCase();
  if (headroomDb < -1e-6) return { code: "levels.clips", stage, overDb: Math.ceil(-headroomDb - 1e-6) };
  if (!isClean) return { code: "levels.peaks", peakDbfs, ceilingDbfs: targets.ceilingDbfs };
  const isVoice = stages[0]!.unit === "dB SPL";
  const wouldClip = !isVoice ? "unknown" : atEffort ? { effort: EFFORT_WORDS[atEffort] } : "nobody";
  return { code: "levels.room", stage, headroomDb, wouldClip };
}

function Forecast({ plan }: { plan: LevelPlan }) {
  const [worst] = plan.noiseSources;
  return (
    <Stack $gap={0.6}>
      <Row $gap={1.4}>
        <div>
          <Soft>Loudest peaks</Soft>
          <Figure>
            <Known $as="planned">{minus(plan.peakDbfs, 1)}</Known>
            <small>dBFS ±{LEVEL_UNCERTAINTY_DB}</small>
          </Figure>
        </div>
        <div>
          <Soft>Speech</Soft>
          <Figure>
            <Known $as="planned">{minus(plan.speechDbfs, 1)}</Known>
            <small>dBFS ±{LEVEL_UNCERTAINTY_DB}</small>
          </Figure>
        </div>
        <div>
          <Soft>Noise</Soft>
          <Figure>
            <Known $as="planned">{minus(plan.noiseDbfs, 1)}</Known>
            <small>dBFS ±{NOISE_UNCERTAINTY_DB}</small>
          </Figure>
        </div>
        <div>
          <Soft>
            <TermWord id="snr">Above noise</TermWord>
          </Soft>
          <Figure>
            <Known $as="planned">{minus(plan.snrDb)}</Known>
            <small>
              dB, {minus(plan.snrDba)} A-weighted; most from {originWords(worst!.origin)}
            </small>
          </Figure>
        </div>
      </Row>
      <Soft>
        By octave:{" "}
        {OCTAVES_HZ.map(
          (hz, band) => `${hz >= 1000 ? `${hz / 1000}k` : hz} Hz ${minus(plan.snrOctavesDb[band]!)}`,
        ).join(" · ")}{" "}
        dB
      </Soft>
    </Stack>
  );
}

/** Capsules of the kit that cure an overload at the pack. */
function Cures({ subject }: { subject: LevelSubject }) {
  const { bundle } = useShoot();
  const store = useShootStore();
  const { rig } = subject;
  const cures = capsuleCures(bundle, subject);
  if (!rig || cures.length === 0) return null;
  return (
    <Row>
      {cures.slice(0, 2).map(({ lavId, name, lessDb }) => (
        <Button key={lavId} onPress={() => store.edit("rig", rig.id, (body) => ({ ...body, lavId }))}>
          Take the {name}: {lessDb.toFixed(0)} dB less sensitive
        </Button>
      ))}
    </Row>
  );
}

function ChosenWay({ subject }: { subject: LevelSubject }) {
  const { bundle } = useShoot();
  const { tick } = useLevelsRecord();
  const [voice, setVoice] = useState<ShownVoice>("planned");
  const { plan, refusal, warning, cards, levels, rig } = subject;
  const left = cards.filter(({ state }) => state !== "set");
  if (!plan)
    return (
      <Stack>
        <Lead>{refusal && say(refusal)}</Lead>
        {rig && (
          <Link href={stationHref(bundle.shoot.id, "dress", subject.wearerId, subject.sceneId)}>Go to Dress</Link>
        )}
      </Stack>
    );
  return (
    <Stack>
      {warning && (
        <p role="alert">
          <strong>{say(warning)}</strong>
        </p>
      )}
      <Row $between>
        <Lead aria-live="polite" data-part="verdict">
          {say(verdictOf(plan))}
        </Lead>
        <div data-part="next">
          {left.length > 0 ? (
            <Button look="main" onPress={() => left.forEach((card) => tick(subject.id, card, true))}>
              Mark all as set
            </Button>
          ) : (
            <Link href={`/shoots/${bundle.shoot.id}/level?view=meter&way=${encodeURIComponent(subject.id)}`}>
              Try it at the meter
            </Link>
          )}
        </div>
      </Row>
      {plan.advice.map(say).map((advice) => (
        <p key={advice}>{advice}</p>
      ))}
      <Cures subject={subject} />
      <VisuallyHidden as="h2">What to set</VisuallyHidden>
      <SettingsTickets
        label={`What to set for ${subject.name}`}
        cards={cards}
        onTick={(card, isOn) => tick(subject.id, card, isOn)}
        isBrief
      />
      <Staircase plan={plan} voice={voice} onVoice={setVoice} />
      <Habits cards={cards} />
      <Forecast plan={plan} />
      {subject.kind === "placed" && (
        <Link href={`/shoots/${bundle.shoot.id}/pickup?scene=${subject.sceneId}`}>Go to Pickup</Link>
      )}
      {levels?.isUsualVoice && <Soft>No talent is planned here: a typical voice and distance are assumed.</Soft>}
      {rig && rig.body.voiceTodayDb !== null && (
        <Soft>
          Their voice was measured on this day: {rig.body.voiceTodayDb > 0 ? "+" : ""}
          {minus(rig.body.voiceTodayDb, 1)} dB against the plan.
        </Soft>
      )}
      <Disclosure title="Limiter, compressor, safety track">
        <DynamicsView subject={subject} plan={plan} />
      </Disclosure>
      <Disclosure title="How this was computed">
        <Soft>
          Every combination of control positions is tried. The one kept overloads no stage, puts the peaks of the
          loudest line (18 dB above its mean) at the target and adds the least noise. Packs, inputs and converters keep
          3 dB of headroom. RMS figures in dBFS follow AES17: a full-scale sine reads 0. Noise is unweighted, 125 Hz to
          8 kHz, unless it says otherwise.
        </Soft>
      </Disclosure>
    </Stack>
  );
}

/** What do I set? Every way of the shoot, from the voice to the file. */
export function SettingsView() {
  const { bundle } = useShoot();
  const { chosen } = useLevels();
  if (!chosen)
    return (
      <Piece>
        <Stack>
          <Lead>Settings follow from a talent and a place for the microphone.</Lead>
          <Link href={stationHref(bundle.shoot.id, "dress", null)}>Go to Dress</Link>
        </Stack>
      </Piece>
    );
  return (
    <Columns $template="minmax(0, 1fr) minmax(210px, 16rem)">
      <Piece key={`settings ${chosen.id}`} aria-label={`Settings of ${chosen.name}`}>
        <ChosenWay subject={chosen} />
      </Piece>
      <Stack>
        <Piece key={`form ${chosen.id}`} aria-label={`Devices of ${chosen.name}`}>
          <ChainForm subject={chosen} />
        </Piece>
        <Link href={`/shoots/${bundle.shoot.id}/settings?way=${encodeURIComponent(chosen.id)}`}>
          <Printer size={16} aria-hidden /> Print settings cards
        </Link>
      </Stack>
    </Columns>
  );
}
