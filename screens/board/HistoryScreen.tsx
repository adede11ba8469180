"use client";

import { useInfiniteQuery } from "@tanstack/react-query";
import { type ColumnDef, createColumnHelper } from "@tanstack/react-table";
import { useMemo } from "react";
import type { HistoryChange } from "@/core/crew";
import type { ShootBundle } from "@/core/records";
import { useShoot } from "@/data/ShootProvider";
import { askHistory } from "@/data/server";
import { timeWords } from "@/messages";
import { Button } from "@/ui/Button";
import { DataTable } from "@/ui/DataTable";
import { Lead, Piece, Soft, Stack } from "@/ui/layout";
import { useIsNarrow } from "@/ui/useIsNarrow";
import { nowWords } from "../dress/nowWords";
import { changeWords, whatWords, whoWords } from "./historyWords";

/** An instant by the clock of this device: "2027-05-11 09:30". */
export function instantWords(at: string): string {
  const [day, time] = nowWords(new Date(at)).split(" ") as [string, string];
  return `${day} ${timeWords(time)}`;
}

/** On a phone who did it and when stand below what was done. */
function What({ change, bundle, isNarrow }: { change: HistoryChange; bundle: ShootBundle; isNarrow: boolean }) {
  const what = whatWords(change, bundle);
  if (!isNarrow) return what;
  return (
    <>
      {what}
      <Soft as="span" style={{ display: "block", fontWeight: 400 }}>
        {instantWords(change.at)}, {whoWords(change)}
      </Soft>
    </>
  );
}

const column = createColumnHelper<HistoryChange>();

/** Who changed consent, takes and verifications, and when. It is written by the server and cannot be edited. */
export function HistoryScreen() {
  const { bundle } = useShoot();
  const isNarrow = useIsNarrow();
  const query = useInfiniteQuery({
    queryKey: ["history", bundle.shoot.id],
    queryFn: ({ pageParam }) => askHistory(bundle.shoot.id, pageParam),
    initialPageParam: null as number | null,
    getNextPageParam: ({ next }) => next,
    staleTime: 0,
  });
  const columns = useMemo<ColumnDef<HistoryChange, never>[]>(
    () => [
      column.accessor("at", {
        ...{ id: "at", header: "When", meta: { width: 10 } },
        cell: ({ row }) => instantWords(row.original.at),
      }),
      column.accessor(whoWords, { id: "who", header: "Who", meta: { width: 14 } }),
      column.accessor((each) => whatWords(each, bundle), {
        ...{ id: "what", header: "What" },
        cell: ({ row }) => <What change={row.original} bundle={bundle} isNarrow={isNarrow} />,
      }),
      column.accessor(changeWords, { id: "change", header: "Change" }),
    ],
    [bundle, isNarrow],
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
            <DataTable
              label="History"
              rows={changes}
              columns={columns}
              rowId={({ id }) => String(id)}
              heading="what"
              hidden={{ at: !isNarrow, who: !isNarrow }}
            />
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
