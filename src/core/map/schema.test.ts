import { layerSchema } from "./schema";

test("a layer has forty zones at most: finer than a lash line can be parted", () => {
  const layer = (count: number) => ({
    role: "base",
    boundaries: Array.from({ length: count + 1 }, (_, i) => i / count),
    zones: Array.from({ length: count }, () => null),
  });
  expect([1, 40, 41].map((count) => layerSchema.safeParse(layer(count)).success)).toEqual([true, true, false]);
});
