export type Said = { readonly pid: number; readonly url?: string };
export function askRunning(stateFolder: string, name: string): Promise<Said | null>;
export function claim(stateFolder: string, name: string): Promise<{ tell: (more: { url: string }) => void; release: () => void }>;
