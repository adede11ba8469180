"use client";

import type { TObject, Static } from "@sinclair/typebox";
import { useMemo, type ReactNode } from "react";
import {
  Controller,
  useForm,
  type Control,
  type DefaultValues,
  type FieldValues,
  type Path,
  type PathValue,
} from "react-hook-form";
import { interpretedFaults } from "@/core/schema";
import { say } from "@/messages";
import { Faults } from "@/ui/faults";

/** A form over a schema of the core: bounds and messages are the schema's. */
export function useSchemaForm<Schema extends TObject>(schema: Schema, initial: Static<Schema>) {
  type Values = Static<Schema> & FieldValues;
  return useForm<Values>({
    defaultValues: initial as DefaultValues<Values>,
    mode: "onTouched",
    resolver: (values) => {
      const faults = interpretedFaults(schema, values);
      if (faults.length === 0) return { values, errors: {} };
      const errors = Object.fromEntries(
        faults.map(({ path, says }) => [path || "root", { type: "schema", message: say(says) }]),
      );
      return { values: {}, errors: errors as never };
    },
  });
}

/** Gives the fields within what is wrong with them, by the titles of the schema. */
export function FormFaults<Schema extends TObject>(props: {
  schema: Schema;
  errors: Partial<Record<string, unknown>>;
  children: ReactNode;
}) {
  const { schema, errors, children } = props;
  const faults = useMemo(() => {
    const found = new Map<string, string>();
    for (const [path, error] of Object.entries(errors)) {
      const { message } = error as { message?: string };
      const title = schema.properties[path]?.title;
      if (title && message) found.set(title, message);
    }
    return found;
  }, [schema, errors]);
  return <Faults value={faults}>{children}</Faults>;
}

/** One field of such a form. */
export function Bound<Values extends FieldValues, Name extends Path<Values>>(props: {
  control: Control<Values>;
  name: Name;
  children: (field: {
    value: PathValue<Values, Name>;
    onChange: (value: PathValue<Values, Name>) => void;
  }) => ReactNode;
}) {
  return (
    <Controller
      control={props.control}
      name={props.name}
      render={({ field }) => <>{props.children({ value: field.value, onChange: field.onChange })}</>}
    />
  );
}
