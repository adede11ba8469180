"use client";

import { useMemo, useState } from "react";
import styled from "styled-components";
import { kindName } from "@/messages";
import { gradeOf, type VerdictGrade } from "@/core/proof";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Table, TableScroll } from "@/ui/Table";
import { TextField } from "@/ui/TextField";
import { Row, Soft, Stack } from "@/ui/layout";
import { clockOf, figureOf } from "./figures";
import { grouped } from "./FindingGroup";
import { keepTakes, ownedFiles } from "./keepTakes";
import { useHub, useShoot, useShootStore } from "@/data/ShootProvider";
import { contentsOf } from "./contentOf";
import type { Card, CardFile, CardQueue } from "./useCard";

const Progress = styled.progress`
  width: 100%;
  height: 12px;
  accent-color: var(--chalk);
`;

const Grade = styled.strong<{ $grade: VerdictGrade }>`
  color: ${({ $grade }) => ($grade === "redo" ? "var(--bad)" : $grade === "usable" ? "var(--warn)" : "var(--good)")};
`;

/** A file's path gives way, so that a phone shows the verdict beside it. */
const Path = styled.th`
  @media (max-width: 600px) {
    min-width: 150px;
    max-width: 170px;
    & * {
      white-space: normal;
      text-align: start;
      overflow-wrap: anywhere;
    }
  }
`;

/** Wide enough for a kind of finding in a line or two. */
const Says = styled.td`
  @media (max-width: 600px) {
    min-width: 130px;
  }
`;

type Order = "card" | "worst" | "name" | "length";
type Shown = "all" | "redo" | "usable" | "good" | "refused";

/** Kinds of findings that stand in a row. */
const MOST_KINDS = 3;
/** Rows that are drawn; a filter finds the others. */
const MOST_ROWS = 200;

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

function sorted(rows: readonly CardRow[], order: Order): CardRow[] {
  const rank = ({ grade, item }: CardRow) => (item.state.phase === "refused" ? -1 : grade ? RANK[grade] : 3);
  const length = ({ item }: CardRow) =>
    item.state.phase === "measured" ? item.state.recording.measurement.format.durationS : -1;
  return [...rows].sort((a, b) => {
    if (order === "name") return a.item.path.localeCompare(b.item.path, undefined, { numeric: true });
    if (order === "length") return length(b) - length(a);
    return order === "worst" ? rank(a) - rank(b) : a.item.id - b.item.id;
  });
}

function isShown({ item, grade }: CardRow, shown: Shown, text: string): boolean {
  if (text && !item.path.toLowerCase().includes(text.toLowerCase())) return false;
  if (shown === "all") return true;
  return shown === "refused" ? item.state.phase === "refused" : grade === shown;
}

function FileRow({ row, isHeld, onOpen }: { row: CardRow; isHeld: boolean; onOpen: (item: CardFile) => void }) {
  const { item, grade, says } = row;
  const { state, path } = item;
  if (state.phase !== "measured")
    return (
      <tr>
        <th scope="row">{path}</th>
        <td colSpan={5}>
          {state.phase === "waiting" && <Soft>waiting</Soft>}
          {state.phase === "measuring" && `${Math.round(state.share * 100)} %${isHeld ? ", stopped" : ""}`}
          {state.phase === "refused" && state.message}
        </td>
      </tr>
    );
  const { format, channels, overall } = state.recording.measurement;
  const voice = channels.reduce(
    (best, each) => ((each.snrDb ?? -99) > (best.snrDb ?? -99) ? each : best),
    channels[0]!,
  );
  return (
    <tr>
      <Path scope="row">
        <Button look="quiet" onPress={() => onOpen(item)}>
          {path}
        </Button>
      </Path>
      <Says>
        <Grade $grade={grade!}>{grade}</Grade>: {says}
      </Says>
      <td data-figure>{clockOf(format.durationS)}</td>
      <td data-figure>{format.channels}</td>
      <td data-figure>{figureOf(overall.truePeakDbtp)}</td>
      <td data-figure>{figureOf(voice.snrDb)}</td>
    </tr>
  );
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
  const [order, setOrder] = useState<Order>("card");
  const [shown, setShown] = useState<Shown>("all");
  const [text, setText] = useState("");
  const rows = useMemo(() => card.files.map(rowOf), [card.files]);
  const found = useMemo(
    () =>
      sorted(
        rows.filter((row) => isShown(row, shown, text)),
        order,
      ),
    [rows, order, shown, text],
  );
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
        <Choice
          label="Order"
          value={order}
          options={[
            { value: "card", name: "as found" },
            { value: "worst", name: "worst first" },
            { value: "name", name: "name" },
            { value: "length", name: "longest" },
          ]}
          onChange={(value) => setOrder(value)}
        />
        <TextField label="Name has" value={text} onChange={setText} fault={() => null} />
      </Row>
      <TableScroll aria-label="Files of the card">
        <Table>
          <thead>
            <tr>
              <th scope="col">File</th>
              <th scope="col">Verdict</th>
              <th scope="col" data-figure>
                Length
              </th>
              <th scope="col" data-figure>
                Channels
              </th>
              <th scope="col" data-figure>
                Peak, dBTP
              </th>
              <th scope="col" data-figure>
                Above noise, dB
              </th>
            </tr>
          </thead>
          <tbody>
            {found.slice(0, MOST_ROWS).map((row) => (
              <FileRow key={row.item.id} row={row} isHeld={!card.isRunning} onOpen={onOpen} />
            ))}
          </tbody>
        </Table>
      </TableScroll>
      {found.length > MOST_ROWS && <Soft>{found.length - MOST_ROWS} more: narrow them down by name or verdict.</Soft>}
    </Stack>
  );
}
