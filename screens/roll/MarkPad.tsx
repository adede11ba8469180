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
import type { RollActions } from "./rollActions";
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
  actions,
  most,
}: {
  marks: readonly Stored<"mark">[];
  actions: RollActions;
  most?: number;
}) {
  const shown = marks.toReversed().slice(0, most ?? marks.length);
  if (shown.length === 0) return null;
  return (
    <Marks aria-label="Marks">
      {shown.map((mark) => (
        <MarkLine key={mark.id} mark={mark} actions={actions} />
      ))}
    </Marks>
  );
}

function MarkLine({ mark: { id, body }, actions }: { mark: Stored<"mark">; actions: RollActions }) {
  return (
    <li>
      <time>{runTime(body.atS)}</time>
      <span>
        {markName(body.kind)}
        {body.note && `: ${body.note}`}
        {body.isProposal && " (heard)"}
      </span>
      {body.isProposal && <Button onPress={() => actions.editMark(id, { isProposal: false })}>Keep</Button>}
      <Button
        look="quiet"
        aria-label={`Remove ${markName(body.kind)} at ${runTime(body.atS)}`}
        onPress={() => actions.removeMark(id, markName(body.kind))}
      >
        <X size={18} aria-hidden />
      </Button>
    </li>
  );
}

/** What marks something: drawn once, not with every mark. */
interface Marking {
  track: string | null;
  actions: RollActions;
}

function KeyPad({ keys, track, actions }: Marking & { keys: readonly string[] }) {
  return (
    <Pad role="group" aria-label="Mark now">
      {keys.map((kind, at) => (
        <Key key={kind} onPress={() => void actions.markNow(kind, track)}>
          <kbd>{keyOf(at)}</kbd> {markName(kind)}
        </Key>
      ))}
    </Pad>
  );
}

function OtherKinds({ kinds, keys, track, actions }: Marking & { kinds: readonly string[]; keys: readonly string[] }) {
  return (
    <Wide>
      <Select
        label="Another kind"
        value=""
        options={kinds.filter((kind) => !keys.includes(kind)).map((kind) => ({ value: kind, name: markName(kind) }))}
        onChange={(kind) => void actions.markNow(kind, track)}
      />
    </Wide>
  );
}

function NoteNow({ rollId, startedAt, track, actions }: Marking & { rollId: string; startedAt: string }) {
  const [words, setWords] = useState("");
  const [openedAt, setOpenedAt] = useState<number | null>(null);
  const note = () => {
    if (words.trim() === "") return;
    actions.mark(rollId, openedAt ?? elapsedS(rollId, startedAt), {
      ...{ kind: "note", note: words.trim().slice(0, 500), trackId: track },
    });
    setWords("");
    setOpenedAt(null);
  };
  return (
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
            if (words === "") setOpenedAt(elapsedS(rollId, startedAt));
            setWords(text);
          }}
        />
        <Button type="submit">
          <Plus size={18} aria-hidden /> Add note
        </Button>
      </Row>
    </form>
  );
}

/**
 * One press marks this second: ten kinds on the keys, the rest in a list, words by typing. It stays in the page between takes,
 * out of sight, so that the take that starts finds it there.
 */
export function MarkPad({ rolling, marks }: { rolling: Rolling; marks: readonly Stored<"mark">[] }) {
  const { running, keys, kinds, actions } = rolling;
  const [trackId, setTrackId] = useState<string>(ALL);
  const tracks = running?.body.tracks ?? [];
  const track = tracks.some(({ id }) => id === trackId) ? trackId : null;
  const runningId = running?.id ?? null;
  const commands = [
    ...(runningId
      ? keys.map((kind, at) => ({
          ...{ key: keyOf(at), says: `Mark: ${markName(kind)}` },
          run: () => void actions.markNow(kind, track),
        }))
      : []),
    {
      key: "r",
      says: runningId ? "Stop the take" : "Start a take",
      run: () => void (runningId ? actions.stop(runningId) : actions.start()),
    },
  ];
  useStationKeys(commands);
  return (
    <div hidden={!running}>
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
        <KeyPad keys={keys} track={track} actions={actions} />
        <Row $low $gap={0.5}>
          <OtherKinds kinds={kinds} keys={keys} track={track} actions={actions} />
          <NoteNow
            key={runningId}
            rollId={runningId ?? ""}
            startedAt={running?.body.startedAt ?? ""}
            track={track}
            actions={actions}
          />
        </Row>
        {marks.length > 0 ? <MarkList marks={marks} actions={actions} most={4} /> : <Soft>No marks yet.</Soft>}
      </Stack>
    </div>
  );
}
