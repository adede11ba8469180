"use client";

import {
  flexRender,
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type CellContext,
  type ColumnDef,
  type RowData,
  type SortingState,
  type VisibilityState,
} from "@tanstack/react-table";
import { ArrowDown, ArrowUp } from "lucide-react";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useRef, useState, type ReactNode } from "react";
import styled from "styled-components";

declare module "@tanstack/react-table" {
  // oxlint-disable-next-line no-unused-vars -- the names are the library's
  interface ColumnMeta<TData extends RowData, TValue> {
    /** Figures stand to the right. */
    isFigure?: boolean;
    /** Width in rem. */
    width?: number;
  }
}

const Scroll = styled.div`
  overflow-x: auto;
  min-width: 0;
  &[data-long] {
    max-height: min(34rem, 70vh);
    overflow-y: auto;
    thead th {
      position: sticky;
      top: 0;
      z-index: 1;
      background: var(--paper);
    }
  }
  @media print {
    &[data-long] {
      max-height: none;
    }
  }
`;

const Sheet = styled.table`
  width: 100%;
  border-collapse: separate;
  border-spacing: 0;
  th,
  td {
    padding: 0.1rem 0.8rem 0.1rem 0;
    min-height: var(--row);
    height: var(--row);
    text-align: left;
    vertical-align: middle;
    border-bottom: 1px solid var(--seam-soft);
  }
  thead th {
    font-size: 0.85rem;
    font-weight: 500;
    color: var(--ink-soft);
    white-space: nowrap;
  }
  tbody th {
    font-weight: 600;
  }
  [data-figure] {
    text-align: right;
  }
  tr[data-chosen] > :first-child {
    box-shadow: inset 4px 0 0 var(--chalk);
    padding-left: 0.8rem;
  }
`;

const GroupRow = styled.tr`
  th {
    padding-top: 0.6rem;
    font-family: "Fraunces Variable", serif;
    font-size: 1.02rem;
    color: var(--ink);
    border-bottom-color: var(--seam);
  }
`;

const Sort = styled.button`
  display: inline-flex;
  align-items: center;
  gap: 0.2rem;
  min-height: var(--hit);
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
`;

/**
 * What stands in a cell. It is called, not drawn as a component of its own: columns made anew would take the focus from a field
 * that is typed in.
 */
function cellOf<Row extends object>({ cell }: ColumnDef<Row, never>, context: CellContext<Row, never>): ReactNode {
  return typeof cell === "function" ? (cell(context) as ReactNode) : cell;
}

/** A table of more rows than this draws those in sight only. */
const MANY_ROWS = 60;
/** A row as it is guessed before it is measured, px. */
const ROW_PX = 40;

/** Rows of something: sorted by pressing a head, in groups where there are any, columns hidden by their id. */
export function DataTable<Row extends object>(props: {
  label: string;
  rows: Row[];
  columns: ColumnDef<Row, never>[];
  rowId: (row: Row) => string;
  /** Name of the group that a row stands under. */
  groupOf?: (row: Row) => string;
  hidden?: VisibilityState;
  /** The column whose cell names its row. */
  heading: string;
  /** What it is sorted by at first. */
  order?: SortingState;
  /** The row that is shown elsewhere. */
  chosenId?: string | null;
}) {
  // The table of the library keeps its state inside itself.
  "use no memo";
  const { label, rows, columns, rowId, groupOf, hidden = {}, heading, order = [], chosenId = null } = props;
  const [sorting, setSorting] = useState<SortingState>(order);
  const scroll = useRef<HTMLDivElement>(null);
  // oxlint-disable-next-line react/incompatible-library -- it is not compiled, see above
  const table = useReactTable({
    data: rows,
    columns,
    state: { sorting, columnVisibility: hidden },
    onSortingChange: setSorting,
    getRowId: rowId,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  const shown = table.getRowModel().rows;
  const isGrouped = groupOf !== undefined && sorting.length === 0;
  const isLong = shown.length > MANY_ROWS && !isGrouped;
  const inSight = useVirtualizer({
    count: shown.length,
    enabled: isLong,
    getScrollElement: () => scroll.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  });
  const drawn = isLong ? inSight.getVirtualItems() : shown.map((_, index) => ({ index, start: 0, end: 0 }));
  const above = drawn[0]?.start ?? 0;
  const below = isLong ? inSight.getTotalSize() - (drawn.at(-1)?.end ?? 0) : 0;
  return (
    <Scroll ref={scroll} role="group" aria-label={label} tabIndex={0} data-long={isLong || undefined}>
      <Sheet aria-label={label} aria-rowcount={shown.length + 1}>
        <thead>
          {table.getHeaderGroups().map((heads) => (
            <tr key={heads.id}>
              {heads.headers.map(({ id, column, getContext }) => {
                const sorted = column.getIsSorted();
                const { isFigure, width } = column.columnDef.meta ?? {};
                return (
                  <th
                    key={id}
                    scope="col"
                    data-figure={isFigure || undefined}
                    style={width ? { width: `${width}rem` } : undefined}
                    aria-sort={sorted === "asc" ? "ascending" : sorted === "desc" ? "descending" : undefined}
                  >
                    {column.getCanSort() ? (
                      <Sort type="button" onClick={column.getToggleSortingHandler()}>
                        {flexRender(column.columnDef.header, getContext())}
                        {sorted === "asc" && <ArrowUp size={14} aria-hidden />}
                        {sorted === "desc" && <ArrowDown size={14} aria-hidden />}
                      </Sort>
                    ) : (
                      flexRender(column.columnDef.header, getContext())
                    )}
                  </th>
                );
              })}
            </tr>
          ))}
        </thead>
        <tbody>
          {above > 0 && <tr aria-hidden style={{ height: above }} />}
          {drawn.flatMap(({ index: at }) => {
            const row = shown[at]!;
            const cells = row.getVisibleCells();
            const group = isGrouped ? groupOf(row.original) : null;
            const before = at > 0 && isGrouped ? groupOf(shown[at - 1]!.original) : null;
            return [
              ...(group !== null && group !== before
                ? [
                    <GroupRow key={`group ${group}`}>
                      <th scope="rowgroup" colSpan={cells.length}>
                        {group}
                      </th>
                    </GroupRow>,
                  ]
                : []),
              <tr
                key={row.id}
                data-index={at}
                data-chosen={row.id === chosenId || undefined}
                ref={isLong ? inSight.measureElement : undefined}
                aria-rowindex={isLong ? at + 2 : undefined}
              >
                {cells.map(({ id, column, getContext }) => {
                  const content = cellOf(column.columnDef, getContext());
                  return column.id === heading ? (
                    <th key={id} scope="row">
                      {content}
                    </th>
                  ) : (
                    <td key={id} data-figure={column.columnDef.meta?.isFigure || undefined}>
                      {content}
                    </td>
                  );
                })}
              </tr>,
            ];
          })}
          {below > 0 && <tr aria-hidden style={{ height: below }} />}
        </tbody>
      </Sheet>
    </Scroll>
  );
}
