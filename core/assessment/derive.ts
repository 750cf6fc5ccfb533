import type { Computed } from '../calculation/computed';
import type { Animal } from '../catalogue/organism';
import type { Parameter } from '../catalogue/parameter';
import type { Companion } from '../stocking/company';
import type { Window } from '../window/window';
import { failureNodes, heatNodes } from './derive/heat';
import type { Answer, Definitions, Derived, Member, NodeDefinition, NodeId, World } from './derive/node';
import { loadNodes } from './derive/load';
import { sceneNodes } from './derive/scene';
import { stockNodes, windowNodes } from './derive/stock';
import { tankNodes } from './derive/tank';
import { vesselNodes } from './derive/vessel';
import { settledNodes, waterNodes } from './derive/water';

export type { Derived, Member, NodeId, Nodes, PouredSource, World } from './derive/node';

/** The graph, upstream first. Cross-domain values are named here and nowhere else. */
export const DEFINITIONS: Definitions = {
  ...stockNodes,
  ...loadNodes,
  ...sceneNodes,
  ...vesselNodes,
  ...heatNodes,
  ...waterNodes,
  ...tankNodes,
  ...settledNodes,
  ...windowNodes,
  ...failureNodes,
};
export const NODE_IDS = Object.keys(DEFINITIONS) as NodeId[];

/** Kept nodes of an earlier derivation; hand the same one in again and what did not change is not computed again. */
export interface DeriveCacheEntry {
  seen: readonly unknown[];
  node: Computed<unknown>;
}
export type DeriveCache = Map<NodeId, DeriveCacheEntry>;

/** Computes every node of the graph, reusing what the cache holds for identical inputs. */
export function derive(world: World, cache: DeriveCache = new Map()): Derived {
  const done: Partial<Record<NodeId, Computed<unknown>>> = {};
  for (const id of NODE_IDS) {
    const definition: NodeDefinition<unknown> = DEFINITIONS[id];
    const seen = [...definition.reads(world), ...definition.from.map((up) => done[up])];
    const kept = cache.get(id);
    if (kept && kept.seen.length === seen.length && kept.seen.every((part, i) => part === seen[i])) {
      done[id] = kept.node;
      continue;
    }
    const { inputs = {}, calculationId = definition.calculationId, ...answer } = finite(definition.compute(world, done as Derived));
    const node: Computed<unknown> =
      kept && isSame(kept.node, answer, inputs, definition.byValue)
        ? kept.node
        : { node: id, calculationId, from: definition.from, inputs, ...answer };
    cache.set(id, { seen, node });
    done[id] = node;
  }
  return done as Derived;
}

/** A number that is none is a gap, and never passed on. */
function finite(answer: Answer<unknown>): Answer<unknown> {
  const { value, interval } = answer;
  const isNone = (one: unknown): boolean => typeof one === 'number' && !Number.isFinite(one);
  if (!isNone(value) && !interval?.some(isNone)) return answer;
  return { value: null, gap: 'outside-validity', note: 'the reckoning has no finite result here' };
}

/** An answer that came out as before: kept as the same object, so that nothing downstream of it is computed again. */
function isSame(
  before: Computed<unknown>,
  { value, interval, gap, note, measured, worked }: Answer<unknown>,
  inputs: Record<string, unknown>,
  byValue = false,
): boolean {
  return (
    (Object.is(before.value, value) || (byValue && JSON.stringify(before.value) === JSON.stringify(value))) &&
    before.gap === gap &&
    before.note === note &&
    before.measured === measured &&
    before.worked === worked &&
    before.interval?.[0] === interval?.[0] &&
    before.interval?.[1] === interval?.[1] &&
    JSON.stringify(before.inputs) === JSON.stringify(inputs)
  );
}

export function plannedNode(derived: Derived, parameter: Parameter): Computed<number> {
  return derived[`planned.${parameter}`];
}

export function windowNodeOf(derived: Derived, parameter: Parameter): Computed<Window> {
  return derived[`window.${parameter}`];
}

export function animalOf(member: Member): Animal | undefined {
  return member.organism?.kind === 'animal' ? member.organism : undefined;
}

/** The animals of a tank as the company rules take them; those the catalogue does not know are left out. */
export function companyOf(members: readonly Member[]): Companion[] {
  return members.flatMap((member) => {
    const animal = animalOf(member);
    return animal ? [{ id: member.id, animal, count: member.count, female: member.female, phase: member.phase }] : [];
  });
}
