export function freePort(wished?: number): Promise<number>;
