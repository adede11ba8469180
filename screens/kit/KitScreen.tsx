"use client";

import { Printer } from "lucide-react";
import { useMemo, useState } from "react";
import { type Consumable, consumablesOf, type NeedGroup, needsOf, packingState } from "@/core/planning";
import { useShoot } from "@/data/ShootProvider";
import { say } from "@/messages";
import { setInAddress, useAddress } from "@/ui/address";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { DataTable } from "@/ui/DataTable";
import { Disclosure } from "@/ui/Disclosure";
import { Select } from "@/ui/Select";
import { useIsNarrow } from "@/ui/useIsNarrow";
import { Columns, Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { useConnections } from "../link/useConnections";
import { useLinks } from "../link/useLinks";
import { ShootFaults } from "../shell/RecordFaults";
import { useFocus } from "../shell/useFocus";
import { columnsOf, type Line } from "./kitColumns";
import { Extras, MoreOwned, OwnCables } from "./MoreKit";
import { WhatYouHave } from "./WhatYouHave";

const GROUP_NAMES: Record<NeedGroup, string> = {
  leads: "Cables and adapters",
  radio: "Packs and receivers",
  microphones: "Microphones",
  inputs: "Inputs",
  always: "Always along",
};

const USED_UP_NAMES: Record<Consumable["group"], string> = {
  fixing: "Tape and fixing",
  power: "Batteries",
  cards: "Cards",
};

const SHOWN = [
  { value: "all", name: "All" },
  { value: "toGet", name: "To get" },
  { value: "open", name: "Not packed" },
] as const;
type Shown = (typeof SHOWN)[number]["value"];

function isShown({ need, consumable }: Line, shown: Shown): boolean {
  if (shown === "all") return true;
  if (shown === "toGet") return need !== null && need.missing > 0;
  return need ? need.packed < need.needed + need.spare : !consumable.isPacked;
}

/** What is needed, owned, missing; packed before, back after. */
function KitView() {
  const { bundle } = useShoot();
  const { query } = useAddress();
  const { plan, air } = useLinks();
  const edits = useConnections();
  const [when, setWhen] = useState<"before" | "after">("before");
  const [shown, setShown] = useState<Shown>("all");
  const { days } = bundle.shoot.body;
  const { scene } = useFocus();
  const asked = query.get("day");
  const wanted = asked === null ? (scene?.body.day ?? 1) : Number(asked);
  const day = days > 1 && wanted >= 1 && wanted <= days ? wanted : null;
  const needs = useMemo(() => needsOf(bundle, plan, air.systems, day), [bundle, plan, air.systems, day]);
  const consumables = useMemo(() => consumablesOf(bundle, day), [bundle, day]);
  const lines = useMemo(
    (): Line[] => [
      ...needs.map((need): Line => ({
        ...{ key: need.key, name: need.name, need },
        group: GROUP_NAMES[need.group],
        consumable: null,
      })),
      ...consumables.map((consumable): Line => ({
        ...{ key: consumable.key, name: say(consumable.says), consumable },
        group: USED_UP_NAMES[consumable.group],
        need: null,
      })),
    ],
    [needs, consumables],
  );
  const isAfter = when === "after";
  const columns = useMemo(() => columnsOf(edits, isAfter), [edits, isAfter]);
  const rows = lines.filter((line) => isShown(line, shown));
  const isNarrow = useIsNarrow();
  return (
    <Stack>
      <Piece aria-label="Packing">
        <Stack $gap={0.6}>
          <Row $between>
            <Lead role="status" data-part="verdict">
              {say(packingState(needs, consumables))}
            </Lead>
            <Row $gap={0.6}>
              {days > 1 && (
                <Select
                  label="Day"
                  value={day === null ? "all" : String(day)}
                  options={[
                    { value: "all", name: "Whole shoot" },
                    ...Array.from({ length: days }, (_, index) => ({
                      value: String(index + 1),
                      name: `Day ${index + 1}`,
                    })),
                  ]}
                  onChange={(next) => setInAddress({ day: next })}
                />
              )}
              <Choice
                label="List"
                value={when}
                options={[
                  { value: "before", name: "Packing list" },
                  { value: "after", name: "Return check" },
                ]}
                onChange={setWhen}
              />
              <Choice label="Lines" value={shown} options={SHOWN} onChange={setShown} />
              <Button onPress={() => setInAddress({ ask: "kit" })}>What do you have?</Button>
              <Button look="quiet" onPress={() => window.print()}>
                <Printer size={18} aria-hidden /> Print
              </Button>
            </Row>
          </Row>
          <div data-part="picture">
            <DataTable
              label="Packing list"
              rows={rows}
              columns={columns}
              rowId={({ key }) => key}
              groupOf={({ group }) => group}
              heading="name"
              hidden={isNarrow ? { for: false, owned: false, hired: false, needed: false } : {}}
            />
          </div>
          {lines.length === 0 && <Soft>Nothing is connected on this day.</Soft>}
        </Stack>
      </Piece>
      {query.get("ask") === "kit" && <WhatYouHave onClose={() => setInAddress({ ask: null })} />}
      <Piece aria-label="More of the kit">
        <Columns $template="1fr 1fr 1fr">
          <Disclosure title="Always along">
            <Extras />
          </Disclosure>
          <Disclosure title="Custom cables">
            <OwnCables />
          </Disclosure>
          <Disclosure title="Other cables owned">
            <MoreOwned needs={needs} edits={edits} />
          </Disclosure>
        </Columns>
      </Piece>
    </Stack>
  );
}

/** What is owned, what the shoot needs, what is missing; packed before, back after. */
export function KitScreen() {
  return (
    <ShootFaults>
      <VisuallyHidden as="h1">Kit: what do I pack?</VisuallyHidden>
      <KitView />
    </ShootFaults>
  );
}
