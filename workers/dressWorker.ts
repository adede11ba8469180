import * as Comlink from "comlink";
import type { DressInput } from "../core/dress/dressInput";
import type { SiteId } from "../core/dress/sites";
import { whatWouldHelp, type Possibility } from "../core/dress/whatIf";

const door = {
  /** Tries every single change of outfit, bag and shot; a plan for each. */
  whatWouldHelp(input: DressInput, siteId: SiteId): Possibility[] {
    return whatWouldHelp(input, siteId);
  },
};

export type DressDoor = typeof door;

Comlink.expose(door);
