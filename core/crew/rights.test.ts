import { RECORD_SCHEMAS, type RecordKind } from "../records";
import { MAY, may, rightOf, ROLES, type Right } from "./index";

const RECORD_KINDS = Object.keys(RECORD_SCHEMAS) as RecordKind[];
const OPS = ["create", "patch", "delete", "restore"] as const;

test("a role further down never may what one above may not", () => {
  for (const right of Object.keys(MAY) as Right[])
    for (let at = 1; at < ROLES.length; at += 1)
      if (may(ROLES[at]!, right))
        expect([right, ROLES[at - 1], may(ROLES[at - 1]!, right)]).toEqual([right, ROLES[at - 1], true]);
});

test("guests change nothing at all; owners may everything; only owners let people in", () => {
  for (const kind of RECORD_KINDS)
    for (const op of OPS) {
      expect([kind, op, may("guest", rightOf(op, kind))]).toEqual([kind, op, false]);
      expect([kind, op, may("owner", rightOf(op, kind))]).toEqual([kind, op, true]);
    }
  expect(ROLES.filter((role) => may(role, "manage"))).toEqual(["owner"]);
  expect(ROLES.filter((role) => may(role, "read"))).toEqual([...ROLES]);
});

test("an assistant logs and plans, and neither makes nor deletes a shoot", () => {
  expect(may("assistant", rightOf("create", "roll"))).toBe(true);
  expect(may("assistant", rightOf("create", "mark"))).toBe(true);
  expect(may("assistant", rightOf("patch", "wearer"))).toBe(true);
  expect(may("assistant", rightOf("patch", "shoot"))).toBe(true);
  for (const op of ["create", "delete", "restore"] as const) expect(may("assistant", rightOf(op, "shoot"))).toBe(false);
  expect(may("assistant", rightOf("delete", "kitItem"))).toBe(false);
  expect(may("mixer", rightOf("delete", "shoot"))).toBe(true);
});
