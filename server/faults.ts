import type { FaultMessage, FieldFault } from "../core/records";

export type FaultCode = "invalid" | "missing" | "forbidden" | "signedOut" | "tooLarge" | "unavailable";

/** A use case's refusal, as it is said at the screen. */
export class Fault extends Error {
  override readonly name = "Fault";

  constructor(
    readonly code: FaultCode,
    readonly says: FaultMessage,
    /** `isMissing`: it names something that is not there; it may be later. */
    readonly detail: { fields?: readonly FieldFault[]; isMissing?: boolean } = {},
  ) {
    super(says.code);
  }
}

export const FAULT_STATUS: Record<FaultCode, number> = {
  invalid: 422,
  missing: 404,
  forbidden: 403,
  signedOut: 401,
  tooLarge: 413,
  unavailable: 503,
};
