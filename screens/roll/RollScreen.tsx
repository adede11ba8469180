"use client";

import { FileText } from "lucide-react";
import { useDeferredValue, useMemo, useState } from "react";
import styled from "styled-components";
import { marksByRoll, owedOfScene, reportRows, rollsInOrder } from "@/core/planning";
import { say } from "@/messages";
import { Link } from "@/ui/address";
import { Choice } from "@/ui/Choice";
import { later } from "@/ui/later";
import { Columns, Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { stationHref } from "../shell/stationHref";
import { MarkPad } from "./MarkPad";
import { RatingChoice, TakeDetail } from "./TakeDetail";
import { TakeControl } from "./TakeControl";
import { TakesList } from "./TakesList";
import { takeName } from "./rollWords";
import { useRolling } from "./useRolling";

const SlateDialog = later(() => import("./SlateDialog").then((module) => module.SlateDialog));
const NamesView = later(() => import("./NamesView").then((module) => module.NamesView));
const HeardMarks = later(() => import("./HeardMarks").then((module) => module.HeardMarks));

const ReportLink = styled(Link)`
  min-height: var(--hit);
  display: inline-flex;
  align-items: center;
  gap: 0.4rem;
`;

const OwedList = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    padding: 0.45rem 0;
    border-top: 1px solid var(--seam-soft);
  }
`;

type View = "log" | "names";
const NONE: readonly never[] = [];

/** What did we record? */
export function RollScreen() {
  const rolling = useRolling();
  const { bundle, scene, day, running } = rolling;
  const [view, setView] = useState<View>("log");
  const [chosenId, setChosenId] = useState<string | null>(null);
  const [isSlate, setSlate] = useState(false);
  const { actions } = rolling;
  const sceneId = scene?.id ?? null;
  const last = rollsInOrder(bundle).findLast(({ body }) => body.sceneId === sceneId && body.lengthS !== null) ?? null;
  // A press is answered by the control and the pad first; the list and the chosen take follow in the next moment.
  const seen = useDeferredValue(bundle);
  const rows = useMemo(() => reportRows(seen).filter(({ roll }) => roll.body.day === day), [seen, day]);
  const wantedId = useDeferredValue(chosenId);
  const newestId = useDeferredValue(running?.id ?? last?.id ?? null);
  const takeOf = (id: string | null) => seen.rolls.find((roll) => roll.id === id);
  // What was chosen may have been deleted elsewhere.
  const chosen = takeOf(wantedId) ?? takeOf(newestId) ?? null;
  const owed = scene ? owedOfScene(seen, scene.id) : [];
  return (
    <Stack>
      <VisuallyHidden as="h1">Roll: what did we record?</VisuallyHidden>
      <Row $between>
        <Choice<View>
          isPlain
          label="Roll views"
          value={view}
          options={[
            { value: "log", name: "Log" },
            { value: "names", name: "Names and marks" },
          ]}
          onChange={setView}
        />
        <ReportLink href={stationHref(bundle.shoot.id, "report", null, scene?.id ?? null)}>
          <FileText size={18} aria-hidden /> Sound report
        </ReportLink>
      </Row>
      {view === "names" ? (
        <Piece aria-label="Names and marks">
          <NamesView rolling={rolling} />
        </Piece>
      ) : (
        <Columns $template="minmax(0, 3fr) minmax(18rem, 2fr)">
          <Stack>
            <Piece aria-label="Take">
              <Stack>
                <TakeControl rolling={rolling} onSlate={() => setSlate(true)} />
                <MarkPad rolling={rolling} marks={running ? (marksByRoll(bundle).get(running.id) ?? NONE) : NONE} />
                {last && (
                  <div hidden={running !== null}>
                    <Row $gap={0.6}>
                      <Soft>{takeName(last.body)} was</Soft>
                      <RatingChoice roll={last} actions={actions} />
                    </Row>
                  </div>
                )}
              </Stack>
            </Piece>
            <Piece aria-label="Takes of the day" data-part="picture">
              <TakesList rows={rows} chosenId={chosen?.id ?? null} onChoose={setChosenId} />
            </Piece>
          </Stack>
          <Stack>
            {owed.length > 0 && (
              <Piece aria-label="Owed" $tight>
                <Stack $gap={0.3}>
                  <h2>Owed before you leave</h2>
                  <OwedList>
                    {owed.map((each) => (
                      <li key={JSON.stringify(each)}>{say(each)}</li>
                    ))}
                  </OwedList>
                </Stack>
              </Piece>
            )}
            <Piece aria-label="Chosen take">
              {chosen ? (
                <TakeDetail
                  roll={chosen}
                  marks={marksByRoll(seen).get(chosen.id) ?? NONE}
                  bundle={seen}
                  actions={actions}
                  onChoose={setChosenId}
                />
              ) : (
                <Lead>{say({ code: "roll.nothing" })}</Lead>
              )}
            </Piece>
            <Piece aria-label="Feed" $tight>
              <HeardMarks rolling={rolling} />
            </Piece>
          </Stack>
        </Columns>
      )}
      {isSlate && <SlateDialog rolling={rolling} onClose={() => setSlate(false)} />}
    </Stack>
  );
}
