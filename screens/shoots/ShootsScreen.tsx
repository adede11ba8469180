"use client";

import { getLocalTimeZone, today } from "@internationalized/date";
import { useQuery } from "@tanstack/react-query";
import { MoreVertical } from "lucide-react";
import { useState } from "react";
import styled from "styled-components";
import type { Stored } from "@/core/records";
import { useHub, useShoots } from "@/data/ShootProvider";
import { askDemo } from "@/data/server";
import { Link, goTo } from "@/ui/address";
import { Button } from "@/ui/Button";
import { Dialog } from "@/ui/Dialog";
import { Disclosure } from "@/ui/Disclosure";
import { Menu } from "@/ui/Menu";
import { showToast } from "@/ui/toasts";
import { Columns, Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import { saveFile } from "../files/saveFile";
import { Page } from "../shell/Page";
import { NewShoot } from "./NewShoot";

const Wordmark = styled.h1`
  font-size: 2.2rem;
  letter-spacing: -0.01em;
`;

const ShootLink = styled(Link)`
  font-family: "Fraunces Variable", serif;
  font-size: 1.15rem;
  font-weight: 600;
  min-height: 44px;
  display: inline-flex;
  align-items: center;
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

function daysOf({ body }: Stored<"shoot">): string {
  return `${body.firstDay}, ${body.days} ${body.days === 1 ? "day" : "days"}, ${body.frameRate} fps`;
}

function dayOf(iso: string): string {
  return iso.slice(0, 10);
}

/** Asks before a shoot goes into the bin. */
function DeleteDialog({ shoot, onClose }: { shoot: Stored<"shoot">; onClose: () => void }) {
  const hub = useHub();
  return (
    <Dialog title={`Delete ${shoot.body.title}?`} isOpen isUrgent onClose={onClose}>
      <p>Everything in it goes into the bin, and stays there for 30 days.</p>
      <Row>
        <Button
          look="main"
          onPress={() => {
            hub.remove("shoot", shoot);
            onClose();
          }}
        >
          Delete this shoot
        </Button>
        <Button onPress={onClose}>Keep it</Button>
      </Row>
    </Dialog>
  );
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
        <p>Some changes of an earlier visit could not be used. They are not lost: save them, then forget them here.</p>
        <Row>
          <Button
            onPress={() => saveFile("hypophon-kept-aside.json", "application/json", JSON.stringify(leftovers, null, 1))}
          >
            Save them as a file
          </Button>
          <Button look="quiet" onPress={() => void hub.keeper.forgetLeftovers().then(() => query.refetch())}>
            Forget them
          </Button>
        </Row>
      </Stack>
    </Piece>
  );
}

/** The crew's shoots, the demo, and a new one. */
export function ShootsScreen() {
  const { shoots, bin, isAway, isLoading, unsaved } = useShoots();
  const [isOpening, setIsOpening] = useState(false);
  const [deleting, setDeleting] = useState<Stored<"shoot"> | null>(null);

  async function openDemo(): Promise<void> {
    setIsOpening(true);
    try {
      goTo(`/shoots/${(await askDemo()).id}`);
    } catch {
      setIsOpening(false);
      showToast({ says: "The server is unreachable: the demo could not be opened." });
    }
  }

  return (
    <Page id="work">
      <Stack>
        <div>
          <Wordmark>Hypophon</Wordmark>
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
        <Columns $template="minmax(0, 1fr) minmax(0, 2fr)">
          <Piece aria-labelledby="shoots">
            <Stack>
              <h2 id="shoots">Your shoots</h2>
              {shoots.length === 0 && isLoading && <Soft>Opening…</Soft>}
              {shoots.length === 0 && !isLoading && <Soft>None yet. Start one, or look round the demo first.</Soft>}
              <List>
                {shoots.map((shoot) => (
                  <li key={shoot.id}>
                    <Row $between>
                      <div>
                        <ShootLink href={`/shoots/${shoot.id}`}>{shoot.body.title}</ShootLink>
                        <Soft>{daysOf(shoot)}</Soft>
                      </div>
                      <Menu
                        label={`More for ${shoot.body.title}`}
                        icon={<MoreVertical size={18} aria-hidden />}
                        choices={[{ id: "delete", name: "Delete this shoot", onChoose: () => setDeleting(shoot) }]}
                      />
                    </Row>
                  </li>
                ))}
              </List>
              <Bin bin={bin} />
              <div>
                <Button onPress={() => void openDemo()} isPending={isOpening}>
                  Open the demo shoot
                </Button>
              </div>
            </Stack>
          </Piece>
          <Piece>
            <NewShoot today={today(getLocalTimeZone()).toString()} />
          </Piece>
        </Columns>
      </Stack>
      {deleting && <DeleteDialog shoot={deleting} onClose={() => setDeleting(null)} />}
    </Page>
  );
}
