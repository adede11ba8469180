/** @jest-environment jsdom */
import { cleanup, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import fc from "fast-check";
import type { TalentCard } from "@/core/crew";
import type { CrewNow } from "@/data/server";
import { say, ROLE_NAMES } from "@/messages";
import { ROLES } from "@/core/crew";
import { Toasts } from "@/ui/toasts";
import { deviceName } from "./device";
import { CrewScreen } from "./CrewScreen";
import { pageAfter, SignInScreen, typedFault } from "./SignInScreen";
import { TalentScreen } from "./TalentScreen";

/** What was asked of the server, and what it answers by path. */
const asked: { path: string; body: unknown }[] = [];
let answers: Record<string, { status?: number; body: unknown }> = {};
globalThis.fetch = ((path: string, init?: RequestInit) => {
  const body = typeof init?.body === "string" ? (JSON.parse(init.body) as unknown) : null;
  asked.push({ path, body });
  const { status = 200, body: answer } = answers[path.split("?")[0]!] ?? { status: 404, body: {} };
  const headers = { get: () => null };
  return Promise.resolve({ ok: status < 400, status, headers, json: () => Promise.resolve(answer) });
}) as unknown as typeof fetch;

beforeEach(() => {
  asked.splice(0);
  answers = {};
  window.history.pushState(null, "", "/sign-in");
});
afterEach(cleanup);

const field = (name: string) => screen.getByLabelText(name);
const press = (name: string) => userEvent.click(screen.getByRole("button", { name }));

describe("where one goes after signing in", () => {
  test("only to a page of this origin, and never back to the door (property)", () => {
    expect(
      [null, "", "https://elsewhere.example", "//elsewhere.example", "/\\elsewhere", "/sign-in?to=/"].map(pageAfter),
    ).toEqual(Array.from({ length: 6 }, () => "/"));
    expect(pageAfter("/shoots/1/roll?scene=2")).toBe("/shoots/1/roll?scene=2");
    fc.assert(
      fc.property(fc.string(), (to) => {
        const url = new URL(pageAfter(to), "http://127.0.0.1:4180");
        expect(url.origin).toBe("http://127.0.0.1:4180");
      }),
    );
  });
});

describe("the door", () => {
  test("says what is missing before anything is sent", async () => {
    const typed = { name: "Tam", email: "tam@example.org", password: "slack water", code: "123456" };
    expect((["in", "up", "forgot", "reset", "code"] as const).map((mode) => typedFault(mode, typed))).toEqual(
      Array.from({ length: 5 }, () => null),
    );
    expect(typedFault("up", { ...typed, name: " " })).toContain("name");
    expect(typedFault("in", { ...typed, email: "tam" })).toContain("e-mail");
    expect(typedFault("up", { ...typed, password: "short" })).toContain("ten characters");
    // Whoever has a shorter one from somewhere may still try it.
    expect(typedFault("in", { ...typed, password: "short" })).toBeNull();
    expect(typedFault("code", { ...typed, code: "12" })).toBe("Six digits.");
    render(<SignInScreen />);
    await press("Sign in");
    expect(screen.getByRole("alert").textContent).toContain("e-mail address");
    expect(asked).toEqual([]);
  });

  test("a refusal is said, and what was typed stays", async () => {
    answers = { "/api/accounts/sign-in/email": { status: 429, body: { message: "Too many tries. Wait 4 s." } } };
    render(<SignInScreen />);
    await userEvent.type(field("E-mail"), "tam@example.org");
    await userEvent.type(field("Password"), "slack water");
    await press("Sign in");
    expect((await screen.findByRole("alert")).textContent).toBe("Too many tries. Wait 4 s.");
    expect(screen.getByLabelText<HTMLInputElement>("E-mail").value).toBe("tam@example.org");
    expect(asked).toEqual([
      { path: "/api/accounts/sign-in/email", body: { email: "tam@example.org", password: "slack water" } },
    ]);
  });

  test("a second device's code is asked for where there is one", async () => {
    answers = { "/api/accounts/sign-in/email": { body: { twoFactorRedirect: true } } };
    render(<SignInScreen />);
    await userEvent.type(field("E-mail"), "tam@example.org");
    await userEvent.type(field("Password"), "slack water");
    await press("Sign in");
    expect(await screen.findByRole("heading", { name: "Code of your second device" })).toBeTruthy();
    await userEvent.type(field("Code"), "12");
    await press("Go on");
    expect(screen.getByRole("alert").textContent).toBe("Six digits.");
  });

  test("whoever comes by an invitation makes an account, and an invitation that was used is said", async () => {
    window.history.pushState(null, "", `/sign-in?join=${"t".repeat(32)}`);
    answers = {
      "/api/accounts/sign-up/email": { body: {} },
      "/api/crew/join": { status: 404, body: { says: { code: "crew.noInvitation" } } },
    };
    render(<SignInScreen />);
    expect(screen.getByText("You are invited to a crew.")).toBeTruthy();
    await userEvent.type(field("Name"), "Asta");
    await userEvent.type(field("E-mail"), "asta@example.org");
    await userEvent.type(field("Password"), "slack water at dawn");
    await press("Make account");
    expect((await screen.findByRole("alert")).textContent).toBe(say({ code: "crew.noInvitation" }));
    expect(asked.at(-1)).toEqual({ path: "/api/crew/join", body: { token: "t".repeat(32) } });
  });
});

const crew = (role: CrewNow["role"]): CrewNow => ({
  ...{ crewId: "quay", name: "Quay crew", me: "olin", role, invitations: [], lan: null },
  crews: [{ id: "quay", name: "Quay crew" }],
  members: [
    { personId: "olin", name: "Olin", role, devices: 1, until: null },
    { personId: "asta", name: "Asta", role: "assistant", devices: 2, until: null },
  ],
});

describe("the crew", () => {
  test.each(ROLES)("%s sees who is in it; only an owner has what changes it", async (role) => {
    answers = { "/api/crew": { body: crew(role) } };
    render(<CrewScreen />);
    const asta = (await screen.findByRole("rowheader", { name: "Asta" })).closest("tr")!;
    expect(screen.getByText(new RegExp(`^Your role: ${ROLE_NAMES[role].toLowerCase()}\\.`))).toBeTruthy();
    const isOwner = role === "owner";
    expect(within(asta).queryAllByRole("button", { name: "Remove" })).toHaveLength(isOwner ? 1 : 0);
    expect(screen.queryAllByRole("button", { name: "Make a link" })).toHaveLength(isOwner ? 1 : 0);
    // Nobody signs themselves out of all devices by a slip here.
    const own = screen.getByRole("rowheader", { name: "Olin" }).closest("tr")!;
    expect(within(own).queryByRole("button", { name: "Remove" })).toBeNull();
  });

  test("an invitation is shown as a code and a link; a refused deed is said", async () => {
    answers = { "/api/crew": { body: { ...crew("owner"), token: "t".repeat(32) } } };
    render(
      <>
        <CrewScreen />
        <Toasts />
      </>,
    );
    await screen.findByRole("rowheader", { name: "Asta" });
    await press("Make a link");
    expect(asked.some(({ body }) => JSON.stringify(body) === '{"do":"invite","role":"assistant"}')).toBe(true);
    const dialog = await screen.findByRole("dialog", { name: "Invitation" });
    await waitFor(() => expect(within(dialog).getByRole("img", { name: "The link as a QR code" })).toBeTruthy());
    expect(dialog.textContent).toContain(`/sign-in?join=${"t".repeat(32)}`);
    await userEvent.keyboard("{Escape}");
    answers = { "/api/crew": { status: 422, body: { says: { code: "crew.lastOwner" } } } };
    await press("Remove");
    // It is asked first; nothing is done by a slip.
    expect(asked.some(({ body }) => JSON.stringify(body).includes("remove"))).toBe(false);
    await press("Remove Asta");
    expect(await screen.findByText(say({ code: "crew.lastOwner" }))).toBeTruthy();
  });
});

test("a device is called by what it is", () => {
  expect(
    ["Mozilla/5.0 (Linux; Mobile)", "Mozilla/5.0 (Tablet; rv:1)", "Mozilla/5.0 (X11)", "", null].map(deviceName),
  ).toEqual(["phone", "tablet", "computer", "computer", "computer"]);
});

describe("a talent's own card", () => {
  const card = (own: Partial<TalentCard> = {}): TalentCard => ({
    ...{ name: "Odile", shoot: "Slack Water", units: "metric", clock: "24", answer: "notAsked" },
    scene: { title: "Speech and song", day: 3, startsAt: "15:00" },
    placement: { site: "Neckline", mount: "vampire clip", intrusion: 1, minutes: 4, steps: [], cautions: [] },
    ...own,
  });

  test("puts no answer forward, and keeps the one that is given", async () => {
    answers = { "/api/talent": { body: card() } };
    render(<TalentScreen token={"t".repeat(32)} />);
    expect(await screen.findByRole("heading", { name: "Odile: your microphone" })).toBeTruthy();
    expect(screen.getByText(/day 3, 15:00: Speech and song/)).toBeTruthy();
    expect(screen.queryByRole("button", { pressed: true })).toBeNull();
    answers = { "/api/talent": { body: card({ answer: "no" }) } };
    await press("No, please find another way");
    expect(await screen.findByText("You said no, and that is fine: we use another way.")).toBeTruthy();
    expect(asked.at(-1)!.body).toMatchObject({
      answer: "no",
      at: expect.stringMatching(/^\d{4}-\d\d-\d\d \d\d:\d\d$/) as string,
    });
    expect(screen.getByRole("button", { pressed: true }).textContent).toBe("No, please find another way");
  });

  test("can be answered before a place is planned; a link that works no more says so", async () => {
    answers = { "/api/talent": { body: card({ placement: null, scene: null }) } };
    render(<TalentScreen token={"t".repeat(32)} />);
    expect(await screen.findByText(/Nobody has planned a place/)).toBeTruthy();
    expect(screen.getAllByRole("button")).toHaveLength(3);
    cleanup();
    answers = { "/api/talent": { status: 404, body: { says: { code: "shared.noLink" } } } };
    render(<TalentScreen token={"u".repeat(32)} />);
    expect((await screen.findByRole("alert", undefined, { timeout: 5000 })).textContent).toBe(
      say({ code: "shared.noLink" }),
    );
  });
});
