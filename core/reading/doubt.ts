import * as z from 'zod';
import { Day, daysFrom } from '../schedule/day';
import { LoggedParameter } from './parameter';

export const Kit = z.enum(['drops', 'strip', 'meter', 'laboratory']);
export type Kit = z.infer<typeof Kit>;

/** Doubt of a reading: at least so much, or a share of it. Common practice: steps of drops and fields, meters as calibrated at home. */
const DOUBT: Readonly<Record<Kit, Readonly<Record<LoggedParameter, readonly [least: number, share: number]>>>> = {
  drops: {
    temperatureC: [1, 0],
    ph: [0.25, 0],
    ghDh: [0.7, 0.05],
    khDh: [0.6, 0.05],
    ec25UsPerCm: [10, 0.1],
    salinity: [1, 0.05],
    nitrateMgPerL: [3, 0.25],
    ammoniaMgNPerL: [0.15, 0.25],
    nitriteMgNPerL: [0.1, 0.25],
    phosphateMgPerL: [0.1, 0.25],
    oxygenMgPerL: [1, 0.1],
    copperMgPerL: [0.05, 0.3],
    ironMgPerL: [0.05, 0.3],
    levelMm: [5, 0],
  },
  strip: {
    temperatureC: [1.5, 0],
    ph: [0.5, 0],
    ghDh: [3, 0.3],
    khDh: [3, 0.3],
    ec25UsPerCm: [50, 0.3],
    salinity: [2, 0.1],
    nitrateMgPerL: [10, 0.5],
    ammoniaMgNPerL: [0.4, 0.4],
    nitriteMgNPerL: [0.3, 0.4],
    phosphateMgPerL: [0.5, 0.5],
    oxygenMgPerL: [2, 0.2],
    copperMgPerL: [0.2, 0.5],
    ironMgPerL: [0.2, 0.5],
    levelMm: [5, 0],
  },
  meter: {
    temperatureC: [0.3, 0],
    ph: [0.1, 0],
    ghDh: [0.5, 0.05],
    khDh: [0.5, 0.05],
    ec25UsPerCm: [5, 0.03],
    salinity: [0.5, 0.02],
    nitrateMgPerL: [3, 0.2],
    ammoniaMgNPerL: [0.05, 0.15],
    nitriteMgNPerL: [0.05, 0.15],
    phosphateMgPerL: [0.05, 0.1],
    oxygenMgPerL: [0.3, 0.03],
    copperMgPerL: [0.02, 0.15],
    ironMgPerL: [0.02, 0.15],
    levelMm: [3, 0],
  },
  laboratory: {
    temperatureC: [0.1, 0],
    ph: [0.1, 0],
    ghDh: [0.1, 0.03],
    khDh: [0.1, 0.03],
    ec25UsPerCm: [3, 0.02],
    salinity: [0.2, 0.01],
    nitrateMgPerL: [0.5, 0.05],
    ammoniaMgNPerL: [0.03, 0.1],
    nitriteMgNPerL: [0.02, 0.1],
    phosphateMgPerL: [0.02, 0.05],
    oxygenMgPerL: [0.2, 0.02],
    copperMgPerL: [0.003, 0.05],
    ironMgPerL: [0.003, 0.05],
    levelMm: [2, 0],
  },
};

/** A kit or meter of the room, as far as its keeper has said. */
export const RoomKit = z
  .strictObject({
    order: z.number().finite(),
    name: z.string().trim().min(1, 'a name is wanted').max(60),
    kit: Kit,
    /** What it reads. */
    reads: z.array(LoggedParameter).min(1, 'say what it reads').max(20),
    /** Counted drops go by steps: what is read is the first that turned, so the water lies within the step below. Null for read by colour or figure. */
    step: z.number().positive().max(100).nullable(),
    /** Its error either way, as its leaflet says; null for what such kits usually have. */
    error: z.number().positive().max(1000).nullable(),
    expires: Day.nullable(),
    calibratedOn: Day.nullable(),
    /** Null for one that is not calibrated. */
    calibrateEveryDays: z.number().int().min(1).max(730).nullable(),
  })
  .refine(({ kit, calibrateEveryDays }) => kit === 'meter' || calibrateEveryDays === null, {
    message: 'only a meter is calibrated',
    path: ['calibrateEveryDays'],
  });
export type RoomKit = z.infer<typeof RoomKit>;

/** Past its date a kit errs twice as much, and a meter half as much again for each term it was not calibrated, up to three times. Common practice. */
const EXPIRED_TIMES = 2;
const OVERDUE_SHARE = 0.5;
const OVERDUE_MOST = 3;

export interface KitState {
  expired: boolean;
  /** Days since a calibration was due; 0 while none is. */
  calibrationOverdueDays: number;
}

/** How a kit stands on a day. */
export function kitStateOn(kit: RoomKit, day: Day): KitState {
  const since = kit.calibrateEveryDays === null ? 0 : kit.calibratedOn === null ? null : daysFrom(kit.calibratedOn, day);
  return {
    expired: kit.expires !== null && day > kit.expires,
    calibrationOverdueDays: since === null ? kit.calibrateEveryDays! : Math.max(0, since - (kit.calibrateEveryDays ?? 0)),
  };
}

/** How far a reading may be from the truth, either way. */
export function doubtOf({ parameter, kit, value }: { parameter: LoggedParameter; kit: Kit; value: number }): number {
  const [least, share] = DOUBT[kit][parameter];
  return Math.max(least, share * value);
}

/**
 * Where the truth lies behind a reading.
 *
 * @param own the very kit it was read with, where it is known
 * @param day on which it was read
 */
export function rangeOf(
  { parameter, kit, value }: { parameter: LoggedParameter; kit: Kit; value: number },
  own: RoomKit | null,
  day: Day,
): [low: number, high: number] {
  const state = own && kitStateOn(own, day);
  const overdue = state ? 1 + (OVERDUE_SHARE * state.calibrationOverdueDays) / (own!.calibrateEveryDays ?? 1) : 1;
  const times = Math.min(OVERDUE_MOST, overdue) * (state?.expired ? EXPIRED_TIMES : 1);
  const usual = own?.error ?? (own?.step ? own.step / 2 : doubtOf({ parameter, kit, value }));
  const doubt = usual * times;
  const middle = own?.step ? value - own.step / 2 : value;
  const least = FROM_NOTHING.has(parameter) ? 0 : -Infinity;
  return [Math.max(least, middle - doubt), Math.max(least, middle + doubt)];
}

/** Amounts, of which there is never less than none. */
const FROM_NOTHING: ReadonlySet<LoggedParameter> = new Set(LoggedParameter.options.filter((one) => one !== 'temperatureC' && one !== 'ph'));
