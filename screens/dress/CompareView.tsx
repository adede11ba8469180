"use client";

import { later } from "@/ui/later";
import { useState } from "react";
import styled from "styled-components";
import { HEAD_TURN_LIMIT_DEG } from "@/core/body";
import { directionsBetween, type DressPlan, levelAtTurn, type RankedPlace } from "@/core/dress";
import { OCTAVES_HZ } from "@/core/sound";
import type { ShootBody } from "@/core/records";
import { THREAD_COLOURS } from "@/ui/theme";
import { Tick } from "@/ui/Ticks";
import { Row, Soft, Stack } from "@/ui/layout";
import { lengthWords, placeTitle } from "./words";

const LinesChart = later(() => import("@/ui/LinesChart").then((module) => module.default));

/** Side by side at most, and places that are offered for it. */
const MOST_COMPARED = 4;
const OFFERED = 8;
const SWEEP_DEG = directionsBetween(-HEAD_TURN_LIMIT_DEG, HEAD_TURN_LIMIT_DEG, 31);

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: 0.9rem;
  th {
    text-align: left;
    font-weight: 500;
  }
  td {
    text-align: right;
    white-space: nowrap;
  }
  thead th:not(:first-child) {
    text-align: right;
    color: var(--ink-soft);
  }
  th,
  td {
    padding: 0.25rem 0.2rem;
    border-bottom: 1px solid var(--seam-soft);
  }
  svg {
    vertical-align: middle;
    margin-right: 0.4rem;
  }
`;

const keyOf = ({ site, placement }: RankedPlace) => `${site.id}.${placement.surface}.${placement.layer ?? ""}`;
const DASHES = ["", "8 5", "2 4", "12 4 2 4"];

function LineSample({ index }: { index: number }) {
  return (
    <svg width="34" height="8" aria-hidden>
      <path d="M1 4H33" stroke={`var(--${THREAD_COLOURS[index]!})`} strokeWidth="2.5" strokeDasharray={DASHES[index]} />
    </svg>
  );
}

/** Up to four places at one turn of the head: distance, level, swing, by octave and over the sweep. */
export function CompareView(props: {
  dress: DressPlan;
  chosen: RankedPlace | null;
  turnDeg: number;
  units: ShootBody["units"];
}) {
  const { dress, chosen, turnDeg, units } = props;
  const offered = dress.places.slice(0, OFFERED);
  if (chosen && !offered.includes(chosen)) offered.push(chosen);
  const [ticked, setTicked] = useState<readonly string[] | null>(null);
  const usual = [...(chosen ? [chosen] : []), ...offered.filter((place) => place !== chosen)].slice(0, 3).map(keyOf);
  const wanted = ticked ?? usual;
  const compared = offered.filter((place) => wanted.includes(keyOf(place))).slice(0, MOST_COMPARED);
  const { facts } = dress;
  const now = compared.map((place) => ({ place, at: levelAtTurn(place.best, facts, turnDeg) }));
  const name = (place: RankedPlace) => placeTitle(place, facts.input.outfit);
  const sweep = compared.map((place) => ({
    name: name(place),
    values: SWEEP_DEG.map((deg) => levelAtTurn(place.best, facts, deg).levelDb),
  }));
  const toggle = (key: string, isOn: boolean) =>
    setTicked(
      isOn ? [...compared.map(keyOf), key].slice(-MOST_COMPARED) : compared.map(keyOf).filter((one) => one !== key),
    );
  return (
    <Stack>
      <Table>
        <thead>
          <tr>
            <th scope="col">Head at {turnDeg}°</th>
            <th scope="col">lips</th>
            <th scope="col">dB SPL</th>
            <th scope="col">swing dB</th>
          </tr>
        </thead>
        <tbody>
          {offered.map((place) => {
            const at = levelAtTurn(place.best, facts, turnDeg);
            return (
              <tr key={keyOf(place)}>
                <th scope="row">
                  <Row $gap={0.5}>
                    <Tick
                      label={name(place)}
                      isOn={compared.includes(place)}
                      onChange={(isOn) => toggle(keyOf(place), isOn)}
                    />
                    {compared.includes(place) && <LineSample index={compared.indexOf(place)} />}
                  </Row>
                </th>
                <td>{lengthWords(at.distanceM, units)}</td>
                <td>{at.levelDb.toFixed(1)}</td>
                <td>{place.best.swingDb.toFixed(1)}</td>
              </tr>
            );
          })}
        </tbody>
      </Table>
      {compared.length === 0 && <Soft>Tick up to four places.</Soft>}
      {compared.length > 0 && (
        <>
          <LinesChart
            says={`Level by octave with the head at ${turnDeg} degrees`}
            labels={OCTAVES_HZ.map((hz) => (hz >= 1000 ? `${hz / 1000}k` : String(hz)))}
            lines={now.map(({ place, at }) => ({ name: name(place), values: at.octavesDb }))}
            xTitle="octave, Hz"
            yTitle="dB SPL"
          />
          <LinesChart
            says="Level as the head turns from left to right"
            labels={SWEEP_DEG.map((deg) => String(deg))}
            lines={sweep}
            xTitle="head turn, degrees (right is positive)"
            yTitle="dB SPL"
          />
        </>
      )}
    </Stack>
  );
}
