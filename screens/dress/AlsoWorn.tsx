"use client";

import { say } from "@/messages";
import { ACCESSORIES, type Accessory, contradictionsOf, type Layer } from "@/core/dress";
import { Tick } from "@/ui/Ticks";
import { Row, Soft, Stack } from "@/ui/layout";
import { useShootStore } from "@/data/ShootProvider";
import { editOutfit } from "./wardrobe";
import { ACCESSORY_OPTIONS } from "./words";

function WornTick(props: {
  wearerId: string;
  rigId: string | null;
  accessory: Accessory;
  name: string;
  isOn: boolean;
  isDisabled: boolean;
}) {
  const { wearerId, rigId, accessory } = props;
  const store = useShootStore();
  const wear = (isOn: boolean) =>
    editOutfit(store, { wearerId, rigId }, (outfit) => ({
      ...outfit,
      accessories: ACCESSORIES.filter((each) => (each === accessory ? isOn : outfit.accessories.includes(each))),
    }));
  return <Tick label={props.name} isOn={props.isOn} isDisabled={props.isDisabled} onChange={wear} />;
}

/** What is worn beside clothes; what cannot be, says why and stays off. */
export function AlsoWorn(props: { wearerId: string; rigId: string | null; layers: Layer[]; accessories: Accessory[] }) {
  const { wearerId, rigId, layers, accessories } = props;
  const faultOf = (accessory: Accessory) =>
    accessories.includes(accessory)
      ? undefined
      : contradictionsOf({ layers, accessories: [...accessories, accessory] }).find(
          ({ path }) => path === "accessories",
        );
  const faults = ACCESSORY_OPTIONS.flatMap(({ value }) => {
    const fault = faultOf(value);
    return fault ? [say(fault.says)] : [];
  });
  return (
    <Stack $gap={0.5}>
      <Row role="group" aria-label="Also worn" $gap={0.4}>
        {ACCESSORY_OPTIONS.map(({ value, name }) => (
          <WornTick
            key={value}
            wearerId={wearerId}
            rigId={rigId}
            accessory={value}
            name={name}
            isOn={accessories.includes(value)}
            isDisabled={faultOf(value) !== undefined}
          />
        ))}
      </Row>
      {faults.length > 0 && <Soft>{[...new Set(faults)].join(" ")}</Soft>}
    </Stack>
  );
}
