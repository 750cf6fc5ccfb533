import { assess, worst, type Assessment } from '../../core/assessment/assess';
import { plain, nameOf } from '../../core/assessment/wording';
import type { Catalogue } from '../../core/catalogue/catalogue';
import type { Design } from '../../core/design/design';
import type { Room } from '../../core/design/room';
import { figureOf } from '../section/figure';
import { judgedBy, type TankSummary } from './summary';

/** The verdict on a tank as its card shows it. */
export function judgedSummary(assessment: Assessment): NonNullable<TankSummary['judged']> {
  const { world, findings } = assessment;
  const { design, room, catalogue } = world;
  const open = findings.filter(({ key }) => !Object.hasOwn(design.accepted, key));
  const [target] = design.brief.targetStockIds;
  return {
    worst: worst(open) ?? 'unknown',
    conflicts: open.filter(({ severity }) => severity === 'conflict').length,
    watches: open.filter(({ severity }) => severity === 'watch').length,
    target: target === undefined ? null : plain(nameOf(target, assessment)),
    figure: figureOf(assessment),
    by: judgedBy(room, catalogue.edition),
  };
}

/** Judges a design for its card. */
export function judgeForCard(design: Design, room: Room, catalogue: Catalogue): NonNullable<TankSummary['judged']> {
  return judgedSummary(assess({ design, room, catalogue }));
}
