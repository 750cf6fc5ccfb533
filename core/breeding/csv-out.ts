import Papa from 'papaparse';
import { inOrder } from '../quantity/in-order';
import { FORMULA } from '../quantity/spreadsheet';
import { inbreedingOf } from './kinship';
import type { BredAnimal, Brood, Line } from './model';
import { generationOf, kinshipOfRoom } from './pedigree';
import { BROOD_STAGES } from './timeline';

type Animals = Readonly<Record<string, BredAnimal>>;

/** The columns of a pedigree as a table, in order. Fathers that may be it are parted by “|”. */
export const PEDIGREE_COLUMNS = [
  'id',
  'name',
  'organismId',
  'line',
  'locality',
  'sex',
  'males',
  'females',
  'motherId',
  'fatherIds',
  'bornOn',
  'generation',
  'inbreeding',
  'identity',
  'fate',
  'note',
] as const;

const table = (columns: readonly string[], rows: readonly Record<string, unknown>[]): string =>
  Papa.unparse(
    { fields: [...columns], data: rows.map((row) => columns.map((column) => row[column] ?? '')) },
    { newline: '\n', escapeFormulae: FORMULA },
  );

/**
 * Animals of a pedigree as a table, a row each, parents by id. Inbreeding is a share, 0 to 1.
 *
 * @param organismId of whom; null for all
 * @param masked leaves out where lines were caught: places of rare kinds are not for everyone
 */
export function pedigreeCsv(lines: Readonly<Record<string, Line>>, animals: Animals, organismId: string | null, masked: boolean): string {
  const kinship = kinshipOfRoom(animals);
  return table(
    PEDIGREE_COLUMNS,
    inOrder(animals)
      .filter(([, one]) => organismId === null || one.organismId === organismId)
      .map(([id, one]) => {
        const line = one.lineId === null ? undefined : lines[one.lineId];
        return {
          ...one,
          id,
          line: line?.name,
          locality: masked ? '' : line?.locality,
          males: one.group?.males,
          females: one.group?.females,
          fatherIds: one.fatherIds.join('|'),
          generation: generationOf(animals, id),
          inbreeding: Math.round(inbreedingOf(kinship, id) * 1e6) / 1e6,
        };
      }),
  );
}

/** The columns of broods as a table, in order: a day for each stage that was seen, and counts. */
export const BROOD_COLUMNS = [
  'id',
  'tankId',
  'organismId',
  'motherId',
  'fatherIds',
  ...BROOD_STAGES.map((stage) => `${stage}-on` as const),
  'eggs',
  'hatched',
  'raised',
  'reared',
  'eggsAtC',
  'overOn',
  'note',
] as const;

/** Broods as a table, a row each. */
export const broodsCsv = (broods: readonly (readonly [string, Brood])[]): string =>
  table(
    BROOD_COLUMNS,
    broods.map(([id, brood]) => ({
      ...brood,
      ...Object.fromEntries(BROOD_STAGES.map((stage) => [`${stage}-on`, brood.seen[stage]])),
      id,
      fatherIds: brood.fatherIds.join('|'),
    })),
  );
