"use client";

import { useAddress } from "@/ui/address";
import dynamic from "next/dynamic";
import { Choice } from "@/ui/Choice";
import { Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { ShootFaults } from "../shell/RecordFaults";
import { setInAddress } from "./useLinks";

const loading = () => <Soft role="status">One moment…</Soft>;
const FrequenciesView = dynamic(() => import("./FrequenciesView").then((module) => module.FrequenciesView), {
  loading,
});
const LeadsView = dynamic(() => import("./LeadsView").then((module) => module.LeadsView), { ssr: false, loading });
const PairView = dynamic(() => import("./PairView").then((module) => module.PairView), { ssr: false, loading });
const TroubleView = dynamic(() => import("./TroubleView").then((module) => module.TroubleView), {
  ssr: false,
  loading,
});
const BagView = dynamic(() => import("./BagView").then((module) => module.BagView), { ssr: false, loading });

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
