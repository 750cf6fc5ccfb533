import type { Operation } from 'rfc6902';
import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import { inOrder, nextOrder, type Design } from '../../design/design';
import type { Thermostat } from '../../equipment/model';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

/** How far inside the edge a set-point is put, so that a thermostat's swing stays inside too. Common practice. */
const MARGIN_C = 1;

/** Adds a heater or cooler, or moves the one there is. */
export function setPointRemedy({ world, derived }: Assessment, finding: Finding): Proposal[] {
  if (finding.code !== 'heat.too-cold' && finding.code !== 'heat.too-warm') return [];
  const { design } = world;
  const cold = finding.code === 'heat.too-cold';
  // animals first: a plant's comfort never sets the heater of an animal
  const everyone = derived['window.temperatureC'].value;
  const animals = derived['window.animalsC'].value;
  const span = everyone?.optimum ?? animals?.optimum ?? animals?.tolerance ?? everyone?.tolerance;
  if (!span) return [];
  const margin = Math.min(MARGIN_C, (span[1] - span[0]) / 2);
  const target = Math.round((cold ? span[0] + margin : span[1] - margin) * 2) / 2;
  const [needed, contrary] = cold ? (['heater', 'cooler'] as const) : (['cooler', 'heater'] as const);

  // A device of the other kind whose own set-point is the trouble is moved first.
  const culprit = devices(design, contrary).find(([, { setPointC }]) => (cold ? setPointC <= span[0] : setPointC >= span[1]));
  const present = devices(design, needed)[0];
  const ops: Operation[] = [];
  if (culprit) ops.push({ op: 'replace', path: pointer('equipment', culprit[0], 'setPointC'), value: target });
  else if (present) ops.push({ op: 'replace', path: pointer('equipment', present[0], 'setPointC'), value: target });
  else {
    ops.push({
      op: 'add',
      path: pointer('equipment', Object.hasOwn(design.equipment, needed) ? `${needed}-${design.rev}` : needed),
      value: { order: nextOrder(design.equipment), kind: needed, setPointC: target, powerW: null, sizeMm: null, placeMm: null },
    });
  }
  return [
    {
      kind: culprit ? contrary : needed,
      subjects: [],
      values: {
        setPoint: { quantity: 'temperature', value: target },
        ...(culprit || present ? { moved: { quantity: 'count', value: 1 } } : {}),
      },
      patch: [forRevision(design.rev), ...ops],
    },
  ];
}

/** A fan over open water, before a cooler is bought: it blows when the water is warmer than everyone likes. */
export function fanRemedy({ world: { design }, derived }: Assessment, finding: Finding): Proposal[] {
  const lid = design.vessel?.lid.value;
  if (finding.code !== 'heat.too-warm' || !design.vessel || lid === 'glass') return [];
  if (Object.values(design.equipment).some(({ kind }) => kind === 'fan' || kind === 'cooler')) return [];
  const high = (derived['window.animalsC'].value?.optimum ?? derived['window.temperatureC'].value?.optimum)?.[1];
  if (high === undefined) return [];
  const target = Math.round((high - MARGIN_C) * 2) / 2;
  return [
    {
      kind: 'fan',
      subjects: [],
      values: { setPoint: { quantity: 'temperature', value: target } },
      patch: [
        forRevision(design.rev),
        {
          op: 'add',
          path: pointer('equipment', 'fan'),
          value: { order: nextOrder(design.equipment), kind: 'fan', setPointC: target, powerW: null, sizeMm: null, placeMm: null },
        },
      ],
    },
  ];
}

function devices(design: Design, kind: 'heater' | 'cooler'): [string, Thermostat][] {
  return inOrder(design.equipment).flatMap(([id, device]) => (device.kind === kind ? [[id, device] as [string, Thermostat]] : []));
}
