"use client";

import { say } from "@/messages";
import { Plus } from "lucide-react";
import styled from "styled-components";
import { type AirScene, newLink } from "@/core/planning";
import { scenesInOrder, type Stored } from "@/core/records";
import { type AirLink, BY_LEAD, canTune, conflictMessage, MOST_LINKS, presetName, whyForbidden } from "@/core/wireless";
import { Button } from "@/ui/Button";
import { ThreadSample } from "@/ui/Stitch";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Ticks";
import { Columns, Row, Soft, Stack } from "@/ui/layout";
import { useShoot } from "@/data/ShootProvider";
import type { AirEdits } from "./useAir";

const Entry = styled.li`
  padding: 0.2rem 0;
  border-top: 1px solid var(--seam-soft);
  &[data-chosen] {
    box-shadow: inset 4px 0 0 var(--chalk);
    padding-left: 0.8rem;
  }
`;

const Head = styled.button`
  width: 100%;
  min-height: var(--hit);
  display: grid;
  grid-template-columns: var(--hit) minmax(0, 1.3fr) minmax(0, 1fr) auto;
  align-items: center;
  gap: 0.6rem;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
  span {
    color: var(--ink-soft);
    font-size: 0.9rem;
  }
  b {
    font-variant-numeric: tabular-nums;
  }
  &:hover strong {
    text-decoration: underline;
    text-underline-offset: 0.25em;
  }
  &:focus-visible {
    outline: 3px solid var(--chalk);
    outline-offset: 2px;
  }
`;

const List = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
`;

/** What is wrong with a frequency that was typed; null when it may stand. */
function frequencyFault(air: AirScene, link: AirLink, text: string): string | null {
  if (text.trim() === "") return null;
  const frequencyMHz = Number(text.trim().replace(",", "."));
  if (!Number.isFinite(frequencyMHz)) return "A frequency in MHz, such as 520.300.";
  const system = air.plan.systems.find(({ id }) => id === link.systemId);
  if (!system) return null;
  const forbidden = whyForbidden(air.plan.region, frequencyMHz, system.powerMw);
  if (forbidden) return say(forbidden);
  return canTune(system, frequencyMHz) ? null : say({ code: "forbidden.tuning", system: system.name, frequencyMHz });
}

/** Sentences on what is wrong with one link, the nearest product first. */
function faultsOf({ faults }: AirScene, link: AirLink): string[] {
  const own = faults.conflicts.filter(
    ({ makers, victim }) => victim.id === link.id || makers.some(({ id }) => id === link.id),
  );
  const told = [...faults.refused, ...faults.onTaken].filter(({ linkId }) => linkId === link.id);
  return [
    ...told.map(({ says }) => say(says)),
    ...own.slice(0, 2).map((conflict) => `${say(conflictMessage(conflict))}.`),
  ];
}

function LinkEntry(props: {
  air: AirScene;
  link: AirLink;
  thread: number;
  scenes: readonly Stored<"scene">[];
  isChosen: boolean;
  edits: AirEdits;
  onChoose: () => void;
}) {
  const { air, link, edits } = props;
  const system = air.plan.systems.find(({ id }) => id === link.systemId) ?? null;
  const systems = [
    ...air.plan.systems.map(({ id, name }) => ({ value: id, name })),
    { value: BY_LEAD, name: "none: wired, or its own recorder" },
  ];
  const isTuned = system?.band === "uhf";
  const preset = system && link.frequencyMHz !== null ? presetName(system, link.frequencyMHz) : null;
  const set = (change: Partial<AirLink>) => edits.setLink(link.id, change);
  const wrong = faultsOf(air, link);
  return (
    <Entry data-chosen={props.isChosen || undefined} aria-label={link.name}>
      <Head type="button" aria-expanded={props.isChosen} onClick={props.onChoose}>
        {link.wearerId ? <ThreadSample thread={props.thread} /> : <span />}
        <strong>{link.name}</strong>
        <span>{link.systemId === BY_LEAD ? "wired" : isTuned ? (preset ?? "") : "2.4 GHz"}</span>
        <b>{isTuned ? (link.frequencyMHz?.toFixed(3) ?? "no frequency") : ""}</b>
      </Head>
      {wrong.map((says) => (
        <p key={says}>{says}</p>
      ))}
      {props.isChosen && (
        <Stack $gap={0.5}>
          <Columns $template={isTuned ? "1.4fr 1fr 1fr" : "1fr 1fr"}>
            <Select
              label="System"
              value={systems.some(({ value }) => value === link.systemId) ? link.systemId : BY_LEAD}
              options={systems}
              onChange={(systemId) => set({ systemId, frequencyMHz: null, spareMHz: null, isLocked: false })}
            />
            {isTuned && (
              <TextField
                label="Frequency, MHz"
                value={link.frequencyMHz?.toFixed(3) ?? ""}
                maxLength={12}
                fault={(text) => frequencyFault(air, link, text)}
                onChange={(text) =>
                  set({ frequencyMHz: text.trim() === "" ? null : Number(text.trim().replace(",", ".")) })
                }
              />
            )}
            <TextField
              label="Zone, if far from the rest"
              value={link.zone}
              maxLength={40}
              fault={() => null}
              onChange={(zone) => set({ zone })}
            />
          </Columns>
          {isTuned && (
            <Row $between>
              <Soft>
                {link.spareMHz === null
                  ? "No spare yet."
                  : `Spare ${link.spareMHz.toFixed(3)} MHz${presetName(system, link.spareMHz) ? `, ${presetName(system, link.spareMHz)}` : ""}`}
              </Soft>
              <Tick label="Locked" isOn={link.isLocked} onChange={(isLocked) => set({ isLocked })} />
            </Row>
          )}
          {link.wearerId === null && props.scenes.length > 0 && (
            <div role="group" aria-label={`When ${link.name} is on`}>
              <Soft>{link.sceneIds.length === 0 ? "On all the time, or only in:" : "On in:"}</Soft>
              <Row $gap={0.4}>
                {props.scenes.map(({ id, body }) => (
                  <Tick
                    key={id}
                    label={`Day ${body.day}: ${body.title}`}
                    isOn={link.sceneIds.includes(id)}
                    onChange={(isOn) =>
                      set({ sceneIds: isOn ? [...link.sceneIds, id] : link.sceneIds.filter((each) => each !== id) })
                    }
                  />
                ))}
              </Row>
            </div>
          )}
          {link.wearerId === null && (
            <Row>
              <TextField label="Name" value={link.name} maxLength={80} onChange={(name) => set({ name })} />
              <Button
                look="quiet"
                onPress={() =>
                  edits.edit((body) => ({ ...body, links: body.links.filter(({ id }) => id !== link.id) }))
                }
              >
                Remove
              </Button>
            </Row>
          )}
        </Stack>
      )}
    </Entry>
  );
}

/** Every link with its system, frequency, zone and what is wrong with it. */
export function LinkTable(props: {
  air: AirScene;
  threads: ReadonlyMap<string, number>;
  chosenId: string | null;
  edits: AirEdits;
  onChoose: (id: string) => void;
}) {
  const { air, edits } = props;
  const { bundle } = useShoot();
  const scenes = scenesInOrder(bundle.scenes);
  const { links } = air.body;
  return (
    <Stack $gap={0.5}>
      <List aria-label="Links">
        {links.map((link) => (
          <LinkEntry
            key={link.id}
            air={air}
            link={link}
            thread={link.wearerId ? (props.threads.get(link.wearerId) ?? 0) : 0}
            scenes={scenes}
            isChosen={link.id === props.chosenId}
            edits={edits}
            onChoose={() => props.onChoose(link.id)}
          />
        ))}
      </List>
      <div>
        <Button
          isDisabled={links.length >= MOST_LINKS}
          onPress={() =>
            edits.edit((body) => ({
              ...body,
              links: [...body.links, newLink({ id: crypto.randomUUID(), name: `Link ${body.links.length + 1}` })],
            }))
          }
        >
          <Plus size={18} aria-hidden /> Another transmitter
        </Button>
      </div>
      <Soft>Camera hops, ears, a desk's own transmitter. Talent comes from the scenes.</Soft>
    </Stack>
  );
}
