import * as Type from "@sinclair/typebox";
import { SHEET_KINDS, type SheetKind } from "../../core/crew";
import type { ShootBundle } from "../../core/records";
import type { Database } from "../../db/client";
import { requireRight } from "../accounts";
import type { ActingCrew } from "../crew";
import { Fault } from "../faults";
import { loadShoot } from "../records";
import { accept } from "../validate";
import { makeLink, openLink, openLinks, revokeLink } from "./links";

const Uuid = Type.String({ format: "uuid" });

/** A sheet to share, of a day or of all days; or a link to take back. */
export const LinkDeed = Type.Union([
  Type.Object(
    {
      do: Type.Literal("share"),
      shootId: Uuid,
      kind: Type.Union(SHEET_KINDS.map((kind) => Type.Literal(kind))),
      day: Type.Union([Type.Integer({ minimum: 1, maximum: 366 }), Type.Null()]),
    },
    { additionalProperties: false },
  ),
  Type.Object({ do: Type.Literal("revoke"), id: Uuid }, { additionalProperties: false }),
]);

/** Makes a link to a sheet, or takes one back. */
export async function requestLinkDeed(acting: ActingCrew, request: unknown): Promise<object> {
  requireRight(acting, "work");
  const deed = accept(LinkDeed, request);
  if (deed.do === "revoke") {
    await revokeLink(acting, deed.id);
    return {};
  }
  const { shootId, kind, day } = deed;
  await loadShoot(acting, shootId);
  return makeLink(acting, { shootId, kind, day });
}

/** Links of a shoot that hold, for whoever may make them. */
export async function listLinks(acting: ActingCrew, shootId: string | null): Promise<object> {
  requireRight(acting, "work");
  return { links: await openLinks(acting, accept(Uuid, shootId ?? "")) };
}

/** The sheet that a link is for. Throws Fault "missing" where there is none. */
export async function openSheet(
  database: Database,
  token: string,
): Promise<{ kind: SheetKind; day: number | null; bundle: ShootBundle }> {
  const { link, bundle } = await openLink(database, token);
  if (link.kind === "talent") throw new Fault("missing", { code: "shared.noLink" });
  return { kind: link.kind, day: link.day, bundle };
}
