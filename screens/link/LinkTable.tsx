"use client";

import { type ColumnDef, createColumnHelper } from "@tanstack/react-table";
import { Plus } from "lucide-react";
import { useMemo } from "react";
import styled from "styled-components";
import { type AirScene, newLink } from "@/core/planning";
import { type AirLink, BY_LEAD, MOST_LINKS, presetName } from "@/core/wireless";
import { Button } from "@/ui/Button";
import { DataTable } from "@/ui/DataTable";
import { ThreadSample } from "@/ui/Stitch";
import { Soft, Stack } from "@/ui/layout";
import { useIsNarrow } from "@/ui/useIsNarrow";
import { linkFaults } from "./linkFaults";
import type { AirEdits } from "./useAir";

const Name = styled.span`
  display: inline-flex;
  align-items: center;
  gap: 0.5rem;
  text-align: start;
  white-space: nowrap;
`;

const Bad = styled.span`
  color: var(--bad);
  font-weight: 600;
`;

/** One link as it stands in the table. */
export interface LinkRow {
  link: AirLink;
  thread: number | null;
  system: string;
  /** Where a band is tuned by bank and channel; empty elsewhere. */
  preset: string;
  frequencyMHz: number | undefined;
  spareMHz: number | undefined;
  /** What is wrong with it, the nearest first. */
  faults: string[];
  state: "redo" | "missing" | "good";
}

const RANK = { redo: 0, missing: 1, good: 2 } as const;

export function linkRows(air: AirScene, threads: ReadonlyMap<string, number>): LinkRow[] {
  return air.body.links.map((link) => {
    const system = air.plan.systems.find(({ id }) => id === link.systemId);
    const isWired = link.systemId === BY_LEAD || !system;
    const isTuned = system?.band === "uhf";
    const faults = linkFaults(air, link);
    const isMissing = isTuned && link.frequencyMHz === null;
    return {
      link,
      thread: link.wearerId === null ? null : (threads.get(link.wearerId) ?? 0),
      system: isWired ? "wired" : system.name,
      preset: isTuned && link.frequencyMHz !== null ? (presetName(system, link.frequencyMHz) ?? "") : "",
      frequencyMHz: isTuned ? (link.frequencyMHz ?? undefined) : undefined,
      spareMHz: isTuned ? (link.spareMHz ?? undefined) : undefined,
      faults,
      state: faults.length > 0 ? "redo" : isMissing ? "missing" : "good",
    };
  });
}

const column = createColumnHelper<LinkRow>();
const names = new Intl.Collator(undefined, { numeric: true });
const LAST = { sortUndefined: "last" } as const;

function columnsOf(chosenId: string | null, onChoose: (id: string) => void): ColumnDef<LinkRow, never>[] {
  const columns = [
    column.accessor(({ link }) => link.name, {
      id: "name",
      header: "Link",
      sortingFn: (one, other) => names.compare(one.original.link.name, other.original.link.name),
      cell: ({ row: { original }, getValue }) => (
        <Name>
          {original.thread !== null && <ThreadSample thread={original.thread} />}
          <Button look="quiet" aria-pressed={original.link.id === chosenId} onPress={() => onChoose(original.link.id)}>
            {getValue()}
          </Button>
        </Name>
      ),
    }),
    column.accessor("system", {
      id: "system",
      header: "System",
      cell: ({ row: { original }, getValue }) => (
        <>
          {getValue()}
          {original.preset && <Soft>{original.preset}</Soft>}
        </>
      ),
    }),
    column.accessor("frequencyMHz", {
      ...{ id: "frequency", header: "MHz", meta: { isFigure: true }, ...LAST },
      cell: ({ getValue }) => <b>{getValue()?.toFixed(3)}</b>,
    }),
    column.accessor("spareMHz", {
      ...{ id: "spare", header: "Spare", meta: { isFigure: true }, ...LAST },
      cell: ({ getValue }) => getValue()?.toFixed(3),
    }),
    column.accessor(({ state }) => RANK[state], {
      id: "state",
      header: "State",
      sortDescFirst: false,
      cell: ({ row: { original } }) => {
        const { state, faults, frequencyMHz, link } = original;
        if (state === "redo") return <Bad>{faults[0]}</Bad>;
        if (state === "missing") return "no frequency";
        if (frequencyMHz === undefined) return "";
        return link.isLocked ? "locked" : "ok";
      },
    }),
  ];
  return columns;
}

/** Every link with its system, frequency, spare and what is wrong with it. */
export function LinkTable(props: {
  air: AirScene;
  threads: ReadonlyMap<string, number>;
  chosenId: string | null;
  edits: AirEdits;
  onChoose: (id: string) => void;
}) {
  const { air, edits, threads, chosenId, onChoose } = props;
  const isNarrow = useIsNarrow();
  const rows = useMemo(() => linkRows(air, threads), [air, threads]);
  const columns = useMemo(() => columnsOf(chosenId, onChoose), [chosenId, onChoose]);
  // What nothing in the table has needs no column.
  const hidden = {
    spare: !isNarrow && rows.some(({ spareMHz }) => spareMHz !== undefined),
    system: !isNarrow,
  };
  const { links } = air.body;
  return (
    <Stack $gap={0.5}>
      <DataTable
        label="Links"
        rows={rows}
        columns={columns}
        rowId={({ link }) => link.id}
        chosenId={chosenId}
        hidden={hidden}
        heading="name"
      />
      <div>
        <Button
          isDisabled={links.length >= MOST_LINKS}
          onPress={() => {
            const link = newLink({ id: crypto.randomUUID(), name: `Link ${links.length + 1}` });
            edits.edit((body) => ({ ...body, links: [...body.links, link] }));
            onChoose(link.id);
          }}
        >
          <Plus size={18} aria-hidden /> Another transmitter
        </Button>
      </div>
      <Soft>Camera hops, ears, a desk&apos;s own transmitter. Talent comes from the scenes.</Soft>
    </Stack>
  );
}
