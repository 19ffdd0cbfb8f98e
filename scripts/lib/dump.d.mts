export function dumpTo(url: string, file: string): void;
export function restoreFrom(url: string, file: string): void;
export function textOf(url: string, file: string): string;
export function isEmpty(url: string): Promise<boolean>;
