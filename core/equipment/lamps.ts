import { ppfdAt, type Lamp, type WaterColumn } from '../light/field';
import { ppfdOfLux, umolPerS } from '../light/spectrum';
import type { Device, LampLight } from './model';

/** A lamp of a form as the field has it: every figure is there to be put right. */
export function newLamp(form: LampLight['form'], more: Partial<LampLight> = {}): LampLight {
  return {
    form,
    output: { value: 1000, unit: 'lm' },
    spectrum: 'led-neutral',
    beamDegrees: form === 'spot' ? 60 : 120,
    overWaterMm: 80,
    lengthMm: 500,
    widthMm: 40,
    atMm: null,
    dim: 1,
    hours: null,
    rampHours: 0,
    pauseHours: 0,
    reading: null,
    ...more,
  };
}

type Lit = Extract<Device, { kind: 'lamp' }>;
const lampsAmong = (devices: readonly Device[]): Lit[] => devices.filter((device): device is Lit => device.kind === 'lamp');

/** Hours of light a day: those of the lamps, the longest of them, else those that are planned; null while nobody has said. */
export function hoursOfLight(devices: readonly Device[], planned: number | null): number | null {
  const lamps = lampsAmong(devices);
  const own = lamps.flatMap(({ light }) => light?.hours ?? []);
  if (own.length === 0) return planned;
  return Math.max(...own, own.length < lamps.length ? (planned ?? 0) : 0);
}

/** Hours at full light that the light of a lamp comes to. */
const fullHours = ({ hours, rampHours, pauseHours }: LampLight, usual: number): number =>
  Math.max(0, (hours ?? usual) - rampHours - pauseHours);

/**
 * The lamps of a tank as light, over the hours of the tank: one that burns for part of them, or rises slowly, counts by its share. Null where there
 * is none, or one of them is not stated: half of the light is not known either.
 *
 * @param middleMm of the tank, from the left and from the front
 * @param hours of light of the tank
 */
export function lampsOf(
  devices: readonly Device[],
  middleMm: readonly [number, number],
  water: WaterColumn,
  hours: number,
): readonly Lamp[] | null {
  const lamps = lampsAmong(devices);
  if (lamps.length === 0) return null;
  const found = lamps.flatMap(({ light }): Lamp[] => {
    const output = light && umolPerS(light.output, light.spectrum);
    if (!light || output === null) return [];
    const { beamDegrees, overWaterMm, lengthMm, widthMm, atMm, dim, form } = light;
    const lamp: Lamp = {
      umolPerS: output * dim,
      beamDegrees,
      atMm: atMm ?? middleMm,
      overWaterMm,
      lengthMm: form === 'spot' ? 0 : lengthMm,
      widthMm: form === 'panel' ? widthMm : 0,
    };
    const share = hours > 0 ? Math.min(1, fullHours(light, hours) / hours) : 0;
    return [{ ...lamp, umolPerS: lamp.umolPerS * share * setRight(lamp, light, water) }];
  });
  return found.length === lamps.length ? found : null;
}

/** A label is wrong by so much at most: beyond it the reading is of something else. */
const MOST_OFF = 20;

/** By how much a reading under a lamp sets it right: 1 without one. */
function setRight(lamp: Lamp, { reading, spectrum }: LampLight, water: WaterColumn): number {
  if (!reading) return 1;
  const read = reading.unit === 'lux' ? ppfdOfLux(reading.value, spectrum) : reading.value;
  // a lamp is read by night, or daylight is taken off
  const reckoned = ppfdAt([lamp], { ...water, skyPpfd: 0 }, reading.atMm);
  if (read === null || reckoned <= 0) return 1;
  return Math.min(MOST_OFF, Math.max(1 / MOST_OFF, read / reckoned));
}

/** Share of light that a lid lets through. Common practice: a clean pane 0.9, mesh 0.8. */
export const THROUGH_LID = { none: 1, glass: 0.91, mesh: 0.8 } as const;
