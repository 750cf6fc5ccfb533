import type { Catalogue } from '../../catalogue/catalogue';
import { rangeFor, type Organism } from '../../catalogue/organism';
import { unidentified } from '../../catalogue/unidentified';
import { PARAMETER_META, type Parameter } from '../../catalogue/parameter';
import { inOrder } from '../../design/design';
import { windowOf, type Window } from '../../window/window';
import type { StockEntry } from '../../stocking/model';
import { plantedIn, plantsOf } from './scene';
import { missing, type Definitions, type Member, type NodeDefinition } from './node';

/** Who lives in the tank. */
export const stockNodes: Pick<Definitions, 'stock.members'> = {
  'stock.members': {
    calculationId: null,
    from: [],
    reads: ({ design, catalogue }) => [design.stock, plantedIn(design), catalogue],
    compute: ({ design, catalogue }) => {
      const animals: Member[] = inOrder(design.stock).map(([id, entry]) => ({
        id,
        organismId: entry.organismId,
        organism: formOf(kindOf(entry, catalogue), entry),
        phase: entry.phase,
        count: entry.count,
        ...(entry.female === undefined ? {} : { female: entry.female }),
        ...(entry.todayMm === undefined ? {} : { todayMm: entry.todayMm }),
      }));
      const plants = new Map<string, Member>();
      for (const [id, item] of plantsOf(design)) {
        const known = plants.get(item.classId);
        if (known) known.count += item.count;
        else
          plants.set(item.classId, {
            id,
            organismId: item.classId,
            organism: catalogue.organisms.get(item.classId),
            phase: 'keep',
            count: item.count,
          });
      }
      return { value: [...animals, ...plants.values()] };
    },
  },
};

/** The kind an entry is of; where it is not identified, what suits all it may be; undefined when one of them is not in the catalogue. */
function kindOf({ organismId, candidateIds }: StockEntry, catalogue: Catalogue): Organism | undefined {
  if (!candidateIds) return catalogue.organisms.get(organismId);
  const kinds = candidateIds.flatMap((id) => catalogue.organisms.get(id) ?? []);
  const animals = kinds.filter((kind) => kind.kind === 'animal');
  return animals.length === candidateIds.length ? unidentified(animals) : undefined;
}

const veiled = new WeakMap<Organism, Organism>();

/** The same kind with long fins, where they are: what nips at them nips here. */
function formOf(organism: Organism | undefined, { longFins }: StockEntry): Organism | undefined {
  if (!longFins || organism?.kind !== 'animal') return organism;
  let form = veiled.get(organism);
  if (!form) {
    form = { ...organism, traits: { ...organism.traits, fins: { value: 'long', basis: 'measured' } } };
    veiled.set(organism, form);
  }
  return form;
}

function windowNode(parameter: Parameter): NodeDefinition<Window> {
  return {
    calculationId: null,
    from: ['stock.members'],
    reads: () => [],
    compute: (_, up) => {
      const members = up['stock.members'].value ?? [];
      if (members.length === 0) return missing('nothing is chosen to live here');
      const says = members.map(({ id, organism, phase, organismId }) => ({
        id,
        name: organism?.latin ?? organismId,
        range: organism && rangeFor(organism, phase, parameter),
      }));
      return { value: windowOf(parameter, says, PARAMETER_META[parameter].limits) };
    },
  };
}

type WindowNodes = 'window.temperatureC' | 'window.ph' | 'window.ghDh' | 'window.khDh' | 'window.ec25UsPerCm' | 'window.salinity';

/** The range where all of them are comfortable, per parameter. */
export const windowNodes: Pick<Definitions, WindowNodes> = {
  'window.temperatureC': windowNode('temperatureC'),
  'window.ph': windowNode('ph'),
  'window.ghDh': windowNode('ghDh'),
  'window.khDh': windowNode('khDh'),
  'window.ec25UsPerCm': windowNode('ec25UsPerCm'),
  'window.salinity': windowNode('salinity'),
};
