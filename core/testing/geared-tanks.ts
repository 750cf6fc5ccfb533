import type { Design } from '../design/design';
import { newDevice, newRuns, type Device, type FilterForm, type Runs } from '../equipment/model';
import type { Medium } from '../equipment/media';
import { co2At } from '../water/model';
import type { FailingTank, KeptTank } from './kept-tank';
import { floaters, sizes, thicket } from './tank-parts';

const bare = { order: 20, powerW: null, sizeMm: null, placeMm: null };

interface Told {
  form: FilterForm;
  media: [Medium, number][];
  weeks: number;
  runs?: Partial<Runs>;
}
/** The filter as its keeper tells of it. */
const filter =
  ({ form, media, weeks, runs }: Told) =>
  ({ equipment }: Design): void =>
    void Object.assign(equipment['filter']!, {
      form,
      media: media.map(([medium, litres]) => ({ medium, litres })),
      runWeeks: weeks,
      runs: { ...newRuns(), ...runs },
    });
const both =
  (...all: ((design: Design) => void)[]) =>
  (design: Design): void =>
    all.forEach((one) => one(design));
const has =
  (id: string, device: Device) =>
  ({ equipment }: Design): void =>
    void (equipment[id] = device);
const air = (more: Partial<Extract<Device, { kind: 'air' }>>): Device => {
  const pump = newDevice('air', 0, { ...bare, powerW: 4 });
  return { ...pump, lPerMin: 3, ...more } as Device;
};

const cherries: KeptTank = {
  name: '',
  sizeMm: sizes.twenty,
  water: 'ordinary',
  lid: 'glass',
  plants: [['taxiphyllum-barbieri', 6], ...floaters],
  stock: [['neocaridina-davidi', 60]],
};
const neons: KeptTank = {
  name: '',
  sizeMm: sizes.eighty,
  water: 'soft',
  heaterC: 25,
  filter: 'canister',
  plants: thicket,
  stock: [
    ['paracheirodon-innesi', 25],
    ['corydoras-panda', 8],
  ],
};

const placed = (runs: Partial<Runs>): ((design: Design) => void) =>
  filter({ form: 'canister', media: [['coarse-foam', 4]], weeks: 60, runs: { lPerH: 700, mostHeadM: 1.6, gapMm: 2.5, ...runs } });

/** Tanks where gear is the matter: those that thrive. */
export const GEARED_THRIVING: readonly KeptTank[] = [
  {
    ...cherries,
    name: 'Cherry shrimp that breed over a sponge on air, its pump on the floor behind a check valve',
    filter: 'sponge',
    more: both(filter({ form: 'sponge', media: [['coarse-foam', 0.8]], weeks: 40 }), has('air', air({ below: true, checkValve: true }))),
  },
  {
    ...cherries,
    name: 'Cherry shrimp that breed before a rim filter with fine foam over its intake',
    filter: 'hang-on',
    more: filter({ form: 'hang-on', media: [['coarse-foam', 0.5]], weeks: 30, runs: { lPerH: 200, mostHeadM: 0.4, gapMm: 0.4 } }),
  },
  {
    ...neons,
    name: 'Neons over a canister of four litres, two metres of hose, a slotted strainer',
    more: filter({
      form: 'canister',
      media: [
        ['coarse-foam', 2],
        ['rings', 2],
      ],
      weeks: 60,
      runs: { lPerH: 700, mostHeadM: 1.6, liftM: 0, hoseM: 2, boreMm: 12, gapMm: 2.5 },
    }),
  },
  {
    ...neons,
    name: 'Neons among stems under carbon dioxide that comes on an hour before the lamps',
    lampLm: 3500,
    more: (design) => {
      design.care.lampHours = 9;
      design.care.lampsOnHour = 12;
      design.water.co2 = { ...co2At(20), onHour: 11, offHour: 20, bottleG: 2000 };
    },
  },
  {
    ...neons,
    name: 'Neons with two heaters of 50 W and a controller in a cool room',
    room: 'cool',
    more: ({ equipment }) => {
      const heater = equipment['heater']!;
      if (heater.kind !== 'heater') return;
      heater.powerW = 75;
      equipment['heater-2'] = { ...heater, order: 12 };
      equipment['controller'] = newDevice('controller', 0, bare);
    },
  },
  {
    name: 'A jar of ramshorns and moss without any filter',
    sizeMm: [200, 200, 250],
    room: 'home',
    water: 'hard',
    filter: 'none',
    surface: 'still',
    feedG: 0.02,
    plants: [['taxiphyllum-barbieri', 3], ...floaters],
    stock: [['planorbella-duryi', 6]],
  },
  {
    name: 'Clownfish and polyps with a top-up of two litres',
    sizeMm: sizes.eighty,
    room: 'fishroom',
    lid: 'none',
    water: 'sea',
    heaterC: 25,
    filter: 'hang-on',
    pumpW: 6,
    feedG: 0.1,
    bed: [['aragonite-sand', 20]],
    pieces: [['stone-pile', 2, 'live-rock']],
    stock: [['amphiprion-ocellaris', 2]],
    more: has('top-up', { ...(newDevice('top-up', 0, bare) as Extract<Device, { kind: 'top-up' }>), reservoirL: 4 }),
  },
  {
    ...neons,
    name: 'Neons before a canister whose spray pipe blows at the back pane',
    more: placed({ outletAtMm: [780, 300, 330], outletTurnDeg: 90, outletRiseDeg: 10, outletMm: 30 }),
  },
  {
    name: 'Hillstream loaches in the jet of a powerhead along the tank',
    sizeMm: sizes.metre,
    room: 'cool',
    water: 'firm',
    filter: 'canister',
    pumpW: 12,
    surface: 'ripple',
    bed: [['quartz-gravel', 30]],
    pieces: [
      ['rounded-stone', 6, 'granite', [110, 90, 60]],
      ['stone-pile', 1, 'granite'],
    ],
    stock: [['sewellia-lineolata', 6]],
    more: both(
      placed({ lPerH: 900, outletAtMm: [970, 300, 350], outletTurnDeg: 180, outletMm: 16 }),
      ({ equipment }) =>
        void Object.assign(equipment['pump']!, {
          runs: { ...newRuns(), lPerH: 3000, outletMm: 40, gapMm: 2, outletAtMm: [970, 200, 110], outletTurnDeg: 180 },
        }),
    ),
  },
];

/** Those that fail by their gear for one plain reason. */
export const GEARED_FAILING: readonly FailingTank[] = [
  {
    ...cherries,
    name: 'Cherry shrimp that breed before a bare rim filter',
    filter: 'hang-on',
    more: filter({ form: 'hang-on', media: [['coarse-foam', 0.5]], weeks: 30, runs: { lPerH: 200, mostHeadM: 0.4, gapMm: 3 } }),
    first: ['gear.intake'],
    whom: [0],
  },
  {
    ...neons,
    name: 'Neons fed by the spoon over a cup of new foam',
    feedG: 1,
    change: [0.5, 7],
    plants: [],
    more: filter({ form: 'internal', media: [['coarse-foam', 0.2]], weeks: 1 }),
    first: ['gear.capacity', 'water.feed', 'water.nitrate'],
  },
  {
    ...neons,
    name: 'Neons under a canister that has to lift higher than it can',
    more: filter({
      form: 'canister',
      media: [['coarse-foam', 4]],
      weeks: 60,
      runs: { lPerH: 500, mostHeadM: 1, liftM: 1.4, hoseM: 3, boreMm: 12 },
    }),
    first: ['gear.reach'],
  },
  {
    ...cherries,
    name: 'Shrimp over a sponge whose air pump stands on the floor without a valve',
    filter: 'sponge',
    more: has('air', air({ below: true, checkValve: false })),
    first: ['gear.siphon'],
  },
  {
    ...neons,
    name: 'Neons under carbon dioxide that runs day and night',
    more: ({ water }) => void (water.co2 = { ...co2At(22), onHour: 0, offHour: 0 }),
    first: ['gear.co2-night'],
  },
  {
    name: 'An axolotl that lies on a bare heater',
    sizeMm: sizes.metre,
    room: 'cellar',
    water: 'firm',
    heaterC: 15,
    filter: 'sponge',
    surface: 'ripple',
    lid: 'mesh',
    bed: [['fine-quartz-sand', 20]],
    plants: [['taxiphyllum-barbieri', 14]],
    change: [0.3, 7],
    stock: [['ambystoma-mexicanum', 2]],
    first: ['gear.bare-heater'],
  },
  {
    name: 'A fighting fish in the jet of a powerhead across a cube',
    sizeMm: sizes.nano,
    water: 'soft',
    heaterC: 27,
    filter: 'hang-on',
    lid: 'glass',
    plants: [
      ['microsorum-pteropus', 1],
      ['ceratophyllum-demersum', 1],
    ],
    stock: [['betta-splendens', 1]],
    more: filter({
      form: 'internal',
      media: [['coarse-foam', 1]],
      weeks: 60,
      runs: { lPerH: 900, outletMm: 14, gapMm: 2, outletAtMm: [280, 150, 150], outletTurnDeg: 180 },
    }),
    first: ['stocking.current'],
    whom: [0],
  },
];
