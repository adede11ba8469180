"use client";

import { ChevronDown, CircleHelp, Contrast, Search } from "lucide-react";
import { useState } from "react";
import styled from "styled-components";
import { STATION_IDS, STATIONS, type StationId } from "@/core/board";
import { useHere, useShootPart, useTogether } from "@/data/ShootProvider";
import { Button } from "@/ui/Button";
import { Link, goTo, useAddress } from "@/ui/address";
import { later } from "@/ui/later";
import { Tooltip } from "@/ui/Tooltip";
import { SaveLine } from "./SaveLine";
import { SceneChooser } from "./SceneChooser";
import type { Focus } from "./focus";
import { switchGround } from "./ground";
import { useShootDeeds } from "./useShootDeeds";

const Menu = later(() => import("@/ui/Menu").then((module) => module.Menu));
const DeleteShoot = later(() => import("../shoots/DeleteShoot").then((module) => module.DeleteShoot));
const ShootDialog = later(() => import("./ShootDialog").then((module) => module.ShootDialog));

const Bar = styled.header`
  position: sticky;
  top: 0;
  z-index: 20;
  height: var(--bar);
  padding: 0 0.7rem;
  display: flex;
  align-items: center;
  gap: 0.5rem;
  background: var(--cloth);
  border-bottom: 1px solid var(--seam);
  > :nth-child(3) {
    margin-right: auto;
  }
  button {
    padding-inline: 0.5rem;
  }
  @media print {
    display: none;
  }
`;

const Title = styled(Link)`
  flex: 0 1 auto;
  min-width: 4rem;
  max-width: 16rem;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-family: "Fraunces Variable", serif;
  font-size: 1.15rem;
  font-weight: 600;
  color: var(--ink);
  text-decoration: none;
  line-height: var(--hit);
  @media (max-width: 899px) {
    display: none;
  }
`;

const Wide = styled.span`
  display: contents;
  @media (max-width: 599px) {
    display: none;
  }
`;

const Here = styled(Button)`
  min-width: 0;
  font-size: 0.85rem;
  font-weight: 400;
  text-decoration: none;
  white-space: nowrap;
  @media (max-width: 599px) {
    display: none;
  }
`;

const isStation = (name: string): name is StationId => (STATION_IDS as readonly string[]).includes(name);

/** What somebody has open, in words: the station, where it is of this shoot. */
const placeWords = (shootId: string, at: string): string => {
  const [ofShoot, station = ""] = at.split(" ");
  if (ofShoot !== shootId) return "";
  return isStation(station) ? `: ${STATIONS[station].name}` : "";
};

/** That others work on the same at this moment, who and where; and whether on just what is open here. */
function WhoIsHere({ focus }: { focus: Focus }) {
  const { pages, names, people } = useHere();
  const { path } = useAddress();
  const shootId = useShootPart(({ bundle }) => bundle.shoot.id);
  const [, , , station = "board"] = path.split("/");
  const together = useTogether(`${shootId} ${station} ${focus.talent?.id ?? ""}`);
  if (pages < 2) return null;
  const who = names.filter(Boolean).join(", ");
  const where = people.filter(({ name }) => name !== "").map(({ name, at }) => `${name}${placeWords(shootId, at)}`);
  const same = [...new Set(together.filter(Boolean))].join(", ");
  return (
    <Tooltip says={[...new Set(where)].join(", ") || who || `Open on ${pages} devices`}>
      <Here look="quiet" aria-label={`${same ? `${same} is on this too; ` : ""}${pages} here${who ? `: ${who}` : ""}`}>
        {same ? `${same} is on this too` : `${pages} here`}
      </Here>
    </Tooltip>
  );
}

/** Where one is: shoot, day and scene; whether it is saved; and the way to anything by its name. */
export function TopBar(props: { focus: Focus; onFind: () => void; onHelp: () => void }) {
  const shootId = useShootPart(({ bundle }) => bundle.shoot.id);
  const title = useShootPart(({ bundle }) => bundle.shoot.body.title);
  const deeds = useShootDeeds();
  const [isChanging, setIsChanging] = useState(false);
  const [isDeleting, setIsDeleting] = useState(false);
  return (
    <Bar>
      <Title href={`/shoots/${shootId}`}>{title}</Title>
      <Menu
        label={`Shoot: ${title}`}
        look="quiet"
        icon={<ChevronDown size={16} aria-hidden />}
        choices={[
          { id: "facts", name: "Change the shoot", onChoose: () => setIsChanging(true) },
          { id: "copy", name: "Duplicate", onChoose: deeds.duplicate },
          { id: "save", name: "Save as a file", onChoose: deeds.save },
          { id: "history", name: "History", onChoose: () => goTo(`/shoots/${shootId}/history`) },
          { id: "delete", name: "Delete", onChoose: () => setIsDeleting(true) },
          { id: "all", name: "All shoots", onChoose: () => goTo("/") },
        ]}
      />
      <SceneChooser focus={props.focus} />
      <SaveLine />
      <WhoIsHere focus={props.focus} />
      <Tooltip says="Find anything by its name (/)">
        <Button look="quiet" aria-label="Find" onPress={props.onFind}>
          <Search size={18} aria-hidden />
        </Button>
      </Tooltip>
      <Wide>
        <Tooltip says="Day or dark set (g)">
          <Button look="quiet" aria-label="Switch between day and dark set" onPress={() => void switchGround()}>
            <Contrast size={18} aria-hidden />
          </Button>
        </Tooltip>
        <Tooltip says="Keys (?)">
          <Button look="quiet" aria-label="Show keys" onPress={props.onHelp}>
            <CircleHelp size={18} aria-hidden />
          </Button>
        </Tooltip>
      </Wide>
      {isDeleting && <DeleteShoot title={title} onClose={() => setIsDeleting(false)} onDelete={deeds.remove} />}
      {isChanging && <ShootDialog onClose={() => setIsChanging(false)} />}
    </Bar>
  );
}
