"use client";

import { say } from "@/messages";
import { later } from "@/ui/later";
import styled from "styled-components";
import { type LevelPlan, PEAK_OVER_SINE_DB, type StageLevels } from "@/core/chain";
import { minus } from "@/core/sound";
import type { Effort } from "@/core/voice";
import { Choice } from "@/ui/Choice";
import { Disclosure } from "@/ui/Disclosure";
import { Table, TableScroll } from "@/ui/Table";
import { Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";

const StairChart = later(() => import("@/ui/StairChart").then((module) => module.default), <Soft>One moment…</Soft>);

const Keys = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.1rem;
  font-size: 0.85rem;
  color: var(--ink-soft);
  li {
    display: flex;
    align-items: center;
    gap: 0.4rem;
  }
  svg {
    width: 22px;
    height: 14px;
  }
`;

/** Which voice the stairs show: what is planned for, or one line. */
export const SHOWN_VOICES = [
  { value: "planned", name: "As planned" },
  { value: "whisper", name: "Whisper" },
  { value: "normal", name: "Normal" },
  { value: "loud", name: "Loud" },
  { value: "shout", name: "Shout" },
] as const;
export type ShownVoice = (typeof SHOWN_VOICES)[number]["value"];

interface Shown {
  stage: StageLevels;
  softest: number;
  loudest: number;
  peak: number;
  /** What the stage takes; where it has no limit of its own, what comes before it lets through. */
  takes: number;
}

function shownStages({ stages }: LevelPlan, voice: ShownVoice): Shown[] {
  let takes = 0;
  return stages.map((stage, number) => {
    const before = stages[number - 1];
    if (stage.clip !== null) takes = stage.clip;
    else if (before) takes += stage.voices.normal - before.voices.normal;
    else takes = stage.peak;
    const level = (effort: Effort) => stage.voices[effort];
    const [softest, loudest] = voice === "planned" ? [stage.softest, stage.loudest] : [level(voice) - 6, level(voice)];
    return { stage, softest, loudest, peak: loudest + PEAK_OVER_SINE_DB, takes };
  });
}

/** What becomes of one voice at these settings. */
function voiceVerdict(shown: readonly Shown[], of: ShownVoice): string {
  const over = shown.find(({ stage, peak }) => stage.clip !== null && peak > stage.clip + 1e-6);
  const name = SHOWN_VOICES.find(({ value }) => value === of)!.name.toLowerCase();
  const voice = of === "planned" ? "the loudest line" : `a ${name} line`;
  return say(
    over
      ? {
          code: "levels.voiceClips",
          voice,
          stage: over.stage.name.toLowerCase(),
          overDb: Math.ceil(over.peak - over.stage.clip!),
        }
      : { code: "levels.voiceFits", voice, peakDbfs: shown.at(-1)!.peak },
  );
}

/** Every stage from the voice to the file: where the voice lies between its noise and its clip. */
export function Staircase(props: { plan: LevelPlan; voice: ShownVoice; onVoice: (voice: ShownVoice) => void }) {
  const { plan, voice } = props;
  const shown = shownStages(plan, voice);
  const { targetDbfs, ceilingDbfs } = plan.targets;
  return (
    <Stack $gap={0.5}>
      <VisuallyHidden as="h2">Stage by stage</VisuallyHidden>
      <Row $between>
        <p role="status">{voiceVerdict(shown, voice)}</p>
        <Choice isPlain label="Voice" value={voice} options={SHOWN_VOICES} onChange={props.onVoice} />
      </Row>
      <div data-part="picture">
        <StairChart
          says={`Levels at ${shown.length} stages; ${voiceVerdict(shown, voice)}`}
          stairs={shown.map(({ stage, softest, loudest, peak, takes }, number) => ({
            name: stage.name,
            softest: softest - takes,
            loudest: loudest - takes,
            peak: peak - takes,
            noise: stage.noise - takes,
            isOver: stage.clip !== null && peak > stage.clip + 1e-6,
            target: number === shown.length - 1 ? [targetDbfs - 3, ceilingDbfs] : null,
          }))}
        />
      </div>
      <Keys aria-label="What is drawn">
        <li>
          <svg viewBox="0 0 22 14" aria-hidden>
            <rect x="4" y="1" width="14" height="12" fill="var(--chalk)" />
          </svg>
          softest to loudest line
        </li>
        <li>
          <svg viewBox="0 0 22 14" aria-hidden>
            <path d="M2 7H20" stroke="var(--ink)" strokeWidth="3" />
          </svg>
          its peaks
        </li>
        <li>
          <svg viewBox="0 0 22 14" aria-hidden>
            <path d="M0 7H22" stroke="var(--bad)" strokeWidth="2" />
          </svg>
          clips
        </li>
        <li>
          <svg viewBox="0 0 22 14" aria-hidden>
            <rect x="4" y="3" width="14" height="11" fill="var(--seam-soft)" />
            <path d="M4 3H18" stroke="var(--seam)" strokeWidth="2" />
          </svg>
          noise
        </li>
        <li>
          <svg viewBox="0 0 22 14" aria-hidden>
            <rect x="2" y="2" width="18" height="10" fill="none" stroke="var(--good)" strokeWidth="2" />
          </svg>
          peaks should end here
        </li>
      </Keys>
      <Disclosure title="The figures">
        <TableScroll aria-label="Stages">
          <Table>
            <thead>
              <tr>
                <th scope="col">Stage</th>
                <th scope="col" data-figure>
                  Loudest line
                </th>
                <th scope="col" data-figure>
                  Its peaks
                </th>
                <th scope="col" data-figure>
                  Noise
                </th>
                <th scope="col" data-figure>
                  Headroom
                </th>
                <th scope="col">Figures</th>
              </tr>
            </thead>
            <tbody>
              {shown.map(({ stage, loudest, peak }) => (
                <tr key={stage.id}>
                  <th scope="row">
                    {stage.name}, {stage.unit}
                  </th>
                  <td data-figure>{minus(loudest)}</td>
                  <td data-figure>{minus(peak)}</td>
                  <td data-figure>{minus(stage.noise)}</td>
                  <td data-figure>{stage.clip === null ? "–" : `${minus(stage.clip - peak)} dB`}</td>
                  <td>{stage.isTypical ? "typical" : "your own"}</td>
                </tr>
              ))}
            </tbody>
          </Table>
        </TableScroll>
      </Disclosure>
    </Stack>
  );
}
