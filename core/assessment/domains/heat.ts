import type { Finding } from '../../calculation/finding';
import { inOrder } from '../../design/design';
import { contraryFinding, failureFinding, ratingFinding } from '../../equipment/findings';
import type { Derived, World } from '../derive';
import { heatNodes, failureNodes } from '../derive/heat';
import { HEAT_REMEDIES } from '../wording/remedies';
import { wordHeat } from '../wording/heat';
import { domain } from '../domain';

declare module '../../calculation/finding' {
  interface FindingCodes {
    heat: 'too-cold' | 'too-warm' | 'not-stated' | 'contrary' | 'heater-rating' | 'cooler-rating' | 'stuck-heater' | 'power-cut';
  }
}
declare module '../remedies/remedy' {
  interface RemedyKinds {
    heater: true;
    cooler: true;
    fan: true;
    rating: true;
  }
}

function heatFindings({ design }: World, derived: Derived): Finding[] {
  const findings = inOrder(design.equipment).map(([id, device]) =>
    device.kind === 'heater' || device.kind === 'cooler' ? ratingFinding(id, device, derived['heat.balance']) : null,
  );
  findings.push(contraryFinding(design.equipment));
  const failures = derived['heat.failures'];
  for (const failure of failures.value ?? []) findings.push(failureFinding(failures, failure, derived['vessel.system-volume'].value ?? 0));
  return findings.filter((finding) => finding !== null);
}

/** Warmth and what gives it. */
export const heat = domain({
  family: 'heat',
  findings: heatFindings,
  words: wordHeat,
  nodes: { ...heatNodes, ...failureNodes },
  at: {
    'too-cold': ['equipment', 'gear'],
    'too-warm': ['equipment', 'gear'],
    'not-stated': ['equipment', 'climate', 'year'],
    contrary: ['equipment', 'gear'],
    'heater-rating': ['equipment', 'gear'],
    'cooler-rating': ['equipment', 'gear'],
    'stuck-heater': ['equipment', 'gear'],
    'power-cut': ['equipment', 'failures', 'year'],
  },
  remedyWords: HEAT_REMEDIES,
  noRemedy: {
    'too-warm': 'Another place, cooler by day, or kinds of this warmth.',
    'too-cold': 'Another place, warmer by night, or kinds of this coolness.',
  },
});
