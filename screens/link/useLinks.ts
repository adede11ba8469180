"use client";

import { replaceAddress, useAddress } from "@/ui/address";
import { useMemo } from "react";
import { airBodyOf, type Connection, type ConnectionPlan, connectionsOf } from "@/core/planning";
import type { AirBody } from "@/core/records";
import { useShoot } from "@/data/ShootProvider";

/** Writes into the address without asking the server for anything. */
export function setInAddress(changes: Record<string, string>): void {
  const url = new URL(window.location.href);
  for (const [key, value] of Object.entries(changes)) url.searchParams.set(key, value);
  replaceAddress(`${url.pathname}${url.search}`);
}

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
  const air = useMemo(() => airBodyOf(bundle), [bundle]);
  const plan = useMemo(() => connectionsOf(bundle), [bundle]);
  const wanted = query.get("link") ?? query.get("wearer");
  const { connections } = plan;
  return {
    air,
    plan,
    threads: new Map(bundle.wearers.map(({ id, body }) => [id, body.thread])),
    chosen: connections.find(({ link }) => link.id === wanted) ?? connections[0] ?? null,
    choose: (id) => setInAddress({ link: id }),
  };
}
