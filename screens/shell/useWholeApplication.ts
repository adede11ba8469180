"use client";

import { useEffect } from "react";
import { theHub } from "@/data/hub";
import { showToast } from "@/ui/toasts";

/** A page that has just been opened has other things to load first, ms. */
const AFTER_MS = 1500;

/** Offers a newer build that is ready; what was typed is on the device by then, and is there again afterwards. */
function offer(worker: ServiceWorker): void {
  showToast({
    says: "A newer Hypophon is ready.",
    stays: true,
    action: {
      name: "Use it now",
      run: () => {
        void theHub()
          .then((hub) => hub.sender.hurry())
          .catch(() => undefined)
          .then(() => worker.postMessage({ type: "SKIP_WAITING" }));
      },
    },
  });
}

async function register(): Promise<void> {
  const { serviceWorker } = navigator;
  // The first one takes over a page that is of the same build; what comes later is another build.
  let isControlled = serviceWorker.controller !== null;
  const registration = await serviceWorker.register("/sw.js", { scope: "/", updateViaCache: "none" });
  if (registration.waiting && isControlled) offer(registration.waiting);
  registration.addEventListener("updatefound", () => {
    const next = registration.installing;
    next?.addEventListener("statechange", () => {
      if (next.state === "installed" && serviceWorker.controller) offer(next);
    });
  });
  serviceWorker.addEventListener("controllerchange", () => {
    if (isControlled) window.location.reload();
    isControlled = true;
  });
}

/** What holds for all pages: the ground that was chosen, and that they open without a server. */
export function useWholeApplication(): void {
  useEffect(() => {
    // The document may be older than the choice.
    const [, ground] = /(?:^|; )ground=(dark|day)/.exec(document.cookie) ?? [];
    if (ground) document.documentElement.dataset["ground"] = ground;
    if (!("serviceWorker" in navigator) || process.env.NODE_ENV !== "production") return;
    // The page first, then what it needs on the day there is no signal.
    const start = setTimeout(() => void register().catch(() => undefined), AFTER_MS);
    return () => clearTimeout(start);
  }, []);
}
