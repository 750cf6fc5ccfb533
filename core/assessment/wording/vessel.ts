import type { CodesOf } from '../../calculation/finding';
import { formatMm, sentence, type Worded, type Words } from './words';

/** Findings about the vessel, in words. */
export function wordVessel({ code, finding, who, show, count, units }: Words<CodesOf<'vessel'>>): Worded {
  switch (code) {
    case 'vessel.not-stated':
      return {
        title: 'Vessel not chosen',
        reason: 'Give inside length, width and height on the Vessel bench; floor and volume are not judged yet.',
      };
    case 'vessel.footprint': {
      if (finding.severity === 'unknown') return { title: `Floor that ${who} needs not known`, reason: 'No figure is recorded.' };
      const need = `${show('needLong')} × ${show('needShort')}`;
      const have = `${show('long')} × ${show('short')}`;
      return finding.severity === 'fits'
        ? { title: `Floor is wide enough for ${who}`, reason: `${have}; the smallest group wants ${need}.` }
        : { title: `Floor is too small for ${who}`, reason: `${have} here; the smallest proper group wants ${need}.` };
    }
    case 'vessel.volume': {
      if (finding.severity === 'unknown') return { title: `Water that ${who} needs not known`, reason: 'No figure is recorded.' };
      return finding.severity === 'fits'
        ? { title: `Vessel is large enough for ${who}`, reason: `A tank of ${show('water')}; ${show('count')} want about ${show('need')}.` }
        : {
            title: `Vessel is too small for ${who}`,
            reason: `A tank of ${show('water')}; ${show('count')} want about ${show('need')}.`,
          };
    }
    case 'vessel.lid':
      if (finding.severity === 'unknown')
        return { title: `Lid not settled, and ${who} may get out`, reason: 'Say what covers the vessel.' };
      if (finding.severity === 'fits')
        return {
          title: `${who} does not leave by the top`,
          reason: 'It neither jumps nor climbs, or the vessel is covered. Gaps are judged one by one.',
        };
      switch (finding.kind) {
        case 'leaps':
          return {
            title: `${who} leaps, and there is no lid`,
            reason: 'An open top loses them, mostly in the first nights. A lid without gaps.',
          };
        case 'walks':
          return {
            title: `${who} walks out of an open top`,
            reason: 'It climbs panes, hoses and silicone, and dries out on the floor. A tight lid, every gap stopped.',
          };
        case 'crawls':
          return {
            title: `${who} may crawl out of an open top`,
            reason: 'Now and then, mostly when something is wrong with the water. A lid, or a rim left dry and wide.',
          };
        default:
          return {
            title: `${who} jumps, and there is no lid`,
            reason: 'Now and then one is lost. A lid or mesh, a lower level, or a belt of floating plants.',
          };
      }
    case 'vessel.depth':
      return {
        title: `Too deep for ${who}`,
        reason: `${show('depth')} of water; it swims up for air and tires from ${show('edge')} on. Lower the level, or give it ledges and plants up to the surface.`,
      };
    case 'vessel.leak-test':
      if (finding.severity === 'fits') return { title: 'Leak test passed', reason: 'As logged by you.' };
      if (finding.severity === 'watch')
        return {
          title: 'Leak test too short',
          reason: `${show('days')} of ${show('wanted')} days full${
            count('days') >= count('wanted') ? ', but not yet with its filter, hoses and fittings running' : ''
          }. Let it stand on.`,
        };
      return finding.severity === 'conflict'
        ? { title: 'Leak test failed', reason: 'Do not furnish it. Repair, let it cure, test again.' }
        : {
            title: 'Leak test not logged',
            reason:
              count('wanted') === 7
                ? 'Repaired, drilled, home-built or without its rim: fill it and wait a week, look at every seam; once more with the filter running. Never move it filled.'
                : 'Fill it, wait a day to a week, look at every seam; once more with the filter running. Full glass is heavy: never move it filled, and ask whether floor and stand carry it.',
          };
    case 'vessel.gear-fit': {
      if (finding.severity === 'unknown')
        return { title: `Size of the ${who} not stated`, reason: 'Give its three sizes, and it is held against the opening at the top.' };
      if (finding.severity === 'fits')
        return { title: `The ${who} passes the top`, reason: `${show('spare')} to spare in an opening of ${show('opening')}.` };
      return finding.severity === 'watch'
        ? { title: `The ${who} only just passes the top`, reason: `${show('spare')} to spare: wet hands want more.` }
        : {
            title: `The ${who} does not pass the top`,
            reason: `The opening is ${show('opening')} across, ${show('spare')} too small, even end-on.`,
          };
    }
    case 'vessel.piece-fit':
      return {
        title: `${sentence(who).slice(0, -1)} ${finding.severity === 'conflict' ? 'does not pass' : 'only just passes'} the top`,
        reason: `The largest opening between rim and braces is ${show('opening')} across${finding.severity === 'conflict' ? `, ${show('spare')} too small, even end-on` : ''}.`,
      };
    case 'vessel.clearance':
      if (finding.severity === 'unknown')
        return { title: 'Free height above the rim not stated', reason: 'On a rack a hand has to reach in; measure up to the next shelf.' };
      return finding.severity === 'fits'
        ? { title: 'Room above to reach in', reason: `${show('clearance')} free.` }
        : {
            title: finding.severity === 'conflict' ? 'No hand gets in from above' : 'Little room above to reach in',
            reason: `${show('clearance')} free; allow ${show('wanted')} for a hand with a net.`,
          };
    case 'vessel.space':
      return finding.severity === 'fits'
        ? { title: 'It stands in its place', reason: 'By its outside, on every side.' }
        : {
            title: `It does not go into its place`,
            reason: `Its ${finding.kind ?? 'outside'} is ${show('outside')} outside; ${show('free')} are free.`,
          };
    case 'vessel.drain-back':
      if (finding.severity === 'fits')
        return { title: 'The sump holds what drains back', reason: `${show('drains')} drain in a power cut, ${show('free')} are free.` };
      return finding.severity === 'conflict'
        ? {
            title: `${show('spare')} run over the sump in a power cut`,
            reason: `${show('drains')} drain back and ${show('free')} are free. Lower the running level, or end the return nearer the surface. Water on the floor meets mains: RCD or GFCI, drip loops.`,
          }
        : {
            title: 'The sump just holds what drains back',
            reason: `${show('drains')} drain, ${show('free')} are free: ${show('spare')} in hand. Test it with the plug pulled.`,
          };
    case 'vessel.load': {
      const load = `${show('mass')} filled, ${show('load')} on its footprint`;
      if (finding.severity === 'fits') return { title: 'An ordinary weight', reason: `${load}. Never move it filled.` };
      if (finding.severity === 'unknown')
        return { title: 'What carries it is not stated', reason: `${load}. Say what it stands on; over 300 kg also what the floor is.` };
      return count('furniture') === 1
        ? { title: 'Furniture is not made for this weight', reason: `${load}. Use a stand made for it, level and dry.` }
        : {
            title: 'Heavy for a suspended floor',
            reason: `${load}. Homes are designed for 1.5–2 kPa over a whole room; locally more is usual. Ask a structural engineer.`,
          };
    }
    case 'vessel.glass':
      if (finding.severity === 'unknown')
        return {
          title: 'Glass thickness not stated',
          reason: `Plate theory asks for ${formatMm(finding.values['need'], units)} if it were filled to the rim. Information, never a certificate.`,
        };
      return finding.severity === 'fits'
        ? {
            title: 'Glass as thick as plate theory asks',
            reason: `${formatMm(finding.values['glass'], units)}; ${formatMm(finding.values['need'], units)} asked. Information, never a certificate.`,
          }
        : {
            title: 'Glass thinner than plate theory asks',
            reason: `${formatMm(finding.values['glass'], units)} where ${formatMm(finding.values['need'], units)} is asked for a fill to the rim. Ask its maker before you fill it. Information, never a certificate.`,
          };
    case 'vessel.sun':
      return { title: 'Direct sun on the vessel', reason: 'It brings algae and swings of heat. Move it, or shade that side.' };
    case 'vessel.footfall':
      return {
        title: `Footsteps startle ${who}`,
        reason: 'A busy way past a shy animal: a quieter place, more cover, or film on that side.',
      };
    case 'vessel.exposed':
      return {
        title: `${who} is seen from ${show('sides')} sides`,
        reason: 'Nothing shy can turn its back. Film or paint on the sides that are not looked through calms it.',
      };
  }
}
