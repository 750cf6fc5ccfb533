import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import { afterConditioner, CONDITIONERS } from '../../water/conditioners';
import type { Assessment } from '../assessment';
import { animalOf } from '../derive';
import { forRevision, type Proposal } from './remedy';

/** The conditioner that does for every source poured and harms nobody here; metals bound too where copper is the trouble. */
export function conditionerRemedy({ world, derived }: Assessment, finding: Finding): Proposal[] {
  if (!['water.disinfectant', 'water.conditioner-harm', 'water.copper'].includes(finding.code)) return [];
  const poured = derived['water.poured'].value ?? [];
  const groups = (derived['stock.members'].value ?? []).flatMap((member) => animalOf(member)?.group ?? []);
  const fit = CONDITIONERS.filter(
    (one) =>
      !one.harms.some((harm) => harm.groups.some((group) => groups.includes(group))) &&
      (finding.code !== 'water.copper' || one.metalsHours !== null) &&
      poured.every(
        ({ source: { disinfectant } }) =>
          disinfectant.value === 'none' || afterConditioner(disinfectant.value ?? 'chloramine', one) === null,
      ),
  );
  const [best] = fit.length > 0 || finding.code !== 'water.copper' ? fit : CONDITIONERS.filter(({ id }) => id === 'chelator');
  if (!best || best.id === world.design.water.conditioner) return [];
  return [
    {
      kind: 'conditioner',
      subjects: [best.id],
      values: {},
      patch: [forRevision(world.design.rev), { op: 'replace', path: pointer('water', 'conditioner'), value: best.id }],
    },
  ];
}
