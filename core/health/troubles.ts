import type { AnimalGroup } from '../catalogue/organism';
import type { ConditionId } from './conditions';
import { TREATMENTS, type TreatmentId } from './treatments';

/** Where something is seen, and what it looks like. */
export const TROUBLE_PLACES = ['water', 'surface', 'glass', 'wood and stone', 'plants', 'bed'] as const;
export type TroublePlace = (typeof TROUBLE_PLACES)[number];
export const TROUBLE_LOOKS = ['white or clear', 'brown', 'green', 'blue-green or red', 'black'] as const;
export type TroubleLook = (typeof TROUBLE_LOOKS)[number];

/** What practitioners do against it, and what that does besides. */
export interface Way {
  does: string;
  besides: string;
  treatment?: TreatmentId;
}

/** Something that turns up in a young tank. Common practice throughout. */
export interface Trouble {
  id: string;
  name: string;
  /** By what it is told. */
  seen: string;
  places: readonly TroublePlace[];
  looks: readonly TroubleLook[];
  moves: boolean;
  /** Salt water only, fresh water only, or both. */
  water: 'fresh' | 'salt' | 'any';
  why: string;
  /** What it does, in words; and the groups that it kills, and those whose young it takes. */
  harm: string;
  kills: readonly AnimalGroup[];
  takesYoung: readonly AnimalGroup[];
  ways: readonly Way[];
  /** The mark it is written down as, where it travels to other tanks. */
  condition?: ConditionId;
}

const NONE: readonly AnimalGroup[] = [];
const SMALL: readonly AnimalGroup[] = ['shrimp', 'fish'];

export const TROUBLES: readonly Trouble[] = [
  {
    id: 'cloud',
    name: 'White cloud',
    seen: 'The water is milky overnight, the same all through; it smells of little. Clears from one day to the next.',
    places: ['water'],
    looks: ['white or clear'],
    moves: false,
    water: 'any',
    why: 'Bacteria that live on what dissolves: food, wood, dying leaves, an empty filter.',
    harm: 'None by itself; it takes oxygen, most at night.',
    kills: NONE,
    takesYoung: NONE,
    ways: [
      { does: 'Wait, an air stone in, feed nothing.', besides: 'Harms nobody.' },
      { does: 'Change a third.', besides: 'It comes back until what feeds it is gone; the filter loses nothing.' },
    ],
  },
  {
    id: 'dust',
    name: 'Dust of the bed',
    seen: 'Grey or brown haze from the first filling, thickest near the bottom; settles on leaves.',
    places: ['water', 'plants'],
    looks: ['white or clear', 'brown'],
    moves: false,
    water: 'any',
    why: 'Fines of soil or sand, stirred up by the filling.',
    harm: 'Clogs leaves and gills if it stays for weeks.',
    kills: NONE,
    takesYoung: NONE,
    ways: [
      { does: 'Fine floss in the filter, changed daily; fill more slowly.', besides: 'The floss takes no bacteria worth keeping with it.' },
      { does: 'Two large changes, filled onto a dish.', besides: 'On fresh soil it takes ammonia out too.' },
    ],
  },
  {
    id: 'green-water',
    name: 'Green water',
    seen: 'The water itself is green, clear in a glass of it held to the light only as weak tea is.',
    places: ['water'],
    looks: ['green'],
    moves: false,
    water: 'any',
    why: 'Floating algae: much light, ammonia in the water, few plants.',
    harm: 'None; fry and filter feeders live on it. At night it takes oxygen.',
    kills: NONE,
    takesYoung: NONE,
    ways: [
      {
        does: 'Lamp off and panes covered for four days, then a large change.',
        besides: 'Plants bear it; what dies takes oxygen: air on.',
      },
      { does: 'Water fleas in a net or loose.', besides: 'They clear it in days; fish eat them.' },
      { does: 'An ultraviolet lamp in the flow.', besides: 'Spares the filter; kills floating young of what broods in the water.' },
    ],
  },
  {
    id: 'film',
    name: 'Film on the surface',
    seen: 'A dull skin on still water, wrinkles when it is pushed, sometimes with a shine of oil.',
    places: ['surface'],
    looks: ['white or clear'],
    moves: false,
    water: 'any',
    why: 'Bacteria on fats and proteins: food, hands, melting leaves; no movement at the surface.',
    harm: 'Keeps oxygen out; fish that breathe air cannot.',
    kills: NONE,
    takesYoung: NONE,
    ways: [
      { does: 'Lay kitchen paper on it and lift it off; then turn the outlet so that the surface moves.', besides: 'Harms nobody.' },
      { does: 'Snails and livebearers graze it.', besides: 'More animals than the filter may yet carry.' },
    ],
  },
  {
    id: 'wood-fur',
    name: 'White fur on wood',
    seen: 'Clear to white jelly or fluff on new wood and cones in the first three weeks.',
    places: ['wood and stone'],
    looks: ['white or clear'],
    moves: false,
    water: 'any',
    why: 'Fungi and bacteria that live on the sugars of fresh wood.',
    harm: 'None. Shrimp and snails eat it.',
    kills: NONE,
    takesYoung: NONE,
    ways: [
      { does: 'Leave it: it is gone when the sugars are.', besides: 'The first food of shrimp.' },
      { does: 'Take the piece out, brush it, boil it.', besides: 'It starts anew, and takes longer.' },
    ],
  },
  {
    id: 'diatoms',
    name: 'Brown dust',
    seen: 'Brown powder on glass, sand and leaves from the second week on; wipes off with a finger.',
    places: ['glass', 'bed', 'plants', 'wood and stone'],
    looks: ['brown'],
    moves: false,
    water: 'any',
    why: 'Diatoms: silica of new sand and tap water, little else growing yet.',
    harm: 'None; food for all that grazes.',
    kills: NONE,
    takesYoung: NONE,
    ways: [
      { does: 'Wipe, siphon, wait: it goes within weeks.', besides: 'Harms nobody.' },
      { does: 'Grazing snails, once ammonia and nitrite stay away.', besides: 'Not before: they die of it.' },
    ],
  },
  {
    id: 'green-dust',
    name: 'Green dust and spots on the glass',
    seen: 'A green bloom on the panes in days, or hard round dots that only a blade takes off.',
    places: ['glass', 'plants'],
    looks: ['green'],
    moves: false,
    water: 'any',
    why: 'Light for longer than plants use it; dots where phosphate is short.',
    harm: 'None.',
    kills: NONE,
    takesYoung: NONE,
    ways: [
      { does: 'Six hours of light, wipe before the change.', besides: 'Leave the back pane to the grazers.' },
      { does: 'Snails that rasp.', besides: 'Some lay hard white eggs everywhere.' },
    ],
  },
  {
    id: 'thread',
    name: 'Threads and hair',
    seen: 'Green threads a hand long, or soft tufts between leaves; they wind around a stick.',
    places: ['plants', 'wood and stone'],
    looks: ['green'],
    moves: false,
    water: 'any',
    why: 'More light and food than the plants take up; came along with plants.',
    harm: 'None; smothers mosses, catches fry.',
    kills: NONE,
    takesYoung: NONE,
    ways: [
      { does: 'Wind it out on a brush, fast stems and floaters in, light down to six hours.', besides: 'Harms nobody.' },
      {
        does: 'Peroxide by syringe on the spot, filter off for an hour.',
        besides: 'Burns mosses and liverworts, and whatever it meets strong.',
        treatment: 'peroxide',
      },
    ],
  },
  {
    id: 'slime',
    name: 'Blue-green slime',
    seen: 'A slippery sheet that peels off whole and smells of earth; blue-green, black or, in salt water, wine-red, with bubbles.',
    places: ['bed', 'plants', 'wood and stone', 'glass'],
    looks: ['blue-green or red', 'black'],
    moves: false,
    water: 'any',
    why: 'Cyanobacteria: dirt under them, still water, nitrate near nought, a bed that rots.',
    harm: 'Smothers what it covers; some kinds are poisonous when much of it dies at once.',
    kills: NONE,
    takesYoung: NONE,
    ways: [
      { does: 'Siphon it off, more flow there, four dark days, a change after.', besides: 'What dies takes oxygen: air on.' },
      {
        does: 'Peroxide in small doses on the spot.',
        besides: 'Too much weakens filter and shrimp.',
        treatment: 'peroxide',
      },
      {
        does: 'Antibiotics clear it in days.',
        besides: 'They hit the filter as well and breed what bears them: a vet’s to give, and no answer to why it grows.',
        treatment: 'antibiotic',
      },
    ],
  },
  {
    id: 'black-tufts',
    name: 'Black tufts',
    seen: 'Short black-grey brushes on leaf edges, wood and outlets; they turn red in spirit.',
    places: ['plants', 'wood and stone'],
    looks: ['black'],
    moves: false,
    water: 'fresh',
    why: 'Red algae: carbon dioxide up and down, strong flow with much dirt, slow leaves.',
    harm: 'None; spoils slow plants.',
    kills: NONE,
    takesYoung: NONE,
    ways: [
      { does: 'Cut the worst leaves, keep carbon dioxide even, vacuum.', besides: 'Harms nobody.' },
      {
        does: 'Glutaraldehyde on the spot.',
        besides: 'Sold as liquid carbon; burns mosses and eelgrass, and lungs.',
        treatment: 'glutaraldehyde',
      },
    ],
  },
  {
    id: 'melt',
    name: 'Leaves that melt',
    seen: 'New plants go glassy or brown and fall apart from the edge, in the first two weeks; the heart stays firm.',
    places: ['plants'],
    looks: ['brown', 'white or clear'],
    moves: false,
    water: 'fresh',
    why: 'Leaves grown in air, other water, or ammonia of fresh soil, which mosses bear least.',
    harm: 'What rots gives ammonia.',
    kills: NONE,
    takesYoung: NONE,
    ways: [
      { does: 'Cut off what is soft, leave roots and heart: new leaves come in three to six weeks.', besides: 'Harms nobody.' },
      { does: 'On fresh soil more changes, two of a half a week.', besides: 'Slows the filter a little, and spares the plants.' },
    ],
  },
  {
    id: 'rot',
    name: 'Smell of rotten eggs, bubbles from the bed',
    seen: 'Black patches in the bed against the glass, bubbles that smell when it is poked.',
    places: ['bed'],
    looks: ['black'],
    moves: false,
    water: 'any',
    why: 'A deep fine bed or buried leaves without oxygen: hydrogen sulphide.',
    harm: 'Poison to all when much of it is stirred up at once.',
    kills: ['fish', 'shrimp', 'snail', 'crayfish', 'crab'],
    takesYoung: NONE,
    ways: [
      {
        does: 'Do not stir it with animals in. A stick here and there on other days, air on.',
        besides: 'Little gas at a time harms nobody.',
      },
      { does: 'Plants with roots, or burrowing snails.', besides: 'They breed to what they are fed.' },
    ],
  },
  {
    id: 'snails',
    name: 'Small snails',
    seen: 'Pointed or coiled, a few millimetres, with clear jelly clutches on leaves and glass.',
    places: ['glass', 'plants', 'bed'],
    looks: ['brown', 'white or clear'],
    moves: true,
    water: 'fresh',
    why: 'Came as eggs on plants. Many of them mean much food.',
    harm: 'None; they clear up. Beside loaches and puffers they are food.',
    kills: NONE,
    takesYoung: NONE,
    ways: [
      { does: 'Feed less; a slice of cucumber overnight, lifted out in the morning.', besides: 'Harms nobody.' },
      {
        does: 'Fenbendazole.',
        besides: 'Kills snails of every kind and stays in the bed for months.',
        treatment: 'fenbendazole',
      },
      {
        does: 'Copper.',
        besides: 'Kills shrimp and snails, and the tank is barred to them for good.',
        treatment: 'copper',
      },
    ],
  },
  {
    id: 'worms',
    name: 'Hair-thin worms',
    seen: 'White or red threads in the bed or winding through the water; in the sand they sway with their tails up.',
    places: ['bed', 'glass', 'water'],
    looks: ['white or clear', 'blue-green or red'],
    moves: true,
    water: 'any',
    why: 'Detritus worms: always there, seen when there is much to eat or little oxygen below.',
    harm: 'None; food for most fish.',
    kills: NONE,
    takesYoung: NONE,
    ways: [
      { does: 'Feed less, vacuum the bed.', besides: 'Harms nobody.' },
      { does: 'Small fish eat them.', besides: 'And young shrimp.' },
    ],
  },
  {
    id: 'swimmers',
    name: 'Specks that hop or roll',
    seen: 'White dots under a millimetre: some hop along the glass, some row like tiny mussels.',
    places: ['glass', 'water', 'bed'],
    looks: ['white or clear', 'brown'],
    moves: true,
    water: 'any',
    why: 'Copepods and seed shrimp: a sign that the tank lives.',
    harm: 'None; first food of fry.',
    kills: NONE,
    takesYoung: NONE,
    ways: [{ does: 'Leave them.', besides: 'Fish keep them few.' }],
  },
  {
    id: 'midges',
    name: 'Larvae of midges and gnats',
    seen: 'Red or clear larvae in tubes of dirt, or hanging under the surface; small flies on the lid.',
    places: ['surface', 'bed', 'glass'],
    looks: ['blue-green or red', 'white or clear'],
    moves: true,
    water: 'fresh',
    why: 'Flies lay into open tanks without fish.',
    harm: 'None; some tubes catch the smallest young.',
    kills: NONE,
    takesYoung: NONE,
    ways: [{ does: 'Lid or mesh on; siphon them out.', besides: 'Fish take them as the best of food.' }],
  },
  {
    id: 'planaria',
    name: 'Planaria',
    seen: 'Flat, a head like an arrow, glides over the glass without a wriggle; white, brown or pink.',
    places: ['glass', 'plants', 'bed'],
    looks: ['white or clear', 'brown'],
    moves: true,
    water: 'fresh',
    why: 'Came on plants; many where meat is fed.',
    harm: 'Take eggs, moulting shrimp and young; slime poisons small snails.',
    kills: NONE,
    takesYoung: ['shrimp', 'snail', 'fish'],
    condition: 'planaria',
    ways: [
      { does: 'A glass trap with a bit of meat, overnight, every night for weeks.', besides: 'Harms nobody; takes long.' },
      {
        does: 'Fenbendazole, twice, with a large change after each.',
        besides: 'Shrimp bear it; snails die, and it stays in the bed for months. Dead worms foul the water.',
        treatment: 'fenbendazole',
      },
      {
        does: 'Levamisole.',
        besides: 'Spares shrimp; snails bear it badly.',
        treatment: 'levamisole',
      },
    ],
  },
  {
    id: 'hydra',
    name: 'Hydra',
    seen: 'A thin stalk with four to ten arms on glass and leaves, draws into a knob when touched; white or green.',
    places: ['glass', 'plants'],
    looks: ['white or clear', 'green'],
    moves: true,
    water: 'fresh',
    why: 'Came on plants; lives on brine shrimp and other small food.',
    harm: 'Stings and eats fry and the youngest shrimp; grown ones are safe.',
    kills: NONE,
    takesYoung: SMALL,
    condition: 'hydra',
    ways: [
      { does: 'Stop small live food; wipe and siphon; crush none.', besides: 'Each piece grows anew.' },
      {
        does: 'Fenbendazole, once.',
        besides: 'Shrimp bear it; snails die of it.',
        treatment: 'fenbendazole',
      },
      { does: 'Pond snails and some gouramis eat them.', besides: 'The fish eat young shrimp too.' },
    ],
  },
  {
    id: 'dragonfly',
    name: 'Dragonfly and damselfly larvae',
    seen: 'Six legs, large eyes, three feathers or a blunt point at the tail; sits still on a stem, vanishes when you look.',
    places: ['plants', 'bed'],
    looks: ['brown', 'green'],
    moves: true,
    water: 'fresh',
    why: 'Eggs came in plant stems.',
    harm: 'Takes a shrimp a night, fry, and at last small fish.',
    kills: ['shrimp'],
    takesYoung: ['fish', 'shrimp'],
    condition: 'dragonfly-larvae',
    ways: [
      { does: 'By lamp at night, with a net; then count every week.', besides: 'There is rarely one alone.' },
      { does: 'Nothing that kills it spares shrimp.', besides: 'A tank overrun is emptied.' },
    ],
  },
  {
    id: 'leeches',
    name: 'Leeches',
    seen: 'Flat or round, a sucker at each end, walks like a measuring worm; feels tough.',
    places: ['glass', 'plants', 'bed'],
    looks: ['brown', 'black', 'green'],
    moves: true,
    water: 'fresh',
    why: 'Came with pond plants, snails or live food.',
    harm: 'Most eat snails and worms; some sit on fish, shrimp and newts.',
    kills: ['snail'],
    takesYoung: ['shrimp', 'fish'],
    ways: [
      { does: 'A trap with raw meat overnight; pick cocoons off the leaves.', besides: 'Harms nobody.' },
      {
        does: 'Levamisole.',
        besides: 'Spares shrimp; more than one round.',
        treatment: 'levamisole',
      },
    ],
  },
  {
    id: 'glass-anemones',
    name: 'Glass anemones',
    seen: 'Brown clear arms around a mouth on a stalk in a crack of the rock; gone into it at a touch.',
    places: ['wood and stone', 'bed'],
    looks: ['brown', 'white or clear'],
    moves: true,
    water: 'salt',
    why: 'Came on live rock or macroalgae; each torn piece is a new one.',
    harm: 'Stings what it reaches: corals, seahorses, fry.',
    kills: NONE,
    takesYoung: ['fish', 'shrimp'],
    condition: 'glass-anemones',
    ways: [
      { does: 'Paste of lime (kalkwasser) on the mouth by syringe, flow off.', besides: 'Raises pH if much is used; gloves and eyes.' },
      { does: 'Shrimps and sea slugs that eat them.', besides: 'Slugs starve when it is done; shrimps take corals’ food.' },
    ],
  },
  {
    id: 'bristle-worms',
    name: 'Bristle worms',
    seen: 'Pink to brown, many-legged, with white bristles; under rocks by day, long at night.',
    places: ['wood and stone', 'bed'],
    looks: ['brown', 'blue-green or red'],
    moves: true,
    water: 'salt',
    why: 'Came on live rock.',
    harm: 'Most only clear up. Their bristles sting a hand; a few large kinds hunt.',
    kills: NONE,
    takesYoung: NONE,
    ways: [{ does: 'Leave the small ones; a trap for the large. Tweezers, never a bare hand.', besides: 'They open up the sand.' }],
  },
  {
    id: 'red-flatworms',
    name: 'Rust-red flatworms',
    seen: 'Rust-red ovals of a few millimetres with a notched end, in drifts on rock and algae in the light.',
    places: ['wood and stone', 'plants', 'glass'],
    looks: ['blue-green or red', 'brown'],
    moves: true,
    water: 'salt',
    why: 'Came on rock or algae; still, bright corners.',
    harm: 'Shade what they cover; they hold a poison that they let go when many die at once.',
    kills: NONE,
    takesYoung: NONE,
    ways: [
      { does: 'Siphon them every day, more flow.', besides: 'Harms nobody.' },
      {
        does: 'Levamisole, after siphoning most; carbon and a change ready.',
        besides: 'Their poison kills fish and shrimp where many die in the tank.',
        treatment: 'levamisole',
      },
    ],
  },
];

export interface TroubleSought {
  place: TroublePlace | null;
  look: TroubleLook | null;
  moves: boolean | null;
  /** Whether the tank is salt water; null while nobody knows. */
  salt: boolean | null;
}

/** What it may be by what is seen. */
export const troublesSeen = ({ place, look, moves, salt }: TroubleSought): Trouble[] =>
  TROUBLES.filter(
    (one) =>
      (place === null || one.places.includes(place)) &&
      (look === null || one.looks.includes(look)) &&
      (moves === null || one.moves === moves) &&
      (salt === null || one.water === 'any' || (one.water === 'salt') === salt),
  );

/** Whom a treatment kills or harms among those that live or are to live there. */
export function treatmentHits(id: TreatmentId, groups: ReadonlySet<AnimalGroup>): { kills: AnimalGroup[]; harms: AnimalGroup[] } {
  const { kills, harms } = TREATMENTS[id];
  return { kills: kills.filter((group) => groups.has(group)), harms: harms.filter((group) => groups.has(group) && !kills.includes(group)) };
}
