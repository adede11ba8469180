"use client";

import { useVirtualizer } from "@tanstack/react-virtual";
import { memo, useRef, useState } from "react";
import styled from "styled-components";
import type { ReportRow } from "@/core/planning";
import type { Rating } from "@/core/roll";
import { markName, RATING_NAMES } from "@/messages";
import { Choice } from "@/ui/Choice";
import { TextField } from "@/ui/TextField";
import { Row, Soft, Stack } from "@/ui/layout";
import { dayTime, runTime, takeName } from "./rollWords";

const ROW_PX = 46;

const Box = styled.div`
  max-height: 26rem;
  overflow-y: auto;
  border-top: 1px solid var(--seam);
`;

const All = styled.ol`
  position: relative;
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    position: absolute;
    left: 0;
    right: 0;
    height: ${ROW_PX}px;
  }
`;

const Line = styled.button`
  width: 100%;
  height: ${ROW_PX}px;
  display: grid;
  grid-template-columns: 1.6rem minmax(0, 10rem) 4.2rem 4rem minmax(0, 1fr);
  gap: 0.5rem;
  align-items: center;
  padding: 0 0.4rem;
  border: 0;
  border-bottom: 1px solid var(--seam-soft);
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
  &[aria-pressed="true"] {
    background: var(--chalk-soft);
    box-shadow: inset 4px 0 0 var(--chalk);
  }
  &:focus-visible {
    outline: 3px solid var(--chalk);
    outline-offset: -3px;
  }
  span {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  time {
    font-variant-numeric: tabular-nums;
    color: var(--ink-soft);
    font-size: 0.9rem;
  }
  @media (max-width: 600px) {
    grid-template-columns: 1.6rem minmax(0, 1fr) 3.2rem;
    > :nth-child(3),
    > :nth-child(5) {
      display: none;
    }
  }
`;

/** A take as it was rated: a circle, a circle half done, a cross; colour is never the only sign. */
export function RatingMark({ rating }: { rating: Rating }) {
  const ink = { good: "var(--good)", hold: "var(--warn)", noGood: "var(--bad)", none: "var(--seam)" }[rating];
  return (
    <svg width="20" height="20" viewBox="0 0 20 20" role="img" aria-label={RATING_NAMES[rating]}>
      {rating === "noGood" ? (
        <path d="M4 4L16 16M16 4L4 16" stroke={ink} strokeWidth="2.6" strokeLinecap="round" />
      ) : (
        <circle
          cx="10"
          cy="10"
          r="7"
          fill={rating === "good" ? ink : "none"}
          fillOpacity="0.25"
          stroke={ink}
          strokeWidth="2.4"
          strokeDasharray={rating === "good" ? "none" : rating === "hold" ? "5 3" : "1.5 3"}
        />
      )}
    </svg>
  );
}

type Shown = "all" | Rating;

const saysOf = ({ roll, marks, disagreements }: ReportRow): string =>
  [
    ...(disagreements.length > 0 ? ["!"] : []),
    ...marks
      .filter(({ body }) => body.source !== "slate")
      .map(({ body }) => `${markName(body.kind)} ${runTime(body.atS)}`),
    ...(roll.body.note ? [roll.body.note] : []),
  ].join(" · ");

const anything = () => null;

/** Which takes are shown: drawn anew when that changes, not with every mark. */
const Finder = memo(function Finder(props: {
  words: string;
  shown: Shown;
  onWords: (words: string) => void;
  onShown: (shown: Shown) => void;
}) {
  return (
    <Row $low $gap={0.6}>
      <TextField label="Find in the log" value={props.words} fault={anything} onChange={props.onWords} />
      <Choice<Shown>
        isPlain
        label="Takes shown"
        value={props.shown}
        options={[
          { value: "all", name: "All" },
          { value: "good", name: RATING_NAMES.good },
          { value: "hold", name: RATING_NAMES.hold },
          { value: "noGood", name: RATING_NAMES.noGood },
        ]}
        onChange={props.onShown}
      />
    </Row>
  );
});

/** One take of the list; given in plain values, so that it is drawn anew only when one of them changes. */
const TakeLine = memo(function TakeLine(props: {
  id: string;
  startPx: number;
  isChosen: boolean;
  rating: Rating;
  name: string;
  startS: number;
  lengthS: number | null;
  says: string;
  onChoose: (id: string) => void;
}) {
  return (
    <li style={{ transform: `translateY(${props.startPx}px)` }}>
      <Line type="button" aria-pressed={props.isChosen} onClick={() => props.onChoose(props.id)}>
        <RatingMark rating={props.rating} />
        <span>
          <strong>{props.name}</strong>
        </span>
        <time>{dayTime(props.startS)}</time>
        <time>{props.lengthS ? runTime(props.lengthS) : "no end"}</time>
        <span>{props.says}</span>
      </Line>
    </li>
  );
});

/** Every take of a day, the newest first, found by words and rating; only what is seen is drawn. */
export function TakesList({
  rows,
  chosenId,
  onChoose,
}: {
  rows: readonly ReportRow[];
  chosenId: string | null;
  onChoose: (id: string) => void;
}) {
  // The list of the library keeps its state inside itself.
  "use no memo";
  const [shown, setShown] = useState<Shown>("all");
  const [words, setWords] = useState("");
  const box = useRef<HTMLDivElement>(null);
  const wanted = words.trim().toLowerCase();
  const found = rows
    .filter(({ roll }) => shown === "all" || roll.body.rating === shown)
    .filter(
      (row) =>
        wanted === "" ||
        `${takeName(row.roll.body)} ${row.scene?.body.title ?? ""} ${saysOf(row)} ${row.roll.body.fileName}`
          .toLowerCase()
          .includes(wanted),
    )
    .toReversed();
  // oxlint-disable-next-line react/incompatible-library -- it is not compiled, see above
  const list = useVirtualizer({
    count: found.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_PX,
    overscan: 8,
  });
  return (
    <Stack $gap={0.6}>
      <Finder words={words} shown={shown} onWords={setWords} onShown={setShown} />
      {found.length === 0 && <Soft>{rows.length === 0 ? "Nothing logged yet." : "No such take."}</Soft>}
      <Box ref={box}>
        <All aria-label="Takes" style={{ height: list.getTotalSize() }}>
          {list.getVirtualItems().map(({ index, start }) => {
            const row = found[index]!;
            const { id, body } = row.roll;
            return (
              <TakeLine
                key={id}
                id={id}
                startPx={start}
                isChosen={id === chosenId}
                rating={body.rating}
                name={takeName(body)}
                startS={row.startS}
                lengthS={body.lengthS}
                says={saysOf(row)}
                onChoose={onChoose}
              />
            );
          })}
        </All>
      </Box>
    </Stack>
  );
}
