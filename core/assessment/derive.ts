import type { Computed } from '../calculation/computed';
import type { Animal } from '../catalogue/organism';
import type { Parameter } from '../catalogue/parameter';
import type { Companion } from '../stocking/company';
import type { Window } from '../window/window';
import type { Answer, Definitions, Derived, Member, NodeDefinition, NodeId, World } from './derive/node';

export type { Derived, Member, NodeId, Nodes, PouredSource, World } from './derive/node';

/** What is derived, upstream first. */
export type Graph = readonly (readonly [NodeId, NodeDefinition<unknown>])[];

/** Puts nodes in the order in which they can be computed. @throws Error when one reads what nobody derives, or itself by way of others */
export function graphOf(definitions: Definitions): Graph {
  const graph: [NodeId, NodeDefinition<unknown>][] = [];
  const state = new Map<NodeId, 'under way' | 'done'>();
  const visit = (id: NodeId, readBy: string): void => {
    const definition: NodeDefinition<unknown> | undefined = definitions[id];
    if (!definition || state.get(id) === 'under way')
      throw new Error(`${readBy} reads ${id}, which ${definition ? 'rests on it' : 'nobody derives'}`);
    if (state.has(id)) return;
    state.set(id, 'under way');
    for (const up of definition.from) visit(up, id);
    state.set(id, 'done');
    graph.push([id, definition]);
  };
  for (const id of Object.keys(definitions) as NodeId[]) visit(id, 'the tank');
  return graph;
}

/** Kept nodes of an earlier derivation; hand the same one in again and what did not change is not computed again. */
export interface DeriveCacheEntry {
  seen: readonly unknown[];
  node: Computed<unknown>;
}
export type DeriveCache = Map<NodeId, DeriveCacheEntry>;

/** Computes every node of the graph, reusing what the cache holds for identical inputs. */
export function derive(world: World, graph: Graph, cache: DeriveCache = new Map()): Derived {
  const done: Partial<Record<NodeId, Computed<unknown>>> = {};
  for (const [id, definition] of graph) {
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
    return animal
      ? [{ id: member.id, animal, count: member.count, female: member.female, phase: member.phase, todayMm: member.todayMm }]
      : [];
  });
}
