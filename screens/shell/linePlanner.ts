import * as Comlink from "comlink";
import { newsOf, planBoard, type PlannedLine } from "@/core/board";
import type { ShootBundle } from "@/core/records";
import type { BoardDoor } from "@/workers/boardWorker";

/** What is known of a board's lines, and how many are still being planned. */
export interface LinePlans {
  lines: ReadonlyMap<string, PlannedLine>;
  left: number;
}

export interface LinePlanner {
  plans: () => LinePlans;
  subscribe: (listener: () => void) => () => void;
  /** Plans the board of a shoot as it is now, these lines first, or nothing but these. */
  plan: (bundle: ShootBundle, first: readonly string[], isOnlyFirst?: boolean) => void;
}

const make = () => new Worker(new URL("../../workers/boardWorker.ts", import.meta.url), { type: "module" });

function linePlanner(): LinePlanner & { end: () => void } {
  let plans: LinePlans = { lines: new Map(), left: Infinity };
  let sent: ShootBundle | null = null;
  let turn = 0;
  let worker: Worker | null = null;
  let door: Comlink.Remote<BoardDoor> | null = null;
  /** Where there are no workers the page plans, bit by bit. */
  let planHere: (() => void) | null = null;
  let isWithout = false;
  const listeners = new Set<() => void>();

  function take(lines: readonly PlannedLine[], left: number): void {
    if (lines.length === 0 && left === plans.left) return;
    const known = new Map(plans.lines);
    for (const line of lines) known.set(line.id, line);
    plans = { lines: known, left };
    listeners.forEach((listener) => listener());
  }

  function goWithout(): void {
    if (isWithout) return;
    isWithout = true;
    planHere?.();
  }

  function open(): Comlink.Remote<BoardDoor> {
    worker = make();
    worker.addEventListener("error", goWithout);
    return Comlink.wrap<BoardDoor>(worker);
  }

  return {
    plans: () => plans,
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    plan(bundle, first, isOnlyFirst = false) {
      turn += 1;
      const own = turn;
      const isWanted = () => own === turn;
      // Parts, and not what watches who reads them.
      const now = { ...bundle };
      const news = newsOf(sent, now);
      sent = now;
      // The worker tells each line once: what comes late, after the next plan was asked for, is taken too.
      const report = (lines: PlannedLine[], left: number) => take(lines, isWanted() ? left : plans.left);
      planHere = () =>
        void planBoard(now, {
          ...{ first, isOnlyFirst, report, isWanted },
          now: () => performance.now(),
          pause: () => new Promise((resolve) => setTimeout(resolve, 0)),
        });
      if (isWithout) return planHere();
      try {
        door ??= open();
        door.plan(news, first, isOnlyFirst, Comlink.proxy(report)).catch(goWithout);
      } catch {
        goWithout();
      }
    },
    end() {
      turn += 1;
      worker?.terminate();
    },
  };
}

let kept: { shootId: string; planner: ReturnType<typeof linePlanner> } | null = null;

/** The planner of a shoot; it stays until another is asked for, so that coming back to the board shows it at once. */
export function plannerOf(shootId: string): LinePlanner {
  if (kept?.shootId === shootId) return kept.planner;
  kept?.planner.end();
  kept = { shootId, planner: linePlanner() };
  return kept.planner;
}
