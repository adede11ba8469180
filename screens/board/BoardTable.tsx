"use client";

import { MoreVertical } from "lucide-react";
import { useWindowVirtualizer } from "@tanstack/react-virtual";
import { memo, useEffect, useRef, useState, type ReactNode } from "react";
import styled from "styled-components";
import { type BoardLine, type PlannedLine, STATION_IDS, STATIONS } from "@/core/board";
import type { Stored } from "@/core/records";
import { STATION_QUESTIONS, timeWords } from "@/messages";
import { Link } from "@/ui/address";
import { later } from "@/ui/later";
import { Stitch, ThreadSample } from "@/ui/Stitch";
import { STATE_WORDS } from "../shell/stateWords";
import { stationHref } from "../shell/stationHref";
import { useRemoval } from "../shell/useRemoval";
import type { BoardItem } from "./boardGroups";

const MenuPlace = styled.span`
  display: block;
  width: 32px;
  height: var(--hit);
`;

// What is seldom needed follows a moment after the stitches.
const Menu = later(() => import("@/ui/Menu").then((module) => module.Menu), <MenuPlace />);

const Table = styled.table`
  width: 100%;
  border-collapse: separate;
  border-spacing: 0;
  table-layout: fixed;
  background: var(--paper);
  border: 1px solid var(--seam);
  thead th {
    position: sticky;
    top: var(--bar);
    z-index: 5;
    padding: 0.35rem 0.3rem;
    background: var(--paper-deep);
    border-bottom: 1px solid var(--seam);
    font-size: 0.85rem;
    font-weight: 600;
    text-align: left;
  }
  thead th:first-child {
    width: 13.5rem;
  }
  thead th:last-child {
    width: 40px;
  }
  @media (max-width: 759px) {
    &,
    tbody,
    thead {
      display: block;
    }
    thead {
      position: sticky;
      top: var(--bar);
      z-index: 5;
    }
    tr {
      display: grid;
      grid-template-columns: repeat(8, minmax(0, 1fr));
    }
    thead th {
      position: static;
      font-size: 0.72rem;
      padding-inline: 0.1rem;
      overflow: hidden;
      text-overflow: ellipsis;
    }
    thead th:first-child,
    thead th:last-child {
      display: none;
    }
  }
`;

const SceneRow = styled.tr`
  th {
    height: 24px;
    padding: 0 0.6rem;
    border-top: 1px solid var(--seam);
    background: var(--cloth);
    text-align: left;
    font-size: 0.9rem;
    font-weight: 500;
    color: var(--ink-soft);
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
    @media (max-width: 759px) {
      grid-column: 1 / -1;
      height: auto;
      white-space: normal;
    }
  }
  a {
    color: var(--ink);
    font-weight: 600;
    text-decoration: none;
    &:hover {
      text-decoration: underline;
    }
  }
  tbody > &:first-child th {
    border-top: 0;
  }
`;

const LineRow = styled.tr`
  > * {
    height: 30px;
    padding: 0;
    border-top: 1px dashed var(--seam-soft);
  }
  th a {
    display: flex;
    align-items: center;
    gap: 0.4rem;
    min-height: 29px;
    padding-left: 0.6rem;
    color: var(--ink);
    font-weight: 600;
    text-align: left;
    text-decoration: none;
    &:hover {
      text-decoration: underline;
    }
    span {
      min-width: 0;
      white-space: nowrap;
      overflow: hidden;
      text-overflow: ellipsis;
    }
  }
  button {
    padding: 0 0.3rem;
    min-width: 30px;
    min-height: 28px;
  }
  @media (max-width: 759px) {
    th {
      grid-column: 1 / 8;
    }
    td:last-child {
      grid-row: 1;
      grid-column: 8;
    }
    td:not(:last-child) {
      border-top: 0;
      height: 38px;
    }
  }
`;

const Cell = styled(Link)`
  display: block;
  position: relative;
  height: 100%;
  min-height: 29px;
  padding-top: 1px;
  border-left: 1px dashed var(--seam-soft);
  outline-offset: -3px;
  &:hover {
    background: var(--paper-deep);
  }
  &[data-state="unpicked"] {
    background: color-mix(in srgb, var(--bad) 12%, transparent);
  }
  em {
    position: absolute;
    inset: auto 0 0 0;
    font-style: normal;
    font-size: 0.75rem;
    line-height: 1;
    font-weight: 700;
    text-align: center;
    color: var(--bad);
    pointer-events: none;
  }
`;

const Redo = styled.span`
  position: absolute;
  inset: 0;
  display: grid;
  place-items: center;
  font-size: 0.78rem;
  font-weight: 700;
  color: var(--bad);
  pointer-events: none;
  span {
    padding: 0 0.25rem;
    background: var(--paper);
  }
`;

function SceneHead({
  item,
  shootId,
  places,
}: {
  item: BoardItem & { is: "scene" };
  shootId: string;
  places: ReadonlyMap<string, string>;
}) {
  const { scene, count } = item;
  const place = scene?.body.placeId ? places.get(scene.body.placeId) : null;
  return (
    <SceneRow>
      <th scope="rowgroup" colSpan={10}>
        {scene ? (
          <>
            Day {scene.body.day} · {timeWords(scene.body.startsAt)}{" "}
            <Link href={stationHref(shootId, "dress", null, scene.id)}>{scene.body.title}</Link>
            {place && ` · ${place}`}
            {count === 0 && " · nobody wears a microphone yet"}
          </>
        ) : (
          "In no scene"
        )}
      </th>
    </SceneRow>
  );
}

interface TalentRowProps {
  line: BoardLine;
  /** Null until it is planned. */
  planned: PlannedLine | null;
  shootId: string;
}

const TalentRow = memo(function TalentRow({ line, planned, shootId }: TalentRowProps) {
  const remove = useRemoval();
  const { wearer, scene, rig } = line;
  const { name, thread } = wearer.body;
  return (
    <LineRow aria-label={scene ? `${name}, ${scene.body.title}` : name}>
      <th scope="row">
        <Link href={stationHref(shootId, "dress", wearer.id, scene?.id ?? null)}>
          <ThreadSample thread={thread} />
          <span>{name}</span>
        </Link>
      </th>
      {STATION_IDS.map((id) => {
        const state = planned?.stitches[id];
        const says = state ? STATE_WORDS[state] : "…";
        return (
          <td key={id}>
            <Cell
              href={stationHref(shootId, id, wearer.id, scene?.id ?? null)}
              data-state={state}
              aria-label={`${STATIONS[id].name}: ${says}`}
              title={`${STATIONS[id].name}: ${says}`}
            >
              <Stitch state={state ?? "loose"} thread={thread} />
              {state === "unpicked" && (
                <Redo aria-hidden>
                  <span>redo</span>
                </Redo>
              )}
            </Cell>
          </td>
        );
      })}
      <td>
        <Menu
          label={`More for ${name}`}
          look="quiet"
          icon={<MoreVertical size={16} aria-hidden />}
          choices={[
            ...(rig && scene
              ? [
                  {
                    id: "rig",
                    name: `Remove from ${scene.body.title}`,
                    onChoose: () => remove("rig", rig.id, `${name} in ${scene.body.title}`),
                  },
                ]
              : []),
            { id: "delete", name: "Delete talent", onChoose: () => remove("wearer", wearer.id, name) },
          ]}
        />
      </td>
    </LineRow>
  );
});

/** More rows than this are drawn only where they are seen. */
export const MOST_DRAWN = 80;
/** How high a row is, px. */
const ROW_PX = 30;

function Rest({ height }: { height: number }) {
  return height > 0 ? (
    <tr aria-hidden>
      <td colSpan={10} style={{ height, padding: 0 }} />
    </tr>
  ) : null;
}

/** Rows of which only those are drawn that are on the screen. */
function SeenRows(props: {
  items: readonly BoardItem[];
  onSee: (ids: string) => void;
  rowOf: (item: BoardItem) => ReactNode;
}) {
  // What the library returns changes without a new name: kept values would show old rows.
  "use no memo";
  const { items, onSee, rowOf } = props;
  const body = useRef<HTMLTableSectionElement>(null);
  const [top, setTop] = useState(0);
  useEffect(() => setTop((body.current?.getBoundingClientRect().top ?? 0) + window.scrollY), []);
  // oxlint-disable-next-line react/incompatible-library -- it is not compiled, see above
  const virtualizer = useWindowVirtualizer({
    count: items.length,
    estimateSize: () => ROW_PX,
    overscan: 12,
    scrollMargin: top,
    getItemKey: (at) => items[at]!.id,
  });
  const seen = virtualizer.getVirtualItems();
  const ids = seen.map(({ key }) => key).join(" ");
  useEffect(() => onSee(ids), [ids, onSee]);
  const before = (seen[0]?.start ?? top) - top;
  const after = virtualizer.getTotalSize() - ((seen.at(-1)?.end ?? top) - top);
  return (
    <tbody ref={body}>
      <Rest height={before} />
      {seen.map(({ index }) => rowOf(items[index]!))}
      <Rest height={after} />
    </tbody>
  );
}

/** Talent by stations in stitches, under the scenes they are in. */
export function BoardTable(props: {
  shootId: string;
  items: readonly BoardItem[];
  places: readonly Stored<"place">[];
  planned: ReadonlyMap<string, PlannedLine>;
  onSee: (ids: string) => void;
}) {
  const { shootId, items, planned } = props;
  const places = new Map(props.places.map(({ id, body }) => [id, body.name]));
  const rowOf = (item: BoardItem) =>
    item.is === "scene" ? (
      <SceneHead key={item.id} item={item} shootId={shootId} places={places} />
    ) : (
      <TalentRow key={item.id} line={item.line} planned={planned.get(item.id) ?? null} shootId={shootId} />
    );
  return (
    <Table aria-label="Talent by stations">
      <thead>
        <tr>
          <th scope="col">Talent</th>
          {STATION_IDS.map((id) => (
            <th key={id} scope="col" title={STATION_QUESTIONS[id]}>
              {STATIONS[id].name}
            </th>
          ))}
          <th scope="col" aria-label="More" />
        </tr>
      </thead>
      {items.length > MOST_DRAWN ? (
        <SeenRows items={items} onSee={props.onSee} rowOf={rowOf} />
      ) : (
        <tbody>{items.map(rowOf)}</tbody>
      )}
    </Table>
  );
}
