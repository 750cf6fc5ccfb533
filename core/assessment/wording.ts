import { SEVERITY_WORD, type Finding } from '../calculation/finding';
import { PARAMETER_META, type Parameter } from '../catalogue/parameter';
import type { Basis } from '../quantity/fact';
import type { UnitChoice } from '../quantity/format';
import type { Addition } from '../stocking/addition-order';
import type { Assessment } from './assessment';
import type { Gravity } from './gravity';
import type { Help } from './remedies/offer';
import type { Remedy } from './remedies/remedy';
import { FRAME, type Frame } from './frame';
import { formatValue, nameOf, type Worded, type Words } from './wording/words';

export { formatValue, MONTHS, nameOf, plain, type Worded } from './wording/words';

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
export const pairWord = FRAME.pairWord;

export const ADDITION_WORD: Readonly<Record<Addition['why'], string>> = {
  'clean-up': 'cleans up and bears a young tank',
  hardy: 'hardy',
  ordinary: 'once the hardy ones are settled',
  delicate: 'delicate: a tank that has run for weeks',
  'holds-territory': 'claims ground or company, so it comes last',
};

/** The one place where findings become words and numbers get their units: what is wrong, then why. */
export function wordFinding(finding: Finding, assessment: Assessment, units: UnitChoice, frame: Frame = FRAME): Worded {
  const [who = '', other = ''] = finding.subjects.map((id) => nameOf(id, assessment));
  const words: Words = {
    code: finding.code,
    finding,
    assessment,
    units,
    who,
    other,
    show: (name) => formatValue(finding.values[name], units),
    count: (name) => finding.values[name]?.value ?? 0,
  };
  return frame.words(words);
}

/** What a remedy does, as a button says it, and what comes of it. */
export function wordRemedy(
  remedy: Remedy,
  finding: Finding,
  assessment: Assessment,
  units: UnitChoice,
  frame: Frame = FRAME,
): { action: string; effect: string; opens: string | null } {
  const show = (name: string) => formatValue(remedy.values[name], units);
  const names = remedy.subjects.map((id) => nameOf(id, assessment));
  const action = frame.sayRemedy(remedy.kind, { remedy, assessment, names, units, show });
  const opens =
    remedy.opens.length > 0 ? remedy.opens.map((opened) => wordFinding(opened, assessment, units, frame).title).join('; ') : null;
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

/** What stays out of reach, said plainly; null when something clears the finding. */
export function wordShortfall(help: Help, finding: Finding, units: UnitChoice): string | null {
  const { shortfall } = help;
  if (!shortfall) return null;
  if (shortfall.reason === 'none-known') return FRAME.noRemedy(finding.code) ?? 'No remedy is known here.';
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
