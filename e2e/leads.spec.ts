import { expect, type Page } from "@playwright/test";
import { long } from "./long";
import { awake, choose, expectSaved, openDemo, goToStation, openLinks, startShoot } from "./shoot";
import { test } from "./test";

const STEPS = ["Reset", "Scan", "Tune", "Sync", "Confirm", "Connect", "Unlink", "Arm", "Tap", "Loudest line"];
const walk = (page: Page) => page.getByRole("region", { name: "Walk" });
const front = (page: Page, name: string) => page.getByRole("region", { name, exact: true });
const step = (page: Page, name: string) => page.getByRole("list", { name: "Steps" }).getByRole("button", { name });
const wrong = (page: Page) => page.getByRole("region", { name: "Troubleshoot" });
const line = (page: Page, name: string) =>
  page.getByRole("region", { name: "Packing" }).getByRole("row", { name: new RegExp(`^${name}`) });

/** A shoot with one wearer in one scene, in one of the views of its links. */
async function openOwn(page: Page, title: string, view: string): Promise<string> {
  const id = await startShoot(page, title);
  await page.goto(`/shoots/${id}/dress`);
  await page.getByRole("button", { name: "Add talent" }).click();
  await expect(page.getByRole("link", { name: "Talent 1" })).toBeVisible();
  await expectSaved(page);
  await page.goto(`/shoots/${id}/link`);
  await awake(page);
  await openLinks(page, view);
  return id;
}

/** Answers with what the simulated devices show until a cause is named. */
async function findCause(page: Page): Promise<string> {
  const look = wrong(page).getByRole("button", { name: "Look on the simulated devices" });
  for (let asked = 0; asked < 20 && (await look.isVisible()); asked += 1) {
    const before = await wrong(page).getByRole("status").textContent();
    await look.click();
    await expect(wrong(page).getByRole("status")).not.toHaveText(before!);
  }
  await expect(wrong(page).getByRole("button", { name: "That was not it" })).toBeVisible();
  return (await wrong(page).getByRole("status").textContent())!;
}

long(
  "the demo's busiest day: coordinated, every lead known, one link paired on the simulated devices, two faults put in and found",
  async ({ page, request }) => {
    const id = await openDemo(request);
    await page.goto(`/shoots/${id}/link`);
    await awake(page);
    await expect(page.getByRole("region", { name: "Frequencies" }).getByRole("status").first()).toHaveText(
      "All 9 frequencies are compatible.",
    );
    await openLinks(page, "Cables");
    const way = page.getByRole("region", { name: "Signal path" });
    const talent = page.getByRole("navigation", { name: "Talent" });
    const judged = /^(It works|Monitoring only)/;
    for (const name of ["Tam", "Ines", "Ash", "Sanna", "Rafe"]) {
      await talent.getByRole("link", { name: new RegExp(`^${name}`) }).click();
      await expect(way.getByRole("heading", { name: new RegExp(`^${name}`) })).toBeVisible();
      await expect(way.getByRole("status")).toHaveText(judged);
    }
    const others = page.getByRole("list", { name: "Other sources" }).getByRole("button");
    for (let index = 0; index < (await others.count()); index += 1) {
      await others.nth(index).click();
      await expect(way.getByRole("status")).toHaveText(judged);
    }
    await others.filter({ hasText: "House desk" }).click();
    await expect(way.getByRole("list", { name: "From the house desk, RCA out" })).toContainText("not in the kit");

    await goToStation(page, "Kit");
    await choose(page, "Day", "Day 3");
    for (const [name, says] of [
      ["3.5 mm TRS to TRRS cable", "2 to buy (1 spare)"],
      ["RCA to 6.35 mm cable", "2 to buy (1 spare)"],
      ["6.35 mm TRS cable", "2 to buy (1 spare)"],
      ["3.5 mm TRS to XLR cable", "1 spare to buy"],
    ] as const)
      await expect(line(page, name)).toContainText(says);
    await page.getByRole("radiogroup", { name: "Lines" }).getByText("To get", { exact: true }).click();
    await expect(page.getByRole("row").filter({ hasText: "to buy" })).toHaveCount(4);

    await goToStation(page, "Link");
    await openLinks(page, "Pairing");
    await talent.getByRole("link", { name: /^Quill/ }).click();
    for (const name of STEPS) {
      await step(page, name).click();
      await walk(page).getByRole("button", { name: "Show me" }).click();
      await expect(walk(page).getByText(`On the simulated devices: ${name.toLowerCase()} is done.`)).toBeVisible();
      await walk(page).getByRole("button", { name: "Rehearsed", exact: true }).click();
      await expect(step(page, name)).toContainText("rehearsed");
    }
    await walk(page).getByText("The loudest line", { exact: true }).click();
    await expect(walk(page).getByText("You hear the mic.")).toBeVisible();

    // Two faults: the pack is muted, and somebody took the lead for unbalanced receivers.
    await front(page, "Pack").getByText("Mute", { exact: true }).click();
    await choose(page, "Cable in hand", "3.5 mm TS cable", walk(page));
    await expect(walk(page).getByText("There is no sound.")).toBeVisible();
    await choose(page, "Cable in hand", "3.5 mm TRS to XLR cable, balanced", walk(page));
    await walk(page).getByText("All devices", { exact: true }).click();
    await front(page, "Recorder").getByText("Hold", { exact: true }).click();
    await expectSaved(page);
    await walk(page).getByRole("button", { name: "Troubleshoot" }).click();
    await expect(page.getByText(/On the simulated devices: no sound at all; the buttons do nothing/)).toBeVisible();
    await wrong(page).getByRole("button", { name: "No sound at all" }).click();
    expect(await findCause(page)).toContain("The pack is muted.");
    await openLinks(page, "Pairing");
    await step(page, "Confirm").click();
    await front(page, "Pack").getByText("Mute", { exact: true }).click();
    await openLinks(page, "Troubleshoot");
    await wrong(page).getByRole("button", { name: "The buttons do nothing" }).click();
    expect(await findCause(page)).toBe("Hold is on.");
    await openLinks(page, "Pairing");
    await step(page, "Loudest line").click();
    await front(page, "Recorder").getByText("Hold", { exact: true }).click();
    await walk(page).getByText("The loudest line", { exact: true }).click();
    await expect(walk(page).getByText("You hear the mic.")).toBeVisible();
    await expect(walk(page).getByText("On the simulated devices: loudest line is done.")).toBeVisible();
    await expectSaved(page);
  },
);

long("a hidden fault is found by looking; a device says why it does not react", async ({ page }) => {
  await openOwn(page, "Hidden faults", "Pairing");
  await walk(page).getByRole("button", { name: "Hide one fault" }).click();
  await expect(walk(page).getByText("One thing is wrong now.")).toBeVisible();
  await walk(page).getByRole("button", { name: "Troubleshoot" }).click();
  const told = await page.getByText(/^On the simulated devices: /).textContent();
  const symptom = told!.replace("On the simulated devices: ", "").split(/[;.]/)[0]!;
  await wrong(page)
    .getByRole("button", { name: new RegExp(`^${symptom}`, "i") })
    .first()
    .click();
  await findCause(page);
  await openLinks(page, "Pairing");
  await choose(page, "Fault to hide", "The pack's battery is flat.", walk(page));
  await expect(walk(page).getByText("There is no sound.")).toBeVisible();
  await walk(page).getByRole("button", { name: "Troubleshoot" }).click();
  await wrong(page).getByRole("button", { name: "No sound at all" }).click();
  expect(await findCause(page)).toBe("The pack's battery is flat.");
  await openLinks(page, "Pairing");
  await walk(page).getByRole("button", { name: "Start over" }).click();
  await step(page, "Scan").click();
  await front(page, "Scan at the receiver").getByRole("button", { name: "Skip the wait" }).click();
  await expect(walk(page).getByText("No scan is running.")).toBeVisible();
  await front(page, "Pack").getByText("Power", { exact: true }).click();
  await front(page, "Scan at the receiver").getByRole("button", { name: "Scan", exact: true }).click();
  await expect(walk(page).getByText("On the simulated devices: scanning.")).toBeVisible();
  await front(page, "Scan at the receiver").getByRole("button", { name: "Skip the wait" }).click();
  await expect(walk(page).getByText("On the simulated devices: scan is done.")).toBeVisible();
  await expectSaved(page);
});

long("by keyboard: steps ticked on the real devices sew the link, another frequency unpicks it", async ({ page }) => {
  const id = await openOwn(page, "Ticked by keys", "Frequencies");
  await page.getByRole("button", { name: "Find frequencies" }).click();
  await expect(page.getByText(/^The link has a frequency/)).toBeVisible({ timeout: 30_000 });
  await openLinks(page, "Pairing");
  const done = walk(page).getByRole("button", { name: "Done on the real devices" });
  for (const name of ["Reset", "Scan", "Tune", "Sync", "Confirm", "Connect", "Arm", "Tap", "Loudest line"]) {
    await expect(step(page, name)).toHaveAttribute("aria-current", "step");
    await done.focus();
    await page.keyboard.press("Enter");
    await expect(step(page, name)).toContainText("done");
  }
  await expect(page.getByText("Verified: all steps are done on the real devices.")).toBeVisible();
  await expectSaved(page);
  await page.goto(`/shoots/${id}`);
  await expect(page.getByRole("link", { name: "Link: verified" })).toBeVisible();
  await page.goto(`/shoots/${id}/link`);
  await awake(page);
  await page.getByRole("slider", { name: "Talent 1" }).focus();
  await page.keyboard.press("ArrowRight");
  await expectSaved(page);
  await openLinks(page, "Pairing");
  await expect(step(page, "Sync")).toContainText("again");
  await expect(step(page, "Connect")).toContainText("done");
  await page.goto(`/shoots/${id}`);
  await expect(page.getByText(/Changed since it was paired: tune, sync, confirm/).first()).toBeVisible();
});

long("cables: into a phone, an own device with its figures, a camera without a sound input", async ({ page }) => {
  await openOwn(page, "Cables", "Cables");
  const way = page.getByRole("region", { name: "Signal path" });
  await expect(way.getByRole("list", { name: "Way of Talent 1" })).toContainText("3.5 mm TRS cable");
  await choose(page, "Into", "phone, headset socket", way);
  await expect(way.getByRole("list", { name: "Way of Talent 1" })).toContainText("for phones");
  await choose(page, "Into", "camera without a sound input", way);
  await expect(way.getByRole("status")).toContainText("record beside it");
  await choose(page, "Into", "recorder, XLR mic input", way);
  await way.getByRole("button", { name: "My own, like this source" }).click();
  await way.getByRole("button", { name: /^Specifications of own receiver/ }).click();
  await way.getByLabel("Device").fill("Receiver with a loud output");
  await way.getByLabel("Loudest").fill("60");
  await expect(way.getByText("Loudest: −200 to 30 dBu.")).toBeVisible();
  await way.getByLabel("Loudest").fill("20");
  await way.getByLabel("Can be turned down by").fill("0");
  await expect(way.getByRole("status")).toContainText(/It works/);
  await expect(way.getByRole("list", { name: "Way of Talent 1" })).toContainText(/XLR pad|DI box/);
  await expectSaved(page);
  await page.reload();
  await expect(way.getByRole("button", { name: /From$/ })).toContainText("Receiver with a loud output");
});

long(
  "the bag: what is owned leaves the list of what to get, what is packed is remembered, what is out is named",
  async ({ page }) => {
    await openOwn(page, "Bag", "Cables");
    await goToStation(page, "Kit");
    const lead = line(page, "3.5 mm TRS cable");
    await expect(lead).toContainText("2 to buy (1 spare)");
    await lead.getByLabel(/^Hired/).fill("2");
    await expect(lead).not.toContainText("to buy");
    await lead.getByRole("checkbox", { name: /^Packed/ }).click({ force: true });
    await page.getByRole("button", { name: "Always along" }).click();
    await page.getByLabel("Something that always comes along").fill("Cloth tape for this test");
    await page.getByRole("button", { name: "Add", exact: true }).click();
    await expect(line(page, "Cloth tape for this test")).toBeVisible();
    await expectSaved(page);
    await page.reload();
    await awake(page);
    await expect(lead.getByRole("checkbox", { name: /^Packed/ })).toBeChecked();
    await line(page, "Cloth tape for this test").getByRole("checkbox").click({ force: true });
    await page.getByText("Return check", { exact: true }).click();
    await lead.getByRole("checkbox", { name: /^Back/ }).click({ force: true });
    await expect(page.getByText("Still out: Cloth tape for this test.")).toBeVisible();
    await page.getByRole("button", { name: "Always along" }).click();
    await page.getByRole("button", { name: "Remove", exact: true }).click();
    await expect(line(page, "Cloth tape for this test")).toHaveCount(0);
    await expectSaved(page);
  },
);

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 800 }, hasTouch: true });

  long(
    "recording, but far away: taps, own mic, the kind of adapter; without any link of the shoot",
    async ({ page }) => {
      await openOwn(page, "Far away", "Troubleshoot");
      await choose(page, "On which link\\?", "another, not of this shoot");
      await wrong(page).getByRole("button", { name: "It records, but sounds distant" }).click();
      await expect(wrong(page).getByRole("status")).toHaveText("Tap the mic, then the phone. Which is louder?");
      await wrong(page).getByRole("button", { name: "The device" }).click();
      for (
        let asked = 0;
        asked < 6 && !(await page.getByRole("button", { name: "That was not it" }).isVisible());
        asked += 1
      ) {
        const asks = (await wrong(page).getByRole("status").textContent())!;
        await wrong(page)
          .getByRole("button", {
            name: asks.startsWith("Push") ? "Yes" : "No",
            exact: true,
          })
          .click();
        await expect(wrong(page).getByRole("status")).not.toHaveText(asks);
      }
      await expect(wrong(page).getByText(/^Use the phone adapter for self-powered mics\.$/)).toBeVisible();
      expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
      for (const view of ["Cables", "Pairing", "Frequencies"]) {
        await openLinks(page, view);
        await awake(page);
        expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
      }
    },
  );
});
