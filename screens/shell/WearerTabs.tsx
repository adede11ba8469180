"use client";

import type { ReactNode } from "react";
import { ThreadSample } from "@/ui/Stitch";
import { Tabs } from "@/ui/Tabs";
import { useShoot } from "../saving/ShootProvider";

/** The wearers of the shoot, one in sight. */
export function WearerTabs(props: { selected: string; onSelect: (wearerId: string) => void; children: ReactNode }) {
  const { bundle } = useShoot();
  const tabs = bundle.wearers.map((wearer) => ({
    id: wearer.id,
    label: (
      <>
        <ThreadSample thread={wearer.body.thread} />
        {wearer.body.name}
      </>
    ),
  }));
  return (
    <Tabs label="Wearers" tabs={tabs} selected={props.selected} onSelect={props.onSelect}>
      {props.children}
    </Tabs>
  );
}
