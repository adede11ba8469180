import { isFeed } from "../devices";
import type { SignalPath } from "./signalPath";

/** Steps from the bag to a proved link, in their order. Common practice. */
export const STEP_IDS = [
  "reset",
  "scan",
  "bank",
  "sync",
  "confirm",
  "connect",
  "unlink",
  "arm",
  "tap",
  "line",
] as const;
export type StepId = (typeof STEP_IDS)[number];

/** Steps that a link has: nothing to tune without a radio, nothing to tap at a desk. */
export function stepsOf({ system, input, source }: SignalPath): StepId[] {
  const isTuned = system?.band === "uhf";
  const has: Record<StepId, boolean> = {
    reset: system !== null,
    scan: isTuned,
    bank: isTuned,
    sync: system !== null,
    confirm: system !== null,
    connect: true,
    unlink: input.canBeLinked,
    arm: input.kind !== "mixer",
    tap: !isFeed(source),
    line: true,
  };
  return STEP_IDS.filter((id) => has[id]);
}

/** What a tick of a step holds for: when that has changed since, the step is to be done again. */
export function signatureOf(setup: SignalPath, id: StepId): string {
  const { frequencyMHz, system, source, input, way, sampleRateHz, bits } = setup;
  const radio = `${system?.id ?? ""} ${frequencyMHz?.toFixed(3) ?? ""}`;
  if (id === "reset" || id === "scan") return system?.id ?? "";
  if (id === "bank" || id === "sync" || id === "confirm") return radio;
  const leads = `${source.id} ${way.map((part) => part.id).join(" ")} ${input.id}`;
  if (id === "connect" || id === "unlink") return leads;
  if (id === "arm") return `${leads} ${sampleRateHz} ${bits}`;
  return `${radio} ${leads}`;
}
