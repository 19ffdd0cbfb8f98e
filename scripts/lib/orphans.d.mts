export function beganAt(pid: number): number | null;
export function childrenIn(file: string): { add: (child: { pid?: number }) => void; remove: (child: { pid?: number }) => void };
export function endOrphans(file: string, options?: { kindlyMs?: number }): Promise<number>;
