"use client";

import { Check, Download, Play } from "lucide-react";
import { useMemo, useRef, useState } from "react";
import styled from "styled-components";
import { say } from "@/messages";
import { Button } from "@/ui/Button";
import { Disclosure } from "@/ui/Disclosure";
import { Tick } from "@/ui/Ticks";
import { Lead, Row, Soft, Stack } from "@/ui/layout";
import { showToast } from "@/ui/toasts";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { takeName } from "../roll/rollWords";
import { type CardLog, cardLogOf, type LogMatch } from "./cardLog";
import { type Card, factsOf } from "./useCard";
import { pickFolder } from "../files/pickFolder";
import { writeCopies } from "./writeCopies";

const Matches = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  max-height: 20rem;
  overflow-y: auto;
  li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.3rem 0.8rem;
    min-height: var(--row);
    border-top: 1px solid var(--seam-soft);
  }
  strong {
    min-width: 9rem;
  }
`;

/** So much of a doubtful file is heard, s. */
const HEARD_S = 1.5;
/** So much off is worth a word, s. */
const DIFFERS_S = 4;

const baseName = (path: string): string => path.replace(/^.*[\\/]/, "");
const keyOf = ({ takes, files }: LogMatch): string => `${takes[0]!.id} ${files[0]!.id}`;

function useHear() {
  const player = useRef<HTMLAudioElement | null>(null);
  return (file: File) => {
    player.current?.pause();
    const url = URL.createObjectURL(file);
    const audio = new Audio(url);
    player.current = audio;
    void audio.play().catch(() => undefined);
    setTimeout(() => {
      audio.pause();
      URL.revokeObjectURL(url);
    }, HEARD_S * 1000);
  };
}

/** The value as it was when the key was last another: measuring tells its progress ten times a second, and matches stay. */
function useSameWhile<Value>(key: string, value: Value): Value {
  const [kept, keep] = useState({ key, value });
  if (kept.key === key) return kept.value;
  keep({ key, value });
  return value;
}

/** What the log and the card have in common: who is sure, who is asked, and copies that say it. */
export function CardLogView({ card }: { card: Card }) {
  const { bundle } = useShoot();
  const store = useShootStore();
  const hear = useHear();
  const [confirmed, setConfirmed] = useState<ReadonlySet<string>>(new Set());
  const [isWriting, setWriting] = useState(false);
  const [isPerTrack, setPerTrack] = useState(false);
  const isRead = card.files.every(({ head, state }) => head !== undefined || state.phase === "measured");
  const known = card.files.map((item) => `${item.id}${factsOf(item) ? "" : "?"}`).join(" ");
  const found = useSameWhile(known, card.files);
  const log: CardLog | null = useMemo(() => (isRead ? cardLogOf(bundle, found) : null), [bundle, found, isRead]);
  if (!log) return null;
  const { matches, takesLeft, filesLeft, clock } = log;
  const isTaken = (match: LogMatch) => match.isSure || confirmed.has(keyOf(match));
  const taken = matches.filter(isTaken);
  const isKept = (match: LogMatch) =>
    match.files.every(({ path }) => match.takes[0]!.body.files.some(({ name }) => name === baseName(path)));
  const toKeep = taken.filter((match) => !isKept(match));
  const files = matches.reduce((sum, match) => sum + match.files.length, 0);
  const keep = () => {
    for (const { takes, files: own } of toKeep)
      for (const { id } of takes)
        store.edit("roll", id, (body) => ({
          ...body,
          files: own.map((item) => ({
            name: baseName(item.path),
            lengthS: factsOf(item)?.durationS ?? 0,
            hash: null,
            isSure: true,
          })),
        }));
    showToast({ says: `${toKeep.length} takes have their files.` });
  };
  const write = async () => {
    const folder = await pickFolder();
    if (folder === "none") return;
    setWriting(true);
    const { written, refusal } = await writeCopies(bundle, taken, { folder, isPerTrack });
    setWriting(false);
    if (refusal) showToast({ says: `${written} files written, then: ${refusal}`, stays: true });
    else showToast({ says: `${written} files written. The card is as it was.` });
  };
  return (
    <Stack $gap={0.5}>
      <Row $between>
        <Lead role="status">
          {say({
            code: "match.sum",
            matched: taken.reduce((sum, match) => sum + match.takes.length, 0),
            takes: matches.reduce((sum, match) => sum + match.takes.length, 0) + takesLeft.length,
            files,
            doubtful: matches.length - taken.length,
          })}
        </Lead>
        <Row $gap={0.5}>
          {toKeep.length > 0 && (
            <Button look="main" onPress={keep}>
              Add {toKeep.length} to the log
            </Button>
          )}
          {taken.length > 0 && <Tick label="One file per track" isOn={isPerTrack} onChange={setPerTrack} />}
          {taken.length > 0 && (
            <Button isPending={isWriting} onPress={() => void write()}>
              <Download size={18} aria-hidden /> Copies with names and notes
            </Button>
          )}
        </Row>
      </Row>
      <Soft>{clock.map(say).join(" ")}</Soft>
      {matches.length === 0 && <Soft role="alert">{say({ code: "match.otherDay" })}</Soft>}
      <Disclosure title="Takes and their files" isOpenAtFirst={matches.length > taken.length}>
        <Matches aria-label="Takes and their files">
          {matches.map((match) => {
            const { takes, files: own, longerByS } = match;
            const says = [
              ...(own.length > 1 ? [say({ code: "match.split", files: own.length })] : []),
              ...(takes.length > 1 ? [say({ code: "match.joined", takes: takes.length })] : []),
              ...(longerByS !== null && Math.abs(longerByS) > DIFFERS_S
                ? [say({ code: "match.lengthDiffers", byS: longerByS })]
                : []),
            ];
            return (
              <li key={keyOf(match)}>
                {isTaken(match) && <Check size={18} aria-label="Matched" />}
                <strong>{takes.map(({ body }) => takeName(body)).join(", ")}</strong>
                <span>{own.map(({ path }) => baseName(path)).join(", ")}</span>
                {says.length > 0 && <Soft>{says.join(", ")}</Soft>}
                {!isTaken(match) && (
                  <>
                    <Button onPress={() => hear(own[0]!.file)}>
                      <Play size={16} aria-hidden /> Hear a second
                    </Button>
                    <Button onPress={() => setConfirmed((now) => new Set([...now, keyOf(match)]))}>Confirm</Button>
                  </>
                )}
              </li>
            );
          })}
          {takesLeft.map(({ id, body }) => (
            <li key={id}>
              <strong>{takeName(body)}</strong>
              <Soft>{say({ code: "match.noFile" })}</Soft>
            </li>
          ))}
          {filesLeft.map(({ file, isFalseStart }) => (
            <li key={file.id}>
              <strong>{baseName(file.path)}</strong>
              <Soft>{say({ code: isFalseStart ? "match.falseStart" : "match.notLogged" })}</Soft>
            </li>
          ))}
        </Matches>
      </Disclosure>
    </Stack>
  );
}
