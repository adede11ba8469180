"use client";

import { say } from "@/messages";
import { type PickupCandidate, type Talker, whatWouldBeat } from "@/core/pickup";
import type { PlaceModel } from "@/core/room";
import type { ShootBody } from "@/core/records";
import { Stack } from "@/ui/layout";
import { upperFirst } from "../dress/words";
import { HeardTable } from "./HeardTable";

/** Improvements shown. */
const SHOWN = 3;

/** What would make one way better, a line. */
export function Better({
  candidate,
  talkers,
  place,
}: {
  candidate: PickupCandidate;
  talkers: readonly Talker[];
  place: PlaceModel;
}) {
  const better = whatWouldBeat(candidate, talkers, place).slice(0, SHOWN);
  if (better.length === 0) return null;
  return (
    <>
      {upperFirst(candidate.name)} would be better{" "}
      {better.map(({ says, pointsGain }) => `${say(says)} (+${pointsGain.toFixed(0)})`).join(", ")}.
    </>
  );
}

/** The figures of one way. */
export function WhatItGets(props: {
  candidate: PickupCandidate;
  talkers: readonly Talker[];
  units: ShootBody["units"];
}) {
  const { candidate, talkers, units } = props;
  return (
    <Stack $gap={0.6}>
      <h2>{upperFirst(candidate.name)}</h2>
      <HeardTable candidate={candidate} talkers={talkers} units={units} />
    </Stack>
  );
}
