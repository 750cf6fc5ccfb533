import { NO_STEP, type PlannedStep } from '../../schedule/step';
import type { StartTank, ThenDone } from '../../startup/ensemble';

export type StartIf = 'warmer' | 'media' | 'plants' | 'change' | 'light' | 'less' | 'more' | 'alkalinity';

/** Something that can be done on a day of the start, what it does to the tank, and the step that it is. */
export interface StartOption {
  id: StartIf;
  then: ThenDone;
  step: PlannedStep;
}

/** Degrees warmer, and as warm as it goes: above it nitrifiers gain nothing. Common practice. */
const WARMER_C = 3;
const WARMEST_C = 30;
/** Grown-in media, litres to a litre of water: a sponge of a litre for fifty. Common practice. */
const MEDIA_SHARE = 0.02;
/** Fast stems and floaters besides those that are planned, g N/m² a day over half of the surface. Recalled: order of floating plants. */
const PLANTS_MG_N_PER_L = 0.4;
const CHANGE = 0.5;
const LIGHT = 1.3;
/** A dKH and a half more, meq/L. */
const KH_DKH = 2;
const MEQ_PER_DKH = 0.3566;
/** Milligrams of baking soda to a milliequivalent. */
const SODA_MG_PER_MEQ = 84.007;

/**
 * What may be done on a day of the start; nothing that changes nothing.
 *
 * @param day days since it was begun
 * @param litres of the whole system
 * @param pourL litres of the room's sources that make up the tank's water, in all
 */
export function startOptions(tank: StartTank, day: number, litres: number, pourL: Readonly<Record<string, number>>): StartOption[] {
  const step = (code: PlannedStep['code'], rest: Partial<PlannedStep> = {}): PlannedStep => ({ ...NO_STEP, after: 0, code, ...rest });
  const warmer = Math.min(WARMEST_C, tank.temperatureC + WARMER_C);
  const poured = Object.values(pourL).reduce((sum, one) => sum + one, 0);
  const options: (StartOption | null)[] = [
    warmer - tank.temperatureC < 0.5
      ? null
      : { id: 'warmer', then: { day, tank: { temperatureC: warmer } }, step: step('warm', { values: { temperatureC: warmer } }) },
    {
      id: 'media',
      then: { day, tank: {}, mediaShare: MEDIA_SHARE },
      step: step('media', { values: { litres: Math.max(0.1, Math.round(10 * MEDIA_SHARE * litres) / 10) } }),
    },
    { id: 'plants', then: { day, tank: { plantsMgNPerLPerDay: tank.plantsMgNPerLPerDay + PLANTS_MG_N_PER_L } }, step: step('plant') },
    {
      id: 'change',
      then: { day, tank: {}, changed: CHANGE },
      step: step('change', {
        pourL: Object.fromEntries(Object.entries(pourL).map(([id, part]) => [id, poured > 0 ? (part / poured) * litres * CHANGE : 0])),
      }),
    },
    tank.plantsMgNPerLPerDay <= 0
      ? null
      : {
          id: 'light',
          then: { day, tank: { plantsMgNPerLPerDay: tank.plantsMgNPerLPerDay * LIGHT } },
          step: step('light', { values: { share: LIGHT } }),
        },
    tank.doseMgNPerLPerDay <= 0
      ? null
      : {
          id: 'less',
          then: { day, tank: { doseMgNPerLPerDay: tank.doseMgNPerLPerDay / 2 } },
          step: step('feed', { values: { mgNPerLPerDay: tank.doseMgNPerLPerDay / 2 } }),
        },
    tank.doseMgNPerLPerDay <= 0
      ? null
      : {
          id: 'more',
          then: { day, tank: { doseMgNPerLPerDay: tank.doseMgNPerLPerDay * 2 } },
          step: step('feed', { values: { mgNPerLPerDay: tank.doseMgNPerLPerDay * 2 } }),
        },
    {
      id: 'alkalinity',
      then: { day, tank: {}, addMeqPerL: KH_DKH * MEQ_PER_DKH },
      step: step('dose', { saltsG: { 'sodium-bicarbonate': (KH_DKH * MEQ_PER_DKH * SODA_MG_PER_MEQ * litres) / 1000 } }),
    },
  ];
  return options.filter((option) => option !== null);
}
