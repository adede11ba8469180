"use client";

import { setInAddress, useAddress } from "@/ui/address";
import { useMemo } from "react";
import { airBodyOf, type Connection, type ConnectionPlan, connectionsOf } from "@/core/planning";
import type { AirBody } from "@/core/records";
import { useShoot } from "@/data/ShootProvider";
import { useFocus } from "../shell/useFocus";

export interface Links {
  air: AirBody;
  plan: ConnectionPlan;
  threads: ReadonlyMap<string, number>;
  chosen: Connection | null;
  choose: (id: string) => void;
}

/** Every link with its way, and the one that is being worked on: named in the address, or the wearer's, or the first. */
export function useLinks(): Links {
  const { bundle } = useShoot();
  const { query } = useAddress();
  const { talent } = useFocus();
  const air = useMemo(() => airBodyOf(bundle), [bundle]);
  const plan = useMemo(() => connectionsOf(bundle), [bundle]);
  const wanted = query.get("link") ?? talent?.id;
  const { connections } = plan;
  return {
    air,
    plan,
    threads: new Map(bundle.wearers.map(({ id, body }) => [id, body.thread])),
    chosen: connections.find(({ link }) => link.id === wanted) ?? connections[0] ?? null,
    choose: (id) => setInAddress({ link: id }),
  };
}
