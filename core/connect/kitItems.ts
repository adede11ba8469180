import * as Type from "@sinclair/typebox";
import type { Static, TSchema } from "@sinclair/typebox";
import { DEVICE_KINDS, DEVICE_SCHEMAS, AnyFigures } from "../chain/devices";
import { oneOf } from "../schema/oneOf";
import {
  CARRIAGES,
  CONNECTORS,
  INPUT_KINDS,
  POWERS,
  SOURCE_KINDS,
  SUPPLIES,
  type Input,
  type Part,
  type Source,
} from "./ports";

const strict = { additionalProperties: false } as const;
const Dbu = (title: string) => Type.Number({ title, unit: "dBu", minimum: -200, maximum: 30 });
const Words = Type.Array(Type.String({ minLength: 1, maxLength: 160 }), { title: "To set", maxItems: 8 });
const NullableDbu = (title: string) => Type.Union([Dbu(title), Type.Null()]);

export const End = Type.Object(
  { connector: oneOf(CONNECTORS, "Connector"), sex: oneOf(["plug", "socket"], "Plug or socket") },
  strict,
);

/** The owner's own source: figures of {@link Source}. */
export const SourceFigures = Type.Object(
  {
    kind: oneOf(SOURCE_KINDS, "What it is"),
    end: End,
    carriage: oneOf(CARRIAGES, "Signal"),
    loudestDbu: Dbu("Loudest"),
    turnsDownDb: Type.Number({ title: "Can be turned down by", unit: "dB", minimum: 0, maximum: 100 }),
    needs: oneOf(POWERS, "Runs on"),
    isHarmedByPhantom: Type.Boolean({ title: "Phantom power harms it" }),
  },
  strict,
);

/** The owner's own input: figures of {@link Input}. */
export const SocketFigures = Type.Object(
  {
    kind: oneOf(INPUT_KINDS, "What it is"),
    end: End,
    takes: Type.Array(oneOf(CARRIAGES, "Signal"), { title: "Takes", minItems: 1, maxItems: 8, uniqueItems: true }),
    clipsDbu: Dbu("Clips at"),
    weakestDbu: Dbu("Too weak below"),
    phantom: oneOf(SUPPLIES, "Phantom power"),
    plugIn: oneOf(SUPPLIES, "Plug-in power"),
    hasOwnMic: Type.Boolean({ title: "Has a mic of its own" }),
    settings: Words,
    canBeLinked: Type.Boolean({ title: "Can be linked with its neighbour" }),
    lineClipsDbu: NullableDbu("Clips at, as line"),
  },
  strict,
);

/** The owner's own lead or box: figures of {@link Part}. */
export const LeadFigures = Type.Object(
  {
    from: End,
    to: End,
    turns: Type.Partial(
      Type.Object(Object.fromEntries(CARRIAGES.map((id) => [id, oneOf(CARRIAGES, "Becomes")])), strict),
    ),
    lossDb: Type.Number({ title: "Loss", unit: "dB", minimum: 0, maximum: 80 }),
    passesPlugIn: Type.Boolean({ title: "Passes plug-in power" }),
    passesPhantom: Type.Boolean({ title: "Passes phantom power" }),
    isHeadsetLoad: Type.Boolean({ title: "Is felt as a mic by a phone" }),
    settings: Words,
    feedsPhantom: Type.Boolean({ title: "Feeds phantom power" }),
    clipsDbu: NullableDbu("Clips at"),
  },
  strict,
);

/** How many of something the crew owns: a part, a system, a microphone, by the key it is counted under. */
export const StockFigures = Type.Object(
  {
    of: Type.String({ minLength: 1, maxLength: 80 }),
    count: Type.Integer({ title: "Owned", minimum: 0, maximum: 99 }),
  },
  strict,
);

/** Something that comes along on every shoot. */
export const ExtraFigures = Type.Object(
  { count: Type.Integer({ title: "How many", minimum: 1, maximum: 99 }) },
  strict,
);

export const KIT_KINDS = [...DEVICE_KINDS, "source", "socket", "lead", "stock", "extra"] as const;
export type KitKind = (typeof KIT_KINDS)[number];

/** Figures of everything in the kit by kind. */
export const KIT_SCHEMAS = {
  ...DEVICE_SCHEMAS,
  source: SourceFigures,
  socket: SocketFigures,
  lead: LeadFigures,
  stock: StockFigures,
  extra: ExtraFigures,
} as const satisfies Record<KitKind, TSchema>;

export const AnyKitFigures = Type.Union([
  AnyFigures,
  SourceFigures,
  SocketFigures,
  LeadFigures,
  StockFigures,
  ExtraFigures,
]);
export type AnyKitFigures = Static<typeof AnyKitFigures>;

/** An item of the kit, as far as connections need it. */
export interface OwnItem {
  id: string;
  body: { shootId: string | null; kind: KitKind; name: string; figures: AnyKitFigures };
}

const named = <Row extends object>({ id, body }: OwnItem): Row =>
  ({ id, name: body.name, ...(body.figures as object) }) as unknown as Row;

const ofKind = (kit: readonly OwnItem[], kind: KitKind): OwnItem[] => kit.filter(({ body }) => body.kind === kind);

export const ownSources = (kit: readonly OwnItem[]): Source[] =>
  ofKind(kit, "source").map((item) => named<Source>(item));
export const ownInputs = (kit: readonly OwnItem[]): Input[] => ofKind(kit, "socket").map((item) => named<Input>(item));
export const ownLeads = (kit: readonly OwnItem[]): Part[] =>
  ofKind(kit, "lead").map((item) => ({ ...named<Part>(item), isOwned: true }));

/** How many there are of something: the crew's own, and hired for this shoot. */
export interface Stock {
  owned: number;
  hired: number;
}

/** What there is, by the key it is counted under; own leads count once without being counted. */
export function stockOf(kit: readonly OwnItem[]): Map<string, Stock> {
  const stock = new Map<string, Stock>(ofKind(kit, "lead").map(({ id }) => [id, { owned: 1, hired: 0 }]));
  for (const isHired of [false, true])
    for (const { body } of ofKind(kit, "stock")) {
      if ((body.shootId !== null) !== isHired) continue;
      const { of, count } = body.figures as Static<typeof StockFigures>;
      const known = stock.get(of) ?? { owned: 0, hired: 0 };
      stock.set(of, { ...known, [isHired ? "hired" : "owned"]: count });
    }
  return stock;
}

export const countOf = (stock: ReadonlyMap<string, Stock>, key: string): number => {
  const { owned, hired } = stock.get(key) ?? { owned: 0, hired: 0 };
  return owned + hired;
};

const NOT_FIGURES = ["id", "name", "isOwned"];

/** A generic source, input or lead as the crew's own, to be changed to what it really is. */
export function ownLike(kind: "source" | "socket" | "lead", like: Source | Input | Part): OwnItem["body"] {
  const figures = Object.entries(like).filter(([key]) => !NOT_FIGURES.includes(key));
  return {
    shootId: null,
    kind,
    name: `own ${like.name}`.slice(0, 120),
    figures: Object.fromEntries(figures) as unknown as AnyKitFigures,
  };
}
