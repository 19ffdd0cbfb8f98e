"use client";
import { useState } from "react";
import { useForm, type DefaultValues, type FieldError, type FieldErrors, type FieldValues, type Path, type PathValue, type Resolver } from "react-hook-form";
import type { ZodType } from "zod";
import { answered } from "../answered";

/** What the server answers to a form; the answer of every server action is of this shape. */
export type FormAnswer<T> =
  | { readonly ok: true; readonly data: T }
  | { readonly ok: false; readonly message: string; readonly fields: Readonly<Record<string, string>> };

export type FormOptions<Values extends FieldValues, T> = {
  /** What stands in the fields at first. */
  readonly values: Values;
  /** What is sent, made of what was typed; as it was typed, unless this says otherwise. */
  readonly input?: (values: Values) => unknown;
  /** The schema of what is sent. It is fetched when the form is first sent, so that no page carries it; without a line the server refuses alone. */
  readonly schema?: () => Promise<ZodType>;
  readonly send: (input: never) => Promise<FormAnswer<T>>;
  readonly onKept: (data: T) => void | Promise<void>;
  /** The field that a place in what is sent stands for; its last name, unless this says otherwise: `document.packG` is `packG`. */
  readonly fieldOf?: (path: string) => string;
  /** What was not lost where the server is silent. */
  readonly still?: string;
};

const NOT_RIGHT = "Something here is not right yet.";
const lastName = (path: string) => path.split(".").pop() ?? path;

/**
 * The one way in which a form is filled in, checked and sent: by the schema of what is sent before it goes, by the server when
 * it comes. What is typed stays until it is kept; the first field that is refused has the focus.
 */
export function useStudioForm<Values extends FieldValues, T>(options: FormOptions<Values, T>) {
  const { values, input = (typed: Values) => typed, schema, send, onKept, fieldOf = lastName, still = "What you typed is still here." } = options;
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const resolver: Resolver<Values> = async (typed, context, rest) => {
    const check = schema && (await Promise.all([schema(), import("@hookform/resolvers/zod")]).catch(() => null));
    if (!check) return { values: typed, errors: {} };
    const [sent, { zodResolver }] = check;
    const { errors } = await zodResolver(sent as never)(input(typed) as never, context, { ...rest, fields: {}, names: [] } as never);
    const flat = flatten(errors, fieldOf);
    return Object.keys(flat).length === 0 ? { values: typed, errors: {} } : { values: {}, errors: flat as FieldErrors<Values> };
  };
  const form = useForm<Values>({ defaultValues: values as DefaultValues<Values>, resolver, mode: "onSubmit", reValidateMode: "onBlur" });
  const { errors, isDirty } = form.formState;

  const refuse = (message: string, fields: Readonly<Record<string, string>>) => {
    setProblem(message);
    Object.entries(fields).forEach(([path, words], i) =>
      form.setError(fieldOf(path) as Path<Values>, { type: "server", message: words }, { shouldFocus: i === 0 }),
    );
  };
  const keep = form.handleSubmit(
    async (typed) => {
      setBusy(true);
      setProblem(null);
      const result = await answered(send(input(typed) as never), still);
      if (result.ok) await onKept(result.data);
      else refuse(result.message, result.fields);
      setBusy(false);
    },
    () => setProblem(NOT_RIGHT),
  );
  /** Words at a field, or at a place of what is sent that is no field of its own. */
  const said = (name: string): string | undefined => (errors[name] as FieldError | undefined)?.message;
  return {
    keep,
    busy,
    problem,
    isDirty,
    said,
    /** For a field that is typed into: `<TextField label="Lot" {...form.field("lot")} />` */
    field: (name: Path<Values>) => ({ ...form.register(name), error: said(name) }),
    /** What a field holds; the form is drawn anew as it changes. */
    value: <Name extends Path<Values>>(name: Name): PathValue<Values, Name> => form.watch(name),
    /** For what is chosen, not typed. */
    set: <Name extends Path<Values>>(name: Name, value: PathValue<Values, Name>) => {
      form.setValue(name, value, { shouldDirty: true });
      form.clearErrors(name);
    },
    /** Begins anew, from other values where they are given. */
    restart: (next?: Values) => {
      form.reset(next as DefaultValues<Values> | undefined);
      setProblem(null);
    },
  };
}
export type StudioForm = Pick<ReturnType<typeof useStudioForm<FieldValues, unknown>>, "keep" | "busy" | "problem" | "isDirty">;

/** The errors of what is sent, however deep, by the field each stands at; the first of each counts. */
function flatten(errors: object, fieldOf: (path: string) => string, at = ""): Record<string, FieldError> {
  const flat: Record<string, FieldError> = {};
  for (const [key, value] of Object.entries(errors) as [string, unknown][]) {
    if (typeof value !== "object" || value === null || key === "ref") continue;
    const path = at ? `${at}.${key}` : key;
    const found =
      "message" in value && typeof value.message === "string"
        ? { [fieldOf(path)]: { type: "schema", message: value.message } }
        : flatten(value, fieldOf, path);
    for (const [name, error] of Object.entries(found)) flat[name] ??= error;
  }
  return flat;
}
