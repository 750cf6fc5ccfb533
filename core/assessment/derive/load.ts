import type { Animal } from '../../catalogue/organism';
import { breathOf } from '../../stocking/breath';
import { massOfAnimal } from '../../stocking/body-mass';
import { usualFeedG } from '../../stocking/usual-feed';
import type { Definitions, Load } from './node';

/** Taken for a kind whose sizes are not known. */
export const UNKNOWN_GRAMS = 0.3;
export const gramsOf = (animal: Animal): number => massOfAnimal(animal) ?? UNKNOWN_GRAMS;

export const loadNodes: Pick<Definitions, 'stock.load'> = {
  'stock.load': {
    calculationId: 'stocking.body-mass',
    from: ['stock.members'],
    reads: () => [],
    compute: (_, up) => {
      const load = { grams: 0, breathMgPerDay: 0, usualFeedG: 0 };
      const each: Record<string, Load['each'][string]> = {};
      const unknown: string[] = [];
      for (const { id, organism, count } of up['stock.members'].value ?? []) {
        if (organism?.kind !== 'animal') continue;
        const known = massOfAnimal(organism);
        if (known === null) unknown.push(organism.latin);
        const grams = known ?? UNKNOWN_GRAMS;
        const breath = breathOf(organism, grams);
        each[id] = { count, grams, breathMgPerDay: breath };
        load.grams += grams * count;
        load.breathMgPerDay += breath * count;
        load.usualFeedG += usualFeedG(grams, organism.group) * count;
      }
      return {
        value: { ...load, each },
        inputs: Object.fromEntries(Object.entries(each).map(([id, { grams }]) => [id, Number(grams.toPrecision(3))])),
        ...(unknown.length > 0 ? { note: `Size not known, taken as ${UNKNOWN_GRAMS} g each: ${unknown.join(', ')}.` } : {}),
      };
    },
  },
};
