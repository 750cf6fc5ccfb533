import type { Operation } from 'rfc6902';
import type { Finding } from '../../calculation/finding';
import { inOrder, nextOrder, type Design } from '../../design/design';
import { pointer } from '../../design/edit';
import { MEDIUM_META } from '../../equipment/media';
import { newDevice } from '../../equipment/model';
import { volumeToL } from '../../vessel/shape';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

/** Gaps of a fine foam, millimetres. Common practice. */
const SPONGE_MM = 0.3;
const RIPE_WEEKS = 8;
/** Foam is cut by the half litre. */
const HALF_L = 0.5;

const freeId = ({ equipment }: Design, name: string): string => {
  if (!Object.hasOwn(equipment, name)) return name;
  let n = 2;
  while (Object.hasOwn(equipment, `${name}-${n}`)) n++;
  return `${name}-${n}`;
};

/** A sponge on the intake, more or riper media, a valve, a battery. */
export function gearRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  const propose = (kind: Proposal['kind'], patch: Operation[], values: Proposal['values'] = {}): Proposal => ({
    kind,
    subjects: [],
    values,
    patch: [forRevision(design.rev), ...patch],
  });
  switch (finding.code) {
    case 'gear.intake': {
      const id = finding.subjects[finding.subjects.length - 1] ?? '';
      const device = design.equipment[id];
      if (!device || !('runs' in device) || !device.runs) return [];
      return [propose('intake-sponge', [{ op: 'replace', path: pointer('equipment', id, 'runs', 'gapMm'), value: SPONGE_MM }])];
    }
    case 'gear.capacity': {
      const [id = ''] = finding.subjects;
      const device = design.equipment[id];
      if (device?.kind !== 'filter') return [];
      if (finding.kind === 'young')
        return [propose('ripe-media', [{ op: 'replace', path: pointer('equipment', id, 'runWeeks'), value: RIPE_WEEKS }])];
      const [load, carries] = [finding.values['load']?.value ?? 0, finding.values['carries']?.value ?? 0];
      const m2 = device.media.reduce((sum, { medium, litres }) => sum + litres * MEDIUM_META[medium].m2PerL, 0);
      // by what is there: as many times the foam as it falls short
      const wanted = carries > 0 ? (m2 * (load / carries - 1) * 1.2) / MEDIUM_META['coarse-foam'].m2PerL : HALF_L;
      const litres = Math.max(HALF_L, Math.ceil(wanted / HALF_L) * HALF_L);
      if (device.media.length >= 6 || litres > 200) return [];
      return [
        propose('more-media', [{ op: 'add', path: pointer('equipment', id, 'media', '-'), value: { medium: 'coarse-foam', litres } }], {
          litres: { quantity: 'volume', value: litres },
        }),
      ];
    }
    case 'gear.siphon': {
      const [id = ''] = finding.subjects;
      return [propose('check-valve', [{ op: 'replace', path: pointer('equipment', id, 'checkValve'), value: true }])];
    }
    case 'gear.breathless': {
      const id = freeId(design, 'air');
      const bare = newDevice('air', 0, { order: nextOrder(design.equipment), powerW: null, sizeMm: null, placeMm: null });
      const value = { ...bare, checkValve: true, battery: true };
      return [propose('battery-air', [{ op: 'add', path: pointer('equipment', id), value }])];
    }
    case 'heat.stuck-heater': {
      const heaters = inOrder(design.equipment).filter(([, { kind }]) => kind === 'heater');
      const [id, one] = heaters[0] ?? [];
      const bare = { order: nextOrder(design.equipment), powerW: null, sizeMm: null, placeMm: null };
      const guard = propose('controller', [
        { op: 'add', path: pointer('equipment', freeId(design, 'controller')), value: newDevice('controller', 0, bare) },
      ]);
      if (heaters.length !== 1 || !id || one?.kind !== 'heater' || one.powerW === null) return [guard];
      const each = Math.ceil(one.powerW / 2 / 5) * 5;
      return [
        propose(
          'two-heaters',
          [
            { op: 'replace', path: pointer('equipment', id, 'powerW'), value: each },
            {
              op: 'add',
              path: pointer('equipment', freeId(design, 'heater')),
              value: { ...one, order: nextOrder(design.equipment), powerW: each, placeMm: null },
            },
          ],
          { each: { quantity: 'power', value: each } },
        ),
        guard,
      ];
    }
    case 'gear.co2-night':
      return [
        propose('co2-by-day', [
          { op: 'replace', path: '/water/co2/onHour', value: null },
          { op: 'replace', path: '/water/co2/offHour', value: null },
        ]),
      ];
    case 'gear.top-up': {
      const [id = ''] = finding.subjects;
      const litres = design.vessel
        ? Math.floor(Math.min(0.14 * volumeToL(design.vessel, design.vessel.waterLevelMm), finding.values['room']?.value ?? 0) * 2) / 2
        : 0;
      if (litres < HALF_L) return [];
      return [
        propose('smaller-reservoir', [{ op: 'replace', path: pointer('equipment', id, 'reservoirL'), value: litres }], {
          litres: { quantity: 'volume', value: litres },
        }),
      ];
    }
    case 'gear.scours': {
      const [id = ''] = finding.subjects;
      const device = design.equipment[id];
      if (!device || !('runs' in device) || !device.runs) return [];
      const value = Math.min(60, Math.max(20, device.runs.outletRiseDeg + 25));
      return [propose('nozzle-up', [{ op: 'replace', path: pointer('equipment', id, 'runs', 'outletRiseDeg'), value }])];
    }
    case 'gear.scraper': {
      const [id = ''] = finding.subjects;
      const device = design.equipment[id];
      const { vessel } = design;
      if (!device?.placeMm || !device.sizeMm || !vessel) return [];
      const [x, y, z] = device.placeMm;
      const [w, d] = device.sizeMm;
      const off = 35;
      const fit = (value: number, half: number, whole: number) => Math.min(whole - half - off, Math.max(half + off, value));
      const sides = vessel.viewingSides as readonly string[];
      const value = [
        sides.includes('left') || sides.includes('right') ? fit(x, w / 2, vessel.lengthMm) : x,
        finding.kind === 'front' ? Math.max(y, d / 2 + off) : finding.kind === 'back' ? Math.min(y, vessel.widthMm - d / 2 - off) : y,
        z,
      ];
      return [propose('gear-off-pane', [{ op: 'replace', path: pointer('equipment', id, 'placeMm'), value }])];
    }
    case 'gear.bare-heater': {
      const id = finding.subjects[finding.subjects.length - 1] ?? '';
      return [propose('heater-cage', [{ op: 'add', path: pointer('equipment', id, 'guarded'), value: true }])];
    }
    default:
      return [];
  }
}
