"use client";

import type { Static } from "@sinclair/typebox";
import type { StockFigures } from "@/core/devices";
import {
  type Connection,
  connectionBodyOf,
  connectionsOf,
  levelInputOf,
  packingBodyOf,
  storedConnection,
} from "@/core/planning";
import type { ConnectionBody, KitItemBody, PackingBody } from "@/core/records";
import { useShootStore } from "@/data/ShootProvider";
import { useFirstChange } from "@/data/useFirstChange";
import { clipText } from "@/core/schema";

/** Changes of how links are connected, of what is owned or hired, and of what is packed. First changes make their records. */
export function useConnections() {
  const store = useShootStore();
  const changeOrMake = useFirstChange();
  return {
    setConnection: (connection: Connection, change: (body: ConnectionBody) => ConnectionBody): void => {
      const { bundle } = store.snapshot();
      const { id } = connection.link;
      const first = () => connectionBodyOf(bundle, connection);
      changeOrMake("connection", storedConnection(bundle, id)?.id, first, change);
    },
    /** Where a link goes; a wearer's rigs are planned with the same input at Level. */
    setInput: (connection: Connection, inputId: string): void => {
      const { bundle } = store.snapshot();
      const { id, wearerId } = connection.link;
      const first = () => connectionBodyOf(bundle, connection);
      changeOrMake("connection", storedConnection(bundle, id)?.id, first, (body) => ({ ...body, inputId }));
      const levelId = levelInputOf(bundle.kit, inputId);
      if (wearerId === null || levelId === null) return;
      for (const rig of bundle.rigs)
        if (rig.body.wearerId === wearerId && rig.body.inputId !== levelId)
          store.edit("rig", rig.id, (body) => ({ ...body, inputId: levelId }));
    },
    /** How far a link has to reach. */
    setRange: (linkId: string, change: (range: ConnectionBody["range"]) => ConnectionBody["range"]): void => {
      const { bundle } = store.snapshot();
      const known = connectionsOf(bundle).connections.find(({ link }) => link.id === linkId);
      if (!known) return;
      const first = () => connectionBodyOf(bundle, known);
      changeOrMake("connection", storedConnection(bundle, linkId)?.id, first, (body) => ({
        ...body,
        range: change(body.range),
      }));
    },
    setPacking: (change: (body: PackingBody) => PackingBody): void => {
      const { bundle } = store.snapshot();
      changeOrMake("packing", bundle.packings[0]?.id, () => packingBodyOf(bundle), change);
    },
    /** How many of something there are: the crew's own, or hired for this shoot. */
    setStock: (of: string, name: string, isHired: boolean, count: number): void => {
      const { bundle } = store.snapshot();
      const shootId = isHired ? bundle.shoot.id : null;
      const known = bundle.kit.find(
        ({ body }) =>
          body.kind === "stock" && body.shootId === shootId && (body.figures as Static<typeof StockFigures>).of === of,
      );
      const first = (): KitItemBody => ({ shootId, kind: "stock", name: clipText(name, 120), figures: { of, count } });
      const change = (body: KitItemBody): KitItemBody => ({ ...body, figures: { of, count } });
      changeOrMake("kitItem", known?.id, first, change, ["stock", of, String(isHired)]);
    },
  };
}

export type ConnectionEdits = ReturnType<typeof useConnections>;
