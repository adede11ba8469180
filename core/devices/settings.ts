import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import type { Message } from "../message";
import { oneOf } from "../schema";

/** Something that is set on a device without a figure. */
type Bare = Record<never, never>;

/** What stands in a device's own row, beyond switches that follow from its ports. Common practice. */
const KEPT_SETTINGS = [
  /** The socket is chosen, not the device's own microphones. */
  "setting.external",
  "setting.tapTest",
  "setting.micSocket",
  "setting.levelOrder",
  "setting.chooseInSystem",
  "setting.ownChannel",
  "setting.nobodyListens",
  "setting.interfaceMenu",
  "setting.chooseAsInput",
  "setting.charged",
  "setting.twoInputs",
] as const;

/** Everything that is set on one device of a way. */
export type SettingCatalogue = Record<(typeof KEPT_SETTINGS)[number], Bare> & {
  /** What an owner has written. */
  "setting.asWritten": { text: string };
  "setting.plugInOn": Bare;
  "setting.plugInOff": Bare;
  "setting.phantomOn": Bare;
  /** Before anything is plugged in. */
  "setting.phantomOff": Bare;
  "setting.line": Bare;
  /** Null: as far as it goes. */
  "setting.turnDown": { byDb: number | null };
  /** A track of its own, not linked with its neighbour. */
  "setting.unlink": Bare;
};
export type Setting = Message<SettingCatalogue>;

/** A setting that a device's row may hold. */
export const DeviceSetting = Type.Union([
  Type.Object({ code: oneOf(KEPT_SETTINGS, "Setting") }, { additionalProperties: false }),
  Type.Object(
    { code: Type.Literal("setting.asWritten"), text: Type.String({ minLength: 1, maxLength: 160 }) },
    { additionalProperties: false },
  ),
]);
export type DeviceSetting = Static<typeof DeviceSetting>;

/** The device of a way that something is set on: one of its ends, or a part by its number. */
export interface PlacedSetting {
  on: "source" | "input" | number;
  device: string;
  setting: Setting;
  /** It is a level: a plan of levels sets it by its figure. */
  isLevel: boolean;
}
