"use client";

import { getLocalTimeZone, today } from "@internationalized/date";
import { useQuery } from "@tanstack/react-query";
import { MoreVertical } from "lucide-react";
import { useState } from "react";
import { Button as AriaButton, FileTrigger } from "react-aria-components";
import styled from "styled-components";
import type { Stored } from "@/core/records";
import { useHub, useShoots } from "@/data/ShootProvider";
import { askDemo, askMe } from "@/data/server";
import { goTo } from "@/ui/address";
import { Button } from "@/ui/Button";
import { Disclosure } from "@/ui/Disclosure";
import { Menu } from "@/ui/Menu";
import { showToast } from "@/ui/toasts";
import { Columns, Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import { saveFile } from "../files/saveFile";
import { Page } from "../shell/Page";
import { DeleteShoot } from "./DeleteShoot";
import { FirstSteps } from "./FirstSteps";
import { NewShoot } from "./NewShoot";
import { ShootLine } from "./ShootLine";
import { DOORS, doorHref, QUICK_LOOK, quickLook } from "./quickLook";
import { importShoot } from "./shootFiles";

const Wordmark = styled.h1`
  font-size: 2.2rem;
  letter-spacing: -0.01em;
`;

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  li {
    border-top: 1px dashed var(--seam);
    padding: 0.3rem 0;
  }
`;

function dayOf(iso: string): string {
  return iso.slice(0, 10);
}

/** Shoots that were deleted, as long as they are kept. */
function Bin({ bin }: { bin: readonly { id: string; title: string; deletedAt: string }[] }) {
  const hub = useHub();
  if (bin.length === 0) return null;
  return (
    <Disclosure title={`In the bin: ${bin.length}`}>
      <List>
        {bin.map(({ id, title, deletedAt }) => (
          <li key={id}>
            <Row $between>
              <div>
                <strong>{title}</strong>
                <Soft>deleted {dayOf(deletedAt)}</Soft>
              </div>
              <Button aria-label={`Bring ${title} back`} onPress={() => hub.restore("shoot", id, title)}>
                Bring back
              </Button>
            </Row>
          </li>
        ))}
      </List>
    </Disclosure>
  );
}

/** What is kept on this device and cannot be used any more. */
function Leftovers() {
  const hub = useHub();
  const query = useQuery({ queryKey: ["leftovers"], queryFn: hub.keeper.leftovers, persister: undefined });
  const leftovers = query.data ?? [];
  if (leftovers.length === 0) return null;
  return (
    <Piece>
      <Stack $gap={0.5}>
        <h2>Kept aside</h2>
        <p>Some earlier changes could not be used. Save them as a file, then discard them.</p>
        <Row>
          <Button
            onPress={() => saveFile("hypophon-kept-aside.json", "application/json", JSON.stringify(leftovers, null, 1))}
          >
            Save them as a file
          </Button>
          <Button look="quiet" onPress={() => void hub.keeper.forgetLeftovers().then(() => query.refetch())}>
            Discard them
          </Button>
        </Row>
      </Stack>
    </Piece>
  );
}

const Doors = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.6rem;
  grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr));
`;

/** A question as a swing ticket on a thread. */
const Door = styled(AriaButton)`
  width: 100%;
  height: 100%;
  padding: 0.7rem 0.9rem 0.8rem;
  display: grid;
  gap: 0.15rem;
  align-content: start;
  text-align: left;
  font: inherit;
  color: var(--ink);
  background: var(--paper);
  border: 1px solid var(--seam);
  border-top: 3px dashed var(--chalk);
  cursor: pointer;
  strong {
    font-family: "Fraunces Variable", serif;
    font-size: 1.1rem;
    font-weight: 600;
  }
  span {
    font-size: 0.9rem;
    color: var(--ink-soft);
  }
  &[data-hovered] {
    background: var(--paper-deep);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--chalk);
    outline-offset: 2px;
  }
`;

/** One answer without a shoot. */
function QuickLook({ shoots, today }: { shoots: readonly Stored<"shoot">[]; today: string }) {
  const hub = useHub();
  const known = new Set(shoots.filter(({ body }) => body.title === QUICK_LOOK).map(({ id }) => id));
  return (
    <Stack $gap={0.6} role="region" aria-label="Quick look">
      <h2>One question, no shoot</h2>
      <Doors>
        {DOORS.map(({ page, question, about, view }) => (
          <li key={page}>
            <Door
              onPress={() => {
                const { shootId, wearerId } = quickLook(hub, known, today);
                goTo(doorHref(shootId, wearerId, page, view));
              }}
            >
              <strong>{question}</strong>
              <span>{about}</span>
            </Door>
          </li>
        ))}
      </Doors>
    </Stack>
  );
}

function ImportShoot() {
  const hub = useHub();
  async function take(files: FileList | null): Promise<void> {
    const file = files?.[0];
    if (!file) return;
    const made = importShoot(hub, await file.text());
    if ("says" in made) showToast({ says: made.says });
    else goTo(`/shoots/${made.shootId}`);
  }
  return (
    <FileTrigger acceptedFileTypes={["application/json", ".json"]} onSelect={(files) => void take(files)}>
      <Button>Import a shoot</Button>
    </FileTrigger>
  );
}

/** Of so many, the latest, it is told how far they are. */
const MOST_WITH_PROGRESS = 5;

/** The latest first: what is on today, then what comes, then what is over. */
function inOrder(shoots: readonly Stored<"shoot">[]): Stored<"shoot">[] {
  return [...shoots].sort((one, other) => other.changedAt.localeCompare(one.changedAt));
}

/** Where people sign in: who is in the crew. A page of its own, which needs the server. */
function CrewLink() {
  const me = useQuery({ queryKey: ["me"], queryFn: askMe });
  return me.data?.hasAccounts ? <a href="/crew">Crew</a> : null;
}

/** The crew's shoots, the demo, a new one, and answers without any. */
export function ShootsScreen() {
  const { shoots, bin, isAway, isLoading, unsaved } = useShoots();
  const hub = useHub();
  const [isOpening, setIsOpening] = useState(false);
  const [deleting, setDeleting] = useState<Stored<"shoot"> | null>(null);
  const now = today(getLocalTimeZone()).toString();

  async function openDemo(path = ""): Promise<void> {
    setIsOpening(true);
    try {
      goTo(`/shoots/${(await askDemo()).id}${path}`);
    } catch {
      setIsOpening(false);
      showToast({ says: "The server is unreachable: the demo could not be opened." });
    }
  }

  return (
    <Page id="work">
      <Stack>
        <div>
          <Row $between>
            <Wordmark>Hypophon</Wordmark>
            <CrewLink />
          </Row>
          <Lead>Say who wears what, where, and with which gear. Get the place, the settings, and the proof.</Lead>
        </div>
        {(isAway || unsaved > 0) && (
          <Soft role="status">
            {isAway ? "The server is unreachable. Shoots that were open on this device open without it." : ""}{" "}
            {unsaved > 0 &&
              `${unsaved === 1 ? "1 change is" : `${unsaved} changes are`} kept on this device until saved.`}
          </Soft>
        )}
        <Leftovers />
        <QuickLook shoots={shoots} today={now} />
        <Columns $template="minmax(0, 1fr) minmax(0, 1fr)">
          <Piece aria-labelledby="shoots">
            <Stack $gap={0.6}>
              <h2 id="shoots">Shoots</h2>
              {shoots.length === 0 && isLoading && <Soft>Opening…</Soft>}
              {shoots.length === 0 && !isLoading && <Soft>None yet. Start one, or look round the demo first.</Soft>}
              <List>
                {inOrder(shoots).map((shoot, at) => (
                  <li key={shoot.id}>
                    <Row $between>
                      <ShootLine shoot={shoot} today={now} hasProgress={at < MOST_WITH_PROGRESS} />
                      <Menu
                        label={`More for ${shoot.body.title}`}
                        look="quiet"
                        icon={<MoreVertical size={18} aria-hidden />}
                        choices={[{ id: "delete", name: "Delete this shoot", onChoose: () => setDeleting(shoot) }]}
                      />
                    </Row>
                  </li>
                ))}
              </List>
              <Bin bin={bin} />
              <Row>
                <Button onPress={() => void openDemo()} isPending={isOpening}>
                  Open the demo shoot
                </Button>
                <ImportShoot />
              </Row>
            </Stack>
          </Piece>
          <Stack>
            <Piece>
              <NewShoot today={now} shoots={shoots} />
            </Piece>
            <FirstSteps isOpening={isOpening} onOpen={(path) => void openDemo(path)} />
          </Stack>
        </Columns>
      </Stack>
      {deleting && (
        <DeleteShoot
          title={deleting.body.title}
          onClose={() => setDeleting(null)}
          onDelete={() => hub.remove("shoot", deleting)}
        />
      )}
    </Page>
  );
}
