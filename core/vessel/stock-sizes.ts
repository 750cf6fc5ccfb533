/** Usual ready-made boxes, inside millimetres [length, front to back, height], by volume. Common practice. */
export const STOCK_SIZES_MM: readonly (readonly [number, number, number])[] = [
  [200, 200, 250],
  [400, 250, 250],
  [300, 300, 300],
  [450, 300, 300],
  [600, 300, 300],
  [600, 300, 360],
  [600, 400, 300],
  [600, 450, 400],
  [800, 350, 400],
  [800, 400, 450],
  [1000, 400, 500],
  [1200, 400, 500],
  [1200, 500, 500],
  [1500, 600, 600],
  [1800, 600, 600],
];
