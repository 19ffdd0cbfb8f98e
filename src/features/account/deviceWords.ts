const BROWSERS = [
  [/\bEdg/, "Edge"],
  [/\b(OPR|Opera)/, "Opera"],
  [/\b(Firefox|FxiOS)/, "Firefox"],
  [/Chrome|CriOS|Chromium/, "Chrome"],
  [/\bSafari/, "Safari"],
] as const;
const SYSTEMS = [
  [/\biPad/, "iPad"],
  [/\biPhone/, "iPhone"],
  [/\bAndroid.*Mobile/, "Android phone"],
  [/\bAndroid/, "Android tablet"],
  [/\bCrOS/, "Chromebook"],
  [/\bWindows/, "Windows"],
  [/\bMac OS X|\bMacintosh/, "Mac"],
  [/\bLinux/, "Linux"],
] as const;

const found = (words: readonly (readonly [RegExp, string])[], text: string) => words.find(([pattern]) => pattern.test(text))?.[1];

/** What a browser says of itself, as a person would: `deviceWords("Mozilla/5.0 (iPad; …) … Safari/605.1")` is "Safari, iPad". */
export function deviceWords(userAgent: string): string {
  return [found(BROWSERS, userAgent), found(SYSTEMS, userAgent)].filter(Boolean).join(", ") || "A device that does not say what it is";
}
