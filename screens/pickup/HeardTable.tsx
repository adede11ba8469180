"use client";

import { feetAndInches, say, RISK_NAMES, type TermId } from "@/messages";
import { minus, OCTAVES_HZ } from "@/core/sound";
import styled from "styled-components";
import { HEARD_RIPPLE_DB, type PickupCandidate, type Talker, type TalkerHeard } from "@/core/pickup";
import { peaksAt } from "@/screens/pickup/pickupScene";
import type { ShootBody } from "@/core/records";
import { Disclosure } from "@/ui/Disclosure";
import { Table, TableScroll } from "@/ui/Table";
import { Known, Soft, Stack } from "@/ui/layout";
import { upperFirst } from "../dress/words";
import { TermWord } from "../terms/TermWord";

const Figures = styled(Table)`
  td,
  tbody th {
    padding-block: 0.25rem;
    white-space: nowrap;
  }
`;

const db = (value: number) => (value === Infinity ? "∞" : minus(value));

function rowsOf(
  units: ShootBody["units"],
): readonly { name: string; term?: TermId; unit?: string; of: (each: TalkerHeard) => string }[] {
  const metres = (value: number) => (units === "metric" ? `${value.toFixed(2)} m` : feetAndInches(value));
  return [
    { name: "From the mouth", of: ({ distanceM }) => metres(distanceM) },
    { name: "Voice", unit: "dB SPL", of: ({ levelDb }) => db(levelDb) },
    { name: "Its peaks", unit: "dB SPL", of: ({ levelDb }) => db(peaksAt(levelDb)) },
    { name: "Noise", unit: "dB SPL", of: ({ noiseDb }) => db(noiseDb) },
    { name: "Above noise", term: "snr", unit: "dB", of: ({ snrDb }) => db(snrDb) },
    {
      name: "Direct to reverberant",
      term: "directToReverberant",
      unit: "dB",
      of: ({ directOverRoomDb }) => db(directOverRoomDb),
    },
    { name: "STI", term: "sti", of: ({ sti }) => sti.toFixed(2) },
    { name: "C50", term: "c50", unit: "dB", of: ({ c50Db }) => db(c50Db) },
    { name: "Proximity effect", term: "proximityEffect", unit: "dB", of: ({ proximityDb }) => db(proximityDb) },
    { name: "Plosives", term: "plosive", of: ({ plosive }) => RISK_NAMES[plosive] },
    { name: "Swing", term: "swing", unit: "dB", of: ({ swingDb }) => db(swingDb) },
    {
      name: "Comb filtering",
      term: "combFiltering",
      unit: "dB",
      of: ({ combing }) => (combing ? db(combing.rippleDb) : "–"),
    },
    {
      name: "reflected by",
      of: ({ combing }) => (combing && combing.rippleDb >= HEARD_RIPPLE_DB ? combing.name : "–"),
    },
    { name: "first notch", unit: "Hz", of: ({ combing }) => (combing ? String(Math.round(combing.notchHz)) : "–") },
  ];
}

/** Figures by talker of what stands there, what is held against it, and levels by octave. */
export function HeardTable(props: {
  candidate: PickupCandidate;
  talkers: readonly Talker[];
  units: ShootBody["units"];
}) {
  const { candidate, talkers, units } = props;
  const nameOf = (id: string) => talkers.find((talker) => talker.id === id)?.name ?? "";
  const { best, heard, deductions } = candidate;
  if (best.length === 0) return <Soft>Nobody to record yet.</Soft>;
  const apart = Math.min(...heard.map(({ separationDb }) => separationDb));
  return (
    <Stack $gap={0.5}>
      <TableScroll aria-label="Figures by talker">
        <Figures>
          <thead>
            <tr>
              <th scope="col" aria-label="Figure" />
              {best.map(({ talkerId }) => (
                <th key={talkerId} scope="col" data-figure>
                  {nameOf(talkerId)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rowsOf(units).map(({ name, term, unit, of }) => (
              <tr key={name}>
                <th scope="row">
                  {term ? <TermWord id={term}>{name}</TermWord> : name}
                  {unit && `, ${unit}`}
                </th>
                {best.map((each) => (
                  <td key={each.talkerId} data-figure>
                    <Known $as="planned">{of(each.heard)}</Known>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </Figures>
      </TableScroll>
      {apart !== Infinity && <Soft>The next talker lies {apart.toFixed(0)} dB below on a track.</Soft>}
      {deductions.length > 0 && (
        <div>
          <Soft>Deductions, out of 100 points:</Soft>
          {deductions.map(({ says, points }) => (
            <p key={says.code}>
              −{points.toFixed(0)} {say(says)}
            </p>
          ))}
        </div>
      )}
      <Disclosure title="By octave">
        <TableScroll aria-label="Voice and noise by octave">
          <Table>
            <thead>
              <tr>
                <th scope="col">dB SPL</th>
                {OCTAVES_HZ.map((hz) => (
                  <th key={hz} scope="col" data-figure>
                    {hz}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {best.map(({ talkerId, micId, heard: each }) => (
                <OctaveRows
                  key={talkerId}
                  name={nameOf(talkerId)}
                  voiceDb={each.octavesDb}
                  noiseDb={heard.find((mic) => mic.micId === micId)!.noiseOctavesDb}
                />
              ))}
            </tbody>
          </Table>
        </TableScroll>
      </Disclosure>
      <Disclosure title="How this was computed">
        <Soft>
          Direct sound by distance, the mouth&apos;s and the pattern&apos;s directivity and proximity; the room by the
          pattern&apos;s random energy; STI by IEC 60268-16; colouring by first reflections. Points are the clarity of
          whoever is got worst, less the deductions: a judgement. Microphone noise is typical.
        </Soft>
      </Disclosure>
    </Stack>
  );
}

function OctaveRows({
  name,
  voiceDb,
  noiseDb,
}: {
  name: string;
  voiceDb: readonly number[];
  noiseDb: readonly number[];
}) {
  return (
    <>
      <tr>
        <th scope="row">{upperFirst(name)}</th>
        {voiceDb.map((levelDb, band) => (
          <td key={band} data-figure>
            {db(levelDb)}
          </td>
        ))}
      </tr>
      <tr>
        <th scope="row">noise there</th>
        {noiseDb.map((levelDb, band) => (
          <td key={band} data-figure>
            {db(levelDb)}
          </td>
        ))}
      </tr>
    </>
  );
}
