"use client";

import { correctionMessage, gradeOf, stepAfter, worstOf } from "@/core/proof";
import { say } from "@/messages";
import { Link } from "@/ui/address";
import { later } from "@/ui/later";
import { useCallback, useMemo, useState } from "react";
import styled from "styled-components";
import { type Finding, type MeasuredRecording, reviewOf } from "@/core/check";
import type { Assessment } from "@/core/proof";
import { Choice } from "@/ui/Choice";
import { Lead, Soft, Stack } from "@/ui/layout";
import { clockOf } from "./figures";
import { TakeVoice } from "../level/TakeVoice";
import { useShoot } from "@/data/ShootProvider";
import { useStationKeys } from "../shell/stationKeys";
import { stationHref } from "../shell/stationHref";
import type { WorkingOn } from "../shell/useWearer";
import { PlannedProved } from "./PlannedProved";
import { TakeNoise } from "./TakeNoise";
import { useListen, type Treatment } from "./useListen";
import { useLook } from "./take/useLook";
import { useTake } from "./useTake";

const FindingsList = later(() => import("./FindingsList").then((module) => module.FindingsList));
const TrackLoudness = later(() => import("./TrackLoudness").then((module) => module.TrackLoudness));
const TakeView = later(() => import("./take/TakeView").then((module) => module.TakeView));

const Correction = styled.p`
  font-weight: 600;
  font-size: 1.1rem;
`;

/** The seam beside a verdict: its stitch says as much as its colour. */
const SEAM = { good: "solid var(--good)", usable: "dashed var(--warn)", redo: "dotted var(--bad)" } as const;

const VerdictLead = styled(Lead)<{ $grade: Assessment["grade"] }>`
  border-left: 6px ${({ $grade }) => SEAM[$grade]};
  padding-left: 0.7rem;
`;

/** Places that are marked in the drawing at most. */
const MOST_MARKS = 400;
/** What is played from a cursor, s. */
const FROM_CURSOR_S = 6;

/** A finding as the drawing marks it. */
interface FindingMark {
  startS: number;
  endS: number;
  isFault: boolean;
  finding: Finding;
}

/** Findings of places, without those of the whole take and those that were dismissed. */
function useMarks(take: ReturnType<typeof useTake>, durationS: number): FindingMark[] {
  const { findings, reviews } = take;
  return useMemo(
    () =>
      findings
        .filter(({ startS, endS }) => endS - startS < durationS * 0.98)
        .filter((finding) => reviewOf(finding, reviews)?.decision !== "dismissed")
        .slice(0, MOST_MARKS)
        .map((finding) => ({
          startS: finding.startS,
          endS: finding.endS,
          isFault: finding.severity === "fault",
          finding,
        }))
        .sort((one, other) => one.startS - other.startS),
    [findings, reviews, durationS],
  );
}

const bringIntoSight = (element: HTMLElement | null) => element?.scrollIntoView({ block: "start" });

/** One measured take: verdict, correction, the take itself with its findings, planned beside proved. */
export function Measured({
  recording,
  file,
  workingOn,
  isCalled,
}: {
  recording: MeasuredRecording;
  file: File;
  /** Somebody asked for it from elsewhere on the page: it comes into sight. */
  isCalled: boolean;
  workingOn: WorkingOn;
}) {
  const { measurement, overviews } = recording;
  const { format } = measurement;
  const { bundle } = useShoot();
  const { rig, wearer } = workingOn;
  const take = useTake(recording, file, rig.id);
  const look = useLook(file, 0);
  const { channel, judged, expected, findings } = take;
  const [chosen, setChosen] = useState<FindingMark | null>(null);
  const [cursorS, setCursorS] = useState<number | null>(null);
  const [treatment, setTreatment] = useState<Treatment>("asIs");
  const listen = useListen(file);
  const marks = useMarks(take, format.durationS);
  const hum = findings.find(({ kind }) => kind === "hum")?.what;
  const humHz = hum?.code === "finding.hum" && hum.mainsHz === 60 ? 60 : 50;

  const { play, stop, isPlaying } = listen;
  const hear = useCallback(
    (startS: number, endS: number) => void play({ startS, endS, channel }, treatment, humHz),
    [play, channel, treatment, humHz],
  );
  const choose = useCallback(
    (mark: FindingMark, isHeard: boolean) => {
      setChosen(mark);
      setCursorS(null);
      if (isHeard) hear(mark.startS, mark.endS);
    },
    [hear],
  );
  const step = useCallback(
    (by: number) => {
      if (marks.length === 0) return;
      const at = chosen ? marks.findIndex(({ finding }) => finding === chosen.finding) : by > 0 ? -1 : marks.length;
      choose(marks[(at + by + marks.length) % marks.length]!, true);
    },
    [marks, chosen, choose],
  );
  useStationKeys(
    useMemo(
      () => [
        {
          key: "l",
          says: "Check: listen, or stop",
          run: () => {
            if (isPlaying()) stop();
            else if (cursorS !== null) hear(cursorS, cursorS + FROM_CURSOR_S);
            else if (chosen) hear(chosen.startS, chosen.endS);
            else step(1);
          },
        },
        { key: ".", says: "Check: next finding", run: () => step(1) },
        { key: ",", says: "Check: finding before", run: () => step(-1) },
      ],
      [isPlaying, stop, cursorS, chosen, hear, step],
    ),
  );

  const plan = expected?.plan ?? null;
  const facts = useMemo(
    () => ({
      durationS: format.durationS,
      sampleRateHz: format.sampleRateHz,
      overview: overviews[channel] ?? null,
      course: measurement.channels[channel]?.course ?? [],
      lines: plan
        ? [
            { dbfs: plan.targets.targetDbfs, says: "target" },
            { dbfs: plan.targets.ceilingDbfs, says: "ceiling" },
          ]
        : [],
      marks,
    }),
    [format, overviews, channel, measurement, plan, marks],
  );
  // Without a plan a take is judged by itself: it gets a verdict, but no settings to turn.
  const verdict = judged?.verdict ?? { grade: gradeOf(findings), worst: worstOf(findings) };
  const toDo = judged && stepAfter(verdict.worst, judged.verdict.correction);
  // What is wrong comes first; the level, where it is off too, is said besides.
  const isElse = toDo?.code === "kind.advice" && judged !== null && judged.verdict.correction.byDb !== null;
  return (
    <Stack>
      <div ref={isCalled ? bringIntoSight : undefined}>
        <Soft>
          {measurement.file}, {format.container} {format.sampleRateHz / 1000} kHz
          {format.bitsPerSample ? ` ${format.bitsPerSample} bit` : ""}, {clockOf(format.durationS)}
        </Soft>
        <VerdictLead role="status" $grade={verdict.grade} data-part="verdict">
          {say({ code: "proof.verdict", worst: verdict.worst })}
        </VerdictLead>
      </div>
      {judged && toDo ? (
        <>
          <Correction data-part="next">{say(toDo)}</Correction>
          {isElse && <p>{say(correctionMessage(judged.verdict.correction))}</p>}
        </>
      ) : (
        <Soft data-part="next">
          Judged by itself.{" "}
          <Link href={stationHref(bundle.shoot.id, "dress", wearer.id, rig.body.sceneId)}>
            Choose a place for the microphone
          </Link>{" "}
          to compare it with the plan.
        </Soft>
      )}
      {judged?.redress && (
        <p>
          {say({ code: "proof.redress", ...judged.redress })}{" "}
          <Link href={stationHref(bundle.shoot.id, "dress", wearer.id, rig.body.sceneId)}>Go to Dress</Link>
        </p>
      )}
      <TakeVoice key={`${rig.id} ${channel}`} rigId={rig.id} voiceDb={judged?.verdict.correction.voiceDb ?? null} />
      <TakeNoise key={`noise ${rig.id} ${channel}`} rig={rig} measurement={measurement} channel={channel} />
      {measurement.channels.length > 1 && (
        <Choice
          label="Channel of this talent"
          value={String(channel)}
          options={measurement.channels.map((each) => ({ value: String(each.index), name: String(each.index + 1) }))}
          onChange={(value) => take.setChannel(Number(value))}
        />
      )}
      <div data-part="picture">
        <TakeView
          look={look}
          facts={facts}
          channel={channel}
          chosen={chosen}
          cursorS={cursorS}
          onChoose={(mark) => choose(mark as FindingMark, true)}
          onCursor={(atS) => {
            setCursorS(atS);
            setChosen(null);
            hear(atS, atS + FROM_CURSOR_S);
          }}
          playedS={listen.place ? listen.playedS : null}
        />
      </div>
      <FindingsList
        measurement={measurement}
        findings={findings}
        file={file}
        channel={channel}
        take={take}
        listen={listen}
        treatment={treatment}
        setTreatment={(next) => {
          setTreatment(next);
          // What is being heard is heard anew, to compare.
          if (listen.place) void play(listen.place, next, humHz);
        }}
        humHz={humHz}
        onHear={(finding) => {
          const mark = marks.find((each) => each.finding === finding);
          if (mark) choose(mark, true);
          else hear(finding.startS, finding.endS);
        }}
      />
      {judged && <PlannedProved comparisons={judged.verdict.comparisons} />}
      {measurement.channels.length > 2 && (
        <TrackLoudness channels={measurement.channels} steps={recording.loudnessSteps} />
      )}
      <Soft>
        Peaks are true peaks, 4 times oversampled. Speech level is ITU-T P.56 active level; RMS figures follow AES17.
        Noise is the median of 50 ms levels where nobody speaks, unweighted.
      </Soft>
    </Stack>
  );
}
