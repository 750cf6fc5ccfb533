import type { Finding, FindingValue, Severity } from '../calculation/finding';
import { PARAMETER_META, type Parameter } from '../catalogue/parameter';
import type { Basis } from '../quantity/fact';
import { formatQuantity, formatSpan, type UnitChoice } from '../quantity/format';
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

const MONTHS = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December'];

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
        ? { title: `${who} stays in`, reason: 'It does not jump, or the vessel is covered. Gaps are not judged yet.' }
        : { title: `${who} jumps, and there is no lid`, reason: 'An open top loses them, mostly in the first nights.' };
    case 'vessel.leak-test':
      if (finding.severity === 'fits') return { title: 'Leak test passed', reason: 'As logged by you.' };
      return finding.severity === 'conflict'
        ? { title: 'Leak test failed', reason: 'Do not furnish it. Repair, let it cure, test again.' }
        : {
            title: 'Leak test not logged',
            reason:
              'Fill it, wait a day to a week, look at every seam; once more with the filter running. Full glass is heavy: never move it filled, and ask whether floor and stand carry it.',
          };
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
  const wanted = shortfall.wanted ? ` of the ${formatValue(shortfall.wanted, units)} that is wanted` : '';
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

/** The name of a subject: Latin between asterisks for organisms, plain for sources. */
export function nameOf(id: string, { world, derived }: Assessment): string {
  const member = derived['stock.members'].value?.find((candidate) => candidate.id === id);
  if (member) return member.organism ? `*${member.organism.latin}*` : `“${member.organismId}” (not in the catalogue)`;
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
