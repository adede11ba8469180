"use client";

import { QueryClientProvider, useQueries, useQuery } from "@tanstack/react-query";
import { createContext, useContext, useEffect, useMemo, useState, useSyncExternalStore, type ReactNode } from "react";
import type { Change, ShootBundle, Stored } from "@/core/records";
import { bundleReader } from "./bundleReader";
import { takeKey, theHub, type Hub } from "./hub";
import type { ShootSnapshot, ShootStore } from "./shootStore";
import { pageHere, type WhoIsHere } from "./live";
import { askSamples, askShoots, askTakeDetail, sayWhere, type Samples } from "./server";
import { withPendings } from "./overlay";

const HubContext = createContext<Hub | null>(null);
const StoreContext = createContext<ShootStore | null>(null);

/** Opens what this device keeps; its children come when it is open, `opening` stands there before. */
export function HubProvider({ opening, children }: { opening: ReactNode; children: ReactNode }) {
  const [hub, setHub] = useState<Hub | null>(null);
  useEffect(() => {
    let isHere = true;
    void theHub().then((opened) => isHere && setHub(opened));
    return () => {
      isHere = false;
    };
  }, []);
  return hub ? <OpenHub hub={hub}>{children}</OpenHub> : opening;
}

/** Gives screens what this device keeps, once it is open. */
export function OpenHub({ hub, children }: { hub: Hub; children: ReactNode }) {
  return (
    <HubContext value={hub}>
      <QueryClientProvider client={hub.queries}>{children}</QueryClientProvider>
    </HubContext>
  );
}

export function useHub(): Hub {
  const hub = useContext(HubContext);
  if (!hub) throw new Error("This part stands outside the page's hub.");
  return hub;
}

/** Why a shoot is not shown. */
export type NotShown = "opening" | "missing" | "away";

/** Holds one shoot's records for all its screens; `instead` stands where there is nothing to show. */
export function ShootProvider({
  shootId,
  instead,
  children,
}: {
  shootId: string;
  instead: (why: NotShown, retry: () => void) => ReactNode;
  children: ReactNode;
}) {
  const hub = useHub();
  const store = useMemo(() => hub.storeOf(shootId), [hub, shootId]);
  const query = useQuery({ queryKey: ["shoot", shootId], queryFn: () => hub.pull(shootId), persister: undefined });
  const snapshot = useSyncExternalStore(store.subscribe, store.snapshot, () => null);
  if (!snapshot) {
    const why = query.data === false || query.data === true ? "missing" : query.isError ? "away" : "opening";
    return instead(why, () => void query.refetch());
  }
  // There is a shoot by now, and it stays as long as this stands.
  return <ShootStoreProvider store={store as ShootStore}>{children}</ShootStoreProvider>;
}

/** Gives screens a shoot that is there. */
export function ShootStoreProvider({ store, children }: { store: ShootStore; children: ReactNode }) {
  return <StoreContext value={store}>{children}</StoreContext>;
}

export function useShootStore(): ShootStore {
  const store = useContext(StoreContext);
  if (!store) throw new Error("This screen stands outside a shoot.");
  return store;
}

/** The shoot as it is now: its reader is drawn anew when a part that it has read is another. */
export function useShoot(): { bundle: ShootBundle } {
  const store = useShootStore();
  const { read } = useMemo(() => bundleReader(() => store.snapshot().bundle), [store]);
  const bundle = useSyncExternalStore(store.subscribe, read, read);
  return useMemo(() => ({ bundle }), [bundle]);
}

/** A part of the shoot: its reader is drawn anew when that part is another. `part` must give back what is in the snapshot. */
export function useShootPart<Part>(part: (snapshot: ShootSnapshot) => Part): Part {
  const store = useShootStore();
  const read = () => part(store.snapshot());
  return useSyncExternalStore(store.subscribe, read, read);
}

/** Who of the crew is here, on how many devices; this one counts too. */
export function useHere(): WhoIsHere {
  const hub = useHub();
  return useSyncExternalStore(hub.subscribe, hub.here, hub.here);
}

/** So long somebody stays at one thing before the others are told, ms. */
const STAYS_MS = 400;

/** Tells the others of the crew what is open on this page; gives back those who have the same open. */
export function useTogether(at: string): readonly string[] {
  const here = useHere();
  const isAlone = here.pages < 2;
  useEffect(() => {
    if (isAlone) return undefined;
    const timer = setTimeout(() => void sayWhere(pageHere(), at), STAYS_MS);
    return () => clearTimeout(timer);
  }, [at, isAlone]);
  return here.people.filter((each) => each.at === at && each.page !== pageHere()).map(({ name }) => name);
}

/** The crew's shoots with those that are not saved yet, the bin, and how many changes wait. */
export function useShoots() {
  const hub = useHub();
  const query = useQuery({ queryKey: ["shoots"], queryFn: askShoots });
  const pendings = useSyncExternalStore(hub.subscribe, hub.keeper.pendings, hub.keeper.pendings);
  const own = pendings.filter(({ command }) => command.kind === "shoot");
  // Without the server its last answer may be older than what was opened here.
  const opened = useQuery({
    queryKey: ["opened shoots"],
    queryFn: hub.keeper.shoots,
    persister: undefined,
    staleTime: 0,
  });
  const listed = query.data?.shoots ?? [];
  const isListed = new Set([...listed, ...(query.data?.bin ?? [])].map(({ id }) => id));
  const there = query.isError ? [...listed, ...(opened.data ?? []).filter(({ id }) => !isListed.has(id))] : listed;
  const gone = query.data?.bin ?? [];
  const shown = withPendings(new Map(there.map((shoot) => [`shoot ${shoot.id}`, shoot])), own);
  const shoots = [...shown.values()].filter(({ isDeleted }) => !isDeleted) as Change<"shoot">[];
  const isShown = new Set(shoots.map(({ id }) => id));
  const restored = new Set(own.filter(({ command }) => command.op === "restore").map(({ command }) => command.id));
  return {
    shoots,
    bin: gone.filter(({ id }) => !isShown.has(id) && !restored.has(id)),
    isAway: query.isError,
    isLoading: query.isPending,
    unsaved: pendings.length,
  };
}

/** All that was measured of a take; null while it is not known, with `isAway` where it cannot be asked for. */
export function useTakeDetails(measurementIds: readonly string[]): {
  details: readonly Stored<"takeDetail">[];
  isLoading: boolean;
  isAway: boolean;
} {
  const hub = useHub();
  const pendings = useSyncExternalStore(hub.subscribe, hub.keeper.pendings, hub.keeper.pendings);
  const queries = useQueries({
    queries: measurementIds.map((id) => ({
      queryKey: takeKey(id),
      queryFn: () => askTakeDetail(id),
    })),
  });
  const known = new Map(queries.flatMap(({ data }) => (data ? [[`takeDetail ${data.id}`, data] as const] : [])));
  const own = pendings.filter(({ command }) => command.kind === "takeDetail");
  const shown = [...withPendings(known, own).values()] as Stored<"takeDetail">[];
  return {
    details: shown.filter(({ body }) => measurementIds.includes(body.measurementId)),
    isLoading: queries.some(({ isPending }) => isPending),
    isAway: queries.some(({ isError }) => isError),
  };
}

/** Sample recordings of this shoot; null for every shoot but the demo. */
export function useSamples(): Samples | null {
  const shootId = useShootPart(({ bundle }) => bundle.shoot.id);
  const { data } = useQuery({ queryKey: ["samples"], queryFn: askSamples, refetchOnWindowFocus: false });
  return data?.shootId === shootId ? data : null;
}
