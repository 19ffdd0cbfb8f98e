"use client";
import { useState } from "react";
import {
  useForm,
  useWatch,
  type DefaultValues,
  type FieldError,
  type FieldErrors,
  type FieldValues,
  type Path,
  type PathValue,
  type Resolver,
} from "react-hook-form";
import type { ZodType } from "zod";
import { answered } from "../answered";
import { byField, lastName } from "./byField";

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
  readonly onKept?: (data: T) => void | Promise<void>;
  /** Begins anew once it is kept: a form that stays on the page to add the next. */
  readonly restarts?: boolean;
  /** The field that a place in what is sent stands for; its last name, unless this says otherwise: `document.packG` is `packG`. */
  readonly fieldOf?: (path: string) => string;
  /** Stays on the page with what was kept in it, as a settings page does. */
  readonly staysAsTyped?: boolean;
  /** What the form wants to know of a refusal besides showing it. */
  readonly onRefused?: (fields: Readonly<Record<string, string>>) => void;
  /** What was not lost where the server is silent. */
  readonly still?: string;
};

const NOT_RIGHT = "Something here is not right yet.";

/**
 * The one way in which a form is filled in, checked and sent: by the schema of what is sent before it goes, by the server when
 * it comes. What is typed stays until it is kept; the first field that is refused has the focus.
 */
export function useStudioForm<Values extends FieldValues, T>(options: FormOptions<Values, T>) {
  const {
    values,
    input = (typed: Values) => typed,
    schema,
    send,
    onKept,
    onRefused,
    restarts = false,
    staysAsTyped = false,
    fieldOf = lastName,
    still = "What you typed is still here.",
  } = options;
  const [problem, setProblem] = useState<string | null>(null);
  /** What the server refused, by field, until the form is sent again. */
  const [refused, setRefused] = useState<Readonly<Record<string, string>>>({});
  const [busy, setBusy] = useState(false);

  const resolver: Resolver<Values> = async (typed, context, rest) => {
    const check = schema && (await Promise.all([schema(), import("@hookform/resolvers/zod")]).catch(() => null));
    if (!check) return { values: typed, errors: {} };
    const [sent, { zodResolver }] = check;
    const { errors } = await zodResolver(sent as never)(input(typed) as never, context, { ...rest, fields: {}, names: [] } as never);
    const flat = byField(errors, fieldOf);
    return Object.keys(flat).length === 0 ? { values: typed, errors: {} } : { values: {}, errors: flat as FieldErrors<Values> };
  };
  // What was refused is looked at again as it is typed: on leaving the field its words would go, and the button pressed next with them.
  const form = useForm<Values>({ defaultValues: values as DefaultValues<Values>, resolver, mode: "onSubmit", reValidateMode: "onChange" });
  const { errors, isDirty } = form.formState;
  const now = useWatch({ control: form.control }) as Values;

  const refuse = (message: string, fields: Readonly<Record<string, string>>) => {
    const fieldsRefused = Object.fromEntries(Object.entries(fields).map(([path, words]) => [fieldOf(path), words]));
    setProblem(message);
    setRefused(fieldsRefused);
    onRefused?.(fields);
    const first = Object.keys(now).find((name) => name in fieldsRefused);
    if (first) form.setFocus(first as Path<Values>);
  };
  const keep = form.handleSubmit(
    async (typed) => {
      setBusy(true);
      setProblem(null);
      setRefused({});
      const result = await answered(send(input(typed) as never), still);
      if (result.ok) {
        if (restarts) form.reset();
        if (staysAsTyped) form.reset(typed);
        await onKept?.(result.data);
      } else refuse(result.message, result.fields);
      setBusy(false);
    },
    () => setProblem(NOT_RIGHT),
  );
  /** Words at a field, or at a place of what is sent that is no field of its own. */
  const said = (name: string): string | undefined => (errors[name] as FieldError | undefined)?.message ?? refused[name];
  type Name = keyof Values & Path<Values>;
  return {
    keep,
    busy,
    problem,
    isDirty,
    said,
    /** For a field that is typed into: `<TextField label="Lot" {...form.field("lot")} />`. `onChange` is told after it changed. */
    field: (name: Name, onChange?: () => void) => ({ ...form.register(name, onChange ? { onChange } : {}), error: said(name) }),
    /** What stands in the fields; the form is drawn anew as it changes. */
    now,
    /** For what is chosen, not typed. */
    set: <N extends Name>(name: N, value: Values[N]) => {
      form.setValue(name, value as PathValue<Values, N>, { shouldDirty: true });
      form.clearErrors(name);
      setRefused(({ [name]: _, ...others }) => others);
    },
  };
}
export type StudioForm = Pick<ReturnType<typeof useStudioForm<FieldValues, unknown>>, "keep" | "busy" | "problem" | "isDirty">;
