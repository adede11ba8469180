import type { Static } from "@sinclair/typebox";
import { partsOf, type Stock } from "../connect";
import type { ExtraFigures } from "../devices";
import { BY_LEAD, type RadioSystem } from "../wireless";
import { isOnAt, startsOf, type Connection, type ConnectionPlan } from "./connections";
import type { Consumable } from "./consumables";
import type { PlanMessage } from "./messages";
import type { PackingBody, ShootBundle, Stored } from "../records";

export const NEED_GROUPS = ["leads", "radio", "microphones", "inputs", "always"] as const;
export type NeedGroup = (typeof NEED_GROUPS)[number];

/** One line of what is needed, against what is owned and what is in the bag. */
export interface Need {
  key: string;
  group: NeedGroup;
  name: string;
  /** Most at one time. */
  needed: number;
  spare: number;
  owned: number;
  /** Hired for this shoot. */
  hired: number;
  /** To be borrowed, hired or bought, spares with it. */
  missing: number;
  /** For whom. */
  forWhom: readonly string[];
  packed: number;
  isBack: boolean;
}

/** One spare for so many in use. Common practice put into figures. */
const SPARE_FOR: Record<NeedGroup, number> = { leads: 4, radio: 8, microphones: 4, inputs: Infinity, always: Infinity };

interface Thing {
  key: string;
  group: NeedGroup;
  name: string;
}

/** Everything that one link needs, beside what the house brings. */
function thingsOf({ link, ways, input, inputId }: Connection, systems: readonly RadioSystem[]): Thing[] {
  const leads = partsOf(ways).map(({ id, name }): Thing => ({ key: id, group: "leads", name }));
  const system = link.systemId === BY_LEAD ? undefined : systems.find(({ id }) => id === link.systemId);
  const source = ways[0]?.source;
  const isMic = source?.kind === "mic" || source?.kind === "lav";
  return [
    ...leads,
    ...(system
      ? [{ key: `system:${system.id}`, group: "radio" as const, name: `${system.name}: pack and receiver` }]
      : []),
    ...(link.wearerId !== null && (system || !isMic)
      ? [{ key: "lav", group: "microphones" as const, name: "lavalier for a pack" }]
      : []),
    ...(isMic ? [{ key: `source:${source.id}`, group: "microphones" as const, name: source.name }] : []),
    ...(input ? [{ key: `input:${inputId}`, group: "inputs" as const, name: input.name }] : []),
  ];
}

const NONE: Stock = { owned: 0, hired: 0 };

const storedPacking = (bundle: ShootBundle): Stored<"packing"> | null => bundle.packings[0] ?? null;

/**
 * What the links of a day need at one time, with spares, against what is owned; and what comes along on every shoot.
 * `day`: from 1; null: the whole shoot.
 */
export function needsOf(
  bundle: ShootBundle,
  { connections, stock }: ConnectionPlan,
  systems: readonly RadioSystem[],
  day: number | null,
): Need[] {
  const onDay = connections.filter(
    ({ times }) => day === null || times.length === 0 || times.some((time) => time.day === day),
  );
  const starts = startsOf(onDay.map(({ times }) => times)).filter((start) => day === null || start.day === day);
  const things = new Map<string, Thing & { users: Connection[] }>();
  for (const connection of onDay)
    for (const thing of thingsOf(connection, systems)) {
      const known = things.get(thing.key) ?? { ...thing, users: [] };
      things.set(thing.key, { ...known, users: [...known.users, connection] });
    }
  const packed = new Map((storedPacking(bundle)?.body.lines ?? []).map((line) => [line.key, line]));
  const line = (thing: Thing, needed: number, { owned, hired }: Stock, forWhom: readonly string[]): Need => {
    const spare =
      needed === 0 ? 0 : Number.isFinite(SPARE_FOR[thing.group]) ? Math.ceil(needed / SPARE_FOR[thing.group]) : 0;
    return {
      key: thing.key,
      group: thing.group,
      name: thing.name,
      needed,
      spare,
      owned,
      hired,
      missing: Math.max(0, needed + spare - owned - hired),
      forWhom,
      packed: packed.get(thing.key)?.packed ?? 0,
      isBack: packed.get(thing.key)?.isBack ?? false,
    };
  };
  const needs = [...things.values()].map((thing) => {
    const atOnce = starts.map((start) => thing.users.filter(({ times }) => isOnAt(times, start)).length);
    const needed = Math.max(...atOnce, thing.users.filter(({ times }) => times.length === 0).length);
    return line(
      thing,
      needed,
      stock.get(thing.key) ?? NONE,
      thing.users.map(({ link }) => link.name),
    );
  });
  const extras = bundle.kit
    .filter(({ body }) => body.kind === "extra")
    .map(({ id, body }) => {
      const { count } = body.figures as Static<typeof ExtraFigures>;
      return line({ key: `extra:${id}`, group: "always", name: body.name }, count, { owned: count, hired: 0 }, []);
    });
  return [...needs, ...extras].sort(
    (one, other) =>
      NEED_GROUPS.indexOf(one.group) - NEED_GROUPS.indexOf(other.group) ||
      other.missing - one.missing ||
      one.name.localeCompare(other.name, "en"),
  );
}

/** What has to be got before the day, spares with it; null: nothing. */
export function toGet({ missing, spare, group }: Need): PlanMessage | null {
  if (missing === 0) return null;
  const how = ({ leads: "buy", radio: "hire", microphones: "hire", inputs: "bring", always: "bring" } as const)[group];
  return { code: "packing.toGet", missing, spares: Math.min(spare, missing), how };
}

export const MOST_PACKED = 999;

/** The shoot's packing with one line changed; lines that say nothing are left out. */
export function withPacked(
  body: PackingBody,
  key: string,
  change: Partial<Pick<PackingBody["lines"][number], "packed" | "isBack">>,
): PackingBody {
  const known = body.lines.find((line) => line.key === key) ?? { key, packed: 0, isBack: false };
  const next = { ...known, ...change };
  const others = body.lines.filter((line) => line.key !== key);
  return { ...body, lines: next.packed === 0 && !next.isBack ? others : [...others, next] };
}

export const packingBodyOf = (bundle: ShootBundle): PackingBody =>
  storedPacking(bundle)?.body ?? { shootId: bundle.shoot.id, lines: [] };

/** Where the packing stands: what is still out after the shoot, what is not packed before it. */
export function packingState(needs: readonly Need[], consumables: readonly Consumable[] = []): PlanMessage {
  const wanted = needs.filter(({ needed, spare }) => needed + spare > 0);
  if (wanted.length + consumables.length === 0) return { code: "packing.nothing" };
  const open = wanted.filter(({ packed, needed, spare }) => packed < Math.min(needed + spare, MOST_PACKED));
  const out = wanted.filter(({ packed, isBack }) => packed > 0 && !isBack);
  const someBack = wanted.some(({ isBack }) => isBack);
  if (someBack)
    return out.length === 0
      ? { code: "packing.allBack" }
      : { code: "packing.stillOut", names: out.map(({ name }) => name) };
  const left = open.length + consumables.filter(({ isPacked }) => !isPacked).length;
  return left === 0
    ? { code: "packing.allPacked" }
    : { code: "packing.open", open: left, of: wanted.length + consumables.length };
}
