"use client";

import { QueryClient, QueryClientProvider, useQuery, useQueryClient } from "@tanstack/react-query";
import { type ColumnDef, createColumnHelper } from "@tanstack/react-table";
import { useMemo, useState } from "react";
import { may, ROLES, type Role } from "@/core/crew";
import {
  askAccounts,
  askCrew,
  changeCrew,
  chooseCrew,
  type CrewMember,
  type CrewNow,
  forgetInstallation,
  linkOf,
  type MadeLink,
  Refused,
} from "@/data/server";
import { forgetAll, unsavedHere } from "@/data/device";
import { ROLE_NAMES, ROLE_WORDS, say } from "@/messages";
import { Link } from "@/ui/address";
import { Button } from "@/ui/Button";
import { DataTable } from "@/ui/DataTable";
import { Dialog } from "@/ui/Dialog";
import { Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import { later } from "@/ui/later";
import { Select } from "@/ui/Select";
import { showToast } from "@/ui/toasts";
import { Page } from "../shell/Page";

const YourAccount = later(() => import("./YourAccount").then((module) => module.YourAccount));
const LinkCode = later(() => import("./LinkCode").then((module) => module.LinkCode));
const Phones = later(() => import("./Phones").then((module) => module.Phones));

const ROLE_CHOICES = ROLES.map((role) => ({ value: role, name: `${ROLE_NAMES[role]}: can ${ROLE_WORDS[role]}` }));
const saidBy = (error: unknown): string =>
  error instanceof Refused ? say(error.says) : "The server is away: nothing was changed.";

/** Does something with the crew, and shows it as it is then. */
function useDeeds() {
  const queries = useQueryClient();
  return async <Answer,>(deed: object, done: string): Promise<Answer | null> => {
    try {
      const answer = await changeCrew<Answer>(deed);
      showToast({ says: done });
      return answer;
    } catch (error) {
      showToast({ says: saidBy(error) });
      return null;
    } finally {
      void queries.invalidateQueries({ queryKey: ["crew"] });
    }
  };
}

type Do = ReturnType<typeof useDeeds>;
const column = createColumnHelper<CrewMember>();

function columnsOf(crew: CrewNow, act: Do, onRemove: (member: CrewMember) => void): ColumnDef<CrewMember, never>[] {
  const isOwner = may(crew.role, "manage");
  const columns = [
    column.accessor("name", {
      id: "name",
      header: "Name",
      cell: ({ row: { original } }) => (original.until ? `${original.name} (today)` : original.name),
    }),
    column.accessor("role", {
      id: "role",
      header: "Role",
      cell: ({ row: { original } }) =>
        isOwner && !original.until ? (
          <Select<Role>
            isPlain
            label={`Role of ${original.name}`}
            value={original.role}
            options={ROLES.map((role) => ({ value: role, name: ROLE_NAMES[role] }))}
            onChange={(role) =>
              void act(
                { do: "role", personId: original.personId, role },
                `${original.name} is ${ROLE_NAMES[role].toLowerCase()} from the next sign-in on.`,
              )
            }
          />
        ) : (
          ROLE_NAMES[original.role]
        ),
    }),
    column.accessor("devices", { id: "devices", header: "Signed in", meta: { isFigure: true } }),
    column.display({
      id: "deeds",
      header: "Change",
      cell: ({ row: { original } }) =>
        isOwner && original.personId !== crew.me ? (
          <Row $gap={0.3}>
            <Button
              look="quiet"
              onPress={() =>
                void act(
                  { do: "endSessions", personId: original.personId },
                  `${original.name} is signed out everywhere.`,
                )
              }
            >
              Sign out everywhere
            </Button>
            <Button look="quiet" onPress={() => onRemove(original)}>
              Remove
            </Button>
          </Row>
        ) : null,
    }),
  ];
  return columns;
}

/** Asks before somebody is let go: the way back is another invitation. */
function Removing({ member, act, onClose }: { member: CrewMember; act: Do; onClose: () => void }) {
  const { personId, name } = member;
  const remove = () => {
    onClose();
    void act({ do: "remove", personId }, `${name} has left the crew.`);
  };
  return (
    <Dialog title={`Remove ${name}?`} isOpen onClose={onClose}>
      <Stack>
        <p>Their devices are signed out at once. What they logged stays. Only a new invitation lets them in again.</p>
        <Row $gap={0.6}>
          <Button look="main" onPress={onClose}>
            Keep
          </Button>
          <Button onPress={remove}>Remove {name}</Button>
        </Row>
      </Stack>
    </Dialog>
  );
}

function Inviting({ act }: { act: Do }) {
  const [role, setRole] = useState<Role>("assistant");
  const [link, setLink] = useState<string | null>(null);
  const invite = async () => {
    const made = await act<MadeLink>({ do: "invite", role }, "Invitation made.");
    if (made) setLink(linkOf(made, "/sign-in?join="));
  };
  return (
    <Stack $gap={0.6}>
      <Row $low>
        <Select<Role> label="Invite as" value={role} options={ROLE_CHOICES} onChange={setRole} />
        <Button look="main" onPress={() => void invite()}>
          Make a link
        </Button>
      </Row>
      <Dialog title="Invitation" isOpen={link !== null} onClose={() => setLink(null)}>
        {link && <LinkCode link={link} says="It lets in one person, for seven days." />}
      </Dialog>
    </Stack>
  );
}

function Invitations({ crew, act }: { crew: CrewNow; act: Do }) {
  return (
    <Piece aria-label="Invitations">
      <Stack $gap={0.6}>
        <h2>Let somebody in</h2>
        <Inviting act={act} />
        {crew.invitations.map(({ id, role, kind, expiresAt }) => (
          <Row key={id} $between>
            <span>
              {ROLE_NAMES[role]}
              {kind === "day" ? ", phones for the day" : ""}, open until {expiresAt.slice(0, 10)}
            </span>
            <Button
              look="quiet"
              onPress={() =>
                void act(
                  { do: "revoke", id },
                  kind === "day" ? "The code works no more, and its phones are out." : "The link works no more.",
                )
              }
            >
              Take back
            </Button>
          </Row>
        ))}
      </Stack>
    </Piece>
  );
}

/** Signs out, and forgets what this device keeps: the next who opens it finds nothing. */
async function signOut(): Promise<void> {
  await askAccounts("sign-out");
  forgetInstallation();
  await forgetAll().catch(() => undefined);
  window.location.assign("/sign-in");
}

function SignOut() {
  const [unsaved, setUnsaved] = useState(0);
  const ask = async () => {
    const count = await unsavedHere().catch(() => 0);
    if (count > 0) setUnsaved(count);
    else await signOut();
  };
  return (
    <>
      <Button onPress={() => void ask()}>Sign out</Button>
      <Dialog title="Not all is saved" isOpen={unsaved > 0} onClose={() => setUnsaved(0)}>
        <Stack>
          <p>
            {unsaved === 1 ? "1 change on this device has" : `${unsaved} changes on this device have`} not reached the
            server. Signing out deletes what this device keeps.
          </p>
          <Row $gap={0.6}>
            <Button look="main" onPress={() => setUnsaved(0)}>
              Stay signed in
            </Button>
            <Button onPress={() => void signOut()}>Sign out and lose them</Button>
          </Row>
        </Stack>
      </Dialog>
    </>
  );
}

function Crew() {
  const query = useQuery({ queryKey: ["crew"], queryFn: askCrew });
  const act = useDeeds();
  const crew = query.data;
  const [removing, setRemoving] = useState<CrewMember | null>(null);
  const columns = useMemo(() => (crew ? columnsOf(crew, act, setRemoving) : []), [crew, act]);
  if (query.isError) return <Lead role="alert">{saidBy(query.error)}</Lead>;
  if (!crew) return <Soft role="status">Opening crew…</Soft>;
  return (
    <Stack>
      <Row $between>
        <h1>{crew.name}</h1>
        <Row>
          <Link href="/">Shoots</Link>
          {may(crew.role, "manage") && (
            <a href="/api/crew/export" download={`${crew.name}.json`}>
              Save all as a file
            </a>
          )}
          <SignOut />
        </Row>
      </Row>
      <Soft>
        Your role: {ROLE_NAMES[crew.role].toLowerCase()}. You can {ROLE_WORDS[crew.role]}.
      </Soft>
      <Piece aria-label="Crew">
        <DataTable
          label="Crew"
          rows={crew.members}
          columns={columns}
          rowId={({ personId }) => personId}
          hidden={{ deeds: may(crew.role, "manage") }}
          heading="name"
        />
      </Piece>
      {removing && <Removing member={removing} act={act} onClose={() => setRemoving(null)} />}
      {crew.crews.length > 1 && (
        <div>
          <Select
            label="You work in"
            value={crew.crewId}
            options={crew.crews.map(({ id, name }) => ({ value: id, name }))}
            onChange={(id) => void chooseCrew(id).then(() => window.location.assign("/crew"))}
          />
        </div>
      )}
      {may(crew.role, "manage") && (
        <Phones crew={crew} make={(role) => act<MadeLink>({ do: "passForDay", role }, "Code made.")} />
      )}
      {may(crew.role, "manage") && <Invitations crew={crew} act={act} />}
      <YourAccount />
    </Stack>
  );
}

/** Who works together, in which role. */
export function CrewScreen() {
  const [queries] = useState(() => new QueryClient({ defaultOptions: { queries: { retry: 1 } } }));
  return (
    <QueryClientProvider client={queries}>
      <Page id="work">
        <Crew />
      </Page>
    </QueryClientProvider>
  );
}
