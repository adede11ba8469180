"use client";

import { useMemo, type ReactNode } from "react";
import { say } from "@/messages";
import type { RecordKind } from "@/core/records";
import { useShoot, useShootPart } from "@/data/ShootProvider";
import { Faults } from "@/ui/faults";
import { fieldName } from "./fieldWords";

/** Shows at the fields of some records what the server refused in them. */
export function RecordFaults({ of, children }: { of: Partial<Record<RecordKind, string>>; children: ReactNode }) {
  const troubles = useShootPart((snapshot) => snapshot.troubles);
  const named = JSON.stringify(of);
  const faults = useMemo(() => {
    const ids = JSON.parse(named) as typeof of;
    const found = new Map<string, string>();
    for (const { command, trouble } of troubles)
      if (trouble?.why === "refused" && ids[command.kind] === command.id)
        for (const { path, says } of trouble.fields) {
          const name = fieldName(command.kind, path.split(/[./]/));
          // Where a name says more than its field has room for, the field has the first of it.
          for (const label of [name, ...name.split(", ")]) found.set(label, say(says));
        }
    return found;
  }, [troubles, named]);
  return <Faults value={faults}>{children}</Faults>;
}

/** The same for what there is one of in a shoot. */
export function ShootFaults({ children }: { children: ReactNode }) {
  const { bundle } = useShoot();
  const [air, levels, provision, packing] = [bundle.airs, bundle.levels, bundle.provisions, bundle.packings].map(
    ([first]) => first?.id ?? "",
  ) as [string, string, string, string];
  return <RecordFaults of={{ shoot: bundle.shoot.id, air, levels, provision, packing }}>{children}</RecordFaults>;
}
