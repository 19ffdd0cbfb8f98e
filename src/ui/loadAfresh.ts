/** Goes to a page by a whole new load, so that nothing of the person before stays in the page's memory. */
export function loadAfresh(path: "/" | "/sign-in" | "/profile" | `/visits/${string}`): void {
  window.location.href = new URL(path, window.location.origin).href;
}
