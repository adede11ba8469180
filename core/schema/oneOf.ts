import * as Type from "@sinclair/typebox";
import type { TUnsafe } from "@sinclair/typebox";

/** A schema for one of a fixed list of words or numbers; its type is their union. */
export function oneOf<const Values extends readonly (string | number)[]>(
  values: Values,
  title: string,
): TUnsafe<Values[number]> {
  return Type.Unsafe<Values[number]>({ enum: [...values], title });
}
