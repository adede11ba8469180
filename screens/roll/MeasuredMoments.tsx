"use client";

import { useQueries } from "@tanstack/react-query";
import styled from "styled-components";
import { measuredMoments } from "@/core/planning";
import type { RollBody, ShootBundle, Stored, TakeDetailBody } from "@/core/records";
import { takeKey } from "@/data/hub";
import { askTakeDetail } from "@/data/server";
import { kindName, markName, say } from "@/messages";
import { Soft } from "@/ui/layout";
import { runTime } from "./rollWords";

const Lines = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  max-height: 14rem;
  overflow-y: auto;
  li {
    display: grid;
    grid-template-columns: 4rem minmax(0, 1fr);
    border-top: 1px solid var(--seam-soft);
    padding: 0.2rem 0;
  }
  time {
    font-variant-numeric: tabular-nums;
  }
  [data-fault] {
    color: var(--bad);
    font-weight: 600;
  }
`;

const baseName = (path: string): string => path.replace(/^.*[\\/]/, "");

/** What was measured of a take, with its time, beside what was noted. */
export function MeasuredMoments(props: {
  roll: Stored<"roll">;
  marks: readonly Stored<"mark">[];
  bundle: Pick<ShootBundle, "measurements">;
}) {
  const { roll, marks, bundle } = props;
  const names = new Set(roll.body.files.map(({ name }) => name));
  const measured = bundle.measurements.filter(({ body }) => names.has(baseName(body.file.name)));
  return measured.length > 0 ? <Moments files={roll.body.files} measured={measured} marks={marks} /> : null;
}

function Moments({
  files,
  measured,
  marks,
}: Pick<RollBody, "files"> & {
  measured: readonly Stored<"measurement">[];
  marks: readonly Stored<"mark">[];
}) {
  const answers = useQueries({
    queries: measured.map(({ id }) => ({ queryKey: takeKey(id), queryFn: () => askTakeDetail(id) })),
  });
  const details = new Map<string, TakeDetailBody>();
  measured.forEach(({ body }, index) => {
    const detail = answers[index]?.data?.body;
    if (detail) details.set(baseName(body.file.name), detail);
  });
  if (details.size === 0) return null;
  const { moments, noiseUpDb } = measuredMoments(files, details, marks);
  const lines = [
    ...moments.map(({ atS, kind, isFault, times }) => ({
      ...{ key: `${kind} ${atS}`, atS, isFault },
      says: times > 1 ? `${kindName(kind)} ×${times}` : kindName(kind),
    })),
    ...marks.flatMap(({ id, body }) => {
      const byDb = noiseUpDb.get(id);
      if (byDb === undefined) return [];
      const says = `${markName(body.kind)}: ${say({ code: "mark.noiseUp", byDb })}`;
      return [{ key: id, atS: body.atS, isFault: false, says }];
    }),
  ].toSorted((one, other) => one.atS - other.atS);
  return (
    <div>
      <h3>Measured</h3>
      {lines.length === 0 ? (
        <Soft>{say({ code: "mark.nothingMeasured" })}</Soft>
      ) : (
        <Lines aria-label="Measured">
          {lines.map(({ key, atS, isFault, says }) => (
            <li key={key}>
              <time>{runTime(atS)}</time>
              <span data-fault={isFault || undefined}>{says}</span>
            </li>
          ))}
        </Lines>
      )}
    </div>
  );
}
