import type { RecordKind } from "../records";

/** Roles in a crew, from most to least. */
export const ROLES = ["owner", "mixer", "assistant", "guest"] as const;
export type Role = (typeof ROLES)[number];

/** What a use case asks for. */
export type Right =
  /** See shoots, plans, logs and reports. */
  | "read"
  /** Change plans, logs and the packing of a shoot that is there. */
  | "work"
  /** Make, delete and bring back shoots; change what the crew owns. */
  | "arrange"
  /** Invite, end sessions, change roles, let go. */
  | "manage";

/** Who has which right. */
export const MAY: Readonly<Record<Right, readonly Role[]>> = {
  read: ["owner", "mixer", "assistant", "guest"],
  work: ["owner", "mixer", "assistant"],
  arrange: ["owner", "mixer"],
  manage: ["owner"],
};

export const may = (role: Role, right: Right): boolean => MAY[right].includes(role);

/**
 * What a change asks for.
 * @param kind of record; `op` what is done to it. Changing the facts of a shoot is work, making or deleting one is not.
 */
export function rightOf(op: "create" | "patch" | "delete" | "restore", kind: RecordKind): Right {
  if (kind === "shoot") return op === "patch" ? "work" : "arrange";
  if (kind === "kitItem") return op === "delete" || op === "restore" ? "arrange" : "work";
  return "work";
}
