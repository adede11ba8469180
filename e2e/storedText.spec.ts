import { expect } from "@playwright/test";
import { shootFileOf } from "../core/records";
import { SLACK_WATER } from "../demo/slackWater";
import { bundleOf } from "../fixtures/testStore";
import { long } from "./long";
import { goWithin, importShoot } from "./shoot";

/** Runs where a page takes it for more than text. */
const HOSTILE = `"><img src=x onerror="window.ran=1">'<script>window.ran=1</script>{{7*7}}`;
/** Fields in which people write what they like. */
const FREE = new Set([
  "name",
  "title",
  "note",
  "notes",
  "askedBy",
  "text",
  "slate",
  "fileName",
  "label",
  "who",
  "comment",
]);

/** A record with hostile text in each field that takes any. */
function poisoned(value: unknown, key = ""): unknown {
  if (typeof value === "string") return FREE.has(key) && key !== "slate" ? `${HOSTILE}${value}`.slice(0, 80) : value;
  if (Array.isArray(value)) return value.map((each) => poisoned(each, key));
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([name, each]) => [name, poisoned(each, name)]));
}

const ALL = [
  "",
  "scout",
  "site",
  "pickup",
  "dress",
  "card",
  "day",
  "kit",
  "link",
  "frequencies",
  "level",
  "settings",
  "roll",
  "report",
  "check",
  "history",
  "handover",
];

long("text that would run is shown as text, in every view, print and document", async ({ page }) => {
  const file = shootFileOf(bundleOf(SLACK_WATER), [], "2027-05-11T07:00:00Z");
  const text = JSON.stringify({ ...file, records: poisoned(file.records) });
  await importShoot(page, text);
  const shoot = new URL(page.url()).pathname;
  let shown = 0;
  for (const view of ALL) {
    await goWithin(page, view ? `${shoot}/${view}` : shoot);
    await page.locator("h1").first().waitFor();
    shown += await page.getByText("<img src=x", { exact: false }).count();
    const ran = await page.evaluate(() => ({
      ran: "ran" in window,
      made: document.querySelectorAll('img[src="x"], script:not([src]):not([nonce])').length,
    }));
    expect([view, ran]).toEqual([view, { ran: false, made: 0 }]);
  }
  // It was there to run.
  expect(shown).toBeGreaterThan(3);
  for (const sheet of ["report.pdf?day=1", "card.pdf"])
    expect([200, 404]).toContain((await page.request.get(`${shoot}/${sheet}`)).status());
});
