import type { Day } from '../../schedule/day';
import { toShowFor, toShowForAll, type Comer, type StartState, type ToShow } from '../../startup/readiness';
import type { Assessment } from '../assessment';
import { additionOrder } from '../../stocking/addition-order';
import { companyOf, windowNodeOf } from '../derive';

/** Codes of findings that are about ways out and intakes. */
const WAYS_OUT = new Set(['vessel.lid', 'stocking.escape', 'gear.intake']);

/** What has to be measured and looked at before animals come: for all of them, and for each kind in the order in which they go in. */
export interface Readiness {
  all: readonly ToShow[];
  kinds: readonly { id: string; name: string; count: number; toShow: readonly ToShow[]; ready: boolean }[];
}

/** Null while no start is planned. A forecast clears nobody: only what was read, seen and written down counts. */
export function readinessOf(assessment: Assessment, today: Day): Readiness | null {
  const { world, derived, findings } = assessment;
  const { design } = world;
  const plan = design.startup;
  if (!plan) return null;
  const readings = Object.values(design.readings);
  const state: StartState = {
    warmth: readings.flatMap(({ parameter, day, value }) => (parameter === 'temperatureC' ? [{ day, valueC: value }] : [])),
    nitrate: readings.flatMap(({ parameter, day, value }) => (parameter === 'nitrateMgPerL' ? [{ day, mgPerL: value }] : [])),
    windowC: windowNodeOf(derived, 'temperatureC').value?.tolerance ?? null,
    planted: (derived['plants.standing'].value?.length ?? 0) > 0,
    closed: !findings.some(
      ({ code, severity, key }) => severity === 'conflict' && WAYS_OUT.has(code) && !Object.hasOwn(design.accepted, key),
    ),
  };
  const all = toShowForAll(plan, state, today);
  const members = new Map((derived['stock.members'].value ?? []).map((member) => [member.id, member]));
  const kinds = additionOrder(companyOf([...members.values()])).flatMap(({ id }) => {
    const member = members.get(id);
    if (member?.organism?.kind !== 'animal') return [];
    const { traits, group, latin } = member.organism;
    const comer: Comer = {
      id,
      hardiness: traits.hardiness.value ?? 'delicate',
      grazes: traits.feeding.value === 'grazes' || group === 'shrimp',
      worksPlants: traits.digs.value === true || traits.uproots.value === true || (traits.eats.value?.includes('plants') ?? false),
      invertebrate: group !== 'fish' && group !== 'amphibian',
    };
    const toShow = toShowFor(comer, plan, state, today);
    return [{ id, name: `*${latin}*`, count: member.count, toShow, ready: [...all, ...toShow].every(({ done }) => done) }];
  });
  return { all, kinds };
}
