import type { Computed } from '../calculation/computed';
import type { Finding } from '../calculation/finding';
import { blurOf, PARAMETER_META, type Parameter } from '../catalogue/parameter';
import { weakestBasis } from '../quantity/fact';
import { windowOf, type Window, type WindowMember } from './window';

/**
 * Two animals whose ranges do not meet by more than their edges are blurred: no water and no heater can serve both; nor can any where their
 * comfort lies worlds apart, though each bears something of the other's. Comfort that lies nearer by is worth a word where one of the two is to
 * breed, or half a world lies between. Plants are judged by the water there is.
 *
 * @param members the animals alone, with whether each is to breed
 */
export function windowFindings(
  parameter: Parameter,
  members: readonly (WindowMember & { breeds: boolean })[],
  node: Computed<Window>,
): Finding[] {
  const window = windowOf(parameter, members, PARAMETER_META[parameter].limits);
  const pair = window.clash ?? window.strain;
  if (!pair) return [];
  const which = window.clash ? 'tolerance' : 'optimum';
  const [lower, higher] = pair.map((id) => members.find((member) => member.id === id));
  const top = lower?.range?.value?.[which][1];
  const bottom = higher?.range?.value?.[which][0];
  if (top === null || top === undefined || bottom === null || bottom === undefined) return [];
  const { kind, worlds } = PARAMETER_META[parameter];
  const apart = bottom - top;
  if (apart <= blurOf(parameter, bottom, 'animal')) return [];
  const breeds = lower?.breeds === true || higher?.breeds === true;
  const clash = window.clash !== null || apart > worlds;
  if (!clash && !breeds && apart <= worlds / 2) return [];
  return [
    {
      key: `window.${clash ? 'clash' : 'strain'}:${parameter}:${pair.join(':')}`,
      code: clash ? 'window.clash' : 'window.strain',
      bench: 'livestock',
      severity: clash ? 'conflict' : 'watch',
      excess: apart,
      subjects: pair,
      parameter,
      values: { top: { quantity: kind, value: top }, bottom: { quantity: kind, value: bottom } },
      evidence: [node],
      basis: weakestBasis([lower?.range?.basis ?? 'recalled', higher?.range?.basis ?? 'recalled']),
      ...(clash && !window.clash ? { kind: 'worlds' } : {}),
    },
  ];
}
