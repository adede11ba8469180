import { type InvalidateQueryFilters, QueryClient } from "@tanstack/react-query";
import { experimental_createQueryPersister } from "@tanstack/query-persist-client-core";
import type { Device } from "./device";
import { Refused } from "./server";

/** What was asked for is kept so long on the device, for where there is no signal, ms. */
const KEPT_MS = 90 * 24 * 3600_000;

/** What came from the server, kept on the device. */
export function makeQueries(device: Device): QueryClient {
  const persister = experimental_createQueryPersister<unknown>({
    storage: {
      getItem: async (key) => (await device.answers.get(key).catch(() => undefined))?.value,
      setItem: async (key, value) => {
        await device.answers.put({ key, value }).catch(() => undefined);
      },
      removeItem: (key) => device.answers.delete(key).catch(() => undefined),
    },
    serialize: (persisted) => persisted,
    deserialize: (stored) => stored as never,
    maxAge: KEPT_MS,
    refetchOnRestore: "always",
  });
  return new QueryClient({
    defaultOptions: {
      queries: {
        persister: persister.persisterFn,
        // News come as events; a page that was away asks anew.
        staleTime: Infinity,
        gcTime: Infinity,
        networkMode: "always",
        refetchOnWindowFocus: "always",
        refetchOnReconnect: "always",
        retry: (count, error) => !(error instanceof Refused) && count < 2,
      },
    },
  });
}

/** More news of one thing within this are asked for at once, ms. */
const GATHER_NEWS_MS = 200;

/** Asks anew for what has changed. */
export function newsFor(queries: QueryClient) {
  const asking = new Set<string>();
  const again = new Set<string>();

  /** Asks anew. What is just being asked for the first time may have been answered before the change: it is asked for again after that. */
  async function refresh(filters: InvalidateQueryFilters = {}): Promise<void> {
    const first = queries
      .getQueryCache()
      .findAll({ ...filters, fetchStatus: "fetching" })
      .filter(({ state }) => state.data === undefined);
    await queries.invalidateQueries(filters);
    await Promise.all(first.map(({ queryKey }) => queries.invalidateQueries({ queryKey, exact: true })));
  }

  /** Asks for news of one thing: once for all that come until it has been answered. */
  function soon(queryKey: readonly string[]): void {
    const name = queryKey.join(" ");
    if (asking.has(name)) {
      again.add(name);
      return;
    }
    asking.add(name);
    const gathered = new Promise((resolve) => setTimeout(resolve, GATHER_NEWS_MS));
    void Promise.all([refresh({ queryKey: [...queryKey] }), gathered]).then(() => {
      asking.delete(name);
      if (again.delete(name)) soon(queryKey);
    });
  }

  return { refresh, soon };
}
