"use client";

import { replaceAddress } from "@/ui/address";
import { later } from "@/ui/later";
import { rigsOfWearer } from "@/core/records";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { copyRig, duplicateWearer } from "../shell/newWearer";
import { stationHref } from "../shell/stationHref";
import type { WorkingOn } from "../shell/useWearer";

// Nobody copies in the first moment: what a menu needs is loaded after the page.
const CopyMenu = later(() => import("./CopyMenu").then((module) => module.CopyMenu));

/** Copies of a rig and of its talent. */
export function CopyRig({ workingOn }: { workingOn: WorkingOn }) {
  const { wearer, rig } = workingOn;
  const { bundle } = useShoot();
  const store = useShootStore();
  const rigs = rigsOfWearer(bundle, wearer.id);
  const others = bundle.scenes.filter((scene) => !rigs.some((each) => each.body.sceneId === scene.id));
  const go = (wearerId: string, sceneId: string) =>
    replaceAddress(stationHref(bundle.shoot.id, "dress", wearerId, sceneId));
  return (
    <CopyMenu
      choices={[
        ...others.map((scene) => ({
          id: scene.id,
          name: `Copy rig to: ${scene.body.title}`,
          onChoose: () => go(wearer.id, copyRig(store, bundle, rig, scene.id)),
        })),
        {
          id: "new",
          name: "Copy rig to a new scene",
          onChoose: () => go(wearer.id, copyRig(store, bundle, rig, null)),
        },
        {
          id: "wearer",
          name: "Another talent dressed alike",
          onChoose: () => go(duplicateWearer(store, bundle, wearer, rig), rig.body.sceneId),
        },
      ]}
    />
  );
}
