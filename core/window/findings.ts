import type { Computed } from '../calculation/computed';
import type { Finding } from '../calculation/finding';
import { PARAMETER_META } from '../catalogue/parameter';
import { weakestBasis } from '../quantity/fact';
import type { Window } from './window';

/** Two organisms whose ranges do not meet: no water and no heater can serve both. */
export function windowFindings(node: Computed<Window>): Finding[] {
  const window = node.value;
  const pair = window?.clash ?? window?.strain;
  if (!window || !pair) return [];
  const which = window.clash ? 'tolerance' : 'optimum';
  const [lower, higher] = pair.map((id) => window.members.find((member) => member.id === id)?.range);
  const top = lower?.value?.[which][1];
  const bottom = higher?.value?.[which][0];
  if (top === null || top === undefined || bottom === null || bottom === undefined) return [];
  const { kind } = PARAMETER_META[window.parameter];
  return [
    {
      key: `window.${window.clash ? 'clash' : 'strain'}:${window.parameter}:${pair.join(':')}`,
      code: window.clash ? 'window.clash' : 'window.strain',
      bench: 'livestock',
      severity: window.clash ? 'conflict' : 'watch',
      excess: bottom - top,
      subjects: pair,
      parameter: window.parameter,
      values: { top: { quantity: kind, si: top }, bottom: { quantity: kind, si: bottom } },
      evidence: [node],
      basis: weakestBasis([lower?.basis ?? 'recalled', higher?.basis ?? 'recalled']),
    },
  ];
}
