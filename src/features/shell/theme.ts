const YEAR_S = 365 * 86_400;

/** Paper to lamp and back, remembered by the browser so that the server draws it right at once. */
export function turnTheme(): void {
  const next = document.documentElement.dataset.theme === "lamp" ? "paper" : "lamp";
  document.documentElement.dataset.theme = next;
  document.cookie = `ivy-theme=${next}; path=/; max-age=${YEAR_S}; samesite=lax`;
}
