"use client";

import { Plus } from "lucide-react";
import { useState } from "react";
import styled from "styled-components";
import { ownLike } from "@/core/connect";
import { LeadFigures, PARTS } from "@/core/devices";
import type { Need } from "@/core/planning";
import type { KitItemBody } from "@/core/records";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { Button } from "@/ui/Button";
import { Disclosure } from "@/ui/Disclosure";
import { COUNTED, NumberField } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Row, Stack } from "@/ui/layout";
import { OwnFigures } from "../link/OwnFigures";
import { useLinks } from "../link/useLinks";
import type { ConnectionEdits } from "../link/useConnections";
import { RecordFaults } from "../shell/RecordFaults";
import { useRemoval } from "../shell/useRemoval";

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
`;

/** What comes along on every shoot of this crew. */
export function Extras() {
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

/** Cables that no catalogue has: made like one of them, then changed. */
export function OwnCables() {
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

/** Catalogue cables that are owned although nothing of this shoot needs them: the search knows them. */
export function MoreOwned({ needs, edits }: { needs: readonly Need[]; edits: ConnectionEdits }) {
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
            shown={COUNTED}
            isWhole
            onChange={(count) => edits.setStock(id, name, false, count)}
          />
        </Row>
      ))}
    </List>
  );
}
