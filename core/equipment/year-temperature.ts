import type { Span } from '../quantity/range';

export interface SetPoints {
  heaterC: number | null;
  coolerC: number | null;
}

/**
 * The water of an unheated tank follows the air of its room; a heater holds it up to its set-point, a cooler down to
 * its own. Month by month, usual low and high. Common practice: a covered tank runs up to 1 degC from the room's mean;
 * whether a device is strong enough is not judged here.
 */
export function yearTemperature(climateC: readonly Span[], { heaterC, coolerC }: SetPoints): Span[] {
  return climateC.map(([low, high]) => [hold(low, heaterC, coolerC), hold(high, heaterC, coolerC)]);
}

function hold(roomC: number, heaterC: number | null, coolerC: number | null): number {
  const warmed = heaterC === null ? roomC : Math.max(roomC, heaterC);
  return coolerC === null ? warmed : Math.min(warmed, coolerC);
}

/** The coldest low and the warmest high of the year. @throws RangeError on an empty year */
export function yearExtremes(months: readonly Span[]): Span {
  if (months.length === 0) throw new RangeError('a year has months');
  return [Math.min(...months.map(([low]) => low)), Math.max(...months.map(([, high]) => high))];
}
