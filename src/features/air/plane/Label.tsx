export type Anchor = "start" | "middle" | "end";
/** Words at a place in a drawing, with how wide and high they come out, about. */
export type Placed = { readonly words: string; readonly x: number; readonly y: number; readonly anchor: Anchor; readonly size: number };

/** Room that a letter takes of its size, at most: the sans at its usual weight. */
const LETTER = 0.56;

function boxOf({ words, x, y, anchor, size }: Placed) {
  const width = words.length * size * LETTER;
  const left = anchor === "start" ? x : anchor === "end" ? x - width : x - width / 2;
  return { left, right: left + width, top: y - size, bottom: y + size * 0.25 };
}

/** Do these words lie on those? */
export function overlaps(a: Placed, b: Placed): boolean {
  const [one, other] = [boxOf(a), boxOf(b)];
  return one.left < other.right && other.left < one.right && one.top < other.bottom && other.top < one.bottom;
}

/** Do these words lie on a point? */
export function covers(words: Placed, [x, y]: readonly [number, number]): boolean {
  const { left, right, top, bottom } = boxOf(words);
  return x > left && x < right && y > top && y < bottom;
}

/** Small words on a drawing, clear of the lines that run under them. */
export function Label({ words, x, y, anchor, size, strong = false }: Placed & { strong?: boolean }) {
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      fontSize={size}
      fontWeight={strong ? 700 : undefined}
      fill={strong ? "var(--ink)" : "var(--ink-2)"}
      stroke="var(--paper)"
      strokeWidth={strong ? 4 : 3}
      paintOrder="stroke"
    >
      {words}
    </text>
  );
}
