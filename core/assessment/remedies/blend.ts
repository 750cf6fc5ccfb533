import type { Finding } from '../../calculation/finding';
import { rangeFor } from '../../catalogue/organism';
import { inOrder } from '../../design/design';
import type { RoomSource } from '../../design/room';
import { pointer } from '../../design/edit';
import { mixWater } from '../../water/mixed-water';
import { saltsOf } from '../derive/water';
import { settledPh, TANK_CO2_UATM } from '../../water/planned-water';
import type { SourceWater } from '../../water/source-water';
import { judgeFor } from '../../window/judge';
import type { Assessment } from '../assessment';
import { OVER_SOIL_KH_DH } from '../recipe-plan';
import { forRevision, oncePer, type Proposal } from './remedy';

/** Parameters that mix in proportion to volume, or nearly. */
const CONSERVATIVE = ['ghDh', 'khDh', 'ec25UsPerCm', 'salinity'] as const;

interface Candidate {
  parts: { id: string; share: number; source: RoomSource; water: SourceWater }[];
  /** Lower is better, the first difference decides: conflicts, watches, total excess, litres of RO. */
  score: readonly number[];
  /** The salts of the plan go in as before; otherwise they are left out, because no blend with them is as good. */
  keepsSalts: boolean;
}

const STEP = 0.05;

/** Whole-tank search over every pair of sources in steps of a twentieth: first the fewest conflicts, then least RO. */
export const bestBlend = oncePer(({ world, derived }): Candidate | null => {
  const waters = derived['water.sources'].value ?? {};
  const salts = saltsOf(world);
  const khMost = derived['water.soil'].value ? OVER_SOIL_KH_DH : Infinity;
  const usable = inOrder(world.room.sources).flatMap(([id, source]) => {
    const water = waters[id];
    return water && CONSERVATIVE.every((parameter) => water[parameter] !== null) ? [{ id, source, water }] : [];
  });
  const temperatureC = derived['planned.temperatureC'].value ?? 24;
  let best: Candidate | null = null;
  const consider = (parts: Candidate['parts']) => {
    // with what was weighed in, unless that leaves more in conflict
    for (const keepsSalts of salts.length > 0 ? [true, false] : [true]) {
      const score = scoreOf(parts, keepsSalts ? salts : [], khMost, temperatureC, derived);
      const isFewer =
        keepsSalts || !best?.keepsSalts ? isLess : (a: readonly number[], b: readonly number[]) => a[0]! + a[1]! < b[0]! + b[1]!;
      if (score && (!best || isFewer(score, best.score))) best = { parts, score, keepsSalts };
    }
  };
  usable.forEach((one, i) => {
    consider([{ ...one, share: 1 }]);
    for (const other of usable.slice(i + 1)) {
      for (let k = 1; k < 1 / STEP; k++) {
        const share = Math.round(k * STEP * 100) / 100;
        consider([
          { ...one, share },
          { ...other, share: Math.round((1 - share) * 100) / 100 },
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

function scoreOf(
  parts: Candidate['parts'],
  salts: ReturnType<typeof saltsOf>,
  khMost: number,
  temperatureC: number,
  derived: Assessment['derived'],
): number[] | null {
  const mixed = mixWater(parts, salts);
  if ((mixed.khDh ?? 0) > khMost) return null;
  const planned = new Map<string, { value: number; interval?: readonly [number, number] }>();
  for (const parameter of CONSERVATIVE) {
    const value = mixed[parameter];
    if (value === null) return null;
    planned.set(parameter, { value });
  }
  const gas = derived['water.gas'];
  const pco2Uatm = gas.value ?? TANK_CO2_UATM.usual;
  const settled = settledPh({
    khDh: mixed.khDh ?? 0,
    salinity: mixed.salinity ?? 0,
    temperatureC,
    pco2Uatm,
    pco2Band: gas.interval ?? [pco2Uatm, pco2Uatm],
    organicCarbonMgPerL: derived['water.organic-carbon'].value ?? 0,
  });
  if (settled) planned.set('ph', { value: settled.ph, interval: settled.band });
  const score = [0, 0, 0, 0];
  for (const { organism, phase } of derived['stock.members'].value ?? []) {
    for (const parameter of [...CONSERVATIVE, 'ph'] as const) {
      const value = planned.get(parameter);
      const range = organism && rangeFor(organism, phase, parameter)?.value;
      if (!value || !range) continue;
      const verdict = judgeFor(
        { parameter, kind: organism.kind, phase },
        range,
        value.value,
        value.interval ? { interval: value.interval } : {},
      );
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
      values: {
        ...Object.fromEntries(best.parts.map(({ share }, i) => [`share${i}`, { quantity: 'fraction' as const, value: share }])),
        ...(best.keepsSalts ? {} : { noSalts: { quantity: 'count' as const, value: 1 } }),
      },
      patch: [
        forRevision(design.rev),
        { op: 'replace', path: pointer('water', 'parts'), value: parts },
        ...(best.keepsSalts ? [] : [{ op: 'replace' as const, path: pointer('water', 'salts'), value: {} }]),
      ],
    },
  ];
}
