"use client";

import { Plus, X } from "lucide-react";
import { useState } from "react";
import styled from "styled-components";
import type { Stored } from "@/core/records";
import { markName } from "@/messages";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Row, Soft, Stack } from "@/ui/layout";
import { useStationKeys } from "../shell/stationKeys";
import { elapsedS } from "./rollClock";
import { runTime } from "./rollWords";
import type { Rolling } from "./useRolling";

const Pad = styled.div`
  display: grid;
  gap: 0.4rem;
  grid-template-columns: repeat(5, minmax(0, 1fr));
  @media (max-width: 600px) {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
`;

const Key = styled(Button)`
  min-height: 52px;
  padding: 0.3rem 0.5rem;
  justify-content: flex-start;
  text-align: left;
  line-height: 1.15;
  kbd {
    font: inherit;
    font-size: 0.8rem;
    color: var(--ink-soft);
    min-width: 1ch;
    @media (pointer: coarse) {
      display: none;
    }
  }
`;

const Marks = styled.ol`
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    display: flex;
    align-items: center;
    gap: 0.6rem;
    border-top: 1px dashed var(--seam-soft);
  }
  time {
    min-width: 3.2rem;
    font-variant-numeric: tabular-nums;
  }
  span {
    flex: 1;
    min-width: 0;
  }
`;

const Wide = styled.div`
  min-width: 9rem;
`;

const keyOf = (at: number): string => String((at + 1) % 10);
const ALL = "all";

/** Marks of one take, the newest first. */
export function MarkList({
  marks,
  rolling,
  most,
}: {
  marks: readonly Stored<"mark">[];
  rolling: Rolling;
  most?: number;
}) {
  const shown = marks.toReversed().slice(0, most ?? marks.length);
  if (shown.length === 0) return null;
  return (
    <Marks aria-label="Marks">
      {shown.map(({ id, body }) => (
        <li key={id}>
          <time>{runTime(body.atS)}</time>
          <span>
            {markName(body.kind)}
            {body.note && `: ${body.note}`}
            {body.isProposal && " (heard)"}
          </span>
          {body.isProposal && <Button onPress={() => rolling.editMark(id, { isProposal: false })}>Keep</Button>}
          <Button
            look="quiet"
            aria-label={`Remove ${markName(body.kind)} at ${runTime(body.atS)}`}
            onPress={() => rolling.removeMark(id, markName(body.kind))}
          >
            <X size={18} aria-hidden />
          </Button>
        </li>
      ))}
    </Marks>
  );
}

/** One press marks this second: ten kinds on the keys, the rest in a list, words by typing. */
export function MarkPad({ rolling, marks }: { rolling: Rolling; marks: readonly Stored<"mark">[] }) {
  const { running, keys, kinds } = rolling;
  const [trackId, setTrackId] = useState<string>(ALL);
  const [words, setWords] = useState("");
  const [openedAt, setOpenedAt] = useState<number | null>(null);
  const tracks = running?.body.tracks ?? [];
  const track = tracks.some(({ id }) => id === trackId) ? trackId : null;
  const press = (kind: string) => void rolling.markNow(kind, track);
  const commands = [
    ...(running
      ? keys.map((kind, at) => ({ key: keyOf(at), says: `Mark: ${markName(kind)}`, run: () => press(kind) }))
      : []),
    {
      key: "r",
      says: running ? "Stop the take" : "Start a take",
      run: () => void (running ? rolling.stop(running.id) : rolling.start()),
    },
  ];
  useStationKeys(commands);
  const note = () => {
    if (!running || words.trim() === "") return;
    rolling.mark(running.id, openedAt ?? elapsedS(running.id, running.body.startedAt), {
      ...{ kind: "note", note: words.trim().slice(0, 500), trackId: track },
    });
    setWords("");
    setOpenedAt(null);
  };
  if (!running) return null;
  return (
    <Stack $gap={0.6}>
      {tracks.length > 1 && (
        <Choice
          isPlain
          label="Track of the mark"
          value={track ?? ALL}
          options={[{ value: ALL, name: "All tracks" }, ...tracks.map(({ id, name }) => ({ value: id, name }))]}
          onChange={setTrackId}
        />
      )}
      <Pad role="group" aria-label="Mark now">
        {keys.map((kind, at) => (
          <Key key={kind} onPress={() => press(kind)}>
            <kbd>{keyOf(at)}</kbd> {markName(kind)}
          </Key>
        ))}
      </Pad>
      <Row $low $gap={0.5}>
        <Wide>
          <Select
            label="Another kind"
            value=""
            options={kinds
              .filter((kind) => !keys.includes(kind))
              .map((kind) => ({ value: kind, name: markName(kind) }))}
            onChange={press}
          />
        </Wide>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            note();
          }}
        >
          <Row $low $gap={0.4}>
            <TextField
              label="Note at this moment"
              value={words}
              maxLength={500}
              fault={() => null}
              onChange={(text) => {
                // The moment is when one begins to type.
                if (words === "") setOpenedAt(elapsedS(running.id, running.body.startedAt));
                setWords(text);
              }}
            />
            <Button type="submit">
              <Plus size={18} aria-hidden /> Add note
            </Button>
          </Row>
        </form>
      </Row>
      {marks.length > 0 ? <MarkList marks={marks} rolling={rolling} most={4} /> : <Soft>No marks yet.</Soft>}
    </Stack>
  );
}
