import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import { STOCK_SIZES_MM } from '../../vessel/stock-sizes';
import { assess, type Assessment } from '../assess';
import { forRevision, type Proposal } from './remedy';

const BOX_CODES = new Set<Finding['code']>(['vessel.footprint', 'vessel.volume', 'vessel.not-stated']);

/** The smallest usual box in which nobody is short of floor or water. */
export function vesselRemedy(assessment: Assessment, finding: Finding): Proposal[] {
  if (!BOX_CODES.has(finding.code) || (assessment.derived['stock.members'].value ?? []).length === 0) return [];
  const { design } = assessment.world;
  for (const [lengthMm, widthMm, heightMm] of STOCK_SIZES_MM) {
    const vessel = {
      ...(design.vessel ?? {
        shape: 'box' as const,
        lid: { value: null, basis: 'measured' as const },
        state: { value: null, basis: 'measured' as const },
      }),
      lengthMm,
      widthMm,
      heightMm,
      waterLevelMm: heightMm - 40,
      // another box is another leak test
      leakTested: { value: null, basis: 'measured' as const },
    };
    const { findings } = assess({ ...assessment.world, design: { ...design, vessel } });
    if (findings.some(({ code, severity }) => BOX_CODES.has(code) && (severity === 'conflict' || severity === 'watch'))) continue;
    return [
      {
        kind: 'vessel',
        subjects: [],
        values: {
          length: { quantity: 'length', si: lengthMm },
          width: { quantity: 'length', si: widthMm },
          height: { quantity: 'length', si: heightMm },
        },
        patch: [forRevision(design.rev), { op: 'replace', path: pointer('vessel'), value: vessel }],
      },
    ];
  }
  return [];
}
