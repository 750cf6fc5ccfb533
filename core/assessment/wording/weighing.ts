import { BASIS_WORD } from '../wording';
import { formatQuantity, type UnitChoice } from '../../quantity/format';
import type { Finding } from '../../calculation/finding';
import type { Assessment } from '../assessment';
import { weighed, type Sureness, type Tried } from '../plan/weighing';
import { gravityOf, type Gravity } from '../gravity';
import { nameOf } from './words';

const SURE: Readonly<Record<Sureness, string>> = {
  always: 'Comes true with nearly everyone who keeps them so.',
  mostly: 'Comes true more often than not.',
  often: 'Comes true with some, and not with others.',
  open: 'Nobody can say: a figure is missing.',
};
const MEANS: Readonly<Record<Gravity, string>> = {
  death: 'It kills',
  loss: 'Some are lost',
  stress: 'It wears them down',
  taste: 'A matter of taste',
};

/** What a verdict means, how sure it is, what turns it and what does not. */
export interface WordedWeighing {
  key: string;
  means: string;
  sure: string;
  basis: string;
  turns: readonly string[];
  keeps: string | null;
}

function sayTried({ on, id, value, leaves }: Tried, assessment: Assessment, units: UnitChoice): string {
  const who = id === null ? '' : nameOf(id, assessment);
  const then = leaves === null ? '' : ', to a watch';
  switch (on) {
    case 'size':
      return `${who} put in grown, at ${formatQuantity('length', value, units)}${then}`;
    case 'number':
      return `${value} of ${who}${then}`;
    case 'fewer':
      return `${value === 1 ? 'only one' : `no more than ${value}`} of ${who}${then}`;
    case 'females':
      return `${value} of ${who} females${then}`;
    case 'space':
      return `a floor ${value} times as large${then}`;
  }
}
const ON_WORD: Readonly<Record<Tried['on'], string>> = {
  size: 'their size',
  number: 'a larger group',
  fewer: 'fewer of them',
  females: 'other sexes',
  space: 'more room',
};

/** Two that both hold the ground: which is there first is half of it. */
const hangsOnOrder = ({ code, kind }: Finding): boolean => code === 'stocking.temperament' && kind === 'two-territories';

export function wordWeighing(assessment: Assessment, key: string, units: UnitChoice): WordedWeighing | null {
  const found = weighed(assessment, key);
  const finding = assessment.findings.find((one) => one.key === key);
  if (!found || !finding) return null;
  const kept = [...new Set(found.keeps.map(({ on }) => on))].filter((on) => !found.turns.some((one) => one.on === on));
  return {
    key,
    means: MEANS[gravityOf(finding)],
    sure: `${SURE[found.sureness]}${found.close ? ' The two sizes lie within a tenth of each other: one large one decides.' : ''}`,
    basis: BASIS_WORD[found.basis],
    turns: [
      ...found.turns.map((one) => sayTried(one, assessment, units)),
      ...(hangsOnOrder(finding) ? ['both put in at the same hour, or the stones laid anew before the second'] : []),
    ],
    keeps:
      kept.length === 0
        ? null
        : `${found.turns.length === 0 && !hangsOnOrder(finding) ? 'None of this turns it' : 'Does not turn it'}: ${kept.map((on) => ON_WORD[on]).join(', ')}.`,
  };
}
