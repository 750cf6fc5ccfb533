import { inOrder } from '../design/design';
import { kwhPerYear } from '../equipment/energy';
import type { Device } from '../equipment/model';
import type { MonthBalance } from '../equipment/year-temperature';
import type { Assessment } from './assessment';
import { lightHours } from './derive/assumed';

/** What one device uses in a year. */
export interface EnergyRow {
  id: string;
  kind: Device['kind'];
  /** Mean watts while it is on, and hours a day that it is; null where they are not known. */
  watts: number | null;
  hours: number | null;
  kwhPerYear: number | null;
}

/** Of the heat that a cooler takes out, what it draws for it. Common practice: half, small ones with pads as much. */
const DRAWN_BY_COOLING = 0.6;

const meanOf = (balance: readonly MonthBalance[], of: (month: MonthBalance) => readonly [number, number]): number =>
  balance.reduce((sum, month) => sum + Math.max(0, (of(month)[0] + of(month)[1]) / 2), 0) / balance.length;

/**
 * Every device of a tank, by its label and its hours; heater and cooler by what the year takes of them, which is less than their label.
 * Several heaters share what is taken.
 */
export function energyUse({ world: { design }, derived }: Assessment): EnergyRow[] {
  const balance = derived['heat.balance'].value;
  const devices = inOrder(design.equipment);
  const share = (kind: Device['kind']) => 1 / Math.max(1, devices.filter(([, device]) => device.kind === kind).length);
  return devices.map(([id, device]): EnergyRow => {
    const { kind, powerW } = device;
    const row = (watts: number | null, hours: number | null): EnergyRow => ({
      id,
      kind,
      watts,
      hours,
      kwhPerYear: watts === null || hours === null ? null : kwhPerYear(watts, hours),
    });
    // another tank pays for it
    if (device.kind === 'air' && device.ofTankId !== undefined) return row(0, 24);
    switch (kind) {
      case 'heater':
        return row(balance ? share(kind) * meanOf(balance, ({ heaterW }) => heaterW) : null, 24);
      case 'cooler':
        return row(balance ? DRAWN_BY_COOLING * share(kind) * meanOf(balance, ({ coolerW }) => coolerW) : null, 24);
      case 'fan':
        // how long it blows hangs on the hottest days
        return row(powerW, null);
      case 'lamp':
        return row(powerW, device.light?.hours ?? lightHours(design));
      default:
        return row(powerW, 24);
    }
  });
}

/** Heat that a cooler gives to the room at its hardest, W: what it takes out of the water, and what it draws. Null where there is none. */
export function coolerWasteW({ derived }: Assessment): number | null {
  const most = Math.max(0, ...(derived['heat.balance'].value ?? []).map(({ coolerW }) => Math.max(...coolerW)));
  return most > 0 ? most * (1 + DRAWN_BY_COOLING) : null;
}
