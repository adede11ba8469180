"use client";

import { findingWords } from "@/messages";
import { useMemo, useState } from "react";
import styled from "styled-components";
import {
  type Finding,
  findingsTable,
  type RecordingMeasurement,
  type Review,
  standing,
  withoutReview,
  withReview,
} from "@/core/check";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Row, Soft, Stack } from "@/ui/layout";
import { FindingGroup, grouped } from "./FindingGroup";
import { MarkedCopy } from "./MarkedCopy";
import { saveCsv, saveFile } from "../files/saveFile";
import type { Listen, Treatment } from "./useListen";
import type { Take } from "./useTake";

const List = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
`;

function Exports({
  measurement,
  reviews,
  file,
}: {
  measurement: RecordingMeasurement;
  reviews: readonly Review[];
  file: File;
}) {
  const name = measurement.file.replace(/\.[^.]*$/, "");
  return (
    <Row>
      <Button
        look="quiet"
        onPress={() => void saveCsv(`${name} findings.csv`, findingsTable(measurement, findingWords, reviews))}
      >
        Findings as CSV
      </Button>
      <Button
        look="quiet"
        onPress={() =>
          saveFile(`${name} findings.json`, "application/json", JSON.stringify({ ...measurement, reviews }, null, 2))
        }
      >
        All figures as JSON
      </Button>
      <MarkedCopy file={file} name={name} findings={standing(measurement.findings, reviews)} />
    </Row>
  );
}

/** What was found, kind by kind: how it sounds, what to do, and a key to hear each place. */
export function FindingsList(props: {
  measurement: RecordingMeasurement;
  findings: readonly Finding[];
  file: File;
  channel: number;
  take: Take;
  listen: Listen;
  treatment: Treatment;
  setTreatment: (next: Treatment) => void;
  humHz: number;
  onHear: (finding: Finding) => void;
}) {
  const { measurement, findings, file, take, listen, humHz } = props;
  const [heard, setHeard] = useState<Finding | null>(null);
  const groups = useMemo(() => grouped(findings), [findings]);
  const { reviews, setReviews } = take;
  const judged = useMemo(() => ({ ...measurement, findings: [...findings] }), [measurement, findings]);
  if (groups.length === 0) return <Exports measurement={judged} reviews={reviews} file={file} />;
  const hear = (finding: Finding) => {
    setHeard(finding);
    if (listen.place?.startS === finding.startS) listen.stop();
    else props.onHear(finding);
  };
  return (
    <Stack $gap={0.6}>
      <Row $between $low>
        <Choice
          label="Listen"
          value={props.treatment}
          options={[
            { value: "asIs", name: "as it is" },
            ...(measurement.channels.length > 1 ? [{ value: "all" as const, name: "all channels" }] : []),
            { value: "lowCut", name: "with a low cut" },
            { value: "notch", name: `without ${humHz} Hz hum` },
          ]}
          onChange={(value) => props.setTreatment(value)}
        />
        <Exports measurement={judged} reviews={reviews} file={file} />
      </Row>
      {listen.fault && <Soft role="alert">{listen.fault}</Soft>}
      <List aria-label="Findings">
        {groups.map((group) => (
          <FindingGroup
            key={group.kind}
            group={group}
            reviews={reviews}
            heard={heard?.kind === group.kind ? heard : null}
            playingS={listen.place?.startS ?? null}
            onHear={hear}
            onSay={(review) => setReviews(withReview(reviews, review))}
            onUnsay={(review) => setReviews(withoutReview(reviews, review))}
          />
        ))}
      </List>
    </Stack>
  );
}
