import * as Type from "@sinclair/typebox";

/** No field that is not named. */
export const strict = { additionalProperties: false } as const;
export const Id = Type.String({ format: "uuid" });
export const NullableId = Type.Union([Id, Type.Null()]);
/** Some text that is not only blanks. */
export const Name = (title: string) => Type.String({ title, minLength: 1, maxLength: 120, pattern: "\\S" });
