import type { Device } from '../equipment/model';
import type { Assessment } from './assessment';
import type { PowerUse } from './added-up';
import { energyUse } from './energy-use';

/** What a tank asks of the room's current. */
export function powerUse(assessment: Assessment): PowerUse {
  const all = Object.values(assessment.world.design.equipment);
  const fromElsewhere = (device: Device) => device.kind === 'air' && device.ofTankId !== undefined;
  const devices = all.filter((device) => !fromElsewhere(device));
  const lines: Record<string, number> = {};
  for (const { line = '', powerW } of devices) lines[line] = (lines[line] ?? 0) + (powerW ?? 0);
  return {
    ratedW: devices.reduce((sum, { powerW }) => sum + (powerW ?? 0), 0),
    kwhPerYear: energyUse(assessment).reduce((sum, row) => sum + (row.kwhPerYear ?? 0), 0),
    sockets: devices.length,
    timers: devices.filter(({ kind }) => kind === 'lamp').length + (assessment.world.design.water.co2 ? 1 : 0),
    lines,
    air: all.flatMap((device) => (device.kind === 'air' ? [{ lPerMin: device.lPerMin, ofTankId: device.ofTankId ?? null }] : [])),
    unstated: devices.filter(({ powerW }) => powerW === null).length,
  };
}
