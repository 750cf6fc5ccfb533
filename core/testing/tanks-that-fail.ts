import type { FailingTank, KeptTank } from './kept-tank';
import { GEARED_FAILING } from './geared-tanks';
import { HEALTH_FAILING } from './health-tanks';
import { PLANTED_FAILING } from './planted-tanks';
import { sizes, thicket, blackwaterPlants } from './tank-parts';
import { THRIVING } from './tanks-that-thrive';
import { co2At } from '../water/model';

export type { FailingTank };

const thriving = (start: string): KeptTank => THRIVING.find(({ name }) => name.startsWith(start))!;

const axolotl = thriving('Two axolotls');
const cherries = thriving('Two hundred cherry');
const beeLine = thriving('Bee shrimp on RO');
const neons = thriving('Neons and pygmy');
const guppies = thriving('Guppies');
const harlequins = thriving('Harlequins');
const newts = thriving('Fire-bellied');
const clowns = thriving('A pair of clownfish');
const betta = thriving('One male fighting');
const { heaterC: _, ...unheatedBetta } = betta;
const whiteClouds = thriving('White clouds');
const shellBed = thriving('A colony of shell');

export const FAILING: readonly FailingTank[] = [
  // what they swallow, and where they walk
  { ...axolotl, name: 'An axolotl on 2 to 6 mm gravel', bed: [['quartz-gravel', 30]], first: ['substrate.grain'], whom: [0] },
  {
    ...newts,
    name: 'Ribbed newts on 5 to 15 mm lava granules',
    sizeMm: [1000, 400, 400],
    bed: [['lava-gravel', 30]],
    stock: [['pleurodeles-waltl', 2]],
    first: ['substrate.grain'],
    whom: [0],
  },
  { ...newts, name: 'Newts in an open tank', lid: 'none', first: ['vessel.lid'], whom: [0] },
  {
    ...newts,
    name: 'Vampire crabs in an open tank',
    room: 'home',
    heaterC: 26,
    lid: 'none',
    water: 'firm',
    pieces: [['cave-tube', 6]],
    plants: [],
    stock: [['geosesarma-dennerle', 4]],
    first: ['vessel.lid'],
    whom: [0],
  },
  {
    ...harlequins,
    name: 'Hatchetfish in an open tank',
    lid: 'none',
    stock: [['carnegiella-strigata', 8]],
    first: ['vessel.lid'],
    whom: [0],
  },
  {
    name: 'Killifish in an open tank',
    sizeMm: [400, 250, 280],
    lid: 'none',
    water: 'soft',
    heaterC: 23,
    plants: [...blackwaterPlants],
    leavesG: 6,
    stock: [['aphyosemion-australe', 3, 'keep', 2]],
    first: ['vessel.lid'],
    whom: [0],
  },
  // heat and cold
  { ...axolotl, name: 'Axolotls in a hot attic', room: 'attic', first: ['heat.too-warm'], whom: [0] },
  { ...whiteClouds, name: 'White clouds held at 29', room: 'home', heaterC: 29, plants: [], first: ['heat.too-warm'], whom: [0] },
  { ...beeLine, name: 'Bee shrimp through a summer under the roof', room: 'attic', plants: [], first: ['heat.too-warm'], whom: [0] },
  {
    ...unheatedBetta,
    name: 'A fighting fish without a heater in a cool room',
    room: 'cool',
    plants: [],
    first: ['heat.too-cold'],
    whom: [0],
  },
  {
    name: 'Discus at 23',
    sizeMm: sizes.large,
    water: 'soft',
    heaterC: 23,
    filter: 'canister',
    change: [0.4, 7],
    pieces: [['root-tangle', 2, 'bog-wood']],
    plants: [['anubias-barteri', 4]],
    stock: [['symphysodon-aequifasciatus', 6]],
    first: ['heat.too-cold'],
    whom: [0],
  },
  {
    name: 'Zebra plecos at 23',
    sizeMm: sizes.eighty,
    water: 'ordinary',
    heaterC: 23,
    filter: 'canister',
    pumpW: 6,
    bed: [['fine-quartz-sand', 20]],
    pieces: [['small-mouth-cave', 6]],
    feedG: 0.6,
    stock: [['hypancistrus-zebra', 5]],
    first: ['heat.too-cold'],
    whom: [0],
  },
  {
    ...neons,
    name: 'A heater of 25 W for 450 L in a cellar',
    sizeMm: sizes.large,
    room: 'cellar',
    heaterW: 25,
    first: ['heat.heater-rating', 'heat.too-cold'],
  },
  // water
  {
    ...neons,
    name: 'Pygmy corys and neons in a rift lake’s water',
    water: 'lake',
    plants: [['ceratophyllum-demersum', 6]],
    first: ['water.parameter'],
  },
  { ...guppies, name: 'Guppies in RO water with nothing in it', water: 'ro', plants: [], first: ['water.parameter'], whom: [0] },
  {
    ...beeLine,
    name: 'Bee shrimp on quartz sand in hard tap water',
    water: 'hard',
    bed: [['fine-quartz-sand', 40]],
    plants: [],
    first: ['water.parameter'],
    whom: [0],
  },
  { ...beeLine, name: 'Bee shrimp over crushed coral', bed: [['crushed-coral', 40]], plants: [], first: ['water.parameter'], whom: [0] },
  {
    ...clowns,
    name: 'Clownfish in tap water',
    water: 'hard',
    bed: [['fine-quartz-sand', 30]],
    pieces: [['stone-pile', 2, 'granite']],
    more: () => undefined,
    first: ['water.parameter'],
    whom: [0],
  },
  { ...neons, name: 'Neons in sea water', water: 'sea', plants: [], first: ['water.parameter'] },
  {
    ...cherries,
    name: 'Shrimp in tap water with its chlorine',
    more: (design) => void (design.water.conditioner = null),
    first: ['water.disinfectant'],
  },
  {
    ...harlequins,
    name: 'Chloramine, and only stood overnight',
    more: (design, room) => {
      room.sources['water']!.disinfectant = { value: 'chloramine', basis: 'measured' };
      design.water.conditioner = 'ageing';
    },
    first: ['water.disinfectant'],
  },
  {
    ...cherries,
    name: 'Shrimp, and copper out of a new pipe',
    more: (_, room) => void (room.sources['water']!.analysisMgPerL = { copper: { value: 0.3, basis: 'measured' } }),
    first: ['water.copper'],
    whom: [0],
  },
  {
    ...axolotl,
    name: 'An axolotl and a conditioner with plant gel',
    more: (design) => void (design.water.conditioner = 'plant-gel'),
    first: ['water.conditioner-harm'],
    whom: [0],
  },
  { ...neons, name: 'Carbon dioxide fed to 55 mg/L', more: (design) => void (design.water.co2 = co2At(55)), first: ['water.co2'] },
  { ...neons, name: 'Seven grams of food a day in 54 L', feedG: 7, first: ['water.feed'] },
  {
    name: 'Fifty goodeids in 112 L of still, covered water',
    sizeMm: sizes.eighty,
    water: 'hard',
    filter: 'none',
    surface: 'still',
    plants: [],
    change: [0.5, 7],
    stock: [['ameca-splendens', 50]],
    first: ['vessel.volume', 'water.oxygen'],
  },
  {
    ...guppies,
    name: 'An open warm tank topped up with hard tap water and hardly changed',
    lid: 'none',
    heaterC: 26,
    heaterW: 100,
    change: [0.1, 14],
    more: (design) => {
      design.vessel!.lid = { value: 'mesh', basis: 'measured' };
      design.care.topUp = { sourceId: 'water', everyDays: 7 };
    },
    first: ['water.evaporation'],
  },
  { ...beeLine, name: 'Hard tap water on active soil', water: 'hard', change: [0.3, 7], first: ['water.soil-life', 'water.parameter'] },
  // who eats, bites, nips whom
  {
    ...axolotl,
    name: 'Axolotls with white clouds',
    stock: [
      ['ambystoma-mexicanum', 2],
      ['tanichthys-albonubes', 8],
    ],
    first: ['stocking.predation'],
    whom: [0, 1],
  },
  {
    name: 'Grown angelfish with neons',
    sizeMm: sizes.long,
    water: 'soft',
    heaterC: 25,
    filter: 'canister',
    plants: thicket,
    stock: [
      ['pterophyllum-scalare', 6],
      ['paracheirodon-innesi', 15],
    ],
    first: ['stocking.predation'],
    whom: [0, 1],
  },
  {
    ...cherries,
    name: 'A yabby with neons',
    sizeMm: sizes.metre,
    plants: [],
    pieces: [['cave-tube', 2, 'ceramic', [260, 80, 80]]],
    stock: [
      ['cherax-destructor', 1],
      ['paracheirodon-innesi', 10],
    ],
    first: ['stocking.predation'],
    whom: [0, 1],
  },
  {
    ...cherries,
    name: 'Red-clawed prawns with cherry shrimp',
    sizeMm: sizes.eighty,
    pieces: [['cave-tube', 5]],
    stock: [
      ['macrobrachium-dayanum', 2],
      ['neocaridina-davidi', 30],
    ],
    first: ['stocking.predation'],
    whom: [0, 1],
  },
  {
    ...cherries,
    name: 'Assassin snails with ramshorns',
    heaterC: 24,
    stock: [
      ['anentome-helena', 3],
      ['planorbella-duryi', 10],
    ],
    first: ['stocking.predation'],
    whom: [0, 1],
  },
  {
    ...harlequins,
    name: 'Dwarf chain loaches with ramshorn snails',
    sizeMm: sizes.metre,
    water: 'ordinary',
    stock: [
      ['ambastaia-sidthimunki', 8],
      ['planorbella-duryi', 10],
    ],
    pieces: [['root-tangle', 1, 'bog-wood']],
    first: ['stocking.predation'],
    whom: [0, 1],
  },
  {
    ...betta,
    name: 'A fighting fish with cherry shrimp',
    sizeMm: sizes.twenty,
    stock: [
      ['betta-splendens', 1, 'keep', 0],
      ['neocaridina-davidi', 20],
    ],
    first: ['stocking.predation'],
    whom: [0, 1],
  },
  {
    ...shellBed,
    name: 'A compressiceps with shell dwellers that breed',
    sizeMm: sizes.long,
    pieces: [
      ['snail-shell', 20],
      ['stone-pile', 2, 'granite'],
    ],
    stock: [
      ['altolamprologus-compressiceps', 2],
      ['neolamprologus-multifasciatus', 10, 'spawn'],
    ],
    first: ['stocking.predation', 'stocking.predation-young'],
    whom: [0, 1],
  },
  {
    ...harlequins,
    name: 'Tiger barbs with angelfish',
    sizeMm: sizes.large,
    stock: [
      ['puntigrus-tetrazona', 12],
      ['pterophyllum-scalare', 6],
    ],
    pieces: [],
    first: ['stocking.fin-nipping'],
    whom: [0, 1],
  },
  {
    ...betta,
    name: 'Serpae tetras with a fighting fish',
    sizeMm: sizes.eighty,
    stock: [
      ['hyphessobrycon-eques', 10],
      ['betta-splendens', 1, 'keep', 0],
    ],
    first: ['stocking.fin-nipping'],
    whom: [0, 1],
  },
  {
    ...betta,
    name: 'Two male fighting fish',
    sizeMm: sizes.twenty,
    stock: [['betta-splendens', 2, 'keep', 0]],
    first: ['stocking.sex-ratio'],
    whom: [0],
  },
  {
    ...harlequins,
    name: 'Two male cockatoo dwarf cichlids in 60 cm',
    sizeMm: [600, 350, 350],
    pieces: [['half-pot', 3]],
    stock: [['apistogramma-cacatuoides', 3, 'keep', 1]],
    first: ['stocking.sex-ratio'],
    whom: [0],
  },
  {
    ...beeLine,
    name: 'Bee and tiger shrimp to be bred in one tank',
    water: 'bee',
    sizeMm: sizes.twenty,
    stock: [
      ['caridina-logemanni', 30, 'spawn'],
      ['caridina-mariae', 30, 'spawn'],
    ],
    first: ['stocking.crossing'],
    whom: [0, 1],
  },
  {
    ...cherries,
    name: 'Two colours of cherry shrimp to be bred',
    stock: [
      ['neocaridina-davidi-red', 30, 'spawn'],
      ['neocaridina-davidi-yellow', 30, 'spawn'],
    ],
    first: ['stocking.crossing'],
    whom: [0, 1],
  },
  {
    ...harlequins,
    name: 'Discus with rift lake cichlids',
    sizeMm: sizes.large,
    heaterC: 28,
    plants: [],
    pieces: [['stone-pile', 6, 'granite']],
    stock: [
      ['symphysodon-aequifasciatus', 6],
      ['neolamprologus-brichardi', 6],
    ],
    first: ['window.clash'],
    whom: [0, 1],
  },
  { ...neons, name: 'A single neon', stock: [['paracheirodon-innesi', 1]], first: ['stocking.group-size'], whom: [0] },
  { ...harlequins, name: 'A single panda cory', stock: [['corydoras-panda', 1]], heaterC: 24, first: ['stocking.group-size'], whom: [0] },
  // room
  {
    ...neons,
    name: 'Angelfish in a cube of 27 L',
    sizeMm: sizes.nano,
    stock: [['pterophyllum-scalare', 2]],
    first: ['vessel.volume', 'vessel.footprint'],
    whom: [0],
  },
  {
    ...neons,
    name: 'Six discus in 54 L',
    heaterC: 29,
    change: [0.5, 3],
    feedG: 1,
    plants: [['anubias-barteri', 3]],
    stock: [['symphysodon-aequifasciatus', 6]],
    first: ['vessel.volume', 'vessel.footprint'],
    whom: [0],
  },
  {
    ...guppies,
    name: 'Swordtails in 27 L',
    sizeMm: sizes.nano,
    feedG: 0.2,
    stock: [['xiphophorus-hellerii', 6, 'keep', 5]],
    first: ['vessel.volume', 'vessel.footprint'],
    whom: [0],
  },
  {
    ...axolotl,
    name: 'Two axolotls in 36 L',
    sizeMm: [450, 300, 300],
    feedG: 0.3,
    pieces: [],
    first: ['vessel.volume', 'vessel.footprint'],
    whom: [0],
  },
  {
    ...neons,
    name: 'Dwarf frogs in a column 80 cm deep',
    sizeMm: [500, 400, 840],
    water: 'ordinary',
    heaterC: 25,
    more: (design) => void (design.vessel!.glassMm = { value: 15, basis: 'measured' }),
    stock: [['hymenochirus-boettgeri', 6]],
    first: ['vessel.depth'],
    whom: [0],
  },
  // bed and pieces
  { ...cherries, name: 'Topsoil with nothing on it under shrimp', bed: [['garden-soil', 20]], first: ['substrate.cap'] },
  {
    ...harlequins,
    name: 'A bank of sand at 40 degrees',
    pieces: [],
    more: (design) => {
      const sand = design.substrate.layers['layer0']!;
      sand.top = { columns: 2, rows: 2, heightMm: [20, 20, 310, 310] };
    },
    first: ['substrate.slope'],
  },
  {
    ...harlequins,
    name: 'Dry wood put in loose',
    pieces: [['branch', 1, 'root-wood']],
    more: (design) => {
      const branch = design.scene['p1']!;
      if (branch.kind === 'hardscape') design.scene['p1'] = { ...branch, soakedWeeks: 0 };
    },
    first: ['hardscape.floats'],
  },
  {
    ...harlequins,
    name: 'Panda corys on coarse gravel',
    bed: [['quartz-gravel', 40]],
    heaterC: 24,
    pieces: [],
    stock: [['corydoras-panda', 8]],
    first: ['substrate.grain'],
    whom: [0],
  },
  {
    ...shellBed,
    name: 'Shell dwellers that are to breed, without a shell',
    pieces: [],
    stock: [['neolamprologus-multifasciatus', 8, 'spawn']],
    first: ['hardscape.hides'],
    whom: [0],
  },
  {
    ...guppies,
    name: 'Least killifish and a weir slot of 6 mm',
    more: (design) => void (design.vessel!.openings = { slot: { order: 1, at: 'weir', shortMm: 10, longMm: 60, guardMm: null } }),
    stock: [['heterandria-formosa', 12]],
    first: ['stocking.escape'],
    whom: [0],
  },
  // vessel
  {
    ...neons,
    name: 'A vessel that leaks',
    more: (design) => void (design.vessel!.leakTest = { value: { dry: false, days: 1, filterRan: null }, basis: 'measured' }),
    first: ['vessel.leak-test'],
  },
  {
    ...harlequins,
    name: 'A drilled, home-built tank that never stood with its filter running',
    more: (design) => {
      design.vessel!.state = { value: 'home-built', basis: 'measured' };
      design.vessel!.leakTest = { value: { dry: true, days: 8, filterRan: false }, basis: 'measured' };
    },
    first: ['vessel.leak-test'],
  },
  {
    ...harlequins,
    name: 'A sump that cannot hold what drains back',
    more: (design) => {
      design.vessel!.sump = { capacityL: 30, runningL: 25, stopsAtMm: 300 };
    },
    first: ['vessel.drain-back'],
  },
  // food, current, company of another pace
  {
    name: 'Chocolate gouramis in the jet of a powerhead',
    sizeMm: sizes.eighty,
    water: 'ro',
    heaterC: 26,
    leavesG: 20,
    filter: 'canister',
    pumpW: 20,
    plants: [['cryptocoryne-cordata', 4]],
    stock: [['sphaerichthys-osphromenoides', 6]],
    first: ['stocking.current'],
    whom: [0],
  },
  {
    name: 'Hillstream loaches in still water',
    sizeMm: sizes.eighty,
    room: 'home',
    water: 'ordinary',
    filter: 'none',
    surface: 'still',
    feedG: 0.3,
    pieces: [['stone-pile', 1, 'granite']],
    plants: [['anubias-barteri-nana', 4]],
    stock: [['sewellia-lineolata', 6]],
    first: ['stocking.current', 'water.oxygen'],
    whom: [0],
  },
  {
    ...clowns,
    name: 'A seahorse pair beside quick feeders',
    sizeMm: sizes.metre,
    room: 'cool',
    heaterC: 24,
    pieces: [
      ['root-tangle', 1, 'bog-wood'],
      ['stone-pile', 3, 'live-rock'],
    ],
    plants: [
      ['caulerpa-prolifera', 4],
      ['chaetomorpha-linum', 2],
    ],
    stock: [
      ['hippocampus-erectus', 2],
      ['amphiprion-ocellaris', 2],
    ],
    first: ['stocking.feeding'],
    whom: [0, 1],
  },
  {
    ...cherries,
    name: 'A yabby among stem plants',
    sizeMm: sizes.metre,
    pieces: [['cave-tube', 2, 'ceramic', [260, 80, 80]]],
    plants: thicket,
    stock: [['cherax-destructor', 1]],
    first: ['stocking.plant-damage'],
    whom: [0],
  },
  // fed for another tank
  { ...axolotl, name: 'Two axolotls given 25 g of pellets a day', feedG: 25, first: ['water.feed'] },
  // light and night
  {
    ...neons,
    name: 'A planted tank whose lamp never goes out',
    lampW: 10,
    more: (design) => void (design.care.lampHours = 24),
    first: ['stocking.light'],
  },
  {
    ...neons,
    name: 'A planted tank lit for two hours',
    lampW: 10,
    more: (design) => void (design.care.lampHours = 2),
    first: ['stocking.light'],
  },
  {
    ...clowns,
    name: 'Button polyps in a tank that is never lit',
    stock: [...clowns.stock, ['zoanthus-sociatus', 3]],
    more: (design, room) => {
      clowns.more?.(design, room);
      design.care.lampHours = 0;
    },
    first: ['stocking.light'],
    whom: [1],
  },
  {
    ...neons,
    name: 'Neons beside a catfish that hunts at night',
    stock: [
      ['paracheirodon-innesi', 10],
      ['microglanis-iheringi', 2],
    ],
    first: ['stocking.predation'],
    whom: [0, 1],
  },
  {
    ...whiteClouds,
    name: 'White clouds under an attic roof, a fan over a closed lid',
    room: 'attic',
    lid: 'glass',
    more: (design) => void (design.equipment['fan'] = { order: 9, kind: 'fan', setPointC: 23, powerW: 3, sizeMm: null, placeMm: null }),
    first: ['heat.too-warm'],
    whom: [0],
  },
  {
    ...neons,
    name: 'A fan that starts below what the heater holds',
    more: (design) => void (design.equipment['fan'] = { order: 9, kind: 'fan', setPointC: 22, powerW: 3, sizeMm: null, placeMm: null }),
    first: ['heat.contrary'],
  },
  {
    ...neons,
    name: 'A wood-eating sucker catfish over bare sand',
    sizeMm: [800, 350, 400],
    heaterC: 26,
    pieces: [['cave-tube', 2, 'ceramic', [120, 50, 40]]],
    stock: [['panaqolus-maccus', 1]],
    first: ['stocking.diet'],
    whom: [0],
  },
  {
    ...neons,
    name: 'Long-finned zebras beside tiger barbs',
    sizeMm: [1000, 400, 400],
    heaterC: 24,
    stock: [
      ['puntigrus-tetrazona', 10],
      ['danio-rerio', 10],
    ],
    more: ({ stock }) => void (stock['s1']!.longFins = true),
    first: ['stocking.fin-nipping'],
    whom: [0, 1],
  },
  ...PLANTED_FAILING,
  ...GEARED_FAILING,
  ...HEALTH_FAILING,
];
