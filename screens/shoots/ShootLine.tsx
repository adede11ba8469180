"use client";

import { useQuery } from "@tanstack/react-query";
import { useMemo, useSyncExternalStore } from "react";
import styled from "styled-components";
import { shootProgress, type ShootProgress } from "@/core/board";
import type { Stored } from "@/core/records";
import { say } from "@/messages";
import { useHub } from "@/data/ShootProvider";
import { Link } from "@/ui/address";
import { Soft } from "@/ui/layout";
import { stationHref } from "../shell/stationHref";
import { dayWords } from "./dayWords";

const ShootLink = styled(Link)`
  font-family: "Fraunces Variable", serif;
  font-size: 1.15rem;
  font-weight: 600;
  min-height: var(--hit);
  display: inline-flex;
  align-items: center;
`;

const Box = styled.div`
  flex: 1;
  min-width: 0;
`;

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 0.8rem;
`;

const NextLink = styled(Link)`
  min-height: var(--hit);
  display: inline-flex;
  align-items: center;
`;

/** A stitch for each talent in a scene: chalk where a place is chosen, thick where a take is measured. */
const Seam = styled.svg`
  display: block;
  max-width: 100%;
`;

/** As high while nothing is known as when it is: what stands below must not move away under a finger. */
const Room = styled.div`
  min-height: calc(8px + var(--hit));
`;

/** So many talents are told apart on a seam; more are shares of it. */
const MOST_STITCHES = 40;

/** Width and gap of a stitch, px. */
const STITCH_PX = 14;
const GAP_PX = 5;

function ProgressSeam({ rigs, chosen, verified }: ShootProgress) {
  const stitches = Math.min(rigs, MOST_STITCHES);
  const share = (count: number) => Math.round((stitches * count) / Math.max(1, rigs));
  return (
    <Seam
      width={stitches * (STITCH_PX + GAP_PX)}
      height="8"
      role="img"
      aria-label={`${chosen} of ${rigs} places chosen, ${verified} verified`}
    >
      {Array.from({ length: stitches }, (_, at) => (
        <path
          key={at}
          d={`M${at * (STITCH_PX + GAP_PX) + 2} 4h${STITCH_PX - 4}`}
          stroke={at < share(chosen) ? "var(--chalk)" : "var(--seam)"}
          strokeWidth={at < share(verified) ? 4 : 2}
          strokeLinecap="round"
        />
      ))}
    </Seam>
  );
}

/** How far a shoot is and what is next in it, as soon as this device knows. */
function Progress({ shootId }: { shootId: string }) {
  const hub = useHub();
  const store = useMemo(() => hub.storeOf(shootId), [hub, shootId]);
  useQuery({ queryKey: ["shoot", shootId], queryFn: () => hub.pull(shootId), persister: undefined });
  const snapshot = useSyncExternalStore(store.subscribe, store.snapshot, () => null);
  const progress = useMemo(() => snapshot && shootProgress(snapshot.bundle), [snapshot]);
  if (!progress) return <Room />;
  const { next, rigs, verified } = progress;
  return (
    <Room>
      {rigs > 0 && <ProgressSeam {...progress} />}
      <Line>
        {next ? (
          <NextLink href={next.station ? stationHref(shootId, next.station, null) : `/shoots/${shootId}`}>
            {say(next.says)}
          </NextLink>
        ) : (
          <Soft>Everything is planned and verified.</Soft>
        )}
        {rigs > 0 && next && (
          <Soft>
            {verified} of {rigs} verified
          </Soft>
        )}
      </Line>
    </Room>
  );
}

/** A shoot in the list: when it is, how far it is, what is next. */
export function ShootLine({
  shoot,
  today,
  hasProgress,
}: {
  shoot: Stored<"shoot">;
  today: string;
  hasProgress: boolean;
}) {
  return (
    <Box>
      <Line>
        <ShootLink href={`/shoots/${shoot.id}`}>{shoot.body.title}</ShootLink>
        <Soft>{dayWords(shoot.body, today)}</Soft>
      </Line>
      {hasProgress && <Progress shootId={shoot.id} />}
    </Box>
  );
}
