import type { Lamp } from '../light/field';
import { umolPerS } from '../light/spectrum';
import type { Device } from './model';

/**
 * The lamps of a tank as light; null where there is none, or one of them is not stated: half of the light is not known either.
 *
 * @param middleMm of the tank, from the left and from the front
 */
export function lampsOf(devices: readonly Device[], middleMm: readonly [number, number]): readonly Lamp[] | null {
  const lamps = devices.filter((device) => device.kind === 'lamp');
  if (lamps.length === 0) return null;
  const found = lamps.flatMap(({ light }): Lamp[] => {
    const output = light && umolPerS(light.output, light.spectrum);
    if (!light || output === null) return [];
    const { beamDegrees, overWaterMm, lengthMm, widthMm, atMm, dim, form } = light;
    return [
      {
        umolPerS: output * dim,
        beamDegrees,
        atMm: atMm ?? middleMm,
        overWaterMm,
        lengthMm: form === 'spot' ? 0 : lengthMm,
        widthMm: form === 'panel' ? widthMm : 0,
      },
    ];
  });
  return found.length === lamps.length ? found : null;
}

/** Share of light that a lid lets through. Common practice: a clean pane 0.9, mesh 0.8. */
export const THROUGH_LID = { none: 1, glass: 0.91, mesh: 0.8 } as const;
