"use client";

import type { Connection } from "@/core/planning";
import { OtherSources } from "../shell/OtherSources";
import type { Links } from "./useLinks";

/** Links that no talent wears, under the talent of the call list, with a line about each. */
export function LinkSources({ links, says }: { links: Links; says: (connection: Connection) => string }) {
  const { plan, chosen, choose } = links;
  return (
    <OtherSources
      items={plan.connections
        .filter(({ link }) => link.wearerId === null)
        .map((connection) => ({ id: connection.link.id, name: connection.link.name, says: says(connection) }))}
      chosenId={chosen?.link.id ?? null}
      onChoose={choose}
    />
  );
}
