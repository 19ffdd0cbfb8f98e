import type { Metadata, Viewport } from "next";
import { cookies } from "next/headers";
import type { ReactNode } from "react";
import "@/ui/theme.css";

export const metadata: Metadata = { title: { default: "Ivy Thread", template: "%s · Ivy Thread" }, robots: { index: false } };
export const viewport: Viewport = { width: "device-width", initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const theme = (await cookies()).get("ivy-theme")?.value === "lamp" ? "lamp" : "paper";
  return (
    <html lang="en" data-theme={theme}>
      <body className="min-h-dvh">{children}</body>
    </html>
  );
}
