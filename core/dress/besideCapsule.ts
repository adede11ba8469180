import { ACCESSORY_FACTS, COLOURED, type Accessory } from "./accessories";
import type { Placement } from "./anchors";
import { GARMENTS } from "./garments";
import type { Outfit, Shade } from "./outfit";

const isColoured = (worn: Accessory): worn is (typeof COLOURED)[number] =>
  (COLOURED as readonly Accessory[]).includes(worn);

/** What lies beside a capsule, by name and colour: what hides it, else the cloth it is fixed to, else the skin. */
export function besideCapsule(
  { layers, colours }: Outfit,
  { behind, layer, covers, surface }: Placement,
): { name: string; shade: Shade } {
  if (behind !== null && isColoured(behind)) {
    const shade = colours?.[behind] ?? (layer === null ? "dark" : null);
    if (shade) return { name: ACCESSORY_FACTS[behind].name, shade };
  }
  if (surface === "hair") return { name: "hair", shade: "dark" };
  if (surface === "headwear") return { name: behind ? ACCESSORY_FACTS[behind].name : "headgear", shade: "dark" };
  const next = layers[layer ?? covers[0] ?? 0]!;
  return { name: GARMENTS[next.garment].name, shade: next.shade };
}
