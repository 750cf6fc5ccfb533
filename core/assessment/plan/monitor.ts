import type { MonitorPlan } from '../../care/model';
import { PARAMETER_META } from '../../catalogue/parameter';
import { conductivityOf } from '../../chemistry/conductivity';
import type { StandIn } from '../../monitor/stand-in-model';
import { lampsOnHourOf } from '../../tank/scenario';
import type { Assessment } from '../assessment';
import { windowNodeOf } from '../derive';
import { forecastBasis, meterFor } from '../forecast';

/** Water that falls further than that has gone another way than into the air; that stands higher runs over. Common practice. */
const LEVEL_BELOW_MM = 30;
const LEVEL_ABOVE_MM = 10;
/** Salts that are off by more than that share are not those of the plan. Common practice. */
const EC_SHARE = 0.3;
const DAY_MS = 86_400_000;
const rounded = (value: number): number => Math.round(value * 100) / 100;

/** What a monitor is watched for at first: where all that live here are well, the salts of the plan, and the level. */
export function usualLimits({ world, derived }: Assessment): MonitorPlan['limits'] {
  const limits: MonitorPlan['limits'] = {};
  for (const parameter of ['temperatureC', 'ph'] as const) {
    const window = windowNodeOf(derived, parameter).value?.tolerance;
    // an edge is no better known than that, and no probe that was not held in a buffer reads closer
    const { by } = PARAMETER_META[parameter].blur;
    if (window) limits[parameter] = { low: rounded(window[0] - by), high: rounded(window[1] + by) };
  }
  const ec = derived['water.mixed'].value?.ec25UsPerCm;
  if (typeof ec === 'number' && ec > 0)
    limits.ec25UsPerCm = { low: Math.round(ec * (1 - EC_SHARE)), high: Math.round(ec * (1 + EC_SHARE)) };
  const level = world.design.vessel?.waterLevelMm;
  if (level !== undefined) limits.levelMm = { low: Math.max(0, level - LEVEL_BELOW_MM), high: level + LEVEL_ABOVE_MM };
  return limits;
}

/**
 * A made-up monitor that measures this tank as its balance has it, from when the lamps went on yesterday; null while there is no vessel or no
 * known water.
 *
 * @param midnightMs the midnight that today began with where the tank stands
 */
export function standInOf({ world, derived }: Assessment, midnightMs: number, everyS: number, seed: number): StandIn | null {
  const scenario = forecastBasis(world, derived, new Date(midnightMs + DAY_MS / 2).getUTCMonth())?.scenario;
  const mixed = derived['water.mixed'].value;
  const level = world.design.vessel?.waterLevelMm;
  if (!scenario || !mixed || level === undefined) return null;
  const modelled = conductivityOf(mixed.ions);
  const ecTimes = modelled > 0 ? meterFor(mixed)(mixed.ions, scenario.salinity) / modelled : 1;
  return {
    scenario,
    ecTimes: ecTimes > 0 && ecTimes <= 10 ? ecTimes : 1,
    levelMm: level,
    litresPerMm: Math.max(0.01, scenario.gas.surfaceM2),
    begunMs: midnightMs - DAY_MS + lampsOnHourOf(scenario) * 3600_000,
    everyS,
    seed,
    faults: [],
    bath: null,
  };
}
