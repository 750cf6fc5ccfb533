import type { Alarm } from '../../monitor/watch';
import type { PROBE_FAULTS, TANK_FAULTS } from '../../monitor/stand-in-model';
import { formatQuantity, type UnitChoice } from '../../quantity/format';
import type { Calibrated, Monitored } from '../../reading/calibration';
import { PARAMETER_META } from '../../reading/parameter';

const amount = (parameter: Monitored, value: number, units: UnitChoice): string =>
  formatQuantity(PARAMETER_META[parameter].kind, value, units);

/** How long something has lasted: “40 seconds”, “12 minutes”, “3 hours”. */
export function lasting(ms: number): string {
  const [value, word] = ms < 90_000 ? [ms / 1000, 'second'] : ms < 5_400_000 ? [ms / 60_000, 'minute'] : [ms / 3_600_000, 'hour'];
  const whole = Math.max(1, Math.round(value));
  return `${whole} ${word}${whole === 1 ? '' : 's'}`;
}

/** What to do first, harming nothing. Common practice. */
const FIRST: Readonly<Record<Monitored, Readonly<Record<'low' | 'high', string>>>> = {
  temperatureC: {
    high: 'Unplug the heater, take the lid off, blow air over the water. No ice, no cold change: a degree in a few hours at most.',
    low: 'Look at heater and plug, mains off before hands go in. Warm by a degree in a few hours at most.',
  },
  ph: {
    high: 'Read another kit before anything is poured: a probe that dries out or is soiled reads wrong. Then look for lime, or ammonia.',
    low: 'Read another kit before anything is poured. Then test KH: acid water that is pushed up at once sets ammonia free.',
  },
  ec25UsPerCm: {
    high: 'Test another way. Salts stay when water goes: was it topped up with tap water, or dosed twice?',
    low: 'Test another way. Was pure water poured at a change, or a recipe left out?',
  },
  levelMm: {
    high: 'Mains off within reach of the water. Look at weir, intake and top-up: something is blocked, or runs on.',
    low: 'Mains off within reach of the water, then look for where it goes: hose, seam, sump. A heater that stands bare cracks.',
  },
};

/** An alarm in words. */
export function wordAlarm(
  { parameter, what, sinceMs, worst, limit, endedMs }: Alarm,
  nowMs: number,
  units: UnitChoice,
): { title: string; detail: string; then: string } {
  const name = parameter === null ? 'The monitor' : PARAMETER_META[parameter].name;
  const lasted = lasting((endedMs ?? nowMs) - sinceMs);
  const over = endedMs === null ? `for ${lasted} now` : `for ${lasted}; it has come back`;
  if (what === 'silent')
    return {
      title: parameter === null ? 'The monitor is silent' : `The probe of ${name} is silent`,
      detail: `Nothing was heard ${over}. What it is meanwhile is not known.`,
      then: 'Look at plug and cable, and read a thermometer until it is back.',
    };
  const of = parameter!;
  return {
    title: `${name} is too ${what}: ${amount(of, worst ?? 0, units)}`,
    detail: `${what === 'high' ? 'Above' : 'Below'} ${amount(of, limit ?? 0, units)} ${over}.`,
    then: FIRST[of][what],
  };
}

export const PROBE_FAULT_WORD: Readonly<Record<(typeof PROBE_FAULTS)[number], string>> = {
  stuck: 'stands still',
  drifts: 'drifts',
  noisy: 'dances',
  'drops-out': 'drops out now and then',
  dead: 'gives nothing',
};

export const TANK_FAULT_WORD: Readonly<Record<(typeof TANK_FAULTS)[number], string>> = {
  'heater-on': 'The heater sticks on',
  'heater-off': 'The heater gives nothing',
  leak: 'The tank leaks',
};

export const CALIBRATION_WORD: Readonly<Record<NonNullable<Calibrated['fault']>, string>> = {
  worn: 'Below 85 % of its slope: clean it in its liquid, then hold it in the buffers again; one that stays there is at its end.',
  buffers: 'Steeper than a probe can be: one of the buffers was another than stated, or stale.',
  cell: 'Off by more than a cell can be: a bubble, lime, or another standard than stated.',
  'too-close': 'Both points are of the same buffer: that shifts it and sets no slope. Take one that lies two or three units away.',
};

/** How a pH probe stands: “95 % of its slope”. */
export const wordSlope = ({ slope }: Calibrated): string => `${Math.round(slope * 100)} % of its slope`;
