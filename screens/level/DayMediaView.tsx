"use client";

import { Plus, X } from "lucide-react";
import { useState } from "react";
import { gigabytesPerH, minutesOnCard } from "@/core/media";
import { type Battery, CHEMISTRIES } from "@/core/power";
import { CHEMISTRY_NAMES, clockWords, say } from "@/messages";
import { type DayMedia, dayMediaOf, provisionBodyOf } from "@/core/planning";
import type { ProvisionBody } from "@/core/records";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Disclosure } from "@/ui/Disclosure";
import { NumberField, UNITS } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { Tick } from "@/ui/Ticks";
import { Columns, Figure, Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import { useShoot } from "@/data/ShootProvider";
import { FileWords, TapeCorner } from "./FilesAndTape";
import { useProvision } from "./useProvision";

const GIGABYTE = { unit: "GB", factor: 1, digits: 1, step: 1 };
const DEGREES = { unit: "°C", factor: 1, digits: 0, step: 1 };
const VOLTS = { unit: "V", factor: 1, digits: 1, step: 0.1 };
const MAH = { unit: "mAh", factor: 1, digits: 0, step: 100 };
const PERCENT = { unit: "%", factor: 100, digits: 0, step: 10 };
const COUNT = { unit: "", factor: 1, digits: 0, step: 1 };
const WATT_HOURS = { unit: "Wh", factor: 1, digits: 0, step: 5 };
const DBA = { unit: "dBA", factor: 1, digits: 0, step: 1 };

/** A new card, GB; a bank, Wh; tracks of a small recorder: usual sizes. */
const USUAL_TRACKS = 4;
const NEW_CARD_GB = 32;
const NEW_BANK_WH = 37;

type Set = (change: Partial<ProvisionBody>) => void;

function Cards({ media, provision, set }: { media: DayMedia; provision: ProvisionBody; set: Set }) {
  const { format } = media.advice;
  const { cardsGb } = provision;
  return (
    <Stack $gap={0.6}>
      <h2>Cards</h2>
      <Lead role="status">{say(media.cards.says)}</Lead>
      {media.cards.changes.length > 0 && (
        <ul>
          {media.cards.changes.map(({ atMin, title, card }) => (
            <li key={card}>
              {clockWords(atMin)}: card {card}, between takes of {title}
            </li>
          ))}
        </ul>
      )}
      <Row $gap={0.6} $low>
        {cardsGb.map((gigabytes, index) => (
          <Row key={index} $gap={0.2} $low>
            <NumberField
              label={`Card ${index + 1}`}
              value={gigabytes}
              minimum={0.1}
              maximum={8000}
              shown={GIGABYTE}
              onChange={(value) => set({ cardsGb: cardsGb.with(index, value) })}
            />
            <Button
              look="quiet"
              aria-label={`Take card ${index + 1} away`}
              onPress={() => set({ cardsGb: cardsGb.filter((_, where) => where !== index) })}
            >
              <X size={18} aria-hidden />
            </Button>
          </Row>
        ))}
        <Button isDisabled={cardsGb.length >= 24} onPress={() => set({ cardsGb: [...cardsGb, NEW_CARD_GB] })}>
          <Plus size={18} aria-hidden /> A card
        </Button>
      </Row>
      <Soft>
        {say({
          code: "day.recorder",
          tracks: media.mostTracks,
          megabytesPerH: 1000 * gigabytesPerH({ ...format, channels: 1 }),
          hoursOn32: minutesOnCard(32, { ...format, channels: Math.max(1, media.mostTracks) }) / 60,
        })}
      </Soft>
      {media.tooMany && <p role="alert">{say(media.tooMany)}</p>}
      <Row $gap={0.6} $low>
        <Tick
          label="Set the recorder's tracks"
          isOn={provision.recorderTracks !== null}
          onChange={(isOn) => set({ recorderTracks: isOn ? USUAL_TRACKS : null })}
        />
        {provision.recorderTracks !== null && (
          <NumberField
            label="Tracks of the recorder"
            value={provision.recorderTracks}
            minimum={1}
            maximum={128}
            shown={COUNT}
            isWhole
            onChange={(recorderTracks) => set({ recorderTracks })}
          />
        )}
      </Row>
      <Tick
        label="A safety track for each, 6 to 12 dB lower"
        isOn={provision.hasSafetyTracks}
        onChange={(hasSafetyTracks) => set({ hasSafetyTracks })}
      />
    </Stack>
  );
}

function BatteryFields({
  label,
  battery,
  onChange,
}: {
  label: string;
  battery: Battery;
  onChange: (battery: Battery) => void;
}) {
  const change = (own: Partial<Battery>) => onChange({ ...battery, ...own });
  return (
    <div role="group" aria-label={label}>
      <Soft>{label}</Soft>
      <Row $gap={0.6} $low>
        <Select
          label="Cells"
          value={battery.chemistry}
          options={CHEMISTRIES.map((value) => ({ value, name: CHEMISTRY_NAMES[value] }))}
          onChange={(value) => change({ chemistry: value })}
        />
        <NumberField
          label="Number"
          value={battery.cells}
          minimum={1}
          maximum={16}
          shown={COUNT}
          isWhole
          onChange={(cells) => change({ cells })}
        />
        <NumberField
          label="Volts a cell"
          value={battery.volts}
          minimum={0.8}
          maximum={20}
          shown={VOLTS}
          onChange={(volts) => change({ volts })}
        />
        <NumberField
          label="Capacity"
          value={battery.milliampereHours}
          minimum={10}
          maximum={100_000}
          shown={MAH}
          onChange={(milliampereHours) => change({ milliampereHours })}
        />
        <NumberField
          label="Battery health"
          value={battery.ageShare}
          minimum={0.2}
          maximum={1}
          shown={PERCENT}
          onChange={(ageShare) => change({ ageShare })}
        />
      </Row>
    </div>
  );
}

function Power({ media, provision, set }: { media: DayMedia; provision: ProvisionBody; set: Set }) {
  const { bankWh } = provision;
  const changing = media.power.filter(({ swaps, tooLong }) => swaps.length > 0 || tooLong !== null);
  return (
    <Stack $gap={0.6}>
      <h2>Batteries</h2>
      <Lead role="status">
        {say(
          media.cells.length === 0
            ? { code: "day.noCells" }
            : {
                code: "day.cells",
                cells: media.cells.map(({ chemistry, ...cell }) => ({
                  ...cell,
                  chemistry: CHEMISTRY_NAMES[chemistry],
                })),
              },
        )}
      </Lead>
      {changing.length > 0 && (
        <ul>
          {changing.map((plan) => (
            <li key={plan.name}>{say(plan.says)}</li>
          ))}
        </ul>
      )}
      {media.power.length > changing.length && (
        <p>
          {say({
            code: "power.lasts",
            count: media.power.length - changing.length,
            isRest: changing.length > 0,
          })}
        </p>
      )}
      <Row $gap={0.6} $low>
        <NumberField
          label="Coldest hour"
          value={provision.temperatureC}
          minimum={-30}
          maximum={50}
          shown={DEGREES}
          onChange={(temperatureC) => set({ temperatureC })}
        />
        <Tick
          label="Mains at the recorder, indoors"
          isOn={provision.hasMains}
          onChange={(hasMains) => set({ hasMains })}
        />
        <Tick
          label="A power bank"
          isOn={bankWh !== null}
          onChange={(isOn) => set({ bankWh: isOn ? NEW_BANK_WH : null })}
        />
        {bankWh !== null && (
          <NumberField
            label="Power bank"
            value={bankWh}
            minimum={1}
            maximum={1000}
            shown={WATT_HOURS}
            onChange={(value) => set({ bankWh: value })}
          />
        )}
      </Row>
      <Disclosure title="What is in the packs, receivers and the recorder">
        <Stack $gap={0.8}>
          <BatteryFields
            label="Packs and receivers"
            battery={provision.packBattery}
            onChange={(packBattery) => set({ packBattery })}
          />
          <BatteryFields
            label="Recorder"
            battery={provision.recorderBattery}
            onChange={(recorderBattery) => set({ recorderBattery })}
          />
        </Stack>
      </Disclosure>
      {provision.hasMains && <Soft>{say({ code: "power.mains" })}</Soft>}
      <Soft>{say({ code: "power.caution" })}</Soft>
    </Stack>
  );
}

/** Which format, how many cards, which batteries, how long on headphones: for a day. */
export function DayMediaView() {
  const { bundle } = useShoot();
  const set = useProvision();
  const { days } = bundle.shoot.body;
  const [day, setDay] = useState("1");
  const provision = provisionBodyOf(bundle);
  const media = dayMediaOf(bundle, Number(day));
  const { advice, exposure } = media;
  return (
    <Stack>
      {days > 1 && days <= 7 && (
        <Choice
          label="Day"
          value={day}
          options={Array.from({ length: days }, (_, index) => ({ value: String(index + 1), name: `Day ${index + 1}` }))}
          onChange={setDay}
        />
      )}
      {days > 7 && (
        <Select
          label="Day"
          value={day}
          options={Array.from({ length: days }, (_, index) => ({ value: String(index + 1), name: `Day ${index + 1}` }))}
          onChange={setDay}
        />
      )}
      <Columns $template="minmax(0, 1fr) minmax(0, 1fr)">
        <Stack>
          <Piece aria-label="Cards">
            <Cards media={media} provision={provision} set={set} />
          </Piece>
          <Piece aria-label="Format">
            <Stack $gap={0.5}>
              <h2>Format</h2>
              <Figure>
                {advice.format.sampleRateHz / 1000} kHz,{" "}
                {advice.format.bits === 32 ? "32 bit float" : `${advice.format.bits} bit`}
                <small>{advice.container}</small>
              </Figure>
              {advice.says.map((message) => (
                <p key={message.code}>{say(message)}</p>
              ))}
              <Soft>{say(media.channels)}</Soft>
              <Disclosure title="Files: where they split, names, compressed ones">
                <FileWords media={media} onLimit={(fileLimit) => set({ fileLimit })} />
              </Disclosure>
              <Tick
                label="The recorder writes 32-bit float"
                isOn={provision.hasFloat}
                onChange={(hasFloat) => set({ hasFloat })}
              />
            </Stack>
          </Piece>
        </Stack>
        <Stack>
          <Piece aria-label="Batteries">
            <Power media={media} provision={provision} set={set} />
          </Piece>
          <Piece aria-label="Headphones">
            <Stack $gap={0.5}>
              <h2>Your ears</h2>
              <Lead role="status">{say(exposure.says)}</Lead>
              <Row $gap={0.6}>
                <NumberField
                  label="On headphones"
                  value={provision.listenDba}
                  minimum={60}
                  maximum={120}
                  shown={DBA}
                  onChange={(listenDba) => set({ listenDba })}
                />
                <NumberField
                  label="For"
                  value={provision.listenHours}
                  minimum={0}
                  maximum={16}
                  shown={UNITS.hours}
                  onChange={(listenHours) => set({ listenHours })}
                />
              </Row>
              <Soft>{say({ code: "ears.limits" })}</Soft>
            </Stack>
          </Piece>
          <Piece aria-label="Tape">
            <Disclosure title="Tape">
              <TapeCorner />
            </Disclosure>
          </Piece>
        </Stack>
      </Columns>
    </Stack>
  );
}
