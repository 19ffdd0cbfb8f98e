export type ButtonTone = "ivy" | "line" | "plain" | "stop";

export const BUTTON_TONES: Record<ButtonTone, string> = {
  ivy: "bg-ivy text-on-ivy hover:bg-ivy-deep border border-transparent",
  line: "border border-ivy text-ivy hover:bg-moss-soft",
  plain: "border border-transparent text-ivy hover:bg-moss-soft",
  stop: "border border-rosehip text-rosehip hover:bg-rosehip-soft",
};
export const BUTTON_SHAPE =
  "inline-flex items-center justify-center gap-2 rounded-full py-1.5 font-semibold transition-colors disabled:cursor-not-allowed disabled:opacity-50";
export const BUTTON_SIZE = "min-h-9 px-4 text-[0.9375rem]";
