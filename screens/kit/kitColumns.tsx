import { createColumnHelper, type ColumnDef } from "@tanstack/react-table";
import styled from "styled-components";
import { type Consumable, type Need, toGet, withPacked } from "@/core/planning";
import { say } from "@/messages";
import { COUNTED, NumberField } from "@/ui/NumberField";
import { Tick } from "@/ui/Ticks";
import { upperFirst } from "../dress/words";
import type { ConnectionEdits } from "../link/useConnections";

const ToGet = styled.em`
  font-style: normal;
  font-weight: 600;
  color: var(--bad);
`;

const Whom = styled.span`
  display: block;
  max-width: 24rem;
  font-size: 0.88rem;
  line-height: 1.25;
  color: var(--ink-soft);
`;

/** One line of the packing list: something that is used, or something that is used up. */
export type Line = { key: string; group: string; name: string } & (
  | { need: Need; consumable: null }
  | { need: null; consumable: Consumable }
);

/** So many names are told; the rest is a number. */
const MOST_NAMES = 3;
const whomOf = ({ forWhom }: Need): string => {
  const more = forWhom.length - MOST_NAMES;
  return more > 0 ? `${forWhom.slice(0, MOST_NAMES).join(" · ")} · ${more} more` : forWhom.join(" · ");
};

const neededWords = ({ needed, spare }: Need): string => (spare > 0 ? `${needed} + ${spare} spare` : String(needed));

const column = createColumnHelper<Line>();

export function columnsOf(edits: ConnectionEdits, isAfter: boolean): ColumnDef<Line, never>[] {
  const count = (need: Need, label: string, value: number, isHired: boolean) => (
    <NumberField
      isPlain
      label={`${label}: ${need.name}`}
      value={value}
      minimum={0}
      maximum={99}
      shown={COUNTED}
      isWhole
      onChange={(next) => edits.setStock(need.key, need.name, isHired, next)}
    />
  );
  const columns = [
    column.accessor("name", { id: "name", header: "Item", cell: ({ getValue }) => upperFirst(getValue()) }),
    column.accessor(({ need }) => (need ? need.needed + need.spare : 0), {
      id: "needed",
      header: "Needed",
      cell: ({ row }) => row.original.need && neededWords(row.original.need),
      meta: { width: 6.5 },
    }),
    column.accessor(({ need }) => need?.forWhom[0] ?? "", {
      id: "for",
      header: "For",
      cell: ({ row }) => row.original.need && <Whom>{whomOf(row.original.need)}</Whom>,
    }),
    column.accessor(({ need }) => need?.owned ?? 0, {
      id: "owned",
      header: "Owned",
      cell: ({ row: { original } }) =>
        original.need && original.need.group !== "always" && count(original.need, "Owned", original.need.owned, false),
      meta: { width: 4.6 },
    }),
    column.accessor(({ need }) => need?.hired ?? 0, {
      id: "hired",
      header: "Hired",
      cell: ({ row: { original } }) =>
        original.need && original.need.group !== "always" && count(original.need, "Hired", original.need.hired, true),
      meta: { width: 4.6 },
    }),
    column.accessor(({ need }) => need?.missing ?? 0, {
      id: "toGet",
      header: "To get",
      cell: ({ row: { original } }) => {
        const says = original.need && toGet(original.need);
        return says && <ToGet>{say(says)}</ToGet>;
      },
      meta: { width: 10.5 },
    }),
    column.display({
      id: "packed",
      header: isAfter ? "Back" : "Packed",
      cell: ({ row: { original } }) => <PackedTick line={original} isAfter={isAfter} edits={edits} />,
      meta: { width: 4 },
    }),
  ];
  return columns;
}

function PackedTick({ line, isAfter, edits }: { line: Line; isAfter: boolean; edits: ConnectionEdits }) {
  const { key, name, need, consumable } = line;
  const set = (change: Parameters<typeof withPacked>[2]) => edits.setPacking((body) => withPacked(body, key, change));
  const all = need ? need.needed + need.spare : 1;
  const packed = need ? need.packed : consumable.isPacked ? 1 : 0;
  // What is used up does not come back.
  if (isAfter)
    return need ? (
      <Tick
        isPlain
        label={`Back: ${name}`}
        isOn={need.isBack}
        isDisabled={packed === 0 && !need.isBack}
        onChange={(isBack) => set({ isBack })}
      />
    ) : null;
  return (
    <Tick
      isPlain
      label={`Packed: ${name}`}
      isOn={packed >= all && all > 0}
      onChange={(next) => set({ packed: next ? all : 0, isBack: false })}
    />
  );
}
