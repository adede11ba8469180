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
      ({
        id,
        accessories,
        shootId,
        name,
        heightM,
        voice,
        tapeAllergy,
        hairyChest,
        voiceOffsetDb,
        thread,
        ...told
      }) => ({
        ...{ shootId, name, heightM, voice, tapeAllergy, hairyChest, voiceOffsetDb, thread },
        ...(told.hair !== null && { hair: told.hair }),
        ...(told.isChild !== null && { isChild: told.isChild }),
        outfit: {
          layers: byWearer.get(id)!.map(({ layer }) => layer),
          accessories,
          ...(told.lower !== null && { lower: told.lower }),
          ...(told.sides !== null && { sides: told.sides }),
          ...(told.colours !== null && { colours: told.colours }),
        },
      }),
    );
  },
  columns: ({ outfit: { accessories, lower, sides, colours }, hair, isChild, ...own }) => ({
    ...own,
    accessories,
    // What is no longer told is emptied.
    ...{ hair: hair ?? null, isChild: isChild ?? null },
    ...{ lower: lower ?? null, sides: sides ?? null, colours: colours ?? null },
  }),
  writeLists: (connection, owner, before, { outfit }) =>
    layers.write(connection, owner, placed(before?.outfit.layers ?? []), placed(outfit.layers)),
});
