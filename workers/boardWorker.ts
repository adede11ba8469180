import * as Comlink from "comlink";
import { type PartNews, planBoard, type PlannedLine, withPartNews } from "../core/board";
import type { ShootBundle } from "../core/records";

let bundle: ShootBundle | null = null;
let turn = 0;
/** What was told of each line. */
const told = new Map<string, string>();

const pause = () => new Promise<void>((resolve) => setTimeout(resolve, 0));

const door = {
  /** Takes over what changed in the shoot, and plans it anew, all of it or only some lines; what comes later ends what is under way. */
  async plan(
    news: readonly PartNews[],
    first: readonly string[],
    isOnlyFirst: boolean,
    report: (lines: PlannedLine[], left: number) => Promise<void> | void,
  ): Promise<void> {
    turn += 1;
    const own = turn;
    bundle = withPartNews(bundle, news);
    await planBoard(bundle, {
      first,
      isOnlyFirst,
      pause,
      isWanted: () => own === turn,
      now: () => performance.now(),
      report(lines, left) {
        const fresh = lines.filter((line) => {
          const says = JSON.stringify(line);
          const isNew = told.get(line.id) !== says;
          told.set(line.id, says);
          return isNew;
        });
        void report(fresh, left);
      },
    });
  },
};

export type BoardDoor = typeof door;

Comlink.expose(door);
