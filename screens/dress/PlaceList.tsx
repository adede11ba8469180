"use client";

import { say, JUDGED_NAMES } from "@/messages";
import { Radio, RadioGroup } from "react-aria-components";
import styled from "styled-components";
import { type Candidate, costAt, type Outfit, type RankedPlace, type RuledOut, stepOf } from "@/core/dress";
import { Disclosure } from "@/ui/Disclosure";
import { Soft, Stack } from "@/ui/layout";
import { placementWords } from "./words";

/** The whole list is one styled part: its rows are drawn anew at every change, and must be light. */
const Group = styled(RadioGroup)`
  display: grid;
  .place {
    min-height: var(--row);
    padding: 0.35rem 0.5rem;
    display: grid;
    grid-template-columns: 2rem minmax(0, 1fr) auto;
    gap: 0.1rem 0.6rem;
    align-items: center;
    border-bottom: 1px solid var(--seam-soft);
    cursor: pointer;
  }
  .place[data-selected] {
    background: var(--chalk-soft);
    box-shadow: inset 4px 0 0 var(--chalk);
  }
  .place[data-hovered]:not([data-selected]) {
    background: var(--paper-deep);
  }
  .place[data-focus-visible] {
    outline: 3px solid var(--chalk);
    outline-offset: -2px;
  }
  .rank {
    width: 1.9rem;
    height: 1.9rem;
    display: grid;
    place-items: center;
    border: 1.5px dashed var(--seam);
    border-radius: 50%;
    font-weight: 600;
    background: var(--paper);
  }
  .rank[data-front] {
    border: 1.5px solid var(--chalk);
  }
  .name {
    font-weight: 500;
  }
  .name small {
    font-weight: 400;
    font-size: 0.9rem;
  }
  .level {
    font-weight: 600;
    white-space: nowrap;
  }
  .level small {
    font-weight: 400;
    color: var(--ink-soft);
  }
  .facts {
    grid-column: 2 / -1;
    font-size: 0.85rem;
    color: var(--ink-soft);
  }
`;

const Out = styled.dl`
  margin: 0;
  display: grid;
  gap: 0.4rem;
  font-size: 0.9rem;
  dt {
    font-weight: 500;
  }
  dd {
    margin: 0;
    color: var(--ink-soft);
  }
`;

/** Places shown before "more" is asked for. */
const FIRST_SHOWN = 8;

/** What a row tells: its swing, and of the judgements those that speak against it. */
function factsOf(candidate: Candidate): string {
  const facts = [`swings ${candidate.swingDb.toFixed(1)} dB`];
  const rustle = stepOf(costAt(candidate, "rustle"));
  const unseen = stepOf(costAt(candidate, "unseen"));
  const weather = stepOf(costAt(candidate, "weather"));
  const holding = stepOf(costAt(candidate, "holding"));
  facts.push(`rustle ${JUDGED_NAMES.rustle[rustle]}`, JUDGED_NAMES.unseen[unseen]);
  if (weather > 0) facts.push(`weather: ${JUDGED_NAMES.weather[weather]}`);
  if (holding > 0) facts.push(JUDGED_NAMES.holding[holding]);
  if (candidate.isBeyondConsent) facts.push("not agreed to");
  return facts.join(" · ");
}

/** What a row shows, in words: a row whose words stay is not drawn anew. */
function PlaceRow(props: {
  rank: number;
  name: string;
  where: string;
  levelDb: string;
  facts: string;
  moved: string;
  isFront: boolean;
}) {
  return (
    <Radio className="place" value={String(props.rank)}>
      <span className="rank" aria-hidden data-front={props.isFront || undefined}>
        {props.rank}
      </span>
      <span className="name">
        {props.name} <small>{props.where}</small>
      </span>
      <span className="level">
        {props.levelDb} <small>dB</small>
      </span>
      <span className="facts">
        {props.facts}
        {props.moved && <strong> · {props.moved}</strong>}
      </span>
    </Radio>
  );
}

function movedWords(rank: number, was: number | undefined): string {
  return was === undefined || was === rank ? "" : `${was > rank ? "up" : "down"} from ${was}`;
}

/** The ranked places, and the sites that are out with the reason. */
export function PlaceList(props: {
  places: readonly RankedPlace[];
  /** Ranks under the kind of work's own weights; null while they are in use. */
  ranksBefore: ReadonlyMap<RankedPlace, number> | null;
  ruledOut: readonly RuledOut[];
  /** Why the second is not the first. */
  next: string | null;
  chosen: RankedPlace | null;
  outfit: Outfit;
  onChoose: (place: RankedPlace) => void;
}) {
  const { places, chosen, outfit, ranksBefore } = props;
  const chosenAt = chosen ? places.indexOf(chosen) : -1;
  const row = (place: RankedPlace, index: number) => (
    <PlaceRow
      key={index}
      rank={index + 1}
      name={place.site.name}
      where={placementWords(place, outfit)}
      levelDb={place.best.levelDb.toFixed(0)}
      facts={factsOf(place.best)}
      moved={movedWords(index + 1, ranksBefore?.get(place))}
      isFront={place.best.isOnFront}
    />
  );
  const choose = (value: string) => props.onChoose(places[Number(value) - 1]!);
  return (
    <Stack $gap={0.4}>
      <Group aria-label="Places, best first" value={chosenAt < 0 ? "" : String(chosenAt + 1)} onChange={choose}>
        {places.slice(0, FIRST_SHOWN).map(row)}
      </Group>
      {props.next && <Soft>{props.next}</Soft>}
      {places.length === 0 && <Soft>Nothing on this outfit works for this shot. Open a layer, or plan a boom.</Soft>}
      {places.length > FIRST_SHOWN && (
        <Disclosure title={`More places: ${places.length - FIRST_SHOWN}`}>
          <Group aria-label="More places" value={chosenAt < 0 ? "" : String(chosenAt + 1)} onChange={choose}>
            {places.slice(FIRST_SHOWN).map((place, index) => row(place, index + FIRST_SHOWN))}
          </Group>
        </Disclosure>
      )}
      {props.ruledOut.length > 0 && (
        <Disclosure title={`Ruled out: ${props.ruledOut.length}`}>
          <Out>
            {props.ruledOut.map(({ site, reason }) => (
              <div key={site.id}>
                <dt>{site.name}</dt>
                <dd>{say(reason)}</dd>
              </div>
            ))}
          </Out>
        </Disclosure>
      )}
    </Stack>
  );
}
