import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import { FERTILISER_META, type Fertiliser } from '../../tank/fertiliser';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

const SAID: Readonly<Record<Fertiliser, string>> = {
  'all-round': 'an all-round fertiliser with nitrate',
  nitrogen: 'nitrate',
  phosphorus: 'phosphate',
  potassium: 'potassium',
  iron: 'iron',
  carbon: 'liquid carbon',
  capsules: 'capsules',
};

/** Gives the plants what they run out of, lean first and then more; or leaves out what harms them. */
export function fertiliserRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  if (finding.code === 'plants.liquid-carbon')
    return [
      {
        kind: 'no-carbon',
        subjects: [],
        values: {},
        patch: [forRevision(design.rev), { op: 'remove', path: pointer('care', 'fertiliser', 'carbon') }],
      },
    ];
  if (finding.code !== 'plants.hungry') return [];
  const { kind = '' } = finding;
  const propose = (what: Fertiliser, dose: number): Proposal => ({
    kind: 'fertilise',
    subjects: [SAID[what]],
    values: { dose: { quantity: 'number', value: dose } },
    patch: [forRevision(design.rev), { op: 'add', path: pointer('care', 'fertiliser', what), value: dose }],
  });
  const now = design.care.fertiliser;
  if (kind === 'roots') return [propose('capsules', Math.min(100, Math.max(1, finding.values['count']?.value ?? 1)))];
  // where one alone would only lay bare what runs out next, all of it together
  const single: Fertiliser[] = kind === 'nitrogen' || kind === 'phosphorus' || kind === 'potassium' || kind === 'iron' ? [kind] : [];
  return [...single, 'all-round' as const].flatMap((what) =>
    [1, 2, 4].map((times) => propose(what, (now[what] ?? 0) + FERTILISER_META[what].usual * times)),
  );
}
