import { alkalinityAtPh } from '../chemistry/carbonate-system';
import type { Span } from '../quantity/range';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../quantity/unit';
import type { Room } from '../design/room';
import { READ_PARAMETERS, type ReadParameter } from '../reading/parameter';
import { lastReading, rangeOfReading, readingNow, type Reading } from '../water/reading';
import { NITRATE_PER_N } from '../tank/at-rest';
import { FRESH_SALINITY_MAX, type TankScenario } from '../tank/scenario';
import type { Assessment } from './assessment';
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
  temperatureC: {
    above: ['pumps, lamps or the room give more warmth than was taken', 'the thermostat is off its mark'],
    below: ['the room is cooler than stated, or more evaporates', 'the heater is too weak, or off its mark'],
  },
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
    if (parameter === 'temperatureC') return comparedWarmth(lastReading(design.readings, parameter), derived['heat.year'].value, room.kits);
    const held = readingNow(design.readings, parameter, mark);
    const reading = held ?? lastReading(design.readings, parameter);
    if (!reading) return [];
    const node = parameter === 'nitrateMgPerL' ? null : derived[`planned.${parameter}`];
    const settled = derived['tank.settled'];
    const worked = node ? (held ? (node.worked ?? null) : node.value) : settled.gap ? null : (settled.value?.usual.nitrateMgPerL ?? null);
    // what was worked out is good to a share of itself as well
    const [low, high] = rangeOfReading(reading, room.kits);
    const differs = worked !== null && Math.max(low - worked, worked - high) > slackOf(parameter, worked);
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

/** A thermometer against what the plan comes to in the month it was read: of any water, and of that day alone. */
function comparedWarmth(reading: Reading | null, year: readonly Span[] | null, kits: Room['kits']): Compared[] {
  if (!reading) return [];
  const month = year?.[Number(reading.day.slice(5, 7)) - 1];
  const [low, high] = rangeOfReading(reading, kits);
  const differs = month !== undefined && Math.max(month[0] - high, low - month[1]) > 0.5;
  const side = month && reading.value > month[1] ? 'above' : 'below';
  return [
    {
      parameter: 'temperatureC',
      reading,
      holds: true,
      worked: month ? (month[0] + month[1]) / 2 : null,
      differs,
      why: differs ? WHY.temperatureC[side] : [],
    },
  ];
}

/** A scenario that begins with the water as it was measured, as far as that still holds; and what of it was. */
export function begunAsMeasured(
  scenario: TankScenario,
  assessment: Pick<Assessment, 'world' | 'derived'>,
): { scenario: TankScenario; of: ReadParameter[] } {
  const { design, room } = assessment.world;
  const mark = waterMark(design, room);
  const read = (parameter: ReadParameter) => readingNow(design.readings, parameter, mark)?.value ?? null;
  const [gh, kh, nitrate] = [read('ghDh'), read('khDh'), read('nitrateMgPerL')];
  const start = { ...scenario.start };
  const of: ReadParameter[] = [];
  const hardness = start.calciumMmol + start.magnesiumMmol;
  if (gh !== null) {
    // in the proportion there is; where there was none, as most waters have it
    const wanted = gh * MMOL_PER_DEGREE_HARDNESS;
    const calcium = hardness > 0 ? start.calciumMmol / hardness : 0.75;
    [start.calciumMmol, start.magnesiumMmol] = [wanted * calcium, wanted * (1 - calcium)];
    of.push('ghDh');
  }
  if (kh !== null) {
    start.alkalinityMeq = kh * MEQ_PER_DEGREE_ALKALINITY;
    of.push('khDh');
  }
  if (nitrate !== null) {
    start.nitrateMgN = nitrate / NITRATE_PER_N;
    of.push('nitrateMgPerL');
  }
  const co2 = fittedCo2Uatm(assessment);
  if (co2 !== null && co2 >= 50 && co2 <= 200_000) {
    start.pco2Uatm = co2;
    of.push('ph');
  }
  return { scenario: of.length > 0 ? { ...scenario, start } : scenario, of };
}

const slackOf = (parameter: ReadParameter, worked: number): number => (parameter === 'ph' ? 0.15 : 0.1 * worked);

/** The carbon dioxide that a measured pH and KH come to together, µatm; null without both, or in salt water. */
export function fittedCo2Uatm({ world: { design, room }, derived }: Pick<Assessment, 'world' | 'derived'>): number | null {
  const mark = waterMark(design, room);
  const [ph, kh] = [readingNow(design.readings, 'ph', mark), readingNow(design.readings, 'khDh', mark)];
  if (!ph || !kh || (derived['planned.salinity'].value ?? 0) > FRESH_SALINITY_MAX) return null;
  const t = Math.min(40, Math.max(0, derived['planned.temperatureC'].value ?? 24));
  const at = alkalinityAtPh(t, ph.value, 1000);
  const meq = kh.value * MEQ_PER_DEGREE_ALKALINITY;
  return at > 0 && meq > 0.02 ? (1000 * meq) / at : null;
}
