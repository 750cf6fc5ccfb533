import type { Assessment } from '../../core/assessment/assess';
import { powerUse } from '../../core/assessment/power-use';
import { causesOf } from '../../core/assessment/causes';
import { plain, nameOf, wordFinding } from '../../core/assessment/wording';
import type { UnitChoice } from '../../core/quantity/format';
import { figureOf } from '../section/figure';
import { judgedBy, type TankSummary } from './summary';

/** The verdict on a tank as its card shows it. */
export function judgedSummary(assessment: Assessment, units: UnitChoice): NonNullable<TankSummary['judged']> {
  const { world } = assessment;
  const { design, room, catalogue } = world;
  const open = causesOf(assessment).filter(({ head }) => !Object.hasOwn(design.accepted, head.key));
  const [target] = design.brief.targetStockIds;
  return {
    worst: open[0]?.severity ?? 'unknown',
    says: open[0] && open[0].severity !== 'fits' ? wordFinding(open[0].head, assessment, units).title : null,
    conflicts: open.filter(({ severity }) => severity === 'conflict').length,
    watches: open.filter(({ severity }) => severity === 'watch').length,
    target: target === undefined ? null : plain(nameOf(target, assessment)),
    power: powerUse(assessment),
    figure: figureOf(assessment),
    by: judgedBy(room, catalogue.edition, units),
  };
}
