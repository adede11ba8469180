/** A field that was refused, and what it may be. */
export interface FieldFault {
  path: string;
  message: string;
}

export type FaultCode = "invalid" | "missing" | "stale" | "forbidden" | "tooLarge" | "unavailable";

/** A use case's refusal, for the person at the screen. */
export class Fault extends Error {
  override readonly name = "Fault";

  constructor(
    readonly code: FaultCode,
    message: string,
    readonly detail: { fields?: readonly FieldFault[]; current?: unknown } = {},
  ) {
    super(message);
  }
}

export const FAULT_STATUS: Record<FaultCode, number> = {
  invalid: 422,
  missing: 404,
  stale: 409,
  forbidden: 403,
  tooLarge: 413,
  unavailable: 503,
};
