import { scaleTime } from 'd3-scale';
import { zoomIdentity, type ZoomTransform } from 'd3-zoom';
import { clock, shortDay } from './day-text';
import { dayOf } from '../../core/schedule/day';

const MONTH = new Intl.DateTimeFormat(navigator.languages.find((one) => one.toLowerCase().startsWith('en')) ?? 'en-GB', {
  month: 'short',
  year: '2-digit',
});
const DAY_MS = 86_400_000;

/** What is drawn of time: from and to, ms. */
export type TimeRange = readonly [from: number, to: number];

/** Time over a width, as far as it is zoomed into. */
export function timeScale(base: TimeRange, transform: ZoomTransform, left: number, right: number) {
  return transform.rescaleX(scaleTime().domain(base).range([left, right]));
}

/** Ticks that a width has room for, in words that suit how much time there is. */
export function timeTicks(scale: ReturnType<typeof timeScale>, width: number): { x: number; text: string }[] {
  const [from, to] = scale.domain() as [Date, Date];
  const days = (to.getTime() - from.getTime()) / DAY_MS;
  const text = (at: Date) =>
    days > 400 ? MONTH.format(at) : days < 3 && at.getHours() + at.getMinutes() > 0 ? clock(at) : shortDay(dayOf(at));
  return scale.ticks(Math.max(2, Math.floor(width / 90))).map((at) => ({ x: Math.round(scale(at)), text: text(at) }));
}

/** The zoom that shows a range of a base. */
export function transformTo(base: TimeRange, [from, to]: TimeRange, left: number, right: number): ZoomTransform {
  const whole = base[1] - base[0];
  const k = whole / Math.max(1, to - from);
  const x = left - k * (left + ((from - base[0]) / whole) * (right - left));
  return zoomIdentity.translate(x, 0).scale(k);
}
