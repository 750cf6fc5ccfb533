import type { Brood, Fate, Reared } from '../../breeding/model';

/** How a brood was raised, as it is said. */
export const REARED_WORD: Readonly<Record<Reared, string>> = {
  'with-parents': 'Left with the parents',
  'adults-out': 'Adults taken out',
  'eggs-out': 'Eggs taken out',
  'young-out': 'Young taken out',
  stripped: 'Stripped',
  stored: 'Eggs stored in peat',
};

export const FATE_WORD: Readonly<Record<Fate, string>> = {
  undecided: 'Not decided',
  breeds: 'Breeds on',
  pet: 'Pet line',
  exchange: 'To exchange',
  sale: 'To sell',
  gone: 'Given on',
  died: 'Dead',
};

/** How many of a brood came so far: “31 eggs, 26 hatched, 14 raised”. */
export function broodCount({ eggs, hatched, raised }: Pick<Brood, 'eggs' | 'hatched' | 'raised'>): string {
  const told = [
    eggs === null ? null : `${eggs} ${eggs === 1 ? 'egg' : 'eggs'}`,
    hatched === null ? null : `${hatched} hatched`,
    raised === null ? null : `${raised} raised`,
  ].filter((one) => one !== null);
  return told.length === 0 ? 'not counted' : told.join(', ');
}
