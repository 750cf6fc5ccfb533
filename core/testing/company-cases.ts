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

/** Thirty-five more of the same, each kept by many for years. */
const KEPT_TOO: typeof KEPT = [
  [
    'cardinals and sterbai',
    [
      ['paracheirodon-axelrodi', 15],
      ['corydoras-sterbai', 6],
    ],
    'Both like it warm',
  ],
  [
    'neons and pygmies',
    [
      ['paracheirodon-innesi', 10],
      ['corydoras-pygmaeus', 10],
    ],
    'A small planted tank',
  ],
  [
    'rummynoses and cardinals',
    [
      ['hemigrammus-bleheri', 12],
      ['paracheirodon-axelrodi', 15],
    ],
    'Two shoals of one river',
  ],
  [
    'black phantoms and bronze corys',
    [
      ['hyphessobrycon-megalopterus', 8],
      ['corydoras-aeneus', 6],
    ],
    'A middle and a bottom',
  ],
  [
    'black neons and pandas',
    [
      ['hyphessobrycon-herbertaxelrodi', 10],
      ['corydoras-panda', 8],
    ],
    'Hardy and gentle',
  ],
  [
    'lemon tetras and three-line corys',
    [
      ['hyphessobrycon-pulchripinnis', 10],
      ['corydoras-trilineatus', 6],
    ],
    'Nobody bothers anybody',
  ],
  [
    'glowlights and kuhlis',
    [
      ['hemigrammus-erythrozonus', 10],
      ['pangio-kuhlii', 6],
    ],
    'Dim water for both',
  ],
  [
    'emperors and sterbai',
    [
      ['nematobrycon-palmeri', 6],
      ['corydoras-sterbai', 6],
    ],
    'Emperors spar among themselves',
  ],
  [
    'dwarf pencils and dwarf corys',
    [
      ['nannostomus-marginatus', 10],
      ['corydoras-habrosus', 8],
    ],
    'Two dwarves',
  ],
  [
    'hatchetfish and cardinals',
    [
      ['carnegiella-strigata', 8],
      ['paracheirodon-axelrodi', 15],
    ],
    'Above and below',
  ],
  [
    'boesemani and a bristlenose',
    [
      ['melanotaenia-boesemani', 8],
      ['ancistrus-cf-cirrhosus', 1],
    ],
    'Open water and the floor',
  ],
  [
    'praecox and cherry barbs',
    [
      ['melanotaenia-praecox', 8],
      ['puntius-titteya', 8],
    ],
    'Lively and peaceful',
  ],
  [
    'guppies and bronze corys',
    [
      ['poecilia-reticulata', 9, 'keep', 6],
      ['corydoras-aeneus', 6],
    ],
    'In every second living room',
  ],
  [
    'variatus and peppered corys',
    [
      ['xiphophorus-variatus', 6, 'keep', 4],
      ['corydoras-paleatus', 6],
    ],
    'Cool and firm',
  ],
  [
    'mollies and nerites',
    [
      ['poecilia-sphenops', 6, 'keep', 4],
      ['vittina-natalensis', 3],
    ],
    'Hard water, and algae for both',
  ],
  [
    'odessas and peppered corys',
    [
      ['pethia-padamya', 10],
      ['corydoras-paleatus', 6],
    ],
    'Unheated',
  ],
  [
    'zebras and peppered corys',
    [
      ['danio-rerio', 10],
      ['corydoras-paleatus', 6],
    ],
    'Unheated',
  ],
  [
    'rosy barbs and zebras',
    [
      ['pethia-conchonius', 8],
      ['danio-rerio', 10],
    ],
    'Both swift and cool',
  ],
  [
    'gold barbs and pearl danios',
    [
      ['barbodes-semifasciolatus', 8],
      ['danio-albolineatus', 8],
    ],
    'Both swift',
  ],
  [
    'denison barbs and scissortails',
    [
      ['sahyadria-denisonii', 6],
      ['rasbora-trilineata', 8],
    ],
    'Room and current for both',
  ],
  [
    'pearl gouramis and harlequins',
    [
      ['trichopodus-leerii', 4, 'keep', 3],
      ['trigonostigma-heteromorpha', 12],
    ],
    'The classic of calm tanks',
  ],
  [
    'dwarf gouramis and pandas',
    [
      ['trichogaster-lalius', 2, 'keep', 1],
      ['corydoras-panda', 6],
    ],
    'Top and bottom',
  ],
  [
    'gudgeons and forktails',
    [
      ['tateurndina-ocellicauda', 4, 'keep', 2],
      ['pseudomugil-furcatus', 8],
    ],
    'From one river',
  ],
  [
    'discus and sterbai',
    [
      ['symphysodon-aequifasciatus', 6],
      ['corydoras-sterbai', 8],
    ],
    'The catfish that bears the warmth',
  ],
  [
    'rams and sterbai',
    [
      ['mikrogeophagus-ramirezi', 2, 'keep', 1],
      ['corydoras-sterbai', 6],
    ],
    'Warm and soft',
  ],
  [
    'bolivian rams and black neons',
    [
      ['mikrogeophagus-altispinosus', 2, 'keep', 1],
      ['hyphessobrycon-herbertaxelrodi', 10],
    ],
    'A mild cichlid',
  ],
  [
    'cherry shrimp and ramshorns',
    [
      ['neocaridina-davidi', 20],
      ['planorbella-duryi', 8],
    ],
    'Both clean up',
  ],
  [
    'bee shrimp and ramshorns',
    [
      ['caridina-logemanni', 20],
      ['planorbarius-corneus', 6],
    ],
    'Every breeder has both',
  ],
  [
    'otos and chili rasboras',
    [
      ['otocinclus-vittatus', 6],
      ['boraras-brigittae', 12],
    ],
    'Both harmless',
  ],
  [
    'hillstream loaches and ember danios',
    [
      ['sewellia-lineolata', 6],
      ['danio-choprae', 10],
    ],
    'Current for both',
  ],
  [
    'least killifish and cherry shrimp',
    [
      ['heterandria-formosa', 10, 'keep', 6],
      ['neocaridina-davidi', 12],
    ],
    'A jar of both goes on for years',
  ],
  [
    'clown killifish and dwarf corys',
    [
      ['epiplatys-annulatus', 8],
      ['corydoras-habrosus', 8],
    ],
    'Surface and floor',
  ],
  [
    'clownfish and a royal gramma',
    [
      ['amphiprion-ocellaris', 2],
      ['gramma-loreto', 1],
    ],
    'Every small reef',
  ],
  [
    'clownfish and turbo snails',
    [
      ['amphiprion-ocellaris', 2],
      ['turbo-fluctuosa', 3],
    ],
    'Nobody eats a turbo',
  ],
  [
    'seahorses and mud snails',
    [
      ['hippocampus-erectus', 2],
      ['nassarius-vibex', 4],
    ],
    'What is left over is cleared up',
  ],
];

/** More that do not go. */
const CLASHES_TOO: typeof CLASHES = [
  [
    'a clawed frog and guppies',
    ['xenopus-laevis', 1],
    ['poecilia-reticulata', 6, 'keep', 4],
    'stocking.predation',
    'conflict',
    'Gone within the week',
  ],
  [
    'an axolotl and cherry shrimp',
    ['ambystoma-mexicanum', 1],
    ['neocaridina-davidi', 20],
    'stocking.predation',
    'conflict',
    'Sucked in one by one',
  ],
  [
    'ribbed newts and white clouds',
    ['pleurodeles-waltl', 2],
    ['tanichthys-albonubes', 10],
    'stocking.predation',
    'conflict',
    'At night, one by one',
  ],
  [
    'a rope fish and neons',
    ['erpetoichthys-calabaricus', 1],
    ['paracheirodon-innesi', 10],
    'stocking.predation',
    'conflict',
    'It hunts sleepers',
  ],
  [
    'a spiny eel and cherry shrimp',
    ['macrognathus-siamensis', 1],
    ['neocaridina-davidi', 20],
    'stocking.predation',
    'conflict',
    'Its favourite food',
  ],
  [
    'a butterflyfish and embers',
    ['pantodon-buchholzi', 1],
    ['hyphessobrycon-amandae', 12],
    'stocking.predation',
    'conflict',
    'What comes to the top goes',
  ],
  [
    'pea puffers and ramshorns',
    ['carinotetraodon-travancoricus', 3],
    ['planorbella-duryi', 10],
    'stocking.predation',
    'watch',
    'They are fed on them',
  ],
  [
    'a crayfish and neons',
    ['procambarus-alleni', 1],
    ['paracheirodon-innesi', 10],
    'stocking.predation',
    'conflict',
    'It catches those that sleep',
  ],
  ['a redclaw and corys', ['cherax-quadricarinatus', 1], ['corydoras-aeneus', 6], 'stocking.predation', 'conflict', 'Bottom fish first'],
  [
    'convicts and keyholes',
    ['amatitlania-nigrofasciata', 2, 'keep', 1],
    ['cleithracara-maronii', 4],
    'stocking.temperament',
    'watch',
    'The shy one is driven into a corner',
  ],
  [
    'brichardi and julies',
    ['neolamprologus-brichardi', 2],
    ['julidochromis-dickfeldi', 2],
    'stocking.temperament',
    'watch',
    'A colony takes the whole floor',
  ],
  [
    'widows and a fighting fish',
    ['gymnocorymbus-ternetzi', 8],
    ['betta-splendens', 1],
    'stocking.fin-nipping',
    'conflict',
    'Shredded within days',
  ],
  [
    'serpaes and angels',
    ['hyphessobrycon-eques', 8],
    ['pterophyllum-scalare', 2],
    'stocking.fin-nipping',
    'conflict',
    'Long fins beside nippers',
  ],
  [
    'tiger barbs and fancy guppies',
    ['puntigrus-tetrazona', 10],
    ['poecilia-reticulata', 6, 'keep', 3],
    'stocking.fin-nipping',
    'conflict',
    'Tails first',
  ],
  [
    'a troop of twenty tiger barbs and angels',
    ['puntigrus-tetrazona', 20],
    ['pterophyllum-scalare', 2],
    'stocking.fin-nipping',
    'watch',
    'In numbers they chase each other, mostly',
  ],
  [
    'a troop of twenty serpaes and a fighting fish',
    ['hyphessobrycon-eques', 20],
    ['betta-splendens', 1],
    'stocking.fin-nipping',
    'watch',
    'In numbers they chase each other, mostly',
  ],
  [
    'orange and black cherries that breed',
    ['neocaridina-davidi-orange', 20, 'spawn'],
    ['neocaridina-davidi-black', 20, 'spawn'],
    'stocking.crossing',
    'conflict',
    'Brown grandchildren',
  ],
  [
    'guppies and endlers that breed',
    ['poecilia-reticulata', 6, 'spawn', 4],
    ['poecilia-wingei', 6, 'spawn', 4],
    'stocking.crossing',
    'conflict',
    'They cross at once',
  ],
  [
    'platies and swordtails that breed',
    ['xiphophorus-maculatus', 6, 'spawn', 4],
    ['xiphophorus-hellerii', 6, 'spawn', 4],
    'stocking.crossing',
    'conflict',
    'They cross',
  ],
  [
    'mollies and sailfins that breed',
    ['poecilia-sphenops', 6, 'spawn', 4],
    ['poecilia-latipinna', 6, 'spawn', 4],
    'stocking.crossing',
    'conflict',
    'Most shop mollies are just that',
  ],
  [
    'bees and tigers that breed',
    ['caridina-logemanni-black', 20, 'spawn'],
    ['caridina-mariae-red', 20, 'spawn'],
    'stocking.crossing',
    'conflict',
    'Tibees',
  ],
  [
    'seahorses and clownfish',
    ['hippocampus-erectus', 2],
    ['amphiprion-ocellaris', 2],
    'stocking.feeding',
    'conflict',
    'They starve beside quick fish',
  ],
  [
    'a pipefish and a gramma',
    ['doryrhamphus-janssi', 2],
    ['gramma-loreto', 1],
    'stocking.feeding',
    'conflict',
    'They starve beside quick fish',
  ],
  [
    'african pipefish and zebras',
    ['enneacampus-ansorgii', 2],
    ['danio-rerio', 10],
    'stocking.feeding',
    'conflict',
    'Nothing is left for them',
  ],
  [
    'fancy and common goldfish',
    ['carassius-auratus-fancy', 2],
    ['carassius-auratus', 2],
    'stocking.feeding',
    'watch',
    'The single-tailed are there first',
  ],
  [
    'button polyps and a sea plume',
    ['zoanthus-sociatus', 3],
    ['antillogorgia-bipinnata', 1],
    'stocking.stings',
    'watch',
    'They grow over and burn it',
  ],
  [
    'fire-bellied newts and white clouds',
    ['cynops-orientalis', 3],
    ['tanichthys-albonubes', 10],
    'stocking.slime',
    'watch',
    'What nips at them dies',
  ],
  [
    'axolotls and guppies',
    ['ambystoma-mexicanum', 1],
    ['poecilia-reticulata', 6, 'keep', 4],
    'window.strain',
    'watch',
    'Cold against warm',
  ],
  [
    'celestial danios and discus',
    ['danio-margaritatus', 12],
    ['symphysodon-aequifasciatus', 5],
    'window.strain',
    'watch',
    'Cool against the warmest',
  ],
  [
    'white clouds and cardinals that breed',
    ['tanichthys-albonubes', 10, 'spawn'],
    ['paracheirodon-axelrodi', 15, 'spawn'],
    'window.strain',
    'watch',
    'Cool against hot',
  ],
  [
    'discus and hillstream loaches',
    ['symphysodon-aequifasciatus', 5],
    ['sewellia-lineolata', 6],
    'window.strain',
    'watch',
    'Warm and still against cool and swift',
  ],
  [
    'an archerfish and guppies',
    ['toxotes-jaculatrix', 1],
    ['poecilia-reticulata', 6, 'keep', 4],
    'stocking.predation',
    'conflict',
    'Guppies are surface prey',
  ],
  [
    'a frontosa and shell dwellers',
    ['cyphotilapia-frontosa', 2],
    ['neolamprologus-multifasciatus', 9],
    'stocking.predation',
    'conflict',
    'It eats small cichlids at night',
  ],
  [
    'clown loaches and bladder snails',
    ['chromobotia-macracanthus', 6],
    ['physella-acuta', 20],
    'stocking.predation',
    'conflict',
    'Crushed to the last',
  ],
  [
    'a pair of kribs and a pair of cockatoos',
    ['pelvicachromis-pulcher', 2, 'keep', 1],
    ['apistogramma-cacatuoides', 2, 'keep', 1],
    'stocking.temperament',
    'watch',
    'Two that hold the floor',
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
  ['one lone discus', ['symphysodon-aequifasciatus', 1], 'conflict', 'It pines'],
  ['six clown loaches', ['chromobotia-macracanthus', 6], 'fits', 'A proper group'],
  ['two clown loaches', ['chromobotia-macracanthus', 2], 'conflict', 'They hide'],
  ['ten chili rasboras', ['boraras-brigittae', 12], 'fits', 'A shoal'],
  ['one lone zebra', ['danio-rerio', 1], 'conflict', 'A shoal fish'],
  ['one axolotl', ['ambystoma-mexicanum', 1], 'fits', 'It misses nobody'],
  ['two seahorses', ['hippocampus-erectus', 2, 'keep', 1], 'fits', 'They live in pairs'],
  ['two dwarf chain loaches', ['ambastaia-sidthimunki', 2], 'conflict', 'They live in troops'],
  ['four hatchetfish', ['carnegiella-strigata', 4], 'watch', 'Short of a group'],
  ['one gramma', ['gramma-loreto', 1], 'fits', 'A loner'],
  ['two glass catfish', ['kryptopterus-vitreolus', 2], 'conflict', 'They stop eating alone'],
];

const basis = 'practice' as const;
export const COMPANY_CASES: readonly StockingCase[] = [
  ...[...KEPT, ...KEPT_TOO].map(([name, stock, source]): StockingCase => ({
    name,
    stock,
    basis,
    source,
    floorMm: [1000, 500],
    expect: NOTHING.flatMap((code) => [[code, [0, 1], 'none'] as const, [code, [1, 0], 'none'] as const]),
  })),
  ...[...CLASHES, ...CLASHES_TOO].map(([name, a, b, code, severity, source]): StockingCase => ({
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
