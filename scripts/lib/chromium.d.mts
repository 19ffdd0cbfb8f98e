export const CHROMIUM: { readonly executablePath: string; readonly args: string[] };
