import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import type { Assessment } from '../assessment';
import { recipePlan, type RecipeWay } from '../recipe-plan';
import { forRevision, type Proposal } from './remedy';

/** A recipe as the plan keeps it: what is poured and weighed in one batch, after rounding. */
export function planOf({ batch }: RecipeWay) {
  const total = batch.litres.reduce((sum, { litres }) => sum + litres, 0);
  const round = (value: number, digits: number) => Number(value.toFixed(digits));
  return {
    parts: Object.fromEntries(
      batch.litres
        .filter(({ litres }) => litres > 0)
        .map(({ sourceId, litres }, i) => [sourceId, { order: i + 1, sourceId, share: round(litres / total, 4) }]),
    ),
    salts: Object.fromEntries(
      batch.grams
        .filter(({ grams }) => grams > 0)
        .map(({ saltId, grams }, i) => [saltId, { order: i + 1, saltId, mgPerL: round((grams * 1000) / total, 2) }]),
    ),
  };
}

/** Mixes the water by a recipe with salts. What sources alone can do is left to the blend. */
export function recipeRemedy(assessment: Assessment, finding: Finding): Proposal[] {
  if (finding.code !== 'water.parameter' && finding.code !== 'water.not-stated') return [];
  const plan = recipePlan(assessment);
  if (!plan) return [];
  return plan.ways
    .filter(({ batch }) => batch.grams.some(({ grams }) => grams > 0))
    .slice(0, 1)
    .map((way) => {
      const { parts, salts } = planOf(way);
      return {
        kind: 'recipe',
        subjects: [...way.batch.litres.map(({ sourceId }) => sourceId), ...way.batch.grams.map(({ saltId }) => saltId)],
        values: {
          litres: { quantity: 'volume', value: plan.litres },
          ...Object.fromEntries(way.batch.litres.map(({ litres }, i) => [`litres${i}`, { quantity: 'volume' as const, value: litres }])),
          ...Object.fromEntries(way.batch.grams.map(({ grams }, i) => [`grams${i}`, { quantity: 'number' as const, value: grams }])),
          ...(way.wants.length > 0 ? { wants: { quantity: 'count' as const, value: way.wants.length } } : {}),
        },
        patch: [
          forRevision(assessment.world.design.rev),
          { op: 'replace', path: pointer('water', 'parts'), value: parts },
          { op: 'replace', path: pointer('water', 'salts'), value: salts },
        ],
      };
    });
}
