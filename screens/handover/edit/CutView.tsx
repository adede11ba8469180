"use client";

import { Download, Square, Volume2 } from "lucide-react";
import { useEffect, useMemo, useState } from "react";
import styled from "styled-components";
import { type CutPlan, lengthOf, proposedCut, segmentsOf } from "@/core/cut";
import type { SoundCut } from "@/core/lists";
import { isDropRate } from "@/core/timecode";
import { useShoot } from "@/data/ShootProvider";
import { say } from "@/messages";
import { Button } from "@/ui/Button";
import { Lead, Row, Soft, Stack } from "@/ui/layout";
import { Slider } from "@/ui/Slider";
import { Tick } from "@/ui/Ticks";
import type { Opened } from "@/workers/editWorker";
import { saveFile } from "../../files/saveFile";
import { Working } from "./Opening";
import { cutLengths, eventCounts } from "./cutWords";
import { PhraseStrip } from "./PhraseStrip";
import { nameWith, pickTarget, savedAs } from "./saveSound";
import { useShare } from "./useShare";
import type { Editing } from "./useEditing";
import { usePlay } from "./usePlay";

const FORM = { bits: 24, isFloat: false } as const;
/** So much of a cut is heard at a press, s. */
const HEARD_S = 90;
/** A pause that may be as long as it was. */
const LONGEST_PAUSE_S = 3;

const Phrases = styled.ol`
  margin: 0;
  padding: 0;
  list-style: none;
  max-height: 18rem;
  overflow-y: auto;
  border-bottom: 1px solid var(--seam-soft);
  li {
    display: grid;
    grid-template-columns: 7rem 4rem minmax(0, 1fr) auto auto;
    gap: 0.6rem;
    align-items: center;
    border-top: 1px solid var(--seam-soft);
    content-visibility: auto;
    contain-intrinsic-size: auto 40px;
    font-variant-numeric: tabular-nums;
  }
  li[data-drop] > span:not([data-mark], [data-why]) {
    color: var(--ink-soft);
    text-decoration: line-through;
  }
  @media (max-width: 600px) {
    li {
      grid-template-columns: 4.5rem 3.2rem minmax(0, 1fr) auto;
    }
    li > [data-mark] {
      display: none;
    }
  }
`;

type Phrase = CutPlan["phrases"][number];

/** A time in minutes and seconds. */
const clock = (seconds: number): string => `${Math.floor(seconds / 60)}:${(seconds % 60).toFixed(1).padStart(4, "0")}`;

/** Phrases, kept or dropped, with shorter pauses; heard at once, saved as a list and as a sound. */
export function CutView({ file, opened, editing }: { file: File; opened: Opened; editing: Editing }) {
  const { door, keepDraft } = editing;
  const { phrases, frames, sampleRateHz, overview, startS } = opened;
  const { bundle } = useShoot();
  const heard = editing.draftOf(file).cut ?? null;
  const isHeard = heard !== null;
  const [fault, setFault] = useState<string | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  const { share, begin, end } = useShare();
  const [says, setSays] = useState<string | null>(null);
  const { playing, play, stop } = usePlay();
  useEffect(() => {
    if (isHeard || phrases.length === 0) return;
    let isOver = false;
    void door()
      .pauses(file, phrases)
      .then((answer) => {
        if (isOver) return;
        if ("refused" in answer) setFault(say(answer.refused));
        else {
          const { pauses, restarted } = answer.value;
          keepDraft(file, { cut: { pauses, plan: proposedCut(phrases, restarted) } });
        }
      });
    return () => {
      isOver = true;
    };
  }, [door, file, phrases, isHeard, keepDraft]);
  const segments = useMemo(
    () => (heard ? segmentsOf(heard.plan, heard.pauses, { frames, sampleRateHz }) : []),
    [heard, frames, sampleRateHz],
  );
  if (phrases.length === 0) return <Lead>Nobody speaks in {file.name}.</Lead>;
  if (fault) return <p role="alert">{fault}</p>;
  if (!heard) return <Soft role="status">Listening to the pauses</Soft>;

  const { plan, pauses } = heard;
  const change = (own: Partial<CutPlan>) => keepDraft(file, { cut: { pauses, plan: { ...plan, ...own } } });
  const changePhrase = (at: number, own: Partial<Phrase>) =>
    change({ phrases: plan.phrases.map((phrase, index) => (index === at ? { ...phrase, ...own } : phrase)) });
  const { breaths, smacks } = eventCounts(pauses);
  const isS = lengthOf(segments, sampleRateHz);
  const longest = plan.longestPauseS ?? LONGEST_PAUSE_S;
  const hear = async () => {
    if (playing) {
      stop();
      return;
    }
    const answer = await door().hearCut(file, segments, HEARD_S);
    if ("refused" in answer) setSays(say(answer.refused));
    else await play("cut", answer.value.samples, answer.value.sampleRateHz);
  };
  const save = async () => {
    const name = nameWith(file, "cut");
    const target = await pickTarget(name);
    if (target === "none") return;
    const history = `A=PCM,F=${sampleRateHz},W=24,T=Hypophon; cut to ${clock(isS)}`;
    setSays(null);
    const onProgress = begin();
    const answer = await door().cut(file, segments, FORM, history, target, onProgress);
    end();
    setSays(savedAs(name, target, answer));
  };
  const saveList = async (format: "EDL" | "OTIO" | "JSON") => {
    const stem = file.name.replace(/\.[^.]*$/, "");
    if (format === "JSON") {
      saveFile(`${stem} cut.json`, "application/json", `${JSON.stringify(plan, null, 1)}\n`);
      return;
    }
    const { cutEdlOf, cutOtioOf } = await import("@/core/lists");
    const { frameRate } = bundle.shoot.body;
    const cut: SoundCut = {
      ...{ title: file.name, name: file.name, frameRate, isDrop: isDropRate(frameRate) },
      ...{ startS, sampleRateHz, frames, segments },
    };
    if (format === "EDL") saveFile(`${stem} cut.edl`, "text/plain;charset=utf-8", cutEdlOf(cut));
    else saveFile(`${stem} cut.otio`, "application/json", cutOtioOf(cut));
  };
  return (
    <Stack $gap={0.8}>
      <Lead role="status" data-part="verdict">
        {cutLengths(frames / sampleRateHz, isS, plan.phrases)}
      </Lead>
      <PhraseStrip
        {...{ overview, chosen, phrases: plan.phrases, durationS: frames / sampleRateHz }}
        onChoose={(at) => {
          setChosen(at);
          changePhrase(at, { decision: plan.phrases[at]!.decision === "keep" ? "drop" : "keep" });
        }}
      />
      <Row>
        <Slider
          label="Pauses at most"
          value={longest}
          {...{ minimum: 0.1, maximum: LONGEST_PAUSE_S, step: 0.1 }}
          says={plan.longestPauseS === null ? "as they are" : `${longest.toFixed(1)} s`}
          onChange={(value) => change({ longestPauseS: value >= LONGEST_PAUSE_S ? null : Number(value.toFixed(1)) })}
        />
        <Tick
          label={`Breaths go (${breaths})`}
          isOn={plan.dropsBreaths}
          isDisabled={breaths === 0}
          onChange={(dropsBreaths) => change({ dropsBreaths })}
        />
        <Tick
          label={`Lip smacks go (${smacks})`}
          isOn={plan.dropsSmacks && smacks > 0}
          isDisabled={smacks === 0}
          onChange={(dropsSmacks) => change({ dropsSmacks })}
        />
      </Row>
      <Phrases aria-label="Phrases">
        {plan.phrases.map((phrase, at) => (
          <li key={at} data-drop={phrase.decision === "drop" || undefined}>
            <span>{clock(phrase.startS)}</span>
            <span>{(phrase.endS - phrase.startS).toFixed(1)} s</span>
            <span data-why>{phrase.why === "falseStart" ? "begun again after it" : ""}</span>
            <Tick
              label={`Keep the phrase at ${clock(phrase.startS)}`}
              isPlain
              isOn={phrase.decision === "keep"}
              onChange={(isOn) => changePhrase(at, { decision: isOn ? "keep" : "drop" })}
            />
            <span data-mark>
              <Button
                look="quiet"
                aria-pressed={phrase.isMarked}
                aria-label={`Mark the phrase at ${clock(phrase.startS)}`}
                onPress={() => changePhrase(at, { isMarked: !phrase.isMarked })}
              >
                {phrase.isMarked ? "Marked" : "Mark"}
              </Button>
            </span>
          </li>
        ))}
      </Phrases>
      {share !== null && <Working says="Writing the cut" share={share} />}
      <Row>
        <Button look="main" isDisabled={segments.length === 0 || share !== null} onPress={() => void save()}>
          <Download size={18} aria-hidden /> Save the cut
        </Button>
        <Button isDisabled={segments.length === 0} onPress={() => void hear()}>
          {playing ? <Square size={16} aria-hidden /> : <Volume2 size={18} aria-hidden />} Hear the cut
        </Button>
        <Row role="group" aria-label="Save the list">
          {(["EDL", "OTIO", "JSON"] as const).map((format) => (
            <Button key={format} aria-label={`Save as ${format}`} onPress={() => void saveList(format)}>
              {format}
            </Button>
          ))}
        </Row>
        {says && <Soft role="status">{says}</Soft>}
      </Row>
    </Stack>
  );
}
