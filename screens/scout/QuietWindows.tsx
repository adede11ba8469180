"use client";

import { clockWords } from "@/messages";
import styled from "styled-components";
import { noisyTimes, USUAL_DAY } from "@/core/planning";
import type { PlaceModel } from "@/core/room";
import { gapsBetween, lengthOf } from "@/core/schedule";
import { Soft } from "@/ui/layout";

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.4rem;
  font-variant-numeric: tabular-nums;
`;

/** When nothing is heard at a place, in order, with how long: "08:52–10:10, 78 min". */
export function QuietWindows({ model, most }: { model: PlaceModel; most: number }) {
  const windows = gapsBetween(noisyTimes(model), USUAL_DAY.within)
    .sort((one, other) => lengthOf(other) - lengthOf(one))
    .slice(0, most)
    .sort((one, other) => one.fromMin - other.fromMin);
  if (windows.length === 0) return <Soft>It is never quiet between the times of a usual day.</Soft>;
  return (
    <List aria-label="Quiet windows">
      {windows.map((each) => (
        <li key={each.fromMin}>
          <strong>
            {clockWords(each.fromMin)}–{clockWords(each.toMin)}
          </strong>
          , {Math.round(lengthOf(each))} min
        </li>
      ))}
    </List>
  );
}
