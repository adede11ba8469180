"use client";

import dynamic from "next/dynamic";
import { useEffect, useMemo, useRef, useState } from "react";
import styled from "styled-components";
import type { MeasuredRecording } from "@/core/check/recordingMeter";
import type { LevelPlan } from "@/core/chain/levelPlan";
import { levelsOfRig } from "@/core/shoot/levels";
import type { MeasurementBody, Stored } from "@/core/shoot/records";
import { likelyChannel, provePlan, type Comparison, type Verdict } from "@/core/proof/verdict";
import { Choice } from "@/ui/Choice";
import { Table, TableScroll } from "@/ui/Table";
import { Known, Lead, Soft, Stack } from "@/ui/layout";
import { clockOf } from "./figures";
import { TakeVoice } from "../level/TakeVoice";
import { useShoot, useShootStore } from "../saving/ShootProvider";
import type { WorkingOn } from "../shell/useWearer";

const FindingsList = dynamic(() => import("./FindingsList").then((module) => module.FindingsList), { ssr: false });
const Waveform = dynamic(() => import("@/ui/Waveform").then((module) => module.Waveform), { ssr: false });

const Correction = styled.p`
  font-weight: 600;
  font-size: 1.1rem;
`;

const VerdictLead = styled(Lead)<{ $grade: Verdict["grade"] }>`
  border-left: 6px ${({ $grade }) => ($grade === "redo" ? "dotted var(--bad)" : "solid var(--good)")};
  padding-left: 0.7rem;
`;

const minus = (value: number, digits = 1) => value.toFixed(digits).replace("-", "−");

function rangeWords([low, high]: Comparison["planned"]): string {
  return low === high ? minus(low) : `${minus(low, 0)} to ${minus(high, 0)}`;
}

function CompareRow({ comparison }: { comparison: Comparison }) {
  const { what, unit, planned, uncertainty, proved, difference, isAsPlanned } = comparison;
  return (
    <tr>
      <th scope="row">{what}</th>
      <td data-figure>
        <Known $as="planned">{rangeWords(planned)}</Known> ±{uncertainty}
      </td>
      <td data-figure>
        {proved === null ? "nothing" : <Known $as="proved">{minus(proved)}</Known>} {unit}
      </td>
      <td data-figure>
        {difference === null ? "–" : `${difference > 0 ? "+" : ""}${minus(difference)}`}
        {isAsPlanned ? " as planned" : " off plan"}
      </td>
    </tr>
  );
}

function sameTake(proofs: readonly Stored<"measurement">[], body: MeasurementBody): Stored<"measurement"> | undefined {
  const { file, format } = body.recording;
  return proofs.find(
    (proof) =>
      proof.body.rigId === body.rigId &&
      proof.body.recording.file === file &&
      proof.body.recording.format.durationS === format.durationS,
  );
}

/** Stores a verdict once it is reached, and anew when another channel is chosen. */
function useStoredProof(
  recording: MeasuredRecording,
  rigId: string,
  plan: LevelPlan | null,
  verdict: Verdict | null,
): void {
  const store = useShootStore();
  const { bundle } = useShoot();
  const storedId = useRef<string | null>(null);
  const storedChannel = useRef<number | null>(null);
  const shootId = bundle.shoot.id;
  useEffect(() => {
    if (!verdict || !plan || storedChannel.current === verdict.channel) return;
    storedChannel.current = verdict.channel;
    const { peakDbfs, speechDbfs, noiseDbfs, snrDb } = plan;
    const body = {
      shootId,
      rigId,
      channel: verdict.channel,
      recording: recording.measurement,
      planned: { peakDbfs, speechDbfs, noiseDbfs, snrDb },
      grade: verdict.grade,
      sentence: verdict.sentence,
      correction: verdict.correctionSays,
    };
    // The same take measured again replaces its earlier proof.
    storedId.current ??= sameTake(store.snapshot().bundle.measurements, body)?.id ?? null;
    if (storedId.current === null) storedId.current = store.create("measurement", body);
    else store.change("measurement", storedId.current, body);
  }, [verdict, plan, recording, rigId, shootId, store]);
}

/** One measured take: verdict, correction, shape with findings, planned beside proved. */
export function Measured({
  recording,
  file,
  workingOn,
}: {
  recording: MeasuredRecording;
  file: File;
  workingOn: WorkingOn;
}) {
  const { measurement, overviews } = recording;
  const [channel, setChannel] = useState(() => likelyChannel(measurement));
  const { bundle } = useShoot();
  const { rig } = workingOn;
  // A take is judged by the plan that stood when it was measured: what is learned from it must not judge it again.
  const [measuredWith, setMeasuredWith] = useState(() => ({ rigId: rig.id, subject: levelsOfRig(bundle, rig.id) }));
  if (measuredWith.rigId !== rig.id) setMeasuredWith({ rigId: rig.id, subject: levelsOfRig(bundle, rig.id) });
  const { subject } = measuredWith;
  const [levels, plan] = [subject?.levels ?? null, subject?.plan ?? null];
  const verdict = useMemo(
    () => (levels && plan ? provePlan(levels, plan, measurement, channel) : null),
    [levels, plan, measurement, channel],
  );
  useStoredProof(recording, rig.id, plan, verdict);
  const findings = useMemo(
    () => measurement.findings.filter((finding) => finding.channel === null || finding.channel === channel),
    [measurement, channel],
  );
  const marks = useMemo(
    () =>
      findings
        .filter((finding) => finding.endS - finding.startS < measurement.format.durationS * 0.98)
        .map(({ startS, endS, severity }) => ({ startS, endS, isFault: severity === "fault" })),
    [findings, measurement],
  );
  if (!verdict) return <Lead>There is no plan to compare with: choose a place for the microphone at Dress.</Lead>;
  const { format } = measurement;
  return (
    <Stack>
      <div>
        <Soft>
          {measurement.file}, {format.container} {format.sampleRateHz / 1000} kHz
          {format.bitsPerSample ? ` ${format.bitsPerSample} bit` : ""}, {clockOf(format.durationS)}
        </Soft>
        <VerdictLead role="status" $grade={verdict.grade}>
          {verdict.sentence}
        </VerdictLead>
      </div>
      <Correction>{verdict.correctionSays}</Correction>
      <TakeVoice key={`${rig.id} ${channel}`} rigId={rig.id} voiceDb={verdict.correction.voiceDb} />
      {measurement.channels.length > 1 && (
        <Choice
          label="This wearer's channel"
          value={String(channel)}
          options={measurement.channels.map((each) => ({ value: String(each.index), name: String(each.index + 1) }))}
          onChange={(value) => setChannel(Number(value))}
        />
      )}
      <Waveform
        overview={overviews[channel]!}
        durationS={format.durationS}
        marks={marks}
        label={`Shape of channel ${channel + 1}, ${marks.length} places marked`}
      />
      <TableScroll aria-label="Planned and proved">
        <Table>
          <thead>
            <tr>
              <th scope="col">Figure</th>
              <th scope="col" data-figure>
                Planned
              </th>
              <th scope="col" data-figure>
                Proved
              </th>
              <th scope="col" data-figure>
                Difference
              </th>
            </tr>
          </thead>
          <tbody>
            {verdict.comparisons.map((comparison) => (
              <CompareRow key={comparison.what} comparison={comparison} />
            ))}
          </tbody>
        </Table>
      </TableScroll>
      <FindingsList measurement={measurement} findings={findings} channel={channel} file={file} />
      <Soft>
        Peaks are true peaks, 4 times oversampled. Speech level is ITU-T P.56 active level; RMS figures follow AES17.
        Noise is the median of 50 ms levels where nobody speaks, unweighted.
      </Soft>
    </Stack>
  );
}
