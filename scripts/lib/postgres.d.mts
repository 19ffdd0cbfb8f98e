type Urls = { owner: string; app: string; auth: string; device: string };
export function startPostgres(
  stateFolder: string,
  options?: { name?: string; durable?: boolean; port?: number },
): Promise<{ isNew: boolean; port: number; urls: Urls; stop: () => void; crash: () => void; destroy: () => void }>;
export function removePostgres(stateFolder: string, name?: string): void;
