import { delivery } from "../../db/schema";
import { oldestFirst, repository } from "./repository";

export const deliveries = repository({
  kind: "delivery",
  table: delivery,
  shootId: delivery.shootId,
  rows: (connection, where) =>
    connection
      .select()
      .from(delivery)
      .where(where)
      .orderBy(...oldestFirst(delivery)),
  bodies: async (_, rows) =>
    rows.map(({ shootId, day, at, folder, takes, files, bytes, faults, manifest }) => ({
      ...{ shootId, day, at, folder, takes, files, bytes, faults, manifest },
    })),
  columns: (body) => body,
});
