import type { FieldFault } from "../core/records";

export type FaultCode = "invalid" | "missing" | "forbidden" | "tooLarge" | "unavailable";

/** A use case's refusal, for the person at the screen. */
export class Fault extends Error {
  override readonly name = "Fault";

  constructor(
    readonly code: FaultCode,
    message: string,
    /** `isMissing`: it names something that is not there; it may be later. */
    readonly detail: { fields?: readonly FieldFault[]; isMissing?: boolean } = {},
  ) {
    super(message);
  }
}

export const FAULT_STATUS: Record<FaultCode, number> = {
  invalid: 422,
  missing: 404,
  forbidden: 403,
  tooLarge: 413,
  unavailable: 503,
};
