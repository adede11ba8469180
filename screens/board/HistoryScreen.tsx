"use client";

import { useInfiniteQuery } from "@tanstack/react-query";
import { type ColumnDef, createColumnHelper } from "@tanstack/react-table";
import { useMemo } from "react";
import type { HistoryChange } from "@/core/crew";
import { useShoot } from "@/data/ShootProvider";
import { askHistory } from "@/data/server";
import { timeWords } from "@/messages";
import { Button } from "@/ui/Button";
import { DataTable } from "@/ui/DataTable";
import { Lead, Piece, Soft, Stack } from "@/ui/layout";
import { changeWords, whatWords, whoWords } from "./historyWords";

const two = (value: number): string => String(value).padStart(2, "0");

/** An instant by the clock of this device: "2027-05-11 09:30". */
export function instantWords(at: string): string {
  const date = new Date(at);
  const day = `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
  return `${day} ${timeWords(`${two(date.getHours())}:${two(date.getMinutes())}`)}`;
}

const column = createColumnHelper<HistoryChange>();

/** Who changed consent, takes and verifications, and when. It is written by the server and cannot be edited. */
export function HistoryScreen() {
  const { bundle } = useShoot();
  const query = useInfiniteQuery({
    queryKey: ["history", bundle.shoot.id],
    queryFn: ({ pageParam }) => askHistory(bundle.shoot.id, pageParam),
    initialPageParam: null as number | null,
    getNextPageParam: ({ next }) => next,
    staleTime: 0,
  });
  const columns = useMemo<ColumnDef<HistoryChange, never>[]>(
    () => [
      column.accessor("at", { id: "at", header: "When", cell: ({ row }) => instantWords(row.original.at) }),
      column.accessor(whoWords, { id: "who", header: "Who" }),
      column.accessor((each) => whatWords(each, bundle), { id: "what", header: "What" }),
      column.accessor(changeWords, { id: "change", header: "Change" }),
    ],
    [bundle],
  );
  const changes = query.data?.pages.flatMap((page) => page.changes) ?? [];
  return (
    <Stack>
      <div>
        <h1>History</h1>
        <Soft>Consent, takes and verifications. It cannot be edited, and outlives what it is about.</Soft>
      </div>
      <Piece aria-label="History">
        {query.isError && <Lead role="alert">The history needs the server, which is away.</Lead>}
        {query.isPending && <Soft role="status">Opening history…</Soft>}
        {query.isSuccess && changes.length === 0 && <Lead>Nothing was changed yet.</Lead>}
        {changes.length > 0 && (
          <Stack>
            <DataTable label="History" rows={changes} columns={columns} rowId={({ id }) => String(id)} heading="what" />
            {query.hasNextPage && (
              <div>
                <Button isPending={query.isFetchingNextPage} onPress={() => void query.fetchNextPage()}>
                  Show older
                </Button>
              </div>
            )}
          </Stack>
        )}
      </Piece>
    </Stack>
  );
}
