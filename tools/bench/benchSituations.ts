import { CABLES, cableFaults } from "../../fixtures/situations/connect";
import { OUTFITS, outfitFaults } from "../../fixtures/situations/dress";
import { PICKUPS, pickupFaults } from "../../fixtures/situations/pickup";
import { TROUBLES, troubleFaults } from "../../fixtures/situations/rehearsal";

interface Told {
  name: string;
  faults: readonly string[];
}

const told = <Case extends { name: string }>(cases: readonly Case[], faults: (each: Case) => string[]): Told[] =>
  cases.map((each) => ({ name: each.name, faults: faults(each) }));

/** How many situations are answered as a recordist would answer them, and which are not. */
export function benchSituations(): boolean {
  const groups = {
    outfits: told(OUTFITS, outfitFaults),
    pickups: told(PICKUPS, pickupFaults),
    cables: told(CABLES, cableFaults),
    troubles: told(TROUBLES, troubleFaults),
  };
  let [held, all] = [0, 0];
  for (const [group, cases] of Object.entries(groups)) {
    const wrong = cases.filter(({ faults }) => faults.length > 0);
    [held, all] = [held + cases.length - wrong.length, all + cases.length];
    process.stdout.write(`${group}: ${cases.length - wrong.length} of ${cases.length} hold\n`);
    for (const { name, faults } of wrong) process.stdout.write(`  ${name}: ${faults.join("; ")}\n`);
  }
  process.stdout.write(`${held} of ${all} situations hold\n`);
  return held === all;
}
