import type { Finding } from '../../calculation/finding';
import { rangeFor } from '../../catalogue/organism';
import { PARAMETERS } from '../../catalogue/parameter';
import { windowFindings } from '../../window/findings';
import { windowNodeOf, type Derived } from '../derive';
import { SALT_FROM } from './shared';
import { windowNodes } from '../derive/stock';
import { wordWindow } from '../wording/window';
import { domain } from '../domain';

declare module '../../calculation/finding' {
  interface FindingCodes {
    window: 'clash' | 'strain';
  }
}

/** Animals whose ranges do not meet; of hardness and alkalinity nothing is asked in the sea, of conductivity nothing beside hardness. */
function rangesApart(derived: Derived): Finding[] {
  const salty = (derived['planned.salinity'].value ?? 0) > SALT_FROM;
  const animals = (derived['stock.members'].value ?? []).filter(({ organism }) => organism?.kind === 'animal');
  const asked = PARAMETERS.filter((parameter) => parameter !== 'ec25UsPerCm' && !(salty && (parameter === 'ghDh' || parameter === 'khDh')));
  return asked.flatMap((parameter) =>
    windowFindings(
      parameter,
      animals.map(({ id, organism, organismId, phase }) => ({
        id,
        name: organism?.latin ?? organismId,
        range: organism && rangeFor(organism, phase, parameter),
        breeds: phase !== 'keep',
      })),
      windowNodeOf(derived, parameter),
    ),
  );
}

/** The range that all animals share. */
export const window = domain({
  family: 'window',
  findings: (_, derived) => rangesApart(derived),
  words: wordWindow,
  nodes: { ...windowNodes },
  at: {
    clash: ['stocking', 'pairs'],
    strain: ['stocking', 'pairs'],
  },
  pairWords: { clash: 'water', strain: 'strained' },
});
