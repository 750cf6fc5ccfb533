import type { CodesOf } from '../../calculation/finding';
import { formatMm, type Worded, type Words } from './words';

/** Findings about filters, pumps and air, in words. */
export function wordGear({ code, finding, who, show, count, units }: Words<CodesOf<'gear'>>): Worded {
  switch (code) {
    case 'gear.intake': {
      if (finding.kind === 'not-stated')
        return {
          title: `How wide the intake’s gaps are is not stated`,
          reason: `Young of ${who} are drawn into what they fit through.`,
        };
      const sizes = `about ${formatMm(finding.values['across'], units)} across, and its gaps are ${formatMm(finding.values['gap'], units)}`;
      return finding.kind === 'young'
        ? {
            title: `Young of ${who} are drawn into the intake`,
            reason: `They are ${sizes}. A sponge over it holds them back, feeds them, and takes some of the flow: rinse it weekly in tank water.`,
          }
        : { title: `${who} fits into the intake`, reason: `It is ${sizes}. A sponge or a finer mesh over it.` };
    }
    case 'gear.capacity': {
      const sizes = `Feed gives off ${show('load')} of nitrogen a day beyond what plants take, and the filter turns over ${show('carries')} before a test shows ammonia.`;
      return finding.kind === 'young'
        ? {
            title: 'The filter is not grown in for this feed',
            reason: `${sizes} It will be in some weeks: feed less until then, or give it media that have run.`,
          }
        : { title: 'The filter holds too few media for this feed', reason: `${sizes} More media, or less feed.` };
    }
    case 'gear.siphon':
      return {
        title: 'Water runs back through the air line',
        reason:
          'The air pump stands below the water and its line has no check valve: when it stops, the tank siphons onto it, and it is live.',
      };
    case 'gear.reach':
      return {
        title: 'The pump does not lift so high',
        reason: `It has to lift ${show('lift')}, and gives nothing from ${show('most')} on.`,
      };
    case 'gear.breathless':
      return {
        title: `Without current ${who} gasps after ${hours(count('hours'))}`,
        reason: `With the surface still, oxygen is down to ${show('least')} by then. An air pump with a battery, that goes on by itself; fewer animals; a lower, wider water.`,
      };
    case 'gear.dawn':
      return {
        title: `At dawn oxygen is down to ${show('dawn')}`,
        reason: `On the warmest nights, at ${show('warmest')}: plants breathe too in the dark. ${finding.subjects.length > 0 ? who : 'Most animals'} should not fall under ${show('edge')}. An air stone by night, no CO₂ after the lamps, fewer plants or animals.`,
      };
    case 'gear.co2-night':
      return {
        title: `CO₂ is on for ${count('hours')} h of the dark`,
        reason: `${finding.kind === 'animals' ? 'Nothing takes it up then: animals breathe against it while oxygen is lowest.' : 'Nothing takes it up then.'} On an hour before the lamps, off an hour before they go out.`,
      };
    case 'gear.top-up':
      return finding.kind === 'floods'
        ? {
            title: `A top-up that sticks floods the floor`,
            reason: `Its vessel holds ${show('reservoir')}, and to the rim there is room for ${show('room')}. A smaller vessel, or a second switch above the first.`,
          }
        : {
            title: `A top-up that sticks takes the salt out`,
            reason: `All of its ${show('reservoir')} at once is more than a seventh of the tank. A smaller vessel, or a second switch above the first.`,
          };
    case 'gear.scraper':
      return {
        title: `The scraper does not pass behind ${who}`,
        reason: `It hangs ${show('gap')} from the ${finding.kind} pane, which is looked through, and a scraper is 30 mm: algae stay there, or it comes out each time.`,
      };
    case 'gear.scours':
      return {
        title: 'The nozzle blows the bed away',
        reason: `Over the bed the water runs at ${speed(finding.values['bed']?.value ?? 0)}, and its grain begins to move at ${speed(finding.values['grain']?.value ?? 0)}. Turn the nozzle up or to the pane, or widen it.`,
      };
    case 'gear.bare-heater':
      return {
        title: `${who} burns on a bare heater`,
        reason: 'It lies on what is warm and does not feel it. A cage around it, or heat from outside the tank.',
      };
  }
}

/** In centimetres a second, as flow meters have it. */
const speed = (mmPerS: number): string => `${Math.round(mmPerS / 10)} cm/s`;
const hours = (value: number): string => (value < 1 ? 'half an hour' : `about ${value} h`);
