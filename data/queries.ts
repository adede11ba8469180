import { QueryClient } from "@tanstack/react-query";
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
