import type { Operation } from 'rfc6902';
import type { Design } from '../../core/design/design';
import { lightHours } from '../../core/assessment/derive/assumed';
import { hoursOfLight } from '../../core/equipment/lamps';
import { lampsOnHourOf } from '../../core/tank/scenario';

/** Something on the clock that a hand can take: an end of light or CO2, or a meal. */
export type ClockHandle = 'lamps-on' | 'lamps-off' | 'co2-on' | 'co2-off' | `meal-${number}`;

const wrapped = (hour: number): number => ((hour % 24) + 24) % 24;
/** Switches are set to the quarter of an hour. */
export const quarter = (hour: number): number => wrapped(Math.round(hour * 4) / 4);

/** The hours of a design's day: light, CO2 and meals. */
export interface Hours {
  lamps: readonly [on: number, off: number];
  lampHours: number;
  /** Its lamps say their hours themselves. */
  byLamps: boolean;
  co2: { on: number; off: number; own: boolean } | null;
  meals: readonly number[];
}

export function hoursOf(design: Design): Hours {
  const { care, water } = design;
  const lampHours = lightHours(design);
  const on = wrapped(lampsOnHourOf({ lampHours, ...(care.lampsOnHour === null ? {} : { lampsOnHour: care.lampsOnHour }) }));
  const lamps = [on, wrapped(on + lampHours)] as const;
  const { co2 } = water;
  return {
    lamps,
    lampHours,
    byLamps: hoursOfLight(Object.values(design.equipment), null) !== null,
    co2: co2 && { on: co2.onHour ?? lamps[0], off: co2.offHour ?? lamps[1], own: co2.onHour !== null || co2.offHour !== null },
    meals: care.feedHours,
  };
}

/** The patch that sets a switch or a meal to an hour; empty where that changes nothing. */
export function clockPatch(design: Design, handle: ClockHandle, hour: number): Operation[] {
  const at = quarter(hour);
  const { lamps, co2, meals } = hoursOf(design);
  switch (handle) {
    case 'lamps-on':
    case 'lamps-off': {
      const [on, off] = handle === 'lamps-on' ? [at, lamps[1]] : [lamps[0], at];
      const hours = wrapped(off - on) || 24;
      const own = Object.entries(design.equipment).filter(([, device]) => device.kind === 'lamp' && (device.light?.hours ?? null) !== null);
      return [
        { op: 'replace', path: '/care/lampsOnHour', value: on },
        ...(own.length === 0
          ? [{ op: 'replace' as const, path: '/care/lampHours', value: hours }]
          : own.map(([id]) => ({ op: 'replace' as const, path: `/equipment/${id}/light/hours`, value: hours }))),
      ];
    }
    case 'co2-on':
      return co2 ? [setCo2('onHour', at), setCo2('offHour', co2.off)] : [];
    case 'co2-off':
      return co2 ? [setCo2('onHour', co2.on), setCo2('offHour', at)] : [];
    default: {
      const i = Number(handle.slice('meal-'.length));
      return [{ op: 'replace', path: '/care/feedHours', value: meals.map((meal, k) => (k === i ? at : meal)) }];
    }
  }
}
const setCo2 = (which: 'onHour' | 'offHour', value: number): Operation => ({ op: 'replace', path: `/water/co2/${which}`, value });

/** An hour of the clock as it is read: 7:15. */
export function clockText(hour: number): string {
  const at = Math.round(wrapped(hour) * 60);
  return `${Math.floor(at / 60) % 24}:${String(at % 60).padStart(2, '0')}`;
}
