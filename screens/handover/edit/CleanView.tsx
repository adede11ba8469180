"use client";

import { Download, Square, Volume2 } from "lucide-react";
import { useState } from "react";
import styled from "styled-components";
import { treatmentMessage, type Treatment } from "@/core/clean";
import { say } from "@/messages";
import { Button } from "@/ui/Button";
import { Lead, Row, Soft, Stack } from "@/ui/layout";
import { Slider } from "@/ui/Slider";
import { Table, TableScroll } from "@/ui/Table";
import { Tick } from "@/ui/Ticks";
import type { Compared, Opened } from "@/workers/editWorker";
import { clockTime } from "../matchWords";
import { Working } from "./Opening";
import { nameWith, pickTarget, savedAs } from "./saveSound";
import { choicesOf, COMPARED_S, type Chosen, placeToCompare, planOf, threeToHear } from "./treatments";
import { useShare } from "./useShare";
import type { AskEdit } from "./useEditDoor";
import type { Editing } from "./useEditing";
import { usePlay } from "./usePlay";

const Choices = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(10rem, 16rem);
    gap: 0.3rem 1rem;
    align-items: center;
    padding: 0.35rem 0;
    border-top: 1px solid var(--seam-soft);
  }
  @media (max-width: 600px) {
    li {
      grid-template-columns: 1fr;
    }
  }
`;

const FORM = { bits: 24, isFloat: false } as const;
/** Redrawn peaks go beyond full scale, which only float keeps. */
const FLOAT = { bits: 32, isFloat: true } as const;

const figure = (value: number | null): string => (value === null ? "−∞" : value.toFixed(1).replace("-", "−"));

/** An amount that may be moved; null where there is none. */
function Amount({ treatment, onChange }: { treatment: Treatment; onChange: (treatment: Treatment) => void }) {
  if (treatment.kind === "noise")
    return (
      <Slider
        label="By"
        value={treatment.byDb}
        {...{ minimum: 1, maximum: 24, step: 1 }}
        says={`${treatment.byDb} dB`}
        onChange={(byDb) => onChange({ ...treatment, byDb })}
      />
    );
  if (treatment.kind === "lowCut")
    return (
      <Slider
        label="Corner"
        value={treatment.cornerHz}
        {...{ minimum: 20, maximum: 200, step: 1 }}
        says={`${treatment.cornerHz} Hz`}
        onChange={(cornerHz) => onChange({ ...treatment, cornerHz })}
      />
    );
  return null;
}

const isSame = (one: Chosen, other: Chosen): boolean =>
  one.channel === other.channel && one.treatment.kind === other.treatment.kind;

/** What it takes to hear a stretch before and after. */
function Compare(props: { file: File; opened: Opened; choices: readonly Chosen[]; door: AskEdit }) {
  const { file, opened, choices, door } = props;
  const { measurement, phrases, frames, sampleRateHz } = opened;
  const on = choices.filter(({ isOn }) => isOn);
  const [compared, setCompared] = useState<{ of: string; fromS: number; result: Compared } | null>(null);
  const [isBusy, setBusy] = useState(false);
  const { playing, play, stop } = usePlay();
  const [first] = on;
  if (!first) return null;
  const treatments = on.filter(({ channel }) => channel === first.channel).map(({ treatment }) => treatment);
  const key = JSON.stringify([first.channel, treatments]);
  const fromS = placeToCompare(measurement, first, phrases[0]?.startS ?? 0, frames / sampleRateHz);
  const hear = async (what: "before" | "after" | "taken") => {
    if (playing === what) {
      stop();
      return;
    }
    let known = compared?.of === key ? compared : null;
    if (!known) {
      setBusy(true);
      const answer = await door().compare(file, treatments, first.channel, fromS, COMPARED_S);
      setBusy(false);
      if ("refused" in answer) return;
      known = { of: key, fromS, result: answer.value };
      setCompared(known);
    }
    const { before, after, figures } = known.result;
    const lines = threeToHear(before, after, [figures[0]!.lufs, figures[1]!.lufs]);
    await play(what, lines[what], known.result.sampleRateHz);
  };
  const isKnown = compared?.of === key;
  const names = { before: "Before", after: "After", taken: "What is taken out" } as const;
  return (
    <Stack $gap={0.5}>
      <Row role="group" aria-label="Hear it">
        {(["before", "after", "taken"] as const).map((what) => (
          <Button key={what} isDisabled={isBusy} onPress={() => void hear(what)}>
            {playing === what ? <Square size={16} aria-hidden /> : <Volume2 size={18} aria-hidden />} {names[what]}
          </Button>
        ))}
        <Soft>
          {COMPARED_S} s from {clockTime(fromS)}, track {first.channel + 1}, at equal loudness
        </Soft>
      </Row>
      {isKnown && (
        <TableScroll aria-label="Before and after">
          <Table>
            <thead>
              <tr>
                <th>Of these {COMPARED_S} s</th>
                <th data-figure>Speech</th>
                <th data-figure>Noise</th>
              </tr>
            </thead>
            <tbody>
              {compared.result.figures.map(({ speechDbfs, noiseDbfs }, at) => (
                <tr key={at}>
                  <th scope="row">{at === 0 ? "Before" : "After"}</th>
                  <td data-figure>{figure(speechDbfs)} dBFS</td>
                  <td data-figure>{figure(noiseDbfs)} dBFS</td>
                </tr>
              ))}
            </tbody>
          </Table>
        </TableScroll>
      )}
    </Stack>
  );
}

/** What a recording asks for, with its amounts; heard before and after, and saved as a new file. */
export function CleanView({ file, opened, editing }: { file: File; opened: Opened; editing: Editing }) {
  const { door } = editing;
  const choices = editing.draftOf(file).clean ?? choicesOf(opened);
  const { share, begin, end } = useShare();
  const [says, setSays] = useState<string | null>(null);
  const set = (changed: Chosen) =>
    editing.keepDraft(file, { clean: choices.map((each) => (isSame(each, changed) ? changed : each)) });
  const plan = planOf(choices);
  const asked = choices.filter(({ isWish }) => !isWish);
  const save = async () => {
    const name = nameWith(file, "clean");
    const target = await pickTarget(name);
    if (target === "none") return;
    const isGuess = plan.channels.some(({ treatments }) => treatments.some(({ kind }) => kind === "clipping"));
    const form = isGuess ? FLOAT : FORM;
    const done = plan.channels.map(
      ({ channel, treatments }) =>
        `${channel + 1}: ${treatments.map((each) => say(treatmentMessage(each))).join(", ")}`,
    );
    const history = `A=PCM,F=${opened.sampleRateHz},W=${form.bits},T=Hypophon; ${done.join("; ")}`;
    setSays(null);
    const onProgress = begin();
    const answer = await door().clean(file, plan, form, history, target, onProgress);
    end();
    setSays(savedAs(name, target, answer));
  };
  return (
    <Stack $gap={0.8}>
      <Lead role="status" data-part="verdict">
        {asked.length === 0 ? say({ code: "clean.nothing" }) : `${file.name}: cleaned no more than it needs.`}
      </Lead>
      {choices.length > 0 && (
        <Choices aria-label="What is done">
          {choices.map((each) => (
            <li key={`${each.channel} ${each.treatment.kind}`}>
              <Tick
                label={`${opened.channels > 1 ? `Track ${each.channel + 1}: ` : ""}${say(treatmentMessage(each.treatment))}${each.isWish ? " (if you wish)" : ""}`}
                isOn={each.isOn}
                onChange={(isOn) => set({ ...each, isOn })}
              />
              {each.isOn && <Amount treatment={each.treatment} onChange={(treatment) => set({ ...each, treatment })} />}
            </li>
          ))}
        </Choices>
      )}
      <Compare file={file} opened={opened} choices={choices} door={door} />
      {share !== null && <Working says="Cleaning it" share={share} />}
      <Row>
        <Button look="main" isDisabled={plan.channels.length === 0 || share !== null} onPress={() => void save()}>
          <Download size={18} aria-hidden /> Save a clean copy
        </Button>
        <Soft role="status">{says ?? "The recording itself stays as it is."}</Soft>
      </Row>
    </Stack>
  );
}
