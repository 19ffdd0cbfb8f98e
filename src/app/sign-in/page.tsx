import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { anyStudio } from "@/features/signIn/data";
import { SignInForm } from "@/features/signIn/SignInForm";
import { Threshold } from "@/features/signIn/Threshold";
import { sendsMail } from "@/server/mail";
import { currentAccount } from "@/server/member";

export const metadata: Metadata = { title: "Sign in" };

export default async function SignInPage() {
  if (!(await anyStudio())) redirect("/set-up");
  if (await currentAccount()) redirect("/");
  return (
    <Threshold title="Sign in" says="For the people of this studio. A sign-in lasts a working day.">
      <SignInForm sendsMail={sendsMail()} />
    </Threshold>
  );
}
