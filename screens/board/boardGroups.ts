import { boardLines, lineId, type BoardLine } from "@/core/board";
import { scenesInOrder, type ShootBundle, type Stored } from "@/core/records";

/** One row of the board: a scene that heads its talent, or a talent in it. */
export type BoardItem =
  | { is: "scene"; id: string; scene: Stored<"scene"> | null; count: number }
  | { is: "line"; id: string; line: BoardLine };

/** The rows of one day, and those of talent in no scene. */
export function itemsOfDay(items: readonly BoardItem[], day: number): BoardItem[] {
  const shown: BoardItem[] = [];
  let isOfDay = true;
  for (const item of items) {
    if (item.is === "scene") isOfDay = item.scene === null || item.scene.body.day === day;
    if (isOfDay) shown.push(item);
  }
  return shown;
}

/** The board's rows: every scene in order with its talent under it, then talent in no scene. */
export function boardItems(bundle: ShootBundle): BoardItem[] {
  const byScene = new Map<string | null, BoardLine[]>();
  for (const line of boardLines(bundle)) {
    const key = line.scene?.id ?? null;
    const known = byScene.get(key);
    if (known) known.push(line);
    else byScene.set(key, [line]);
  }
  const group = (scene: Stored<"scene"> | null): BoardItem[] => {
    const lines = byScene.get(scene?.id ?? null) ?? [];
    if (!scene && lines.length === 0) return [];
    return [
      { is: "scene", id: scene?.id ?? "no scene", scene, count: lines.length },
      ...lines.map((line): BoardItem => ({ is: "line", id: lineId(line), line })),
    ];
  };
  return [...scenesInOrder(bundle.scenes).flatMap(group), ...group(null)];
}
