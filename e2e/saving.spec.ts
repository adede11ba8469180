import { randomUUID } from "node:crypto";
import { expect, type APIRequestContext, type Browser, type Page, type Route } from "@playwright/test";
import { long } from "./long";
import type { Change, Command, Outcome } from "../core/records";
import { awake, expectSaved, goToStation, openDemo, openLevels, openLinks, startHere, startShoot } from "./shoot";
import { test } from "./test";

const COMMANDS = "**/api/commands";
const statusLine = (page: Page) => page.getByRole("banner").getByRole("status");
const width = (page: Page) => page.getByLabel("Width");
const length = (page: Page) => page.getByLabel("Length", { exact: true });
const dialogOf = (page: Page) => page.getByRole("alertdialog");

/** What the server has of a shoot. */
async function records(request: APIRequestContext, id: string): Promise<Change[]> {
  const answer = await request.get(`/api/shoots/${id}/records?since=0`);
  return ((await answer.json()) as { records: Change[] }).records;
}
const of = (all: readonly Change[], kind: Change["kind"]) => all.filter((each) => each.kind === kind);

/** A new shoot with a place, in Scout, all saved. */
async function openPlace(page: Page, title: string): Promise<string> {
  const id = await startShoot(page, title);
  await page.getByRole("button", { name: "Add place" }).click();
  await expectSaved(page);
  return id;
}

/** Another device: a browser of its own, on the same page. */
async function otherDevice(browser: Browser, page: Page): Promise<Page> {
  const other = await (await browser.newContext()).newPage();
  await other.goto(page.url());
  await awake(other);
  return other;
}

/** Nothing reaches this page, and nothing leaves it. */
const deafen = (page: Page) => page.route("**/api/**", (route) => route.abort());
const hearAgain = async (page: Page) => {
  await page.unroute("**/api/**");
  await page.evaluate(() => window.dispatchEvent(new Event("online")));
};
const expectKept = (page: Page) => expect(statusLine(page)).toContainText("kept on this device");

const commandsOf = (route: Route) => (route.request().postDataJSON() as { commands: Command[] }).commands;
const answerWith = (route: Route, outcomes: Outcome[]) => route.fulfill({ json: { outcomes } });

test("a create whose answer is lost, then more typing: the newer text is there", async ({ page, request }) => {
  const id = await startShoot(page, "Lost answer");
  let lost = 0;
  await page.route(COMMANDS, async (route) => {
    if (commandsOf(route).some(({ op }) => op === "create")) {
      await route.fetch();
      lost += 1;
    }
    await route.abort().catch(() => undefined);
  });
  await page.getByRole("button", { name: "Add place" }).click();
  await expectKept(page);
  expect(lost).toBeGreaterThan(0);
  await width(page).fill("3.3");
  await page.unroute(COMMANDS);
  await expectSaved(page);
  await page.reload();
  await expect(width(page)).toHaveValue("3.3");
  const places = of(await records(request, id), "place");
  expect(places).toHaveLength(1);
  expect(places[0]!.body).toMatchObject({ model: { widthM: 3.3 } });
});

for (const isSaved of [true, false])
  (isSaved ? long : test)(
    `two tabs with unsaved work, ${isSaved ? "one saves, " : ""}both close: nothing is missing`,
    async ({ page, context, request }) => {
      const id = await openPlace(page, "Two tabs");
      const other = await context.newPage();
      await other.goto(page.url());
      await awake(other);
      await context.route(COMMANDS, (route) => route.abort());
      await width(page).fill("3.3");
      await length(other).fill("7.7");
      await expectKept(page);
      await expectKept(other);
      if (isSaved) {
        await other.close({ runBeforeUnload: false });
        await context.unroute(COMMANDS);
        await expectSaved(page);
      } else await other.close();
      // The browser of the worker keeps one page of its own.
      expect(context.pages().filter((each) => each.url() !== "about:blank")).toHaveLength(1);
      const address = page.url();
      await page.close();
      if (!isSaved) await context.unroute(COMMANDS);
      const next = await context.newPage();
      await next.goto(address);
      await expect(width(next)).toHaveValue("3.3");
      await expect(length(next)).toHaveValue("7.7");
      await expectSaved(next);
      expect(of(await records(request, id), "place")[0]!.body).toMatchObject({ model: { widthM: 3.3, lengthM: 7.7 } });
    },
  );

long(
  "what there is one of in a shoot, made on two devices at once, is one and holds what both typed",
  async ({ page, browser, request }) => {
    const id = await openPlace(page, "One for a shoot");
    await page.goto(`/shoots/${id}/level`);
    const other = await otherDevice(browser, page);
    for (const each of [page, other]) {
      await openLevels(each, "Cards and batteries");
      await deafen(each);
    }
    const piece = (on: Page, name: string) => on.getByRole("region", { name });
    await piece(page, "Cards").getByRole("textbox", { name: "Card 1" }).fill("64");
    await piece(other, "Batteries").getByLabel("Coldest hour").fill("-20");
    await expectKept(page);
    await expectKept(other);
    await hearAgain(page);
    await expectSaved(page);
    await hearAgain(other);
    await expectSaved(other);
    for (const each of [page, other]) {
      await expect(piece(each, "Cards").getByRole("textbox", { name: "Card 1" })).toHaveValue("64");
      await expect(piece(each, "Batteries").getByLabel("Coldest hour")).toHaveValue("-20");
    }
    expect(of(await records(request, id), "provision")).toHaveLength(1);
    await other.context().close();
  },
);

long(
  "the same one of a shoot, made on two devices with different figures: the later is told and decides",
  async ({ page, browser, request }) => {
    const id = await openPlace(page, "One, told");
    await page.goto(`/shoots/${id}/level`);
    const other = await otherDevice(browser, page);
    const coldest = (on: Page) => on.getByRole("region", { name: "Batteries" }).getByLabel("Coldest hour");
    for (const [each, typed] of [
      [page, "-20"],
      [other, "-5"],
    ] as const) {
      await openLevels(each, "Cards and batteries");
      await deafen(each);
      await coldest(each).fill(typed);
      await expectKept(each);
    }
    await hearAgain(page);
    await expectSaved(page);
    await hearAgain(other);
    await expect(dialogOf(other)).toContainText("was changed elsewhere too");
    await expect(dialogOf(other)).toContainText("-20");
    await dialogOf(other).getByRole("button", { name: "Keep mine" }).click();
    await expectSaved(other);
    await expect(coldest(page)).toHaveValue("-5");
    expect(of(await records(request, id), "provision")).toHaveLength(1);
    await other.context().close();
  },
);

long("one talent dressed for one scene on two devices at once is dressed once", async ({ page, browser, request }) => {
  const id = await startShoot(page, "Dressed twice");
  await page.goto(`/shoots/${id}/dress`);
  await awake(page);
  await page.getByRole("button", { name: "Add talent" }).click();
  await expect(page.getByRole("link", { name: "Talent 1" })).toBeVisible();
  await expectSaved(page);
  const copy = async (on: Page, name: string | RegExp) => {
    await on.getByRole("button", { name: "Copy this rig or talent" }).click();
    await on.getByRole("menuitem", { name }).click();
  };
  await copy(page, "Copy rig to a new scene");
  await expectSaved(page);
  await page.getByRole("button", { name: "Add talent" }).click();
  await expect(page.getByRole("link", { name: "Talent 2" })).toBeVisible();
  await expectSaved(page);
  const other = await otherDevice(browser, page);
  for (const [each, moves] of [
    [page, "Walks"],
    [other, "Runs"],
  ] as const) {
    await deafen(each);
    await copy(each, /^Copy rig to: /);
    await each.getByText(moves, { exact: true }).click();
    await expectKept(each);
  }
  await hearAgain(page);
  await expectSaved(page);
  await hearAgain(other);
  // One of the two had to give way, and somebody is told so.
  await expect(dialogOf(other)).toContainText("was changed elsewhere too");
  await dialogOf(other).getByRole("button", { name: "Take theirs" }).click();
  await expectSaved(other);
  await expect(other.getByRole("radio", { name: "Walks" })).toBeChecked();
  const rigs = of(await records(request, id), "rig").map(({ body }) => body as { wearerId: string; sceneId: string });
  expect(rigs).toHaveLength(4);
  expect(new Set(rigs.map(({ wearerId, sceneId }) => wearerId + sceneId)).size).toBe(4);
  await other.context().close();
});

long("fields of one record changed on two devices while both were away come together", async ({ page, browser }) => {
  await openPlace(page, "Merges");
  const other = await otherDevice(browser, page);
  await deafen(page);
  await deafen(other);
  await width(page).fill("3.3");
  await length(other).fill("7.7");
  await expectKept(page);
  await expectKept(other);
  await hearAgain(page);
  await hearAgain(other);
  await expectSaved(page);
  await expectSaved(other);
  for (const each of [page, other]) {
    await expect(width(each)).toHaveValue("3.3");
    await expect(length(each)).toHaveValue("7.7");
  }
  await expect(dialogOf(page)).toBeHidden();
  await expect(dialogOf(other)).toBeHidden();
  await other.context().close();
});

long(
  "one field changed on two devices: Escape decides nothing, the typed value stays until somebody decides",
  async ({ page, browser }) => {
    await openPlace(page, "Conflict");
    const other = await otherDevice(browser, page);
    await deafen(page);
    await width(other).fill("5.5");
    await expectSaved(other);
    await width(page).fill("3.3");
    await expectKept(page);
    await hearAgain(page);
    const dialog = dialogOf(page);
    await expect(dialog).toContainText("was changed elsewhere too");
    await expect(dialog.getByRole("row", { name: /Width/ })).toContainText("3.3");
    await expect(dialog.getByRole("row", { name: /Width/ })).toContainText("5.5");
    await page.keyboard.press("Escape");
    await expect(dialog).toBeHidden();
    await expect(width(page)).toHaveValue("3.3");
    await expect(statusLine(page)).toContainText("1 change not saved");
    await page.reload();
    await expect(dialog).toBeVisible();
    // A press beside it decides nothing either.
    await page.mouse.click(5, 5);
    await expect(width(page)).toHaveValue("3.3");
    await expect(width(other)).toHaveValue("5.5");
    if (await dialog.isHidden()) await page.getByRole("button", { name: "Decide" }).click();
    await dialog.getByRole("button", { name: "Keep mine" }).click();
    await expectSaved(page);
    await expect(width(other)).toHaveValue("3.3");
    await other.context().close();
  },
);

long("a lone user is never asked: lost answers of the same field, one after the other", async ({ page }) => {
  await openPlace(page, "Lone");
  for (const typed of ["3.1", "3.2", "3.3"]) {
    await page.route(COMMANDS, async (route) => {
      await route.fetch();
      await route.abort().catch(() => undefined);
    });
    await width(page).fill(typed);
    await expectKept(page);
    await page.unroute(COMMANDS);
    await width(page).fill(`${typed}5`);
    await expectSaved(page);
    await expect(dialogOf(page)).toBeHidden();
  }
  await page.reload();
  await expect(width(page)).toHaveValue("3.35");
});

long(
  "a failure on one record holds no other, whether it is told of that one or of all that was sent with it",
  async ({ page, request }) => {
    const id = await openPlace(page, "Failures");
    await page.getByRole("button", { name: "Add place" }).click();
    await expectSaved(page);
    const [first] = of(await records(request, id), "place");
    let isWhole = true;
    await page.route(COMMANDS, async (route) => {
      if (!commandsOf(route).some((each) => each.id === first!.id)) return route.continue();
      if (isWhole) return route.fulfill({ status: 500, json: { message: "Something went wrong here." } });
      const answer = await route.fetch({
        postData: { commands: commandsOf(route).filter((each) => each.id !== first!.id) },
      });
      const { outcomes } = (await answer.json()) as { outcomes: Outcome[] };
      return answerWith(
        route,
        commandsOf(route).map((each) =>
          each.id === first!.id
            ? { outcome: "failed", says: { code: "record.waits" }, requestId: "" }
            : outcomes.shift()!,
        ),
      );
    });
    const tab = (name: string) => page.getByRole("tab", { name, exact: true });
    for (const typed of ["3.3", "4.4"]) {
      await tab("Place 1").click();
      await width(page).fill(typed);
      await tab("Place 2").click();
      await width(page).fill(typed);
      await expect
        .poll(async () =>
          of(await records(request, id), "place").map(
            ({ body }) => (body as { model: { widthM: number } }).model.widthM,
          ),
        )
        .toContain(Number(typed));
      isWhole = false;
    }
    await page.unroute(COMMANDS);
    await expectSaved(page);
    for (const place of of(await records(request, id), "place"))
      expect(place.body).toMatchObject({ model: { widthM: 4.4 } });
  },
);

test("leaving at once after typing loses nothing: by a link, by closing, to another site", async ({
  page,
  context,
}) => {
  await openPlace(page, "Leaving");
  const address = page.url();
  await width(page).fill("3.1");
  await goToStation(page, "Dress");
  await goToStation(page, "Scout");
  await expect(width(page)).toHaveValue("3.1");
  await expectSaved(page);
  await width(page).fill("3.2");
  await page.close();
  const next = await context.newPage();
  await next.goto(address);
  await expect(width(next)).toHaveValue("3.2");
  await expectSaved(next);
  await width(next).fill("3.3");
  await next.goto("about:blank");
  // Any page of the application sends what was left, and says so.
  await next.goto("/");
  await awake(next);
  const fresh = await (await context.browser()!.newContext()).newPage();
  await expect(async () => {
    await fresh.goto(address);
    await expect(width(fresh)).toHaveValue("3.3", { timeout: 1000 });
  }).toPass();
  await fresh.context().close();
});

long(
  "where nothing tells of changes they are asked for within half a minute, and both devices come together",
  async ({ page, browser }) => {
    await openPlace(page, "Deaf");
    const other = await (await browser.newContext()).newPage();
    await other.route("**/api/events", (route) => route.abort());
    await other.goto(page.url());
    await awake(other);
    await width(page).fill("3.3");
    await expectSaved(page);
    await length(other).fill("7.7");
    await expectSaved(other);
    await expect(length(page)).toHaveValue("7.7");
    await expect(width(other)).toHaveValue("3.3", { timeout: 40_000 });
    await other.context().close();
  },
);

long("what was left unsaved is sent by the next visit to any page, and said", async ({ page, context, request }) => {
  const id = await openPlace(page, "Left behind");
  await page.route(COMMANDS, (route) => route.abort());
  await width(page).fill("3.3");
  await expectKept(page);
  await page.close();
  const next = await context.newPage();
  await next.goto("/");
  await expect(next.getByText("1 change from your last visit is saved.")).toBeVisible();
  expect(of(await records(request, id), "place")[0]!.body).toMatchObject({ model: { widthM: 3.3 } });
});

long("deleted elsewhere, edited here: said once, brought back or let go, no ghost", async ({ page, browser }) => {
  await openPlace(page, "Deleted elsewhere");
  const other = await otherDevice(browser, page);
  for (const decision of ["Let it go", "Bring Place 1 back"]) {
    await deafen(page);
    await width(page).fill(decision === "Let it go" ? "3.3" : "4.4");
    await expectKept(page);
    await other.getByRole("button", { name: "Delete this place" }).click();
    await expectSaved(other);
    await hearAgain(page);
    await expect(dialogOf(page)).toContainText("Place 1 was deleted elsewhere");
    await dialogOf(page).getByRole("button", { name: decision }).click();
    await expectSaved(page);
    await expect(dialogOf(page)).toBeHidden();
    if (decision === "Let it go") {
      await expect(page.getByText("Where will they speak?")).toBeVisible();
      await page.reload();
      await expect(page.getByText("Where will they speak?")).toBeVisible();
      await page.getByRole("button", { name: "Add place" }).click();
      await expectSaved(page);
      await expect(width(other)).toBeVisible();
    }
  }
  await expect(width(page)).toHaveValue("4.4");
  await expect(width(other)).toHaveValue("4.4");
  await other.context().close();
});

long("a refused edit is told at its field, and deleting the record then leaves no ghost", async ({ page, request }) => {
  const id = await openPlace(page, "Refused");
  await page.route(COMMANDS, (route) =>
    commandsOf(route).every(({ op }) => op === "patch")
      ? answerWith(
          route,
          commandsOf(route).map(() => ({
            outcome: "refused",
            says: { code: "record.asWritten", text: "Width: too narrow for a piano." },
            fields: [
              { path: "model.widthM", says: { code: "record.asWritten", text: "Width: too narrow for a piano." } },
            ],
            isMissing: false,
          })),
        )
      : route.continue(),
  );
  await width(page).fill("3.3");
  await expect(dialogOf(page)).toContainText("Place 1 was not saved");
  await page.keyboard.press("Escape");
  await expect(page.getByRole("main").getByText("Width: too narrow for a piano.")).toBeVisible();
  await expect(width(page)).toHaveValue("3.3");
  await page.getByRole("button", { name: "Delete this place" }).click();
  await expect(page.getByText("Where will they speak?")).toBeVisible();
  await expectSaved(page);
  await page.unroute(COMMANDS);
  await page.reload();
  await expect(page.getByText("Where will they speak?")).toBeVisible();
  await expectSaved(page);
  expect(of(await records(request, id), "place")).toEqual([]);
});

long("a refused edit is sent when it is corrected", async ({ page }) => {
  await openPlace(page, "Corrected");
  let refusals = 1;
  await page.route(COMMANDS, (route) =>
    (refusals -= 1) >= 0
      ? answerWith(route, [
          {
            outcome: "refused",
            says: { code: "record.asWritten", text: "Width: no." },
            fields: [{ path: "model.widthM", says: { code: "record.asWritten", text: "Width: no." } }],
            isMissing: false,
          },
        ])
      : route.continue(),
  );
  await width(page).fill("3.3");
  await expect(dialogOf(page)).toBeVisible();
  await page.keyboard.press("Escape");
  await width(page).fill("3.4");
  await expectSaved(page);
  await expect(page.getByText("Width: no.")).toBeHidden();
  await page.reload();
  await expect(width(page)).toHaveValue("3.4");
});

test("a shoot made without the server, with all that is in it, is saved when the server is there", async ({
  page,
  request,
}) => {
  await page.goto("/");
  await awake(page);
  await page.route(COMMANDS, (route) => route.abort());
  await startHere(page, "Made away");
  await page.getByRole("button", { name: "Add place" }).click();
  await width(page).fill("3.3");
  await goToStation(page, "Dress");
  await page.getByRole("button", { name: "Add talent" }).click();
  await expectKept(page);
  await page.reload();
  await expect(page.getByRole("link", { name: "Talent 1" })).toBeVisible();
  await page.unroute(COMMANDS);
  await expectSaved(page);
  const id = /shoots\/([0-9a-f-]+)/.exec(page.url())![1]!;
  const all = await records(request, id);
  expect(["shoot", "place", "wearer", "scene", "rig"].map((kind) => of(all, kind as Change["kind"]).length)).toEqual([
    1, 1, 1, 1, 1,
  ]);
});

long("deleting without a signal is queued, and undone", async ({ page, request }) => {
  const id = await openPlace(page, "Queued");
  await deafen(page);
  await page.getByRole("button", { name: "Delete this place" }).click();
  await expect(page.getByText("Where will they speak?")).toBeVisible();
  await expectKept(page);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(width(page)).toBeVisible();
  await page.getByRole("button", { name: "Delete this place" }).click();
  await page.reload();
  await hearAgain(page);
  await page.goto(page.url());
  await expect(page.getByText("Where will they speak?")).toBeVisible();
  await expectSaved(page);
  expect(of(await records(request, id), "place")).toEqual([]);
});

long("what others name is deleted: they stay usable, and undo brings all of it back", async ({ page, request }) => {
  const id = await openPlace(page, "Named by others");
  await goToStation(page, "Dress");
  await page.getByRole("button", { name: "Add talent" }).click();
  await page.getByRole("button", { name: "Add talent" }).click();
  await expectSaved(page);
  const before = await records(request, id);
  const stations = ["scout", "pickup", "dress", "link", "level", "roll", "check", "handover", "day"];
  const openAll = async () => {
    for (const station of stations) {
      await page.goto(`/shoots/${id}/${station}`);
      await awake(page);
      await expect(page.getByText("could not be shown")).toBeHidden();
    }
  };
  // The place that the scene is at.
  await page.goto(`/shoots/${id}/scout`);
  await page.getByRole("button", { name: "Delete this place" }).click();
  await expectSaved(page);
  await openAll();
  await page.goto(`/shoots/${id}/dress`);
  await page.getByText("Walks", { exact: true }).click();
  await expectSaved(page);
  await page.goto(`/shoots/${id}/scout`);
  await expect(page.getByText("Where will they speak?")).toBeVisible();
  // Who is wired, with what is on them, and back.
  await page.goto(`/shoots/${id}`);
  await page.getByRole("button", { name: "More for Talent 1" }).click();
  await page.getByRole("menuitem", { name: "Delete talent" }).click();
  await expectSaved(page);
  const there = await records(request, id);
  expect([of(there, "wearer").length, of(there, "rig").length]).toEqual([1, 1]);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("row", { name: /^Talent 1/ })).toBeVisible();
  await expectSaved(page);
  const after = await records(request, id);
  for (const kind of ["wearer", "rig", "scene"] as const)
    expect(
      of(after, kind)
        .map((each) => each.id)
        .sort(),
    ).toEqual(
      of(before, kind)
        .map((each) => each.id)
        .sort(),
    );
  await openAll();
});

long("a shoot goes into the bin only when asked for, and comes back whole", async ({ page, request }) => {
  const title = `For the bin ${randomUUID().slice(0, 8)}`;
  const id = await openPlace(page, title);
  await page.getByRole("button", { name: `Shoot: ${title}` }).click();
  await page.getByRole("menuitem", { name: "All shoots" }).click();
  const remove = async () => {
    await page.getByRole("button", { name: `More for ${title}` }).click();
    await page.getByRole("menuitem", { name: "Delete this shoot" }).click();
  };
  await remove();
  const question = page.getByRole("alertdialog");
  await expect(question).toContainText("stays there for 30 days");
  await page.keyboard.press("Escape");
  await expect(page.getByRole("link", { name: title })).toBeVisible();
  await remove();
  await question.getByRole("button", { name: "Delete this shoot" }).click();
  await expect(page.getByRole("link", { name: title })).toBeHidden();
  await page.goto(`/shoots/${id}`);
  await expect(page.getByText("This shoot is not here")).toBeVisible();
  await page.goto("/");
  await page.getByRole("button", { name: /^In the bin/ }).click();
  await page.getByRole("button", { name: `Bring ${title} back` }).click();
  await page.getByRole("link", { name: title }).click();
  await goToStation(page, "Scout");
  await expect(width(page)).toBeVisible();
  expect(of(await records(request, id), "place")).toHaveLength(1);
});

for (const [how, breakIt] of [
  [
    "forbidden",
    () =>
      Object.defineProperty(window, "indexedDB", {
        get: () => {
          throw new DOMException("No", "SecurityError");
        },
      }),
  ],
  [
    "refused when opened",
    () => {
      IDBFactory.prototype.open = () => {
        throw new DOMException("No", "SecurityError");
      };
    },
  ],
  [
    "full",
    () => {
      const full = () => {
        throw new DOMException("Full", "QuotaExceededError");
      };
      Object.assign(IDBObjectStore.prototype, { put: full, add: full });
    },
  ],
] as const)
  (how === "full" ? test : long)(
    `with storage ${how} it works, says what is kept where, and offers it as a file`,
    async ({ page, request }) => {
      await page.addInitScript(breakIt);
      const id = await openPlace(page, `Storage ${how}`);
      await width(page).fill("3.3");
      await expectSaved(page);
      expect(of(await records(request, id), "place")[0]!.body).toMatchObject({ model: { widthM: 3.3 } });
      await page.route(COMMANDS, (route) => route.abort());
      await width(page).fill("4.4");
      await expect(statusLine(page)).toContainText("Not saved: server unreachable, and this browser keeps nothing");
      const download = page.waitForEvent("download");
      await page.getByRole("button", { name: "Save them as a file" }).click();
      const stream = await (await download).createReadStream();
      const chunks: Buffer[] = [];
      for await (const chunk of stream) chunks.push(chunk as Buffer);
      expect(Buffer.concat(chunks).toString()).toContain("4.4");
      await page.unroute(COMMANDS);
      await expectSaved(page);
      await page.reload();
      await expect(width(page)).toHaveValue("4.4");
    },
  );

long("what is broken on the device is set aside and offered as a file", async ({ page }) => {
  await openPlace(page, "Leftovers");
  await page.evaluate(async () => {
    const name = (await indexedDB.databases()).map((each) => each.name!).find((each) => each.startsWith("hypophon "))!;
    await new Promise<void>((resolve, reject) => {
      const opening = indexedDB.open(name);
      opening.onsuccess = () => {
        const writing = opening.result.transaction("commands", "readwrite");
        writing.objectStore("commands").put({ order: 999, command: { op: "dance", note: "typed long ago" } });
        writing.oncomplete = () => (opening.result.close(), resolve());
        writing.onerror = () => reject(new Error("not written"));
      };
    });
  });
  await page.goto("/");
  await awake(page);
  await expect(page.getByText(/could not be (used|read)/)).toBeVisible();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: /as a file/ }).click();
  const stream = await (await download).createReadStream();
  const chunks: Buffer[] = [];
  for await (const chunk of stream) chunks.push(chunk as Buffer);
  expect(Buffer.concat(chunks).toString()).toContain("typed long ago");
});

/** A float file whose samples are denormal, or beyond any level. */
function floatWav(sampleAt: (frame: number) => number): Buffer {
  const frames = 48_000;
  const wav = Buffer.alloc(44 + frames * 4);
  wav.write("RIFF", 0);
  wav.writeUInt32LE(36 + frames * 4, 4);
  wav.write("WAVEfmt ", 8);
  wav.writeUInt32LE(16, 16);
  wav.writeUInt16LE(3, 20);
  wav.writeUInt16LE(1, 22);
  wav.writeUInt32LE(48_000, 24);
  wav.writeUInt32LE(48_000 * 4, 28);
  wav.writeUInt16LE(4, 32);
  wav.writeUInt16LE(32, 34);
  wav.write("data", 36);
  wav.writeUInt32LE(frames * 4, 40);
  for (let frame = 0; frame < frames; frame += 1) wav.writeFloatLE(sampleAt(frame), 44 + frame * 4);
  return wav;
}

for (const [name, sampleAt] of [
  ["denormals", (frame: number) => (frame % 2 ? 1e-42 : -1e-42)],
  ["values beyond any level", (frame: number) => (frame % 100 ? 0.1 : 3e38)],
  ["no numbers", (frame: number) => (frame % 3 ? Number.NaN : Number.POSITIVE_INFINITY)],
] as const)
  (name === "no numbers" ? test : long)(
    `a float file of ${name} is stored or refused in one sentence, and never poisons the page`,
    async ({ page, request }) => {
      const id = await openDemo(request);
      await page.goto(`/shoots/${id}/check`);
      await awake(page);
      await page.setInputFiles("input[type=file]", {
        name: `${name}.wav`,
        mimeType: "audio/wav",
        buffer: floatWav(sampleAt),
      });
      await expect(page.getByRole("main")).toContainText(`${name}.wav`, { timeout: 20_000 });
      await expectSaved(page);
      await page.reload();
      await awake(page);
      await expectSaved(page);
      await page.goto(`/shoots/${id}/scout`);
      await expect(width(page)).toBeVisible();
    },
  );

long(
  "a device of the kit that a link uses is deleted: the link stays usable, and undo brings the device back",
  async ({ page, request }) => {
    const id = await startShoot(page, "Kit");
    const own = `Receiver ${randomUUID().slice(0, 8)}`;
    await page.goto(`/shoots/${id}/dress`);
    await awake(page);
    await page.getByRole("button", { name: "Add talent" }).click();
    await expect(page.getByRole("link", { name: "Talent 1" })).toBeVisible();
    await page.goto(`/shoots/${id}/link`);
    await awake(page);
    await openLinks(page, "Cables");
    const way = page.getByRole("region", { name: "Signal path" });
    await way.getByRole("button", { name: "My own, like this source" }).click();
    await way.getByRole("button", { name: /^Specifications of own receiver/ }).click();
    await way.getByLabel("Device").fill(own);
    await expectSaved(page);
    const from = way.getByRole("button", { name: /From$/ });
    await expect(from).toContainText(own);
    await way.getByRole("button", { name: "Remove from the kit" }).click();
    await expect
      .poll(async () => of(await records(request, id), "kitItem").map(({ body }) => (body as { name: string }).name))
      .not.toContain(own);
    await expect(from).toBeVisible();
    await expect(from).not.toContainText(own);
    await page.getByRole("button", { name: "Undo" }).click();
    await expect(from).toContainText(own);
    await expectSaved(page);
    await page.reload();
    await expect(from).toContainText(own);
  },
);
