import type { Severity } from '../calculation/finding';
import type { StockingCase } from './stocking-cases';

type Kind = StockingCase['stock'][number];

/** Companies that are kept everywhere and quarrel with nobody: nothing of mouths, fins, tempers or water may be said of any two. */
const KEPT: readonly (readonly [name: string, stock: readonly Kind[], why: string])[] = [
  [
    'pandas under harlequins',
    [
      ['corydoras-panda', 8],
      ['trigonostigma-heteromorpha', 12],
    ],
    'The usual beginner’s tank of soft water',
  ],
  [
    'otos among cherry shrimp',
    [
      ['otocinclus-vittatus', 8],
      ['neocaridina-davidi', 20],
    ],
    'The one fish that shrimp breeders trust',
  ],
  [
    'embers over dwarf catfish',
    [
      ['hyphessobrycon-amandae', 12],
      ['corydoras-habrosus', 8],
    ],
    'Both small and gentle',
  ],
  [
    'bristlenoses with guppies',
    [
      ['ancistrus-cf-cirrhosus', 1],
      ['poecilia-reticulata', 8, 'keep', 6],
    ],
    'Kept together by everyone',
  ],
  [
    'kuhlis under harlequins',
    [
      ['pangio-kuhlii', 8],
      ['trigonostigma-espei', 12],
    ],
    'They come out at dusk and harm nobody',
  ],
  [
    'celestial danios and nerites',
    [
      ['danio-margaritatus', 12],
      ['vittina-natalensis', 3],
    ],
    'Snails too large and hard for them',
  ],
  [
    'amano shrimp under cardinals',
    [
      ['caridina-multidentata', 6],
      ['paracheirodon-axelrodi', 15],
    ],
    'The classic of planted tanks',
  ],
  [
    'white shrimp of the lakes and their snails',
    [
      ['caridina-dennerli', 20],
      ['tylomelania-towutica', 3],
    ],
    'From the same stones',
  ],
  [
    'twig catfish over embers',
    [
      ['farlowella-vittata', 2],
      ['hyphessobrycon-amandae', 14],
    ],
    'A grazer that frightens nobody',
  ],
  [
    'honey gouramis with rasboras',
    [
      ['trichogaster-chuna', 3, 'keep', 2],
      ['trigonostigma-espei', 12],
    ],
    'Gentle for a gourami',
  ],
  [
    'dwarf rainbows and catfish',
    [
      ['melanotaenia-praecox', 8],
      ['corydoras-sterbai', 8],
    ],
    'Above and below',
  ],
  [
    'threadfins and tail-spot catfish',
    [
      ['iriatherina-werneri', 8],
      ['corydoras-hastatus', 10],
    ],
    'Long fins beside a fish without a bite',
  ],
  [
    'angels and catfish',
    [
      ['pterophyllum-scalare', 2, 'keep', 1],
      ['corydoras-sterbai', 8],
    ],
    'The classic large tank',
  ],
  [
    'fan shrimp in a current of danios',
    [
      ['atyopsis-moluccensis', 2],
      ['danio-albolineatus', 10],
    ],
    'A filter feeder out of anyone’s way',
  ],
  [
    'clownfish and a cleaner',
    [
      ['amphiprion-ocellaris', 2],
      ['lysmata-amboinensis', 2],
    ],
    'Every small reef',
  ],
  [
    'a shrimp goby and its pistol shrimp',
    [
      ['stonogobiops-yasha', 1],
      ['alpheus-randalli', 1],
    ],
    'One burrow, one guard',
  ],
  [
    'sparkling gouramis and dwarf catfish',
    [
      ['trichopsis-pumila', 6],
      ['corydoras-pygmaeus', 10],
    ],
    'A quiet nano tank',
  ],
  [
    'chili rasboras and cherry shrimp',
    [
      ['boraras-brigittae', 15],
      ['neocaridina-davidi', 20],
    ],
    'Mouths too small for any but the newborn',
  ],
  [
    'white clouds and cherry shrimp',
    [
      ['tanichthys-albonubes', 10],
      ['neocaridina-davidi', 20],
    ],
    'Unheated, both for years',
  ],
  [
    'dwarf cichlids under pencils',
    [
      ['apistogramma-borellii', 2, 'keep', 1],
      ['nannostomus-marginatus', 10],
    ],
    'Dither fish over a mild cichlid',
  ],
  [
    'green neons and whiptails',
    [
      ['paracheirodon-simulans', 14],
      ['rineloricaria-sp-red', 2],
    ],
    'Soft and warm, both',
  ],
  [
    'cherry barbs and kuhlis',
    [
      ['puntius-titteya', 10, 'keep', 6],
      ['pangio-kuhlii', 8],
    ],
    'A barb that does not nip',
  ],
  [
    'rice fish and horned nerites',
    [
      ['oryzias-latipes', 10],
      ['clithon-corona', 4],
    ],
    'A tub on the terrace',
  ],
  [
    'blue-eyes and cherry shrimp',
    [
      ['pseudomugil-gertrudae', 10],
      ['neocaridina-davidi', 20],
    ],
    'Bred in one tank by many',
  ],
  [
    'medaka’s cousin and trumpet snails',
    [
      ['oryzias-woworae', 10],
      ['melanoides-tuberculata', 20],
    ],
    'Snails in every sand',
  ],
];

const NOTHING = [
  'stocking.predation',
  'stocking.fin-nipping',
  'stocking.temperament',
  'stocking.crossing',
  'stocking.stings',
  'stocking.feeding',
  'window.clash',
] as const;

/** Companies that do not go, and what is said of the two. */
const CLASHES: readonly (readonly [name: string, a: Kind, b: Kind, code: string, severity: Severity, why: string])[] = [
  [
    'angels eat cherry shrimp',
    ['pterophyllum-scalare', 2],
    ['neocaridina-davidi', 20],
    'stocking.predation',
    'conflict',
    'One after the other',
  ],
  [
    'a frontosa takes neons',
    ['cyphotilapia-frontosa', 2],
    ['paracheirodon-innesi', 12],
    'stocking.predation',
    'conflict',
    'At night, what fits goes down',
  ],
  [
    'a bichir takes neons',
    ['polypterus-senegalus', 1],
    ['paracheirodon-innesi', 12],
    'stocking.predation',
    'conflict',
    'At night, one after the other',
  ],
  [
    'a clawed frog takes white clouds',
    ['xenopus-laevis', 1],
    ['tanichthys-albonubes', 10],
    'stocking.predation',
    'conflict',
    'Anything that fits',
  ],
  [
    'goldfish take cherry shrimp',
    ['carassius-auratus', 2],
    ['neocaridina-davidi', 20],
    'stocking.predation',
    'conflict',
    'Slow, but they get them all',
  ],
  [
    'a zebra cichlid takes cherry shrimp',
    ['maylandia-estherae', 4],
    ['neocaridina-davidi', 20],
    'stocking.predation',
    'conflict',
    'Gone in a day',
  ],
  [
    'assassin snails and ramshorns',
    ['anentome-helena', 5],
    ['planorbella-duryi', 20],
    'stocking.predation',
    'conflict',
    'What they are bought for',
  ],
  [
    'yoyo loaches and ramshorns',
    ['botia-almorhae', 5],
    ['planorbella-duryi', 20],
    'stocking.predation',
    'watch',
    'Drawn from their shells until few are left',
  ],
  [
    'pea puffers and bladder snails',
    ['carinotetraodon-travancoricus', 3],
    ['physella-acuta', 30],
    'stocking.predation',
    'watch',
    'Fed with them',
  ],
  [
    'an archer takes livebearers',
    ['toxotes-jaculatrix', 3],
    ['heterandria-formosa', 10],
    'stocking.predation',
    'conflict',
    'Swallowed whole',
  ],
  ['a great newt takes danios', ['triturus-cristatus', 2], ['danio-margaritatus', 10], 'stocking.predation', 'conflict', 'Asleep at night'],
  [
    'tiger barbs and angels',
    ['puntigrus-tetrazona', 10],
    ['pterophyllum-scalare', 2],
    'stocking.fin-nipping',
    'conflict',
    'The fins hang in shreds within days',
  ],
  ['tiger barbs and a fighting fish', ['puntigrus-tetrazona', 10], ['betta-splendens', 1], 'stocking.fin-nipping', 'conflict', 'The same'],
  [
    'swordtails and platies, bred',
    ['xiphophorus-hellerii', 6, 'spawn', 4],
    ['xiphophorus-maculatus', 6, 'spawn', 4],
    'stocking.crossing',
    'conflict',
    'Half of what is sold is such a cross',
  ],
  [
    'swordtails and platies, kept',
    ['xiphophorus-hellerii', 6, 'keep', 4],
    ['xiphophorus-maculatus', 6, 'keep', 4],
    'stocking.crossing',
    'watch',
    'They breed all the same',
  ],
  [
    'two fighting fish of one group, bred',
    ['betta-splendens', 2, 'spawn', 1],
    ['betta-imbellis', 2, 'spawn', 1],
    'stocking.crossing',
    'conflict',
    'Hybrids are common',
  ],
  [
    'goldfish and discus',
    ['carassius-auratus', 2],
    ['symphysodon-aequifasciatus', 5],
    'window.clash',
    'conflict',
    'Cold against the warmest',
  ],
  ['white clouds and rams', ['tanichthys-albonubes', 10], ['mikrogeophagus-ramirezi', 2], 'window.clash', 'conflict', 'Cool against hot'],
  [
    'bee shrimp and shrimp of hot lakes',
    ['caridina-logemanni', 20],
    ['caridina-dennerli', 20],
    'window.strain',
    'watch',
    'Soft and cool against hard and hot',
  ],
  [
    'licorice gouramis and sailfin mollies',
    ['parosphromenus-harveyi', 2],
    ['poecilia-latipinna', 6],
    'window.clash',
    'conflict',
    'Peat swamp against a salt marsh',
  ],
  [
    'clownfish and neons',
    ['amphiprion-ocellaris', 2],
    ['paracheirodon-innesi', 10],
    'window.clash',
    'conflict',
    'The sea and a forest stream',
  ],
];

/** One kind alone: as few as do not settle, and as many as do. */
const GROUPS: readonly (readonly [name: string, kind: Kind, severity: Severity, why: string])[] = [
  ['one lone oto', ['otocinclus-vittatus', 1], 'conflict', 'It hides and starves'],
  ['two pandas', ['corydoras-panda', 2], 'conflict', 'They live in groups'],
  ['eight pandas', ['corydoras-panda', 8], 'fits', 'They live in groups'],
  ['one lone kuhli', ['pangio-kuhlii', 1], 'conflict', 'It is never seen again'],
  ['five harlequins', ['trigonostigma-heteromorpha', 5], 'watch', 'Short of a shoal'],
  ['a pair of rams', ['mikrogeophagus-ramirezi', 2, 'keep', 1], 'fits', 'They live in pairs'],
  ['a pair of clownfish', ['amphiprion-ocellaris', 2], 'fits', 'They live in pairs'],
  ['one fighting fish', ['betta-splendens', 1], 'fits', 'A loner'],
  ['one bristlenose', ['ancistrus-cf-cirrhosus', 1], 'fits', 'A loner'],
  ['three cherry shrimp', ['neocaridina-davidi', 3], 'fits', 'They only begin slowly'],
  ['two glass catfish', ['kryptopterus-vitreolus', 2], 'conflict', 'They stop eating alone'],
];

const basis = 'practice' as const;
export const COMPANY_CASES: readonly StockingCase[] = [
  ...KEPT.map(([name, stock, source]): StockingCase => ({
    name,
    stock,
    basis,
    source,
    floorMm: [1000, 500],
    expect: NOTHING.flatMap((code) => [[code, [0, 1], 'none'] as const, [code, [1, 0], 'none'] as const]),
  })),
  ...CLASHES.map(([name, a, b, code, severity, source]): StockingCase => ({
    name,
    stock: [a, b],
    basis,
    source,
    floorMm: [1200, 500],
    expect: [[code, [0, 1], severity]],
  })),
  ...GROUPS.map(([name, kind, severity, source]): StockingCase => ({
    name,
    stock: [kind],
    basis,
    source,
    floorMm: [1000, 500],
    expect: [['stocking.group-size', [0], severity]],
  })),
];
