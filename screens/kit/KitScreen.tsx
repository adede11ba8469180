"use client";

import { say } from "@/messages";
import { Plus } from "lucide-react";
import { useState } from "react";
import styled from "styled-components";
import { LeadFigures, PARTS } from "@/core/devices";
import { ownLike } from "@/core/connect";
import { type Need, NEED_GROUPS, type NeedGroup, needsOf, packingState, toGet, withPacked } from "@/core/planning";
import type { KitItemBody } from "@/core/records";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Disclosure } from "@/ui/Disclosure";
import { NumberField } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Ticks";
import { Columns, Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { RecordFaults, ShootFaults } from "../shell/RecordFaults";
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

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
`;

const Line = styled.li`
  display: grid;
  gap: 0.2rem 0.8rem;
  align-items: center;
  padding: 0.45rem 0;
  border-top: 1px solid var(--seam-soft);
  grid-template-columns: minmax(0, 1fr) 96px 96px 148px;
  @media (max-width: 760px) {
    grid-template-columns: 1fr 1fr auto;
    align-items: end;
    > :first-child {
      grid-column: 1 / -1;
    }
  }
  small {
    display: block;
    color: var(--ink-soft);
    font-size: 0.85rem;
    line-height: 1.3;
  }
  em {
    font-style: normal;
    font-weight: 600;
    color: var(--bad);
  }
`;

const COUNT = { unit: "", factor: 1, digits: 0, step: 1 };

function NeedLine(props: { need: Need; isAfter: boolean; edits: ConnectionEdits }) {
  const { need, isAfter, edits } = props;
  const { key, name, needed, spare, owned, hired, packed, isBack, group } = need;
  const total = needed + spare;
  const toGetNow = toGet(need);
  const lacks = toGetNow && say(toGetNow);
  const isPacked = packed >= total && total > 0;
  const count = (label: string, value: number, isHired: boolean) => (
    <NumberField
      label={label}
      value={value}
      minimum={0}
      maximum={99}
      shown={COUNT}
      isWhole
      onChange={(next) => edits.setStock(key, name, isHired, next)}
    />
  );
  return (
    <Line aria-label={name}>
      <span>
        <strong>
          {total} × {name}
        </strong>
        <small>
          {group === "always"
            ? "on every shoot"
            : `${needed} in use${spare > 0 ? `, ${spare} spare` : ""}: ${need.forWhom.join("; ")}`}
          {lacks && (
            <>
              {" "}
              <em>{lacks}.</em>
            </>
          )}
        </small>
      </span>
      {group === "always" ? <span /> : count("Owned", owned, false)}
      {group === "always" ? <span /> : count("Hired", hired, true)}
      {isAfter ? (
        <Tick
          label="Back"
          isOn={isBack}
          isDisabled={packed === 0 && !isBack}
          onChange={(next) => edits.setPacking((body) => withPacked(body, key, { isBack: next }))}
        />
      ) : (
        <Tick
          label={packed > 0 && packed < total ? `Packed ${packed}` : "Packed"}
          isOn={isPacked}
          onChange={(next) =>
            edits.setPacking((body) => withPacked(body, key, { packed: next ? total : 0, isBack: false }))
          }
        />
      )}
    </Line>
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

/** What is needed, owned, missing; packed before, back after. */
function KitView() {
  const { bundle } = useShoot();
  const { plan, air } = useLinks();
  const edits = useConnections();
  const [day, setDay] = useState("all");
  const [when, setWhen] = useState<"before" | "after">("before");
  const needs = needsOf(bundle, plan, air.systems, day === "all" ? null : Number(day));
  const wanted = needs.filter(({ missing }) => missing > 0);
  const { days } = bundle.shoot.body;
  return (
    <Columns $template="minmax(0, 1.7fr) minmax(0, 1fr)">
      <Piece aria-label="Packing">
        <Stack>
          <Row $between>
            <Choice
              label="When"
              value={when}
              options={[
                { value: "before", name: "Packing list" },
                { value: "after", name: "Return check" },
              ]}
              onChange={setWhen}
            />
            {days > 1 && (
              <Select
                label="For"
                value={day}
                options={[
                  { value: "all", name: "the whole shoot" },
                  ...Array.from({ length: days }, (_, index) => ({
                    value: String(index + 1),
                    name: `day ${index + 1}`,
                  })),
                ]}
                onChange={setDay}
              />
            )}
          </Row>
          <Lead role="status">{say(packingState(needs))}</Lead>
          {NEED_GROUPS.filter((group) => needs.some((need) => need.group === group)).map((group) => (
            <section key={group} aria-label={GROUP_NAMES[group]}>
              <h2>{GROUP_NAMES[group]}</h2>
              <List>
                {needs
                  .filter((need) => need.group === group)
                  .map((need) => (
                    <NeedLine key={need.key} need={need} isAfter={when === "after"} edits={edits} />
                  ))}
              </List>
            </section>
          ))}
          {needs.length === 0 && <Soft>Nothing is connected on this day.</Soft>}
        </Stack>
      </Piece>
      <Stack>
        <Piece aria-label="To get">
          <Stack $gap={0.5}>
            <h2>To get</h2>
            {wanted.length === 0 ? (
              <p role="status">Nothing: everything is in the kit, spares included.</p>
            ) : (
              <ul>
                {wanted.map((need) => (
                  <li key={need.key}>
                    {need.name}: {say(toGet(need)!)}
                  </li>
                ))}
              </ul>
            )}
          </Stack>
        </Piece>
        <Piece aria-label="What else">
          <Disclosure title="Always along">
            <Extras />
          </Disclosure>
          <Disclosure title="Custom cables">
            <OwnLeads />
          </Disclosure>
          <Disclosure title="Other cables owned">
            <MoreOwned needs={needs} edits={edits} />
          </Disclosure>
        </Piece>
      </Stack>
    </Columns>
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
