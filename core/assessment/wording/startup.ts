import type { CodesOf } from '../../calculation/finding';
import { plural } from '../../quantity/plural';
import { listed, nameOf, type Worded, type Words } from './words';

/** Findings about the start of the tank, in words. */
export function wordStartup({ code, finding, assessment, count, show }: Words<CodesOf<'startup'>>): Worded {
  const all = listed(finding.subjects.map((id) => nameOf(id, assessment)));
  switch (code) {
    case 'startup.too-soon':
      switch (finding.kind) {
        case 'not-shown':
          return {
            title: `No test shows that the filter is ready for ${all}`,
            reason: `They are to go in on day ${count('day')}. Ready means that ammonia or nitrite was seen, went, and stayed away for a week of tests.`,
          };
        case 'not-tested':
          return {
            title: `Nobody tests the water before ${all} go in`,
            reason: `No test is written down and none is planned before day ${count('day')}. Ready is what tests show: ammonia or nitrite seen, gone, and away for a week.`,
          };
        default:
          return {
            title: `${all} go in before the filter has grown in`,
            reason: `On day ${count('day')}; ${finding.kind === 'seen' ? 'the last test still shows ammonia or nitrite, and ' : ''}such a tank takes about ${plural(count('usual'), 'day')}. Gills burn in what is left over.`,
          };
      }
    case 'startup.outgrown':
      return {
        title: `The filter has been fed too little for ${all}`,
        reason: `It grew in on ${show('fed')} of nitrogen a day, and gets ${show('gives')}. It doubles in days, and in the meantime ammonia stands.`,
      };
    case 'startup.soil-moss':
      return {
        title: `Fresh soil gives ammonia that melts ${all}`,
        reason: 'For weeks, and mosses bear it least. Some plant them once it has fallen; others change half of the water every other day.',
      };
    case 'startup.at-once':
      return {
        title: 'All go in on one day',
        reason: `${all}: a filter that has just grown in carries the first of them, and not yet the rest. What one brings, all have.`,
      };
  }
}
