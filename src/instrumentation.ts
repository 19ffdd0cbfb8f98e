/** Called once when a copy of the app starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs" || !process.env.IVY_DEVICE_URL) return;
  const { startJobs } = await import("@/server/jobs");
  startJobs();
}
