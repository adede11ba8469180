"use client";

import { Download } from "lucide-react";
import { useState } from "react";
import styled from "styled-components";
import type { MatchBody } from "@/core/records";
import { partsOf, reasonOf } from "@/core/sync";
import { isDropRate } from "@/core/timecode";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { type AnyMessage, say } from "@/messages";
import { Button } from "@/ui/Button";
import { Columns, Lead, Piece, Row, Stack } from "@/ui/layout";
import { Table, TableScroll } from "@/ui/Table";
import type { Scanned } from "@/workers/lineUpWorker";
import type { Cell } from "../files/csv";
import { saveCsv, saveFile } from "../files/saveFile";
import { useRemoval } from "../shell/useRemoval";
import { ClapView } from "./ClapView";
import { cutListOf } from "./cutListOf";
import { DayStrip } from "./DayStrip";
import type { AskEdit } from "./edit/useEditDoor";
import { MatchDetail } from "./MatchDetail";
import { clockTime } from "./matchWords";
import { keepClap, nameOf, offsetOf, overlapOf, type Pair } from "./pairs";
import { stripOf } from "./strip";
import type { LineUpState, useLineUp } from "./useLineUp";

const Lines = styled(Table)`
  [data-last] {
    padding-left: 1.2rem;
  }
  @media (max-width: 600px) {
    [data-drift] {
      display: none;
    }
  }
`;

const Line = styled.tr`
  cursor: pointer;
  &[data-chosen] {
    background: var(--chalk-soft);
    box-shadow: inset 4px 0 0 var(--chalk);
  }
  th,
  td:first-child {
    padding-left: 0.6rem;
  }
  button {
    border: 0;
    background: none;
    color: inherit;
    font: inherit;
    font-weight: 600;
    text-align: left;
    padding: 0;
    min-height: var(--hit);
    cursor: pointer;
  }
`;

const Apart = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    padding: 0.4rem 0;
    border-top: 1px solid var(--seam-soft);
  }
`;

type Done = Extract<LineUpState, { phase: "done" }>;

/** How much of a match one may trust, in words. */
const sureWord = ({ confidence, nudgeS, by }: MatchBody): string => {
  if (by === "clap") return "by clap";
  if (nudgeS !== 0) return "by hand";
  return confidence > 0.99 ? "sure" : confidence > 0.9 ? "likely" : "listen";
};

const driftOf = ({ driftPpm }: MatchBody): string =>
  driftPpm === null
    ? "too short to tell"
    : `${driftPpm
        .toFixed(1)
        .replace(/^-0\.0$/, "0.0")
        .replace("-", "−")} ppm`;

const rowOf = ({ body }: Pair): Cell[] => {
  const overlap = overlapOf(body);
  return [
    ...[nameOf(body.picture), nameOf(body.sound), Number(offsetOf(body).toFixed(6)), body.driftPpm],
    Number(partsOf({ ...body, overlap }).driftMs.toFixed(2)),
    ...[Number((overlap.toS - overlap.fromS).toFixed(3)), body.confidence, body.nudgeS !== 0],
  ];
};
const HEAD = ["picture", "sound", "offset s", "drift ppm", "drift ms", "overlap s", "sure", "by hand"];

/** Files that have no partner, and why. */
function leftOf({ pictures, sounds, found }: Done): { path: string; says: AnyMessage }[] {
  const of = (files: readonly Scanned[], reasons: Done["found"]["pictures"], isPicture: boolean) =>
    files.flatMap(({ path, says }, at) => {
      const reason = reasons[at];
      if (says) return [{ path, says }];
      return reason ? [{ path, says: reasonOf(reason, isPicture) }] : [];
    });
  const byClock = found.byClock.map(({ picture, sound }) => ({
    path: pictures[picture]!.path,
    says: { code: "sync.byClock", name: nameOf(sounds[sound]!.path) } as const,
  }));
  return [...of(pictures, found.pictures, true), ...byClock, ...of(sounds, found.sounds, false)];
}

/** Saves what belongs together as lists for the edit. */
function SaveLists({ pairs }: { pairs: readonly Pair[] }) {
  const { bundle } = useShoot();
  const save = async (format: "EDL" | "OTIO" | "CSV") => {
    if (format === "CSV") return saveCsv("matches.csv", [HEAD, ...pairs.map(rowOf)]);
    const { edlOf, otioOf } = await import("@/core/lists");
    const { title, frameRate } = bundle.shoot.body;
    const list = cutListOf(pairs, { title, frameRate, isDrop: isDropRate(frameRate) });
    if (format === "EDL") saveFile("matches.edl", "text/plain;charset=utf-8", edlOf(list));
    else saveFile("matches.otio", "application/json", otioOf(list));
  };
  return (
    <Row role="group" aria-label="Save the list">
      <Download size={18} aria-hidden />
      {(["EDL", "OTIO", "CSV"] as const).map((format) => (
        <Button key={format} aria-label={`Save as ${format}`} onPress={() => void save(format)}>
          {format}
        </Button>
      ))}
    </Row>
  );
}

/** How many picture files have their sound: of those that were dropped, or of those that are kept. */
function verdictOf(pairs: readonly Pair[], done: Done | null): AnyMessage {
  const paired = new Set(pairs.map(({ body }) => body.picture));
  if (paired.size === 0) return { code: "sync.none" };
  const pictures = new Set([...paired, ...(done?.pictures ?? []).map(({ path }) => path)]);
  const sounds = new Set([...pairs.map(({ body }) => body.sound), ...(done?.sounds ?? []).map(({ path }) => path)]);
  return { code: "sync.sum", paired: paired.size, pictures: pictures.size, sounds: sounds.size };
}

/** What belongs together, and what does not. */
export function LinedUpView(props: {
  pairs: readonly Pair[];
  done: Done | null;
  door: ReturnType<typeof useLineUp>["door"];
  editDoor: AskEdit;
}) {
  const { pairs, done, door, editDoor } = props;
  const { bundle } = useShoot();
  const store = useShootStore();
  const remove = useRemoval();
  const [wanted, setWanted] = useState<string | null>(null);
  const chosen = pairs.find(({ id }) => id === wanted) ?? pairs[0] ?? null;
  const left = done ? leftOf(done) : [];
  const lone = (done?.sounds ?? []).filter(({ path }) => !pairs.some(({ body }) => body.sound === path));
  const lonePictures = (done?.pictures ?? []).filter(
    ({ path, seconds }) => seconds > 0 && !pairs.some(({ body }) => body.picture === path),
  );
  const onClap = (picture: Scanned, sound: Scanned, offsetS: number) =>
    keepClap(store, bundle.shoot.id, picture, sound, offsetS);
  const nudge = ({ id }: Pair, nudgeS: number) =>
    // What is nudged there and back is as it was found.
    store.edit("match", id, (body) => ({ ...body, nudgeS: Math.abs(nudgeS) < 1e-9 ? 0 : nudgeS }));
  return (
    <Columns $template="minmax(0, 3fr) minmax(20rem, 2fr)">
      <Stack>
        <Piece aria-label="Matches">
          <Stack $gap={0.8}>
            <Row $between>
              <Lead role="status" data-part="verdict">
                {say(verdictOf(pairs, done))}
              </Lead>
              {pairs.length > 0 && <SaveLists pairs={pairs} />}
            </Row>
            {pairs.length > 0 && <DayStrip strip={stripOf(pairs, lone)} chosen={chosen?.id ?? null} />}
            {pairs.length > 0 && (
              <TableScroll aria-label="Matches, one a line">
                <Lines>
                  <thead>
                    <tr>
                      <th>Picture</th>
                      <th>Sound</th>
                      <th data-figure>Starts at</th>
                      <th data-figure data-drift>
                        Drift
                      </th>
                      <th data-last>Match</th>
                    </tr>
                  </thead>
                  <tbody>
                    {pairs.map(({ id, body }) => (
                      <Line key={id} data-chosen={id === chosen?.id || undefined} onClick={() => setWanted(id)}>
                        <th scope="row">
                          <button type="button" aria-pressed={id === chosen?.id}>
                            {nameOf(body.picture)}
                          </button>
                        </th>
                        <td>{nameOf(body.sound)}</td>
                        <td data-figure>{clockTime(offsetOf(body))}</td>
                        <td data-figure data-drift>
                          {driftOf(body)}
                        </td>
                        <td data-last>{sureWord(body)}</td>
                      </Line>
                    ))}
                  </tbody>
                </Lines>
              </TableScroll>
            )}
          </Stack>
        </Piece>
        {left.length > 0 && (
          <Piece aria-label="Without a partner" $tight>
            <Stack $gap={0.3}>
              <h2>Without a partner</h2>
              <Apart>
                {left.map(({ path, says }, at) => (
                  <li key={at}>
                    <strong>{nameOf(path)}</strong>: {say(says)}
                  </li>
                ))}
              </Apart>
            </Stack>
          </Piece>
        )}
        {done && lonePictures.length > 0 && (
          <ClapView pictures={lonePictures} sounds={done.sounds} door={door} onKeep={onClap} />
        )}
      </Stack>
      {chosen && (
        <Piece aria-label="Close up">
          <MatchDetail
            key={chosen.id}
            pair={chosen}
            frameRate={bundle.shoot.body.frameRate}
            onNudge={(nudgeS) => nudge(chosen, nudgeS)}
            onRemove={() => remove("match", chosen.id, `The match of ${nameOf(chosen.body.picture)}`)}
            door={door}
            editDoor={editDoor}
          />
        </Piece>
      )}
    </Columns>
  );
}
