import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { randomUUID } from "node:crypto";
import { Client } from "pg";
import { GENERIC_DEVICES } from "../core/devices";
import { midOf, placeFaults, plannedEcho } from "../core/room";
import { RECORD_SCHEMAS } from "../core/records";
import { FIRST_PROVISION, newRig } from "../core/planning";
import { schemaFaults } from "../core/schema";
import { openDatabase } from "../db/client";
import { migrateDatabase } from "../db/migrate";
import { SOMEBODY } from "./crew";
import { loadShoot } from "./records";
import { freshDatabase } from "../fixtures/testCrew";

const MIGRATIONS = join(__dirname, "..", "db", "migrations");

/** The first so many migrations, as a released state had them. */
function migrationsUpTo(count: number): string {
  const folder = mkdtempSync(join(tmpdir(), "migrations-"));
  cpSync(MIGRATIONS, folder, { recursive: true });
  const path = join(folder, "meta", "_journal.json");
  const journal = JSON.parse(readFileSync(path, "utf8")) as { entries: unknown[] };
  writeFileSync(path, JSON.stringify({ ...journal, entries: journal.entries.slice(0, count) }));
  return folder;
}

const OLD_ROOM = {
  setting: "room",
  lengthM: 9,
  widthM: 6,
  heightM: 3,
  floor: "woodFloor",
  ceiling: "woodFloor",
  walls: "stone",
  otherWall: "windowGlass",
  otherWallM2: 30,
  noiseNc: 20,
  windMps: 0,
};

/** A crew and its shoot as every release had them; the connection stays open for more. */
async function oldShoot(url: string, crewId: string, shootId: string): Promise<Client> {
  const client = new Client({ connectionString: url });
  await client.connect();
  await client.query("insert into crew (id, name) values ($1, 'Old crew')", [crewId]);
  await client.query(
    `insert into shoot (id, crew_id, title, first_day, days, units, frame_rate, delivery, sample_rate_hz, bits_per_sample)
     values ($1, $2, 'Old shoot', '2026-01-01', 1, 'metric', 25, 'picture', 48000, 24)`,
    [shootId, crewId],
  );
  return client;
}

test("places and scenes of the first release go on: parts of walls keep their area, scenes get lengths", async () => {
  const { url, drop } = await freshDatabase();
  const before = migrationsUpTo(1);
  try {
    await migrateDatabase(url, before);
    const [crewId, shootId, room, open, scene] = Array.from({ length: 5 }, () => randomUUID());
    const client = await oldShoot(url, crewId!, shootId!);
    const place = "insert into place (id, crew_id, shoot_id, name, model) values ($1, $2, $3, 'Old place', $4)";
    await client.query(place, [room, crewId, shootId, OLD_ROOM]);
    await client.query(place, [open, crewId, shootId, { ...OLD_ROOM, setting: "open", otherWallM2: 0 }]);
    await client.query(
      "insert into scene (id, crew_id, shoot_id, title, place_id, day, starts_at) values ($1, $2, $3, 'Old scene', $4, 1, '09:30')",
      [scene, crewId, shootId, room],
    );
    await client.end();

    await migrateDatabase(url, MIGRATIONS);
    await migrateDatabase(url, MIGRATIONS);

    const { database, pool } = openDatabase(url);
    const bundle = await loadShoot({ crewId: crewId!, member: SOMEBODY, role: "owner", database }, shootId!);
    await pool.end();
    const bodyOf = (id: string) => bundle.places.find((each) => each.id === id)!.body;
    for (const id of [room!, open!]) {
      expect(schemaFaults(RECORD_SCHEMAS.place, bodyOf(id))).toEqual([]);
      expect(placeFaults(bodyOf(id).model)).toEqual([]);
    }
    expect(bodyOf(room!).model.patches).toEqual([
      { surface: "north", material: "windowGlass", areaM2: 27 },
      { surface: "south", material: "windowGlass", areaM2: 3 },
    ]);
    expect(bodyOf(room!).model.setting).toBe("box");
    expect(bodyOf(open!).model).toMatchObject({ setting: "open", patches: [] });
    // Volume 162 m³; 54 m² floor and ceiling each of wood, 60 m² stone, 30 m² glass: by hand, without air, at 500 Hz.
    const byHandS = (0.161 * 162) / (108 * 0.1 + 60 * 0.03 + 30 * 0.18);
    expect(plannedEcho(bodyOf(room!).model)!.sabineS[2] / byHandS).toBeCloseTo(1, 1);
    expect(midOf(plannedEcho(bodyOf(room!).model)!.chosenS)).toBeGreaterThan(1);
    expect(bundle.scenes[0]!.body).toMatchObject({ title: "Old scene", lengthMin: 30, takeMin: 3 });
  } finally {
    rmSync(before, { recursive: true });
    await drop();
  }
});

test("kit from before anything could be hired stays the crew's own", async () => {
  const { url, drop } = await freshDatabase();
  const before = migrationsUpTo(5);
  try {
    await migrateDatabase(url, before);
    const [crewId, shootId, item] = Array.from({ length: 3 }, () => randomUUID());
    const client = await oldShoot(url, crewId!, shootId!);
    const { kind, name, figures } = GENERIC_DEVICES[0]!;
    await client.query("insert into kit_item (id, crew_id, kind, name, figures) values ($1, $2, $3, $4, $5)", [
      item,
      crewId,
      kind,
      name,
      figures,
    ]);
    await client.end();
    await migrateDatabase(url, MIGRATIONS);
    const { database, pool } = openDatabase(url);
    const bundle = await loadShoot({ crewId: crewId!, member: SOMEBODY, role: "owner", database }, shootId!);
    await pool.end();
    expect(bundle.kit.map(({ body }) => body)).toEqual([{ shootId: null, kind, name, figures }]);
    expect(schemaFaults(RECORD_SCHEMAS.kitItem, bundle.kit[0]!.body)).toEqual([]);
    expect([bundle.connections, bundle.packings]).toEqual([[], []]);
  } finally {
    rmSync(before, { recursive: true });
    await drop();
  }
});

test("microphones placed before hands were known go on: what is held has its hand", async () => {
  const { url, drop } = await freshDatabase();
  const before = migrationsUpTo(3);
  try {
    await migrateDatabase(url, before);
    const [crewId, shootId, place, scene, other, some, none] = Array.from({ length: 7 }, () => randomUUID());
    const client = await oldShoot(url, crewId!, shootId!);
    await client.query(
      "insert into place (id, crew_id, shoot_id, name, model) values ($1, $2, $3, 'Place', '{}'::jsonb)",
      [place, crewId, shootId],
    );
    for (const id of [scene, other])
      await client.query(
        `insert into scene (id, crew_id, shoot_id, title, place_id, day, starts_at, length_min, take_min)
         values ($1, $2, $3, 'Scene', $4, 1, '09:30', 30, 3)`,
        [id, crewId, shootId, place],
      );
    const mic = { microphone: "handCardioid", pattern: "cardioid", at: { xM: 1, yM: 1 }, heightM: 1.2, aimsDeg: 0 };
    const rest = { ...mic, tiltDeg: 0, hasScreen: true };
    const mics = ["hand", "stand", "phone"].map((holder, index) => ({ ...rest, id: String(index), holder }));
    const pickup = `insert into pickup (id, crew_id, shoot_id, scene_id, setup, wishes) values ($1, $2, $3, $4, $5, $6)`;
    const wishes = { shot: "medium", mayBeSeen: false, hasTable: true, overhead: "byRoom" };
    await client.query(pickup, [some, crewId, shootId, scene, { talkers: [], mics }, wishes]);
    await client.query(pickup, [none, crewId, shootId, other, { talkers: [], mics: [] }, wishes]);
    await client.end();
    await migrateDatabase(url, MIGRATIONS);
    const { database, pool } = openDatabase(url);
    const { pickups } = await loadShoot({ crewId: crewId!, member: SOMEBODY, role: "owner", database }, shootId!);
    await pool.end();
    for (const { body } of pickups) expect(schemaFaults(RECORD_SCHEMAS.pickup, body)).toEqual([]);
    const micsOf = (id: string) => pickups.find((each) => each.id === id)!.body.setup.mics;
    expect(micsOf(some!).map(({ handsM }) => handsM)).toEqual([0.1, null, 0.03]);
    expect(micsOf(none!)).toEqual([]);
  } finally {
    rmSync(before, { recursive: true });
    await drop();
  }
});

test("rigs and provisions from before levels were set device by device go on, nobody's voice measured", async () => {
  const { url, drop } = await freshDatabase();
  const before = migrationsUpTo(6);
  try {
    await migrateDatabase(url, before);
    const [crewId, shootId, wearer, scene, rig, provision] = Array.from({ length: 6 }, () => randomUUID());
    const client = await oldShoot(url, crewId!, shootId!);
    const body = newRig({ shootId: shootId!, wearerId: wearer!, sceneId: scene! });
    await client.query(
      "insert into wearer (id, crew_id, shoot_id, name, height_m, voice, tape_allergy, hairy_chest, voice_offset_db, thread, accessories) values ($1, $2, $3, 'W', 1.7, 'middle', 'no', 'no', 0, 0, '[]')",
      [wearer, crewId, shootId],
    );
    await client.query(
      "insert into scene (id, crew_id, shoot_id, title, day, starts_at, length_min, take_min) values ($1, $2, $3, 'S', 1, '09:30', 30, 3)",
      [scene, crewId, shootId],
    );
    await client.query(
      "insert into rig (id, crew_id, shoot_id, wearer_id, scene_id, performance, aims, is_rigged, consent, is_set, target_dbfs, ceiling_dbfs) values ($1, $2, $3, $4, $5, $6, $7, false, $8, true, -12, -6)",
      [rig, crewId, shootId, wearer, scene, body.performance, body.aims, body.consent],
    );
    await client.query(
      "insert into provision (id, crew_id, shoot_id, cards_gb, has_float, has_safety_tracks, temperature_c, pack_battery, recorder_battery, bank_wh, listen_dba, listen_hours) values ($1, $2, $3, $4, false, false, 15, $5, $6, null, 75, 4)",
      [
        provision,
        crewId,
        shootId,
        JSON.stringify(FIRST_PROVISION.cardsGb),
        FIRST_PROVISION.packBattery,
        FIRST_PROVISION.recorderBattery,
      ],
    );
    await client.end();
    await migrateDatabase(url, MIGRATIONS);
    const { database, pool } = openDatabase(url);
    const bundle = await loadShoot({ crewId: crewId!, member: SOMEBODY, role: "owner", database }, shootId!);
    await pool.end();
    expect(bundle.rigs[0]!.body.voiceTodayDb).toBeNull();
    expect(schemaFaults(RECORD_SCHEMAS.rig, bundle.rigs[0]!.body)).toEqual([]);
    expect(bundle.provisions[0]!.body.recorderTracks).toBeNull();
    expect(schemaFaults(RECORD_SCHEMAS.provision, bundle.provisions[0]!.body)).toEqual([]);
    expect(bundle.levels).toEqual([]);
  } finally {
    rmSync(before, { recursive: true });
    await drop();
  }
});
