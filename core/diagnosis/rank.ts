import { CAUSE, CAUSES, type CauseId, type Speaks } from './causes';
import type { TankFacts } from './facts';
import type { SymptomId } from './symptoms';

/** One cause as it stands against the others. */
export interface Suspect {
  cause: CauseId;
  /** Against all the others together, 0 to 1: by the weights, not measured. */
  share: number;
  /** Signs that it explains, and those that it does not. */
  explains: readonly SymptomId[];
  leaves: readonly SymptomId[];
  /** What of this tank speaks for it and against it, the strongest first. */
  speaks: readonly Speaks[];
}

/** A sign that a cause does not bring. */
const NOT_SHOWN = -0.9;
/** What is not worth a word. */
const LEAST_SHARE = 0.02;

/**
 * Causes of what is seen, the likeliest first, by how well each explains the signs and by what this tank's figures and log make likely: sums of
 * logarithms of likelihood ratios, as in Bayes' rule with signs taken as independent (I. J. Good, Probability and the Weighing of Evidence,
 * 1950; recalled, not looked up).
 *
 * @param seen signs; none asks nothing and gets nothing
 */
export function suspects(seen: readonly SymptomId[], facts: TankFacts): Suspect[] {
  if (seen.length === 0) return [];
  const weighed = CAUSES.flatMap((cause) => {
    const { base, befalls, shows, speaks } = CAUSE[cause];
    if (befalls && !befalls.some((group) => facts.groups.has(group))) return [];
    const explains = seen.filter((sign) => (shows[sign] ?? 0) > 0);
    if (explains.length === 0) return [];
    const said = speaks(facts).filter((one): one is Speaks => !!one);
    const signs = seen.reduce((sum, sign) => sum + (shows[sign] ?? NOT_SHOWN), 0);
    const weight = base + signs + said.reduce((sum, one) => sum + one.weight, 0);
    return [{ cause, weight, explains, leaves: seen.filter((sign) => !explains.includes(sign)), speaks: said }];
  });
  const most = Math.max(...weighed.map(({ weight }) => weight));
  const whole = weighed.reduce((sum, { weight }) => sum + Math.exp(weight - most), 0);
  return weighed
    .map(({ weight, speaks, ...rest }) => ({
      ...rest,
      share: Math.exp(weight - most) / whole,
      speaks: [...speaks].sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight)),
    }))
    .filter(({ share }) => share >= LEAST_SHARE)
    .sort((a, b) => b.share - a.share);
}
