"use client";

import { areaWords, feetAndInches, REMEDY_WORDS, say, timeWords } from "@/messages";
import { Link, useAddress } from "@/ui/address";
import { Printer } from "lucide-react";
import styled from "styled-components";
import { sourceName, toUndo, treatedDb } from "@/core/noise";
import {
  forecastPlace,
  FURNISHINGS,
  furnishingWords,
  MATERIALS,
  noiseReverberance,
  noisesOf,
  planTreatments,
  piecesOf,
  SURFACE_NAMES,
} from "@/core/room";
import { scenesInOrder, type ShootBody, type Stored } from "@/core/records";
import { aWeightedDb } from "@/core/sound";
import { Button } from "@/ui/Button";
import { PlanSketch } from "@/ui/PlanSketch";
import { Table, TableScroll } from "@/ui/Table";
import { Columns, Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import { upperFirst } from "../dress/words";
import { useShoot } from "@/data/ShootProvider";
import { QuietWindows } from "./QuietWindows";
import { remedyWords, whenWords } from "./noiseWords";

const NotPrinted = styled.div`
  @media print {
    display: none;
  }
`;

const Back = styled(Link)`
  min-height: var(--hit);
  display: inline-flex;
  align-items: center;
`;

function Made({ place, measure }: { place: Stored<"place">; measure: (metres: number) => string }) {
  const { model } = place.body;
  const { setting, floor, ceiling, walls, patches, furnishings, treatments } = model;
  if (setting === "open") return <p>Open air{model.windMps > 0 ? `, wind ${model.windMps} m/s` : ""}.</p>;
  const parts = [
    say({
      code: "place.surfaces",
      floor: MATERIALS[floor].name,
      ceiling: MATERIALS[ceiling].name,
      walls: MATERIALS[walls].name,
      height: measure(model.heightM),
    }),
    ...patches.map(
      ({ surface, material, areaM2 }) =>
        `${upperFirst(SURFACE_NAMES[surface])}: ${areaWords(areaM2)} ${MATERIALS[material].name}.`,
    ),
    furnishings.length > 0
      ? `In it: ${furnishings.map(({ kind, count }) => furnishingWords(kind, count)).join(", ")}.`
      : `Empty: no ${FURNISHINGS.sofa.name}, nobody in it.`,
    ...treatments.map(
      (treatment) => `Put up: ${say({ code: "room.pieces", ...piecesOf(treatment, treatment.count) })}.`,
    ),
  ];
  return <p>{parts.join(" ")}</p>;
}

function Sheet({ place, units }: { place: Stored<"place">; units: ShootBody["units"] }) {
  const { bundle } = useShoot();
  const { model, name } = place.body;
  const forecast = forecastPlace(model);
  const reverberant = noiseReverberance(forecast.volumeM3, forecast.octavesS);
  const heard = noisesOf(model);
  const measure = (metres: number) => (units === "metric" ? `${metres.toFixed(1)} m` : feetAndInches(metres));
  const scenes = scenesInOrder(bundle.scenes).filter(({ body }) => body.placeId === place.id);
  const undo = toUndo(model.sources);
  const { verdict } = forecast;
  return (
    <Stack>
      <h1>{name}</h1>
      <Columns $template="minmax(0, 1.3fr) minmax(0, 1fr)">
        <Piece aria-label="Verdict">
          <Stack $gap={0.6}>
            <Lead>{say(verdict.says)}</Lead>
            <p>{verdict.advice.map(say).join(" ")}</p>
            <Made place={place} measure={measure} />
            <p>
              {forecast.reverberationS
                ? `RT60 ${forecast.midS.toFixed(2)} s (${forecast.isEchoProved ? "measured from a clap" : "planned"}). Critical distance ${measure(forecast.criticalDistanceM)}. ${say(planTreatments(model).says)} `
                : ""}
              Steady noise {forecast.noiseDba.toFixed(0)} dBA ({forecast.isNoiseProved ? "measured" : "estimated"}).
            </p>
          </Stack>
        </Piece>
        <Piece aria-label="Plan">
          <PlanSketch
            shape={model}
            says={`Plan of ${name}, ${measure(model.lengthM)} by ${measure(model.widthM)}`}
            measure={measure}
            noises={model.sources.map((source) => ({ name: sourceName(source), bearingDeg: source.bearingDeg }))}
          />
        </Piece>
      </Columns>
      <Piece aria-label="Noises">
        <Stack $gap={0.5}>
          {model.sources.length === 0 ? (
            <Soft>No noise named yet.</Soft>
          ) : (
            <TableScroll aria-label="Noises">
              <Table>
                <thead>
                  <tr>
                    <th scope="col">Noise</th>
                    <th scope="col" data-figure>
                      dBA
                    </th>
                    <th scope="col">When</th>
                    <th scope="col">What is done</th>
                  </tr>
                </thead>
                <tbody>
                  {model.sources.map((source, index) => (
                    <tr key={source.id}>
                      <th scope="row">
                        {index + 1}. {upperFirst(sourceName(source))}
                      </th>
                      <td data-figure>{Math.max(0, aWeightedDb(treatedDb(heard[index]!, reverberant))).toFixed(0)}</td>
                      <td>
                        {whenWords(source)}
                        {source.occurs === "schedule" && source.times.length > 1
                          ? `: ${source.times.map(({ from }) => from).join(", ")}`
                          : ""}
                      </td>
                      <td>{remedyWords(source)}</td>
                    </tr>
                  ))}
                </tbody>
              </Table>
            </TableScroll>
          )}
          {undo.length > 0 && (
            <p>
              <strong>Before you leave:</strong>{" "}
              {undo.map(({ source, remedy }) => `${sourceName(source)}, ${REMEDY_WORDS[remedy].undo}`).join("; ")}.
            </p>
          )}
        </Stack>
      </Piece>
      <Piece aria-label="Quiet times">
        <Stack $gap={0.4}>
          <h2>Quiet windows</h2>
          <QuietWindows model={model} most={4} />
          {scenes.map(({ id, body }) => (
            <p key={id}>
              Day {body.day}, {timeWords(body.startsAt)}: {body.title} ({body.lengthMin} min, takes of {body.takeMin}{" "}
              min)
            </p>
          ))}
        </Stack>
      </Piece>
      <Soft>{say({ code: "caution.location" })}</Soft>
    </Stack>
  );
}

/** One place on one page, to print or to hand on. */
export function SiteSheet() {
  const { bundle } = useShoot();
  const wanted = useAddress().query.get("place");
  const place = bundle.places.find(({ id }) => id === wanted) ?? bundle.places[0] ?? null;
  return (
    <Stack>
      <NotPrinted>
        <Row $between>
          <Back href={`/shoots/${bundle.shoot.id}/scout`}>Back to Scout</Back>
          {place && (
            <Button onPress={() => window.print()}>
              <Printer size={18} aria-hidden /> Print this page
            </Button>
          )}
        </Row>
      </NotPrinted>
      {place ? (
        <Sheet place={place} units={bundle.shoot.body.units} />
      ) : (
        <Piece>
          <Lead>No place yet: add one in Scout.</Lead>
        </Piece>
      )}
    </Stack>
  );
}
