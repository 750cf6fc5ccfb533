import type { Operation } from 'rfc6902';
import { inOrder, nextOrder, type Design } from '../design';
import { pointer } from '../edit';
import type { Room } from '../room';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../../quantity/unit';
import { conductivityOf } from '../../chemistry/conductivity';
import { saltIons } from '../../water/mixed-water';
import type { Salt } from '../../water/salts';
import { saltGPerL, type SourceWater } from '../../water/source-water';

/** Values of a mixture that can be set by hand; pH comes of them. */
export type Settable = 'ghDh' | 'khDh' | 'ec25UsPerCm' | 'salinity';

/** Shares of the sources that are poured, summing to one. */
function sharesOf(design: Design): Map<string, number> {
  const shares = new Map<string, number>();
  const parts = Object.values(design.water.parts).filter(({ share }) => share > 0);
  const total = parts.reduce((sum, { share }) => sum + share, 0);
  for (const { sourceId, share } of parts) shares.set(sourceId, (shares.get(sourceId) ?? 0) + share / total);
  return shares;
}

function pour(shares: ReadonlyMap<string, number>): Operation[] {
  const parts = [...shares]
    .filter(([, share]) => share > 0.0005)
    .map(([sourceId, share], i) => [sourceId, { order: i + 1, sourceId, share: Math.round(share * 1000) / 1000 }] as const);
  return [{ op: 'replace', path: pointer('water', 'parts'), value: Object.fromEntries(parts) }];
}

/** Gives one source a share of the whole; the others keep their proportions in what is left. */
export function setShare(design: Design, room: Room, sourceId: string, share: number): Operation[] {
  const before = sharesOf(design);
  const others = inOrder(room.sources)
    .map(([id]) => id)
    .filter((id) => id !== sourceId);
  const rest = others.reduce((sum, id) => sum + (before.get(id) ?? 0), 0);
  const left = 1 - share;
  const all = inOrder(room.sources).map(([id]): [string, number] => {
    if (id === sourceId) return [id, share];
    // nothing else was poured yet: the first other source takes what is left
    return [id, rest > 0 ? (left * (before.get(id) ?? 0)) / rest : id === others[0] ? left : 0];
  });
  return pour(new Map(all));
}

/**
 * Pours so that the mixture, salts and all, comes to a value: the weakest and the strongest of the poured sources share what is theirs; of a
 * single one, the source that lies furthest on the other side comes in. As near as the sources allow.
 *
 * @param salts what the salts bring to this value
 */
export function pourToReach(
  design: Design,
  waters: Readonly<Record<string, SourceWater>>,
  parameter: Settable,
  value: number,
  salts: number,
): Operation[] {
  const shares = sharesOf(design);
  const valueOf = (id: string) => waters[id]?.[parameter] ?? null;
  const poured = [...shares.keys()].filter((id) => valueOf(id) !== null).sort((a, b) => valueOf(a)! - valueOf(b)!);
  const target = value - salts;
  if (poured.length === 0) return [];
  if (poured.length === 1) {
    const only = poured[0]!;
    const partner = Object.keys(waters)
      .filter((id) => id !== only && valueOf(id) !== null && !isSalt(waters[id]!, waters[only]!))
      .sort((a, b) => (target < valueOf(only)! ? valueOf(a)! - valueOf(b)! : valueOf(b)! - valueOf(a)!))[0];
    if (partner === undefined) return [];
    poured.push(partner);
    poured.sort((a, b) => valueOf(a)! - valueOf(b)!);
  }
  const [low, high] = [poured[0]!, poured.at(-1)!];
  const [from, to] = [valueOf(low)!, valueOf(high)!];
  const theirs = (shares.get(low) ?? 0) + (shares.get(high) ?? 0);
  const rest = [...shares].reduce((sum, [id, share]) => (id === low || id === high ? sum : sum + share * (valueOf(id) ?? 0)), 0);
  if (to - from < 1e-9) return [];
  const strong = Math.min(theirs, Math.max(0, (target - rest - theirs * from) / (to - from)));
  const order = [...new Set([...shares.keys(), low, high])];
  return pour(new Map(order.map((id) => [id, id === high ? strong : id === low ? theirs - strong : (shares.get(id) ?? 0)])));
}

/** Salt water does not come in by a touch on a fresh-water axis. */
function isSalt(candidate: SourceWater, poured: SourceWater): boolean {
  return (candidate.salinity ?? 0) > 2 && (poured.salinity ?? 0) <= 2;
}

/** Weighs in so much of a salt per litre; nothing takes it out. */
export function setSalt(design: Design, saltId: string, mgPerL: number): Operation[] {
  const { salts } = design.water;
  const rounded = Math.round(mgPerL * 100) / 100;
  const [key, there] = Object.entries(salts).find(([, entry]) => entry.saltId === saltId) ?? [saltId, null];
  if (rounded <= 0) return there ? [{ op: 'remove', path: pointer('water', 'salts', key) }] : [];
  if (there) return [{ op: 'replace', path: pointer('water', 'salts', key, 'mgPerL'), value: rounded }];
  return [{ op: 'add', path: pointer('water', 'salts', key), value: { order: nextOrder(salts), saltId, mgPerL: rounded } }];
}

/** What a milligram a litre of a salt brings to a value; 0 where it brings nothing. Conductivity as in thin water. */
export function perMg(salt: Salt | undefined, parameter: Settable): number {
  if (!salt) return 0;
  const ions = saltIons([{ salt, mgPerL: 1 }]);
  switch (parameter) {
    case 'ghDh':
      return (ions.calcium + ions.magnesium) / MMOL_PER_DEGREE_HARDNESS;
    case 'khDh':
      return ions.bicarbonate / MEQ_PER_DEGREE_ALKALINITY;
    case 'ec25UsPerCm':
      return conductivityOf(ions);
    case 'salinity':
      return saltGPerL(ions);
  }
}
