"use client";

import { say } from "@/messages";
import { createColumnHelper, type ColumnDef } from "@tanstack/react-table";
import { Plus, Printer } from "lucide-react";
import { useMemo, useState } from "react";
import styled from "styled-components";
import { LeadFigures, PARTS } from "@/core/devices";
import { ownLike } from "@/core/connect";
import {
  type Consumable,
  consumablesOf,
  type Need,
  type NeedGroup,
  needsOf,
  packingState,
  toGet,
  withPacked,
} from "@/core/planning";
import type { KitItemBody } from "@/core/records";
import { setInAddress, useAddress } from "@/ui/address";
import { Button } from "@/ui/Button";
import { DataTable } from "@/ui/DataTable";
import { useIsNarrow } from "@/ui/useIsNarrow";
import { Choice } from "@/ui/Choice";
import { Disclosure } from "@/ui/Disclosure";
import { NumberField } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Ticks";
import { Columns, Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { upperFirst } from "../dress/words";
import { RecordFaults, ShootFaults } from "../shell/RecordFaults";
import { useFocus } from "../shell/useFocus";
import { useRemoval } from "../shell/useRemoval";
import { OwnFigures } from "../link/OwnFigures";
import { useConnections, type ConnectionEdits } from "../link/useConnections";
import { useLinks } from "../link/useLinks";

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

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
`;

const ToGet = styled.em`
  font-style: normal;
  font-weight: 600;
  color: var(--bad);
`;

const Whom = styled.span`
  display: block;
  max-width: 24rem;
  font-size: 0.88rem;
  line-height: 1.25;
  color: var(--ink-soft);
`;

const COUNT = { unit: "", factor: 1, digits: 0, step: 1 };

/** One line of the packing list: something that is used, or something that is used up. */
type Line = { key: string; group: string; name: string } & (
  { need: Need; consumable: null } | { need: null; consumable: Consumable }
);

/** So many names are told; the rest is a number. */
const MOST_NAMES = 3;
const whomOf = ({ forWhom }: Need): string => {
  const more = forWhom.length - MOST_NAMES;
  return more > 0 ? `${forWhom.slice(0, MOST_NAMES).join(" · ")} · ${more} more` : forWhom.join(" · ");
};

const neededWords = ({ needed, spare }: Need): string => (spare > 0 ? `${needed} + ${spare} spare` : String(needed));

const column = createColumnHelper<Line>();

function columnsOf(edits: ConnectionEdits, isAfter: boolean): ColumnDef<Line, never>[] {
  const count = (need: Need, label: string, value: number, isHired: boolean) => (
    <NumberField
      isPlain
      label={`${label}: ${need.name}`}
      value={value}
      minimum={0}
      maximum={99}
      shown={COUNT}
      isWhole
      onChange={(next) => edits.setStock(need.key, need.name, isHired, next)}
    />
  );
  const columns = [
    column.accessor("name", { id: "name", header: "Item", cell: ({ getValue }) => upperFirst(getValue()) }),
    column.accessor(({ need }) => (need ? need.needed + need.spare : 0), {
      id: "needed",
      header: "Needed",
      cell: ({ row }) => row.original.need && neededWords(row.original.need),
      meta: { width: 6.5 },
    }),
    column.accessor(({ need }) => need?.forWhom[0] ?? "", {
      id: "for",
      header: "For",
      cell: ({ row }) => row.original.need && <Whom>{whomOf(row.original.need)}</Whom>,
    }),
    column.accessor(({ need }) => need?.owned ?? 0, {
      id: "owned",
      header: "Owned",
      cell: ({ row: { original } }) =>
        original.need && original.need.group !== "always" && count(original.need, "Owned", original.need.owned, false),
      meta: { width: 4.6 },
    }),
    column.accessor(({ need }) => need?.hired ?? 0, {
      id: "hired",
      header: "Hired",
      cell: ({ row: { original } }) =>
        original.need && original.need.group !== "always" && count(original.need, "Hired", original.need.hired, true),
      meta: { width: 4.6 },
    }),
    column.accessor(({ need }) => need?.missing ?? 0, {
      id: "toGet",
      header: "To get",
      cell: ({ row: { original } }) => {
        const says = original.need && toGet(original.need);
        return says && <ToGet>{say(says)}</ToGet>;
      },
      meta: { width: 10.5 },
    }),
    column.display({
      id: "packed",
      header: isAfter ? "Back" : "Packed",
      cell: ({ row: { original } }) => <PackedTick line={original} isAfter={isAfter} edits={edits} />,
      meta: { width: 4 },
    }),
  ];
  return columns;
}

function PackedTick({ line, isAfter, edits }: { line: Line; isAfter: boolean; edits: ConnectionEdits }) {
  const { key, name, need, consumable } = line;
  const set = (change: Parameters<typeof withPacked>[2]) => edits.setPacking((body) => withPacked(body, key, change));
  const all = need ? need.needed + need.spare : 1;
  const packed = need ? need.packed : consumable.isPacked ? 1 : 0;
  // What is used up does not come back.
  if (isAfter)
    return need ? (
      <Tick
        isPlain
        label={`Back: ${name}`}
        isOn={need.isBack}
        isDisabled={packed === 0 && !need.isBack}
        onChange={(isBack) => set({ isBack })}
      />
    ) : null;
  return (
    <Tick
      isPlain
      label={`Packed: ${name}`}
      isOn={packed >= all && all > 0}
      onChange={(next) => set({ packed: next ? all : 0, isBack: false })}
    />
  );
}

/** What comes along on every shoot of this crew. */
function Extras() {
  const { bundle } = useShoot();
  const store = useShootStore();
  const remove = useRemoval();
  const [name, setName] = useState("");
  const extras = bundle.kit.filter(({ body }) => body.kind === "extra");
  return (
    <Stack $gap={0.5}>
      {extras.map(({ id, body }) => (
        <Row key={id} $between>
          <span>{body.name}</span>
          <Button look="quiet" onPress={() => remove("kitItem", id, body.name)}>
            Remove
          </Button>
        </Row>
      ))}
      <Row $gap={0.5} $low>
        <TextField
          label="Something that always comes along"
          value={name}
          fault={() => null}
          onChange={setName}
          maxLength={80}
        />
        <Button
          isDisabled={name.trim() === ""}
          onPress={() => {
            store.create("kitItem", { shootId: null, kind: "extra", name: name.trim(), figures: { count: 1 } });
            setName("");
          }}
        >
          <Plus size={18} aria-hidden /> Add
        </Button>
      </Row>
    </Stack>
  );
}

/** Leads that no catalogue has: made like one of them, then changed. */
function OwnLeads() {
  const { bundle } = useShoot();
  const store = useShootStore();
  const remove = useRemoval();
  const [like, setLike] = useState<string>(PARTS[0]!.id);
  const own = bundle.kit.filter(({ body }) => body.kind === "lead");
  const add = () =>
    store.create(
      "kitItem",
      ownLike(
        "lead",
        PARTS.find(({ id }) => id === like)!,
      ),
    );
  return (
    <Stack $gap={0.6}>
      {own.map(({ id, body }) => (
        <Disclosure key={id} title={body.name}>
          <RecordFaults of={{ kitItem: id }}>
            <Stack $gap={0.6}>
              <TextField
                label="Cable"
                value={body.name}
                onChange={(name) => store.edit("kitItem", id, (now) => ({ ...now, name }))}
              />
              <OwnFigures
                schema={LeadFigures}
                figures={body.figures as unknown as Record<string, unknown>}
                onChange={(figures) =>
                  store.edit("kitItem", id, (now) => ({
                    ...now,
                    figures: figures as unknown as KitItemBody["figures"],
                  }))
                }
              />
              <div>
                <Button look="quiet" onPress={() => remove("kitItem", id, body.name)}>
                  Remove from the kit
                </Button>
              </div>
            </Stack>
          </RecordFaults>
        </Disclosure>
      ))}
      <Row $gap={0.5} $low>
        <Select
          label="Wired like"
          value={like}
          options={PARTS.map(({ id, name }) => ({ value: id, name }))}
          onChange={setLike}
        />
        <Button onPress={add}>
          <Plus size={18} aria-hidden /> Add cable
        </Button>
      </Row>
    </Stack>
  );
}

/** Catalogue leads that are owned although nothing of this shoot needs them: the search knows them. */
function MoreOwned({ needs, edits }: { needs: readonly Need[]; edits: ConnectionEdits }) {
  const links = useLinks();
  const rest = PARTS.filter(({ id }) => !needs.some(({ key }) => key === id));
  return (
    <List aria-label="Other cables">
      {rest.map(({ id, name }) => (
        <Row key={id} $between as="li">
          <span>{name}</span>
          <NumberField
            label={`Owned, ${name}`}
            value={links.plan.stock.get(id)?.owned ?? 0}
            minimum={0}
            maximum={99}
            shown={COUNT}
            isWhole
            onChange={(count) => edits.setStock(id, name, false, count)}
          />
        </Row>
      ))}
    </List>
  );
}

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
      <Piece aria-label="More of the kit">
        <Columns $template="1fr 1fr 1fr">
          <Disclosure title="Always along">
            <Extras />
          </Disclosure>
          <Disclosure title="Custom cables">
            <OwnLeads />
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
