"use client";

import { useAddress } from "@/ui/address";
import { later } from "@/ui/later";
import { Choice } from "@/ui/Choice";
import { Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { ShootFaults } from "../shell/RecordFaults";
import { setInAddress } from "./useLinks";

const loading = <Soft role="status">One moment…</Soft>;
const FrequenciesView = later(() => import("./FrequenciesView").then((module) => module.FrequenciesView), loading);
const LeadsView = later(() => import("./LeadsView").then((module) => module.LeadsView), loading);
const PairView = later(() => import("./PairView").then((module) => module.PairView), loading);
const TroubleView = later(() => import("./TroubleView").then((module) => module.TroubleView), loading);
const BagView = later(() => import("./BagView").then((module) => module.BagView), loading);

const VIEWS = [
  { value: "frequencies", name: "Frequencies" },
  { value: "leads", name: "Leads" },
  { value: "pair", name: "Pairing" },
  { value: "trouble", name: "Something is wrong" },
  { value: "bag", name: "The bag" },
] as const;

/** Which frequencies, how paired, which lead? The view is named in the address, so that others can link to it. */
export function LinkScreen() {
  const { query } = useAddress();
  const view = VIEWS.find(({ value }) => value === query.get("view"))?.value ?? "frequencies";
  return (
    <Stack>
      <VisuallyHidden as="h1">Link: which frequencies, how paired, which lead?</VisuallyHidden>
      <Choice label="About the links" value={view} options={VIEWS} onChange={(next) => setInAddress({ view: next })} />
      <ShootFaults>
        {view === "frequencies" && <FrequenciesView />}
        {view === "leads" && <LeadsView />}
        {view === "pair" && <PairView />}
        {view === "trouble" && <TroubleView />}
        {view === "bag" && <BagView />}
      </ShootFaults>
    </Stack>
  );
}
