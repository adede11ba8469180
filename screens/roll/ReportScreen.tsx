"use client";

import { Download, Printer } from "lucide-react";
import { useState } from "react";
import styled from "styled-components";
import { owedOfScene, type Report, type ReportRow, reportOf } from "@/core/planning";
import { scenesInOrder } from "@/core/records";
import { markName, RATING_NAMES, say } from "@/messages";
import { useShoot } from "@/data/ShootProvider";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Table, TableScroll } from "@/ui/Table";
import { Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import { ShareSheet } from "../accounts/ShareSheet";
import { saveCsv, saveFile } from "../files/saveFile";
import { useFocus } from "../shell/useFocus";
import { reportCells } from "./reportCells";
import { RatingMark } from "./TakesList";
import { runTime, takeName } from "./rollWords";

const OnScreen = styled.div`
  display: contents;
  @media print {
    display: none;
  }
`;

const A4 = styled.a`
  display: inline-flex;
  align-items: center;
  gap: 0.4rem;
  min-height: var(--hit);
`;

function Marks({ row }: { row: ReportRow }) {
  const said = row.marks
    .filter(({ body }) => !body.isProposal)
    .map(({ body }) => `${runTime(body.atS)} ${markName(body.kind)}${body.note && `: ${body.note}`}`);
  return (
    <>
      {[...said, ...(row.roll.body.note ? [row.roll.body.note] : [])].join("; ")}
      {row.disagreements.map((each) => (
        <Soft key={each.code} role="note">
          {say(each)}
        </Soft>
      ))}
    </>
  );
}

function ReportTable({ title, report, units }: { title: string; report: Report; units: string }) {
  return (
    <TableScroll aria-label={title}>
      <Table>
        <caption>{units}</caption>
        <thead>
          <tr>
            <th scope="col">Take</th>
            <th scope="col">Rating</th>
            <th scope="col">File</th>
            <th scope="col">Start</th>
            <th scope="col" data-figure>
              Length
            </th>
            <th scope="col">Tracks</th>
            <th scope="col">Marks and notes</th>
          </tr>
        </thead>
        <tbody>
          {report.rows.map((row) => {
            const { body } = row.roll;
            return (
              <tr key={row.roll.id}>
                <th scope="row">{takeName(body)}</th>
                <td>
                  <Row as="span" $gap={0.3}>
                    <RatingMark rating={body.rating} /> {body.rating === "none" ? "" : RATING_NAMES[body.rating]}
                  </Row>
                </td>
                <td>{body.files.map(({ name }) => name).join(", ") || body.fileName}</td>
                <td>{row.timecode}</td>
                <td data-figure>{body.lengthS ? runTime(body.lengthS) : "no end"}</td>
                <td>{body.tracks.map(({ name }, at) => `${at + 1} ${name}`).join(", ")}</td>
                <td>
                  <Marks row={row} />
                </td>
              </tr>
            );
          })}
        </tbody>
      </Table>
    </TableScroll>
  );
}

const ALL = "0";

/** The sound report of a day: for the edit, to print, as CSV and as JSON. */
export function ReportScreen() {
  const { bundle } = useShoot();
  const { scene } = useFocus();
  const { title, days, frameRate } = bundle.shoot.body;
  const [wanted, setWanted] = useState<string>(String(scene?.body.day ?? 1));
  const day = wanted === ALL ? null : Number(wanted);
  const report = reportOf(bundle, day);
  const { takes, good, minutes, gigabytes } = report.totals;
  const name = `${title} ${day === null ? "all days" : `day ${day}`} sound report`;
  const scenes = scenesInOrder(bundle.scenes).filter(({ body }) => day === null || body.day === day);
  const owed = scenes.flatMap((each) => owedOfScene(bundle, each.id).map((says) => ({ scene: each, says })));
  const withDays = Array.from({ length: days }, (_, at) => String(at + 1));
  return (
    <Stack>
      <Row $between>
        <h1>Sound report</h1>
        <OnScreen>
          <Row $gap={0.5}>
            <Choice
              isPlain
              label="Day"
              value={wanted}
              options={[
                ...withDays.map((each) => ({ value: each, name: `Day ${each}` })),
                { value: ALL, name: "All days" },
              ]}
              onChange={setWanted}
            />
            <Button onPress={() => window.print()}>
              <Printer size={18} aria-hidden /> Print
            </Button>
            <A4 href={`/shoots/${bundle.shoot.id}/report.pdf?day=${wanted}`} download={`${name}.pdf`}>
              <Download size={18} aria-hidden /> PDF, A4
            </A4>
            <A4 href={`/shoots/${bundle.shoot.id}/report.pdf?day=${wanted}&size=phone`} download={`${name} phone.pdf`}>
              PDF, phone
            </A4>
            <ShareSheet shootId={bundle.shoot.id} kinds={["report", "delivery"]} day={day} />
            <Button look="quiet" onPress={() => void saveCsv(`${name}.csv`, reportCells(report))}>
              CSV
            </Button>
            <Button
              look="quiet"
              onPress={() =>
                saveFile(
                  `${name}.json`,
                  "application/json",
                  JSON.stringify({ format: "hypophon sound report", title, day, ...report }, null, 2),
                )
              }
            >
              JSON
            </Button>
          </Row>
        </OnScreen>
      </Row>
      <Piece aria-label="Sound report">
        <Stack>
          <Lead data-part="verdict">
            {title}: {say({ code: "totals.day", takes, good, minutes, gigabytes })}
          </Lead>
          {owed.length > 0 && (
            <ul>
              {owed.map((each) => (
                <li key={`${each.scene.id} ${JSON.stringify(each.says)}`}>
                  {each.scene.body.title}: {say(each.says)}
                </li>
              ))}
            </ul>
          )}
          {report.rows.length === 0 ? (
            <Soft>{say({ code: "roll.nothing" })}</Soft>
          ) : (
            <ReportTable title={name} report={report} units={`Timecode at ${frameRate} frames a second`} />
          )}
        </Stack>
      </Piece>
    </Stack>
  );
}
