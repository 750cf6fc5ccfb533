import type { LightMap } from '../../core/assessment/light-map';

/** Where a drawing of light goes up a step, µmol/m²s: shade plants, half light, open light, and what burns them. */
export const LIGHT_STEPS = [15, 30, 60, 120] as const;
/** By day shadow is laid over the water, at night the light of the lamps over the dark. */
const WASH = {
  loam: { rgb: [24, 32, 58], strength: [0.62, 0.44, 0.28, 0.14, 0] },
  night: { rgb: [244, 228, 176], strength: [0, 0.1, 0.22, 0.36, 0.52] },
} as const;
type Theme = keyof typeof WASH;

/** The steps as a key to the drawing. */
export function lightKey(theme: Theme): { text: string; fill: string }[] {
  const { rgb, strength: strengths } = WASH[theme];
  return strengths.map((strength, i) => ({
    text:
      i === 0
        ? `under ${LIGHT_STEPS[0]}`
        : i === LIGHT_STEPS.length
          ? `over ${LIGHT_STEPS[i - 1]}`
          : `${LIGHT_STEPS[i - 1]}–${LIGHT_STEPS[i]}`,
    fill: `rgb(${rgb.join(' ')} / ${strength})`,
  }));
}

/** What light falls where; in steps, so that a place can be read off. */
export function lightPicture({ columns, rows, ppfd }: LightMap, theme: Theme): string | null {
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [columns, rows];
  const context = canvas.getContext('2d');
  if (!context) return null;
  const { rgb, strength: strengths } = WASH[theme];
  const image = context.createImageData(columns, rows);
  ppfd.forEach((light, i) => {
    if (light < 0) return;
    const step = LIGHT_STEPS.findIndex((edge) => light < edge);
    const strength = strengths[step < 0 ? LIGHT_STEPS.length : step]!;
    image.data.set([...rgb, Math.round(strength * 255)], i * 4);
  });
  context.putImageData(image, 0, 0);
  return canvas.toDataURL();
}
