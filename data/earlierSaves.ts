import type { Keeper } from "./keeper";

/** What releases before kept unsaved, one list a shoot. */
const storageKey = (shootId: string): string => `hypophon.unsaved.${shootId}`;

/** Takes over what an earlier release had not saved of a shoot. Most devices have nothing: what it takes is loaded where one has. */
export async function takeOverEarlier(shootId: string, keeper: Keeper, newKey: () => string): Promise<void> {
  let text: string | null;
  try {
    text = window.localStorage.getItem(storageKey(shootId));
  } catch {
    return;
  }
  if (text === null) return;
  const { takeOver } = await import("./earlier");
  await takeOver(text, shootId, keeper, newKey);
  window.localStorage.removeItem(storageKey(shootId));
}
