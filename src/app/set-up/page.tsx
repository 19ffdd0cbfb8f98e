import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { anyStudio } from "@/features/signIn/data";
import { SetUpForm } from "@/features/signIn/SetUpForm";
import { Threshold } from "@/features/signIn/Threshold";

export const metadata: Metadata = { title: "Create the studio" };

export default async function SetUpPage() {
  if (await anyStudio()) redirect("/sign-in");
  return (
    <Threshold title="Create the studio" says="You become its owner; others are added from the studio page.">
      <SetUpForm />
    </Threshold>
  );
}
