import type { Message } from "../message";

/** What a simulated device says when a control does not move; devices and controls by name. */
export type DeviceCatalogue = {
  "device.flat": { device: string };
  "device.off": { device: string };
  "device.hold": object;
  "device.scanning": object;
  "device.notScanning": object;
  "device.full": object;
  "device.rolling": object;
  "device.interface": object;
  "device.range": { control: string; minimum: number; maximum: number; unit: string };
  "device.unknownValue": { control: string };
};
export type DeviceMessage = Message<DeviceCatalogue>;

/** Gains to be set, dB: at an interface on the way, and on the device that a link ends in. */
export type GainCatalogue = {
  "gain.interface": { gainDb: number };
  "gain.device": { gainDb: number };
  "gain.computer": { boostDb: number; systemDb: number; trimDb: number };
};
export type GainMessage = Message<GainCatalogue>;
