"use client";

import { type Point, turnWithHead } from "@/core/body";
import {
  type Candidate,
  type Layer,
  lowerOf,
  type Outfit,
  type PackPlan,
  type RankedPlace,
  type Site,
  sitePoint,
} from "@/core/dress";
import { useMove } from "react-aria";
import styled from "styled-components";
import { THREAD_COLOURS } from "../theme";
import { garmentPieces } from "./garmentPieces";
import { bodyOutline, smoothPath, type ViewName } from "./outline";
import { cablePath, isInView, project } from "./projection";
import { RuledOutMarks, type RuledOutMark } from "./RuledOutMarks";
import { lowerPieces, wornPieces } from "./wornPieces";

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
  .place {
    cursor: pointer;
    outline: none;
  }
  .place:focus-visible circle {
    stroke: var(--chalk);
    stroke-width: 5;
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

const Turning = styled.g`
  cursor: ew-resize;
  touch-action: pan-y;
`;

interface FormProps {
  heightM: number;
  outfit: Outfit;
  /** Layers that are not drawn, by index. */
  hidden: readonly number[];
  thread: number;
  turnDeg: number;
  places: readonly RankedPlace[];
  ruledOut: readonly RuledOutMark[];
  chosen: Candidate | null;
  onChoose: (place: RankedPlace) => void;
  onTurn: (byDeg: number) => void;
  units: "metric" | "imperial";
}

/** Where a candidate's capsule is, head straight. */
function restPoint({ site, sound }: Candidate, heightM: number): Point {
  return sitePoint(site, heightM, sound.hearing.necklineDropM);
}

/** Degrees that a drag of one picture point turns the head. */
const DEG_PER_POINT = 0.6;

function Head({ view, turnDeg, onTurn }: { view: ViewName; turnDeg: number; onTurn: (byDeg: number) => void }) {
  const side = view === "front" ? -1 : 1;
  const { moveProps } = useMove({
    onMove: ({ deltaX, pointerType }) => pointerType !== "keyboard" && onTurn(side * deltaX * DEG_PER_POINT),
  });
  const turn = (turnDeg * Math.PI) / 180;
  const centre = view === "side" ? 10 : 0;
  const nose =
    view === "front" ? -Math.sin(turn) * 40 : view === "side" ? 10 + Math.cos(turn) * 52 : Math.sin(turn) * 40;
  const isFaceSeen = view !== "back" || Math.abs(turnDeg) > 60;
  return (
    <Turning {...moveProps} tabIndex={undefined} fill="var(--paper)" stroke="var(--ink-soft)" strokeWidth="2.5">
      <ellipse cx={centre} cy={-938} rx={view === "side" ? 56 : 46} ry="66" />
      {isFaceSeen && (
        <g fill="none" strokeLinecap="round">
          <path d={`M${nose - 4} -946 q${view === "side" ? 14 : 5} 14 ${0} 20`} />
          <path d={`M${nose * 0.92 - 11} -903 h20`} stroke="var(--ink)" strokeWidth="4" />
        </g>
      )}
    </Turning>
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

function Body(props: { view: ViewName; outfit: Outfit; hidden: readonly number[] }) {
  const { view, hidden } = props;
  const { layers, accessories, sides } = props.outfit;
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
      {lowerPieces(lowerOf(props.outfit), view).map((d) => (
        <path key={d} d={d} fill="var(--paper-deep)" stroke="var(--ink-soft)" strokeWidth="2" strokeDasharray="9 6" />
      ))}
      {layers.map((layer, index) =>
        hidden.includes(index) ? null : <Cloth key={index} layer={layer} index={index} view={view} pattern={ids} />,
      )}
      {accessories.map((accessory) =>
        wornPieces(accessory, view, sides).map((d, number) => (
          <path
            key={`${accessory}-${number}`}
            d={d}
            fill={d.endsWith("Z") ? "var(--cloth-1)" : "none"}
            fillOpacity="0.5"
            stroke="var(--ink-soft)"
            strokeWidth="2.5"
            strokeLinecap="round"
          />
        )),
      )}
    </>
  );
}

const CLOTH_COLOURS = 4;

function Cloth({ layer, index, view, pattern }: { layer: Layer; index: number; view: ViewName; pattern: string }) {
  return (
    <g>
      {garmentPieces(layer, view).map((piece, number) =>
        piece.kind === "strap" ? (
          <path key={number} d={piece.d} fill="none" stroke="var(--ink-soft)" strokeWidth="11" opacity="0.55" />
        ) : (
          <g key={number}>
            {piece.kind === "cloth" && (
              <path d={piece.d} fill={`var(--cloth-${index % CLOTH_COLOURS})`} opacity="0.55" />
            )}
            {piece.kind === "cloth" && layer.pattern === "patterned" && <path d={piece.d} fill={`url(#${pattern})`} />}
            <path d={piece.d} fill="none" stroke="var(--ink-soft)" strokeWidth="2" strokeDasharray="9 6" />
          </g>
        ),
      )}
    </g>
  );
}

/** Places that get a number on the form; the others are in the list. */
const MOST_CALLOUTS = 14;

interface Callout {
  place: RankedPlace;
  rank: number;
  x: number;
  y: number;
  labelX: number;
  labelY: number;
}

/** The best place of each site, with its rank among all; the chosen one always among them. */
function placesBySite(places: readonly RankedPlace[], chosen: Candidate | null) {
  const bySite = new Map<Site["id"], { place: RankedPlace; rank: number }>();
  places.forEach((place, index) => {
    const isChosen = place.site.id === chosen?.site.id && place.ways.includes(chosen);
    if (!bySite.has(place.site.id) || isChosen) bySite.set(place.site.id, { place, rank: index + 1 });
  });
  return [...bySite.values()].slice(0, MOST_CALLOUTS);
}

/** Spreads the rank labels down both margins so that none covers another. */
function calloutsOf(
  places: readonly RankedPlace[],
  chosen: Candidate | null,
  heightM: number,
  turnDeg: number,
): Callout[] {
  const placed = placesBySite(places, chosen).map(({ place, rank }) => {
    const rest = restPoint(place.best, heightM);
    const point = place.site.ridesOnHead ? turnWithHead(rest, turnDeg) : rest;
    const [x, y] = project(point, heightM, "front");
    return { place, rank, x, y, restX: project(rest, heightM, "front")[0] };
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
      place: each.place,
      rank: each.rank,
      x: each.x,
      y: each.y,
      labelX: wanted === "left" ? -222 : 222,
      labelY,
    });
  }
  return [...columns.left, ...columns.right].sort((a, b) => a.rank - b.rank);
}

/** One place on the form: where it is, and its number in the margin. */
function CalloutMark(props: { callout: Callout; isChosen: boolean; colour: string; onChoose: () => void }) {
  const { isChosen, onChoose } = props;
  const { place, rank, x, y, labelX, labelY } = props.callout;
  const ink = isChosen ? props.colour : "var(--chalk)";
  return (
    <g
      className="place"
      role="button"
      tabIndex={0}
      aria-pressed={isChosen}
      aria-label={`Rank ${rank}: ${place.site.name}`}
      onClick={onChoose}
      onKeyDown={(event) => {
        if (event.key !== "Enter" && event.key !== " ") return;
        event.preventDefault();
        onChoose();
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
      <circle cx={labelX} cy={labelY} r="24" fill={isChosen ? ink : "var(--paper)"} stroke={ink} strokeWidth="2.5" />
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
    </g>
  );
}

function Callouts({ props }: { props: FormProps }) {
  const colour = `var(--${THREAD_COLOURS[props.thread % THREAD_COLOURS.length]!})`;
  const { places, chosen, heightM, turnDeg } = props;
  return calloutsOf(places, chosen, heightM, turnDeg).map((callout) => (
    <CalloutMark
      key={callout.place.site.id}
      callout={callout}
      isChosen={chosen !== null && callout.place.ways.includes(chosen)}
      colour={colour}
      onChoose={() => props.onChoose(callout.place)}
    />
  ));
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
        <Head view={view} turnDeg={props.turnDeg} onTurn={props.onTurn} />
        <Body view={view} outfit={props.outfit} hidden={props.hidden} />
        {view === "front" && <RuledOutMarks ruledOut={props.ruledOut} heightM={heightM} />}
        {chosen?.pack && (
          <path
            d={cablePath(chosen.pack.cable.points, heightM, view)}
            stroke={colour}
            strokeWidth="6"
            strokeDasharray="15 10"
            strokeLinecap="round"
            fill="none"
          />
        )}
        {chosen?.pack && <PackMark pack={chosen.pack} heightM={heightM} view={view} colour={colour} />}
        {view === "front" && <ScaleBar heightM={heightM} units={props.units} />}
        {view === "front" && <Callouts props={props} />}
      </svg>
      <figcaption>{caption}</figcaption>
    </Figure>
  );
}

/** A hand's length on this person: the form is drawn to their height. */
const SCALE = { metric: { metres: 0.2, says: "20 cm" }, imperial: { metres: 0.2032, says: "8 in" } } as const;

function ScaleBar({ heightM, units }: { heightM: number; units: keyof typeof SCALE }) {
  const { metres, says } = SCALE[units];
  const [x, y] = [-245, -VIEW_BOTTOM * 1000 - 24];
  return (
    <g stroke="var(--ink-soft)" strokeWidth="3" fill="none">
      <path d={`M${x} ${y - 8}v16M${x} ${y}h${(metres / heightM) * 1000}m0 -8v16`} />
      <text x={x} y={y - 16} fontSize="24" fill="var(--ink-soft)" stroke="none">
        {says}
      </text>
    </g>
  );
}

/** The pack, drawn where it is carried; at the lower edge when it is worn below the picture. */
function PackMark(props: { pack: PackPlan; heightM: number; view: ViewName; colour: string }) {
  const { pack, heightM, view, colour } = props;
  const point = pack.cable.points.at(-1)!;
  if (!isInView(point, view)) return null;
  const [x, y] = project(point, heightM, view);
  const shownY = Math.min(y, -VIEW_BOTTOM * 1000 - 60);
  return (
    <g stroke={colour} strokeWidth="5" fill="var(--paper)">
      <rect x={x - 17} y={shownY - 6} width="34" height="50" />
      <path d={`M${x + 11} ${shownY - 6}v-26`} strokeWidth="4" strokeLinecap="round" />
    </g>
  );
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
