import type { Design } from '../../design/design';
import { failures, failuresPerLitre } from '../../equipment/failures';
import { warmingW, type Device } from '../../equipment/model';
import { yearBalance, yearExtremes, yearTemperature, type Thermostats } from '../../equipment/year-temperature';
import { rangeFor } from '../../catalogue/organism';
import { PARAMETER_META } from '../../catalogue/parameter';
import { FOR_HOURS_C } from '../../equipment/findings';
import { surfacesOf, volumeToL } from '../../vessel/shape';
import { windowOf } from '../../window/window';
import { ASSUMED_CARE, ASSUMED_GLASS_MM, ASSUMED_HUMIDITY_PCT } from './assumed';
import { missing, type Definitions } from './node';

function setPoint(devices: readonly Device[], kind: 'heater' | 'cooler' | 'fan'): number | null {
  const points = devices.flatMap((device) => (device.kind === kind ? [device.setPointC] : []));
  if (points.length === 0) return null;
  return kind === 'heater' ? Math.max(...points) : Math.min(...points);
}

/** The power of all devices of a kind together; null when one of them is not stated. */
function powerOf(devices: readonly Device[], kind: 'heater' | 'cooler'): number | null {
  let sum = 0;
  for (const device of devices) {
    if (device.kind !== kind) continue;
    if (device.powerW === null) return null;
    sum += device.powerW;
  }
  return sum;
}

/** What stands by where one heater of several fails, or sticks. */
function redundancy(devices: readonly Device[]): Pick<Thermostats, 'strongestW' | 'guardedByController'> {
  const heaters = devices.flatMap((device) => (device.kind === 'heater' ? [device.powerW] : []));
  const powers = heaters.filter((powerW) => powerW !== null);
  return {
    ...(heaters.length > 1 ? { strongestW: powers.length === heaters.length ? Math.max(...powers) : null } : {}),
    ...(devices.some(({ kind }) => kind === 'controller') ? { guardedByController: true } : {}),
  };
}

/** What warms and cools a design's tank. */
export function thermostats(design: Design): Thermostats {
  const devices = Object.values(design.equipment);
  return {
    heaterC: setPoint(devices, 'heater'),
    coolerC: setPoint(devices, 'cooler'),
    fanC: setPoint(devices, 'fan'),
    heaterW: powerOf(devices, 'heater'),
    ...redundancy(devices),
    coolerW: powerOf(devices, 'cooler'),
    gearW: devices.reduce(
      (sum, device) =>
        sum + warmingW(device, (device.kind === 'lamp' ? device.light?.hours : null) ?? design.care.lampHours ?? ASSUMED_CARE.lampHours),
      0,
    ),
  };
}

/** A glass lid leaves gaps for hoses and feeding. */
const LID_COVERS = { glass: 0.95, mesh: 0, none: 0 } as const;

/** The tank's heat and its year. */
export const heatNodes: Pick<Definitions, 'heat.body' | 'heat.balance' | 'heat.year' | 'planned.temperatureC'> = {
  'heat.body': {
    calculationId: null,
    from: [],
    reads: ({ design, room }) => [design.vessel, room.humidityPct],
    compute: ({ design: { vessel }, room }) => {
      if (!vessel) return missing('no vessel is chosen');
      const taken = [
        ...(vessel.glassMm.value === null ? [`panes of ${ASSUMED_GLASS_MM} mm`] : []),
        ...(vessel.lid.value === null ? ['an open top'] : []),
        ...(room.humidityPct.value === null ? [`air of ${ASSUMED_HUMIDITY_PCT} % humidity`] : []),
      ];
      return {
        value: {
          ...surfacesOf(vessel, vessel.waterLevelMm),
          glassMm: vessel.glassMm.value ?? ASSUMED_GLASS_MM,
          covered: LID_COVERS[vessel.lid.value ?? 'none'],
          humidity: (room.humidityPct.value ?? ASSUMED_HUMIDITY_PCT) / 100,
          airMPerS: 0,
        },
        ...(taken.length > 0 ? { note: `Not stated, so taken: ${taken.join(', ')}.` } : {}),
      };
    },
  },
  'heat.balance': {
    calculationId: 'equipment.settling-temperature',
    from: ['heat.body'],
    reads: ({ design, room }) => [design.vessel, design.equipment, design.care.lampHours, room.climateC],
    compute: ({ design, room }, up) => {
      const body = up['heat.body'].value;
      if (!body || !design.vessel) return missing('no vessel is chosen');
      if (!room.climateC) return missing("the room's climate is not stated");
      const devices = thermostats(design);
      // bed and stone hold about as much heat as the water they keep out
      const litres = volumeToL(design.vessel, design.vessel.waterLevelMm) + (design.vessel.sump?.runningL ?? 0);
      const unstated = devices.heaterW === null || devices.coolerW === null ? ' Power that is not stated is taken to be enough.' : '';
      return {
        value: yearBalance(room.climateC, body, devices, litres),
        inputs: { ...body, ...devices, litres, climateC: room.climateC },
        note: `Heat given off to the room is good to ±25 %, evaporation to ±40 %.${unstated} ${up['heat.body'].note ?? ''}`.trim(),
      };
    },
  },
  'heat.year': {
    calculationId: null,
    from: ['heat.balance'],
    reads: ({ design, room }) => [design.equipment, design.care.lampHours, room.climateC],
    compute: ({ design, room }, up) => {
      const balance = up['heat.balance'];
      if (balance.value)
        return { value: balance.value.map(({ tankC }) => tankC), ...(balance.note ? { note: balance.note } : {}), inputs: balance.inputs };
      if (!room.climateC) return missing("the room's climate is not stated");
      const { heaterC, coolerC } = thermostats(design);
      const inputs = { climateC: room.climateC, heaterC, coolerC };
      return { value: yearTemperature(room.climateC, inputs), inputs, note: 'No vessel is chosen yet: taken to follow the room.' };
    },
  },
  'planned.temperatureC': {
    calculationId: null,
    from: ['heat.year'],
    reads: () => [],
    compute: (_, up) => {
      const year = up['heat.year'].value;
      if (!year) return missing(up['heat.year'].note ?? 'not known');
      const interval = yearExtremes(year);
      return {
        value: (interval[0] + interval[1]) / 2,
        interval,
        inputs: up['heat.year'].inputs,
        note: 'Unheated water settles by its heat balance near the room; heater and cooler hold their set-points. The interval is the year.',
      };
    },
  },
};

/** What a heater that sticks or a power cut does; wants the window. */
export const failureNodes: Pick<Definitions, 'window.animalsC' | 'heat.drift' | 'heat.failures'> = {
  // a moss that suffers is no reason to call a tank deadly
  'window.animalsC': {
    calculationId: null,
    from: ['stock.members'],
    reads: () => [],
    compute: (_, up) => {
      const animals = (up['stock.members'].value ?? []).filter(({ organism }) => organism?.kind === 'animal');
      if (animals.length === 0) return missing('no animal is chosen to live here');
      const says = animals.map(({ id, organism, phase, organismId }) => ({
        id,
        name: organism?.latin ?? organismId,
        range: organism && rangeFor(organism, phase, 'temperatureC'),
      }));
      return { value: windowOf('temperatureC', says, PARAMETER_META.temperatureC.limits) };
    },
  },
  'heat.drift': {
    calculationId: null,
    from: ['heat.body', 'heat.balance', 'window.animalsC'],
    reads: ({ design }) => [design.equipment, design.care.lampHours],
    compute: ({ design }, up) => {
      const [body, balance] = [up['heat.body'].value, up['heat.balance'].value];
      const window = up['window.animalsC'].value;
      if (!body || !balance) return missing(up['heat.balance'].note ?? 'no vessel is chosen');
      if (!window) return missing('nothing is chosen to live here');
      const open = [null, null] as const;
      return {
        value: failuresPerLitre(balance, body, thermostats(design), {
          optimum: window.optimum ?? open,
          tolerance: window.tolerance ? [window.tolerance[0] - FOR_HOURS_C.low, window.tolerance[1] + FOR_HOURS_C.high] : open,
        }),
      };
    },
  },
  'heat.failures': {
    calculationId: 'equipment.hours-to-edge',
    from: ['heat.body', 'heat.drift', 'vessel.system-volume', 'window.animalsC'],
    reads: ({ design }) => [design.equipment, design.care.lampHours],
    compute: ({ design }, up) => {
      const drift = up['heat.drift'];
      const litres = up['vessel.system-volume'].value;
      if (!drift.value || litres === null) return missing(drift.note ?? 'no vessel is chosen');
      const window = up['window.animalsC'].value;
      return {
        value: failures(drift.value, litres),
        inputs: {
          ...up['heat.body'].value,
          litres,
          ...thermostats(design),
          optimumC: window?.optimum,
          toleranceC: window?.tolerance,
        },
        note: `One stirred body of water in a steady room; the hours run from a loss 30 % greater to one 25 % smaller. What is borne for hours is taken as ${FOR_HOURS_C.low} °C below and ${FOR_HOURS_C.high} °C above what the animals bear for months.`,
      };
    },
  },
};
