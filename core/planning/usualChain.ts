import type { Static } from "@sinclair/typebox";
import { type ChainFigures, INPUTS, SOURCES } from "../devices";
import type { ShootBundle } from "../records";
import { BY_LEAD, GENERIC_SYSTEMS } from "../wireless";

export type UsualChain = Static<typeof ChainFigures>;

/** What the crew said it usually works with: for this shoot, else for all; null while nobody has said. */
export function usualChain(kit: ShootBundle["kit"]): UsualChain | null {
  const chains = kit.filter(({ body }) => body.kind === "chain");
  const found = chains.find(({ body }) => body.shootId !== null) ?? chains[0];
  return found ? (found.body.figures as UsualChain) : null;
}

const [tuned, digital, , kit24] = GENERIC_SYSTEMS.map(({ id }) => id) as [string, string, string, string];

/** What each kind of work is usually recorded with. Common practice. */
export const WORK_CHAINS = {
  interview: { systemId: tuned, sourceId: SOURCES.receiverBalanced.id, inputId: INPUTS.recorderXlr.id },
  wedding: { systemId: BY_LEAD, sourceId: SOURCES.lavSelf.id, inputId: INPUTS.recorder35.id },
  runAndGun: { systemId: kit24, sourceId: SOURCES.receiver.id, inputId: INPUTS.cameraNoPhones.id },
  phoneDiary: { systemId: BY_LEAD, sourceId: SOURCES.lavSelf.id, inputId: INPUTS.phone.id },
  stage: { systemId: digital, sourceId: SOURCES.receiverBalanced.id, inputId: INPUTS.recorderXlr.id },
} as const satisfies Record<string, UsualChain>;
export type WorkId = keyof typeof WORK_CHAINS;
export const WORK_IDS = Object.keys(WORK_CHAINS) as WorkId[];

/** Lavs that plug into a pack and nothing else. */
export const PACK_LAVS: readonly string[] = [SOURCES.lavLocking.id, SOURCES.lavThreePin.id, SOURCES.lavFourPin.id];

/** A chain with another system: what leaves it is what such a system has. */
export function withSystem(chain: UsualChain, systemId: string): UsualChain {
  if (systemId === chain.systemId) return chain;
  if (systemId === BY_LEAD) return { ...chain, systemId, sourceId: SOURCES.lavSelf.id };
  const wasWired = chain.systemId === BY_LEAD;
  return { ...chain, systemId, ...(wasWired && { sourceId: SOURCES.receiver.id }) };
}
