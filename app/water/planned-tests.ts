import type { Derived } from '../../core/assessment/derive';
import { FRESH_SALINITY_MAX } from '../../core/tank/scenario';
import type { Shifted, TestedWater } from '../../core/assessment/plan/shift';

const known = (values: Record<string, number | null | undefined>): TestedWater & { temperatureC?: number } =>
  Object.fromEntries(Object.entries(values).filter(([, value]) => value !== null && value !== undefined)) as TestedWater & {
    temperatureC?: number;
  };

/** The tank as it would test once it has settled. */
export const settledTests = (derived: Derived): TestedWater & { temperatureC?: number } =>
  known({
    ghDh: derived['planned.ghDh'].value,
    khDh: derived['planned.khDh'].value,
    ec25UsPerCm: derived['planned.ec25UsPerCm'].value,
    salinity: derived['planned.salinity'].value,
    temperatureC: derived['planned.temperatureC'].value,
  });

/** The water that is poured, as it leaves the mixing vessel. */
export const mixedTests = (derived: Derived): TestedWater => {
  const mixed = derived['water.mixed'].value;
  return mixed ? known({ ghDh: mixed.ghDh, khDh: mixed.khDh, ec25UsPerCm: mixed.ec25UsPerCm, salinity: mixed.salinity }) : {};
};

/** What is worth testing: salinity in salt water, hardness in fresh. */
export const testedIn = (derived: Derived): readonly Shifted[] =>
  (derived['planned.salinity'].value ?? 0) > FRESH_SALINITY_MAX ? ['salinity', 'khDh'] : ['ghDh', 'khDh', 'ec25UsPerCm'];
