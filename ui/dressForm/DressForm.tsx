"use client";

import { type Candidate, type Hair, type Layer, lowerOf, type Outfit, type RankedPlace } from "@/core/dress";
import { useState } from "react";
import { ZoomIn, ZoomOut } from "lucide-react";
import { useMove } from "react-aria";
import styled from "styled-components";
import { THREAD_COLOURS } from "../theme";
import { Button } from "../Button";
import { type Callout, calloutsOf, CHEST, type Frame, RADIUS, WHOLE } from "./callouts";
import { garmentPieces, sideArm } from "./garmentPieces";
import { armEdges, bodyOutline, smoothPath, type ViewName, WRIST_UP } from "./outline";
import { armNodes, onSide, penPath } from "./pen";
import type { Piece } from "./piece";
import { cablePath } from "./projection";
import { PackMark, ScaleBar, TurnRing } from "./FormMarks";
import { RuledOutMarks, type RuledOutMark } from "./RuledOutMarks";
import { hairPieces } from "./hairPieces";
import { lowerPieces } from "./lowerPieces";
import { wornPieces } from "./wornPieces";

const HALF_WIDTH: Record<ViewName, number> = { front: WHOLE.halfWidth, back: 215, side: 165 };

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

const Zoomed = styled.div`
  position: relative;
  min-width: 0;
  > button {
    position: absolute;
    right: 0;
    bottom: 1.2rem;
    padding: 0;
  }
`;

const Turning = styled.g`
  cursor: ew-resize;
  touch-action: pan-y;
`;

interface FormProps {
  heightM: number;
  outfit: Outfit;
  hair?: Hair | undefined;
  /** Layers that are not drawn, by index. */
  hidden: readonly number[];
  thread: number;
  turnDeg: number;
  places: readonly RankedPlace[];
  ruledOut: readonly RuledOutMark[];
  chosen: Candidate | null;
  onChoose: (place: RankedPlace) => void;
  onTurn: (byDeg: number) => void;
  /** Level at the chosen place for turns of the head, dB re the loudest: drawn as a ring over the head. */
  ring?: readonly { turnDeg: number; downDb: number }[];
  units: "metric" | "imperial";
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
      {view === "side" ? (
        <ellipse cx={4} cy={-940} rx="8" ry="15" />
      ) : (
        <>
          <ellipse cx={-47} cy={-940} rx="8" ry="15" />
          <ellipse cx={47} cy={-940} rx="8" ry="15" />
        </>
      )}
      <ellipse cx={centre} cy={-938} rx={view === "side" ? 56 : 46} ry="66" />
      {view === "side" && <ellipse cx={2} cy={-940} rx="8" ry="15" />}
      {isFaceSeen && (
        <g fill="none" strokeLinecap="round">
          <path d={`M${nose - 4} -946 q${view === "side" ? 14 : 5} 14 ${0} 20`} />
          <path d={`M${nose * 0.92 - 11} -903 h20`} stroke="var(--ink)" strokeWidth="4" />
        </g>
      )}
    </Turning>
  );
}

const WRISTS: ViewName[] = ["front", "back"];

/** The arms of the form: they end at the wrist, as those of a dress form do. */
function arms(view: ViewName): string[] {
  if (!WRISTS.includes(view)) return [penPath(sideArm(WRIST_UP, 0))];
  const { outer, inner } = armEdges(WRIST_UP, () => 0);
  const nodes = armNodes(outer, inner);
  return [penPath(onSide(nodes, 1)), penPath(onSide(nodes, -1))];
}

/** Collarbones, the middle and the waist: what a form is marked with. */
const MARKS: Record<ViewName, readonly string[]> = {
  front: ["M-96 -824Q-44 -808 -14 -822M96 -824Q44 -808 14 -822", "M0 -815V-500", "M-84 -625Q0 -612 84 -625"],
  back: ["M0 -850V-500", "M-84 -625Q0 -612 84 -625"],
  side: ["M-50 -625Q0 -614 44 -625"],
};

/** One piece as it is drawn. */
function Drawn({ piece: { d, kind }, fill, opacity = 0.78 }: { piece: Piece; fill: string; opacity?: number }) {
  switch (kind) {
    case "cloth":
      return (
        <>
          <path d={d} fill={fill} opacity={opacity} />
          <path d={d} fill="none" stroke="var(--ink-soft)" strokeWidth="2.4" strokeLinejoin="round" />
        </>
      );
    case "line":
      return <path d={d} fill="none" stroke="var(--ink-soft)" strokeWidth="2" strokeLinecap="round" />;
    case "seam":
      return <path d={d} fill="none" stroke="var(--ink-soft)" strokeWidth="1.8" strokeDasharray="7 5" />;
    case "strap":
      return (
        <>
          <path d={d} fill="none" stroke="var(--ink-soft)" strokeWidth="14" />
          <path d={d} fill="none" stroke={fill} strokeWidth="10" />
        </>
      );
    case "button":
      return <path d={d} fill="var(--paper)" stroke="var(--ink-soft)" strokeWidth="2" />;
  }
}

const CLOTH_COLOURS = 4;

function Body(props: { view: ViewName; outfit: Outfit; hidden: readonly number[] }) {
  const { view, hidden } = props;
  const { layers, accessories, sides } = props.outfit;
  const pattern = `pattern-${view}`;
  return (
    <>
      <defs>
        <pattern id={pattern} width="16" height="16" patternUnits="userSpaceOnUse" patternTransform="rotate(35)">
          <path d="M0 0V16M8 0V16" stroke="var(--ink-soft)" strokeWidth="1.6" opacity="0.45" />
        </pattern>
      </defs>
      <g fill="var(--paper-deep)" stroke="var(--ink-soft)" strokeWidth="2.4" strokeLinejoin="round">
        {view !== "side" && arms(view).map((d) => <path key={d} d={d} />)}
        <path d={smoothPath(bodyOutline(view))} />
        {view === "side" && arms(view).map((d) => <path key={d} d={d} />)}
      </g>
      <g fill="none" stroke="var(--seam)" strokeWidth="1.8" strokeDasharray="3 6">
        {MARKS[view].map((d) => (
          <path key={d} d={d} />
        ))}
      </g>
      {lowerPieces(lowerOf(props.outfit), view).map((piece, number) => (
        <Drawn key={number} piece={piece} fill="var(--paper-deep)" opacity={0.95} />
      ))}
      {layers.map((layer, index) =>
        hidden.includes(index) ? null : <Cloth key={index} layer={layer} index={index} view={view} pattern={pattern} />,
      )}
      {accessories.map((accessory) =>
        wornPieces(accessory, view, sides).map((piece, number) => (
          <Drawn key={`${accessory}-${number}`} piece={piece} fill="var(--cloth-1)" opacity={0.85} />
        )),
      )}
    </>
  );
}

function Cloth({ layer, index, view, pattern }: { layer: Layer; index: number; view: ViewName; pattern: string }) {
  return garmentPieces(layer, view).map((piece, number) => (
    <g key={number}>
      <Drawn piece={piece} fill={`var(--cloth-${index % CLOTH_COLOURS})`} />
      {piece.kind === "cloth" && layer.pattern === "patterned" && <path d={piece.d} fill={`url(#${pattern})`} />}
    </g>
  ));
}

/** One place on the form: where it is, and its number in the margin. */
function CalloutMark(props: {
  callout: Callout;
  isChosen: boolean;
  colour: string;
  size: number;
  onChoose: () => void;
}) {
  const { isChosen, onChoose, size } = props;
  const arm = 8 * size;
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
        d={`M${labelX > 0 ? labelX - RADIUS * size : labelX + RADIUS * size} ${labelY}L${x} ${y}`}
        stroke={ink}
        strokeWidth={(isChosen ? 2.5 : 1.2) * size}
        opacity={isChosen ? 1 : 0.45}
      />
      <path
        d={`M${x - arm} ${y - arm}l${2 * arm} ${2 * arm}M${x + arm} ${y - arm}l${-2 * arm} ${2 * arm}`}
        stroke={ink}
        strokeWidth={(isChosen ? 5.5 : 3.5) * size}
        strokeLinecap="round"
      />
      <circle
        cx={labelX}
        cy={labelY}
        r={RADIUS * size}
        fill={isChosen ? ink : "var(--paper)"}
        stroke={ink}
        strokeWidth={2.5 * size}
      />
      <text
        x={labelX}
        y={labelY + 9 * size}
        textAnchor="middle"
        fontSize={26 * size}
        fontWeight="600"
        fill={isChosen ? "var(--paper)" : "var(--ink)"}
      >
        {rank}
      </text>
    </g>
  );
}

function Callouts({ props, frame }: { props: FormProps; frame: Frame }) {
  const colour = `var(--${THREAD_COLOURS[props.thread % THREAD_COLOURS.length]!})`;
  const { places, chosen, heightM, turnDeg } = props;
  return calloutsOf(places, chosen, heightM, turnDeg, frame).map((callout) => (
    <CalloutMark
      key={callout.place.site.id}
      callout={callout}
      isChosen={chosen !== null && callout.place.ways.includes(chosen)}
      colour={colour}
      size={frame.size}
      onChoose={() => props.onChoose(callout.place)}
    />
  ));
}

function View({ view, caption, props, frame }: { view: ViewName; caption: string; props: FormProps; frame: Frame }) {
  const half = view === "front" ? frame.halfWidth : HALF_WIDTH[view];
  const colour = `var(--${THREAD_COLOURS[props.thread % THREAD_COLOURS.length]!})`;
  const { chosen, heightM, hair = "unknown" } = props;
  return (
    <Figure>
      <svg viewBox={`${-half} ${frame.top} ${2 * half} ${frame.bottom - frame.top}`} role="group" aria-label={caption}>
        <Head view={view} turnDeg={props.turnDeg} onTurn={props.onTurn} />
        <g pointerEvents="none">
          {hairPieces(hair, view).map((piece, number) => (
            <Drawn key={number} piece={piece} fill="var(--paper-deep)" opacity={0.95} />
          ))}
        </g>
        <Body view={view} outfit={props.outfit} hidden={props.hidden} />
        {view === "front" && <RuledOutMarks ruledOut={props.ruledOut} heightM={heightM} />}
        {chosen?.pack && (
          <path
            d={cablePath(chosen.pack.cable.points, heightM, view)}
            stroke={colour}
            strokeWidth={6 * frame.size}
            strokeDasharray={`${15 * frame.size} ${10 * frame.size}`}
            strokeLinecap="round"
            strokeLinejoin="round"
            fill="none"
          />
        )}
        {chosen?.pack && <PackMark pack={chosen.pack} heightM={heightM} view={view} colour={colour} />}
        {view === "front" && frame === WHOLE && <ScaleBar heightM={heightM} units={props.units} />}
        {view === "front" && frame === WHOLE && props.ring && (
          <TurnRing ring={props.ring} turnDeg={props.turnDeg} colour={colour} />
        )}
        {view === "front" && <Callouts props={props} frame={frame} />}
      </svg>
      <figcaption>{caption}</figcaption>
    </Figure>
  );
}

/** The person as a dress form: front with the ranked places, back and side with the route of the cable. */
export function DressForm(props: FormProps) {
  const [isNear, setNear] = useState(false);
  return (
    <Views>
      <Zoomed>
        <View view="front" caption="Front: their right is on your left" props={props} frame={isNear ? CHEST : WHOLE} />
        <Button
          look="quiet"
          aria-label={isNear ? "Zoom out to the whole form" : "Zoom in to the chest"}
          onPress={() => setNear(!isNear)}
        >
          {isNear ? <ZoomOut size={20} aria-hidden /> : <ZoomIn size={20} aria-hidden />}
        </Button>
      </Zoomed>
      <SmallViews>
        <View view="back" caption="Back" props={props} frame={WHOLE} />
        <View view="side" caption="Side" props={props} frame={WHOLE} />
      </SmallViews>
    </Views>
  );
}
