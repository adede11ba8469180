"use client";

import { say } from "@/messages";
import { Radio, RadioGroup } from "react-aria-components";
import styled from "styled-components";
import type { PickupCandidate } from "@/core/pickup";
import type { HiddenMic, PickupScene } from "@/screens/pickup/pickupScene";
import { Disclosure } from "@/ui/Disclosure";
import { Soft, Stack } from "@/ui/layout";
import { upperFirst } from "../dress/words";

const Group = styled(RadioGroup)`
  display: grid;
  .way {
    min-height: var(--row);
    padding: 0.3rem 0.5rem;
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0 0.6rem;
    align-items: center;
    border-bottom: 1px solid var(--seam-soft);
    cursor: pointer;
  }
  .way[data-selected] {
    background: var(--chalk-soft);
    box-shadow: inset 4px 0 0 var(--chalk);
  }
  .way[data-focus-visible] {
    outline: 3px solid var(--chalk);
    outline-offset: -2px;
  }
  .clear {
    font-weight: 600;
    white-space: nowrap;
  }
  .facts {
    grid-column: 1 / -1;
    font-size: 0.85rem;
    color: var(--ink-soft);
  }
`;

const Out = styled.dl`
  margin: 0;
  display: grid;
  gap: 0.3rem;
  font-size: 0.9rem;
  dd {
    margin: 0;
    color: var(--ink-soft);
  }
`;

export const clearWords = (sti: number) => `${Math.round(100 * sti)} % clear`;

/** The figures that tell ways apart, then what is held against one. */
function factsOf({ best, deductions, wind }: PickupCandidate): string {
  const worst = best.reduce<(typeof best)[number] | null>(
    (low, each) => (low && low.heard.sti <= each.heard.sti ? low : each),
    null,
  );
  if (!worst) return "";
  const { directOverRoomDb, snrDb, levelDb } = worst.heard;
  const room =
    directOverRoomDb === Infinity
      ? ""
      : ` · ${Math.abs(directOverRoomDb).toFixed(0)} dB ${directOverRoomDb >= 0 ? "above" : "below"} the room`;
  const against = deductions[0] ? ` · ${say(deductions[0].says)}` : "";
  const covered = wind && wind.cover !== "bare" ? ` · ${say(wind)}` : "";
  return `${levelDb.toFixed(0)} dB SPL · ${snrDb.toFixed(0)} dB above noise${room}${against}${covered}`;
}

function Way({ candidate }: { candidate: PickupCandidate }) {
  return (
    <Radio className="way" value={candidate.id}>
      <span>{upperFirst(candidate.name)}</span>
      <span className="clear">{clearWords(candidate.worstSti)}</span>
      <span className="facts">{factsOf(candidate)}</span>
    </Radio>
  );
}

function HiddenWay({ hidden }: { hidden: readonly HiddenMic[] }) {
  const worst = hidden.reduce((low, each) => (each.sti < low.sti ? each : low));
  return (
    <Radio className="way" value="hidden">
      <span>Hidden lavalier, by Dress</span>
      <span className="clear">{clearWords(worst.sti)}</span>
      <span className="facts">
        {worst.levelDb.toFixed(0)} dB SPL · {worst.snrDb.toFixed(0)} dB above noise · swings {worst.swingDb.toFixed(0)}{" "}
        dB · {worst.plan.candidate!.site.name}
        {worst.isChosen ? "" : " (suggested)"}
      </span>
    </Radio>
  );
}

/** Ways of picking up the scene side by side, those out of the question apart with the reason. */
export function CandidateList(props: { pickup: PickupScene; shown: string; onShow: (id: string) => void }) {
  const { pickup, shown, onShow } = props;
  const { candidates, own, hidden } = pickup;
  const possible = candidates.filter(({ ruledOut }) => ruledOut === null);
  const out = candidates.filter(({ ruledOut }) => ruledOut !== null);
  return (
    <Stack $gap={0.4}>
      <Group aria-label="Ways, best first" value={shown} onChange={onShow}>
        {own && <Way candidate={own} />}
        {hidden.length > 0 && <HiddenWay hidden={hidden} />}
        {possible.map((candidate) => (
          <Way key={candidate.id} candidate={candidate} />
        ))}
      </Group>
      {possible.length === 0 && <Soft>Nothing can be placed for this picture: hide a lavalier.</Soft>}
      {out.length > 0 && (
        <Disclosure title={`Out of the question: ${out.length}`}>
          <Out>
            {out.map(({ id, name, ruledOut }) => (
              <div key={id}>
                <dt>{upperFirst(name)}</dt>
                <dd>{say(ruledOut!)}</dd>
              </div>
            ))}
          </Out>
        </Disclosure>
      )}
    </Stack>
  );
}
