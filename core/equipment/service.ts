import { inOrder } from '../quantity/in-order';
import type { Device } from './model';

/** What is done to gear from time to time. */
export const SERVICE_TASKS = {
  sponge: {
    title: 'Squeeze the sponge out',
    detail: 'In a bowl of tank water, half of the sponges at a time: tap water kills what lives in them.',
    everyDays: 21,
  },
  prefilter: { title: 'Rinse the sponge on the intake', detail: 'In tank water. Clogged, it takes half of the flow.', everyDays: 7 },
  mat: {
    title: 'Look at the level before and behind the mat',
    detail: 'Two centimetres of difference: rinse its upper third in tank water.',
    everyDays: 90,
  },
  'hang-on': {
    title: 'Clean the filter on the rim',
    detail: 'Unplug. Rinse half of its media in tank water, brush the weir and the intake.',
    everyDays: 30,
  },
  internal: { title: 'Clean the filter', detail: 'Unplug. Rinse half of its media in tank water, brush the intake.', everyDays: 30 },
  canister: {
    title: 'Open the canister',
    detail: 'Unplug, close its taps. Half of the media in tank water; grease the seal; look for drips for an hour.',
    everyDays: 75,
  },
  sump: { title: 'Clean the sump', detail: 'Unplug. Siphon the mulm, change floss; look that drain and teeth are free.', everyDays: 30 },
  undergravel: { title: 'Siphon the gravel over the plate', detail: 'A third of it each time.', everyDays: 14 },
  floss: { title: 'Change the floss', detail: 'It is for dirt, not for life: throw it away.', everyDays: 7 },
  impeller: { title: 'Clean the impeller', detail: 'Unplug. Slime and lime in the vinegar, the shaft looked at.', everyDays: 120 },
  'air-stone': { title: 'Change the air stone', detail: 'Fine bubbles grow coarse, and the pump runs hot against it.', everyDays: 120 },
  'check-valve': { title: 'Try the check valve', detail: 'Blow back through it; a new one each year.', everyDays: 365 },
  heater: {
    title: 'Read the thermometer against the heater',
    detail: 'Unplug before it comes out of the water; lime off with vinegar, cracks looked for.',
    everyDays: 30,
  },
  cooler: {
    title: 'Dust out of the cooler',
    detail: 'Unplug. Its fins and its filter; a clogged one heats the room and not much else.',
    everyDays: 60,
  },
  lamp: {
    title: 'Wipe the lamp and the lid',
    detail: 'Unplug, let it cool. Lime takes a tenth of the light in a few weeks.',
    everyDays: 14,
  },
  skimmer: { title: 'Empty the cup of the skimmer', detail: 'Wipe its neck: grease stops the foam.', everyDays: 4 },
  uv: { title: 'Renew the lamp of the UV', detail: 'Unplug; never look into it. Wipe its sleeve.', everyDays: 330 },
  reactor: { title: 'Renew what the reactor holds', detail: 'Rinse it first: dust clouds the water.', everyDays: 30 },
  'top-up': {
    title: 'Try the switch of the top-up',
    detail: 'Lift it by hand: it has to stop. Snails and slime hold it down.',
    everyDays: 14,
  },
  controller: { title: 'Try the controller', detail: 'Its sensor in a glass of warmer water: the heater has to go off.', everyDays: 60 },
  alarm: { title: 'Try the alarm', detail: 'And its battery.', everyDays: 30 },
  battery: {
    title: 'Pull the plug of the air pump with a battery',
    detail: 'It has to go on. An hour of it tells how long the battery lasts.',
    everyDays: 60,
  },
  bottle: { title: 'Weigh the CO₂ bottle', detail: 'Looked at for leaks with soap water; a full one stands ready.', everyDays: 30 },
} as const satisfies Record<string, { title: string; detail: string; everyDays: number }>;
export type ServiceTask = keyof typeof SERVICE_TASKS;

/** One of them on a device, and how often. Common practice. */
export interface Service {
  deviceId: string | null;
  task: ServiceTask;
  everyDays: number;
}

function tasksOf(device: Device): ServiceTask[] {
  switch (device.kind) {
    case 'filter': {
      const own: ServiceTask = device.form ?? 'internal';
      const covered = device.form !== 'sponge' && device.form !== 'mat' && (device.runs?.gapMm ?? 9) < 1;
      return [
        own,
        ...(covered ? (['prefilter'] as const) : []),
        ...(device.media.some(({ medium }) => medium === 'floss') ? (['floss'] as const) : []),
        ...(device.form === 'canister' || device.form === 'internal' || device.form === 'hang-on' ? (['impeller'] as const) : []),
      ];
    }
    case 'pump':
      return ['impeller', ...((device.runs?.gapMm ?? 9) < 1 ? (['prefilter'] as const) : [])];
    case 'air':
      return ['air-stone', ...(device.checkValve ? (['check-valve'] as const) : []), ...(device.battery ? (['battery'] as const) : [])];
    case 'fan':
      return [];
    default:
      return [device.kind];
  }
}

/**
 * All that a tank's gear asks for, soonest first.
 *
 * @param co2 whether it is fed
 */
export function serviceOf(equipment: Readonly<Record<string, Device>>, co2: boolean): Service[] {
  const all = inOrder(equipment).flatMap(([deviceId, device]) =>
    tasksOf(device).map((task): Service => ({ deviceId, task, everyDays: SERVICE_TASKS[task].everyDays })),
  );
  if (co2) all.push({ deviceId: null, task: 'bottle', everyDays: SERVICE_TASKS.bottle.everyDays });
  return all.sort((a, b) => a.everyDays - b.everyDays);
}
