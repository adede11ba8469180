import * as Comlink from "comlink";
import { type DressInput, type Possibility, type SiteId, whatWouldHelp } from "../core/dress";

const door = {
  /** Tries every single change of outfit, bag and shot; a plan for each. */
  whatWouldHelp(input: DressInput, siteId: SiteId): Possibility[] {
    return whatWouldHelp(input, siteId);
  },
};

export type DressDoor = typeof door;

Comlink.expose(door);
