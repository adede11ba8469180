"use client";

import type { Comparison } from "@/core/proof";
import { Known } from "@/ui/layout";
import { Table, TableScroll } from "@/ui/Table";

const minus = (value: number, digits = 1) => value.toFixed(digits).replace("-", "−");

function rangeWords([low, high]: Comparison["planned"]): string {
  return low === high ? minus(low) : `${minus(low, 0)} to ${minus(high, 0)}`;
}

const FIGURES: Record<Comparison["what"], string> = {
  peaks: "Loudest peaks",
  speech: "Speech level",
  noise: "Noise floor",
  overNoise: "Speech above noise",
};

function CompareRow({ comparison }: { comparison: Comparison }) {
  const { what, unit, planned, uncertainty, proved, difference, isAsPlanned } = comparison;
  return (
    <tr>
      <th scope="row">{FIGURES[what]}</th>
      <td data-figure>
        <Known $as="planned">{rangeWords(planned)}</Known> ±{uncertainty}
      </td>
      <td data-figure>
        {proved === null ? "nothing" : <Known $as="proved">{minus(proved)}</Known>} {unit}
      </td>
      <td data-figure>
        {difference === null ? "–" : `${difference > 0 ? "+" : ""}${minus(difference)}`}
        {isAsPlanned ? " as planned" : " off plan"}
      </td>
    </tr>
  );
}

/** What was planned beside what the take proves. */
export function PlannedProved({ comparisons }: { comparisons: readonly Comparison[] }) {
  return (
    <TableScroll aria-label="Planned and measured">
      <Table>
        <thead>
          <tr>
            <th scope="col">Figure</th>
            <th scope="col" data-figure>
              Planned
            </th>
            <th scope="col" data-figure>
              Measured
            </th>
            <th scope="col" data-figure>
              Difference
            </th>
          </tr>
        </thead>
        <tbody>
          {comparisons.map((comparison) => (
            <CompareRow key={comparison.what} comparison={comparison} />
          ))}
        </tbody>
      </Table>
    </TableScroll>
  );
}
