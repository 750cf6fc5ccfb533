import type { CodesOf } from '../../calculation/finding';
import { MONTHS, sentence, type Worded, type Words } from './words';

/** Findings about the year and the gear, in words. */
export function wordHeat({ code, finding, who, show, count }: Words<CodesOf<'heat'>>): Worded {
  switch (code) {
    case 'heat.not-stated':
      return {
        title: 'The room’s temperature by month is not stated',
        reason: 'Give the room’s usual low and high by month; until then no season is judged.',
      };
    case 'heat.too-cold':
    case 'heat.too-warm': {
      const cold = finding.code === 'heat.too-cold';
      if (finding.severity === 'unknown')
        return { title: `${cold ? 'Lowest' : 'Highest'} temperature for ${who} not known`, reason: `The tank reaches ${show('planned')}.` };
      if (finding.severity === 'fits') {
        return cold
          ? {
              title: `Warm enough for ${who}`,
              reason: `The coldest month stands at ${show('planned')}; it likes ${show('optimum')} and more, and lives down to ${show('tolerance')}.`,
            }
          : {
              title: `Cool enough for ${who}`,
              reason: `The warmest month stands at ${show('planned')}; it likes ${show('optimum')} and less, and lives up to ${show('tolerance')}.`,
            };
      }
      const peak = finding.kind?.endsWith('peak');
      const pastTolerance = finding.values['edge']?.value === finding.values['tolerance']?.value;
      const strength = pastTolerance ? 'what it stands' : 'its comfort';
      return {
        title: cold
          ? `${show('planned')} in the cold season is too cold for ${who}`
          : `${show('planned')} in the warm season is too warm for ${who}`,
        reason: `${cold ? 'Below' : 'Above'} ${show('edge')}, the edge of ${strength}, ${peak ? 'for hours of a day, ' : ''}${monthsText(count('firstMonth'), count('months'))}.`,
      };
    }
    case 'heat.contrary':
      return {
        title: `Heater and ${finding.kind ?? 'cooler'} work against each other`,
        reason: `The heater holds ${show('heater')}, the ${finding.kind ?? 'cooler'} starts at ${show('colder')}: one of the two never stops. Set them a degree apart at least, the heater lower.`,
      };
    case 'heat.heater-rating':
    case 'heat.cooler-rating': {
      const kind = finding.code === 'heat.heater-rating' ? 'heater' : 'cooler';
      const season = kind === 'heater' ? 'the coldest month' : 'the warmest month';
      if (finding.severity === 'unknown')
        return {
          title: `Power of the ${kind} not stated`,
          reason: `About ${show('need')} are wanted in ${season}, ±25 %; ${show('wanted')} with half in hand. Mains and water: RCD or GFCI, drip loop.`,
        };
      if (finding.severity === 'fits')
        return { title: `The ${kind} is strong enough`, reason: `${show('power')}; about ${show('need')} are wanted in ${season}, ±25 %.` };
      return {
        title: finding.severity === 'conflict' ? `The ${kind} cannot hold its set-point` : `The ${kind} has little in hand`,
        reason: `${show('power')}; about ${show('need')} are wanted in ${season}, ±25 %. Half in hand is ${show('wanted')}.`,
      };
    }
    case 'heat.stuck-heater':
    case 'heat.power-cut': {
      const what = finding.code === 'heat.stuck-heater' ? 'a heater that sticks' : 'a power cut';
      const month = MONTHS[count('month') - 1] ?? '';
      if (finding.severity === 'unknown')
        return { title: `What ${what} does is not known`, reason: 'No edge of survival is known for those that live here.' };
      if (!finding.values['soonest'])
        return {
          title: `${sentence(what).slice(0, -1)} does not kill`,
          reason: `In ${month} it drifts to ${show('settles')}; the edge of survival is ${show('edge')}.`,
        };
      const within = (finding.values['latest'] ?? finding.values['soonest']).value;
      const hours =
        within < 1
          ? 'less than an hour'
          : finding.values['latest']
            ? `${show('soonest')} to ${show('latest')}`
            : `${show('soonest')} at the soonest`;
      return {
        title: `${sentence(what).slice(0, -1)} leaves ${hours}`,
        reason: `Then, in ${month}, the edge of survival is reached, ${show('edge')}.${
          finding.severity === 'watch'
            ? finding.code === 'heat.stuck-heater'
              ? ' Two small heaters, or a second thermostat in line.'
              : ' An alarm, an insulating jacket, a battery air pump.'
            : ''
        }`,
      };
    }
  }
}

function monthsText(first: number, count: number): string {
  if (count >= 12) return 'all year';
  const start = MONTHS[first - 1] ?? '';
  const end = MONTHS[(first + count - 2) % 12] ?? '';
  return count === 1 ? `in ${start}` : `from ${start} to ${end}`;
}
