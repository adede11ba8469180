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

/** The figures of one way, and what would make it better. */
export function WhatItGets(props: {
  candidate: PickupCandidate;
  talkers: readonly Talker[];
  place: PlaceModel;
  units: ShootBody["units"];
}) {
  const { candidate, talkers, place, units } = props;
  const better = whatWouldBeat(candidate, talkers, place).slice(0, SHOWN);
  return (
    <Stack $gap={0.6}>
      <h2>{upperFirst(candidate.name)}</h2>
      {better.length > 0 && (
        <p>
          <strong>Better:</strong>{" "}
          {better.map(({ says, pointsGain }) => `${say(says)} (+${pointsGain.toFixed(0)})`).join(", ")}.
        </p>
      )}
      <HeardTable candidate={candidate} talkers={talkers} units={units} />
    </Stack>
  );
}
