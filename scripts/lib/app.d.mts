import type { ChildProcess } from "node:child_process";

type Postgres = { urls: { owner?: string; app: string; auth: string; device: string } };
type Secrets = { secret: string; password: string; tokens: Record<string, string> };
export function appEnv(postgres: Postgres, secrets: Secrets, port: number, more?: Record<string, string>): Record<string, string>;
export function migrate(postgres: Postgres): void;
export function loadDemo(postgres: Postgres, secrets: Secrets, more?: Record<string, string>): void;
export function startApp(
  postgres: Postgres,
  secrets: Secrets,
  options?: { port?: number; env?: Record<string, string> },
): Promise<{ url: string; port: number; child: ChildProcess; ended: Promise<unknown>; stop: () => Promise<void> }>;
