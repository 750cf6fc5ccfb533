import { newPlanting } from '../plants/model';
import type { FailingTank, KeptTank } from './kept-tank';
import { sizes, thicket } from './tank-parts';
import { co2At } from '../water/model';

/** Tanks where plants and light are the matter: those that thrive, and those that fail by them. */
export const PLANTED_THRIVING: readonly KeptTank[] = [
  // lit as is usual, and shaded
  {
    name: 'Stem plants under ten hours of light, with shy tetras',
    sizeMm: sizes.eighty,
    water: 'soft',
    heaterC: 25,
    filter: 'canister',
    lampW: 30,
    plants: thicket,
    stock: [['hyphessobrycon-amandae', 14]],
    more: (design) => void (design.care.lampHours = 10),
  },
  {
    name: 'Polyps and a pair of clownfish under nine hours of light',
    sizeMm: sizes.eighty,
    room: 'fishroom',
    lid: 'none',
    water: 'sea',
    heaterC: 25,
    filter: 'hang-on',
    pumpW: 6,
    lampW: 60,
    feedG: 0.1,
    bed: [['aragonite-sand', 20]],
    pieces: [['stone-pile', 2, 'live-rock']],
    stock: [
      ['amphiprion-ocellaris', 2],
      ['zoanthus-sociatus', 3],
    ],
    more: (design) => void (design.care.lampHours = 9),
  },
  {
    name: 'Bee shrimp under mesh in a warm flat, a fan through the summer',
    sizeMm: sizes.twenty,
    room: 'home',
    lid: 'mesh',
    water: 'bee',
    filter: 'sponge',
    bed: [['acid-soil', 50]],
    plants: [['taxiphyllum-barbieri', 6]],
    stock: [['caridina-logemanni', 40]],
    more: (design, room) => {
      room.climateC = room.climateC!.map(([low, high]) => [low, high + 1.5]);
      design.equipment['fan'] = { order: 9, kind: 'fan', setPointC: 22, powerW: 3, sizeMm: null, placeMm: null };
    },
  },
  {
    name: 'Guppies under a closed cover of frogbit, fed in a ring',
    sizeMm: sizes.twenty,
    water: 'hard',
    heaterC: 24,
    filter: 'sponge',
    stock: [
      ['poecilia-reticulata', 9, 'keep', 6],
      ['vittina-natalensis', 2],
    ],
    plants: [],
    more: ({ scene, care }) => {
      Object.assign(scene, { over: { ...newPlanting('limnobium-laevigatum', 900, [300, 150, 0]), count: 60 } });
      care.feedingRing = { diameterMm: 100, atMm: [420, 90] };
    },
  },
  // planted by light that is stated
  {
    name: 'Shade plants on wood under a plain bar, cardinals below, 112 L',
    sizeMm: sizes.eighty,
    water: 'soft',
    heaterC: 26,
    filter: 'hang-on',
    lampLm: 1500,
    pieces: [['root-tangle', 2, 'bog-wood']],
    stock: [['paracheirodon-axelrodi', 20]],
    more: ({ scene }) =>
      Object.assign(scene, {
        over: { ...newPlanting('salvinia-auriculata', 900, [300, 100, 0]), count: 3 },
        fern: { ...newPlanting('microsorum-pteropus', 901, [620, 260, 0]), count: 3, spreadMm: 60 },
        spears: { ...newPlanting('anubias-barteri-nana', 902, [420, 90, 0]), hold: 'loose', count: 4, spreadMm: 50 },
        crypts: { ...newPlanting('cryptocoryne-wendtii', 903, [180, 200, 0]), count: 12, spreadMm: 90 },
      }),
  },
  {
    name: 'Stems and a lawn under carbon dioxide and 45 lumens a litre, ember tetras, 54 L',
    sizeMm: sizes.twenty,
    water: 'soft',
    heaterC: 24,
    filter: 'hang-on',
    lampLm: 2600,
    bed: [['acid-soil', 60]],
    stock: [['hyphessobrycon-amandae', 15]],
    more: (design) => {
      design.water.co2 = co2At(20);
      Object.assign(design.scene, {
        back: { ...newPlanting('rotala-rotundifolia', 900, [120, 230, 0]), count: 20, spreadMm: 90 },
        mid: { ...newPlanting('ludwigia-repens', 901, [450, 230, 0]), count: 15, spreadMm: 80 },
        lawn: { ...newPlanting('eleocharis-pusilla', 902, [300, 110, 0]), count: 20, spreadMm: 90 },
      });
    },
  },
  {
    name: 'Guppies under frogbit over two thirds of the water, hornwort below',
    sizeMm: sizes.twenty,
    water: 'hard',
    heaterC: 25,
    filter: 'sponge',
    lampLm: 1400,
    stock: [['poecilia-reticulata', 12, 'keep', 8]],
    more: ({ scene }) =>
      Object.assign(scene, {
        over: { ...newPlanting('limnobium-laevigatum', 900, [300, 150, 0]), count: 12 },
        wort: { ...newPlanting('ceratophyllum-demersum', 901, [150, 200, 0]), count: 8, spreadMm: 60 },
        moss: { ...newPlanting('taxiphyllum-barbieri', 902, [420, 150, 0]), hold: 'loose', count: 8, spreadMm: 80 },
      }),
  },
  {
    name: 'A sword and crypts in sand with capsules, cardinals, 180 L',
    sizeMm: sizes.metre,
    water: 'soft',
    heaterC: 26,
    filter: 'canister',
    lampLm: 4500,
    leavesG: 20,
    bed: [['quartz-sand', 60]],
    stock: [['paracheirodon-axelrodi', 20]],
    more: (design) => {
      design.care.fertiliser = { capsules: 6, 'all-round': 3 };
      Object.assign(design.scene, {
        sword: newPlanting('echinodorus-grisebachii', 900, [300, 250, 0]),
        crypts: { ...newPlanting('cryptocoryne-wendtii', 901, [650, 250, 0]), count: 12, spreadMm: 120 },
        more: { ...newPlanting('cryptocoryne-wendtii', 902, [820, 150, 0]), count: 8, spreadMm: 90 },
        over: { ...newPlanting('limnobium-laevigatum', 903, [500, 200, 0]), count: 6 },
      });
    },
  },
  {
    name: 'Eelgrass that lies along the surface, white clouds, 54 L',
    sizeMm: sizes.twenty,
    water: 'firm',
    filter: 'hang-on',
    lampLm: 1500,
    bed: [['quartz-sand', 50]],
    stock: [['tanichthys-albonubes', 10]],
    more: ({ scene }) =>
      Object.assign(scene, {
        grass: { ...newPlanting('vallisneria-spiralis', 900, [300, 240, 0]), count: 20, spreadMm: 200 },
        moss: { ...newPlanting('taxiphyllum-barbieri', 901, [200, 120, 0]), hold: 'loose', count: 8, spreadMm: 80 },
      }),
  },
];

/** As they are usually kept. */
const neons: KeptTank = {
  name: 'Neons',
  sizeMm: sizes.twenty,
  water: 'soft',
  heaterC: 24,
  filter: 'hang-on',
  plants: thicket,
  stock: [
    ['paracheirodon-innesi', 10],
    ['corydoras-pygmaeus', 8],
  ],
};

export const PLANTED_FAILING: readonly FailingTank[] = [
  {
    ...neons,
    name: 'A lawn of dwarf baby tears under 8 lumens a litre',
    lampLm: 430,
    plants: [['hemianthus-callitrichoides', 6]],
    first: ['plants.light'],
  },
  {
    ...neons,
    name: 'A red stem in the shade of a thicket and floating leaves',
    lampLm: 3000,
    plants: [],
    more: ({ scene }) =>
      Object.assign(scene, {
        red: newPlanting('rotala-macrandra', 900, [300, 100, 0]),
        over: { ...newPlanting('pistia-stratiotes', 901, [300, 150, 0]), count: 10 },
        tall: { ...newPlanting('hygrophila-polysperma', 902, [310, 110, 0]), count: 20, spreadMm: 60 },
      }),
    first: ['plants.light'],
  },
  {
    ...neons,
    name: 'Cardinals in the open under a bright bar, nothing over them',
    sizeMm: [800, 350, 400],
    heaterC: 26,
    lampLm: 6000,
    plants: [['vallisneria-spiralis', 3]],
    stock: [['paracheirodon-axelrodi', 20]],
    first: ['plants.bright', 'plants.algae'],
  },
  {
    ...neons,
    name: 'Strong light over three little plants on sand',
    lampLm: 6000,
    plants: [['staurogyne-repens', 3]],
    first: ['plants.algae'],
  },
  {
    sizeMm: sizes.twenty,
    water: 'hard',
    heaterC: 24,
    filter: 'sponge',
    stock: [
      ['poecilia-reticulata', 9, 'keep', 6],
      ['vittina-natalensis', 2],
    ],
    name: 'Guppies under a closed cover of frogbit',
    plants: [],
    more: ({ scene }) => Object.assign(scene, { over: { ...newPlanting('limnobium-laevigatum', 900, [300, 150, 0]), count: 60 } }),
    first: ['plants.closed'],
  },
  {
    ...neons,
    name: 'A large sword in a cube of 30 cm',
    sizeMm: sizes.nano,
    water: 'firm',
    plants: [],
    stock: [['neocaridina-davidi', 15]],
    more: ({ scene }) => Object.assign(scene, { sword: newPlanting('echinodorus-grisebachii', 900, [150, 150, 0]) }),
    first: ['plants.outgrows'],
  },
  {
    ...neons,
    name: 'Swords in washed sand, nothing under them',
    sizeMm: sizes.metre,
    heaterC: 26,
    bed: [['quartz-sand', 60]],
    plants: [],
    stock: [['paracheirodon-axelrodi', 20]],
    more: ({ scene }) =>
      Object.assign(scene, {
        swords: { ...newPlanting('echinodorus-grisebachii', 900, [400, 250, 0]), count: 2, spreadMm: 120 },
      }),
    first: ['plants.hungry'],
  },
  {
    ...neons,
    name: 'Driven by light and gas, and given no potassium and no traces',
    water: 'soft',
    lampLm: 3600,
    plants: [],
    more: (design) => {
      design.water.co2 = co2At(20);
      design.care.fertiliser = { nitrogen: 0.001, phosphorus: 1 };
      Object.assign(design.scene, {
        back: { ...newPlanting('rotala-rotundifolia', 900, [120, 230, 0]), count: 20, spreadMm: 90 },
        mid: { ...newPlanting('ludwigia-repens', 901, [450, 230, 0]), count: 15, spreadMm: 80 },
        lawn: { ...newPlanting('eleocharis-pusilla', 902, [300, 110, 0]), count: 20, spreadMm: 90 },
      });
    },
    first: ['plants.hungry'],
  },
];
