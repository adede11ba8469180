"use client";

import { useEffect, useSyncExternalStore, type ComponentType } from "react";
import { HubProvider, ShootProvider, useHub, useShootPart, type NotShown } from "@/data/ShootProvider";
import { askEarly } from "@/data/server";
import { say } from "@/messages";
import { I18nProvider } from "react-aria-components";
import { Link, useAddress } from "@/ui/address";
import { later } from "@/ui/later";
import { Button } from "@/ui/Button";
import { Lead, Row, Soft, Stack } from "@/ui/layout";
import { showToast } from "@/ui/toasts";
import { Page } from "./Page";
import { ShootShell } from "./ShootShell";
import { StationGuard } from "./StationGuard";
import { useSavedEarlier } from "./useSavedEarlier";
import { useWholeApplication } from "./useWholeApplication";

/** Path of a page of a shoot: its id and the part after it. */
const SHOOT = /^\/shoots\/([^/]+)(?:\/([^/]*))?\/?$/;

/** Tells, for whoever waits from outside, that a page is there and answers. */
function Awake({ at }: { at: string }) {
  useEffect(() => {
    document.documentElement.dataset["awake"] = at || "board";
    performance.mark("awake");
  }, [at]);
  return null;
}

/** A screen that is loaded when it is asked for, or a little before; `at`: which part of the address it is for. */
const screen = (title: string, load: () => Promise<ComponentType>) =>
  later(
    async () => {
      const Screen = await load();
      // All it needs to be drawn is there; charts, menus and other views follow.
      performance.mark("screen loaded");
      return function Drawn({ at }: { at: string }) {
        return (
          <>
            <Screen />
            <Awake at={at} />
          </>
        );
      };
    },
    <Soft role="status">Opening {title}…</Soft>,
  );

const page = (title: string, load: () => Promise<ComponentType>) => ({ title, Screen: screen(title, load) });

/** Pages of a shoot, by the part of the address after its id. */
const SCREENS: Record<string, ReturnType<typeof page>> = {
  "": page("Board", async () => (await import("../board/BoardScreen")).BoardScreen),
  day: page("Day", async () => (await import("../day/DayScreen")).DayScreen),
  scout: page("Scout", async () => (await import("../scout/ScoutScreen")).ScoutScreen),
  site: page("Site sheet", async () => (await import("../scout/SiteSheet")).SiteSheet),
  pickup: page("Pickup", async () => (await import("../pickup/PickupScreen")).PickupScreen),
  dress: page("Dress", async () => (await import("../dress/DressScreen")).DressScreen),
  card: page("Card", async () => (await import("../dress/CardScreen")).CardScreen),
  kit: page("Kit", async () => (await import("../kit/KitScreen")).KitScreen),
  link: page("Link", async () => (await import("../link/LinkScreen")).LinkScreen),
  frequencies: page("Frequencies", async () => (await import("../link/FrequencyCards")).FrequencyCards),
  level: page("Level", async () => (await import("../level/LevelScreen")).LevelScreen),
  settings: page("Settings", async () => (await import("../level/SettingsCardsScreen")).SettingsCardsScreen),
  roll: page("Roll", async () => (await import("../roll/RollScreen")).RollScreen),
  report: page("Sound report", async () => (await import("../roll/ReportScreen")).ReportScreen),
  check: page("Check", async () => (await import("../check/CheckScreen")).CheckScreen),
  history: page("History", async () => (await import("../board/HistoryScreen")).HistoryScreen),
  handover: page("Hand over", async () => (await import("../handover/HandoverScreen")).HandoverScreen),
};
const screenOf = (name: string) => (Object.hasOwn(SCREENS, name) ? SCREENS[name]! : null);
const Home = screen("shoots", async () => (await import("../shoots/ShootsScreen")).ShootsScreen);

const opening = <Soft role="status">Opening…</Soft>;
/** Pages apart from the shoots, which need the server: where one signs in, the crew, a talent's own card. */
const DOORS = {
  "sign-in": later(() => import("../accounts/SignInScreen").then((module) => module.SignInScreen), opening),
  crew: later(() => import("../accounts/CrewScreen").then((module) => module.CrewScreen), opening),
  t: later(() => import("../accounts/TalentScreen").then((module) => module.TalentScreen), opening),
} as const;
function doorAt(path: string) {
  const [, name = "", token = ""] = path.split("/");
  if (!Object.hasOwn(DOORS, name)) return null;
  const Door = DOORS[name as keyof typeof DOORS];
  return <Door token={token} />;
}

/** The screen of an address. */
function screenAt(path: string) {
  const [, shootId, name = ""] = SHOOT.exec(path) ?? [];
  return shootId ? screenOf(name)?.Screen : Home;
}

// What is asked for first comes first: the screen, and on a first visit the shoot.
if (typeof window !== "undefined" && !doorAt(window.location.pathname)) {
  screenAt(window.location.pathname)?.prepare();
  const [, shootId] = SHOOT.exec(window.location.pathname) ?? [];
  if (shootId) askEarly(shootId);
}

const nothing = () => () => undefined;
/** Whether this runs in a browser that has taken over the page: before that, what it draws must be what the server drew. */
const useIsAwake = (): boolean =>
  useSyncExternalStore(
    nothing,
    () => true,
    () => false,
  );

function Opening() {
  return (
    <Page id="work">
      <Soft role="status">Opening…</Soft>
    </Page>
  );
}

function NoShoot({ why, retry }: { why: NotShown; retry: () => void }) {
  if (why === "opening") return <Opening />;
  return (
    <Page id="work">
      <Stack>
        <h1>{why === "missing" ? "This shoot is not here" : "The server is unreachable"}</h1>
        <Lead>
          {why === "missing"
            ? "It was deleted, or the address is wrong. Deleted shoots stay in the bin for 30 days."
            : "This shoot has not been opened on this device before, so there is nothing to show yet."}
        </Lead>
        <Row>
          {why === "away" && (
            <Button look="main" onPress={retry}>
              Try again
            </Button>
          )}
          <Link href="/">Shoots</Link>
        </Row>
      </Stack>
    </Page>
  );
}

function Station({ name }: { name: string }) {
  const title = useShootPart(({ bundle }) => bundle.shoot.body.title);
  const known = screenOf(name);
  const says = known ? `${title} · ${known.title}` : title;
  useEffect(() => {
    document.title = `${says} · Hypophon`;
  }, [says]);
  if (!known) return <NotHere />;
  const { Screen } = known;
  return (
    <StationGuard title={known.title}>
      <Screen at={name} />
    </StationGuard>
  );
}

function NotHere() {
  return (
    <Stack>
      <h1>There is no such page</h1>
      <p>
        The address may be old. <Link href="/">All shoots</Link>
      </p>
    </Stack>
  );
}

function Place() {
  const { path } = useAddress();
  useSavedEarlier();
  const [, shootId, name = ""] = SHOOT.exec(path) ?? [];
  useEffect(() => {
    if (!shootId) document.title = "Hypophon";
  }, [shootId]);
  if (!shootId) return <Home at="home" />;
  return (
    <ShootProvider key={shootId} shootId={shootId} instead={(why, retry) => <NoShoot why={why} retry={retry} />}>
      <ShootShell>
        <Station name={name} />
      </ShootShell>
    </ShootProvider>
  );
}

/** Says what somebody wanted to do and may not. */
function NotAllowed() {
  const hub = useHub();
  useEffect(() => hub.onNotAllowed((says) => showToast({ says: say(says) })), [hub]);
  return null;
}

function Application() {
  const { path } = useAddress();
  // What is kept on the device and the screen are asked for at the same time.
  useEffect(() => screenAt(path)?.prepare(), [path]);
  useWholeApplication();
  return (
    <HubProvider opening={<Opening />}>
      <NotAllowed />
      <Place />
    </HubProvider>
  );
}

/** The whole application: one document, whatever the address. */
export function App() {
  const isAwake = useIsAwake();
  const { path } = useAddress();
  if (!isAwake) return <Opening />;
  // Dates and numbers are written in one way, whatever the browser is set to.
  return <I18nProvider locale="en-GB">{doorAt(path) ?? <Application />}</I18nProvider>;
}
