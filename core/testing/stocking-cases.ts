import type { Severity } from '../calculation/finding';
import type { Phase } from '../catalogue/parameter';

/** One company in one tank and what a practitioner would say of it. */
export interface StockingCase {
  name: string;
  /** [organism, count, phase, females] each; the phase is keep unless said, females unstated unless said. */
  stock: readonly (readonly [organismId: string, count: number, phase?: Phase, female?: number])[];
  /** Inside floor, mm; 600 x 400 unless said. */
  floorMm?: readonly [number, number];
  /** [where, short side, long side, mesh over it] in mm. */
  openings?: readonly (readonly ['lid' | 'weir' | 'intake', number, number, number?])[];
  heaterC?: number;
  /** [code, places in `stock` it is about, severity]; 'none' where nothing is said against it. */
  expect: readonly (readonly [code: string, subjects: readonly number[], severity: Severity | 'none'])[];
  basis: 'practice' | 'published';
  /** Named for what is published; the reason in a few words for what is practice. */
  source: string;
}

const practice = (
  name: string,
  stock: StockingCase['stock'],
  expect: StockingCase['expect'],
  source: string,
  rest: Partial<StockingCase> = {},
): StockingCase => ({ name, stock, expect, basis: 'practice', source, ...rest });

const GAPE =
  'Prey no deeper than the mouth is wide is swallowed: Hambright 1991, Trans. Am. Fish. Soc. 120:500; Nilsson & Brönmark 2000, Oikos 88:539';
const gape = (name: string, stock: StockingCase['stock'], expect: StockingCase['expect']): StockingCase => ({
  name,
  stock,
  expect,
  basis: 'published',
  source: GAPE,
});

/** Written down before the rules were, from what breeders do. The sizes are those of the catalogue. */
export const STOCKING_CASES: readonly StockingCase[] = [
  // mouths against bodies
  gape(
    'a grown axolotl takes a small danio',
    [
      ['ambystoma-mexicanum', 1],
      ['danio-margaritatus', 8],
    ],
    [['stocking.predation', [0, 1], 'conflict']],
  ),
  gape(
    'a grown axolotl takes dwarf shrimp',
    [
      ['ambystoma-mexicanum', 1],
      ['neocaridina-davidi', 20],
    ],
    [['stocking.predation', [0, 1], 'conflict']],
  ),
  gape(
    'a grown axolotl takes ramshorn snails that fit its mouth',
    [
      ['ambystoma-mexicanum', 1],
      ['planorbella-duryi', 5],
    ],
    [['stocking.predation', [0, 1], 'conflict']],
  ),
  gape(
    'a tiger barb is about as deep as an axolotl gapes: a small one goes',
    [
      ['ambystoma-mexicanum', 1],
      ['puntigrus-tetrazona', 10],
    ],
    [['stocking.predation', [0, 1], 'watch']],
  ),
  gape('two axolotls of one size do not swallow each other', [['ambystoma-mexicanum', 2]], [['stocking.predation', [0, 0], 'none']]),
  gape(
    'a ram cannot swallow a grown cherry shrimp',
    [
      ['mikrogeophagus-ramirezi', 2],
      ['neocaridina-davidi', 20],
    ],
    [['stocking.predation', [0, 1], 'none']],
  ),
  gape(
    'a ram swallows a volcano shrimp whole',
    [
      ['mikrogeophagus-ramirezi', 2],
      ['halocaridina-rubra', 20],
    ],
    [['stocking.predation', [0, 1], 'conflict']],
  ),
  gape(
    'a shell dweller swallows a volcano shrimp whole',
    [
      ['neolamprologus-multifasciatus', 6],
      ['halocaridina-rubra', 20],
    ],
    [['stocking.predation', [0, 1], 'conflict']],
  ),
  gape(
    'a cardinalfish takes grown dwarf shrimp',
    [
      ['pterapogon-kauderni', 2],
      ['neocaridina-davidi', 20],
    ],
    [['stocking.predation', [0, 1], 'conflict']],
  ),
  gape(
    'a tiger barb’s mouth is as wide as a cherry shrimp is deep',
    [
      ['puntigrus-tetrazona', 10],
      ['neocaridina-davidi', 20],
    ],
    [['stocking.predation', [0, 1], 'watch']],
  ),
  gape(
    'a tetra is too deep for a tiger barb',
    [
      ['puntigrus-tetrazona', 10],
      ['paracheirodon-axelrodi', 10],
    ],
    [['stocking.predation', [0, 1], 'none']],
  ),
  practice(
    'small rasboras leave grown shrimp alone',
    [
      ['boraras-maculatus', 10],
      ['neocaridina-davidi', 20],
    ],
    [['stocking.predation', [0, 1], 'none']],
    'They pick at micro-life; shrimp colonies live beside them',
  ),
  practice(
    'shrimp hunt nobody',
    [
      ['neocaridina-davidi', 20],
      ['danio-margaritatus', 8],
    ],
    [
      ['stocking.predation', [0, 1], 'none'],
      ['stocking.predation-young', [0, 1], 'none'],
    ],
    'Grazers',
  ),

  // mouths against young
  practice(
    'danios eat the young of a shrimp colony that is to grow',
    [
      ['neocaridina-davidi', 20, 'spawn'],
      ['danio-margaritatus', 8],
    ],
    [['stocking.predation-young', [1, 0], 'watch']],
    'All newborn shrimp are food to nearly any fish',
  ),
  practice(
    'a colony of shrimp that is only kept hardly grows beside small danios',
    [
      ['neocaridina-davidi', 20],
      ['danio-margaritatus', 8],
    ],
    [['stocking.predation-young', [1, 0], 'watch']],
    'A way to hold a colony in check, and a disappointment to whom wants more of them',
  ),
  practice(
    'larvae and other fish do not go together',
    [
      ['parosphromenus-harveyi', 2, 'larvae', 1],
      ['boraras-maculatus', 10],
    ],
    [['stocking.predation-young', [1, 0], 'conflict']],
    'Fry are raised by themselves',
  ),
  practice(
    'a pair that is to spawn is left to itself',
    [
      ['parosphromenus-harveyi', 2, 'spawn', 1],
      ['boraras-maculatus', 10],
    ],
    [['stocking.predation-young', [1, 0], 'watch']],
    'Company eats eggs and fry',
  ),
  practice(
    'snails beside a breeding shrimp colony',
    [
      ['caridina-logemanni', 20, 'spawn'],
      ['planorbella-duryi', 5],
    ],
    [['stocking.predation-young', [1, 0], 'none']],
    'They do not hunt',
  ),
  practice(
    'an axolotl eats any fry',
    [
      ['poecilia-reticulata', 6, 'spawn', 4],
      ['ambystoma-mexicanum', 1],
    ],
    [
      ['stocking.predation-young', [1, 0], 'watch'],
      ['stocking.predation', [1, 0], 'conflict'],
    ],
    'Suction feeder',
  ),

  // fins
  practice(
    'tiger barbs and a long-finned fighter',
    [
      ['puntigrus-tetrazona', 10],
      ['betta-splendens', 1, 'keep', 0],
    ],
    [['stocking.fin-nipping', [0, 1], 'conflict']],
    'The classic mistake',
  ),
  practice(
    'tiger barbs and guppies',
    [
      ['puntigrus-tetrazona', 10],
      ['poecilia-reticulata', 6, 'keep', 4],
    ],
    [['stocking.fin-nipping', [0, 1], 'conflict']],
    'Tails are shredded',
  ),
  practice(
    'tiger barbs and tetras of ordinary fins',
    [
      ['puntigrus-tetrazona', 10],
      ['paracheirodon-axelrodi', 10],
    ],
    [['stocking.fin-nipping', [0, 1], 'none']],
    'A large group of barbs keeps to itself',
  ),
  practice(
    'too few tiger barbs nip each other and the rest',
    [['puntigrus-tetrazona', 4]],
    [['stocking.group-size', [0], 'conflict']],
    'Eight and better fifteen',
  ),
  practice(
    'peaceful fish do not nip',
    [
      ['paracheirodon-axelrodi', 10],
      ['poecilia-reticulata', 6, 'keep', 4],
    ],
    [['stocking.fin-nipping', [0, 1], 'none']],
    'Common company',
  ),

  // temper
  practice(
    'tiger barbs worry a shy gourami',
    [
      ['puntigrus-tetrazona', 10],
      ['parosphromenus-harveyi', 2, 'keep', 1],
    ],
    [['stocking.temperament', [0, 1], 'watch']],
    'The shy one starves in its hide',
  ),
  practice(
    'rams and shell dwellers want the same floor, and it is too small',
    [
      ['mikrogeophagus-ramirezi', 2, 'keep', 1],
      ['neolamprologus-multifasciatus', 6, 'keep', 3],
    ],
    [['stocking.temperament', [0, 1], 'conflict']],
    'Bottom fish hold territories',
    { floorMm: [600, 400] },
  ),
  practice(
    'on a large floor two bottom holders may find their place',
    [
      ['mikrogeophagus-ramirezi', 2, 'keep', 1],
      ['neolamprologus-multifasciatus', 6, 'keep', 3],
    ],
    [['stocking.temperament', [0, 1], 'watch']],
    'Several sites out of sight of each other',
    { floorMm: [1200, 500] },
  ),
  practice(
    'a ram drives a shy gourami off the bottom',
    [
      ['mikrogeophagus-ramirezi', 2, 'keep', 1],
      ['parosphromenus-harveyi', 2, 'keep', 1],
    ],
    [['stocking.temperament', [0, 1], 'watch']],
    'Same stratum, one yields',
  ),
  practice(
    'a fighter takes a guppy’s tail for a rival’s',
    [
      ['betta-splendens', 1, 'keep', 0],
      ['poecilia-reticulata', 6, 'keep', 4],
    ],
    [['stocking.temperament', [0, 1], 'watch']],
    'Long fins at the surface set it off',
  ),
  practice(
    'rams and tetras share a tank',
    [
      ['mikrogeophagus-ramirezi', 2, 'keep', 1],
      ['paracheirodon-axelrodi', 10],
    ],
    [['stocking.temperament', [0, 1], 'none']],
    'Common company of warm soft water',
  ),
  practice(
    'an axolotl among fish too large to eat is bitten and bites',
    [
      ['ambystoma-mexicanum', 1],
      ['pterapogon-kauderni', 2],
    ],
    [['stocking.temperament', [0, 1], 'watch']],
    'Gills are nipped',
  ),

  // groups and sexes
  practice('two fighter males', [['betta-splendens', 2, 'keep', 0]], [['stocking.sex-ratio', [0], 'conflict']], 'They fight to the death'),
  practice(
    'two fighters of unknown sex',
    [['betta-splendens', 2]],
    [['stocking.sex-ratio', [0], 'unknown']],
    'Ask before putting them together',
  ),
  practice(
    'one fighter',
    [['betta-splendens', 1, 'keep', 0]],
    [
      ['stocking.sex-ratio', [0], 'fits'],
      ['stocking.group-size', [0], 'fits'],
    ],
    'A loner',
  ),
  practice(
    'guppies, more males than females',
    [['poecilia-reticulata', 9, 'keep', 3]],
    [['stocking.sex-ratio', [0], 'watch']],
    'Two or more females to a male',
  ),
  practice(
    'guppies, two females to a male',
    [['poecilia-reticulata', 9, 'keep', 6]],
    [['stocking.sex-ratio', [0], 'fits']],
    'Two or more females to a male',
  ),
  practice(
    'a breeding group without a male',
    [['danio-margaritatus', 8, 'spawn', 8]],
    [['stocking.sex-ratio', [0], 'conflict']],
    'Nothing to breed with',
  ),
  practice(
    'a breeding group of unknown sexes',
    [['danio-margaritatus', 8, 'spawn']],
    [['stocking.sex-ratio', [0], 'unknown']],
    'Unstated is not fine',
  ),
  practice('snails need no pair', [['planorbella-duryi', 1, 'spawn']], [['stocking.sex-ratio', [0], 'fits']], 'Hermaphrodites'),
  practice('a lone tetra', [['paracheirodon-axelrodi', 1]], [['stocking.group-size', [0], 'conflict']], 'Schooling fish, six and more'),
  practice(
    'six of a fish that schools in ten',
    [['paracheirodon-axelrodi', 6]],
    [['stocking.group-size', [0], 'watch']],
    'Short groups hide',
  ),

  // crossing
  practice(
    'two colour lines of one shrimp, bred',
    [
      ['neocaridina-davidi', 20, 'spawn'],
      ['neocaridina-davidi-blue', 20, 'spawn'],
    ],
    [['stocking.crossing', [0, 1], 'conflict']],
    'Lines revert within generations',
  ),
  practice(
    'two colour lines of one shrimp, kept for show',
    [
      ['neocaridina-davidi', 20],
      ['neocaridina-davidi-blue', 20],
    ],
    [['stocking.crossing', [0, 1], 'watch']],
    'They breed all the same',
  ),
  practice(
    'bee and tiger shrimp',
    [
      ['caridina-logemanni', 20, 'spawn'],
      ['caridina-mariae', 20, 'spawn'],
    ],
    [['stocking.crossing', [0, 1], 'conflict']],
    'Such crosses are bred on purpose, and lines are lost by them',
  ),
  practice(
    'guppies and Endler’s livebearers',
    [
      ['poecilia-reticulata', 6, 'keep', 4],
      ['poecilia-wingei', 6, 'spawn', 4],
    ],
    [['stocking.crossing', [0, 1], 'conflict']],
    'They cross at once',
  ),
  practice(
    'two small danios of one group',
    [
      ['danio-margaritatus', 8, 'spawn', 5],
      ['danio-erythromicron', 8, 'spawn', 5],
    ],
    [['stocking.crossing', [0, 1], 'conflict']],
    'Hybrids are seen',
  ),
  practice(
    'cherry and bee shrimp do not cross',
    [
      ['neocaridina-davidi', 20, 'spawn'],
      ['caridina-logemanni', 20, 'spawn'],
    ],
    [['stocking.crossing', [0, 1], 'none']],
    'Different genera; the water parts them anyhow',
  ),

  // ways out
  practice(
    'a jumper and a cable gap',
    [['danio-margaritatus', 8]],
    [['stocking.escape', [0], 'conflict']],
    'Every opening, however small',
    { openings: [['lid', 20, 60]] },
  ),
  practice(
    'a jumper and a gap with fine mesh',
    [['danio-margaritatus', 8]],
    [['stocking.escape', [0], 'fits']],
    'Mesh finer than the body',
    { openings: [['lid', 20, 60, 3]] },
  ),
  practice(
    'a fish that does not jump and the same gap',
    [['mikrogeophagus-ramirezi', 2, 'keep', 1]],
    [['stocking.escape', [0], 'fits']],
    'It stays down',
    { openings: [['lid', 20, 60]] },
  ),
  practice('shrimp climb along the hose', [['neocaridina-davidi', 20]], [['stocking.escape', [0], 'watch']], 'Found dry behind the tank', {
    openings: [['lid', 10, 10]],
  }),
  practice(
    'small rasboras and coarse intake slots',
    [['boraras-maculatus', 10]],
    [['stocking.escape', [0], 'conflict']],
    'Fit a sponge or mesh on the intake',
    { openings: [['intake', 5, 30]] },
  ),
  practice(
    'shrimp young and fine intake slots',
    [['neocaridina-davidi', 20, 'spawn']],
    [['stocking.escape', [0], 'watch']],
    'Grown ones stay out, the young go in',
    { openings: [['intake', 3, 20]] },
  ),
  practice(
    'shrimp young and a fine sponge',
    [['neocaridina-davidi', 20, 'spawn']],
    [['stocking.escape', [0], 'fits']],
    'A fine sponge stops them',
    { openings: [['intake', 3, 20, 0.5]] },
  ),
  practice(
    'a small catfish and the slots of a weir',
    [['corydoras-pygmaeus', 8]],
    [['stocking.escape', [0], 'conflict']],
    'They are found in the sump',
    { openings: [['weir', 8, 60]] },
  ),
  practice('an axolotl and the slots of a weir', [['ambystoma-mexicanum', 1]], [['stocking.escape', [0], 'fits']], 'Far too large', {
    openings: [['weir', 8, 60]],
  }),

  // room
  practice(
    'three schools in the same middle water',
    [
      ['paracheirodon-axelrodi', 10],
      ['danio-margaritatus', 8],
      ['danio-erythromicron', 8],
    ],
    [['stocking.strata', [0, 1, 2], 'watch']],
    'One school to a stratum shows better and is calmer',
  ),
  practice(
    'one school above, one below',
    [
      ['boraras-maculatus', 10],
      ['corydoras-pygmaeus', 8],
    ],
    [['stocking.strata', [0, 1], 'none']],
    'Strata are shared out',
  ),
  practice(
    'fifteen tiger barbs in a small box',
    [['puntigrus-tetrazona', 15]],
    [['vessel.footprint', [0], 'conflict']],
    'Active swimmers',
    { floorMm: [400, 250] },
  ),

  // heat and season
  practice(
    'axolotl and ram',
    [
      ['ambystoma-mexicanum', 1],
      ['mikrogeophagus-ramirezi', 2],
    ],
    [['window.clash', [0, 1], 'conflict']],
    'Cold water against the warmest',
  ),
  practice('a ram in an unheated barn', [['mikrogeophagus-ramirezi', 2]], [['heat.too-cold', [0], 'conflict']], 'It needs 27 °C and more'),
  practice('a ram at 28 °C', [['mikrogeophagus-ramirezi', 2]], [['heat.too-cold', [0], 'fits']], 'It needs 27 °C and more', {
    heaterC: 28,
  }),
  practice(
    'cherry shrimp unheated in the same barn',
    [['neocaridina-davidi', 20]],
    [['heat.too-cold', [0], 'fits']],
    'They winter without a heater; only breeding stops',
  ),
];

/** Companies and the order in which they go in. Common practice: clean-up and hardy first, gaps between, territorial last. */
export const ORDER_CASES: readonly { stock: readonly string[]; order: readonly string[] }[] = [
  {
    stock: ['mikrogeophagus-ramirezi', 'paracheirodon-axelrodi', 'planorbella-duryi'],
    order: ['planorbella-duryi', 'paracheirodon-axelrodi', 'mikrogeophagus-ramirezi'],
  },
  { stock: ['betta-splendens', 'corydoras-pygmaeus'], order: ['corydoras-pygmaeus', 'betta-splendens'] },
  { stock: ['parosphromenus-harveyi', 'neocaridina-davidi'], order: ['neocaridina-davidi', 'parosphromenus-harveyi'] },
  {
    stock: ['caridina-logemanni', 'planorbella-duryi', 'neocaridina-davidi'],
    order: ['planorbella-duryi', 'neocaridina-davidi', 'caridina-logemanni'],
  },
  { stock: ['puntigrus-tetrazona', 'danio-margaritatus'], order: ['danio-margaritatus', 'puntigrus-tetrazona'] },
];
