import type { CurrentMap } from '../../core/assessment/current-map';

/** Where a drawing of the current goes up a step, mm/s: what stands, what drifts, what swims against, a torrent. */
export const CURRENT_STEPS = [5, 20, 50, 100] as const;
const WASH = {
  loam: { rgb: [18, 74, 92], strength: [0, 0.14, 0.3, 0.48, 0.68] },
  night: { rgb: [160, 214, 226], strength: [0, 0.12, 0.26, 0.42, 0.6] },
} as const;
type Theme = keyof typeof WASH;

/** The steps as a key to the drawing, in centimetres a second as flow is spoken of. */
export function currentKey(theme: Theme): { text: string; fill: string }[] {
  const { rgb, strength } = WASH[theme];
  return strength.map((share, i) => ({
    text:
      i === 0
        ? `under ${CURRENT_STEPS[0] / 10}`
        : i === CURRENT_STEPS.length
          ? `over ${CURRENT_STEPS[i - 1]! / 10}`
          : `${CURRENT_STEPS[i - 1]! / 10}–${CURRENT_STEPS[i]! / 10}`,
    fill: `rgb(${rgb.join(' ')} / ${share})`,
  }));
}

/** How fast the water goes where; in steps, so that a place can be read off. */
export function currentPicture({ columns, rows, mmPerS }: CurrentMap, theme: Theme): string | null {
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [columns, rows];
  const context = canvas.getContext('2d');
  if (!context) return null;
  const { rgb, strength } = WASH[theme];
  const image = context.createImageData(columns, rows);
  mmPerS.forEach((speed, i) => {
    if (speed < 0) return;
    const step = CURRENT_STEPS.findIndex((edge) => speed < edge);
    image.data.set([...rgb, Math.round(strength[step < 0 ? CURRENT_STEPS.length : step]! * 255)], i * 4);
  });
  context.putImageData(image, 0, 0);
  return canvas.toDataURL();
}
