"use client";

import { say } from "@/messages";
import { Plus } from "lucide-react";
import { nearMisses, ownLike, partsOf, pathMessage, PATH_VERDICTS } from "@/core/connect";
import { type Input, SocketFigures, type Source, SourceFigures } from "@/core/devices";
import { choicesOf, type Connection, EARS, HOUSE, NO_INPUT } from "@/core/planning";
import { briefWay, chainOfWay } from "@/screens/link/linkChain";
import type { ConnectionBody, KitItemBody } from "@/core/records";
import { Button } from "@/ui/Button";
import { Disclosure } from "@/ui/Disclosure";
import { Select } from "@/ui/Select";
import { TextField } from "@/ui/TextField";
import { Columns, Lead, Piece, Row, Soft, Stack } from "@/ui/layout";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { useRemoval } from "../shell/useRemoval";
import { LinkSources } from "./LinkSources";
import { NobodyYet } from "./NobodyYet";
import { OwnFigures } from "./OwnFigures";
import { PathDiagram } from "./PathDiagram";
import { useConnections } from "./useConnections";
import { useLinks, type Links } from "./useLinks";

function verdictOf({ input, inputId, ways }: Connection): string {
  if (!input) return inputId === EARS ? say({ code: "cables.heardOnly" }) : say({ code: "connect.noInput" });
  const lost = ways.find(({ path }) => path === null);
  if (lost) return say(pathMessage(null, lost.source, input));
  const worst = [...ways].sort(
    (one, other) => PATH_VERDICTS.indexOf(other.path!.verdict) - PATH_VERDICTS.indexOf(one.path!.verdict),
  )[0]!.path!;
  const lacks = partsOf(ways).filter(({ isOwned }) => !isOwned);
  return [
    say({ code: `cables.${worst.verdict}` }),
    ...worst.because.map(say),
    ...(lacks.length > 0 ? [say({ code: "cables.missing", names: lacks.map(({ name }) => name) })] : []),
  ].join(" ");
}

/** An own device: its name and figures. */
function OwnDevice({ itemId }: { itemId: string }) {
  const { bundle } = useShoot();
  const store = useShootStore();
  const remove = useRemoval();
  const item = bundle.kit.find(({ id }) => id === itemId);
  if (!item) return null;
  const { body } = item;
  return (
    <Stack $gap={0.6}>
      <TextField
        label="Device"
        value={body.name}
        onChange={(name) => store.edit("kitItem", itemId, (now) => ({ ...now, name }))}
      />
      <OwnFigures
        schema={body.kind === "source" ? SourceFigures : SocketFigures}
        figures={body.figures}
        onChange={(figures) =>
          store.edit("kitItem", itemId, (now) => ({ ...now, figures: figures as KitItemBody["figures"] }))
        }
      />
      <div>
        <Button look="quiet" onPress={() => remove("kitItem", itemId, body.name)}>
          Remove from the kit
        </Button>
      </div>
    </Stack>
  );
}

/** As many wrong cables are named as one looks at. */
const MOST_MISSES = 4;

function ChosenLink({ connection, links }: { connection: Connection; links: Links }) {
  const { bundle } = useShoot();
  const store = useShootStore();
  const { setConnection, setInput } = useConnections();
  const { sources, inputs } = choicesOf(bundle);
  const { link, sourceId, inputId, ways, input } = connection;
  const set = (change: Partial<ConnectionBody>) => setConnection(connection, (body) => ({ ...body, ...change }));
  const isOwn = (id: string) => bundle.kit.some((item) => item.id === id);
  const make = (kind: "source" | "socket", like: Source | Input) => {
    const id = store.create("kitItem", ownLike(kind, like));
    set(kind === "source" ? { sourceId: id } : { inputId: id });
  };
  const source = ways[0]?.source;
  // What is in the kit and fits the sockets is named first.
  const misses = source && input ? nearMisses(source, input, connection.setup?.shelf ?? []).slice(0, MOST_MISSES) : [];
  return (
    <Stack>
      <Lead role="status" data-part="verdict">
        {verdictOf(connection)}
      </Lead>
      {ways.map((way, at) => (
        <Stack key={way.source.id} $gap={0.4} {...(at === 0 && { "data-part": "picture" })}>
          {ways.length > 1 && <Soft>If it is the {way.source.name}</Soft>}
          <PathDiagram
            label={ways.length > 1 ? `From the ${way.source.name}` : `Way of ${link.name}`}
            chain={chainOfWay(connection, way, links.air.systems, bundle.shoot.body)}
          />
        </Stack>
      ))}
      <Columns $template="1fr 1fr">
        <Select
          label="From"
          value={sourceId}
          options={[
            ...sources.map(({ id, name }) => ({ value: id, name })),
            { value: HOUSE, name: "house desk, outlet not known yet" },
          ]}
          onChange={(id) => set({ sourceId: id })}
        />
        <Select
          label="Into"
          value={inputId}
          options={[
            ...inputs.map(({ id, name }) => ({ value: id, name })),
            { value: EARS, name: "headphones only" },
            { value: NO_INPUT, name: "camera without a sound input" },
          ]}
          onChange={(id) => setInput(connection, id)}
        />
      </Columns>
      {misses.length > 0 && (
        <Disclosure title="Why not another cable">
          <ul>
            {misses.map(({ part, says }) => (
              <li key={part.id}>{say(says)}</li>
            ))}
          </ul>
        </Disclosure>
      )}
      {source && isOwn(sourceId) ? (
        <Disclosure title={`Specifications of ${source.name}`}>
          <OwnDevice key={sourceId} itemId={sourceId} />
        </Disclosure>
      ) : null}
      {input && isOwn(inputId) ? (
        <Disclosure title={`Specifications of ${input.name}`}>
          <OwnDevice key={inputId} itemId={inputId} />
        </Disclosure>
      ) : null}
      <Row $gap={0.5}>
        {source && sourceId !== HOUSE && !isOwn(sourceId) && (
          <Button look="quiet" onPress={() => make("source", source)}>
            <Plus size={18} aria-hidden /> My own, like this source
          </Button>
        )}
        {input && !isOwn(inputId) && (
          <Button look="quiet" onPress={() => make("socket", input)}>
            <Plus size={18} aria-hidden /> My own, like this input
          </Button>
        )}
      </Row>
      {source?.kind === "receiver" && sourceId === "receiverUsb" && (
        <Soft>Some budget kits sound over-processed by USB: compare with the analogue way.</Soft>
      )}
      {sourceId === HOUSE && (
        <Soft>
          Carry a cable for each: which outlet a house offers is known only on arrival. Last resort: a powered
          speaker&apos;s XLR.
        </Soft>
      )}
    </Stack>
  );
}

/** Which lead? */
export function CablesView() {
  const links = useLinks();
  const { chosen } = links;
  return (
    <>
      <LinkSources
        links={links}
        says={(connection) => {
          const lacks = connection.ways.some(({ path }) => path && path.missing.length > 0);
          return `${briefWay(connection, EARS)}${lacks ? " · not in the kit" : ""}`;
        }}
      />
      {chosen ? (
        <Piece aria-label="Signal path">
          <Stack>
            <h2>{chosen.link.name}</h2>
            <ChosenLink key={chosen.link.id} connection={chosen} links={links} />
          </Stack>
        </Piece>
      ) : (
        <NobodyYet />
      )}
    </>
  );
}
