"use client";

import { Minus, Plus } from "lucide-react";
import { useMemo, useRef, useState } from "react";
import { useMove } from "react-aria";
import styled from "styled-components";
import type { AirScene } from "@/core/planning";
import { type Carrier, productsWithin } from "@/core/wireless";
import { Button } from "@/ui/Button";
import { Tick } from "@/ui/Ticks";
import { Row, Soft, Stack } from "@/ui/layout";
import { THREAD_COLOURS } from "@/ui/theme";
import { useZoom } from "@/ui/useZoom";
import { lengthOf, within } from "@/ui/zoomScale";
import {
  lawfulChoices,
  marks,
  nearestChoice,
  nextChoice,
  scanPath,
  wholeView,
  xOf,
  yOf,
  NARROWEST_MHZ,
  type View,
} from "./spectrumScale";
import { clipText } from "@/core/schema";

const COLUMNS = 600;
/** More products than this are not drawn: they would be a grey carpet. */
const MOST_PRODUCTS = 2500;

const Board = styled.div`
  position: relative;
  height: 280px;
  border: 1px solid var(--seam-soft);
  background: var(--paper);
  overflow: hidden;
  touch-action: pan-y;
  svg {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
  }
  svg * {
    vector-effect: non-scaling-stroke;
  }
`;

const Scale = styled.div`
  position: relative;
  height: 1.4rem;
  font-size: 0.8rem;
  color: var(--ink-soft);
  span {
    position: absolute;
    transform: translateX(-50%);
    font-variant-numeric: tabular-nums;
  }
`;

const Pin = styled.div<{ $colour: string }>`
  position: absolute;
  top: 0;
  bottom: 0;
  width: 0;
  cursor: ew-resize;
  touch-action: none;
  outline: none;
  &::before {
    content: "";
    position: absolute;
    left: -1px;
    top: 1.6rem;
    bottom: 0;
    border-left: 2px solid ${({ $colour }) => $colour};
  }
  span {
    position: absolute;
    /* Names stand before the lines of others. */
    z-index: 1;
    left: 0;
    top: 0.25rem;
    min-width: var(--hit);
    padding: 0.25rem 0.35rem;
    text-align: center;
    background: var(--paper);
    border: 2px solid ${({ $colour }) => $colour};
    font-size: 0.8rem;
    font-weight: 600;
    white-space: nowrap;
  }
  &[data-broken]::before {
    border-left-style: dashed;
    border-left-width: 3px;
  }
  &[data-broken] span {
    border-style: dashed;
  }
  &:focus-visible span,
  &[data-chosen] span {
    background: var(--ink);
    color: var(--paper);
  }
`;

/** Height of a row of names, and how much of the width a name takes. */
const ROW_REM = 2.1;
const LABEL_SHARE = 0.16;

/** A name hangs in the middle of its line, but for the edges. */
const labelShift = (x: number): number => (x < 0.07 ? -8 : x > 0.93 ? -92 : -50);

/** A carrier that is dragged along the spectrum, or moved by the arrow keys. */
function CarrierPin(props: {
  carrier: Carrier;
  view: View;
  row: number;
  colour: string;
  isBroken: boolean;
  isChosen: boolean;
  widthOf: () => number;
  choices: readonly number[];
  onChoose: () => void;
  onMove: (frequencyMHz: number) => void;
  onDrag: (isDragged: boolean) => void;
}) {
  const { carrier, view, choices, onMove } = props;
  // Where the finger is, apart from the step it has snapped to.
  const dragged = useRef(carrier.frequencyMHz);
  const { moveProps } = useMove({
    onMoveStart: () => {
      dragged.current = carrier.frequencyMHz;
      props.onChoose();
      props.onDrag(true);
    },
    onMove: ({ deltaX, deltaY, pointerType, shiftKey }) => {
      if (pointerType === "keyboard") {
        const next = nextChoice(choices, carrier.frequencyMHz, Math.sign(deltaX - deltaY) * (shiftKey ? 10 : 1));
        if (next !== null) onMove(next);
        return;
      }
      dragged.current += (deltaX / Math.max(1, props.widthOf())) * lengthOf(view);
      const next = nearestChoice(choices, dragged.current);
      if (next !== null && next !== carrier.frequencyMHz) onMove(next);
    },
    onMoveEnd: () => props.onDrag(false),
  });
  return (
    <Pin
      {...moveProps}
      $colour={props.colour}
      style={{ left: `${100 * xOf(view, carrier.frequencyMHz)}%` }}
      role="slider"
      tabIndex={0}
      aria-label={carrier.name}
      aria-valuenow={carrier.frequencyMHz}
      aria-valuemin={choices[0] ?? carrier.frequencyMHz}
      aria-valuemax={choices.at(-1) ?? carrier.frequencyMHz}
      aria-valuetext={`${carrier.frequencyMHz.toFixed(3)} MHz${props.isBroken ? ", does not live with the others" : ""}`}
      data-broken={props.isBroken || undefined}
      data-chosen={props.isChosen || undefined}
      onFocus={props.onChoose}
    >
      <span
        style={{
          marginTop: `${ROW_REM * props.row}rem`,
          transform: `translateX(${labelShift(xOf(view, carrier.frequencyMHz))}%)`,
        }}
      >
        {clipText(carrier.name.split(",")[0]!, 18)}
      </span>
    </Pin>
  );
}

/** Neighbouring names on different heights. */
function rowsOf(carriers: readonly Carrier[], view: View): Map<string, number> {
  const last: number[] = [];
  const rows = new Map<string, number>();
  for (const { id, frequencyMHz } of [...carriers].sort((one, other) => one.frequencyMHz - other.frequencyMHz)) {
    const x = xOf(view, frequencyMHz);
    const free = last.findIndex((each) => x - each > LABEL_SHARE);
    const row = free >= 0 ? free : last.length < 4 ? last.length : 0;
    last[row] = x;
    rows.set(id, row);
  }
  return rows;
}

/** The air: what the scan heard, what is allowed, who stands where, and what they make together. */
export function Spectrum(props: {
  air: AirScene;
  threads: ReadonlyMap<string, number>;
  chosenId: string | null;
  onChoose: (id: string) => void;
  onMove: (id: string, frequencyMHz: number) => void;
  onDrag: (isDragged: boolean) => void;
}) {
  const { air, chosenId } = props;
  const { plan, carriers, faults, prepared } = air;
  const whole = useMemo(() => wholeView(plan), [plan]);
  const [zoom, setZoom] = useState<View | null>(null);
  const [hasProducts, setHasProducts] = useState(false);
  const board = useRef<HTMLDivElement>(null);
  const view = zoom ?? whole;
  const path = useMemo(() => scanPath(plan.scan, view, COLUMNS), [plan.scan, view]);
  const choices = useMemo(
    () => new Map(plan.systems.map((system) => [system.id, lawfulChoices(system, plan)])),
    [plan],
  );
  const rows = rowsOf(carriers, view);
  const broken = new Set([
    ...faults.conflicts.flatMap(({ makers, victim }) => [...makers, victim].map(({ id }) => id)),
    ...faults.onTaken.map(({ linkId }) => linkId),
  ]);
  const chosen = carriers.find(({ id }) => id === chosenId) ?? null;
  const around = chosen?.frequencyMHz ?? (view.from + view.to) / 2;
  const products = hasProducts
    ? productsWithin(carriers, view.from, view.to, plan.rules.fifthKHz !== null, chosen?.id ?? null)
    : [];
  const see = (seen: View) => {
    const next = within(whole, NARROWEST_MHZ, seen);
    setZoom(lengthOf(next) < lengthOf(whole) * 0.999 ? next : null);
  };
  useZoom(board, { whole, seen: view, narrowest: NARROWEST_MHZ, onSee: see });
  // Around what is chosen, so that it comes to the middle.
  const closer = (factor: number) => {
    const half = (lengthOf(view) * factor) / 2;
    see({ from: around - half, to: around + half });
  };
  return (
    <Stack $gap={0.4}>
      <Board ref={board} role="group" aria-label="Spectrum">
        <svg viewBox={`0 0 ${COLUMNS} 100`} preserveAspectRatio="none" aria-hidden>
          {plan.region.ranges.map(({ fromMHz, toMHz }, index) => (
            <rect
              key={index}
              x={COLUMNS * xOf(view, fromMHz)}
              width={Math.max(0, COLUMNS * (xOf(view, toMHz) - xOf(view, fromMHz)))}
              y="96"
              height="4"
              fill="var(--good)"
              fillOpacity="0.5"
            />
          ))}
          {prepared.taken.map(({ fromMHz, toMHz }) => (
            <rect
              key={fromMHz}
              x={COLUMNS * xOf(view, fromMHz)}
              width={Math.max(0.5, COLUMNS * (xOf(view, toMHz) - xOf(view, fromMHz)))}
              y="0"
              height="96"
              fill="var(--cloth)"
            />
          ))}
          <path d={path} fill="none" stroke="var(--ink-soft)" strokeWidth="1.2px" />
          <path
            d={`M0 ${100 * yOf(plan.rules.occupiedDbm)}H${COLUMNS}`}
            stroke="var(--ink-soft)"
            strokeWidth="1px"
            strokeDasharray="2 4"
          />
          {products.length <= MOST_PRODUCTS &&
            products.map(({ kind, atMHz }, index) => {
              const x = COLUMNS * xOf(view, atMHz);
              const top = kind === "twoThird" ? 60 : kind === "threeThird" ? 72 : 84;
              return (
                <path key={index} d={`M${x} 96V${top}`} stroke="var(--chalk)" strokeWidth="1px" strokeOpacity="0.6" />
              );
            })}
        </svg>
        {carriers
          .filter(({ frequencyMHz }) => frequencyMHz >= view.from && frequencyMHz <= view.to)
          .map((carrier) => {
            const link = plan.links.find(({ id }) => id === carrier.id)!;
            const thread = link.wearerId ? (props.threads.get(link.wearerId) ?? 0) : 0;
            return (
              <CarrierPin
                key={carrier.id}
                carrier={carrier}
                view={view}
                row={rows.get(carrier.id) ?? 0}
                colour={`var(--${THREAD_COLOURS[thread % THREAD_COLOURS.length]!})`}
                isBroken={broken.has(carrier.id)}
                isChosen={carrier.id === chosenId}
                widthOf={() => board.current?.clientWidth ?? 1}
                choices={choices.get(link.systemId) ?? []}
                onChoose={() => props.onChoose(carrier.id)}
                onMove={(frequencyMHz) => props.onMove(carrier.id, frequencyMHz)}
                onDrag={props.onDrag}
              />
            );
          })}
      </Board>
      <Scale aria-hidden>
        {marks(view).map((mark) => (
          <span key={mark} style={{ left: `${Math.min(97, Math.max(3, 100 * xOf(view, mark)))}%` }}>
            {mark}
          </span>
        ))}
      </Scale>
      <Row $gap={0.4} $between>
        <Row $gap={0.4}>
          <Button aria-label="Zoom in" onPress={() => closer(0.5)}>
            <Plus size={18} aria-hidden />
          </Button>
          <Button aria-label="Zoom out" onPress={() => closer(2)}>
            <Minus size={18} aria-hidden />
          </Button>
          {zoom && (
            <Button look="quiet" onPress={() => setZoom(null)}>
              Whole band
            </Button>
          )}
        </Row>
        <Tick
          label={chosen ? `Products of ${chosen.name}` : "Products of all"}
          isOn={hasProducts}
          onChange={setHasProducts}
        />
      </Row>
      <Soft>
        MHz. Drag a name, or arrow keys: one step, with Shift ten. Zoom: pinch, or Ctrl and wheel. Grey: taken by the
        scan. Below: allowed.
        {hasProducts &&
          (products.length > MOST_PRODUCTS
            ? ` ${products.length} products: go nearer, or choose one name.`
            : ` ${products.length} products in view; long ones are third order of two.`)}
      </Soft>
    </Stack>
  );
}
