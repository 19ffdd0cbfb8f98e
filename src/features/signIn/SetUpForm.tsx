"use client";
import { TextField } from "@/ui";
import { FormBody, useStudioForm } from "@/ui/form";
import { loadAfresh } from "@/ui/loadAfresh";
import { setUpStudio } from "./actions";

export function SetUpForm() {
  const form = useStudioForm({
    values: {
      studioName: "",
      timeZone: typeof window === "undefined" ? "" : Intl.DateTimeFormat().resolvedOptions().timeZone,
      name: "",
      email: "",
      password: "",
    },
    schema: () => import("./schema").then(({ firstStudioSchema }) => firstStudioSchema),
    send: setUpStudio,
    onKept: () => loadAfresh("/sign-in"),
  });
  return (
    <FormBody form={form} submit="Create the studio" working="Creating…">
      <TextField label="Studio" autoFocus {...form.field("studioName")} />
      <TextField label="Time zone" suppressHydrationWarning {...form.field("timeZone")} />
      <TextField label="Your name" autoComplete="name" {...form.field("name")} />
      <TextField label="E-mail" type="email" autoComplete="username" {...form.field("email")} />
      <TextField label="Password" type="password" autoComplete="new-password" hint="Ten characters at least." {...form.field("password")} />
    </FormBody>
  );
}
