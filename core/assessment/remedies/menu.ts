import { eatersIn, fedBy, menuFor } from '../../stocking/menu';
import { takeMenu } from '../../design/edits/menu-edits';
import { companyOf } from '../derive';
import { forRevision, type RemedyMaker } from './remedy';

/** Something is given besides that whoever goes hungry eats. */
export const feedAllRemedy: RemedyMaker = (assessment, { subjects: [id] }) => {
  const { design } = assessment.world;
  const eater = eatersIn(companyOf(assessment.derived['stock.members'].value ?? [])).find((one) => one.id === id);
  if (!eater) return [];
  const has = new Set(Object.values(design.care.menu).map(({ foodId, when }) => `${foodId} ${when}`));
  const [dish] = menuFor([eater]).filter(
    (one) => !has.has(`${one.foodId} ${one.when}`) && ['fed', 'grazes'].includes(fedBy(eater.animal, [one], eater.mouthMm).is),
  );
  if (!dish) return [];
  return [
    {
      kind: 'feed-all',
      subjects: [eater.id, dish.foodId],
      values: { times: { quantity: 'count', value: dish.timesAWeek } },
      patch: [forRevision(design.rev), ...takeMenu(design, [dish], 'besides')],
    },
  ];
};
