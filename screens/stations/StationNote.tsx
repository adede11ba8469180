"use client";

import { Link, useAddress } from "@/ui/address";
import styled from "styled-components";
import type { StationId } from "@/core/board";
import { STATION_QUESTIONS } from "@/messages";
import { Lead, Piece, Stack } from "@/ui/layout";
import { useShoot } from "@/data/ShootProvider";
import { stationHref } from "../shell/stationHref";

interface Help {
  station: StationId;
  says: string;
}

/** What stations without a screen of their own answer, and what already helps. */
const HELPS: Record<"handover", { answers: string; helps: readonly Help[] }> = {
  handover: {
    answers: "Lines sound up with picture, cleans lightly, and hands over files with notes.",
    helps: [{ station: "check", says: "Check holds every measured take with its correction" }],
  },
};

const List = styled.ul`
  margin: 0;
  padding-left: 1.2rem;
  a {
    min-height: var(--hit);
    display: inline-flex;
    align-items: center;
  }
`;

/** A station in one line, with ways to what helps today. */
export function StationNote({ station }: { station: keyof typeof HELPS }) {
  const { bundle } = useShoot();
  const wearerId = useAddress().query.get("wearer");
  const { answers, helps } = HELPS[station];
  return (
    <Piece>
      <Stack>
        <h1>{STATION_QUESTIONS[station]}</h1>
        <Lead>{answers}</Lead>
        <List>
          {helps.map((help) => (
            <li key={help.station}>
              <Link href={stationHref(bundle.shoot.id, help.station, wearerId)}>{help.says}</Link>
            </li>
          ))}
        </List>
      </Stack>
    </Piece>
  );
}
