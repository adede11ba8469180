import { copyShoot, startFrom } from "@/core/planning";
import { asNewShoot, readShootFile, type ShootBody, type ShootBundle, shootFileOf } from "@/core/records";
import { askTakeDetail } from "@/data/server";
import type { Hub } from "@/data/hub";
import { say } from "@/messages";
import { saveFile } from "../files/saveFile";

const newId = () => crypto.randomUUID();

/** A name that a file system takes. */
export const fileNameOf = (title: string): string =>
  `${
    title
      .normalize("NFKD")
      .replace(/[^\w\s-]/g, "")
      .trim()
      .replace(/\s+/g, "-")
      .slice(0, 60)
      .toLowerCase() || "shoot"
  }.hypophon.json`;

/** Saves everything of a shoot as a file; what was measured of its takes too, where the server can be asked. */
export async function exportShoot(bundle: ShootBundle): Promise<{ withoutDetails: number }> {
  const asked = await Promise.allSettled(bundle.measurements.map(({ id }) => askTakeDetail(id)));
  const details = asked.flatMap((answer) => (answer.status === "fulfilled" && answer.value ? [answer.value] : []));
  const file = shootFileOf(bundle, details, new Date().toISOString());
  saveFile(fileNameOf(bundle.shoot.body.title), "application/json", JSON.stringify(file, null, 1));
  return { withoutDetails: asked.filter(({ status }) => status === "rejected").length };
}

/** Makes a new shoot of a file; says what is wrong where that cannot be. */
export function importShoot(hub: Hub, text: string): { shootId: string } | { says: string } {
  const read = readShootFile(text);
  if ("says" in read) return { says: say(read.says) };
  const known = new Set([...hub.keeper.records().values()].map(({ id }) => id));
  const records = asNewShoot(read.records, newId, (id) => known.has(id));
  const shootId = records[0]!.id;
  hub.storeOf(shootId).createAll(records);
  return { shootId };
}

/** Makes another shoot with the plans of this one; returns its id. */
export function duplicateShoot(hub: Hub, bundle: ShootBundle, own: Partial<ShootBody>): string {
  const records = copyShoot(bundle, own, newId);
  const shootId = records[0]!.id;
  hub.storeOf(shootId).createAll(records);
  return shootId;
}

/** A shoot to take the kit from, asked for where this device has not seen it yet; null where it cannot be had. */
export async function kitToStartFrom(hub: Hub, shootId: string): Promise<ShootBundle | null> {
  const store = hub.storeOf(shootId);
  if (!store.snapshot()) await hub.pull(shootId).catch(() => false);
  return store.snapshot()?.bundle ?? null;
}

/** Makes a shoot that has the kit of another one and nothing else; returns its id. */
export function startShoot(hub: Hub, bundle: ShootBundle, body: ShootBody): string {
  const records = startFrom(bundle, body, newId);
  const shootId = records[0]!.id;
  hub.storeOf(shootId).createAll(records);
  return shootId;
}
