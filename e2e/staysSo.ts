import { expect } from "@playwright/test";

/** Watches that something stays as it is for a while. */
export async function staysSo<Value>(read: () => Promise<Value>, wanted: Value, forMs: number): Promise<void> {
  const until = Date.now() + forMs;
  while (Date.now() < until) expect(await read()).toBe(wanted);
}

/** Waits until something has been the same for a while. */
export async function untilStill<Value>(read: () => Promise<Value>, stillMs: number): Promise<Value> {
  let [last, since] = [await read(), Date.now()];
  while (Date.now() - since < stillMs) {
    const now = await read();
    if (now !== last) [last, since] = [now, Date.now()];
  }
  return last;
}
