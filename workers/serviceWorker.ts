import { NavigationRoute, Serwist, type PrecacheEntry } from "serwist";

/** What the build consists of; put in when it is made. */
declare const BUILT: PrecacheEntry[];

/** Pages that are the one document; files to save or print come from the server. */
const PAGES = [/^\/$/, /^\/shoots\/[^/]+(\/[^/.]*)?\/?$/];

const serwist = new Serwist({
  precacheEntries: BUILT,
  // The pages that are open come first, here and on the server.
  precacheOptions: {
    concurrency: 2,
    plugins: [
      {
        // A worker reads what it is made of behind the # of its address, and takes the address of the answer for its
        // own: an answer out of the cache has one without it, an answer made here has none and leaves the worker its own.
        handlerWillRespond: async ({ request, response }) =>
          request.destination === "worker" ? new Response(response.body, response) : response,
      },
    ],
  },
  // A newer one waits until somebody says so, or until no page of the old one is open.
  skipWaiting: false,
  clientsClaim: true,
});
serwist.registerRoute(new NavigationRoute(serwist.createHandlerBoundToUrl("/"), { allowlist: PAGES }));
serwist.addEventListeners();
