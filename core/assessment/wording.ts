import type { Finding, FindingCode, Severity } from '../calculation/finding';
import { PARAMETER_META, type Parameter } from '../catalogue/parameter';
import type { Basis } from '../quantity/fact';
import type { UnitChoice } from '../quantity/format';
import type { Addition } from '../stocking/addition-order';
import { conditionerOf } from '../water/conditioners';
import { saltsKnown } from '../design/own-catalogue';
import { saltName } from '../water/salts';
import type { Assessment } from './assess';
import type { Gravity } from './gravity';
import type { Help } from './remedies/offer';
import type { Remedy } from './remedies/remedy';
import { wordHardscape } from './wording/hardscape';
import { wordHeat } from './wording/heat';
import { wordStocking } from './wording/stocking';
import { wordSubstrate } from './wording/substrate';
import { wordVessel } from './wording/vessel';
import { wordWater } from './wording/water';
import { wordBiotope } from './wording/biotope';
import { wordWindow } from './wording/window';
import { formatMm, formatValue, nameOf, type CodesOf, type Worded, type Words } from './wording/words';

export { formatValue, MONTHS, nameOf, plain, type Worded } from './wording/words';

export const SEVERITY_WORD: Readonly<Record<Severity, string>> = { conflict: 'Conflict', watch: 'Watch', fits: 'Fits', unknown: 'Unknown' };

export const BASIS_WORD: Readonly<Record<Basis, string>> = {
  published: 'Published',
  practice: 'Common practice',
  recalled: 'Recalled; check before you rely on it',
  invented: 'Invented for the demo',
  measured: 'Measured or stated by you',
};

/** What a finding means for those it is about. */
export const GRAVITY_WORD: Readonly<Record<Gravity, string>> = {
  death: 'Kills',
  loss: 'Likely loss',
  stress: 'Wears them down',
  taste: 'A matter of taste',
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

/** The one place where findings become words and numbers get their units: what is wrong, then why. */
export function wordFinding(finding: Finding, assessment: Assessment, units: UnitChoice): Worded {
  const [who = '', other = ''] = finding.subjects.map((id) => nameOf(id, assessment));
  const words: Words = {
    code: finding.code,
    finding,
    assessment,
    units,
    who,
    other,
    show: (name) => formatValue(finding.values[name], units),
    count: (name) => finding.values[name]?.si ?? 0,
  };
  if (isOf(words, 'water')) return wordWater(words);
  if (isOf(words, 'heat')) return wordHeat(words);
  if (isOf(words, 'window')) return wordWindow(words);
  if (isOf(words, 'vessel')) return wordVessel(words);
  if (isOf(words, 'substrate')) return wordSubstrate(words);
  if (isOf(words, 'hardscape')) return wordHardscape(words);
  if (isOf(words, 'biotope')) return wordBiotope(words);
  return wordStocking(words as Words<CodesOf<'stocking'>>);
}

function isOf<F extends Parameters<typeof startsWith>[1]>(words: Words, family: F): words is Words<CodesOf<F>> {
  return startsWith(words.code, family);
}

function startsWith(
  code: FindingCode,
  family: 'water' | 'heat' | 'window' | 'vessel' | 'substrate' | 'hardscape' | 'stocking' | 'biotope',
): boolean {
  return code.startsWith(`${family}.`);
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
        return names.map((name, i) => `${show(`share${i}`)} ${name}`).join(' + ') + (remedy.values['noSalts'] ? ', without the salts' : '');
      case 'recipe': {
        const litres = names.filter((_, i) => remedy.values[`litres${i}`]).map((name, i) => `${show(`litres${i}`)} ${name}`);
        const grams = names
          .slice(litres.length)
          .map((id, i) => `${remedy.values[`grams${i}`]?.si ?? 0} g ${saltName(id, saltsKnown(assessment.world.room.own))}`)
          .filter((text) => !text.startsWith('0 g'));
        return `Recipe for ${show('litres')}: ${[...litres, ...grams].join(' + ')}${remedy.values['wants'] ? ' (to be bought)' : ''}`;
      }
      case 'salts': {
        const by = remedy.values['grams']?.si ?? 0;
        const which = remedy.subjects.map((id) => saltName(id, saltsKnown(assessment.world.room.own))).join(' and ');
        const tank = remedy.values['tank']?.si;
        return `${Math.abs(by)} g ${by > 0 ? 'more' : 'less'} ${which} to ${show('litres')}${tank ? ` (${Math.abs(tank)} g in the tank)` : ''}`;
      }
      case 'leaves':
        return `Put in ${remedy.values['grams']?.si ?? 0} g of dry leaves`;
      case 'conditioner':
        return `Condition with: ${(conditionerOf(remedy.subjects[0] ?? '')?.name ?? '').toLowerCase()}`;
      case 'heater':
        return remedy.values['moved'] ? `Set heater to ${show('setPoint')}` : `Heater at ${show('setPoint')}`;
      case 'fan':
        return `Fan over the water from ${show('setPoint')}`;
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
      case 'surface':
        return remedy.subjects[0] === 'air-stone' ? 'Put in an air stone' : 'Let the filter ripple the surface';
      case 'changes':
        return `Change ${show('fraction')} once a week`;
      case 'feed':
        return `Feed ${remedy.values['feed']?.si ?? 0} g of dry food a day`;
      case 'inert-bed':
        return `Bed of ${names[0]} instead`;
      case 'other-stone':
        return `${names[0]} instead of that stone`;
      case 'lamp-hours':
        return `Light for ${remedy.values['hours']?.si ?? 0} h a day`;
      case 'open-lid':
        return 'Mesh instead of the closed lid';
      case 'top-up':
        return `Top up with ${names[0] ?? 'pure water'}`;
      case 'place':
        return (
          { sun: 'Stand it out of the sun', footfall: 'Stand it off the way', floor: 'Stand it on a ground floor' }[
            remedy.subjects[0] ?? ''
          ] ?? 'Stand it elsewhere'
        );
      case 'cover-sides':
        return 'Dark film, seen from the front only';
      case 'flatten':
        return `Flatten the bank to ${show('slope')}`;
      case 'wall':
        return `Hold it with a wall of ${show('height')}`;
      case 'cap':
        return `${show('depth')} more ${names[0] ?? 'cap'} on it`;
      case 'cloth':
        return 'Lay a cloth between the two';
      case 'deepen':
        return `${show('depth')} more ${names[0] ?? 'bed'}`;
      case 'grain':
        return `Take ${names[0] ?? 'other grain'} instead`;
      case 'bare':
        return 'Leave the bottom bare';
      case 'mat':
        return 'Lay a mat on the bottom';
      case 'ballast':
        return `Tie on ${show('mass')} of stone`;
      case 'screw':
        return 'Screw it to a slab under the bed';
      case 'embed':
        return `Bed it ${show('depth')} deep`;
      case 'lay-flat':
        return 'Lay it flat';
      case 'on-floor':
        return `Stand ${remedy.values['count']?.si === 1 ? 'it' : 'them'} on the bottom, on a mat`;
      case 'move-in':
        return remedy.values['count']?.si === 1 ? 'Move it in' : `Move ${show('count')} pieces in`;
      case 'apart':
        return `Move the ${names[0] ?? 'piece'} aside`;
      case 'stack':
        return `Stack the ${names[0] ?? 'piece'}`;
      case 'free-mouth':
        return 'Set it free of the ground';
      case 'clear-mouth':
        return `Move the ${names[0] ?? 'piece'} away`;
      case 'turn':
        return `Turn the ${names[0] ?? 'piece'} by ${show('angle')}`;
      case 'hides':
        return `Put in ${show('count')} × ${names[0] ?? 'hide'}`;
      case 'vessel':
        return `Box of ${show('length')} × ${show('width')} × ${show('height')}`;
      case 'swap':
        return `Keep ${names[1] ?? ''} instead`;
      case 'remove':
        return `Leave out ${names[0] ?? ''}`;
    }
  })();
  const opens = remedy.opens.length > 0 ? remedy.opens.map((opened) => wordFinding(opened, assessment, units).title).join('; ') : null;
  return { action, effect: effectText(finding, remedy, units), opens };
}

function effectText(finding: Finding, { after, alsoMends }: Remedy, units: UnitChoice): string {
  const name = ['planned', 'water', 'count', 'nitrate', 'oxygen', 'by', 'usable', 'slope', 'cover', 'depth'].find(
    (one) => finding.values[one],
  );
  const before = name && formatValue(finding.values[name], units);
  const now = name && after?.values[name] && formatValue(after.values[name], units);
  const change =
    before && now && before !== now
      ? `${before} → ${now}`
      : `${SEVERITY_WORD[finding.severity].toLowerCase()} → ${after ? SEVERITY_WORD[after.severity].toLowerCase() : 'gone'}`;
  return alsoMends > 0 ? `${change}; mends ${alsoMends} more` : change;
}

/** What is left to be done where nothing that can be planned here helps. */
const NO_REMEDY: Readonly<Partial<Record<FindingCode, string>>> = {
  'heat.too-warm': 'Another place, cooler by day, or kinds of this warmth.',
  'heat.too-cold': 'Another place, warmer by night, or kinds of this coolness.',
};

/** What stays out of reach, said plainly; null when something clears the finding. */
export function wordShortfall(help: Help, finding: Finding, units: UnitChoice): string | null {
  const { shortfall } = help;
  if (!shortfall) return null;
  if (shortfall.reason === 'none-known') return NO_REMEDY[finding.code] ?? 'No remedy is known here.';
  const parameter = PARAMETER_META[finding.parameter as Parameter];
  const best = formatValue(shortfall.best, units);
  const edge = shortfall.wanted && formatValue(shortfall.wanted, units);
  const wanted = edge === undefined ? '' : edge === best ? ' of what is wanted by less than that shows' : ` of the ${edge} that is wanted`;
  const start = `No blend of the sources at hand gets there: the best for the whole tank gives ${parameter.name} ${best}, short${wanted}.`;
  if (finding.parameter === 'ph' && shortfall.side === 'high') {
    return `${start} Only humic acids (peat, leaf litter, cones) or an acid soil take soft water lower: put some in on the Water bench, soak, then measure. Never a strong acid.`;
  }
  if (finding.parameter === 'salinity') return `${start} A salt mix would be needed.`;
  return `${start} Another source, or salts weighed in, would be needed.`;
}
