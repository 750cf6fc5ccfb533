import { inOrder } from '../quantity/in-order';
import type { Outlet } from './current-field';
import type { Device, FilterForm } from './model';
import type { Flow } from './runs';

/** Litres an hour that go through for each watt, after hoses and sponge: pumps, filters, small ones driven by air or in the tank. Common practice. */
const LITRES_PER_HOUR_W = { pump: 70, filter: 50, small: 12 } as const;

/** Flow of what is rated in watts alone, L/h: a rule of thumb. */
export const flowByPower = (kind: 'filter' | 'pump', powerW: number): number =>
  powerW * LITRES_PER_HOUR_W[kind === 'pump' ? 'pump' : powerW < 10 ? 'small' : 'filter'];

/** Inside of a nozzle that nobody has measured, mm: a lift tube, a weir's lip as a round one, a spray pipe. Common practice. */
const BORE_MM: Readonly<Record<FilterForm | 'pump', number>> = {
  sponge: 18,
  mat: 18,
  internal: 12,
  'hang-on': 28,
  canister: 13,
  sump: 20,
  undergravel: 18,
  pump: 25,
};
/** Under the surface, and from the panes. */
const UNDER_MM = 30;
const ASIDE_MM = 30;

/** A tank's inside, as far as its water stands. */
interface Inside {
  lengthMm: number;
  widthMm: number;
  waterLevelMm: number;
}

/** The outlets of a tank, and whether all of them were given a place. What has neither flow nor power blows nothing. */
export function outletsOf(
  equipment: Readonly<Record<string, Device>>,
  vessel: Inside | null,
  each: Readonly<Record<string, Flow>>,
): { outlets: Outlet[]; placed: boolean; unknown: number } {
  let placed = true;
  let unknown = 0;
  const outlets = inOrder(equipment).flatMap(([id, device]): Outlet[] => {
    if (!vessel || (device.kind !== 'filter' && device.kind !== 'pump')) return [];
    const lPerH = each[id]?.lPerH ?? (device.powerW === null ? null : flowByPower(device.kind, device.powerW));
    if (lPerH === null) {
      unknown++;
      return [];
    }
    const runs = device.runs;
    const boreMm = runs?.outletMm ?? BORE_MM[device.kind === 'pump' ? 'pump' : (device.form ?? 'internal')];
    if (runs?.outletAtMm) return [{ id, atMm: runs.outletAtMm, turnDeg: runs.outletTurnDeg, riseDeg: runs.outletRiseDeg, lPerH, boreMm }];
    placed = false;
    return [{ id, ...usualOutlet(vessel), lPerH, boreMm }];
  });
  return { outlets, placed: placed && outlets.length > 0 && unknown === 0, unknown };
}

/** Where a nozzle usually is: under the surface at the right, before the back, blowing along the tank. */
export const usualOutlet = ({ lengthMm, widthMm, waterLevelMm }: Inside): Pick<Outlet, 'atMm' | 'turnDeg' | 'riseDeg'> => ({
  atMm: [lengthMm - ASIDE_MM, widthMm * 0.75, Math.max(10, waterLevelMm - UNDER_MM)],
  turnDeg: 180,
  riseDeg: 0,
});
