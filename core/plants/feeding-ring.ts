/** A feeding ring as it is sold, mm across. */
export const USUAL_RING_MM = 100;
/** As wide as a pinch of food is let fall into, mm: a narrower one is no window. Common practice. */
export const FEEDING_RING_MM = 80;

/** Where it floats: to the right and at the front, where food is given from. Millimetres from the left and from the front. */
export function ringAt({ lengthMm, widthMm }: { lengthMm: number; widthMm: number }, diameterMm: number): [number, number] {
  return [Math.round(lengthMm * 0.7), Math.round(Math.max(diameterMm / 2 + 10, widthMm * 0.3))];
}
