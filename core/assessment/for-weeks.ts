import type { Finding } from '../calculation/finding';

const FOR_LIFE = new Set<Finding['code']>([
  'vessel.footprint',
  'vessel.volume',
  'vessel.exposed',
  'stocking.group-size',
  'stocking.strata',
  'stocking.sex-ratio',
]);
/** Bare panes are cleaned and looked through: in a quarantine that is how it should be. */
const BARE = new Set<Finding['code']>(['substrate.depth', 'substrate.slope']);

/** What an animal wants for life it can do without for the weeks of a quarantine: said a step lower. */
export function forWeeks(finding: Finding): Finding {
  if (BARE.has(finding.code) && finding.severity !== 'unknown') return { ...finding, severity: 'fits', excess: 0 };
  if (!FOR_LIFE.has(finding.code) || finding.severity === 'fits' || finding.severity === 'unknown') return finding;
  return finding.severity === 'conflict' ? { ...finding, severity: 'watch' } : { ...finding, severity: 'fits', excess: 0 };
}
