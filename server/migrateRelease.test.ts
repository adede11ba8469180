import { readFileSync } from "node:fs";
import { randomUUID } from "node:crypto";
import { join } from "node:path";
import { gunzipSync } from "node:zlib";
import { Client } from "pg";
import { schemaFaults } from "../core/schema";
import { RECORD_SCHEMAS, type RecordKind, type ShootBundle } from "../core/records";
import { openDatabase, type Database } from "../db/client";
import { migrateDatabase } from "../db/migrate";
import { DEMO_SHOOT_ID, MILLER_RIG } from "../demo/recordings";
import { SOMEBODY } from "./crew";
import { loadShoot, loadTakeDetails } from "./records";
import { freshDatabase } from "../fixtures/testCrew";

/** The database of the release before records were rows and commands, as it stood with the demo shoot in it. */
const RELEASE = gunzipSync(readFileSync(join(__dirname, "testReleases", "0010.sql.gz"))).toString("utf8");
const MIGRATIONS = join(__dirname, "..", "db", "migrations");

const TICK = { device: "pack", holdsFor: "−12 dB", at: "2027-05-11T07:40:00Z" };
/** What was ticked by words that no release had is kept, and is nothing that is set now. */
const TICK_NOW = { ...TICK, holdsFor: [{ control: "unknown", value: "−12 dB" }] };
const levelLine = (subject: string, own: object = {}) => ({
  ...{ subject, inputId: null, mic: null, held: [{ stage: "pack", valueDb: -12 }], ticks: [TICK], dynamics: null },
  targets: { targetDbfs: -14, ceilingDbfs: -6 },
  ...own,
});
const LEVELS = { school: "minus12", meter_bottom_dbfs: -60 };

type Old = Record<string, Record<string, unknown>>;

let client: Client;
let database: Database;
let close: () => Promise<void>;
let old: Record<string, Old>;
let bundle: ShootBundle;
const [first, second, packingId, otherPacking, twinRig, gone] = Array.from({ length: 6 }, () => randomUUID());

async function rowsOf(table: string): Promise<Old> {
  const { rows } = await client.query<{ id: string; row: Record<string, unknown> }>(
    `select id, row_to_json(t) as row from ${table} t`,
  );
  return Object.fromEntries(rows.map(({ id, row }) => [id, row]));
}

beforeAll(async () => {
  const fresh = await freshDatabase();
  client = new Client({ connectionString: fresh.url });
  await client.connect();
  await client.query(RELEASE);
  await client.query("set search_path = public");
  const [{ crew_id: crewId }] = (await client.query<{ crew_id: string }>("select crew_id from shoot")).rows as [
    { crew_id: string },
  ];
  // What two tabs made at once, and what people had ticked.
  const insert = (table: string, row: object) =>
    client.query(`insert into ${table} select * from jsonb_populate_record(null::${table}, $1)`, [
      JSON.stringify({
        version: 1,
        crew_id: crewId,
        shoot_id: DEMO_SHOOT_ID,
        changed_at: "2027-05-11T09:00:00Z",
        ...row,
      }),
    ]);
  await insert("levels", {
    ...LEVELS,
    id: first,
    created_at: "2027-05-11T08:00:00Z",
    lines: [levelLine("a"), levelLine("b")],
  });
  await insert("levels", {
    ...LEVELS,
    id: second,
    created_at: "2027-05-11T08:00:01Z",
    lines: [levelLine("b", { ticks: [] }), levelLine("c", { targets: null })],
  });
  await insert("packing", {
    id: packingId,
    created_at: "2027-05-11T08:00:00Z",
    lines: [{ key: "tape", packed: 2, isBack: true }],
  });
  await insert("packing", {
    id: otherPacking,
    created_at: "2027-05-11T08:00:01Z",
    lines: [
      { key: "tape", packed: 9, isBack: false },
      { key: "fur", packed: 1, isBack: false },
    ],
  });
  const rigs = await rowsOf("rig");
  await insert("rig", { ...rigs[MILLER_RIG], id: twinRig, created_at: "2030-01-01T00:00:00Z" });
  const [proof] = Object.values(await rowsOf("measurement"));
  await insert("measurement", { ...proof, id: gone, deleted_at: "2027-05-11T10:00:00Z" });
  old = Object.fromEntries(
    await Promise.all(
      ["place", "scene", "wearer", "rig", "kit_item", "measurement", "pickup", "air", "connection"].map(
        async (table) => [table, await rowsOf(table)] as const,
      ),
    ),
  );

  await migrateDatabase(fresh.url, MIGRATIONS);
  await migrateDatabase(fresh.url, MIGRATIONS);

  const opened = openDatabase(fresh.url);
  ({ database } = opened);
  close = async () => {
    await opened.pool.end();
    await client.end();
    await fresh.drop();
  };
  bundle = await loadShoot({ crewId, member: SOMEBODY, role: "owner", database }, DEMO_SHOOT_ID);
});
afterAll(() => close());

const camel = (name: string) => name.replace(/_(\w)/g, (_, letter: string) => letter.toUpperCase());

describe("a shoot made with the release before", () => {
  test("opens with every record in it, each as its schema wants it", () => {
    const counts = [bundle.places, bundle.scenes, bundle.wearers, bundle.rigs, bundle.pickups, bundle.connections];
    expect(counts.map(({ length }) => length)).toEqual([7, 9, 11, 14, 2, 9]);
    const lists: [RecordKind, readonly { body: unknown }[]][] = [
      ["shoot", [bundle.shoot]],
      ["place", bundle.places],
      ["scene", bundle.scenes],
      ["wearer", bundle.wearers],
      ["rig", bundle.rigs],
      ["kitItem", bundle.kit],
      ["measurement", bundle.measurements],
      ["pickup", bundle.pickups],
      ["air", bundle.airs],
      ["connection", bundle.connections],
      ["packing", bundle.packings],
      ["levels", bundle.levels],
    ];
    for (const [kind, records] of lists)
      for (const { body } of records) expect(schemaFaults(RECORD_SCHEMAS[kind], body)).toEqual([]);
  });

  test("what stands in columns is as it was", () => {
    for (const [table, records] of [
      ["scene", bundle.scenes],
      ["rig", bundle.rigs],
      ["kit_item", bundle.kit],
    ] as const)
      for (const { id, body } of records) {
        const before = Object.fromEntries(
          Object.entries(old[table]![id]!).map(([name, value]) => [camel(name), value]),
        );
        expect(before).toMatchObject(body);
      }
  });

  test("lists that were one JSON are rows: noises, talkers, microphones, links, steps with their ticks", () => {
    for (const { id, body } of bundle.places) {
      const model = old["place"]![id]!["model"] as typeof body.model & { echo: { remarks: string[] } | null };
      const remarks = model.echo?.remarks.map((text) => ({ code: "clap.asWritten", text }));
      expect(body.model).toEqual({ ...model, ...(model.echo && { echo: { ...model.echo, remarks } }) });
    }
    for (const { id, body } of bundle.pickups) expect(body.setup).toEqual(old["pickup"]![id]!["setup"]);
    expect(bundle.airs[0]!.body.links).toEqual(old["air"]![bundle.airs[0]!.id]!["links"]);
    for (const { id, body } of bundle.connections) {
      const before = old["connection"]![id]!;
      expect([body.steps, body.rehearsal, body.range]).toEqual([before["steps"], before["rehearsal"], before["range"]]);
    }
    expect(bundle.connections.some(({ body }) => body.steps.length > 0)).toBe(true);
    expect(bundle.airs[0]!.body.links.length).toBeGreaterThan(5);
    expect(bundle.places.some(({ body }) => body.model.sources.length > 0)).toBe(true);
  });

  test("what two tabs had made twice is one, with the lines and ticks of both; the first counts where both had one", () => {
    expect(bundle.levels.map(({ id }) => id)).toEqual([first]);
    expect(bundle.levels[0]!.body.lines).toEqual(
      [levelLine("a"), levelLine("b"), levelLine("c", { targets: null })].map((line) => ({
        ...line,
        ticks: [TICK_NOW],
      })),
    );
    expect(bundle.packings).toHaveLength(1);
    expect(bundle.packings[0]!.body.lines).toEqual([
      { key: "tape", packed: 2, isBack: true },
      { key: "fur", packed: 1, isBack: false },
    ]);
    expect(bundle.rigs.some(({ id }) => id === twinRig)).toBe(false);
    expect(bundle.rigs.some(({ id }) => id === MILLER_RIG)).toBe(true);
  });

  test("takes keep verdict, figures, findings and reviews, each of its file", async () => {
    const crewId = (await client.query<{ crew_id: string }>("select crew_id from shoot")).rows[0]!.crew_id;
    const details = await loadTakeDetails(
      { crewId, member: SOMEBODY, role: "owner", database },
      bundle.measurements.map(({ id }) => id),
    );
    expect(bundle.measurements).toHaveLength(2);
    for (const { id, body } of bundle.measurements) {
      const before = old["measurement"]![id]! as {
        recording: { file: string; format: object; channels: { index: number }[] };
      };
      const { file, format, ...rest } = before.recording;
      expect(body.file).toMatchObject({ name: file, format, hash: null });
      const { body: detail } = details.find((each) => each.body.measurementId === id)!;
      expect({ ...detail, findings: [] }).toMatchObject({ ...rest, findings: [] });
      const findings = (before.recording as unknown as { findings: { kind: string; startS: number }[] }).findings;
      expect(detail.findings).toMatchObject(findings.map(({ kind, startS }) => ({ kind, startS })));
      expect(detail.reviews).toEqual(old["measurement"]![id]!["reviews"]);
      const own = rest.channels.find(({ index }) => index === body.channel)!;
      expect(own).toMatchObject({ speechLevelDbfs: body.measured.speechDbfs, noiseFloorDbfs: body.measured.noiseDbfs });
      expect(body.grade).toBe(old["measurement"]![id]!["grade"]);
      const { sentence, correction, redress } = old["measurement"]![id]!;
      expect(body.said).toEqual({ sentence, correction, redress });
    }
    const { rows } = await client.query("select count(*)::int as files from audio_file");
    expect(rows).toEqual([{ files: 2 }]);
    expect(
      (await client.query("select 1 from measurement where id = $1 and deleted_at is not null", [gone])).rowCount,
    ).toBe(1);
  });
});
