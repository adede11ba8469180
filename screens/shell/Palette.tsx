"use client";

import { useMemo, useState } from "react";
import {
  Autocomplete,
  Collection,
  Dialog,
  Header,
  Input,
  Menu,
  MenuItem,
  MenuSection,
  Modal,
  ModalOverlay,
  SearchField,
  useFilter,
} from "react-aria-components";
import styled from "styled-components";
import { useShoot } from "@/data/ShootProvider";
import { goTo } from "@/ui/address";
import { floatingItem } from "@/ui/Select";
import { paletteOf, type PaletteEntry } from "./palette";

const Over = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 45;
  background: var(--shade);
  display: grid;
  justify-items: center;
  align-items: start;
  padding: min(12vh, 6rem) 1rem 1rem;
`;

const Sheet = styled(Modal)`
  width: min(620px, 100%);
  background: var(--paper);
  color: var(--ink);
  border: 1px solid var(--ink-soft);
`;

const Box = styled(Dialog)`
  display: grid;
  outline: none;
`;

const Field = styled(Input)`
  width: 100%;
  height: 3rem;
  padding: 0 0.9rem;
  font: inherit;
  font-size: 1.1rem;
  color: var(--ink);
  background: var(--paper);
  border: 0;
  border-bottom: 1px solid var(--seam);
  outline-offset: -3px;
`;

const List = styled(Menu)`
  max-height: min(60vh, 480px);
  overflow: auto;
  outline: none;
  &[data-empty] {
    padding: 0.8rem;
    color: var(--ink-soft);
  }
`;

const Group = styled(Header)`
  padding: 0.5rem 0.9rem 0.1rem;
  font-size: 0.82rem;
  color: var(--ink-soft);
`;

const Item = styled(MenuItem)`
  ${floatingItem}
  justify-content: space-between;
  gap: 1rem;
  small {
    color: var(--ink-soft);
    font-size: 0.85rem;
    text-align: right;
  }
`;

const GROUPS: readonly PaletteEntry["group"][] = ["Go to", "Do", "Talent", "Scenes", "Places", "Takes", "Terms"];
/** So many of a group are listed; typing finds the others. */
const MOST = 60;

/** Goes anywhere and does anything, by its name. */
export function Palette(props: {
  focus: { wearerId: string | null; sceneId: string | null };
  deeds: readonly { id: string; name: string; says: string; run: () => void }[];
  onClose: () => void;
}) {
  const { bundle } = useShoot();
  const { contains } = useFilter({ sensitivity: "base" });
  const entries = useMemo(() => paletteOf(bundle, props.focus, props.deeds), [bundle, props.focus, props.deeds]);
  const [typed, setTyped] = useState("");
  const words = typed.split(/\s+/);
  const found = entries.filter(({ name, says }) => words.every((word) => contains(`${name} ${says}`, word)));
  const groups = GROUPS.map((name) => ({
    name,
    entries: found.filter(({ group }) => group === name).slice(0, MOST),
  })).filter((group) => group.entries.length > 0);
  function choose(id: string): void {
    const entry = entries.find((each) => `${each.group} ${each.id}` === id);
    // A term is read where it stands.
    if (entry?.group === "Terms") return;
    props.onClose();
    if (entry?.href) goTo(entry.href);
    else entry?.run?.();
  }
  return (
    <Over isOpen isDismissable onOpenChange={(isOpen) => !isOpen && props.onClose()}>
      <Sheet>
        <Box aria-label="Find">
          <div onKeyDownCapture={(event) => event.key === "Escape" && props.onClose()}>
            <Autocomplete inputValue={typed} onInputChange={setTyped}>
              <SearchField aria-label="Find a page, talent, scene, place, take or term" autoFocus>
                <Field placeholder="Find a page, talent, scene, place, take or term" />
              </SearchField>
              <List
                aria-label="Found"
                onAction={(id) => choose(String(id))}
                renderEmptyState={() => "Nothing here has that name."}
              >
                {groups.map((group) => (
                  <MenuSection key={group.name} id={group.name}>
                    <Group>{group.name}</Group>
                    <Collection items={group.entries.map((entry) => ({ ...entry, key: `${entry.group} ${entry.id}` }))}>
                      {(entry) => (
                        <Item id={`${entry.group} ${entry.id}`} textValue={`${entry.name} ${entry.says}`}>
                          <span>{entry.name}</span>
                          <small>{entry.says}</small>
                        </Item>
                      )}
                    </Collection>
                  </MenuSection>
                ))}
              </List>
            </Autocomplete>
          </div>
        </Box>
      </Sheet>
    </Over>
  );
}
