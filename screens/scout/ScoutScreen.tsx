"use client";

import { Link, setInAddress, useAddress } from "@/ui/address";
import { FileText, Plus } from "lucide-react";
import { later } from "@/ui/later";
import { useState } from "react";
import styled from "styled-components";
import { forecastPlace, LIVING_ROOM } from "@/core/room";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Tabs } from "@/ui/Tabs";
import { FoldOnPhone } from "@/ui/FoldOnPhone";
import { Columns, Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { RecordFaults } from "../shell/RecordFaults";
import { useFocus } from "../shell/useFocus";
import { useRemoval } from "../shell/useRemoval";
import { Forecast } from "./Forecast";
import { RoomForm } from "./RoomForm";
import { Treatments } from "./Treatments";

const QuietWindows = later(() => import("./QuietWindows").then((module) => module.QuietWindows));
const EchoView = later(() => import("./EchoView").then((module) => module.EchoView));
const NoiseView = later(() => import("./NoiseView").then((module) => module.NoiseView));
const QuietTimes = later(() => import("./QuietTimes").then((module) => module.QuietTimes));

const Sheet = styled(Link)`
  min-height: var(--hit);
  display: inline-flex;
  align-items: center;
  gap: 0.4rem;
`;

const VIEWS = [
  { value: "room", name: "Room" },
  { value: "echo", name: "Clap" },
  { value: "noise", name: "Noises" },
  { value: "times", name: "Quiet times" },
] as const;
type ViewId = (typeof VIEWS)[number]["value"];

/** What will the place do to the voice? */
export function ScoutScreen() {
  const { bundle } = useShoot();
  const store = useShootStore();
  const remove = useRemoval();
  const { query } = useAddress();
  const { scene } = useFocus();
  const selected = query.get("place") ?? scene?.body.placeId;
  const setSelected = (id: string) => setInAddress({ place: id });
  const [view, setView] = useState<ViewId>("room");
  const [added, setAdded] = useState<string | null>(null);
  const { units } = bundle.shoot.body;
  const place = bundle.places.find((each) => each.id === selected) ?? bundle.places[0] ?? null;

  function addPlace(): void {
    const id = store.create("place", {
      shootId: bundle.shoot.id,
      name: `Place ${bundle.places.length + 1}`,
      model: LIVING_ROOM,
    });
    setSelected(id);
    setAdded(id);
    setView("room");
    const homeless = bundle.scenes.filter((scene) => scene.body.placeId === null);
    for (const scene of homeless) store.change("scene", scene.id, { ...scene.body, placeId: id });
  }

  const forecast = place ? forecastPlace(place.body.model) : null;
  const firstDay = bundle.scenes.find(({ body }) => body.placeId === place?.id)?.body.day ?? 1;

  return (
    <Stack>
      <VisuallyHidden as="h1">Scout: what will the place do to the voice?</VisuallyHidden>
      {!place && (
        <Piece>
          <Stack>
            <Lead>Where will they speak?</Lead>
            <Soft>Add the place: its size, what it is made of and how loud it is. The verdict follows.</Soft>
            <div>
              <Button look="main" onPress={addPlace}>
                <Plus size={18} aria-hidden /> Add place
              </Button>
            </div>
          </Stack>
        </Piece>
      )}
      {place && forecast && (
        <Tabs
          label="Places"
          tabs={bundle.places.map((each) => ({ id: each.id, label: each.body.name }))}
          selected={place.id}
          onSelect={setSelected}
        >
          <Stack key={place.id}>
            <Row $between>
              <Choice isPlain label="Scout views" value={view} options={VIEWS} onChange={setView} />
              <Row>
                <Button onPress={addPlace}>
                  <Plus size={16} aria-hidden /> Add place
                </Button>
                <Sheet href={`/shoots/${bundle.shoot.id}/site?place=${place.id}`}>
                  <FileText size={18} aria-hidden /> Site sheet
                </Sheet>
              </Row>
            </Row>
            {view === "times" ? (
              <>
                <Piece $tight aria-label="Quiet windows">
                  <Stack $gap={0.3}>
                    <h2>Quiet at {place.body.name}</h2>
                    <div data-part="verdict">
                      <QuietWindows model={place.body.model} most={12} />
                    </div>
                  </Stack>
                </Piece>
                <QuietTimes firstDay={firstDay} />
              </>
            ) : (
              <Columns $template="minmax(0, 1.15fr) minmax(0, 1fr)">
                <Stack>
                  <Piece aria-label="Verdict">
                    <Forecast forecast={forecast} units={units} />
                  </Piece>
                  {view === "room" && forecast.plannedS && (
                    <Piece aria-label="Treatments">
                      <Treatments placeId={place.id} model={place.body.model} />
                    </Piece>
                  )}
                </Stack>
                {view === "room" && (
                  <Piece aria-label="Room">
                    <Stack>
                      <FoldOnPhone isPlain title="Room and surfaces" isNeeded={place.id === added}>
                        <RecordFaults of={{ place: place.id }}>
                          <RoomForm place={place} units={units} />
                        </RecordFaults>
                      </FoldOnPhone>
                      <div>
                        <Button look="quiet" onPress={() => remove("place", place.id, place.body.name)}>
                          Delete this place
                        </Button>
                      </div>
                    </Stack>
                  </Piece>
                )}
                {view === "echo" && (
                  <Piece aria-label="Clap">
                    <EchoView placeId={place.id} echo={place.body.model.echo} forecast={forecast} />
                  </Piece>
                )}
                {view === "noise" && (
                  <NoiseView placeId={place.id} model={place.body.model} forecast={forecast} units={units} />
                )}
              </Columns>
            )}
          </Stack>
        </Tabs>
      )}
    </Stack>
  );
}
