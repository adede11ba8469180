"use client";

import { turnWithHead } from "@/core/body/headTurn";
import type { Point } from "@/core/body/landmarks";
import type { Candidate } from "@/core/dress/planDress";
import { sitePoint } from "@/core/dress/sites";
import type { Outfit } from "@/core/dress/outfit";
import styled from "styled-components";
import { THREAD_COLOURS } from "../theme";
import { garmentPieces } from "./garmentPieces";
import { bodyOutline, smoothPath, type ViewName } from "./outline";

const VIEW_TOP = 1.035;
const VIEW_BOTTOM = 0.4;
const HALF_WIDTH: Record<ViewName, number> = { front: 0.26, back: 0.185, side: 0.16 };

const Figure = styled.figure`
  margin: 0;
  min-width: 0;
  figcaption {
    text-align: center;
    font-size: 0.8rem;
    color: var(--ink-soft);
  }
  svg {
    display: block;
    width: 100%;
    height: auto;
    overflow: visible;
  }
`;

/** On a phone the front takes the whole width, so that its places can be touched. */
const Views = styled.div`
  display: grid;
  gap: 0.4rem;
  align-items: center;
  @media (min-width: 600px) {
    grid-template-columns: minmax(0, 2.1fr) minmax(0, 1fr);
  }
`;

const SmallViews = styled.div`
  display: grid;
  gap: 0.5rem;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  justify-items: center;
  > * {
    width: min(100%, 170px);
  }
  @media (min-width: 600px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Cross = styled.g`
  cursor: pointer;
  outline: none;
  &:focus-visible circle {
    stroke: var(--chalk);
    stroke-width: 5;
  }
`;

interface FormProps {
  heightM: number;
  outfit: Outfit;
  thread: number;
  turnDeg: number;
  candidates: readonly Candidate[];
  chosen: Candidate | null;
  onChoose: (candidate: Candidate) => void;
}

/** Where a point of the body lands in a view, in thousandths of the height. Front views face us: their right is our left. */
function project(point: Point, heightM: number, view: ViewName): [number, number] {
  const across = view === "front" ? -point.xM : view === "back" ? point.xM : point.yM;
  return [(across / heightM) * 1000, (-point.zM / heightM) * 1000];
}

function isInView(point: Point, view: ViewName): boolean {
  return view === "side" || (view === "front" ? point.yM > -0.03 : point.yM < 0.03);
}

function cablePath(points: readonly Point[], heightM: number, view: ViewName): string {
  let path = "";
  points.slice(1).forEach((point, index) => {
    const last = points[index]!;
    if (!isInView(point, view) && !isInView(last, view)) return;
    if (view !== "side" && isInView(point, view) !== isInView(last, view) && Math.abs(point.yM) > 0.06) return;
    path += `M${project(last, heightM, view).join(" ")}L${project(point, heightM, view).join(" ")}`;
  });
  return path;
}

function Head({ view, turnDeg }: { view: ViewName; turnDeg: number }) {
  const turn = (turnDeg * Math.PI) / 180;
  const centre = view === "side" ? 10 : 0;
  const nose =
    view === "front" ? -Math.sin(turn) * 40 : view === "side" ? 10 + Math.cos(turn) * 52 : Math.sin(turn) * 40;
  const isFaceSeen = view !== "back" || Math.abs(turnDeg) > 60;
  return (
    <g fill="var(--paper)" stroke="var(--ink-soft)" strokeWidth="2.5">
      <ellipse cx={centre} cy={-938} rx={view === "side" ? 56 : 46} ry="66" />
      {isFaceSeen && (
        <g fill="none" strokeLinecap="round">
          <path d={`M${nose - 4} -946 q${view === "side" ? 14 : 5} 14 ${0} 20`} />
          <path d={`M${nose * 0.92 - 11} -903 h20`} stroke="var(--ink)" strokeWidth="4" />
        </g>
      )}
    </g>
  );
}

function Stand() {
  return (
    <g stroke="var(--seam)" strokeWidth="7" fill="none">
      <path d="M0 -500V-415" />
      <path d="M-60 -408H60" />
    </g>
  );
}

function Body({ view, outfit, turnDeg }: { view: ViewName; outfit: Outfit; turnDeg: number }) {
  const ids = `pattern-${view}`;
  return (
    <>
      <defs>
        <pattern id={ids} width="16" height="16" patternUnits="userSpaceOnUse" patternTransform="rotate(35)">
          <path d="M0 0V16M8 0V16" stroke="var(--ink-soft)" strokeWidth="1.6" opacity="0.45" />
        </pattern>
      </defs>
      <Stand />
      <path d={smoothPath(bodyOutline(view))} fill="var(--paper-deep)" stroke="var(--ink-soft)" strokeWidth="2.5" />
      <Head view={view} turnDeg={turnDeg} />
      {outfit.layers.map((layer, index) => (
        <g key={index}>
          {garmentPieces(layer, view).map((piece, number) =>
            piece.kind === "strap" ? (
              <path key={number} d={piece.d} fill="none" stroke="var(--ink-soft)" strokeWidth="11" opacity="0.55" />
            ) : (
              <g key={number}>
                {piece.kind === "cloth" && <path d={piece.d} fill={`var(--cloth-${index})`} opacity="0.55" />}
                {piece.kind === "cloth" && layer.pattern === "patterned" && <path d={piece.d} fill={`url(#${ids})`} />}
                <path d={piece.d} fill="none" stroke="var(--ink-soft)" strokeWidth="2" strokeDasharray="9 6" />
              </g>
            ),
          )}
        </g>
      ))}
    </>
  );
}

interface Callout {
  candidate: Candidate;
  rank: number;
  x: number;
  y: number;
  labelX: number;
  labelY: number;
}

/** Spreads the rank labels down both margins so that none covers another. */
function calloutsOf(candidates: readonly Candidate[], heightM: number, turnDeg: number): Callout[] {
  const placed = candidates.map((candidate, index) => {
    const rest = sitePoint(candidate.site, heightM);
    const point = candidate.site.ridesOnHead ? turnWithHead(rest, turnDeg) : rest;
    const [x, y] = project(point, heightM, "front");
    return { candidate, rank: index + 1, x, y, restX: project(rest, heightM, "front")[0] };
  });
  const columns: Record<"left" | "right", Callout[]> = { left: [], right: [] };
  const byHeight = [...placed].sort((a, b) => a.y - b.y || a.rank - b.rank);
  for (const each of byHeight) {
    const wanted =
      each.restX < -8
        ? "left"
        : each.restX > 8
          ? "right"
          : columns.left.length <= columns.right.length
            ? "left"
            : "right";
    const column = columns[wanted];
    const labelY = Math.max(each.y, (column.at(-1)?.labelY ?? -2000) + 58);
    column.push({
      candidate: each.candidate,
      rank: each.rank,
      x: each.x,
      y: each.y,
      labelX: wanted === "left" ? -222 : 222,
      labelY,
    });
  }
  return [...columns.left, ...columns.right].sort((a, b) => a.rank - b.rank);
}

function Callouts({ props }: { props: FormProps }) {
  const colour = `var(--${THREAD_COLOURS[props.thread % THREAD_COLOURS.length]!})`;
  return (
    <>
      {calloutsOf(props.candidates, props.heightM, props.turnDeg).map(({ candidate, rank, x, y, labelX, labelY }) => {
        const isChosen = candidate.site.id === props.chosen?.site.id;
        const ink = isChosen ? colour : "var(--chalk)";
        return (
          <Cross
            key={candidate.site.id}
            role="button"
            tabIndex={0}
            aria-pressed={isChosen}
            aria-label={`Rank ${rank}: ${candidate.site.name}`}
            onClick={() => props.onChoose(candidate)}
            onKeyDown={(event) => {
              if (event.key !== "Enter" && event.key !== " ") return;
              event.preventDefault();
              props.onChoose(candidate);
            }}
          >
            <path
              d={`M${labelX > 0 ? labelX - 24 : labelX + 24} ${labelY}L${x} ${y}`}
              stroke={ink}
              strokeWidth={isChosen ? 2.5 : 1.2}
              opacity={isChosen ? 1 : 0.45}
            />
            <path
              d={`M${x - 8} ${y - 8}l16 16M${x + 8} ${y - 8}l-16 16`}
              stroke={ink}
              strokeWidth={isChosen ? 5.5 : 3.5}
              strokeLinecap="round"
            />
            <circle
              cx={labelX}
              cy={labelY}
              r="24"
              fill={isChosen ? ink : "var(--paper)"}
              stroke={ink}
              strokeWidth="2.5"
            />
            <text
              x={labelX}
              y={labelY + 9}
              textAnchor="middle"
              fontSize="26"
              fontWeight="600"
              fill={isChosen ? "var(--paper)" : "var(--ink)"}
            >
              {rank}
            </text>
          </Cross>
        );
      })}
    </>
  );
}

function View({ view, caption, props }: { view: ViewName; caption: string; props: FormProps }) {
  const half = HALF_WIDTH[view] * 1000;
  const colour = `var(--${THREAD_COLOURS[props.thread % THREAD_COLOURS.length]!})`;
  const { chosen, heightM } = props;
  return (
    <Figure>
      <svg
        viewBox={`${-half} ${-VIEW_TOP * 1000} ${2 * half} ${(VIEW_TOP - VIEW_BOTTOM) * 1000}`}
        role="group"
        aria-label={caption}
      >
        <Body view={view} outfit={props.outfit} turnDeg={props.turnDeg} />
        {chosen && (
          <path
            d={cablePath(chosen.cable.points, heightM, view)}
            stroke={colour}
            strokeWidth="6"
            strokeDasharray="15 10"
            strokeLinecap="round"
            fill="none"
          />
        )}
        {chosen && view !== "front" && <PackMark candidate={chosen} heightM={heightM} view={view} colour={colour} />}
        {view === "front" && <Callouts props={props} />}
      </svg>
      <figcaption>{caption}</figcaption>
    </Figure>
  );
}

function PackMark({
  candidate,
  heightM,
  view,
  colour,
}: {
  candidate: Candidate;
  heightM: number;
  view: ViewName;
  colour: string;
}) {
  const [x, y] = project(candidate.cable.points.at(-1)!, heightM, view);
  return <rect x={x - 17} y={y - 6} width="34" height="50" fill="var(--paper)" stroke={colour} strokeWidth="5" />;
}

/** The person as a dress form: front with the ranked places, back and side with the way of the lead. */
export function DressForm(props: FormProps) {
  return (
    <Views>
      <View view="front" caption="Front: their right is on your left" props={props} />
      <SmallViews>
        <View view="back" caption="Back" props={props} />
        <View view="side" caption="Side" props={props} />
      </SmallViews>
    </Views>
  );
}
