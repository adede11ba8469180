import { asc } from "drizzle-orm";
import { outfitLayer, wearer } from "../../db/schema";
import { list, oldestFirst, repository } from "./repository";
import type { Layer } from "../../core/dress";

/** Layers have no name of their own: they are told apart by where they lie. */
interface PlacedLayer {
  layer: Layer;
  at: number;
}

const layers = list<PlacedLayer, typeof outfitLayer.$inferSelect>({
  table: outfitLayer,
  ownerId: outfitLayer.wearerId,
  key: outfitLayer.position,
  keyOf: ({ at }) => String(at),
  rows: (connection, where) => connection.select().from(outfitLayer).where(where).orderBy(asc(outfitLayer.position)),
  ownerOf: ({ wearerId }) => wearerId,
  entry: ({ position, garment, fabric, fit, opening, pattern, shade, neckline, hasLapels }) => ({
    layer: { garment, fabric, fit, opening, pattern, shade, neckline, hasLapels },
    at: position,
  }),
  columns: ({ layer }, { id }) => ({ ...layer, wearerId: id }),
});

const placed = (each: readonly Layer[]): PlacedLayer[] => each.map((layer, at) => ({ layer, at }));

export const wearers = repository({
  kind: "wearer",
  table: wearer,
  shootId: wearer.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(wearer)
      .where(where)
      .orderBy(...oldestFirst(wearer)),
  async bodies(connection, rows) {
    const byWearer = await layers.read(
      connection,
      rows.map(({ id }) => id),
    );
    return rows.map(
      ({ id, accessories, shootId, name, heightM, voice, tapeAllergy, hairyChest, voiceOffsetDb, thread }) => ({
        ...{ shootId, name, heightM, voice, tapeAllergy, hairyChest, voiceOffsetDb, thread },
        outfit: { layers: byWearer.get(id)!.map(({ layer }) => layer), accessories },
      }),
    );
  },
  columns: ({ outfit, ...own }) => ({ ...own, accessories: outfit.accessories }),
  writeLists: (connection, owner, before, { outfit }) =>
    layers.write(connection, owner, placed(before?.outfit.layers ?? []), placed(outfit.layers)),
});
