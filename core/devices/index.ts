/**
 * Every device and part, described once: ports, powers, levels, controls. Cables, levels, coordination, simulation and
 * troubleshooting read these rows. All are generic; an owner's data sheet takes their place.
 */
export { CAPSULE_COLOURS, DEVICE_KINDS, type CapsuleColour, type DeviceKind } from "./deviceKinds";
export { DEVICE_SCHEMAS, Lav, Pack, Receiver, RecorderInput, type DeviceFigures } from "./figures";
export { GENERIC_DEVICES, genericFigures, isTypicalFigures } from "./genericDevices";
export { XLR, type InputLevels, type Steps } from "./inputLevels";
export { INPUTS, PACK_INPUTS, type InputId, type PackInputId } from "./inputs";
export {
  AnyKitFigures,
  ChainFigures,
  ExtraFigures,
  KIT_KINDS,
  KIT_SCHEMAS,
  LeadFigures,
  SocketFigures,
  SourceFigures,
  StockFigures,
  type KitKind,
} from "./kitItems";
export { INSIDE_INPUTS, levelsOfInput, type KnownLevels } from "./knownLevels";
export { INTERFACE, PARTS, partOf } from "./parts";
export {
  CONNECTOR_NAMES,
  familyOf,
  mate,
  type Carriage,
  type Connector,
  type End,
  type Input,
  type Part,
  type Source,
  isFeed,
} from "./ports";
export { DeviceSetting, type PlacedSetting, type Setting, type SettingCatalogue } from "./settings";
export { HOUSE_OUTLETS, SOURCES, type SourceId } from "./sources";
