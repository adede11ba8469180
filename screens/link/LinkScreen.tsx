"use client";

import { setInAddress, useAddress } from "@/ui/address";
import { later } from "@/ui/later";
import { Choice } from "@/ui/Choice";
import { Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { ShootFaults } from "../shell/RecordFaults";

const loading = <Soft role="status">One moment…</Soft>;
const FrequenciesView = later(() => import("./FrequenciesView").then((module) => module.FrequenciesView), loading);
const CablesView = later(() => import("./CablesView").then((module) => module.CablesView), loading);
const PairView = later(() => import("./PairView").then((module) => module.PairView), loading);
const TroubleView = later(() => import("./TroubleView").then((module) => module.TroubleView), loading);

const VIEWS = [
  { value: "frequencies", name: "Frequencies" },
  { value: "cables", name: "Cables" },
  { value: "pair", name: "Pairing" },
  { value: "trouble", name: "Troubleshoot" },
] as const;

/** Which frequencies, how paired, which lead? The view is named in the address, so that others can link to it. */
export function LinkScreen() {
  const { query } = useAddress();
  const view = VIEWS.find(({ value }) => value === query.get("view"))?.value ?? "frequencies";
  return (
    <Stack>
      <VisuallyHidden as="h1">Link: which frequencies, which cable?</VisuallyHidden>
      <Choice
        isPlain
        label="Link views"
        value={view}
        options={VIEWS}
        onChange={(next) => setInAddress({ view: next })}
      />
      <ShootFaults>
        {view === "frequencies" && <FrequenciesView />}
        {view === "cables" && <CablesView />}
        {view === "pair" && <PairView />}
        {view === "trouble" && <TroubleView />}
      </ShootFaults>
    </Stack>
  );
}
