import type { Operation } from 'rfc6902';
import { USUAL_MONITOR, type MonitorPlan } from '../../care/model';
import { POINTS, type CalibrationPoint, type Monitored } from '../../reading/calibration';
import type { Design } from '../design';
import { pointer } from '../edit';

const AT = pointer('care', 'monitor');
const planOf = ({ care }: Design): MonitorPlan => care.monitor ?? USUAL_MONITOR;
const put = (plan: MonitorPlan): Operation[] => [{ op: 'replace', path: AT, value: plan }];

/** A monitor stands in the tank from now on. @param limits what it is watched for at first */
export const addMonitor = (limits: MonitorPlan['limits']): Operation[] => put({ ...USUAL_MONITOR, limits });

export const dropMonitor = ({ care }: Design): Operation[] => (care.monitor ? [{ op: 'replace', path: AT, value: null }] : []);

export const setMonitor = (
  design: Design,
  some: Partial<Pick<MonitorPlan, 'recordMinutes' | 'afterSeconds' | 'silentMinutes'>>,
): Operation[] => put({ ...planOf(design), ...some });

/** Watches a probe on one side; null watches it no more. */
export function setLimit(design: Design, parameter: Monitored, side: 'low' | 'high', value: number | null): Operation[] {
  const plan = planOf(design);
  const { [parameter]: before = { low: null, high: null }, ...others } = plan.limits;
  const next = { ...before, [side]: value };
  const unwatched = next.low === null && next.high === null;
  return put({ ...plan, limits: unwatched ? others : { ...others, [parameter]: next } });
}

/**
 * A probe was held in something known. A pH probe keeps one point for each of its two buffers: the one that lies nearer to the same true
 * value is taken again; the others keep one.
 */
export function calibrate(design: Design, parameter: Monitored, point: CalibrationPoint): Operation[] {
  const plan = planOf(design);
  const before = plan.calibration[parameter] ?? [];
  const kept = POINTS[parameter] === 1 ? [] : before.filter(({ is }) => Math.abs(is - point.is) > 0.5).slice(-1);
  return put({ ...plan, calibration: { ...plan.calibration, [parameter]: [...kept, point] } });
}

/** The probe is another, or its points were wrong: it is taken as it shows. */
export function forgetCalibration(design: Design, parameter: Monitored): Operation[] {
  const plan = planOf(design);
  const { [parameter]: _, ...calibration } = plan.calibration;
  return put({ ...plan, calibration });
}
