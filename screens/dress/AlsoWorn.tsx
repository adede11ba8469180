"use client";

import { say } from "@/messages";
import {
  ACCESSORIES,
  ACCESSORY_FACTS,
  type Accessory,
  COLOURED,
  contradictionsOf,
  type Outfit,
  type Shade,
  SIDED,
  type Side,
} from "@/core/dress";
import { Select } from "@/ui/Select";
import { Tick } from "@/ui/Ticks";
import { Row, Soft, Stack } from "@/ui/layout";
import { useShootStore } from "@/data/ShootProvider";
import { editOutfit, type Wardrobe } from "./wardrobe";
import { ACCESSORY_OPTIONS, SHADE_OPTIONS, SIDE_OPTIONS, upperFirst } from "./words";

/** What is asked for most: one tap each. The rest is found by typing. */
const USUAL: readonly Accessory[] = ["tie", "scarf", "necklace", "lanyard", "spectacles", "hat", "longHair", "beard"];

const isAmong = <Some extends Accessory>(some: readonly Some[], worn: Accessory): worn is Some =>
  (some as readonly Accessory[]).includes(worn);

const wear = (outfit: Outfit, accessory: Accessory, isOn: boolean): Outfit => ({
  ...outfit,
  accessories: ACCESSORIES.filter((each) => (each === accessory ? isOn : outfit.accessories.includes(each))),
});

/** On which side something is worn, and what colour it is. */
function WornDetail({ worn, outfit, wardrobe }: { worn: Accessory; outfit: Outfit; wardrobe: Wardrobe }) {
  const store = useShootStore();
  const name = upperFirst(ACCESSORY_FACTS[worn].name);
  return (
    <>
      {isAmong(SIDED, worn) && (
        <Select
          label={`${name}: side`}
          value={outfit.sides?.[worn] ?? "unknown"}
          options={SIDE_OPTIONS}
          onChange={(side: Side | "unknown") =>
            editOutfit(store, wardrobe, (now) => ({
              ...now,
              sides: { ...now.sides, [worn]: side === "unknown" ? undefined : side },
            }))
          }
        />
      )}
      {isAmong(COLOURED, worn) && (
        <Select
          label={`${name}: colour`}
          value={outfit.colours?.[worn] ?? "dark"}
          options={SHADE_OPTIONS}
          onChange={(shade: Shade) =>
            editOutfit(store, wardrobe, (now) => ({ ...now, colours: { ...now.colours, [worn]: shade } }))
          }
        />
      )}
    </>
  );
}

/** What is worn beside clothes; what cannot be, says why and stays off. */
export function AlsoWorn({ wearerId, rigId, outfit }: Wardrobe & { outfit: Outfit }) {
  const store = useShootStore();
  const wardrobe = { wearerId, rigId };
  const { accessories } = outfit;
  const faultOf = (accessory: Accessory) =>
    accessories.includes(accessory)
      ? undefined
      : contradictionsOf(wear(outfit, accessory, true)).find(({ path }) => path === "accessories");
  const ticked = ACCESSORY_OPTIONS.filter(({ value }) => USUAL.includes(value) || accessories.includes(value));
  const others = ACCESSORY_OPTIONS.filter((each) => !ticked.includes(each) && !faultOf(each.value));
  const faults = ticked.flatMap(({ value }) => {
    const fault = faultOf(value);
    return fault ? [say(fault.says)] : [];
  });
  const detailed = accessories.filter((worn) => isAmong(SIDED, worn) || isAmong(COLOURED, worn));
  return (
    <Stack $gap={0.5}>
      <Row role="group" aria-label="Also worn" $gap={0.4}>
        {ticked.map(({ value, name }) => (
          <Tick
            key={value}
            label={name}
            isOn={accessories.includes(value)}
            isDisabled={faultOf(value) !== undefined}
            onChange={(isOn) => editOutfit(store, wardrobe, (now) => wear(now, value, isOn))}
          />
        ))}
      </Row>
      {faults.length > 0 && <Soft>{[...new Set(faults)].join(" ")}</Soft>}
      <Stack $gap={0.5}>
        <Select
          label="Something else worn"
          value={null}
          placeholder="Bag, belt, medals, veil…"
          options={others}
          onChange={(value) => editOutfit(store, wardrobe, (now) => wear(now, value, true))}
        />
        {detailed.map((worn) => (
          <WornDetail key={worn} worn={worn} outfit={outfit} wardrobe={wardrobe} />
        ))}
      </Stack>
    </Stack>
  );
}
