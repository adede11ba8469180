import type { ShootBundle } from "@/core/records";

/** One reader of a shoot. */
export interface BundleReader {
  /** The shoot for this reader: another one only where a part that it has read is another. */
  read: () => ShootBundle;
}

/**
 * Lets a screen read a shoot and be drawn anew only for what it reads. What it reads later, when something is pressed, is as it
 * is then.
 */
export function bundleReader(now: () => ShootBundle): BundleReader {
  const parts = new Set<keyof ShootBundle>();
  let seen: ShootBundle | null = null;
  let given: ShootBundle | null = null;
  return {
    read() {
      const bundle = now();
      const before = seen;
      if (given && before && [...parts].every((part) => bundle[part] === before[part])) return given;
      seen = bundle;
      given = new Proxy(bundle, {
        get(_, part: keyof ShootBundle) {
          parts.add(part);
          return now()[part];
        },
      });
      return given;
    },
  };
}
