"use client";

import { say } from "@/messages";
import { Link, replaceAddress } from "@/ui/address";
import { later } from "@/ui/later";
import styled from "styled-components";
import { carryFromBefore } from "@/core/planning";
import { rigsOfWearer } from "@/core/records";
import { Row, Soft } from "@/ui/layout";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { copyRig, duplicateWearer } from "../shell/newWearer";
import { stationHref } from "../shell/ThreadNav";
import type { WorkingOn } from "../shell/useWearer";

// Nobody copies in the first moment: what a menu needs is loaded after the page.
const CopyMenu = later(() => import("./CopyMenu").then((module) => module.CopyMenu));

const Scenes = styled.nav`
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.9rem;
  flex: 1 1 20rem;
`;

const Scene = styled(Link)`
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  &[aria-current] {
    color: var(--ink);
    font-weight: 600;
    text-decoration: none;
  }
`;

/** The wearer's scenes, what changed since the one before, and copies of rig and wearer. */
export function SceneBar({ workingOn }: { workingOn: WorkingOn }) {
  const { wearer, rig } = workingOn;
  const { bundle } = useShoot();
  const store = useShootStore();
  const shootId = bundle.shoot.id;
  const rigs = rigsOfWearer(bundle, wearer.id);
  const carry = carryFromBefore(bundle, rig);
  const others = bundle.scenes.filter((scene) => !rigs.some((each) => each.body.sceneId === scene.id));
  const go = (wearerId: string, sceneId: string) => replaceAddress(stationHref(shootId, "dress", wearerId, sceneId));
  return (
    <div>
      <Row $between>
        <Scenes aria-label="Scenes">
          {rigs.map((each) => {
            const scene = bundle.scenes.find(({ id }) => id === each.body.sceneId);
            return (
              <Scene
                key={each.id}
                href={stationHref(shootId, "dress", wearer.id, each.body.sceneId)}
                replace
                keepsPlace
                aria-current={each.id === rig.id ? "page" : undefined}
              >
                {scene ? `Day ${scene.body.day}, ${scene.body.startsAt}: ${scene.body.title}` : "Scene"}
              </Scene>
            );
          })}
        </Scenes>
        <CopyMenu
          choices={[
            ...others.map((scene) => ({
              id: scene.id,
              name: `Copy rig to: ${scene.body.title}`,
              onChoose: () => go(wearer.id, copyRig(store, bundle, rig, scene.id)),
            })),
            {
              id: "new",
              name: "Copy rig to a new scene",
              onChoose: () => go(wearer.id, copyRig(store, bundle, rig, null)),
            },
            {
              id: "wearer",
              name: "Another person dressed alike",
              onChoose: () => go(duplicateWearer(store, bundle, wearer, rig), rig.body.sceneId),
            },
          ]}
        />
      </Row>
      {carry && (
        <Soft role="status">
          {carry.carries
            ? "Carries over from the scene before: nothing that matters changed."
            : `Since the scene before: ${carry.changes.map(say).join(", ")}.`}
        </Soft>
      )}
    </div>
  );
}
