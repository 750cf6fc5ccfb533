import type { UnitChoice } from '../../quantity/format';
import { plural } from '../../quantity/plural';
import { timeOf } from '../../build/order';
import type { BuildStep } from '../../build/steps';
import type { Design } from '../../design/design';
import { GET_GROUPS, type ToGet } from '../plan/to-get';
import { CAUTION_WORD, wordBuildStep, wordWait } from './build';
import { GET_GROUP_WORD, wordAmount, wordGet } from './to-get';

/** What is to be got and done as a text that a phone without Terroir can show: Markdown, with boxes to tick. */
export function buildSheetText(
  { name, build }: Pick<Design, 'name' | 'build'>,
  rows: readonly ToGet[],
  steps: readonly BuildStep[],
  units: UnitChoice,
): string {
  const got = GET_GROUPS.flatMap((group) => {
    const of = rows.filter((row) => row.group === group);
    const line = (row: ToGet) => {
      const here = row.atHand > 1e-9 ? `, ${wordAmount(row.atHand, row.measure, units)} at hand` : '';
      const borrowed = row.borrowed.map(({ from, amount }) => `, ${wordAmount(amount, row.measure, units)} from ${from}`).join('');
      return `- [${row.get > 0 ? ' ' : 'x'}] ${row.name}: ${wordGet(row, units)} (${wordAmount(row.needs, row.measure, units)} drawn${here}${borrowed})`;
    };
    return of.length > 0 ? [`### ${GET_GROUP_WORD[group]}`, '', ...of.map(line), ''] : [];
  });
  const work = steps.flatMap((step, i) => {
    const { title, detail } = wordBuildStep(step, units, build);
    const tick = build.ticks[step.id];
    const wait = wordWait(step.waitHours);
    return [
      `${i + 1}. [${tick ? 'x' : ' '}] **${title.replaceAll('*', '')}**. ${detail}`,
      ...step.cautions.map((caution) => `   - Mind: ${CAUTION_WORD[caution]}`),
      ...(wait ? [`   - Then ${wait} of waiting.`] : []),
      ...(tick?.instead ? [`   - Used instead: ${tick.instead}`] : []),
    ];
  });
  const { minutes, days } = timeOf(steps);
  return [
    `# ${name}`,
    '',
    '## What to get',
    '',
    ...got,
    '## The work',
    '',
    `About ${Math.round(minutes / 30) / 2} hours, ${plural(days, 'day')} with the waits.`,
    '',
    ...work,
    '',
  ].join('\n');
}
