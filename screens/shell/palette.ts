import { STATION_IDS, STATIONS } from "@/core/board";
import { rigsOfWearer, scenesInOrder, type ShootBundle } from "@/core/records";
import { STATION_QUESTIONS, TERMS, timeWords } from "@/messages";
import { takeName } from "../roll/rollWords";
import { stationHref } from "./stationHref";
import { BESIDE } from "./StationRail";

/** Something one may go to or do, by its name. */
export interface PaletteEntry {
  id: string;
  group: "Go to" | "Talent" | "Scenes" | "Places" | "Takes" | "Terms" | "Do";
  name: string;
  says: string;
  /** Where it leads; what is done instead, and a term that is only read, have no address. */
  href?: string;
  run?: () => void;
}

/** Pages for paper; each is reached from its station too. */
const SHEETS = [
  { page: "report", name: "Sound report", says: "What was recorded, for the edit" },
  { page: "card", name: "Talent card", says: "Place, recipe and consent on one page" },
  { page: "settings", name: "Settings cards", says: "What every device is set to" },
  { page: "frequencies", name: "Frequency cards", says: "Who is on which frequency" },
  { page: "site", name: "Site sheet", says: "What the place does to the voice" },
] as const;

/** All of a shoot that can be found by its name. */
export function paletteOf(
  bundle: ShootBundle,
  focus: { wearerId: string | null; sceneId: string | null },
  deeds: readonly { id: string; name: string; says: string; run: () => void }[],
): PaletteEntry[] {
  const shootId = bundle.shoot.id;
  const scenes = scenesInOrder(bundle.scenes);
  const sceneOf = (id: string | undefined) => scenes.find((scene) => scene.id === id) ?? null;
  const at = (id: string | undefined) => {
    const scene = sceneOf(id);
    return scene ? `Day ${scene.body.day}, ${timeWords(scene.body.startsAt)}: ${scene.body.title}` : "in no scene";
  };
  const rigs = new Map(bundle.rigs.map((rig) => [rig.id, rig]));
  return [
    { id: "board", group: "Go to", name: "Board", says: "What now?", href: `/shoots/${shootId}` },
    ...STATION_IDS.map((id) => ({
      id,
      group: "Go to" as const,
      name: STATIONS[id].name,
      says: STATION_QUESTIONS[id],
      href: stationHref(shootId, id, focus.wearerId, focus.sceneId),
    })),
    ...[...BESIDE, ...SHEETS].map(({ page, name, says }) => ({
      id: page,
      group: "Go to" as const,
      name,
      says,
      href: stationHref(shootId, page, focus.wearerId, focus.sceneId),
    })),
    {
      ...{ id: "ask kit", group: "Go to", name: "What do you have?", says: "Wireless, recorder, cables" },
      href: `/shoots/${shootId}/kit?ask=kit`,
    },
    ...bundle.wearers.map(({ id, body }) => {
      const [rig] = rigsOfWearer(bundle, id);
      return {
        id,
        group: "Talent" as const,
        name: body.name,
        says: at(rig?.body.sceneId),
        href: stationHref(shootId, "dress", id, rig?.body.sceneId ?? null),
      };
    }),
    ...scenes.map(({ id, body }) => ({
      id,
      group: "Scenes" as const,
      name: body.title,
      says: `Day ${body.day}, ${timeWords(body.startsAt)}`,
      href: stationHref(shootId, "dress", null, id),
    })),
    ...bundle.places.map(({ id, body }) => ({
      id,
      group: "Places" as const,
      name: body.name,
      says: "Scout",
      href: `/shoots/${shootId}/scout?place=${id}`,
    })),
    ...bundle.measurements.map(({ id, body }) => {
      const rig = rigs.get(body.rigId);
      return {
        id,
        group: "Takes" as const,
        name: body.file.name,
        says: bundle.wearers.find((talent) => talent.id === rig?.body.wearerId)?.body.name ?? "",
        href: stationHref(shootId, "check", rig?.body.wearerId ?? null, rig?.body.sceneId ?? null),
      };
    }),
    ...bundle.rolls.map(({ id, body }) => {
      const scene = sceneOf(body.sceneId ?? undefined);
      return {
        id: `log ${id}`,
        group: "Takes" as const,
        name: takeName(body),
        says: [`Day ${body.day}`, scene?.body.title, body.fileName, body.note].filter(Boolean).join(", "),
        href: stationHref(shootId, "roll", null, body.sceneId),
      };
    }),
    ...deeds.map((deed) => ({ ...deed, group: "Do" as const })),
    ...Object.entries(TERMS).map(([id, { name, means }]) => ({ id, group: "Terms" as const, name, says: means })),
  ];
}
