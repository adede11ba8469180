"use client";

import { useEffect, useMemo, useRef, useState } from "react";
import type { MeasuredRecording } from "@/core/check/recordingMeter";
import type { Review } from "@/core/check/review";
import { channelOfTake, judgeTake, type JudgedTake } from "@/core/proof/judgeTake";
import type { Expected } from "@/core/proof/expected";
import { expectedTake } from "@/core/shoot/expectedTake";
import { levelsOfRig, type LevelSubject } from "@/core/shoot/levels";
import type { MeasurementBody, ShootBundle } from "@/core/shoot/records";
import { keptTake, takeRecord } from "@/core/shoot/takeRecord";
import { useShoot, useShootStore } from "../saving/ShootProvider";

/** The plan a take is judged by. */
export interface JudgedBy {
  rigId: string;
  subject: LevelSubject | null;
  expected: Expected | null;
}

function judgedBy(bundle: ShootBundle, rigId: string): JudgedBy {
  const subject = levelsOfRig(bundle, rigId);
  return { rigId, subject, expected: subject && expectedTake(bundle, subject) };
}

export interface Take extends JudgedBy {
  channel: number;
  setChannel: (channel: number) => void;
  judged: JudgedTake | null;
  reviews: readonly Review[];
  setReviews: (next: readonly Review[]) => void;
}

/** One measured take judged by its plan, and kept as the proof of its rig: anew for another channel or another review. */
export function useTake(recording: MeasuredRecording, rigId: string): Take {
  const store = useShootStore();
  const { bundle } = useShoot();
  // A take is judged by the plan that stood when it was measured: what is learned from it must not judge it again.
  const [by, setBy] = useState(() => judgedBy(bundle, rigId));
  if (by.rigId !== rigId) setBy(judgedBy(bundle, rigId));
  const [kept] = useState(() => keptTake(bundle, rigId, recording.measurement));
  const [reviews, setReviews] = useState<readonly Review[]>(() => kept?.body.reviews ?? []);
  const [channel, setChannel] = useState(() => {
    if (kept && recording.measurement.channels[kept.body.channel]) return kept.body.channel;
    return by.expected ? channelOfTake(by.expected, recording.measurement) : 0;
  });
  const { subject, expected } = by;
  const judged = useMemo(
    () =>
      subject?.levels && expected ? judgeTake(subject.levels, expected, recording.measurement, channel, reviews) : null,
    [subject, expected, recording, channel, reviews],
  );
  const storedId = useRef<string | null>(kept?.id ?? null);
  const storedAs = useRef<JudgedTake | null>(null);
  const shootId = bundle.shoot.id;
  useEffect(() => {
    if (!judged || !expected || storedAs.current === judged) return;
    storedAs.current = judged;
    const body: MeasurementBody = takeRecord({ shootId, rigId }, recording.measurement, expected.plan, judged, reviews);
    // The same take measured again replaces its earlier proof.
    const known = store.snapshot().bundle.measurements.some(({ id }) => id === storedId.current);
    if (storedId.current && known) store.change("measurement", storedId.current, body);
    else storedId.current = store.create("measurement", body);
  }, [judged, expected, recording, reviews, rigId, shootId, store]);
  return { ...by, channel, setChannel, judged, reviews, setReviews };
}
