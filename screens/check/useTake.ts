"use client";

import { useEffect, useMemo, useRef, useState } from "react";
import type { Finding, MeasuredRecording, Review } from "@/core/check";
import { channelOfTake, type Expected, type JudgedTake, judgeTake, likelyChannel } from "@/core/proof";
import { audioFileOf, type ShootBundle } from "@/core/records";
import { expectedTake, keptTake, levelsOfRig, type LevelSubject, takeRecord } from "@/core/planning";
import { useHub, useShoot, useShootStore, useTakeDetails } from "@/data/ShootProvider";
import { useContent } from "./contentOf";
import { keepLeftTake } from "./keepTakes";
import { storeTake, type StoredTake } from "./storeTake";

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
  /** What was found on the channel: by its plan, or by itself where there is none. */
  findings: readonly Finding[];
  reviews: readonly Review[];
  setReviews: (next: readonly Review[]) => void;
}

/** One measured take judged by its plan, and kept as the proof of its rig: anew for another channel or another review. */
export function useTake({ measurement }: MeasuredRecording, file: File, rigId: string): Take {
  const store = useShootStore();
  const { queries } = useHub();
  const { bundle } = useShoot();
  const shootId = bundle.shoot.id;
  // A take is judged by the plan that stood when it was measured: what is learned from it must not judge it again.
  const [by, setBy] = useState(() => judgedBy(bundle, rigId));
  if (by.rigId !== rigId) setBy(judgedBy(bundle, rigId));
  const { subject, expected } = by;
  const content = useContent(file);
  const kept = content && keptTake(bundle, rigId, audioFileOf(measurement, content));
  const { details, isLoading, isAway } = useTakeDetails(kept ? [kept.id] : []);
  const detail = details[0] ?? null;
  // What was said of an earlier look must be known before this one is kept.
  const isReady = content !== null && !isLoading && !isAway;
  const [ownReviews, setReviews] = useState<readonly Review[] | null>(null);
  const reviews = useMemo(() => ownReviews ?? detail?.body.reviews ?? [], [ownReviews, detail]);
  const [ownChannel, setChannel] = useState<number | null>(null);
  const keptChannel = kept && measurement.channels[kept.body.channel] ? kept.body.channel : null;
  const planned = useMemo(
    () => (expected ? channelOfTake(expected, measurement) : likelyChannel(measurement)),
    [expected, measurement],
  );
  const channel = ownChannel ?? keptChannel ?? planned;
  const judged = useMemo(
    () => (subject?.levels && expected ? judgeTake(subject.levels, expected, measurement, channel, reviews) : null),
    [subject, expected, measurement, channel, reviews],
  );
  const known: StoredTake = { summary: kept, detail };
  const latest = useRef(known);
  useEffect(() => {
    latest.current = known;
  });
  const storedAs = useRef<JudgedTake | null>(null);
  useEffect(() => {
    if (!judged || !expected || !content || !isReady || storedAs.current === judged) return;
    storedAs.current = judged;
    const record = takeRecord({ shootId, rigId }, measurement, content, expected.plan, judged, reviews);
    storeTake(store, record, latest.current);
  }, [judged, expected, content, isReady, measurement, reviews, rigId, shootId, store]);
  // Whoever leaves at once has it kept all the same.
  const left = useRef<(() => void) | null>(null);
  useEffect(() => {
    left.current =
      judged && !storedAs.current ? () => void keepLeftTake(store, queries, rigId, measurement, file) : null;
  });
  useEffect(() => () => left.current?.(), []);
  const findings = useMemo(
    () => judged?.findings ?? measurement.findings.filter((each) => each.channel === null || each.channel === channel),
    [judged, measurement, channel],
  );
  return { ...by, channel, setChannel, judged, findings, reviews, setReviews };
}
