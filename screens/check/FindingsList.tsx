"use client";

import { useMemo, useState } from "react";
import styled from "styled-components";
import { KIND_WORDS } from "@/core/check/kindWords";
import type { Finding, FindingKind, RecordingMeasurement } from "@/core/check/measurement";
import { findingsCsv } from "@/core/check/findingsCsv";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Row, Soft, Stack } from "@/ui/layout";
import { clockOf } from "./figures";
import { useListen, type Treatment } from "./useListen";

const Group = styled.li`
  border-top: 1px solid var(--seam-soft);
  padding: 0.6rem 0;
  display: grid;
  gap: 0.3rem;
`;

const List = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
`;

const Places = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
`;

const SEVERITY_WORDS = { fault: "Fault", warning: "Warning", note: "Note" } as const;
const RANK = { fault: 0, warning: 1, note: 2 } as const;
/** Places of one kind that are shown with a key each. */
const MOST_PLACES = 12;

interface FindingGroup {
  kind: FindingKind;
  severity: Finding["severity"];
  findings: readonly Finding[];
}

function grouped(findings: readonly Finding[]): FindingGroup[] {
  const groups = new Map<FindingKind, Finding[]>();
  for (const finding of findings) groups.set(finding.kind, [...(groups.get(finding.kind) ?? []), finding]);
  return [...groups]
    .map(([kind, own]): FindingGroup => ({
      kind,
      findings: own,
      severity: own.reduce(
        (worst, each) => (RANK[each.severity] < RANK[worst] ? each.severity : worst),
        own[0]!.severity,
      ),
    }))
    .sort((a, b) => RANK[a.severity] - RANK[b.severity]);
}

function download(name: string, text: string, type: string): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(new Blob([text], { type }));
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 1000);
}

function Exports({ measurement }: { measurement: RecordingMeasurement }) {
  const name = measurement.file.replace(/\.[^.]*$/, "");
  return (
    <Row>
      <Button look="quiet" onPress={() => download(`${name} findings.csv`, findingsCsv(measurement), "text/csv")}>
        Findings as CSV
      </Button>
      <Button
        look="quiet"
        onPress={() => download(`${name} findings.json`, JSON.stringify(measurement, null, 2), "application/json")}
      >
        All figures as JSON
      </Button>
    </Row>
  );
}

/** What was found, kind by kind: how it sounds, what to do, and a key to hear each place. */
export function FindingsList({
  measurement,
  findings,
  channel,
  file,
}: {
  measurement: RecordingMeasurement;
  findings: readonly Finding[];
  channel: number;
  file: File;
}) {
  const [treatment, setTreatment] = useState<Treatment>("asIs");
  const { place, fault, play, stop } = useListen(file);
  const groups = useMemo(() => grouped(findings), [findings]);
  if (groups.length === 0) return <Exports measurement={measurement} />;
  const humHz = /Hum of 60/.test(findings.find(({ kind }) => kind === "hum")?.message ?? "") ? 60 : 50;
  const listen = (finding: Finding) => {
    if (place?.startS === finding.startS) stop();
    else
      void play({ startS: finding.startS, endS: finding.endS, channel: finding.channel ?? channel }, treatment, humHz);
  };
  return (
    <Stack $gap={0.6}>
      <Row $between $low>
        <Choice
          label="Listen"
          value={treatment}
          options={[
            { value: "asIs", name: "as it is" },
            { value: "lowCut", name: "with a low cut" },
            { value: "notch", name: `without ${humHz} Hz hum` },
          ]}
          onChange={(value) => setTreatment(value)}
        />
        <Exports measurement={measurement} />
      </Row>
      {fault && <Soft role="alert">{fault}</Soft>}
      <List aria-label="Findings">
        {groups.map(({ kind, severity, findings: own }) => (
          <Group key={kind}>
            <div>
              <strong>
                {SEVERITY_WORDS[severity]}: {KIND_WORDS[kind].name}
                {own.length > 1 && `, ${own.length} times`}
              </strong>{" "}
              {own[0]!.message === KIND_WORDS[kind].sounds ? "" : own[0]!.message}
            </div>
            <Soft>
              {KIND_WORDS[kind].sounds} {own[0]!.advice}
            </Soft>
            <Places>
              {own.slice(0, MOST_PLACES).map((finding, index) => (
                <Button
                  key={index}
                  aria-label={`Listen to ${KIND_WORDS[kind].name.toLowerCase()} at ${clockOf(finding.startS)}`}
                  onPress={() => listen(finding)}
                >
                  {place?.startS === finding.startS ? "■" : "▶"} {clockOf(finding.startS)}
                </Button>
              ))}
              {own.length > MOST_PLACES && <Soft>and {own.length - MOST_PLACES} more</Soft>}
            </Places>
          </Group>
        ))}
      </List>
    </Stack>
  );
}
