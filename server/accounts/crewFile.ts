import { desc, eq } from "drizzle-orm";
import { shootFileOf } from "../../core/records";
import { history } from "../../db/schema";
import type { ActingCrew } from "../crew";
import { listShoots, loadShoot, loadTakeDetails } from "../records";
import { listCrew, requireRight } from "./members";

/** All that is kept of a crew, as one JSON document: who is in it, every shoot as it is saved as a file, and the history. */
export async function crewFile(acting: ActingCrew): Promise<Uint8Array> {
  requireRight(acting, "manage");
  const { database, crewId } = acting;
  const savedAt = new Date().toISOString();
  const { name, members } = await listCrew(acting);
  const { shoots } = await listShoots(acting);
  const files: unknown[] = [];
  for (const { id } of shoots) {
    const bundle = await loadShoot(acting, id);
    const details = await loadTakeDetails(
      acting,
      bundle.measurements.map((each) => each.id),
    );
    files.push(shootFileOf(bundle, details, savedAt));
  }
  const changes = await database.select().from(history).where(eq(history.crewId, crewId)).orderBy(desc(history.id));
  const file = { format: "hypophon crew", savedAt, name, members, shoots: files, history: changes };
  return new TextEncoder().encode(JSON.stringify(file, null, 1));
}
