"use client";

import { setInAddress, useAddress } from "@/ui/address";
import { later } from "@/ui/later";
import { Choice } from "@/ui/Choice";
import { Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { ShootFaults } from "../shell/RecordFaults";
import { LevelSources } from "./LevelSources";
import { SettingsView } from "./SettingsView";

const loading = <Soft role="status">One moment…</Soft>;
const MeterView = later(() => import("./MeterView").then((module) => module.MeterView), loading);
const DayMediaView = later(() => import("./DayMediaView").then((module) => module.DayMediaView), loading);

const VIEWS = [
  { value: "settings", name: "Settings" },
  { value: "meter", name: "Meter and trial" },
  { value: "day", name: "Cards and batteries" },
] as const;

/** What do I set? The view is named in the address, so that others can link to it. */
export function LevelScreen() {
  const { query } = useAddress();
  const view = VIEWS.find(({ value }) => value === query.get("view"))?.value ?? "settings";
  return (
    <Stack>
      <VisuallyHidden as="h1">Level: what do I set?</VisuallyHidden>
      <Choice
        isPlain
        label="Level views"
        value={view}
        options={VIEWS}
        onChange={(next) => setInAddress({ view: next })}
      />
      {view !== "day" && <LevelSources />}
      <ShootFaults>
        {view === "settings" && <SettingsView />}
        {view === "meter" && <MeterView />}
        {view === "day" && <DayMediaView />}
      </ShootFaults>
    </Stack>
  );
}
