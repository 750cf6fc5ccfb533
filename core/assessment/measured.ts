import { alkalinityAtPh } from '../chemistry/carbonate-system';
import { MEQ_PER_DEGREE_ALKALINITY } from '../quantity/unit';
import { lastReading, READ_PARAMETERS, readingNow, doubtOf, type Reading, type ReadParameter } from '../water/reading';
import { FRESH_SALINITY_MAX } from '../tank/scenario';
import type { Assessment } from './assess';
import { waterMark } from './water-mark';

/** What was read beside what was worked out, and what may lie between them. */
export interface Compared {
  parameter: ReadParameter;
  reading: Reading;
  /** False where the water was changed since: then it is shown and not used. */
  holds: boolean;
  /** What the plan comes to without the reading. */
  worked: number | null;
  differs: boolean;
  /** Likely reasons, the likeliest first. */
  why: readonly string[];
}

/** Reasons why a reading stands above or below what was worked out. Common practice. */
const WHY: Readonly<Record<ReadParameter, { above: readonly string[]; below: readonly string[] }>> = {
  ph: {
    above: ['less carbon dioxide than was taken: livelier water, or plants in light', 'something gives off lime'],
    below: ['more carbon dioxide than was taken: stiller water, more animals', 'acids of wood and leaves, or of the filter'],
  },
  ghDh: {
    above: ['stone, sand or shell gives off lime', 'what evaporated was topped up with hard water'],
    below: ['soil takes hardness out', 'more pure water went in than is stated'],
  },
  khDh: {
    above: ['stone, sand or shell gives off lime', 'what evaporated was topped up with hard water'],
    below: ['the filter’s acid has used it up between changes', 'soil takes it out'],
  },
  ec25UsPerCm: {
    above: ['what evaporated was topped up with water that holds salts', 'fertilizer or minerals that are not stated'],
    below: ['soil takes salts out', 'more pure water went in than is stated'],
  },
  salinity: {
    above: ['what evaporated was not made good with pure water'],
    below: ['topped up with more than evaporated, or the mix was thinner than stated'],
  },
  nitrateMgPerL: {
    above: ['more feed than was taken, or smaller and rarer changes'],
    below: ['plants take it up', 'less feed than was taken'],
  },
};

/** Every parameter that was read, with the latest reading of each. */
export function compareReadings({ world: { design, room }, derived }: Assessment): Compared[] {
  const mark = waterMark(design, room);
  return READ_PARAMETERS.flatMap((parameter): Compared[] => {
    const held = readingNow(design.readings, parameter, mark);
    const reading = held ?? lastReading(design.readings, parameter);
    if (!reading) return [];
    const node = parameter === 'nitrateMgPerL' ? null : derived[`planned.${parameter}`];
    const settled = derived['tank.settled'];
    const worked = node ? (held ? (node.worked ?? null) : node.value) : settled.gap ? null : (settled.value?.usual.nitrateMgPerL ?? null);
    // what was worked out is good to a share of itself as well
    const differs = worked !== null && Math.abs(reading.value - worked) > doubtOf(reading) + slackOf(parameter, worked);
    return [
      {
        parameter,
        reading,
        holds: held !== null,
        worked,
        differs,
        why: differs ? WHY[parameter][reading.value > worked ? 'above' : 'below'] : [],
      },
    ];
  });
}

const slackOf = (parameter: ReadParameter, worked: number): number => (parameter === 'ph' ? 0.15 : 0.1 * worked);

/** The carbon dioxide that a measured pH and KH come to together, µatm; null without both, or in salt water. */
export function fittedCo2Uatm({ world: { design, room }, derived }: Assessment): number | null {
  const mark = waterMark(design, room);
  const [ph, kh] = [readingNow(design.readings, 'ph', mark), readingNow(design.readings, 'khDh', mark)];
  if (!ph || !kh || (derived['planned.salinity'].value ?? 0) > FRESH_SALINITY_MAX) return null;
  const t = Math.min(40, Math.max(0, derived['planned.temperatureC'].value ?? 24));
  const at = alkalinityAtPh(t, ph.value, 1000);
  const meq = kh.value * MEQ_PER_DEGREE_ALKALINITY;
  return at > 0 && meq > 0.02 ? (1000 * meq) / at : null;
}
