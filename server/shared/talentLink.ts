import { randomUUID } from "node:crypto";
import * as Type from "@sinclair/typebox";
import { and, eq, isNull, sql } from "drizzle-orm";
import type { TalentCard } from "../../core/crew";
import { cautionsOf, recipeFor, selfPlacementSteps } from "../../core/dress";
import { placeOfRig, planRig } from "../../core/planning";
import { answeredConsent, fieldChanges, type RigBody, type ShootBundle } from "../../core/records";
import type { Database } from "../../db/client";
import { sharedLink } from "../../db/schema";
import { requireRight } from "../accounts";
import type { ActingCrew } from "../crew";
import { Fault } from "../faults";
import { loadShoot, runCommand } from "../records";
import { accept } from "../validate";
import { makeLink, openLink } from "./links";

const Uuid = Type.String({ format: "uuid" });
export const TalentLinkWish = Type.Object({ shootId: Uuid, rigId: Uuid }, { additionalProperties: false });
const Token = Type.String({ minLength: 20, maxLength: 100 });
/** `at`: by the clock of the place, as consent is kept. */
export const TalentAnswer = Type.Object(
  {
    token: Token,
    answer: Type.Union([Type.Literal("yes"), Type.Literal("no"), Type.Literal("self")]),
    at: Type.String({ pattern: "^\\d{4}-\\d{2}-\\d{2} \\d{2}:\\d{2}$" }),
  },
  { additionalProperties: false },
);

const rigOf = (bundle: ShootBundle, rigId: string) => bundle.rigs.find(({ id }) => id === rigId);

/** A link for one talent in one scene; those made before for the same work no more. */
export async function makeTalentLink(acting: ActingCrew, request: unknown): ReturnType<typeof makeLink> {
  requireRight(acting, "work");
  const { shootId, rigId } = accept(TalentLinkWish, request);
  if (!rigOf(await loadShoot(acting, shootId), rigId)) throw new Fault("missing", { code: "record.missing" });
  const same = and(eq(sharedLink.rigId, rigId), eq(sharedLink.crewId, acting.crewId), isNull(sharedLink.revokedAt));
  return makeLink(acting, { shootId, rigId, kind: "talent" }, (transaction) =>
    transaction
      .update(sharedLink)
      .set({ revokedAt: sql`now()` })
      .where(same),
  );
}

/** The rig and the talent that a link is for. Throws Fault "missing" where it is for nobody. */
async function linked(database: Database, token: string) {
  const { acting, link, bundle } = await openLink(database, token);
  const rig = link.rigId === null ? undefined : rigOf(bundle, link.rigId);
  const wearer = bundle.wearers.find(({ id }) => id === rig?.body.wearerId);
  if (!rig || !wearer) throw new Fault("missing", { code: "shared.noLink" });
  return { acting, bundle, rig, wearer };
}

/** What the talent is shown: their own name, scene and placement, and nothing of anybody else. */
export async function openTalentLink(database: Database, token: string | null): Promise<TalentCard> {
  const { bundle, rig, wearer } = await linked(database, accept(Token, token ?? ""));
  const scene = bundle.scenes.find(({ id }) => id === rig.body.sceneId);
  const place = placeOfRig(bundle, rig.body);
  const { candidate, dress } = planRig(wearer.body, rig.body, place?.body ?? null, bundle.kit);
  return {
    name: wearer.body.name,
    shoot: bundle.shoot.body.title,
    units: bundle.shoot.body.units,
    clock: bundle.shoot.body.clock,
    scene: scene ? { title: scene.body.title, day: scene.body.day, startsAt: scene.body.startsAt } : null,
    answer: rig.body.consent.answer,
    placement: candidate && {
      site: candidate.site.name,
      mount: candidate.mount.name,
      intrusion: candidate.intrusion,
      minutes: recipeFor(candidate, dress).minutes,
      steps: selfPlacementSteps(candidate),
      cautions: cautionsOf(candidate),
    },
  };
}

/** Keeps the talent's own answer, with its time. */
export async function answerTalentLink(database: Database, request: unknown): Promise<TalentCard> {
  const { token, answer, at } = accept(TalentAnswer, request);
  const { acting, bundle, rig, wearer } = await linked(database, token);
  const place = placeOfRig(bundle, rig.body);
  const { candidate } = planRig(wearer.body, rig.body, place?.body ?? null, bundle.kit);
  const answered = answeredConsent(rig.body.consent, answer, candidate?.intrusion ?? 0, at);
  const consent = { ...answered, askedBy: wearer.body.name.slice(0, 80) };
  const after: RigBody = { ...rig.body, consent };
  const changes = fieldChanges("rig", rig.body, after).map((each) => ({ ...each, path: [...each.path] }));
  if (changes.length > 0)
    await runCommand(acting, { op: "patch", key: randomUUID(), kind: "rig", id: rig.id, changes });
  return openTalentLink(database, token);
}
