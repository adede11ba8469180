"use client";

import { say } from "@/messages";
import { Link } from "@/ui/address";
import styled from "styled-components";
import { PACK_PLACE_IDS, type PackPlaceId } from "@/core/body";
import {
  type Candidate,
  choiceOf,
  type DressPlan,
  packRefusal,
  type RankedPlace,
  type Recipe,
  recipeFor,
  SUPPLIES,
} from "@/core/dress";
import type { Stored } from "@/core/records";
import { Select } from "@/ui/Select";
import { Row, Soft, Stack } from "@/ui/layout";
import { useShootStore } from "@/data/ShootProvider";
import { stationHref } from "../shell/stationHref";
import { PACK_OPTIONS, upperFirst } from "./words";

const Steps = styled.ol`
  margin: 0;
  padding-left: 1.4rem;
  display: grid;
  gap: 0.35rem;
  li::marker {
    font-weight: 600;
    color: var(--chalk);
  }
`;

const Materials = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  font-size: 0.95rem;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0.8rem;
    padding: 0.15rem 0;
    border-bottom: 1px dotted var(--seam-soft);
  }
  li[data-missing] {
    color: var(--bad);
  }
`;

const Pair = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 2fr);
  gap: 0.6rem;
`;

const CardLink = styled(Link)`
  min-height: var(--hit);
  display: inline-flex;
  align-items: center;
`;

/** Materials of a recipe with amounts; what is not in the kit stands out in words too. */
export function MaterialList({ materials }: { materials: Recipe["materials"] }) {
  return (
    <Materials>
      {materials.map(({ supply, as, isInBag }) => (
        <li key={supply} data-missing={isInBag ? undefined : true}>
          <span>
            {upperFirst(SUPPLIES[supply].name)}
            {isInBag ? "" : ": not in the kit"}
          </span>
          <span>{as}</span>
        </li>
      ))}
    </Materials>
  );
}

/** How the chosen place is rigged: mount and pack to choose, materials, ordered steps, taking off. */
export function RecipeView(props: {
  place: RankedPlace | null;
  candidate: Candidate;
  dress: DressPlan;
  rig: Stored<"rig">;
}) {
  const { place, candidate, dress, rig } = props;
  const store = useShootStore();
  const recipe = recipeFor(candidate, dress);
  const ways = (place?.ways ?? [candidate]).map((way) => ({ way, choice: choiceOf(way) }));
  const mounts = ways.filter(({ way }, index) => ways.findIndex((other) => other.way.mount === way.mount) === index);
  const ports = ways.filter(({ way }) => way.mount === candidate.mount);
  const take = (way: Candidate | undefined) => {
    if (way) store.change("rig", rig.id, { ...rig.body, choice: choiceOf(way), isRigged: false });
  };
  const { outfit, performance } = dress.facts.input;
  const packs = PACK_OPTIONS.filter(
    ({ value }) => value === "auto" || value === rig.body.packPlace || packRefusal(value, outfit, performance) === null,
  );
  return (
    <Stack>
      <Row $between>
        <Soft>
          {recipe.minutes} min · {recipe.capsule.colour} capsule{recipe.capsule.isHeld ? "" : " (not in the kit)"}
        </Soft>
        <CardLink href={stationHref(rig.body.shootId, "card", rig.body.wearerId, rig.body.sceneId)}>
          Card for this person
        </CardLink>
      </Row>
      <Select
        label="Held by"
        value={candidate.mount.id}
        options={mounts.map(({ way }) => ({ value: way.mount.id, name: upperFirst(way.mount.name) }))}
        onChange={(mount) => take(mounts.find(({ way }) => way.mount.id === mount)?.way)}
      />
      <Pair>
        <Select
          label="Port"
          value={candidate.port}
          options={ports.map(({ way }) => ({ value: way.port, name: upperFirst(way.port) }))}
          onChange={(port) => take(ports.find(({ way }) => way.port === port)?.way)}
        />
        <Select
          label="Pack"
          value={rig.body.packPlace ?? "auto"}
          options={packs}
          onChange={(value: PackPlaceId | "auto") =>
            store.change("rig", rig.id, {
              ...rig.body,
              packPlace: PACK_PLACE_IDS.find((id) => id === value) ?? null,
              isRigged: false,
            })
          }
        />
      </Pair>
      {recipe.wish && <p>{say(recipe.wish)}</p>}
      <section aria-label="Materials">
        <h3>Materials</h3>
        <MaterialList materials={recipe.materials} />
      </section>
      <section aria-label="Steps">
        <h3>Steps</h3>
        <Steps>
          {recipe.steps.map(say).map((step) => (
            <li key={step}>{step}</li>
          ))}
        </Steps>
      </section>
      <section aria-label="Taking off">
        <h3>Taking off</h3>
        <p>{recipe.takingOff.map(say).join(" ")}</p>
      </section>
      {recipe.cautions.map(say).map((caution) => (
        <Soft key={caution}>{caution}</Soft>
      ))}
    </Stack>
  );
}
