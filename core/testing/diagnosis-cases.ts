import type { CauseId } from '../diagnosis/causes';
import type { SymptomId } from '../diagnosis/symptoms';
import { Entry, type NewEntry } from '../log/model';
import type { LoggedParameter } from '../reading/parameter';
import { dayAfter, type Day } from '../schedule/day';
import { co2At } from '../water/model';
import { kept, type KeptTank } from './kept-tank';
import { THRIVING } from './tanks-that-thrive';

/** A tank with something the matter: how it is kept, what its log says, what is seen, and what it was. Hand-made, from husbandry. */
export interface DiagnosisCase {
  name: string;
  /** Start of the name of a tank that thrives. */
  of: string;
  /** Kept otherwise. */
  as?: Partial<KeptTank>;
  /** Filled so many days ago; half a year unless said. */
  filledDaysAgo?: number;
  /** Its filter was not shown to be grown in. */
  starting?: boolean;
  /** What is written down, by days ago. */
  log?: readonly (readonly [daysAgo: number, NewEntry])[];
  seen: readonly SymptomId[];
  right: CauseId;
}

export const CASE_DAY: Day = '2026-06-15';

const read = (values: Partial<Record<LoggedParameter, number>>): NewEntry => ({
  kind: 'reading',
  of: '',
  from: 'hand',
  simulated: false,
  kit: 'drops',
  kitId: null,
  values,
});
const changed = (fraction: number): NewEntry => ({ kind: 'change', litres: null, fraction });
const note = (text: string): NewEntry => ({ kind: 'note', note: text });
const came = (organismId: string, count: number): NewEntry => ({ kind: 'animals', became: 'came', organismId, count, cause: null });
const died = (organismId: string, count: number): NewEntry => ({ kind: 'animals', became: 'died', organismId, count, cause: 'unknown' });

export const DIAGNOSIS_CASES: readonly DiagnosisCase[] = [
  // the same gasping, by what the tank is like
  {
    name: 'gasping in a tank of six days',
    of: 'Harlequins',
    filledDaysAgo: 6,
    starting: true,
    log: [[1, read({ ammoniaMgNPerL: 1.6, ph: 7.6 })]],
    seen: ['gasping', 'clamped'],
    right: 'ammonia',
  },
  {
    name: 'gasping in a tank of six days, untested',
    of: 'Harlequins',
    filledDaysAgo: 6,
    starting: true,
    seen: ['gasping', 'fast-gills', 'listless'],
    right: 'ammonia',
  },
  {
    name: 'brown gills in the third week',
    of: 'Zebra danios',
    filledDaysAgo: 20,
    starting: true,
    log: [[0, read({ ammoniaMgNPerL: 0.05, nitriteMgNPerL: 1.2 })]],
    seen: ['fast-gills', 'brown-gills', 'listless'],
    right: 'nitrite',
  },
  {
    name: 'quick breath in the third week, ammonia gone',
    of: 'Guppies',
    filledDaysAgo: 22,
    starting: true,
    log: [[0, read({ ammoniaMgNPerL: 0, nitriteMgNPerL: 0.9 })]],
    seen: ['fast-gills', 'gasping'],
    right: 'nitrite',
  },
  {
    name: 'gasping after the filter was cleaned',
    of: 'Cherry barbs',
    log: [[3, { kind: 'cleaning', what: 'filter', note: 'under the tap' }]],
    seen: ['gasping', 'clamped', 'not-eating'],
    right: 'ammonia',
  },
  {
    name: 'gasping at dawn, crowded and still',
    of: 'Platies',
    as: { surface: 'still', filter: 'none', stock: [['xiphophorus-maculatus', 30]] },
    log: [[1, read({ oxygenMgPerL: 3.1 })]],
    seen: ['gasping-dawn', 'fast-gills'],
    right: 'low-oxygen',
  },
  {
    name: 'all at the surface in a heat wave',
    of: 'White clouds',
    as: { room: 'attic' },
    log: [[0, read({ temperatureC: 32.5 })]],
    seen: ['gasping', 'fast-gills', 'darting'],
    right: 'too-warm',
  },
  {
    name: 'gasping under much CO2',
    of: 'Ember tetras',
    as: { more: (design) => (design.water.co2 = co2At(45)) },
    seen: ['gasping', 'listless'],
    right: 'co2',
  },
  {
    name: 'gasping after a change of chlorinated tap',
    of: 'Guppies',
    as: { more: (design) => (design.water.conditioner = null) },
    log: [[0, changed(0.5)]],
    seen: ['after-change', 'gasping', 'darting'],
    right: 'chlorine',
  },
  {
    name: 'pale and shivering after a change of chlorinated tap',
    of: 'Cardinals',
    as: { water: 'soft', more: (design) => (design.water.conditioner = null) },
    log: [[1, changed(0.4)]],
    seen: ['after-change', 'pale', 'fast-gills', 'many-at-once'],
    right: 'chlorine',
  },
  // water that went
  {
    name: 'shrimp die after the plumber',
    of: 'Two hundred cherry',
    log: [
      [6, note('new pipe under the sink')],
      [2, changed(0.2)],
      [1, read({ copperMgPerL: 0.15 })],
    ],
    seen: ['shrimp-first', 'snails-shut', 'listless'],
    right: 'copper',
  },
  {
    name: 'clamped and pale, KH gone',
    of: 'Platies',
    log: [
      [60, changed(0.2)],
      [1, read({ khDh: 0.2, ph: 5.2 })],
    ],
    seen: ['clamped', 'pale', 'listless'],
    right: 'ph-crash',
  },
  {
    name: 'a crash of pH in mollies',
    of: 'Black mollies',
    log: [
      [50, changed(0.2)],
      [0, read({ khDh: 0.5, ph: 5.8 })],
    ],
    seen: ['clamped', 'cloudy-skin', 'many-at-once'],
    right: 'ph-crash',
  },
  {
    name: 'moults fail after a large change',
    of: 'Bee shrimp',
    log: [
      [9, read({ ghDh: 5, ph: 6 })],
      [2, changed(0.5)],
      [1, read({ ghDh: 12, ph: 7.3 })],
    ],
    seen: ['after-change', 'failed-moult'],
    right: 'change-shock',
  },
  {
    name: 'newcomers die in a tank that is never changed',
    of: 'Platies',
    log: [
      [95, changed(0.2)],
      [6, came('corydoras-paleatus', 4)],
      [1, read({ nitrateMgPerL: 160, khDh: 4 })],
    ],
    seen: ['newcomers', 'listless'],
    right: 'old-water',
  },
  {
    name: 'rams in a cold tank',
    of: 'A pair of rams',
    log: [[0, read({ temperatureC: 20.5 })]],
    seen: ['clamped', 'not-eating', 'listless'],
    right: 'too-cold',
  },
  {
    name: 'a dead heater under discus',
    of: 'Six discus',
    log: [[0, read({ temperatureC: 22 })]],
    seen: ['listless', 'not-eating', 'pale'],
    right: 'too-cold',
  },
  {
    name: 'snails with pitted shells in soft water',
    of: 'Ramshorn',
    as: { water: 'blackwater' },
    log: [[3, read({ ghDh: 1.5, khDh: 0.5, ph: 6.2 })]],
    seen: ['shell-pitted'],
    right: 'few-minerals',
  },
  {
    name: 'moults fail on RO alone',
    of: 'Two hundred cherry',
    as: { water: 'ro' },
    log: [[2, read({ ghDh: 1, khDh: 0.5 })]],
    seen: ['failed-moult', 'one-by-one'],
    right: 'few-minerals',
  },
  {
    name: 'shrimp drop in an hour after a fly spray',
    of: 'Ten cherry',
    log: [[1, note('fly spray in the kitchen')]],
    seen: ['many-at-once', 'shrimp-first', 'twitching'],
    right: 'poison',
  },
  {
    name: 'shrimp twitch after new plants',
    of: 'Bee shrimp',
    log: [
      [2, note('planted three pots from the shop')],
      [1, read({ copperMgPerL: 0, ammoniaMgNPerL: 0 })],
    ],
    seen: ['twitching', 'many-at-once'],
    right: 'poison',
  },
  // what is seen on them
  {
    name: 'white grains after new fish',
    of: 'Neons and pygmy',
    log: [[8, came('paracheirodon-innesi', 6)]],
    seen: ['white-grains', 'scraping'],
    right: 'white-spot',
  },
  {
    name: 'gold dust',
    of: 'A trio of lyretail',
    log: [[12, came('aphyosemion-australe', 2)]],
    seen: ['gold-dust', 'clamped', 'fast-gills'],
    right: 'velvet',
  },
  {
    name: 'white mouths and frayed fins',
    of: 'Guppies',
    log: [[9, came('poecilia-reticulata', 6)]],
    seen: ['cotton', 'ragged-fins', 'one-by-one'],
    right: 'bacterial',
  },
  { name: 'red sores', of: 'Swordtails, one male', seen: ['red-sores', 'listless'], right: 'bacterial' },
  {
    name: 'scraping, one gill shut, no grain to be seen',
    of: 'Six discus',
    log: [[15, came('symphysodon-aequifasciatus', 2)]],
    seen: ['scraping', 'one-gill'],
    right: 'flukes',
  },
  { name: 'red threads at the vent', of: 'Endlers', seen: ['red-threads', 'thin-but-eats'], right: 'gut-worms' },
  {
    name: 'holes in the head of a discus',
    of: 'Six discus',
    log: [[2, read({ nitrateMgPerL: 40 })]],
    seen: ['head-holes', 'white-droppings', 'not-eating'],
    right: 'gut-flagellates',
  },
  { name: 'a fish like a pine cone', of: 'Harlequins', seen: ['scales-out', 'swollen'], right: 'dropsy' },
  {
    name: 'wasting and bent, one after the other',
    of: 'Boesemani',
    log: [
      [25, died('melanotaenia-boesemani', 1)],
      [14, died('melanotaenia-boesemani', 1)],
      [5, died('melanotaenia-boesemani', 1)],
    ],
    seen: ['bent', 'hollow', 'one-by-one'],
    right: 'fish-tb',
  },
  { name: 'milky flesh in shrimp', of: 'A breeding line', seen: ['milky-muscle', 'one-by-one'], right: 'shrimp-muscle' },
  {
    name: 'green fuzz under the tail',
    of: 'Two hundred cherry',
    log: [[20, came('neocaridina-davidi', 10)]],
    seen: ['green-fuzz'],
    right: 'shrimp-fungus',
  },
  { name: 'white tufts on the head', of: 'Amano', seen: ['white-tufts'], right: 'shell-riders' },
  {
    name: 'flat worms, and shrimplets vanish',
    of: 'Two hundred cherry',
    as: { feedG: 0.6 },
    seen: ['flat-worms', 'no-young'],
    right: 'planaria',
  },
  { name: 'small polyps on the pane of a fry tank', of: 'A trio of lyretail', seen: ['tiny-polyps', 'young-vanish'], right: 'hydra' },
  // company
  {
    name: 'two males, one torn',
    of: 'One male fighting',
    as: { stock: [['betta-splendens', 2, 'keep', 0]] },
    seen: ['torn-victims', 'hiding'],
    right: 'fighting',
  },
  {
    name: 'torn veils among tiger barbs',
    of: 'A troop of tiger',
    as: {
      stock: [
        ['puntigrus-tetrazona', 10],
        ['pterophyllum-scalare', 2],
      ],
    },
    seen: ['ragged-fins', 'torn-victims'],
    right: 'fighting',
  },
  {
    name: 'hatchetfish are fewer, and the tank is open',
    of: 'Marbled hatchetfish',
    as: { lid: 'none' },
    seen: ['vanish'],
    right: 'jumped',
  },
  {
    name: 'neons are fewer beside grown angelfish',
    of: 'A pair of angelfish',
    as: {
      stock: [
        ['pterophyllum-scalare', 2],
        ['paracheirodon-innesi', 15],
      ],
    },
    seen: ['vanish', 'hiding'],
    right: 'eaten',
  },
  {
    name: 'hollow bellies where feed is scarce',
    of: 'Black phantoms and panda',
    as: { feedG: 0.03 },
    seen: ['hollow', 'listless'],
    right: 'starving',
  },
  {
    name: 'dead three days after the post',
    of: 'Dwarf pencilfish',
    log: [
      [3, came('nannostomus-marginatus', 8)],
      [1, read({ ammoniaMgNPerL: 0, nitriteMgNPerL: 0, nitrateMgPerL: 10 })],
    ],
    seen: ['newcomers', 'listless'],
    right: 'journey',
  },
  // plants and algae
  {
    name: 'old leaves yellow, nitrate at nothing',
    of: 'Ember tetras',
    log: [[2, read({ nitrateMgPerL: 0 })]],
    seen: ['old-yellow'],
    right: 'nitrogen-lack',
  },
  { name: 'new leaves pale', of: 'Cardinals', log: [[2, read({ nitrateMgPerL: 20 })]], seen: ['new-pale'], right: 'iron-lack' },
  {
    name: 'pinholes in old leaves',
    of: 'Harlequins',
    log: [[2, read({ nitrateMgPerL: 20 })]],
    seen: ['holes', 'old-yellow'],
    right: 'potassium-lack',
  },
  {
    name: 'leaves melt ten days after planting',
    of: 'Harlequins',
    log: [[10, note('planted the crypts')]],
    seen: ['melting'],
    right: 'settling-in',
  },
  { name: 'long bare stems', of: 'Cherry barbs', as: { lampLm: 150 }, seen: ['leggy', 'old-yellow'], right: 'light-lack' },
  {
    name: 'green water on the sill',
    of: 'Medaka',
    as: { more: (design) => (design.vessel!.sun = { value: 'direct', basis: 'measured' }) },
    seen: ['green-water'],
    right: 'green-water',
  },
  { name: 'brown dust in the third week', of: 'Ember tetras', filledDaysAgo: 20, seen: ['brown-dust'], right: 'diatoms' },
  {
    name: 'a slimy skin that peels off',
    of: 'Harlequins',
    log: [[1, read({ nitrateMgPerL: 1 })]],
    seen: ['blue-green-slime'],
    right: 'blue-greens',
  },
  {
    name: 'milky water in the first week',
    of: 'Zebra danios',
    filledDaysAgo: 5,
    starting: true,
    log: [[0, read({ ammoniaMgNPerL: 0.1 })]],
    seen: ['milky'],
    right: 'bloom',
  },
  { name: 'a skin on still water', of: 'Sparkling', as: { surface: 'still' }, seen: ['film'], right: 'surface-film' },
  {
    name: 'bubbles that smell of eggs',
    of: 'Swordtails, one male',
    as: { bed: [['fine-quartz-sand', 95]] },
    seen: ['rotten-eggs'],
    right: 'foul-bed',
  },
];

let count = 0;
/** The tank, its room and its log. */
export function caseTank({ of, as, filledDaysAgo = 180, starting = false, log = [] }: DiagnosisCase) {
  const base = THRIVING.find(({ name }) => name.startsWith(of));
  if (!base) throw new Error(`no tank that thrives is called ${of}`);
  const { design, room } = kept({ ...base, ...as });
  const filled = dayAfter(CASE_DAY, -filledDaysAgo);
  design.care.since = filled;
  if (starting)
    design.startup = {
      begun: filled,
      method: 'food',
      doseMgNPerLPerDay: 0.5,
      inoculum: 'none',
      inoculumL: 0,
      challengedOn: null,
      seen: {},
      tests: {},
    };
  const entries = log.map(([daysAgo, what]) => {
    const at = `${dayAfter(CASE_DAY, -daysAgo)}T12:00:00Z`;
    return Entry.parse({ note: '', ...what, id: `c${++count}`, at, written: at, corrects: null });
  });
  return { design, room, entries };
}
