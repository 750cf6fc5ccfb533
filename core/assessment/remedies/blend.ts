import type { Finding } from '../../calculation/finding';
import { rangeFor } from '../../catalogue/organism';
import { inOrder } from '../../design/design';
import type { RoomSource } from '../../design/room';
import { pointer } from '../../design/edit';
import { blendOf, CONSERVATIVE, settledPh, type Poured } from '../../water/planned-water';
import { judge } from '../../window/judge';
import type { Assessment } from '../assess';
import { forRevision, oncePer, type Proposal } from './remedy';

interface Candidate {
  parts: (Poured & { id: string; source: RoomSource })[];
  /** Lower is better, the first difference decides: conflicts, watches, total excess, litres of RO. */
  score: readonly number[];
}

const STEP = 0.05;

/** Whole-tank search over every pair of sources in steps of a twentieth: first the fewest conflicts, then least RO. */
export const bestBlend = oncePer(({ world, derived }): Candidate | null => {
  const usable = inOrder(world.room.sources).filter(([, source]) => CONSERVATIVE.every((parameter) => source[parameter].value !== null));
  const temperatureC = derived['planned.temperatureC'].value ?? 24;
  let best: Candidate | null = null;
  const consider = (parts: Candidate['parts']) => {
    const score = scoreOf(parts, temperatureC, derived);
    if (score && (!best || isLess(score, best.score))) best = { parts, score };
  };
  usable.forEach(([id, source], i) => {
    consider([{ id, source, share: 1 }]);
    for (const [otherId, other] of usable.slice(i + 1)) {
      for (let k = 1; k < 1 / STEP; k++) {
        const share = Math.round(k * STEP * 100) / 100;
        consider([
          { id, source, share },
          { id: otherId, source: other, share: Math.round((1 - share) * 100) / 100 },
        ]);
      }
    }
  });
  return best;
});

function isLess(a: readonly number[], b: readonly number[]): boolean {
  const i = a.findIndex((value, k) => Math.abs(value - (b[k] ?? 0)) > 1e-9);
  return i >= 0 && (a[i] ?? 0) < (b[i] ?? 0);
}

function scoreOf(parts: Candidate['parts'], temperatureC: number, derived: Assessment['derived']): number[] | null {
  const planned = new Map<string, { value: number; interval?: readonly [number, number] }>();
  for (const parameter of CONSERVATIVE) {
    const value = blendOf(parts, parameter);
    if (value === null) return null;
    planned.set(parameter, { value });
  }
  const settled = settledPh(planned.get('khDh')?.value ?? 0, planned.get('salinity')?.value ?? 0, temperatureC);
  if (settled) planned.set('ph', { value: settled.ph, interval: settled.band });
  const score = [0, 0, 0, 0];
  for (const { organism, phase } of derived['stock.members'].value ?? []) {
    for (const parameter of [...CONSERVATIVE, 'ph'] as const) {
      const value = planned.get(parameter);
      const range = organism && rangeFor(organism, phase, parameter)?.value;
      if (!value || !range) continue;
      const verdict = judge(range, value.value, value.interval);
      if (verdict.severity === 'conflict') score[0]! += 1;
      if (verdict.severity === 'watch') score[1]! += 1;
      const width = Math.max((range.tolerance[1] ?? 0) - (range.tolerance[0] ?? 0), 1e-6);
      score[2]! += Math.round(((verdict.excess ?? 0) / width) * 50) / 50;
    }
  }
  score[3] = parts.reduce((sum, { source, share }) => sum + (source.kind === 'ro' ? share : 0), 0);
  return score;
}

/** Sets the shares of the sources to the best blend at hand. */
export function blendRemedy(assessment: Assessment, finding: Finding): Proposal[] {
  if (finding.code !== 'water.parameter' && finding.code !== 'water.not-stated') return [];
  const best = bestBlend(assessment);
  if (!best || (assessment.derived['stock.members'].value ?? []).length === 0) return [];
  const { design } = assessment.world;
  const parts = Object.fromEntries(best.parts.map(({ id, share }, i) => [id, { order: i + 1, sourceId: id, share }]));
  return [
    {
      kind: 'blend',
      subjects: best.parts.map(({ id }) => id),
      values: Object.fromEntries(best.parts.map(({ share }, i) => [`share${i}`, { quantity: 'fraction', si: share }])),
      patch: [forRevision(design.rev), { op: 'replace', path: pointer('water', 'parts'), value: parts }],
    },
  ];
}
