import type { FindingCode, Severity } from '../calculation/finding';
import type { RemedyKind } from '../assessment/remedies/remedy';
import type { Design } from '../design/design';
import type { Room } from '../design/room';
import type { Catalogue } from '../catalogue/catalogue';
import { bank, level } from '../substrate/surface';
import { newLamp } from '../equipment/lamps';
import { newDevice, newRuns, type Device, type LampLight, type Runs } from '../equipment/model';
import { newPlanting } from '../plants/model';
import { begun, treated } from './health-tanks';
import type { KeptTank } from './kept-tank';
import { FAILING, THRIVING } from './ordinary-tanks';
import { catalogue, layer, piece } from './tanks';
import { co2At } from '../water/model';

/** A tank in which a finding is raised, what is said of it, and a change that is offered against it; null where none is. */
export interface CodeCase {
  of: KeptTank;
  severity: Severity;
  /** Something of its title or its reason. */
  says: RegExp;
  mends: RemedyKind | null;
  /** Where the kinds of the catalogue do not raise it. */
  catalogue?: Catalogue;
}

const thriving = (start: string): KeptTank => THRIVING.find(({ name }) => name.startsWith(start))!;
const failing = (start: string): KeptTank => FAILING.find(({ name }) => name.startsWith(start))!;
const harlequins = thriving('Harlequins');
const axolotl = thriving('Two axolotls');

/** The tank of harlequins, kuhli loaches and honey gouramis, but for one thing. */
const but = (more: (design: Design, room: Room) => void, told: Partial<KeptTank> = {}): KeptTank => ({ ...harlequins, ...told, more });
const evaporates = failing('An open warm tank topped');
const measured = <T>(value: T) => ({ value, basis: 'measured' as const });
const vessel = (change: (vessel: NonNullable<Design['vessel']>) => void): KeptTank => but(({ vessel: own }) => change(own!));
/** What is told of how the filter runs. */
const runs = (equipment: Design['equipment'], more: Partial<Runs>): void =>
  void Object.assign(equipment['filter']!, { form: 'hang-on', runs: { ...newRuns(), ...more } });
const BARE = { order: 9, powerW: null, sizeMm: null, placeMm: null };
const airPump = (more: object): Device => ({
  order: 9,
  kind: 'air',
  lPerMin: 3,
  checkValve: null,
  below: null,
  battery: false,
  powerW: 3,
  sizeMm: null,
  placeMm: null,
  ...more,
});
/** A strip along a tank of 80 cm, as its label says. */
const lamp = (more: Partial<LampLight>): Device => ({
  order: 9,
  kind: 'lamp',
  powerW: 20,
  sizeMm: null,
  placeMm: null,
  light: newLamp('bar', { output: { value: 2400, unit: 'lm' }, lengthMm: 700, ...more }),
});
const stone = (id: string, more: Parameters<typeof piece>[1]) => ({
  [id]: piece('rounded-stone', { order: 1, edges: 'ground', soakedWeeks: 52, ...more }),
});

const rasbora = catalogue.organisms.get('trigonostigma-heteromorpha')!;
/** One for whom somebody wrote down hard water of hardly any conductivity. */
const withMisquoted: Catalogue = {
  ...catalogue,
  organisms: new Map([
    ...catalogue.organisms,
    [
      'misquoted',
      {
        ...rasbora,
        id: 'misquoted',
        ranges: {
          keep: {
            ...rasbora.ranges.keep,
            ghDh: { value: { tolerance: [4, 15], optimum: [6, 12] }, basis: 'recalled' },
            ec25UsPerCm: { value: { tolerance: [10, 80], optimum: [20, 60] }, basis: 'recalled' },
          },
        },
      },
    ],
  ]),
};

/** Every code there is, once. From husbandry, as the tanks that fail. */
export const EVERY_CODE: Readonly<Record<Exclude<FindingCode, `sham.${string}`>, CodeCase>> = {
  // --- water
  'water.parameter': { of: failing('Guppies in RO'), severity: 'conflict', says: /pH 4.* is too low/, mends: 'recipe' },
  'water.not-stated': { of: but(({ water }) => (water.parts = {})), severity: 'unknown', says: /Water not chosen/, mends: 'blend' },
  'water.salinity-acclimation': {
    of: { ...thriving('Bumblebee gobies'), more: ({ stock }) => (stock['s0']!.arrivalSalinity = measured(0)) },
    severity: 'watch',
    says: /over 2 days.*at most 3 ppt a day/,
    mends: null,
  },
  'water.disinfectant': {
    of: but(({ water }) => (water.conditioner = null)),
    severity: 'conflict',
    says: /carries chlorine.*Condition every litre/,
    mends: 'conditioner',
  },
  'water.conditioner-harm': {
    of: failing('An axolotl and a conditioner'),
    severity: 'conflict',
    says: /harms \*Ambystoma.*lie on amphibian skin/,
    mends: 'conditioner',
  },
  'water.source-questioned': {
    of: but((_, room) => (room.sources['water']!.ec25UsPerCm = measured(60))),
    severity: 'watch',
    says: /contradict each other.*reads 60/,
    mends: null,
  },
  'water.conductivity-contradiction': {
    of: but(({ stock }) => (stock['s0']!.organismId = 'misquoted')),
    severity: 'watch',
    says: /contradicts its GH.*up to 60/,
    mends: null,
    catalogue: withMisquoted,
  },
  'water.copper': {
    of: {
      ...thriving('Two hundred cherry'),
      more: (_, room) => (room.sources['water']!.analysisMgPerL = { copper: measured(0.2) }),
    },
    severity: 'conflict',
    says: /Copper 0\.2 mg\/L is too much/,
    mends: 'conditioner',
  },
  'water.co2': {
    of: but(({ water }) => (water.co2 = co2At(50))),
    severity: 'conflict',
    says: /50 mg\/L of CO₂ kills.*secured upright/,
    mends: null,
  },
  'water.lime-settles': {
    of: {
      ...harlequins,
      water: 'hard',
      heaterC: 28,
      more: ({ water }) => (water.salts = { soda: { order: 1, saltId: 'sodium-bicarbonate', mgPerL: 400 } }),
    },
    severity: 'watch',
    says: /Lime settles/,
    mends: null,
  },
  'water.soil-life': {
    of: failing('Hard tap water on active'),
    severity: 'watch',
    says: /exhausted in about \d+ weeks/,
    mends: 'inert-bed',
  },
  'water.soil-against-lime': {
    of: { ...thriving('Bee shrimp on RO'), pieces: [['rounded-stone', 2, 'limestone']] },
    severity: 'watch',
    says: /against each other/,
    mends: 'other-stone',
  },
  'water.material-not-known': {
    of: but(({ water }) => (water.additions = { odd: { order: 1, materialId: 'moon-dust', amount: 5, spent: 0 } })),
    severity: 'unknown',
    says: /moon-dust/,
    mends: null,
  },
  'water.oxygen': { of: failing('Seven grams'), severity: 'watch', says: /Oxygen may run short/, mends: 'feed' },
  'water.nitrate': { of: failing('Bee shrimp over crushed'), severity: 'watch', says: /climbs past.*20 mg\/L/, mends: 'changes' },
  'water.feed': { of: { ...harlequins, feedG: 8 }, severity: 'conflict', says: /far too much.*rots/, mends: 'feed' },
  'water.evaporation': {
    of: {
      ...evaporates,
      more: (design, room) => {
        evaporates.more?.(design, room);
        room.sources['ro'] = {
          ...room.sources['water']!,
          order: 2,
          name: 'RO water',
          kind: 'ro',
          ghDh: measured(0.1),
          khDh: measured(0.1),
          ec25UsPerCm: measured(9),
          ph: measured(6.2),
          salinity: measured(0),
          disinfectant: measured('none'),
        };
      },
    },
    severity: 'watch',
    says: /Topping up.*saltier/,
    mends: 'top-up',
  },
  'water.swing': { of: { ...failing('Hard tap water on active') }, severity: 'watch', says: /swings the pH/, mends: 'inert-bed' },
  // --- company
  'stocking.group-size': {
    of: { ...harlequins, stock: [['trigonostigma-heteromorpha', 2]] },
    severity: 'conflict',
    says: /Too few.*at least 10/,
    mends: 'group',
  },
  'stocking.sex-ratio': { of: failing('Two male'), severity: 'conflict', says: /Males of \*Betta splendens\* fight/, mends: 'sexes' },
  'stocking.predation': {
    of: failing('Axolotls with white'),
    severity: 'conflict',
    says: /eats \*Tanichthys.*25 mm wide/,
    mends: 'remove',
  },
  'stocking.predation-young': {
    of: {
      ...failing('A fighting fish with cherry'),
      stock: [
        ['neocaridina-davidi', 20, 'larvae'],
        ['betta-splendens', 1],
      ],
    },
    severity: 'conflict',
    says: /eats the young/,
    mends: 'remove',
  },
  'stocking.fin-nipping': { of: failing('Tiger barbs with angel'), severity: 'conflict', says: /nips the fins/, mends: 'remove' },
  'stocking.temperament': {
    of: {
      ...harlequins,
      sizeMm: [450, 300, 300],
      stock: [
        ['pelvicachromis-pulcher', 2],
        ['apistogramma-cacatuoides', 2],
      ],
    },
    severity: 'conflict',
    says: /claim the same ground/,
    mends: 'vessel',
  },
  'stocking.crossing': { of: failing('Bee and tiger shrimp'), severity: 'conflict', says: /cross.*its line is lost/, mends: 'remove' },
  'stocking.strata': { of: failing('Tiger barbs with angel'), severity: 'watch', says: /Crowded at the middle/, mends: 'vessel' },
  'stocking.escape': {
    of: failing('Least killifish and a weir'),
    severity: 'conflict',
    says: /goes out through the weir.*10 mm × 60 mm/,
    mends: 'guard',
  },
  'stocking.not-known': {
    of: but(({ stock }) => (stock['s0']!.organismId = 'nobody-knows')),
    severity: 'unknown',
    says: /nobody-knows/,
    mends: null,
  },
  'stocking.not-chosen': { of: { ...harlequins, stock: [], plants: [] }, severity: 'unknown', says: /Nothing lives here yet/, mends: null },
  'stocking.plant-damage': { of: failing('Axolotls in a hot'), severity: 'watch', says: /pulls out \*Elodea/, mends: null },
  'stocking.stings': {
    of: {
      ...thriving('A lagoon'),
      stock: [
        ['briareum-asbestinum', 1],
        ['antillogorgia-bipinnata', 1],
      ],
    },
    severity: 'watch',
    says: /\*Briareum asbestinum\* stings/,
    mends: null,
  },
  'stocking.current': { of: failing('Chocolate gouramis in the jet'), severity: 'watch', says: /current is too strong/, mends: null },
  'stocking.light': { of: failing('Button polyps'), severity: 'conflict', says: /starves in the dark/, mends: 'lamp-hours' },
  'stocking.diet': { of: failing('A wood-eating'), severity: 'watch', says: /no wood to rasp/, mends: null },
  'stocking.feeding': { of: failing('A seahorse pair'), severity: 'conflict', says: /starves beside/, mends: null },
  'stocking.unidentified': {
    of: but(({ stock }) => (stock['s0']!.candidateIds = ['trigonostigma-heteromorpha', 'trigonostigma-espei'])),
    severity: 'unknown',
    says: /Which of 2 kinds/,
    mends: null,
  },
  // --- place
  'biotope.foreign': {
    of: but(({ brief }) => Object.assign(brief, { biotopeId: 'igarape-rio-negro', fidelity: 'strict' })),
    severity: 'watch',
    says: /foreign to this place/,
    mends: 'swap',
  },
  'biotope.water': {
    of: but(({ brief }) => Object.assign(brief, { biotopeId: 'igarape-rio-negro', fidelity: 'strict' })),
    severity: 'watch',
    says: /pH 7\.\d is not that of the place/,
    mends: null,
  },
  'biotope.season': {
    of: but(({ brief }) => Object.assign(brief, { biotopeId: 'chalk-ditch', fidelity: 'strict' })),
    severity: 'watch',
    says: /January is 18 °C warmer/,
    mends: null,
  },
  'biotope.bottom': {
    of: but(({ brief }) => Object.assign(brief, { biotopeId: 'lava-shore-pool', fidelity: 'strict' })),
    severity: 'watch',
    says: /do not lie in this place.*bare lava/,
    mends: null,
  },
  'biotope.not-known': {
    of: but(({ brief }) => Object.assign(brief, { biotopeId: 'nowhere', fidelity: 'strict' })),
    severity: 'unknown',
    says: /nowhere/,
    mends: null,
  },
  // --- bed
  'substrate.not-stated': { of: { ...harlequins, bed: [] }, severity: 'unknown', says: /Bed not stated/, mends: null },
  'substrate.slope': {
    of: but(({ substrate }) => (substrate.layers['layer0']!.top = bank(10, 330))),
    severity: 'conflict',
    says: /slides.*42° at its steepest.*28°/,
    mends: 'flatten',
  },
  'substrate.step': {
    of: but(({ substrate }) => {
      substrate.zones['terrace'] = {
        order: 1,
        kind: 'terrace',
        outlineMm: [
          [0, 150],
          [400, 150],
          [400, 350],
          [0, 350],
        ],
        edgeTopMm: null,
      };
      substrate.layers['raised'] = layer('fine-quartz-sand', level(140), { order: 2, area: { kind: 'zone', zoneId: 'terrace' } });
    }),
    severity: 'conflict',
    says: /step of 9\.5 cm.*nothing holds/,
    mends: 'wall',
  },
  'substrate.under': {
    of: but(({ substrate }) => (substrate.layers['lost'] = layer('coarse-river-sand', level(20), { order: 2 }))),
    severity: 'conflict',
    says: /lies wholly under/,
    mends: null,
  },
  'substrate.too-high': {
    of: { ...harlequins, bed: [['fine-quartz-sand', 380]] },
    severity: 'watch',
    says: /stands out of the water/,
    mends: null,
  },
  'substrate.cap': { of: failing('Topsoil with nothing'), severity: 'conflict', says: /has no cap.*kills shrimp/, mends: 'cap' },
  'substrate.soil-share': {
    of: { ...harlequins, water: 'ro', bed: [['acid-soil', 8]] },
    severity: 'watch',
    says: /Too little active soil/,
    mends: 'deepen',
  },
  'substrate.grain': { of: failing('An axolotl on 2'), severity: 'conflict', says: /blocks the gut/, mends: 'grain' },
  'substrate.depth': {
    of: { ...harlequins, bed: [['fine-quartz-sand', 5]] },
    severity: 'conflict',
    says: /too shallow for \*Pangio/,
    mends: 'deepen',
  },
  'substrate.roots': {
    of: { ...harlequins, bed: [['fine-quartz-sand', 10]] },
    severity: 'watch',
    says: /\*Hygrophila polysperma\* to root/,
    mends: 'deepen',
  },
  'substrate.capsules': {
    of: but(({ substrate }) => (substrate.capsules = { spacingMm: 120, depthMm: 60 })),
    severity: 'watch',
    says: /reach the bottom/,
    mends: null,
  },
  'substrate.not-known': {
    of: but(({ substrate }) => (substrate.layers['layer0']!.materialId = 'moon-dust')),
    severity: 'unknown',
    says: /moon-dust/,
    mends: null,
  },
  // --- pieces
  'hardscape.not-known': {
    of: but(({ scene }) => Object.assign(scene, { odd: { ...piece('rounded-stone'), classId: 'no-such-piece' } })),
    severity: 'unknown',
    says: /no-such-piece/,
    mends: null,
  },
  'plants.light': {
    of: {
      ...harlequins,
      plants: [['rotala-rotundifolia', 3]],
      more: ({ equipment }) => Object.assign(equipment, { lamp: lamp({ dim: 0.7 }) }),
    },
    severity: 'watch',
    says: /Little light.*µmol\/m²s reach it; it lives by 30 and does well up to 180/,
    mends: 'lamp-dim',
  },
  'plants.outside': {
    of: but(({ scene }) => Object.assign(scene, { a: newPlanting('cryptocoryne-wendtii', 900, [-60, 150, 0]) })),
    severity: 'conflict',
    says: /outside the glass/,
    mends: 'plant-in',
  },
  'plants.buried': {
    of: but(({ scene }) => Object.assign(scene, { a: { ...newPlanting('anubias-barteri', 900, [300, 100, 0]), hold: 'rooted' } })),
    severity: 'watch',
    says: /rhizome of .* is buried.*rots/,
    mends: 'lift-plant',
  },
  'plants.on-piece': {
    of: but(({ scene }) =>
      Object.assign(scene, stone('a', { positionMm: [400, 150, 0] }), { b: newPlanting('cryptocoryne-wendtii', 900, [400, 150, 0]) }),
    ),
    severity: 'watch',
    says: /stands where .*stone.* stands/,
    mends: 'plant-off',
  },
  'plants.no-hold': {
    of: but(({ scene }) =>
      Object.assign(scene, stone('far', { positionMm: [650, 250, 0] }), {
        a: { ...newPlanting('anubias-barteri', 900, [100, 100, 0]), hold: 'glued' },
      }),
    ),
    severity: 'watch',
    says: /Nothing holds .*drifts off/,
    mends: 'lift-plant',
  },
  'plants.roots-reach': {
    of: but(({ scene }) => Object.assign(scene, { a: newPlanting('pistia-stratiotes', 900, [300, 100, 0]) }), {
      sizeMm: [800, 350, 250],
      bed: [['acid-soil', 60]],
    }),
    severity: 'watch',
    says: /roots of .*Pistia.* reach the soil.*they take hold in it/,
    mends: 'take-plant',
  },
  'plants.outgrows': {
    of: but(({ scene }) => Object.assign(scene, { a: newPlanting('echinodorus-grisebachii', 900, [300, 150, 0]) }), {
      sizeMm: [800, 350, 250],
    }),
    severity: 'watch',
    says: /Echinodorus.* grows out of the water.*get to .* deep/,
    mends: 'smaller-plant',
  },
  'plants.algae': {
    of: {
      ...harlequins,
      plants: [['cryptocoryne-wendtii', 3]],
      more: ({ equipment }) => Object.assign(equipment, { lamp: lamp({ output: { value: 9000, unit: 'lm' } }) }),
    },
    severity: 'watch',
    says: /Much light over few plants.*mol\/m² a day.*over \d+ % of it/,
    mends: 'lamp-hours',
  },
  'plants.closed': {
    of: but(({ scene }) => Object.assign(scene, { a: { ...newPlanting('limnobium-laevigatum', 900, [300, 100, 0]), count: 60 } })),
    severity: 'watch',
    says: /Floating leaves close 95 % of the surface/,
    mends: 'feeding-ring',
  },
  'plants.bright': {
    of: {
      ...harlequins,
      stock: [['paracheirodon-axelrodi', 20]],
      plants: [],
      pieces: [],
      more: ({ equipment }) => Object.assign(equipment, { lamp: lamp({ output: { value: 6000, unit: 'lm' } }) }),
    },
    severity: 'watch',
    says: /Open light on .*axelrodi.*Floating leaves or a thicket/,
    mends: 'float',
  },
  'plants.hungry': {
    of: {
      ...harlequins,
      stock: [['trigonostigma-heteromorpha', 6]],
      plants: [['hygrophila-polysperma', 18]],
      feedG: 0.02,
      more: (design) => {
        design.equipment['lamp'] = lamp({ output: { value: 5000, unit: 'lm' } });
        design.water.co2 = co2At(20);
        design.care.fertiliser = { phosphorus: 2 };
      },
    },
    severity: 'watch',
    says: /run out of nitrogen.*nitrate settles at .*Lean keepers hold 5 mg\/L/,
    mends: 'fertilise',
  },
  'plants.liquid-carbon': {
    of: but((design) => {
      design.care.fertiliser = { carbon: 1 };
      design.scene['a'] = newPlanting('vallisneria-spiralis', 900, [300, 150, 0]);
    }),
    severity: 'watch',
    says: /Liquid carbon makes .* go glassy/,
    mends: 'no-carbon',
  },
  'plants.poison': {
    of: { ...harlequins, stock: [['ameca-splendens', 8]], plants: [['crinum-thaianum', 1]] },
    severity: 'watch',
    says: /Crinum thaianum.* is poisonous, and .* eats plants/,
    mends: 'take-plant',
  },
  'hardscape.outside': {
    of: but(({ scene }) => Object.assign(scene, stone('a', { positionMm: [0, 150, 0] }))),
    severity: 'conflict',
    says: /through the glass.*50 %/,
    mends: 'move-in',
  },
  'hardscape.overlap': {
    of: but(({ scene }) => Object.assign(scene, stone('a', { positionMm: [400, 150, 0] }), stone('b', { positionMm: [405, 150, 0] }))),
    severity: 'conflict',
    says: /in the same place/,
    mends: 'apart',
  },
  'hardscape.topples': {
    of: but(({ scene }) =>
      Object.assign(scene, {
        tall: piece('slab', {
          order: 1,
          edges: 'ground',
          sizeMm: [200, 140, 10],
          turnDeg: [90, 0, 0],
          positionMm: [400, 170, 0],
          stand: 'bed',
        }),
      }),
    ),
    severity: 'watch',
    says: /stands unsteadily/,
    mends: 'lay-flat',
  },
  'hardscape.floats': {
    of: but(({ scene }) => Object.assign(scene, { wood: piece('branch', { order: 1, soakedWeeks: 0, positionMm: [400, 150, 0] }) })),
    severity: 'conflict',
    says: /Branch floats.*of stone/,
    mends: 'ballast',
  },
  'hardscape.undermined': {
    of: failing('A compressiceps with shell'),
    severity: 'watch',
    says: /digs under the stones/,
    mends: 'on-floor',
  },
  'hardscape.on-glass': {
    of: but(({ substrate, scene }) => {
      substrate.mat = false;
      substrate.layers = {};
      substrate.bare = true;
      Object.assign(scene, stone('a', { positionMm: [400, 170, 0], sizeMm: [180, 160, 140], stand: 'floor' }));
    }),
    severity: 'watch',
    says: /Heavy stone on bare glass/,
    mends: 'mat',
  },
  'hardscape.edges': {
    of: but(({ scene }) => Object.assign(scene, { pot: piece('half-pot', { order: 1, edges: 'raw', positionMm: [400, 150, 0] }) })),
    severity: 'watch',
    says: /Half pot.*tear fins/,
    mends: null,
  },
  'hardscape.mouth-closed': {
    of: but(({ scene }) =>
      Object.assign(scene, {
        cave: piece('small-mouth-cave', { order: 1, edges: 'ground', positionMm: [400, 150, 0] }),
        ...stone('a', { order: 2, positionMm: [400, 80, 0] }),
      }),
    ),
    severity: 'watch',
    says: /is closed.*stands before it/,
    mends: 'turn',
  },
  'hardscape.hides': {
    of: failing('Shell dwellers that are to breed, without'),
    severity: 'conflict',
    says: /No hide here.*empty shells/,
    mends: 'hides',
  },
  'hardscape.sticks': {
    of: {
      ...harlequins,
      pieces: [],
      stock: [['pelvicachromis-pulcher', 1]],
      more: ({ scene }) =>
        Object.assign(scene, { tube: piece('cave-tube', { order: 1, edges: 'ground', positionMm: [400, 150, 0], sizeMm: [180, 37, 37] }) }),
    },
    severity: 'watch',
    says: /may stick in a hide/,
    mends: null,
  },
  'hardscape.facing': {
    of: {
      ...harlequins,
      pieces: [],
      stock: [['pelvicachromis-pulcher', 2, 'spawn']],
      more: ({ scene }) =>
        Object.assign(scene, {
          left: piece('small-mouth-cave', { order: 1, edges: 'ground', positionMm: [300, 170, 0], turnDeg: [0, 0, 180] }),
          right: piece('small-mouth-cave', { order: 2, edges: 'ground', positionMm: [460, 170, 0], turnDeg: [0, 0, 0] }),
        }),
    },
    severity: 'watch',
    says: /entrances face each other/,
    mends: 'turn',
  },
  'hardscape.scraper': {
    of: but(({ scene }) => Object.assign(scene, stone('a', { positionMm: [400, 62, 0] }))),
    severity: 'watch',
    says: /scraper does not pass.*12 mm to the front/,
    mends: 'move-in',
  },
  'hardscape.open-room': {
    of: {
      ...harlequins,
      pieces: [],
      more: ({ scene }) => {
        for (let i = 0; i < 8; i++)
          Object.assign(
            scene,
            stone(`wall${i}`, { order: i, sizeMm: [190, 160, 340], positionMm: [100 + (i % 4) * 200, i < 4 ? 90 : 260, 0] }),
          );
      },
    },
    severity: 'watch',
    says: /Little open water/,
    mends: null,
  },
  'hardscape.reach': {
    of: but(({ scene, equipment }) => {
      equipment['filter']!.placeMm = [400, 200, 60];
      Object.assign(scene, stone('a', { sizeMm: [200, 200, 80], positionMm: [400, 200, 250], stand: 'held' }));
    }),
    severity: 'watch',
    says: /does not lift out/,
    mends: null,
  },
  'hardscape.contrast': {
    of: {
      ...harlequins,
      bed: [['black-volcanic-sand', 40]],
      stock: [['gymnocorymbus-ternetzi', 8]],
      more: ({ vessel: own }) => (own!.background = measured('dark')),
    },
    severity: 'watch',
    says: /is lost against the dark back/,
    mends: null,
  },
  // --- vessel
  'vessel.not-stated': { of: but((design) => (design.vessel = null)), severity: 'unknown', says: /Vessel not chosen/, mends: 'vessel' },
  'vessel.footprint': {
    of: { ...harlequins, sizeMm: [250, 250, 400] },
    severity: 'conflict',
    says: /Floor is too small.*60 cm × 30 cm/,
    mends: 'vessel',
  },
  'vessel.volume': {
    of: { ...harlequins, sizeMm: [300, 200, 200] },
    severity: 'conflict',
    says: /Vessel is too small.*A tank of 12 L/,
    mends: 'vessel',
  },
  'vessel.lid': { of: failing('Hatchetfish'), severity: 'conflict', says: /leaps, and there is no lid/, mends: 'lid' },
  'vessel.depth': { of: failing('Dwarf frogs in a column'), severity: 'conflict', says: /Too deep.*76 cm.*35 cm/, mends: null },
  'vessel.leak-test': {
    of: vessel((own) => (own.leakTest = measured({ dry: false, days: 2, filterRan: true }))),
    severity: 'conflict',
    says: /Leak test failed.*Do not furnish/,
    mends: null,
  },
  'vessel.gear-fit': {
    of: { ...thriving('Ramshorn snails'), filter: 'sponge', more: ({ equipment }) => (equipment['filter']!.sizeMm = [300, 300, 200]) },
    severity: 'conflict',
    says: /filter does not pass the top/,
    mends: null,
  },
  'vessel.piece-fit': {
    of: {
      ...thriving('Ramshorn snails'),
      more: ({ scene }) => Object.assign(scene, stone('a', { positionMm: [110, 110, 0], sizeMm: [210, 210, 60] })),
    },
    severity: 'conflict',
    says: /Rounded stone does not pass the top/,
    mends: null,
  },
  'vessel.clearance': { of: vessel((own) => (own.clearanceMm = measured(80))), severity: 'conflict', says: /No hand gets in/, mends: null },
  'vessel.space': {
    of: but(({ brief }) => (brief.spaceMm = [800, 400, 900])),
    severity: 'conflict',
    says: /does not go into its place.*80 cm are free/,
    mends: 'vessel',
  },
  'vessel.drain-back': { of: failing('A sump that cannot'), severity: 'conflict', says: /run over the sump.*RCD/, mends: null },
  'vessel.load': {
    of: vessel((own) => (own.stand = measured('furniture'))),
    severity: 'watch',
    says: /Furniture is not made/,
    mends: 'place',
  },
  'vessel.glass': {
    of: vessel((own) => (own.glassMm = measured(3))),
    severity: 'watch',
    says: /thinner than plate theory.*never a certificate/,
    mends: null,
  },
  'vessel.sun': { of: vessel((own) => (own.sun = measured('direct'))), severity: 'watch', says: /Direct sun/, mends: 'place' },
  'vessel.footfall': {
    of: { ...thriving('Six discus'), more: ({ vessel: own }) => (own!.footfall = measured('busy')) },
    severity: 'watch',
    says: /Footsteps startle/,
    mends: 'place',
  },
  'vessel.exposed': {
    of: { ...thriving('Six discus'), more: ({ vessel: own }) => (own!.background = measured('none')) },
    severity: 'watch',
    says: /seen from 4 sides/,
    mends: 'cover-sides',
  },
  // --- heat
  'heat.too-cold': {
    of: but(({ equipment }) => delete equipment['heater'], { room: 'cellar' }),
    severity: 'conflict',
    says: /too cold.*Below 21 °C.*all year/,
    mends: 'heater',
  },
  'heat.too-warm': { of: { ...axolotl, room: 'attic' }, severity: 'conflict', says: /too warm.*Above 22 °C/, mends: 'cooler' },
  'heat.not-stated': { of: but((_, room) => (room.climateC = null as never)), severity: 'unknown', says: /not stated/, mends: null },
  'heat.contrary': { of: { ...harlequins, coolerC: 20 }, severity: 'watch', says: /25 °C.*20 °C.*one of the two never stops/, mends: null },
  'heat.heater-rating': {
    of: { ...harlequins, room: 'cellar', heaterW: 10 },
    severity: 'conflict',
    says: /heater cannot hold.*10 W/,
    mends: 'rating',
  },
  'heat.cooler-rating': {
    of: { ...axolotl, room: 'attic', coolerC: 16, more: ({ equipment }) => (equipment['cooler']!.powerW = 5) },
    severity: 'conflict',
    says: /cooler cannot hold.*5 W/,
    mends: 'rating',
  },
  'heat.stuck-heater': {
    of: { ...thriving('One male fighting'), heaterW: 300, room: 'attic' },
    severity: 'watch',
    says: /sticks leaves less than an hour.*second thermostat/,
    mends: 'controller',
  },
  'heat.power-cut': {
    of: { ...thriving('One male fighting'), room: 'cellar' },
    severity: 'watch',
    says: /power cut leaves.*battery air pump/,
    mends: null,
  },
  'gear.intake': {
    of: { ...thriving('Two hundred cherry'), filter: 'hang-on', more: ({ equipment }) => runs(equipment, { gapMm: 3 }) },
    severity: 'conflict',
    says: /Young of \*Neocaridina.* drawn into the intake.*gaps are 3 mm.*sponge/,
    mends: 'intake-sponge',
  },
  'gear.capacity': {
    of: {
      ...harlequins,
      plants: [],
      feedG: 2.5,
      more: ({ equipment }) =>
        Object.assign(equipment['filter']!, { form: 'internal', media: [{ medium: 'coarse-foam', litres: 0.2 }], runWeeks: 30 }),
    },
    severity: 'watch',
    says: /too few media.*nitrogen a day.*More media/,
    mends: 'more-media',
  },
  'gear.siphon': {
    of: but(({ equipment }) => Object.assign(equipment, { air: airPump({ checkValve: false, below: true }) })),
    severity: 'watch',
    says: /runs back through the air line.*no check valve/,
    mends: 'check-valve',
  },
  'gear.reach': {
    of: but(({ equipment }) => runs(equipment, { lPerH: 600, mostHeadM: 0.8, liftM: 1.2 })),
    severity: 'conflict',
    says: /does not lift so high.*120 cm.*80 cm/,
    mends: null,
  },
  'gear.breathless': {
    of: { ...harlequins, stock: [['trigonostigma-heteromorpha', 250]], plants: [], feedG: 0.5, surface: 'air-stone', filter: 'sponge' },
    severity: 'watch',
    says: /Without current .*heteromorpha.* gasps after.*battery/,
    mends: 'battery-air',
  },
  'gear.dawn': {
    of: {
      ...harlequins,
      heaterC: 28,
      feedG: 0.3,
      surface: 'still',
      filter: 'none',
      lid: 'mesh',
      plants: [['hygrophila-polysperma', 300]],
      stock: [['trigonostigma-heteromorpha', 20]],
    },
    severity: 'watch',
    says: /At dawn oxygen is down to.*plants breathe too.*air stone/,
    mends: 'surface',
  },
  'gear.co2-night': {
    of: but(({ water }) => (water.co2 = { ...co2At(20), onHour: 0, offHour: 0 })),
    severity: 'watch',
    says: /CO₂ is on for 1\d h of the dark.*hour before the lamps/,
    mends: 'co2-by-day',
  },
  'gear.top-up': {
    of: but(({ equipment }) => Object.assign(equipment, { sensor: { ...newDevice('top-up', 0, BARE), reservoirL: 40 } })),
    severity: 'watch',
    says: /floods the floor.*holds 40 L.*room for/,
    mends: 'smaller-reservoir',
  },
  'gear.scours': {
    of: but(
      ({ equipment }) => {
        equipment['filter']!.powerW = 20;
        runs(equipment, { lPerH: 1500, outletMm: 14, outletAtMm: [700, 200, 90], outletTurnDeg: 180, outletRiseDeg: -25 });
      },
      { plants: [], pieces: [] },
    ),
    severity: 'watch',
    says: /blows the bed away.*cm\/s, and its grain begins to move at/,
    mends: 'nozzle-up',
  },
  'gear.scraper': {
    of: but(({ equipment }) => void (equipment['heater']!.placeMm = [400, 45, 100])),
    severity: 'watch',
    says: /scraper does not pass behind.*front pane/,
    mends: 'gear-off-pane',
  },
  'gear.bare-heater': {
    of: { ...axolotl, coolerC: undefined, heaterC: 15 } as KeptTank,
    severity: 'watch',
    says: /mexicanum.* burns on a bare heater.*cage/,
    mends: 'heater-cage',
  },
  'startup.too-soon': {
    of: failing('Galaxies put in on the third day'),
    severity: 'conflict',
    says: /Danio margaritatus.* go in before the filter has grown in.*On day 3; such a tank takes about \d+ days/,
    mends: null,
  },
  'startup.at-once': {
    of: but((design) => begun(design, { days: 70, clean: true }, ['s0', 's1', 's2'])),
    severity: 'watch',
    says: /All go in on one day.*carries the first of them/,
    mends: null,
  },
  'startup.outgrown': {
    of: failing('Yellow labs put all at once'),
    severity: 'conflict',
    says: /fed too little for .*Labidochromis.*grew in on 0\.02 mg\/L of nitrogen a day/,
    mends: null,
  },
  'startup.soil-moss': {
    of: failing('Moss planted on the first day'),
    severity: 'watch',
    says: /ammonia that melts .*Taxiphyllum barbieri/,
    mends: 'plant-later',
  },
  'health.contact': {
    of: failing('Galaxies moved out'),
    severity: 'conflict',
    says: /White spot may have come in with “Galaxies”.*Straight from where it was seen, on 10\.2\.2026.*Danio margaritatus/,
    mends: null,
  },
  'health.arrival': { of: failing('New galaxies'), severity: 'watch', says: /came in without weeks apart/, mends: null },
  'health.treatment-harm': { of: failing('Nerites where'), severity: 'conflict', says: /kills .*Vittina/, mends: 'leave-out' },
  'health.treatment-bound': {
    of: but((design) => {
      design.care.media.carbonG = 50;
      treated(design, 'praziquantel');
    }),
    severity: 'watch',
    says: /taken up before it works.*activated carbon/,
    mends: 'carbon-out',
  },
  'health.treatment-filter': {
    of: but((design) => treated(design, 'methylene-blue'), { plants: [] }),
    severity: 'watch',
    says: /kills the filter.*nitrite/,
    mends: null,
  },
  'health.treatment-clash': {
    of: failing('Galaxies treated'),
    severity: 'conflict',
    says: /Formalin and potassium.*must not meet/,
    mends: 'leave-out',
  },
  'health.treatment-dose': {
    of: but((design) => {
      treated(design, 'praziquantel');
      design.treatments['t1']!.label = null;
    }),
    severity: 'unknown',
    says: /dose not known.*the label’s/,
    mends: null,
  },
  'stocking.handling': {
    of: thriving('Polyps and a pair'),
    severity: 'watch',
    says: /Zoanthus sociatus.* may hold a poison that kills people.*Never boil/,
    mends: null,
  },
  'stocking.slime': {
    of: {
      ...harlequins,
      room: 'cool',
      heaterC: 20,
      stock: [
        ['cynops-orientalis', 3],
        ['tanichthys-albonubes', 10],
      ],
    },
    severity: 'watch',
    says: /Cynops orientalis.* is poison to fish that bite at it.*Tanichthys albonubes/,
    mends: null,
  },
  'stocking.hungry': { of: failing('Embers that'), severity: 'conflict', says: /cannot take what is given/, mends: 'feed-all' },
  'law.barred': {
    of: but((_, room) => void (room.law = 'eu'), { plants: [['myriophyllum-aquaticum', 5]] }),
    severity: 'conflict',
    says: /Myriophyllum aquaticum.* may not be kept in the European Union.*since 2016.*lists change/,
    mends: 'take-plant',
  },
  'window.clash': { of: failing('Discus with rift'), severity: 'conflict', says: /cannot be kept together/, mends: 'remove' },
  'window.strain': {
    of: {
      ...harlequins,
      stock: [
        ['trigonostigma-heteromorpha', 12, 'spawn'],
        ['tanichthys-albonubes', 12],
      ],
    },
    severity: 'watch',
    says: /do not share a comfortable temperature/,
    mends: null,
  },
};
