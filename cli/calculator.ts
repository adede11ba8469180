import type { TSchema } from "@sinclair/typebox";

export interface Answer {
  result: unknown;
  finding: string | null;
}

export interface Calculator {
  says: string;
  schema: TSchema;
  example: unknown;
  /** Input already fits the schema. A finding is a sentence and makes the exit code 1. */
  run(input: unknown): Answer | Promise<Answer>;
}
