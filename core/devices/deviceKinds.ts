/** Colours that small capsules are made in. Common practice. */
export const CAPSULE_COLOURS = ["black", "white", "beige"] as const;
export type CapsuleColour = (typeof CAPSULE_COLOURS)[number];

export const DEVICE_KINDS = ["lav", "pack", "receiver", "input"] as const;
export type DeviceKind = (typeof DEVICE_KINDS)[number];
