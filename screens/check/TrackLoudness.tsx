"use client";

import { useMemo, useState } from "react";
import styled from "styled-components";
import { mixLoudness } from "@/core/audio";
import type { ChannelMeasurement } from "@/core/check";
import { Tick } from "@/ui/Ticks";
import { Row, Soft, Stack } from "@/ui/layout";

const Table = styled.table`
  border-collapse: collapse;
  font-variant-numeric: tabular-nums;
  th,
  td {
    padding: 0.15rem 1rem 0.15rem 0;
    text-align: left;
    border-top: 1px solid var(--seam-soft);
  }
  td {
    text-align: right;
  }
`;

const lufs = (level: number | null) =>
  level === null || !Number.isFinite(level) ? "silent" : `${level.toFixed(1).replace("-", "−")} LUFS`;

/** Loudness of each track of a file of many, and of those that are ticked as one programme. */
export function TrackLoudness({
  channels,
  steps,
}: {
  channels: readonly ChannelMeasurement[];
  steps: readonly Float32Array[] | null;
}) {
  // Recorders put their mix on the first two tracks. Common practice.
  const [chosen, setChosen] = useState<readonly number[]>([0, 1]);
  const mix = useMemo(() => (steps ? mixLoudness(steps, chosen) : null), [steps, chosen]);
  return (
    <Stack $gap={0.5}>
      <h3>Loudness</h3>
      <Table>
        <tbody>
          {channels.map(({ index, integratedLufs }) => (
            <tr key={index}>
              <th scope="row">Track {index + 1}</th>
              <td>{lufs(integratedLufs)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      {mix ? (
        <Stack $gap={0.3}>
          <Row $gap={0.4} role="group" aria-label="Tracks of the mix">
            {channels.map(({ index }) => (
              <Tick
                key={index}
                label={String(index + 1)}
                isOn={chosen.includes(index)}
                onChange={(isOn) =>
                  setChosen(isOn ? [...chosen, index].sort((a, b) => a - b) : chosen.filter((each) => each !== index))
                }
              />
            ))}
          </Row>
          <p role="status">
            Ticked tracks together: {lufs(mix.integratedLufs)}
            {mix.loudnessRangeLu === null ? "" : `, range ${mix.loudnessRangeLu.toFixed(1)} LU`}
          </p>
        </Stack>
      ) : (
        <Soft>Too long to mix here: ./hypophon measure FILE --mix 1,2 does it.</Soft>
      )}
    </Stack>
  );
}
