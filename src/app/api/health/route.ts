/** Answers as soon as the app can; says nothing about anyone. */
export function GET() {
  return Response.json({ ok: true });
}
export const dynamic = "force-static";
