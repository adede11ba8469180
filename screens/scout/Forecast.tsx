"use client";

import { feetAndInches, say } from "@/messages";
import { later } from "@/ui/later";
import { midOf, type PlaceForecast } from "@/core/room";
import type { ShootBody } from "@/core/records";
import { Disclosure } from "@/ui/Disclosure";
import { Figure, Known, Lead, Row, Soft, Stack } from "@/ui/layout";
import { TermWord } from "../terms/TermWord";
import { GradeMark } from "./GradeMark";

const EchoChart = later(() => import("@/ui/EchoChart").then((module) => module.EchoChart));

/** "longer than planned by 0.3 s". */
export function differenceWords(provedS: number, plannedS: number): string {
  const byS = provedS - plannedS;
  if (Math.abs(byS) < 0.05) return "as planned";
  return `${Math.abs(byS).toFixed(1)} s ${byS > 0 ? "longer" : "shorter"} than planned`;
}

/** What the place does to the voice, in a sentence, figures and a chart. */
export function Forecast({ forecast, units }: { forecast: PlaceForecast; units: ShootBody["units"] }) {
  const { verdict, plannedS, isEchoProved, isNoiseProved } = forecast;
  const metres = (value: number) => (units === "metric" ? `${value.toFixed(1)} m` : feetAndInches(value));
  return (
    <Stack $gap={0.7}>
      <Lead aria-live="polite" data-part="verdict">
        {say(verdict.says)}
      </Lead>
      <p data-part="next">{verdict.advice.map(say).join(" ")}</p>
      <Row $gap={1.6}>
        {forecast.reverberationS && (
          <div>
            <Soft>
              <TermWord id="rt60">RT60</TermWord>, 500 Hz to 1 kHz
            </Soft>
            <Figure $size="big">
              <Known $as={isEchoProved ? "proved" : "planned"}>{forecast.midS.toFixed(2)}</Known>
              <small>s</small>
            </Figure>
            <GradeMark grade={verdict.echo} />
          </div>
        )}
        <div>
          <Soft>Noise</Soft>
          <Figure $size="big">
            <Known $as={isNoiseProved ? "proved" : "planned"}>{forecast.noiseDba.toFixed(0)}</Known>
            <small>dBA</small>
          </Figure>
          <GradeMark grade={verdict.noise} />
        </div>
        {forecast.reverberationS && (
          <div>
            <Soft>
              <TermWord id="criticalDistance">Critical distance</TermWord>
            </Soft>
            <Figure $size="big">
              <Known $as={isEchoProved ? "proved" : "planned"}>{metres(forecast.criticalDistanceM)}</Known>
            </Figure>
          </div>
        )}
      </Row>
      {isEchoProved && plannedS && (
        <Soft>
          Measured from a clap: {differenceWords(forecast.midS, midOf(plannedS))} ({midOf(plannedS).toFixed(2)} s).
        </Soft>
      )}
      {forecast.octavesS && (
        <div data-part="picture">
          <EchoChart reverberationS={forecast.octavesS} plannedS={isEchoProved ? forecast.plannedOctavesS : null} />
        </div>
      )}
      <Disclosure title="How this was computed">
        <Soft>
          {forecast.sabineS && forecast.eyringS
            ? `Mean by Sabine ${midOf(forecast.sabineS).toFixed(2)} s, by Eyring ${midOf(forecast.eyringS).toFixed(2)} s; Eyring counts where surfaces absorb more than a fifth. Air by ISO 9613-1; absorption from handbook tables, people and furniture added; at 8 kHz sides absorb as at 4. Such a forecast is within about 20 %. A recorded clap measures it.`
            : "Open air has no reverberation worth naming; only noise and wind count."}{" "}
          {isNoiseProved
            ? "Noise from the calibrated room tone."
            : "Noise is the curve chosen plus the listed steady sources, whose levels are estimates until measured."}{" "}
          Limits of the verdict are common practice.
        </Soft>
      </Disclosure>
    </Stack>
  );
}
