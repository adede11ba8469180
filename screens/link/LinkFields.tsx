"use client";

import type { AirScene } from "@/core/planning";
import { scenesInOrder } from "@/core/records";
import { type AirLink, BY_LEAD, presetName } from "@/core/wireless";
import { useShoot } from "@/data/ShootProvider";
import { Button } from "@/ui/Button";
import { Row, Soft, Stack } from "@/ui/layout";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Ticks";
import { showToast } from "@/ui/toasts";
import { frequencyFault, linkFaults, typedMHz } from "./linkFaults";
import type { AirEdits } from "./useAir";

/** A transmitter that no talent wears is on all the time, or in some scenes. */
function WhenOn({ link, set }: { link: AirLink; set: (change: Partial<AirLink>) => void }) {
  const { bundle } = useShoot();
  const { sceneIds } = link;
  if (bundle.scenes.length === 0) return null;
  return (
    <div role="group" aria-label={`When ${link.name} is on`}>
      <Soft>{sceneIds.length === 0 ? "On all the time, or only in:" : "On in:"}</Soft>
      <Row $gap={0.4}>
        {scenesInOrder(bundle.scenes).map(({ id, body }) => (
          <Tick
            key={id}
            label={`Day ${body.day}: ${body.title}`}
            isOn={sceneIds.includes(id)}
            onChange={(isOn) => set({ sceneIds: isOn ? [...sceneIds, id] : sceneIds.filter((each) => each !== id) })}
          />
        ))}
      </Row>
    </div>
  );
}

/** What is set of one link, with what is wrong with it. */
export function LinkFields({ air, link, edits }: { air: AirScene; link: AirLink; edits: AirEdits }) {
  const system = air.plan.systems.find(({ id }) => id === link.systemId) ?? null;
  const systems = [
    ...air.plan.systems.map(({ id, name }) => ({ value: id, name })),
    { value: BY_LEAD, name: "none: wired, or its own recorder" },
  ];
  const isTuned = system?.band === "uhf";
  const set = (change: Partial<AirLink>) => edits.setLink(link.id, change);
  const spare = link.spareMHz;
  const sparePreset = system && spare !== null ? presetName(system, spare) : null;
  const remove = () => {
    edits.edit((body) => ({ ...body, links: body.links.filter(({ id }) => id !== link.id) }));
    showToast({
      says: `${link.name} removed.`,
      action: { name: "Undo", run: () => edits.edit((body) => ({ ...body, links: [...body.links, link] })) },
    });
  };
  return (
    <Stack $gap={0.6}>
      {linkFaults(air, link).map((says) => (
        <p key={says}>{says}</p>
      ))}
      <Select
        label="System"
        value={system ? link.systemId : BY_LEAD}
        options={systems}
        onChange={(systemId) => set({ systemId, frequencyMHz: null, spareMHz: null, isLocked: false })}
      />
      {isTuned && (
        <TextField
          isFormatted
          label="Frequency, MHz"
          value={link.frequencyMHz?.toFixed(3) ?? ""}
          maxLength={12}
          fault={(text) => frequencyFault(air, link, text)}
          onChange={(text) => set({ frequencyMHz: text.trim() === "" ? null : typedMHz(text) })}
        />
      )}
      {isTuned && (
        <Row $between>
          <Soft>
            {spare === null ? "No spare yet." : `Spare ${spare.toFixed(3)} MHz${sparePreset ? `, ${sparePreset}` : ""}`}
          </Soft>
          <Tick label="Locked" isOn={link.isLocked} onChange={(isLocked) => set({ isLocked })} />
        </Row>
      )}
      <TextField
        label="Zone, if far from the rest"
        value={link.zone}
        maxLength={40}
        fault={() => null}
        onChange={(zone) => set({ zone })}
      />
      {link.wearerId === null && (
        <>
          <WhenOn link={link} set={set} />
          <Row>
            <TextField label="Name" value={link.name} maxLength={80} onChange={(name) => set({ name })} />
            <Button look="quiet" onPress={remove}>
              Remove
            </Button>
          </Row>
        </>
      )}
    </Stack>
  );
}
