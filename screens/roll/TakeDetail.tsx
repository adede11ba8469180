"use client";

import { MoreHorizontal } from "lucide-react";
import { useState } from "react";
import { loggedTwice, reportRows, wallSeconds } from "@/core/planning";
import type { RollBody, ShootBundle, Stored } from "@/core/records";
import { checkCounter, RATINGS, type Rating, secondsShown, TAKE_TYPES, type TakeType } from "@/core/roll";
import { RATING_NAMES, say, TYPE_NAMES } from "@/messages";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Disclosure } from "@/ui/Disclosure";
import { Menu } from "@/ui/Menu";
import { COUNTED, NumberField } from "@/ui/NumberField";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Columns, Row, Soft, Stack } from "@/ui/layout";
import { MarkList } from "./MarkPad";
import { MeasuredMoments } from "./MeasuredMoments";
import { elapsedS } from "./rollClock";
import { dayTime, runTime, takeName } from "./rollWords";
import type { RollActions } from "./rollActions";

const anything = () => null;

/** Good, hold or no good in one press. */
export function RatingChoice({ roll, actions }: { roll: Stored<"roll">; actions: RollActions }) {
  return (
    <Choice<Rating>
      isPlain
      label={`Rating of ${takeName(roll.body)}`}
      value={roll.body.rating}
      options={RATINGS.filter((each) => each !== "none" || roll.body.rating === "none").map((each) => ({
        value: each,
        name: RATING_NAMES[each],
      }))}
      onChange={(rating) => actions.edit(roll.id, { rating })}
    />
  );
}

/** Asks what the recorder shows: whether it is really recording, and how its clock lies. */
export function CounterCheck({ roll, actions }: { roll: Stored<"roll">; actions: RollActions }) {
  const [typed, setTyped] = useState("");
  const { body } = roll;
  const said = (counter: NonNullable<RollBody["counter"]>) =>
    checkCounter(counter.showsS, counter.atS, wallSeconds(body.startedAt, body.zoneMin) + counter.atS).says;
  const take = () => {
    const showsS = secondsShown(typed);
    if (showsS === null) return;
    actions.edit(roll.id, { counter: { showsS, atS: Math.round(elapsedS(roll.id, body.startedAt)) } });
    setTyped("");
  };
  if (body.counter) return <Soft role="status">{say(said(body.counter))}</Soft>;
  if (body.lengthS !== null) return null;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
    >
      <Row $low $gap={0.4}>
        <TextField
          label="Is it recording? The recorder shows"
          value={typed}
          maxLength={10}
          hint="h:mm:ss"
          fault={anything}
          onChange={setTyped}
        />
        <Button type="submit" isDisabled={secondsShown(typed) === null}>
          Check
        </Button>
      </Row>
    </form>
  );
}

/** Files of the card that belong to a take, and what was measured of them. */
function Files({ roll }: { roll: Stored<"roll"> }) {
  const { files } = roll.body;
  if (files.length === 0) return null;
  return (
    <Soft>
      {files.length > 1 && `${say({ code: "match.split", files: files.length })}: `}
      {files.map(({ name }) => name).join(", ")}
    </Soft>
  );
}

/** One take of the log: what it is, how it was, its marks, and what can be done with it. */
export function TakeDetail({
  roll,
  marks,
  bundle,
  actions,
  onChoose,
}: {
  roll: Stored<"roll">;
  marks: readonly Stored<"mark">[];
  bundle: ShootBundle;
  actions: RollActions;
  onChoose: (id: string | null) => void;
}) {
  const { id, body } = roll;
  const name = takeName(body);
  const sameDay = bundle.rolls.filter((each) => each.body.day === body.day);
  const twin = loggedTwice(sameDay).get(id);
  const twinRoll = bundle.rolls.find((each) => each.id === twin);
  const next = sameDay
    .filter((each) => each.body.startedAt > body.startedAt && each.id !== id)
    .toSorted((one, other) => (one.body.startedAt < other.body.startedAt ? -1 : 1))[0];
  const startS = wallSeconds(body.startedAt, body.zoneMin);
  const disagreements = reportRows(bundle).find((row) => row.roll.id === id)?.disagreements ?? [];
  return (
    <Stack $gap={0.7} key={id}>
      <Row $between>
        <h2>{name}</h2>
        <Menu
          label={`More with ${name}`}
          icon={<MoreHorizontal size={20} aria-hidden />}
          look="quiet"
          choices={[
            ...marks
              .filter((mark) => mark.body.atS > 0 && body.lengthS !== null && mark.body.atS < body.lengthS)
              .slice(0, 12)
              .map((mark) => ({
                id: `split ${mark.id}`,
                name: `Split at ${runTime(mark.body.atS)}`,
                onChoose: () => actions.split(id, mark.body.atS),
              })),
            ...(body.lengthS !== null && body.lengthS > 2
              ? [{ id: "half", name: "Split in the middle", onChoose: () => actions.split(id, body.lengthS! / 2) }]
              : []),
            ...(next
              ? [{ id: "join", name: `Join with ${takeName(next.body)}`, onChoose: () => actions.join(id, next.id) }]
              : []),
            {
              id: "insert",
              name: "Insert a forgotten take before it",
              onChoose: () => onChoose(actions.insertBefore(id)),
            },
            {
              id: "delete",
              name: "Delete take",
              onChoose: () => {
                actions.remove(id, name);
                onChoose(null);
              },
            },
          ]}
        />
      </Row>
      {twinRoll && (
        <Row role="alert">
          <Soft>{say({ code: "roll.loggedTwice", name: takeName(twinRoll.body) })}</Soft>
          <Button onPress={() => actions.join(twinRoll.id, id)}>Join the two</Button>
        </Row>
      )}
      <Soft>
        {dayTime(startS)}
        {body.lengthS ? ` · ${runTime(body.lengthS)}` : ""}
        {body.fileName && ` · ${body.fileName}`}
      </Soft>
      <RatingChoice roll={roll} actions={actions} />
      {disagreements.map((each) => (
        <p key={each.code} role="alert">
          {say(each)}
        </p>
      ))}
      <CounterCheck roll={roll} actions={actions} />
      {body.lengthS === 0 && (
        <NumberField
          label="Length"
          value={0}
          minimum={0}
          maximum={172_800}
          shown={{ unit: "s", factor: 1, digits: 0, step: 1 }}
          onChange={(lengthS) => actions.edit(id, { lengthS })}
        />
      )}
      <TextField
        label="Note"
        value={body.note}
        maxLength={2000}
        fault={anything}
        onChange={(note) => actions.edit(id, { note })}
      />
      <Files roll={roll} />
      {body.lengthS !== null && <MarkList marks={marks} actions={actions} />}
      {body.files.length > 0 && <MeasuredMoments roll={roll} marks={marks} bundle={bundle} />}
      <Disclosure title="Slate, number, type and scene">
        <Columns $template="1fr 1fr">
          <TextField
            label="Slate"
            value={body.slate}
            maxLength={40}
            fault={anything}
            onChange={(slate) => actions.edit(id, { slate })}
          />
          <NumberField
            label="Take"
            value={body.take}
            minimum={1}
            maximum={9999}
            shown={COUNTED}
            isWhole
            onChange={(take) => actions.renumber(id, take)}
          />
          <Select<TakeType>
            label="Type"
            value={body.type}
            options={TAKE_TYPES.map((each) => ({ value: each, name: TYPE_NAMES[each] }))}
            onChange={(type) => actions.edit(id, { type })}
          />
          <Select
            label="Scene"
            value={body.sceneId ?? ""}
            options={[
              { value: "", name: "No scene" },
              ...bundle.scenes.map((scene) => ({ value: scene.id, name: scene.body.title })),
            ]}
            onChange={(sceneId) => actions.edit(id, { sceneId: sceneId || null })}
          />
          <TextField
            label="File name"
            value={body.fileName}
            maxLength={200}
            fault={anything}
            onChange={(fileName) => actions.edit(id, { fileName })}
          />
        </Columns>
      </Disclosure>
    </Stack>
  );
}
