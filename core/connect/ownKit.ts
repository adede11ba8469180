import type { Static } from "@sinclair/typebox";
import type { AnyKitFigures, Input, KitKind, Part, Source, StockFigures } from "../devices";
import { clipText } from "../schema";

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

/** What a row of ours knows beside the figures that an owner gives. */
const NOT_FIGURES = ["id", "name", "isOwned", "levelSettings", "typical", "converter"];

/** A generic source, input or lead as the crew's own, to be changed to what it really is. */
export function ownLike(kind: "source" | "socket" | "lead", like: Source | Input | Part): OwnItem["body"] {
  const { settings, levelSettings }: Partial<Pick<Input, "settings" | "levelSettings">> = like as Partial<Input>;
  const said = settings ? { settings: [...settings, ...(levelSettings ?? [])] } : {};
  const figures = Object.entries({ ...like, ...said }).filter(([key]) => !NOT_FIGURES.includes(key));
  return {
    shootId: null,
    kind,
    name: clipText(`own ${like.name}`, 120),
    figures: Object.fromEntries(figures) as unknown as AnyKitFigures,
  };
}
