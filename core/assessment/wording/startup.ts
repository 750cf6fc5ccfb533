import type { CodesOf } from '../../calculation/finding';
import { plural } from '../../quantity/plural';
import { listed, nameOf, type Worded, type Words } from './words';

/** Findings about the start of the tank, in words. */
export function wordStartup({ code, finding, assessment, count }: Words<CodesOf<'startup'>>): Worded {
  const all = listed(finding.subjects.map((id) => nameOf(id, assessment)));
  switch (code) {
    case 'startup.too-soon':
      switch (finding.kind) {
        case 'not-shown':
          return {
            title: `No test shows that the filter is ready for ${all}`,
            reason: `They are to go in on day ${count('day')}. Ready means that ammonia or nitrite was seen, went, and stayed away for a week of tests.`,
          };
        default:
          return {
            title: `${all} go in before the filter has grown in`,
            reason: `On day ${count('day')}; ${finding.kind === 'seen' ? 'the last test still shows ammonia or nitrite, and ' : ''}such a tank takes about ${plural(count('usual'), 'day')}. Gills burn in what is left over.`,
          };
      }
    case 'startup.at-once':
      return {
        title: 'All go in on one day',
        reason: `${all}: a filter that has just grown in carries the first of them, and not yet the rest. What one brings, all have.`,
      };
  }
}
