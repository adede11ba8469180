"use client";

import { useRef } from "react";
import styled from "styled-components";
import {
  BREATH_HALF_DEG,
  BREATH_REACH_M,
  cosineBetween,
  degreesOf,
  direction,
  MICROPHONES,
  patternGain,
  PATTERNS,
  type PlacedMic,
  type PlaceSound,
  type Talker,
  tubeGain,
  type Vec,
} from "@/core/pickup";
import { isHard, type PlaceModel, wallsOf } from "@/core/room";
import { OCTAVES_HZ } from "@/core/sound";
import { mouthDirectivityDb } from "@/core/voice";
import { THREAD_COLOURS } from "@/ui/theme";
import { Thing, TurnRing } from "./Thing";
import { capsuleOf, curveRound, flatOf, mouthOf, project, type Flat, type Frame, type Look } from "./planSpace";
import { clipText } from "@/core/schema";

const Board = styled.svg`
  display: block;
  width: 100%;
  height: auto;
  max-height: 50vh;
  background: var(--paper);
  border: 1px solid var(--seam-soft);
  touch-action: none;
  .thing {
    cursor: grab;
    outline: none;
  }
  .thing:focus-visible .mark,
  .thing[data-chosen] .mark {
    stroke: var(--chalk);
    stroke-width: 3px;
  }
  .thing:focus-visible .mark {
    stroke-dasharray: none;
    stroke-width: 5px;
  }
  * {
    vector-effect: non-scaling-stroke;
  }
  .shape {
    pointer-events: none;
  }
`;

export interface Chosen {
  kind: "talker" | "mic";
  id: string;
}

/** How far round a mark a finger takes hold of it, in marks. */
const TOUCHED = 1.4;

function Outline({ place, flat, look }: { place: PlaceModel; flat: Flat; look: Look }) {
  const isOpen = place.setting === "open";
  if (look === "side") {
    const lines = isOpen ? [0] : [0, place.heightM];
    return (
      <g stroke="var(--ink)" strokeWidth="2.5px">
        {lines.map((height) => (
          <path key={height} d={`M-200 ${-height}H200`} />
        ))}
      </g>
    );
  }
  return (
    <g fill="none" stroke="var(--ink)">
      {wallsOf(place).map(({ surface, from, to }) => {
        const largest = place.patches
          .filter((patch) => patch.surface === surface)
          .sort((a, b) => b.areaM2 - a.areaM2)[0];
        const isWallHard = isHard(largest?.material ?? place.walls);
        const [a, b] = [project(flat, [...from, 0]), project(flat, [...to, 0])];
        return (
          <path
            key={surface}
            d={`M${a[0]} ${a[1]}L${b[0]} ${b[1]}`}
            strokeWidth={!isOpen && isWallHard ? "4px" : "2px"}
            strokeDasharray={isOpen || !isWallHard ? "8 6" : undefined}
          />
        );
      })}
    </g>
  );
}

function TalkerMark({
  talker,
  flat,
  colour,
  size,
  band,
}: {
  talker: Talker;
  flat: Flat;
  colour: string;
  size: number;
  band: number;
}) {
  const mouth = mouthOf(talker);
  const [x, y] = project(flat, mouth);
  const looks = direction(talker.facesDeg);
  const reach = (way: Vec) => 2.2 * size * 10 ** (mouthDirectivityDb(degreesOf(cosineBetween(looks, way)))[band]! / 20);
  const cone = (way: Vec) => (degreesOf(cosineBetween(looks, way)) <= BREATH_HALF_DEG + 1 ? BREATH_REACH_M : 0);
  return (
    <>
      <path
        className="shape"
        d={curveRound(flat, mouth, reach)}
        fill={colour}
        fillOpacity="0.12"
        stroke={colour}
        strokeWidth="1px"
        strokeDasharray="3 3"
      />
      <path className="shape" d={curveRound(flat, mouth, cone)} fill={colour} fillOpacity="0.6" stroke="none" />
      <circle cx={x} cy={y} r={TOUCHED * size} fill="transparent" />
      <circle className="mark" cx={x} cy={y} r={0.75 * size} fill="var(--paper)" stroke={colour} strokeWidth="2.5px" />
      <text x={x} y={y + 0.3 * size} fontSize={0.8 * size} textAnchor="middle" fill="var(--ink)" fontWeight="600">
        {clipText(talker.name, 2)}
      </text>
    </>
  );
}

function MicMark({ mic, flat, size, band }: { mic: PlacedMic; flat: Flat; size: number; band: number }) {
  const at = capsuleOf(mic);
  const [x, y] = project(flat, at);
  const front = direction(mic.aimsDeg, mic.tiltDeg);
  const { tubeM } = MICROPHONES[mic.microphone];
  const hz = OCTAVES_HZ[band]!;
  const shape = (way: Vec) => {
    const cosine = cosineBetween(front, way);
    return 3 * size * Math.abs(patternGain(mic.pattern, cosine) * tubeGain(tubeM, cosine, hz));
  };
  return (
    <>
      <path
        className="shape"
        d={curveRound(flat, at, shape)}
        fill="var(--chalk)"
        fillOpacity="0.14"
        stroke="var(--chalk)"
        strokeWidth="1.6px"
      />
      <circle cx={x} cy={y} r={TOUCHED * size} fill="transparent" />
      <rect
        className="mark"
        x={x - 0.45 * size}
        y={y - 0.45 * size}
        width={0.9 * size}
        height={0.9 * size}
        transform={`rotate(45 ${x} ${y})`}
        fill="var(--chalk)"
        stroke="var(--paper)"
        strokeWidth="1.5px"
      />
    </>
  );
}

/** Talkers, microphones, noises and hard sides, from above or from the side; everything can be dragged or moved by keys. */
export function PlanView(props: {
  place: PlaceModel;
  sound: PlaceSound;
  talkers: readonly Talker[];
  mics: readonly PlacedMic[];
  threads: ReadonlyMap<string, number>;
  look: Look;
  frame: Frame;
  band: number;
  chosen: Chosen | null;
  onChoose: (chosen: Chosen) => void;
  onTalker: (talker: Talker, change: Partial<Talker>) => void;
  onMic: (mic: PlacedMic, change: Partial<PlacedMic>) => void;
}) {
  const { place, sound, talkers, mics, look, frame, band, chosen, onChoose } = props;
  const board = useRef<SVGSVGElement>(null);
  const flat = flatOf(look, talkers[0]);
  const size = frame.width / 26;
  // Pixels a metre at the moment; asked only while something is dragged.
  const scaleOf = () => {
    const { clientWidth = 0, clientHeight = 0 } = board.current ?? {};
    return Math.min(clientWidth, clientHeight) / frame.width;
  };
  const isChosen = (kind: Chosen["kind"], id: string) => chosen?.kind === kind && chosen.id === id;
  const moved = (spot: { xM: number; yM: number }, rightM: number, upM: number) => {
    const up = look === "above" ? upM : 0;
    return {
      xM: spot.xM + flat.u[0] * rightM + flat.v[0] * up,
      yM: spot.yM + flat.u[1] * rightM + flat.v[1] * up,
    };
  };
  const height = (heightM: number, upM: number, most: number) =>
    look === "side" ? Math.min(most, Math.max(0, heightM + upM)) : heightM;
  const criticalM = sound.isOpen ? null : 10 ** (-sound.reverberantDb[band]! / 20);
  return (
    <Board
      ref={board}
      viewBox={`${frame.x} ${frame.y} ${frame.width} ${frame.height}`}
      role="group"
      aria-label={look === "above" ? "Plan" : "Section"}
    >
      <Outline place={place} flat={flat} look={look} />
      {criticalM !== null &&
        talkers.map((talker) => {
          const [x, y] = project(flat, mouthOf(talker));
          return (
            <circle
              key={talker.id}
              cx={x}
              cy={y}
              r={criticalM}
              fill="none"
              stroke="var(--ink-soft)"
              strokeWidth="1.2px"
              strokeDasharray="2 5"
            >
              <title>Critical distance</title>
            </circle>
          );
        })}
      {sound.localNoises.map(({ at }, index) => {
        const [x, y] = project(flat, at);
        return (
          <g key={index} stroke="var(--bad)" strokeWidth="2px" fill="none">
            <circle cx={x} cy={y} r={0.3 * size} />
            <circle cx={x} cy={y} r={0.6 * size} strokeDasharray="3 3" />
            <title>A noise</title>
          </g>
        );
      })}
      {talkers.map((talker) => {
        const thread = talker.wearerId ? (props.threads.get(talker.wearerId) ?? 0) : 0;
        const colour = `var(--${THREAD_COLOURS[thread % THREAD_COLOURS.length]!})`;
        const mouth = mouthOf(talker);
        const looks = direction(talker.facesDeg);
        const ring = project(flat, [mouth[0] + looks[0] * 2 * size, mouth[1] + looks[1] * 2 * size, mouth[2]]);
        return (
          <g key={talker.id}>
            {talker.path.length > 0 && (
              <path
                d={`M${[talker.at, ...talker.path].map(({ xM, yM }) => project(flat, [xM, yM, talker.mouthM]).join(" ")).join("L")}`}
                fill="none"
                stroke={colour}
                strokeWidth="2px"
                strokeDasharray="10 6"
              />
            )}
            {talker.path.map((spot, index) => {
              const [x, y] = project(flat, [spot.xM, spot.yM, talker.mouthM]);
              return (
                <Thing
                  key={index}
                  label={`${talker.name}, step ${index + 1}`}
                  isChosen={false}
                  scaleOf={scaleOf}
                  onChoose={() => onChoose({ kind: "talker", id: talker.id })}
                  onMove={(rightM, upM) =>
                    props.onTalker(talker, {
                      path: talker.path.map((each, where) => (where === index ? moved(each, rightM, upM) : each)),
                    })
                  }
                >
                  <circle cx={x} cy={y} r={0.8 * size} fill="transparent" />
                  <circle
                    className="mark"
                    cx={x}
                    cy={y}
                    r={0.35 * size}
                    fill="var(--paper)"
                    stroke={colour}
                    strokeWidth="2px"
                  />
                </Thing>
              );
            })}
            <Thing
              label={`${talker.name}, talker`}
              isChosen={isChosen("talker", talker.id)}
              scaleOf={scaleOf}
              onChoose={() => onChoose({ kind: "talker", id: talker.id })}
              onMove={(rightM, upM) =>
                props.onTalker(talker, {
                  at: moved(talker.at, rightM, upM),
                  mouthM: Math.max(0.2, height(talker.mouthM, upM, 2.3)),
                })
              }
            >
              <TalkerMark talker={talker} flat={flat} colour={colour} size={size} band={band} />
            </Thing>
            {look === "above" && (
              <TurnRing
                label={`Turn ${talker.name}`}
                from={project(flat, mouth)}
                at={ring}
                size={size}
                scaleOf={scaleOf}
                onTurn={(byDeg) => props.onTalker(talker, { facesDeg: wrapped(talker.facesDeg + byDeg) })}
              />
            )}
          </g>
        );
      })}
      {mics.map((mic, index) => {
        const at = capsuleOf(mic);
        const front = direction(mic.aimsDeg, mic.tiltDeg);
        const reach = 3.4 * size;
        const ring = project(flat, [at[0] + front[0] * reach, at[1] + front[1] * reach, at[2] + front[2] * reach]);
        return (
          <g key={mic.id}>
            <Thing
              label={`${MICROPHONES[mic.microphone].name} ${index + 1}, ${PATTERNS[mic.pattern].name}`}
              isChosen={isChosen("mic", mic.id)}
              scaleOf={scaleOf}
              onChoose={() => onChoose({ kind: "mic", id: mic.id })}
              onMove={(rightM, upM) =>
                props.onMic(mic, { at: moved(mic.at, rightM, upM), heightM: height(mic.heightM, upM, 10) })
              }
            >
              <MicMark mic={mic} flat={flat} size={size} band={band} />
            </Thing>
            <TurnRing
              label={`Turn microphone ${index + 1}`}
              from={project(flat, at)}
              at={ring}
              size={size}
              scaleOf={scaleOf}
              onTurn={(byDeg) =>
                props.onMic(
                  mic,
                  look === "above"
                    ? { aimsDeg: wrapped(mic.aimsDeg + byDeg) }
                    : {
                        tiltDeg: Math.max(
                          -90,
                          Math.min(
                            90,
                            mic.tiltDeg - byDeg * Math.sign(front[0] * flat.u[0] + front[1] * flat.u[1] || 1),
                          ),
                        ),
                      },
                )
              }
            />
          </g>
        );
      })}
    </Board>
  );
}

/** A bearing kept within 0…360. */
function wrapped(bearingDeg: number): number {
  return Math.round(10 * (((bearingDeg % 360) + 360) % 360)) / 10;
}
