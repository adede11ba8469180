"use client";

import type { Connection } from "@/core/planning";
import { PickList } from "@/ui/PickList";
import { Soft } from "@/ui/layout";
import type { Links } from "./useLinks";

/** Every link of the shoot, with a line about each. */
export function LinkList(props: { links: Links; label: string; says: (connection: Connection) => string }) {
  const { plan, chosen, choose, threads } = props.links;
  return (
    <PickList
      label={props.label}
      one="Link"
      items={plan.connections.map((connection) => ({
        id: connection.link.id,
        name: connection.link.name,
        says: props.says(connection),
        thread: connection.link.wearerId ? (threads.get(connection.link.wearerId) ?? 0) : null,
      }))}
      chosenId={chosen?.link.id ?? null}
      onChoose={choose}
      empty={<Soft>Nobody is in a scene yet: add talent in Dress, or another transmitter under Frequencies.</Soft>}
    />
  );
}
