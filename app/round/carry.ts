import { addedRound, type RoundSum, type TankRound } from '../../core/assessment/round';
import { feedGrams } from '../../core/assessment/wording/duties';
import { saltsKnown } from '../../core/design/own-catalogue';
import { sourceLabel, type Room } from '../../core/design/room';
import { formatQuantity, type UnitChoice } from '../../core/quantity/format';
import type { Day } from '../../core/schedule/day';
import { saltName } from '../../core/water/salts';

/** Litres by where they come from, in words; the largest first. */
export function poursOf(pourL: Readonly<Record<string, number>>, room: Room, units: UnitChoice): string[] {
  return Object.entries(pourL)
    .filter(([, litres]) => litres >= 0.05)
    .sort(([, a], [, b]) => b - a)
    .map(
      ([id, litres]) =>
        `${formatQuantity('volume', litres, units)} ${id === '' ? 'pure water' : room.sources[id] ? sourceLabel(room.sources[id]) : id}`,
    );
}

export function saltsOf(saltsG: Readonly<Record<string, number>>, room: Room): string[] {
  const known = saltsKnown(room.own);
  return Object.entries(saltsG)
    .filter(([, grams]) => grams >= 0.005)
    .map(([id, grams]) => `${Number(grams.toPrecision(2))} g ${saltName(id, known)}`);
}

/** What is carried through the room on a day, all tanks added up. */
export function carried(rounds: readonly TankRound[], day: Day, room: Room, units: UnitChoice): { sum: RoundSum; lines: string[] } {
  const sum = addedRound(rounds, day);
  const feed = Object.entries(sum.feedG)
    .sort(([, a], [, b]) => b - a)
    .map(([name, grams]) => `${feedGrams(grams)} ${name}`);
  return { sum, lines: [...poursOf(sum.pourL, room, units), ...saltsOf(sum.saltsG, room), ...feed] };
}
