"use client";

import { timeWords } from "@/messages";
import { ChevronDown } from "lucide-react";
import { useState } from "react";
import { Button, Header, Menu, MenuItem, MenuSection, MenuTrigger, Separator } from "react-aria-components";
import styled from "styled-components";
import { rigsOfScene, scenesInOrder } from "@/core/records";
import { useShoot } from "@/data/ShootProvider";
import { replaceAddress, useAddress } from "@/ui/address";
import { later } from "@/ui/later";
import { FloatingList, floatingItem } from "@/ui/Select";
import { withFocus, type Focus } from "./focus";

const SceneDialog = later(() => import("./SceneDialog").then((module) => module.SceneDialog));

const Trigger = styled(Button)`
  min-width: 0;
  height: var(--hit);
  padding: 0 0.6rem;
  font: inherit;
  color: var(--ink);
  background: var(--paper);
  border: 1px solid var(--seam);
  border-radius: 2px;
  display: flex;
  align-items: center;
  gap: 0.5rem;
  cursor: pointer;
  span {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  svg {
    flex: none;
  }
  &[data-hovered] {
    background: var(--paper-deep);
  }
`;

const Item = styled(MenuItem)`
  ${floatingItem}
  display: grid;
  grid-template-columns: 3.2rem minmax(0, 1fr) auto;
  gap: 0.5rem;
  small {
    color: var(--ink-soft);
    font-size: 0.85rem;
  }
  &[data-current] {
    font-weight: 600;
  }
`;

const Plain = styled(MenuItem)`
  ${floatingItem}
`;

const Day = styled(Header)`
  padding: 0.5rem 0.8rem 0.2rem;
  font-size: 0.85rem;
  color: var(--ink-soft);
`;

const Line = styled(Separator)`
  border-top: 1px dashed var(--seam);
  margin: 0.3rem 0;
`;

/** The one chooser of day and scene for the whole application. */
export function SceneChooser({ focus }: { focus: Focus }) {
  const { bundle } = useShoot();
  const { query } = useAddress();
  const [editing, setEditing] = useState<"scene" | "new" | null>(null);
  const scenes = scenesInOrder(bundle.scenes);
  const days = [...new Set(scenes.map(({ body }) => body.day))];
  const chosen = focus.scene;
  function choose(key: string): void {
    if (key === "new" || key === "edit") setEditing(key === "new" ? "new" : "scene");
    else replaceAddress(withFocus(query, { sceneId: key }));
  }
  return (
    <>
      <MenuTrigger>
        <Trigger
          aria-label={
            chosen ? `Scene: Day ${chosen.body.day}, ${timeWords(chosen.body.startsAt)} ${chosen.body.title}` : "Scene"
          }
        >
          {chosen ? (
            <span>
              Day {chosen.body.day} · {timeWords(chosen.body.startsAt)} <strong>{chosen.body.title}</strong>
            </span>
          ) : (
            <span>No scene yet</span>
          )}
          <ChevronDown size={16} aria-hidden />
        </Trigger>
        <FloatingList>
          <Menu aria-label="Scenes" onAction={(key) => choose(String(key))}>
            {days.map((day) => (
              <MenuSection key={day} id={`day ${day}`}>
                <Day>Day {day}</Day>
                {scenes
                  .filter(({ body }) => body.day === day)
                  .map(({ id, body }) => (
                    <Item key={id} id={id} textValue={body.title} data-current={id === chosen?.id || undefined}>
                      <span>{timeWords(body.startsAt)}</span>
                      <span>{body.title}</span>
                      <small>{rigsOfScene(bundle, id).length} talent</small>
                    </Item>
                  ))}
              </MenuSection>
            ))}
            <Line />
            <Plain id="new">Add scene</Plain>
            {chosen ? <Plain id="edit">Change {chosen.body.title}</Plain> : null}
          </Menu>
        </FloatingList>
      </MenuTrigger>
      {editing === "new" && <SceneDialog scene={null} onClose={() => setEditing(null)} />}
      {editing === "scene" && chosen && <SceneDialog scene={chosen} onClose={() => setEditing(null)} />}
    </>
  );
}
