import { severityRank, type Finding, type Severity } from '../calculation/finding';
import type { Assessment } from './assessment';
import { gravityOf, gravityRank, type Gravity } from './gravity';

/** One cause, and everything that it does. */
export interface Cause {
  /** Stable over edits: the name of the cause, or the key of the only finding. */
  key: string;
  /** The finding that says it best. */
  head: Finding;
  /** What else it does, worst first. */
  parts: readonly Finding[];
  /** The worst of head and parts. */
  severity: Severity;
  gravity: Gravity;
}

type Sorted = {
  cause: string;
  /** Lower says it better. */
  says: number;
  /** What brings the rest about, and is said first even where that is worse. */
  drives?: true;
};

/** Hardness and what follows it: one water is too soft or too hard for many, in many measures. */
const SAYS_OF_WATER: Readonly<Record<string, number>> = { salinity: 0, ghDh: 1, khDh: 2, ph: 3, ec25UsPerCm: 4 };

/** Which cause a finding belongs to; null where it stands for itself. */
function sortOf(finding: Finding, present: ReadonlySet<string>): Sorted | null {
  const { code, kind, parameter } = finding;
  switch (code) {
    case 'water.parameter': {
      const [of, side] = (kind ?? '').split(':');
      const plants = of === 'plant' ? 10 : 0;
      if (parameter === 'salinity') return { cause: `salt:${side}`, says: plants };
      // what vapour leaves behind is one trap, however many feel it
      if (side === 'high' && parameter !== 'ph' && present.has('water.evaporation')) return { cause: 'evaporation', says: 1 + plants };
      return { cause: `water:${side}`, says: (SAYS_OF_WATER[parameter ?? ''] ?? 5) + plants };
    }
    case 'water.evaporation':
      return { cause: 'evaporation', says: 0, drives: true };
    case 'water.soil-life':
      return { cause: 'soil', says: 0, drives: true };
    case 'water.soil-against-lime':
      return { cause: 'soil', says: 1 };
    case 'water.swing':
      return present.has('water.soil-life') ? { cause: 'soil', says: 2 } : null;
    case 'heat.too-warm':
    case 'heat.too-cold':
      return { cause: code, says: kind?.startsWith('plant') ? 10 : 1 };
    case 'heat.heater-rating':
      return { cause: 'heat.too-cold', says: 0, drives: true };
    case 'heat.cooler-rating':
      return { cause: 'heat.too-warm', says: 0, drives: true };
    case 'vessel.footprint':
    case 'vessel.volume':
      return { cause: 'vessel:small', says: code === 'vessel.volume' ? 0 : 1 };
    case 'stocking.strata':
      return { cause: 'vessel:small', says: 2 };
    case 'water.feed':
      return { cause: 'load', says: -1, drives: true };
    case 'water.oxygen':
    case 'water.nitrate':
      // too many for the vessel is why they run out of air
      return present.has('vessel:far-too-small')
        ? { cause: 'vessel:small', says: 5 }
        : { cause: 'load', says: code === 'water.oxygen' ? 0 : 1 };
    case 'biotope.water':
    case 'biotope.season':
      // the place's water is one thing, however many of its figures differ
      return { cause: 'place:water', says: SAYS_OF_WATER[parameter ?? ''] ?? 3 };
    case 'biotope.foreign':
      return { cause: 'place:company', says: 0 };
    case 'vessel.lid':
      return { cause: 'vessel:open', says: 0 };
    case 'hardscape.floats':
    case 'hardscape.topples':
    case 'hardscape.outside':
    case 'hardscape.overlap':
    case 'hardscape.mouth-closed':
    case 'hardscape.sticks':
    case 'vessel.piece-fit':
    case 'vessel.exposed':
    case 'vessel.footfall':
    case 'stocking.current':
    case 'stocking.light':
    case 'water.copper':
    case 'water.conditioner-harm':
    case 'substrate.roots':
      return { cause: code, says: 0 };
    case 'stocking.escape':
      return { cause: `escape:${kind ?? ''}`, says: 0 };
    case 'stocking.predation':
    case 'stocking.predation-young':
    case 'stocking.fin-nipping':
    case 'stocking.temperament':
    case 'stocking.feeding':
    case 'window.clash':
    case 'window.strain':
      return { cause: `together:${[...finding.subjects].sort().join(':')}`, says: SAYS_OF_PAIR[code] };
    default:
      return null;
  }
}

/** What is said first of two that cannot live together. */
const SAYS_OF_PAIR = {
  'window.clash': 0,
  'stocking.predation': 1,
  'stocking.feeding': 2,
  'stocking.fin-nipping': 3,
  'stocking.temperament': 4,
  'window.strain': 5,
  'stocking.predation-young': 6,
} as const;

/** Of two that cannot share a water, what the water is for one of them is a consequence. */
function consequences(findings: readonly Finding[]): ReadonlyMap<string, string> {
  const of = new Map<string, string>();
  for (const clash of findings) {
    if (clash.code !== 'window.clash') continue;
    const cause = `together:${[...clash.subjects].sort().join(':')}`;
    for (const finding of findings) {
      const same = finding.code === 'water.parameter' || (clash.parameter === 'temperatureC' && finding.code.startsWith('heat.too-'));
      if (same && finding.subjects.length === 1 && clash.subjects.includes(finding.subjects[0]!)) of.set(finding.key, cause);
    }
  }
  return of;
}

const isOpen = ({ severity }: Finding): boolean => severity === 'conflict' || severity === 'watch';

/**
 * The findings that are open, by their causes: one cause, one entry, worst first. What fits, and what is not known, stands for itself.
 *
 * @param accepted findings that the user has accepted are left out of the causes, and returned apart
 */
export function causesOf({ findings, world }: Pick<Assessment, 'findings' | 'world'>): Cause[] {
  const { accepted } = world.design;
  const open = findings.filter((finding) => isOpen(finding) && !Object.hasOwn(accepted, finding.key));
  const present = new Set<string>(open.map(({ code }) => code));
  if (open.some(({ code, severity }) => severity === 'conflict' && (code === 'vessel.volume' || code === 'vessel.footprint')))
    present.add('vessel:far-too-small');
  const due = consequences(open);
  const groups = new Map<string, Said[]>();
  for (const finding of open) {
    const sorted: Sorted | null = due.has(finding.key) ? { cause: due.get(finding.key)!, says: 9 } : sortOf(finding, present);
    const key = sorted?.cause ?? finding.key;
    groups.set(key, [...(groups.get(key) ?? []), { finding, says: sorted?.says ?? 0, drives: sorted?.drives ?? false }]);
  }
  const causes = [...groups].map(([key, members]) => causeOf(key, members));
  const rest = findings.filter((finding) => !isOpen(finding) || Object.hasOwn(accepted, finding.key));
  return [
    ...causes.sort(worstFirst),
    ...rest.map((head) => ({ key: head.key, head, parts: [], severity: head.severity, gravity: gravityOf(head) })),
  ];
}

interface Said {
  finding: Finding;
  says: number;
  drives: boolean;
}

function causeOf(key: string, members: readonly Said[]): Cause {
  const ranked = [...members].sort(
    (a, b) =>
      a.says - b.says ||
      severityRank(b.finding.severity) - severityRank(a.finding.severity) ||
      (b.finding.excess ?? 0) - (a.finding.excess ?? 0),
  );
  // what says it best says it only if it is as grave as the rest
  const worst = Math.max(...members.map(({ finding }) => severityRank(finding.severity)));
  const head = (ranked.find(({ drives }) => drives) ?? ranked.find(({ finding }) => severityRank(finding.severity) === worst) ?? ranked[0]!)
    .finding;
  const parts = ranked.map(({ finding }) => finding).filter((finding) => finding !== head);
  const gravest = [head, ...parts].reduce((most, finding) =>
    gravityRank(gravityOf(finding)) < gravityRank(gravityOf(most)) ? finding : most,
  );
  return {
    key: members.length > 1 ? key : head.key,
    head,
    parts: parts.sort((a, b) => severityRank(b.severity) - severityRank(a.severity)),
    severity: worst === severityRank('conflict') ? 'conflict' : 'watch',
    gravity: gravityOf(gravest),
  };
}

/** Among equally grave ones a cause of many comes before one of few, and what has to be right before filling before the rest. */
function worstFirst(a: Cause, b: Cause): number {
  return (
    severityRank(b.severity) - severityRank(a.severity) ||
    gravityRank(a.gravity) - gravityRank(b.gravity) ||
    Number(b.key.startsWith('together:')) - Number(a.key.startsWith('together:')) ||
    b.parts.length - a.parts.length
  );
}
