import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";
import { long } from "./long";
import { newLink } from "../core/planning";
import { BY_LEAD, FIRST_AIR_PLAN } from "../core/wireless";
import { awake, choose, expectSaved, openDemo, startShoot } from "./shoot";
import { takeWav } from "./sounds";

const ways = (page: Page) => page.getByRole("navigation", { name: "Talent" });
const settings = (page: Page, name: string) => page.getByRole("list", { name: new RegExp(`^What to set for ${name}`) });

long(
  "every kind of way in the demo has its settings card: by radio, by lead, on phantom power, own mics, desk, phone, computer, mixer",
  async ({ page, request }) => {
    const id = await openDemo(request);
    await page.goto(`/shoots/${id}/level`);
    await awake(page);
    const kinds: [string, RegExp][] = [
      ["Tam, miller", /Pack.*Sensitivity.*Receiver.*Volume.*Recorder, 3.5 mm mic input.*Gain/],
      ["Ash, volunteer", /Recorder, 3.5 mm mic input.*Gain.*Plug-in power on/],
      ["Table omni, Wren", /Recorder, XLR mic input.*Gain.*Phantom power on/],
      ["Recorder's own pair, Accordion", /Recorder's own pair.*Gain/],
      ["House desk", /Only through the venue's technician.*Recorder, 6.35 mm line input/],
      ["Report by phone", /Recorder as audio interface.*Gain.*Phone, data socket/],
      ["Safety talk on the call", /Sensitivity.*Volume.*Computer, mic socket.*Boost.*System's level.*Program's trim/],
      ["Rafe, live host", /Sensitivity.*Streaming mixer, XLR channel.*Gain/],
    ];
    for (const [name, cards] of kinds) {
      await ways(page)
        .getByRole(/^(Table|Recorder|House|Report|Safety)/.test(name) ? "button" : "link", {
          name: new RegExp(`^${name}`),
        })
        .first()
        .click();
      await expect(settings(page, name)).toHaveText(cards);
      await expect(page.getByRole("img", { name: /^Levels at \d stages/ })).toBeVisible();
    }
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(violations.map((each) => each.id)).toEqual([]);
  },
);

long(
  "the welder overloads at the pack; the less sensitive capsule of the kit cures it at a press",
  async ({ page, request }) => {
    const id = await openDemo(request);
    await page.goto(`/shoots/${id}/level?wearer=51ac0000-0000-4000-8000-000000000035`);
    await awake(page);
    await expect(
      page.getByText(
        /The pack overloads even at its lowest sensitivity: a capsule \d dB less sensitive is the cure. No later control can repair it./,
      ),
    ).toBeVisible();
    await page.getByRole("button", { name: /^Take the omni lav, low sensitivity.*12 dB less sensitive$/ }).click();
    await expect(page.getByText(/would clip first/)).toBeVisible();
    await page.getByRole("radiogroup", { name: "Voice" }).getByText("Whisper", { exact: true }).click();
    await expect(
      page.getByText(/At these settings a whisper line peaks at −\d+ dBFS, and nothing clips/),
    ).toBeVisible();
    await choose(page, "Microphone", "omni lav, 6 mV/Pa");
    await expect(page.getByText(/No later control can repair it/)).toBeVisible();
    await expectSaved(page);
  },
);

long(
  "a desk into a mic input is refused with the number of dB, until the way is another",
  async ({ page, request }) => {
    const id = await startShoot(page, "Desk");
    await expectSaved(page);
    // The only link of the shoot: a house desk by lead.
    const links = [newLink({ id: "desk", name: "House desk", systemId: BY_LEAD })];
    const body = { shootId: id, ...FIRST_AIR_PLAN, scan: null, links };
    const create = { op: "create", key: crypto.randomUUID(), kind: "air", id: crypto.randomUUID(), body };
    expect((await request.post("/api/commands", { data: { commands: [create] } })).ok()).toBe(true);
    await page.goto(`/shoots/${id}/link?view=cables&link=desk`);
    await awake(page);
    await choose(page, "From", "house desk, XLR out");
    await choose(page, "Into", "recorder, XLR mic input");
    await expectSaved(page);
    await page.goto(`/shoots/${id}/level?way=desk`);
    await awake(page);
    const way = page.getByRole("region", { name: "Settings of House desk" });
    await expect(way.getByRole("alert")).toHaveText(
      /^Refused without the XLR pad, \d0 dB: \d+ dB too loud for recorder, XLR mic input/,
    );
    await page.goto(`/shoots/${id}/link?view=cables&link=desk`);
    await awake(page);
    await choose(page, "Into", "recorder, 6.35 mm line input");
    await expectSaved(page);
    await page.goto(`/shoots/${id}/level?way=desk`);
    await awake(page);
    await expect(way.getByText(/would clip first/)).toBeVisible();
    await expect(way.getByRole("alert")).toBeHidden();
  },
);

long(
  "a tick makes planned into set, and a changed setting asks for it again; a held knob is planned round",
  async ({ page, request }) => {
    const id = await openDemo(request);
    await page.goto(`/shoots/${id}/level?wearer=51ac0000-0000-4000-8000-000000000032`);
    await awake(page);
    const cards = settings(page, "Ines");
    await cards.getByText("Mark as set").first().click();
    await expect(cards.getByText("Set", { exact: true })).toHaveCount(1);
    await expectSaved(page);
    await page.reload();
    await awake(page);
    await expect(cards.getByText("Set", { exact: true })).toHaveCount(1);
    await page.getByRole("button", { name: "Lock a control" }).click();
    await choose(page, "Sensitivity, pack", "−21 dB");
    await expect(cards).toContainText("−21 dB");
    await expect(cards.getByText("Changed since it was set: set it again.")).toBeVisible();
    await expectSaved(page);
    await choose(page, "Sensitivity, pack", "as planned");
    await expectSaved(page);
  },
);

long("a school holds for the whole shoot; the meter at hand says where three quarters are", async ({ page }) => {
  const id = await startShoot(page, "Schools");
  await page.goto(`/shoots/${id}/dress`);
  await page.getByRole("button", { name: "Add talent" }).click();
  await expectSaved(page);
  await page.goto(`/shoots/${id}/level`);
  await awake(page);
  await choose(page, "Where the voice should be", "Three quarters of the meter");
  await page.getByLabel("The meter begins at").fill("-60");
  await expect(page.getByText(/Peaks of the loudest line at −15 dBFS/)).toBeVisible();
  await expectSaved(page);
  await page.reload();
  await awake(page);
  await expect(page.getByText(/^−1[56]\.\d/).first()).toBeVisible();
});

long("a take in Check teaches the day's voice: the settings follow it", async ({ page, request }) => {
  const id = await openDemo(request);
  const rafe = "51ac0000-0000-4000-8000-000000000052";
  await page.goto(`/shoots/${id}/level?wearer=${rafe}`);
  await awake(page);
  const cards = settings(page, "Rafe");
  const before = await cards.textContent();
  await page.goto(`/shoots/${id}/check?wearer=${rafe}`);
  await awake(page);
  await page.setInputFiles("input[type=file]", { name: "soft.wav", mimeType: "audio/wav", buffer: takeWav(-24) });
  await page.getByRole("button", { name: /^Plan this day with a voice 1[12] dB softer$/ }).click();
  await expect(page.getByText(/Applied: the settings of this day follow their voice/)).toBeVisible();
  await expect(page.getByText(/^Turn .* up by \d+ dB/).first()).toBeVisible();
  await expectSaved(page);
  await page.goto(`/shoots/${id}/level?wearer=${rafe}`);
  await awake(page);
  await expect(page.getByText(/Their voice was measured on this day: −1[12]\.\d dB against the plan/)).toBeVisible();
  expect(await cards.textContent()).not.toBe(before);
});

long("a compressor is off until it is asked for, and says what it costs", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/level?way=house-desk`);
  await awake(page);
  await page.getByRole("button", { name: "Limiter, compressor, safety track" }).click();
  await expect(page.getByText(/Left to the edit/)).toBeVisible();
  await page.getByRole("radiogroup", { name: "While recording" }).getByText("Compressor", { exact: true }).click();
  await expect(
    page.getByText(/holds the loudest peaks down by \d+ dB; noise in pauses comes up by \d+ dB/),
  ).toBeVisible();
  await expect(page.getByRole("img", { name: /^Level out for level in/ })).toBeVisible();
  await page.getByRole("radiogroup", { name: "While recording" }).getByText("Neither", { exact: true }).click();
  await expectSaved(page);
});

long("the cards to print are there on one phone screen and for a whole scene", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`/shoots/${id}/settings?way=call`);
  await awake(page);
  await expect(page.getByRole("heading", { name: "Safety talk on the call" })).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
  await page.getByText("All", { exact: true }).click();
  await expect(page.getByRole("heading", { level: 2 })).toHaveCount(20);
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map((each) => each.id)).toEqual([]);
});
