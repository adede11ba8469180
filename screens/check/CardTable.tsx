"use client";

import { type ColumnDef, createColumnHelper } from "@tanstack/react-table";
import { useMemo, useState } from "react";
import styled from "styled-components";
import { kindName } from "@/messages";
import { gradeOf, type VerdictGrade } from "@/core/proof";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { DataTable } from "@/ui/DataTable";
import { TextField } from "@/ui/TextField";
import { Row, Soft, Stack } from "@/ui/layout";
import { useIsNarrow } from "@/ui/useIsNarrow";
import { clockOf, figureOf } from "./figures";
import { grouped } from "./FindingGroup";
import { keepTakes, ownedFiles } from "./keepTakes";
import { useHub, useShoot, useShootStore } from "@/data/ShootProvider";
import { contentsOf } from "./contentOf";
import { TakeShape } from "./TakeShape";
import { type Card, type CardFile, type CardQueue, factsOf } from "./useCard";

const Progress = styled.progress`
  width: 100%;
  height: 12px;
  accent-color: var(--chalk);
`;

const Grade = styled.strong<{ $grade: VerdictGrade }>`
  color: ${({ $grade }) => ($grade === "redo" ? "var(--bad)" : $grade === "usable" ? "var(--warn)" : "var(--good)")};
`;

/** A file's path gives way, so that a phone shows the verdict beside it. */
const Path = styled.span`
  @media (max-width: 600px) {
    display: block;
    min-width: 120px;
    & * {
      white-space: normal;
      text-align: start;
      overflow-wrap: anywhere;
    }
  }
`;

type Shown = "all" | "redo" | "usable" | "good" | "refused";

/** Kinds of findings that stand in a row. */
const MOST_KINDS = 3;
interface CardRow {
  item: CardFile;
  grade: VerdictGrade | null;
  /** Kinds that were found with how often, worst first; "clean" where there are none. */
  says: string;
}

/** Rows by file: only what has changed is worked out anew. */
const knownRows = new WeakMap<CardFile, CardRow>();

function rowOf(item: CardFile): CardRow {
  const known = knownRows.get(item);
  if (known) return known;
  const row = newRow(item);
  knownRows.set(item, row);
  return row;
}

function newRow(item: CardFile): CardRow {
  if (item.state.phase !== "measured") return { item, grade: null, says: "" };
  const { findings } = item.state.recording.measurement;
  const kinds = grouped(findings).map(({ kind, findings: own }) =>
    own.length > 1 ? `${kindName(kind)} ×${own.length}` : kindName(kind),
  );
  const more = kinds.length > MOST_KINDS ? `, ${kinds.length - MOST_KINDS} more` : "";
  return { item, grade: gradeOf(findings), says: `${kinds.slice(0, MOST_KINDS).join(", ") || "clean"}${more}` };
}

const RANK = { redo: 0, usable: 1, good: 2 } as const;

/** The worst first: what could not be read, then by grade, then what is still to be measured. */
const rankOf = ({ grade, item }: CardRow): number => (item.state.phase === "refused" ? -1 : grade ? RANK[grade] : 3);

const measuredOf = ({ item }: CardRow) => (item.state.phase === "measured" ? item.state.recording : null);

function isShown({ item, grade }: CardRow, shown: Shown, text: string): boolean {
  if (text && !item.path.toLowerCase().includes(text.toLowerCase())) return false;
  if (shown === "all") return true;
  return shown === "refused" ? item.state.phase === "refused" : grade === shown;
}

const column = createColumnHelper<CardRow>();
const digits = new Intl.Collator(undefined, { numeric: true });
/** What is not known yet stands last, whichever way it is sorted. */
const LAST = { sortUndefined: "last" } as const;

function columnsOf(isHeld: boolean, onOpen: (item: CardFile) => void): ColumnDef<CardRow, never>[] {
  const columns = [
    column.accessor(({ item }) => item.path, {
      id: "path",
      header: "File",
      sortingFn: (one, other) => digits.compare(one.original.item.path, other.original.item.path),
      cell: ({ row: { original }, getValue }) =>
        measuredOf(original) ? (
          <Path>
            <Button look="quiet" onPress={() => onOpen(original.item)}>
              {getValue()}
            </Button>
          </Path>
        ) : (
          getValue()
        ),
    }),
    column.display({
      id: "shape",
      header: "Shape",
      enableSorting: false,
      cell: ({ row: { original } }) => {
        const recording = measuredOf(original);
        const overview = recording?.overviews[0];
        if (!recording || !overview) return null;
        const { format, findings } = recording.measurement;
        return <TakeShape overview={overview} durationS={format.durationS} findings={findings} />;
      },
    }),
    column.accessor(rankOf, {
      id: "verdict",
      header: "Verdict",
      sortDescFirst: false,
      cell: ({ row: { original } }) => {
        const { item, grade, says } = original;
        const { state } = item;
        if (state.phase === "waiting") return <Soft>waiting</Soft>;
        if (state.phase === "measuring") return `${Math.round(state.share * 100)} %${isHeld ? ", stopped" : ""}`;
        if (state.phase === "refused") return state.message;
        return (
          <>
            <Grade $grade={grade!}>{grade}</Grade>: {says}
          </>
        );
      },
    }),
    column.accessor(({ item }) => factsOf(item)?.durationS, {
      ...{ id: "length", header: "Length", meta: { isFigure: true }, ...LAST },
      cell: ({ getValue }) => clockOrNothing(getValue()),
    }),
    column.accessor((row) => measuredOf(row)?.measurement.format.channels, {
      ...{ id: "channels", header: "Channels", meta: { isFigure: true }, ...LAST },
    }),
    column.accessor((row) => measuredOf(row)?.measurement.overall.truePeakDbtp ?? undefined, {
      ...{ id: "peak", header: "Peak, dBTP", meta: { isFigure: true }, ...LAST },
      cell: ({ row: { original }, getValue }) => (measuredOf(original) ? figureOf(getValue() ?? null) : null),
    }),
    column.accessor((row) => bestSnr(row), {
      ...{ id: "snr", header: "Above noise, dB", meta: { isFigure: true }, ...LAST },
      cell: ({ row: { original }, getValue }) => (measuredOf(original) ? figureOf(getValue() ?? null) : null),
    }),
  ];
  return columns;
}

const clockOrNothing = (seconds: number | undefined): string => (seconds === undefined ? "" : clockOf(seconds));

/** How far the clearest channel is above its noise. */
function bestSnr(row: CardRow): number | undefined {
  const ratios = measuredOf(row)?.measurement.channels.flatMap(({ snrDb }) => snrDb ?? []) ?? [];
  return ratios.length > 0 ? Math.max(...ratios) : undefined;
}

/** Keeps what is named after a day, a scene and a wearer as that wearer's takes. */
function KeepTakes({ card }: { card: Card }) {
  const store = useShootStore();
  const { bundle } = useShoot();
  const { queries } = useHub();
  const [isKeeping, setIsKeeping] = useState(false);
  const [kept, setKept] = useState<number | null>(null);
  const owned = useMemo(() => ownedFiles(bundle, card.files), [bundle, card.files]);
  if (card.isRunning || owned.length === 0) return null;
  if (kept !== null) return <Soft role="status">{kept} takes kept with their talent</Soft>;
  return (
    <Button
      isPending={isKeeping}
      onPress={() => {
        setIsKeeping(true);
        void contentsOf(owned.map(({ file }) => file))
          .then((contents) => keepTakes(store, queries, owned, contents))
          .then(setKept);
      }}
    >
      Keep {owned.length} {owned.length === 1 ? "take" : "takes"} with their talent
    </Button>
  );
}

function CardProgress({ card, queue }: { card: Card; queue: CardQueue }) {
  const { files } = card;
  const bytes = files.reduce((sum, { file }) => sum + file.size, 0);
  const done = files.reduce((sum, { file, state }) => {
    if (state.phase === "measuring") return sum + file.size * state.share;
    return state.phase === "waiting" ? sum : sum + file.size;
  }, 0);
  const finished = files.filter(({ state }) => state.phase === "measured" || state.phase === "refused").length;
  return (
    <Stack $gap={0.4}>
      <Row $between>
        <Soft role="status">
          {finished} of {files.length} files checked
          {card.skipped > 0 && `, ${card.skipped} that are no sound left out`}
        </Soft>
        <Row>
          {card.isRunning && <Button onPress={queue.stop}>Stop</Button>}
          {!card.isRunning && finished < files.length && <Button onPress={queue.resume}>Go on</Button>}
          <KeepTakes card={card} />
          <Button look="quiet" onPress={() => queue.clear()}>
            Close the card
          </Button>
        </Row>
      </Row>
      {finished < files.length && <Progress aria-label="Card checked" value={done} max={Math.max(1, bytes)} />}
    </Stack>
  );
}

/** All files of a card with their verdicts, while they are checked and after. */
export function CardTable({ card, queue, onOpen }: { card: Card; queue: CardQueue; onOpen: (item: CardFile) => void }) {
  const [shown, setShown] = useState<Shown>("all");
  const [text, setText] = useState("");
  const rows = useMemo(() => card.files.map(rowOf), [card.files]);
  const found = useMemo(() => rows.filter((row) => isShown(row, shown, text)), [rows, shown, text]);
  const isHeld = !card.isRunning;
  const columns = useMemo(() => columnsOf(isHeld, onOpen), [isHeld, onOpen]);
  const isNarrow = useIsNarrow();
  return (
    <Stack>
      <h2>The card</h2>
      <CardProgress card={card} queue={queue} />
      <Row>
        <Choice
          label="Show"
          value={shown}
          options={[
            { value: "all", name: "all" },
            { value: "redo", name: "redo" },
            { value: "usable", name: "usable" },
            { value: "good", name: "good" },
            { value: "refused", name: "not read" },
          ]}
          onChange={(value) => setShown(value)}
        />
        <TextField label="Name has" value={text} onChange={setText} fault={() => null} />
      </Row>
      <DataTable
        label="Files of the card"
        rows={found}
        columns={columns}
        rowId={({ item }) => String(item.id)}
        heading="path"
        hidden={isNarrow ? { shape: false, channels: false, peak: false, snr: false } : {}}
      />
    </Stack>
  );
}
