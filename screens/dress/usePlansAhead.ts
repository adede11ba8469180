import { useEffect } from "react";
import { placeOfRig, planRig } from "@/core/planning";
import { useShootStore } from "@/data/ShootProvider";

/** At most this many rigs are planned ahead. */
const MOST_AHEAD = 12;

type Idle = (run: () => void) => () => void;

const whenIdle: Idle = (run) => {
  if (typeof requestIdleCallback === "undefined") {
    const timer = setTimeout(run, 200);
    return () => clearTimeout(timer);
  }
  const handle = requestIdleCallback(run);
  return () => cancelIdleCallback(handle);
};

/**
 * Plans the shoot's other rigs while nothing else is to do, one at a time: going to the next wearer is then at once, and
 * the browser has compiled the planner before the first change.
 */
export function usePlansAhead(): void {
  const store = useShootStore();
  useEffect(() => {
    const { bundle } = store.snapshot();
    const waiting = bundle.rigs.slice(0, MOST_AHEAD);
    let cancel = () => {};
    const planNext = () => {
      const rig = waiting.shift();
      const wearer = bundle.wearers.find(({ id }) => id === rig?.body.wearerId);
      if (!rig || !wearer) return;
      planRig(wearer.body, rig.body, placeOfRig(bundle, rig.body)?.body ?? null, bundle.kit);
      cancel = whenIdle(planNext);
    };
    cancel = whenIdle(planNext);
    return () => cancel();
  }, [store]);
}
