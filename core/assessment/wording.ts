import type { Finding, FindingValue, Severity } from '../calculation/finding';
import { PARAMETER_META, type Parameter } from '../catalogue/parameter';
import type { Basis } from '../quantity/fact';
import { formatQuantity, formatSpan, type UnitChoice } from '../quantity/format';
import type { Addition } from '../stocking/addition-order';
import type { Assessment } from './assess';
import type { Help } from './remedies/offer';
import type { Remedy } from './remedies/remedy';

/** The one place where findings become words and numbers get their units. Latin names stand between asterisks: *Danio*. */
export interface Worded {
  title: string;
  reason: string;
}

export const SEVERITY_WORD: Readonly<Record<Severity, string>> = { conflict: 'Conflict', watch: 'Watch', fits: 'Fits', unknown: 'Unknown' };

export const BASIS_WORD: Readonly<Record<Basis, string>> = {
  published: 'Published',
  practice: 'Common practice',
  recalled: 'Recalled; check before you rely on it',
  invented: 'Invented for the demo',
  measured: 'Measured or stated by you',
};

/** What is the matter between two, in a word, for a matrix. */
export const PAIR_WORD: Partial<Record<Finding['code'], string>> = {
  'window.clash': 'water',
  'window.strain': 'strained',
  'stocking.predation': 'eats',
  'stocking.predation-young': 'eats young',
  'stocking.fin-nipping': 'nips',
  'stocking.temperament': 'temper',
  'stocking.crossing': 'crosses',
};

export const ADDITION_WORD: Readonly<Record<Addition['why'], string>> = {
  'clean-up': 'cleans up and bears a young tank',
  hardy: 'hardy',
  ordinary: 'once the hardy ones are settled',
  delicate: 'delicate: a tank that has run for weeks',
  'holds-territory': 'claims ground or company, so it comes last',
};

export const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** Severities of one organism's findings, put as words: what is wrong, then why. */
export function wordFinding(finding: Finding, assessment: Assessment, units: UnitChoice): Worded {
  const show = (name: string) => formatValue(finding.values[name], units);
  const [who = '', other = ''] = finding.subjects.map((id) => nameOf(id, assessment));
  const count = (name: string) => finding.values[name]?.si ?? 0;

  switch (finding.code) {
    case 'water.parameter': {
      const { name } = PARAMETER_META[finding.parameter as Parameter];
      const span = optimumText(finding, units);
      if (finding.severity === 'unknown')
        return { title: `${name} for ${who} not known`, reason: `No range is recorded. The plan is ${show('planned')}.` };
      if (finding.severity === 'fits') return { title: `${name} suits ${who}`, reason: `${show('planned')}, inside ${span}.` };
      const doubt = finding.values['plannedLow'] && finding.values['plannedHigh'];
      const band = doubt ? ` It may settle anywhere in ${bandText(finding, units)}, by the CO₂ in the water.` : '';
      if (finding.excess === 0)
        return {
          title: `${name} may stray for ${who}`,
          reason: `${show('planned')} is comfortable, but its band crosses ${show('edge')}.${band}`,
        };
      const tooHigh = count('planned') > count('edge');
      const strength = finding.severity === 'conflict' ? 'outside what it survives or breeds in' : `outside its comfort, ${span}`;
      return {
        title: `${name} ${show('planned')} is too ${tooHigh ? 'high' : 'low'} for ${who}`,
        reason: `The edge is ${show('edge')}: ${strength}.${band}`,
      };
    }
    case 'water.not-stated': {
      if (!finding.parameter)
        return {
          title: 'Water not chosen',
          reason: 'Pour from the room’s sources on the Water bench; until then no water value is judged.',
        };
      const { name } = PARAMETER_META[finding.parameter as Parameter];
      return {
        title: `${name} not known`,
        reason: `${sentence(finding.note ?? 'A source has no reading')} Measure it, or it stays unjudged.`,
      };
    }
    case 'water.salinity-acclimation': {
      if (finding.severity === 'unknown') {
        const step = finding.values['step'] ? ` Move it by at most ${show('step')} a day.` : '';
        return { title: `Arrival salinity of ${who} not stated`, reason: `It lives between waters; ask in which it is kept now.${step}` };
      }
      if (finding.severity === 'fits')
        return { title: `${who} can go straight in`, reason: `It arrives at ${show('arrival')}; the tank is ${show('planned')}.` };
      return {
        title: `Shift ${who} over ${show('days')} days`,
        reason: `It arrives at ${show('arrival')} and the tank is ${show('planned')}; at most ${show('step')} a day.`,
      };
    }
    case 'water.disinfectant':
      if (finding.severity === 'unknown')
        return {
          title: `Chlorine or chloramine in ${who} not stated`,
          reason: 'Ask the supplier. Until then treat it as present: condition before use.',
        };
      if (finding.severity === 'fits') return { title: `${who} carries no disinfectant`, reason: 'As stated.' };
      return {
        title: `${who} carries ${finding.note ?? 'disinfectant'}`,
        reason: 'Condition every litre before animals meet it. Chloramine leaves ammonia behind.',
      };
    case 'heat.not-stated':
      return {
        title: 'The room’s year is not stated',
        reason: 'Give the room’s usual low and high by month; until then no season is judged.',
      };
    case 'heat.too-cold':
    case 'heat.too-warm': {
      const cold = finding.code === 'heat.too-cold';
      if (finding.severity === 'unknown')
        return { title: `${cold ? 'Lowest' : 'Highest'} temperature for ${who} not known`, reason: `The tank reaches ${show('planned')}.` };
      if (finding.severity === 'fits') {
        return cold
          ? { title: `Warm enough for ${who}`, reason: `The year goes down to ${show('planned')}; it wants at least ${show('optimum')}.` }
          : { title: `Cool enough for ${who}`, reason: `The year goes up to ${show('planned')}; it wants at most ${show('optimum')}.` };
      }
      const strength = finding.severity === 'conflict' ? 'what it stands' : 'its comfort';
      return {
        title: cold
          ? `${show('planned')} in the cold season is too cold for ${who}`
          : `${show('planned')} in the warm season is too warm for ${who}`,
        reason: `${cold ? 'Below' : 'Above'} ${show('edge')}, the edge of ${strength}, ${monthsText(count('firstMonth'), count('months'))}.`,
      };
    }
    case 'window.clash':
    case 'window.strain': {
      const { name } = PARAMETER_META[finding.parameter as Parameter];
      return finding.code === 'window.clash'
        ? {
            title: `${who} and ${other} cannot be kept together`,
            reason: `${name}: one stands at most ${show('top')}, the other needs at least ${show('bottom')}.`,
          }
        : {
            title: `${who} and ${other} pull ${name} apart`,
            reason: `One is comfortable up to ${show('top')}, the other from ${show('bottom')}; between them one of the two only endures.`,
          };
    }
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
        ? { title: `Enough water for ${who}`, reason: `${show('water')}; ${show('count')} want about ${show('need')}.` }
        : {
            title: `Too little water for ${who}`,
            reason: `${show('water')} here; ${show('count')} want about ${show('need')}. The bed will take more of it.`,
          };
    }
    case 'vessel.lid':
      if (finding.severity === 'unknown') return { title: `Lid not settled, and ${who} may jump`, reason: 'Say what covers the vessel.' };
      return finding.severity === 'fits'
        ? { title: `${who} does not jump out`, reason: 'It does not jump, or the vessel is covered. Gaps are judged one by one.' }
        : { title: `${who} jumps, and there is no lid`, reason: 'An open top loses them, mostly in the first nights.' };
    case 'vessel.leak-test':
      if (finding.severity === 'fits') return { title: 'Leak test passed', reason: 'As logged by you.' };
      if (finding.severity === 'watch')
        return {
          title: 'Leak test too short',
          reason: `${show('days')} of ${show('wanted')} days full${
            count('days') >= count('wanted') ? ', but not yet with the filter running and the sump in the loop' : ''
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
            reason: `The opening is ${show('opening')} across, ${show('spare')} too little end first.`,
          };
    }
    case 'vessel.piece-fit':
      return {
        title: `${sentence(who).slice(0, -1)} ${finding.severity === 'conflict' ? 'does not pass' : 'only just passes'} the top`,
        reason: `The largest opening between rim and braces is ${show('opening')} across${finding.severity === 'conflict' ? `, ${show('spare')} too little end first` : ''}.`,
      };
    case 'vessel.clearance':
      if (finding.severity === 'unknown')
        return { title: 'Free height above the rim not stated', reason: 'On a rack a hand has to reach in; measure up to the next shelf.' };
      return finding.severity === 'fits'
        ? { title: 'Room above to reach in', reason: `${show('clearance')} free.` }
        : {
            title: finding.severity === 'conflict' ? 'No hand gets in from above' : 'Little room above to reach in',
            reason: `${show('clearance')} free; a hand with a net wants ${show('wanted')}.`,
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
          reason: `Plate theory asks for ${formatMm(finding.values['need'])} if it were filled to the rim. Information, never a certificate.`,
        };
      return finding.severity === 'fits'
        ? {
            title: 'Glass as thick as plate theory asks',
            reason: `${formatMm(finding.values['glass'])}; ${formatMm(finding.values['need'])} asked. Information, never a certificate.`,
          }
        : {
            title: 'Glass thinner than plate theory asks',
            reason: `${formatMm(finding.values['glass'])} where ${formatMm(finding.values['need'])} is asked for a fill to the rim. Ask its maker before you fill it. Information, never a certificate.`,
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
      const hours = finding.values['latest'] ? `${show('soonest')} to ${show('latest')}` : `${show('soonest')} at the soonest`;
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
    case 'stocking.not-known':
      return {
        title: `${who}: company not judged`,
        reason: 'The catalogue does not know it, so nothing is said of whom it can live with.',
      };
    case 'stocking.sex-ratio': {
      if (finding.severity === 'unknown')
        return finding.kind === 'not-stated'
          ? { title: `Sexes of ${who} not stated`, reason: 'Say how many are females; until then pairs and rivals are not judged.' }
          : { title: `How ${who} lives by sexes is not known`, reason: 'No figure is recorded.' };
      const have = `${show('males')} male${count('males') === 1 ? '' : 's'}, ${show('females')} female${count('females') === 1 ? '' : 's'}`;
      switch (finding.kind) {
        case 'rivals':
          return { title: `Males of ${who} fight`, reason: `${have}. One male to a tank, or they maim each other.` };
        case 'no-male':
          return { title: `No male of ${who} to breed with`, reason: `${have}.` };
        case 'no-female':
          return { title: `No female of ${who} to breed with`, reason: `${have}.` };
        case 'few-females':
          return { title: `Too few females of ${who}`, reason: `${have}; ${show('wanted')} females would share out the chasing.` };
        case 'hermaphrodite':
          return { title: `${who} needs no pairing`, reason: 'Each is both sexes.' };
        case 'does-not-matter':
          return { title: `Sexes of ${who} need no count`, reason: 'It lives in any ratio, or the group is large enough to hold both.' };
        default:
          return { title: `Sexes of ${who} suit`, reason: `${have}.` };
      }
    }
    case 'stocking.predation':
      if (finding.severity === 'unknown')
        return {
          title: `Whether ${who} eats ${other} is not known`,
          reason: 'Its mouth, the other’s depth or what it hunts is not recorded.',
        };
      return {
        title: finding.severity === 'conflict' ? `${who} eats ${other}` : `${who} may take small ${other}`,
        reason: `Mouth ${formatMm(finding.values['gape'])} wide against a body ${formatMm(finding.values['depth'])} deep: what fits goes down.`,
      };
    case 'stocking.predation-young':
      if (finding.severity === 'unknown')
        return { title: `Whether ${who} eats the young of ${other} is not known`, reason: 'Its mouth or their size is not recorded.' };
      return {
        title: `${who} eats the young of ${other}`,
        reason: `Young of ${formatMm(finding.values['young'])} fit a mouth of ${formatMm(finding.values['gape'])}. ${
          finding.severity === 'conflict' ? 'Raise them by themselves.' : 'Some live in dense moss; for numbers, breed it by itself.'
        }`,
      };
    case 'stocking.fin-nipping':
      return finding.severity === 'unknown'
        ? { title: `Fins of ${other} not known`, reason: `${who} nips long ones.` }
        : {
            title: `${who} nips the fins of ${other}`,
            reason: 'Long fins are torn and fungus; a large group of the nippers only lessens it.',
          };
    case 'stocking.temperament':
      switch (finding.kind) {
        case 'two-territories':
          return {
            title: `${who} and ${other} claim the same ground`,
            reason:
              finding.severity === 'conflict'
                ? `The floor is ${show('floor')} of what both want. Only a larger one, with sites out of sight of each other, holds both.`
                : 'The floor may do for both, with several sites out of sight of each other. Watch them.',
          };
        case 'drives-out':
          return { title: `${who} drives ${other} out`, reason: 'One holds ground, the other is shy, and both want the same stratum.' };
        case 'rival-fins':
          return { title: `${who} takes ${other} for a rival`, reason: 'Long fins in its stratum set it off.' };
        case 'hunter':
          return {
            title: `${who} and ${other} wear each other out`,
            reason: 'A hunter tries what it cannot swallow; gills and fins are bitten both ways.',
          };
        case 'worries':
          return { title: `${who} worries ${other}`, reason: 'A nipper beside a shy animal: it stays in its hide and starves.' };
        default:
          return { title: `Temper of ${who} or ${other} not known`, reason: 'No figure is recorded.' };
      }
    case 'stocking.crossing':
      if (finding.severity === 'unknown')
        return {
          title: `Whether ${who} and ${other} cross is not known`,
          reason: 'They are of one genus; until it is known, keep them apart.',
        };
      return {
        title: `${who} and ${other} cross`,
        reason:
          finding.severity === 'conflict'
            ? 'One of them is to be bred: its line is lost. Another tank, with its own net.'
            : 'Young of both together are of no line. Keep them apart, or give none away as pure.',
      };
    case 'stocking.strata':
      return {
        title: `Crowded at the ${finding.kind === 'middle' ? 'middle' : finding.kind}`,
        reason: `${listed(finding.subjects.map((id) => nameOf(id, assessment)))} want ${show('ratio')} of this floor there. Spread kinds over bottom, middle and top.`,
      };
    case 'stocking.escape': {
      if (finding.severity === 'unknown')
        return { title: `Whether ${who} gets out is not known`, reason: 'Its sizes or habits are not recorded.' };
      if (finding.severity === 'fits') return { title: `${who} stays in`, reason: 'It passes none of the openings stated.' };
      const way = { lid: 'the lid', weir: 'the weir', intake: 'the intake' }[finding.kind?.split(':')[0] ?? ''] ?? 'an opening';
      const gap = `${formatMm(finding.values['short'])} × ${formatMm(finding.values['long'])}`;
      return finding.values['young']
        ? {
            title: `Young of ${who} go through ${way}`,
            reason: `They are ${formatMm(finding.values['young'])} long; the opening is ${gap}.`,
          }
        : { title: `${who} goes out through ${way}`, reason: `${formatMm(finding.values['body'])} thin; the opening is ${gap}.` };
    }
    case 'stocking.group-size': {
      if (finding.severity === 'unknown') return { title: `Group size of ${who} not known`, reason: 'No figure is recorded.' };
      if (finding.severity === 'fits')
        return { title: `Group of ${who} is large enough`, reason: `${show('count')}; at least ${show('groupMin')}.` };
      return {
        title: count('count') === 1 ? `A lone ${who} does not settle` : `Too few ${who}`,
        reason: `${show('count')} here; it wants at least ${show('groupMin')}. Short groups hide, pine or bully.`,
      };
    }
    case 'stocking.not-chosen':
      return { title: 'Nothing lives here yet', reason: 'Name an animal, or the wild place to rebuild, on the Livestock bench.' };
  }
}

/** What a remedy does, as a button says it, and what comes of it. */
export function wordRemedy(
  remedy: Remedy,
  finding: Finding,
  assessment: Assessment,
  units: UnitChoice,
): { action: string; effect: string; opens: string | null } {
  const show = (name: string) => formatValue(remedy.values[name], units);
  const names = remedy.subjects.map((id) => nameOf(id, assessment));
  const action = (() => {
    switch (remedy.kind) {
      case 'blend':
        return names.map((name, i) => `${show(`share${i}`)} ${name}`).join(' + ');
      case 'heater':
        return remedy.values['moved'] ? `Set heater to ${show('setPoint')}` : `Heater at ${show('setPoint')}`;
      case 'cooler':
        return remedy.values['moved'] ? `Set cooler to ${show('setPoint')}` : `Cooler at ${show('setPoint')}`;
      case 'group':
        return `Add ${show('added')}, to ${show('groupMin')}`;
      case 'lid':
        return `${remedy.subjects[0] === 'mesh' ? 'Mesh' : 'Glass'} lid`;
      case 'guard':
        return `Mesh of ${formatMm(remedy.values['mesh'])} over every opening`;
      case 'rating':
        return `${remedy.subjects[0] === 'cooler' ? 'Cooler' : 'Heater'} of ${show('power')}`;
      case 'sexes': {
        const change = remedy.values['change']?.si ?? 0;
        const one = remedy.subjects[0] === 'males' ? 'male' : 'female';
        return `${change > 0 ? 'Add' : 'Take out'} ${Math.abs(change)} ${one}${Math.abs(change) === 1 ? '' : 's'}`;
      }
      case 'cover-sides':
        return 'Dark film, seen from the front only';
      case 'vessel':
        return `Box of ${show('length')} × ${show('width')} × ${show('height')}`;
      case 'remove':
        return `Leave out ${names[0] ?? ''}`;
    }
  })();
  const opens = remedy.opens.length > 0 ? remedy.opens.map((opened) => wordFinding(opened, assessment, units).title).join('; ') : null;
  return { action, effect: effectText(finding, remedy, units), opens };
}

function effectText(finding: Finding, { after, alsoMends }: Remedy, units: UnitChoice): string {
  const name = finding.values['planned'] ? 'planned' : finding.values['water'] ? 'water' : finding.values['count'] ? 'count' : null;
  const before = name && formatValue(finding.values[name], units);
  const now = name && after?.values[name] && formatValue(after.values[name], units);
  const change =
    before && now && before !== now
      ? `${before} → ${now}`
      : `${SEVERITY_WORD[finding.severity].toLowerCase()} → ${after ? SEVERITY_WORD[after.severity].toLowerCase() : 'gone'}`;
  return alsoMends > 0 ? `${change}; mends ${alsoMends} more` : change;
}

/** What stays out of reach, said plainly; null when something clears the finding. */
export function wordShortfall(help: Help, finding: Finding, units: UnitChoice): string | null {
  const { shortfall } = help;
  if (!shortfall) return null;
  if (shortfall.reason === 'none-known') return 'No remedy is known here.';
  const parameter = PARAMETER_META[finding.parameter as Parameter];
  const best = formatValue(shortfall.best, units);
  const edge = shortfall.wanted && formatValue(shortfall.wanted, units);
  const wanted = edge === undefined ? '' : edge === best ? ' of what is wanted by less than that shows' : ` of the ${edge} that is wanted`;
  const start = `No blend of the sources at hand gets there: the best for the whole tank gives ${parameter.name} ${best}, short${wanted}.`;
  if (finding.parameter === 'ph' && shortfall.side === 'high') {
    return `${start} Only humic acids (peat, leaf litter, cones) take soft water lower; their effect is not modelled yet: soak, then measure. Never a strong acid.`;
  }
  if (finding.parameter === 'salinity') return `${start} A salt mix would be needed.`;
  return `${start} Another source or mineral salts would be needed.`;
}

export function formatValue(value: FindingValue | undefined, units: UnitChoice): string {
  return value ? formatQuantity(value.quantity, value.si, units) : 'not known';
}

/** Mouths, gaps and panes are said in millimetres, whatever lengths are shown in. */
function formatMm(value: FindingValue | undefined): string {
  return value ? `${Number(value.si.toFixed(value.si < 10 ? 1 : 0))} mm` : 'not known';
}

function listed(names: readonly string[]): string {
  return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}

/** The name of a subject: Latin between asterisks for organisms, plain for sources and gear. */
export function nameOf(id: string, { world, derived }: Assessment): string {
  const member = derived['stock.members'].value?.find((candidate) => candidate.id === id);
  if (member) return member.organism ? `*${member.organism.latin}*` : `“${member.organismId}” (not in the catalogue)`;
  if (Object.hasOwn(world.design.equipment, id)) return world.design.equipment[id]?.kind ?? id;
  const piece = Object.hasOwn(world.design.scene, id) ? world.design.scene[id] : undefined;
  if (piece) return (world.catalogue.materials.get(piece.classId)?.name ?? piece.classId).toLowerCase();
  return Object.hasOwn(world.room.sources, id) ? (world.room.sources[id]?.name ?? id) : id;
}

/** Drops the marks around Latin names, for places that cannot show italics. */
export function plain(text: string): string {
  return text.replaceAll('*', '');
}

function optimumText(finding: Finding, units: UnitChoice): string {
  const low = finding.values['optimumLow'];
  const high = finding.values['optimumHigh'];
  if (low && high) return formatSpan(low.quantity, [low.si, high.si], units);
  return low ? `from ${formatValue(low, units)}` : high ? `up to ${formatValue(high, units)}` : 'a range not known';
}

function bandText(finding: Finding, units: UnitChoice): string {
  const low = finding.values['plannedLow'];
  const high = finding.values['plannedHigh'];
  return low && high ? formatSpan(low.quantity, [low.si, high.si], units) : '';
}

function monthsText(first: number, count: number): string {
  if (count >= 12) return 'all year';
  const start = MONTHS[first - 1] ?? '';
  const end = MONTHS[(first + count - 2) % 12] ?? '';
  return count === 1 ? `in ${start}` : `from ${start} to ${end}`;
}

function sentence(text: string): string {
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}${text.endsWith('.') ? '' : '.'}`;
}
