import type { CauseId, Speaks } from '../../diagnosis/causes';
import type { TankFacts } from '../../diagnosis/facts';
import type { SymptomGroup, SymptomId } from '../../diagnosis/symptoms';
import { formatQuantity, rounded, type UnitChoice } from '../../quantity/format';
import { plural } from '../../quantity/plural';

export const SYMPTOM_GROUP_WORD: Readonly<Record<SymptomGroup, string>> = {
  breath: 'Breath',
  skin: 'Skin and fins',
  bearing: 'How they bear themselves',
  shrimp: 'Shrimp, crayfish and snails',
  deaths: 'Deaths',
  plants: 'Plants',
  algae: 'Algae',
  water: 'Water, glass and bed',
};

export const SYMPTOM_WORD: Readonly<Record<SymptomId, string>> = {
  gasping: 'Gasping at the surface',
  'gasping-dawn': 'Gasping early, better by noon',
  'fast-gills': 'Quick breath',
  'brown-gills': 'Gills brown',
  'one-gill': 'One gill held shut',
  'white-grains': 'White grains, like salt',
  'gold-dust': 'Dull golden dust in side light',
  cotton: 'White wool, a white mouth or saddle',
  'ragged-fins': 'Fins frayed',
  'torn-victims': 'One of them torn and chased',
  'red-sores': 'Red sores or streaks',
  'scales-out': 'Scales stand out like a cone',
  swollen: 'Belly swollen',
  'cloudy-skin': 'Skin or eyes cloudy',
  'head-holes': 'Holes about the head',
  pale: 'Pale, or darker than usual',
  clamped: 'Fins clamped',
  scraping: 'Scraping along things',
  darting: 'Darting about, jumping',
  listless: 'Listless, on the bottom',
  hiding: 'Hiding more than before',
  'not-eating': 'Do not eat',
  hollow: 'Hollow belly',
  'thin-but-eats': 'Thin, though it eats',
  'white-droppings': 'White stringy droppings',
  'red-threads': 'Red threads at the vent',
  bent: 'Bent back',
  'failed-moult': 'Stuck in the moult, a white ring',
  'milky-muscle': 'Milky flesh',
  twitching: 'Twitching, swimming on the back',
  'green-fuzz': 'Green fuzz under the tail',
  'white-tufts': 'White tufts on the head',
  'no-young': 'Eggs or young, and none grow up',
  'shell-pitted': 'Shells pitted or white',
  'snails-shut': 'Snails stay shut',
  'one-by-one': 'One by one, over weeks',
  'many-at-once': 'Many at once',
  'after-change': 'Since a change of water',
  newcomers: 'Only those that came last',
  'shrimp-first': 'Shrimp and snails before fish',
  vanish: 'They vanish, and no body is found',
  'young-vanish': 'Young vanish',
  'old-yellow': 'Old leaves yellow',
  'new-pale': 'New leaves pale, veins green',
  holes: 'Pinholes in old leaves',
  melting: 'Leaves melt',
  leggy: 'Long bare stems',
  'eaten-leaves': 'Bites out of leaves',
  'green-water': 'Water green',
  'brown-dust': 'Brown dust that wipes off',
  'hair-algae': 'Green threads',
  'black-tufts': 'Black tufts',
  'blue-green-slime': 'A slimy blue-green skin',
  milky: 'Water milky',
  film: 'A skin on the water',
  'rotten-eggs': 'Smell of rotten eggs',
  'flat-worms': 'Flat worms with a triangle for a head',
  'tiny-polyps': 'Small polyps with arms',
};

export interface CauseWords {
  name: string;
  /** What tells it from the others. */
  apart: string;
  /** What helps at once and harms nothing. */
  aid: string;
  /** Where a vet or another trade is needed; empty for not. */
  vet: string;
}
const VET =
  'What it is, a smear under the microscope tells: a vet for fish. No medicine by guess, and none without its label and the litres.';

export const CAUSE_WORDS: Readonly<Record<CauseId, CauseWords>> = {
  ammonia: {
    name: 'Ammonia',
    apart: 'Test ammonia and pH now: what counts is the free part, which grows with pH and warmth.',
    aid: 'No feed, more air, a change of a third with treated water of the same warmth; again tomorrow by the test.',
    vet: '',
  },
  nitrite: {
    name: 'Nitrite',
    apart: 'Test nitrite now. Gills are brown, not red.',
    aid: 'No feed, more air, a change of a third; cooking salt without iodine, a tenth of a gram a litre, where no soft-water animal lives.',
    vet: '',
  },
  'low-oxygen': {
    name: 'Too little oxygen',
    apart: 'An air stone in: they are better within the hour. Look again at dawn, when it is least.',
    aid: 'Air stone in, surface broken, lamps as usual, no feed today.',
    vet: '',
  },
  co2: {
    name: 'Too much CO₂',
    apart: 'Shut it off and move the surface: better within the hour. pH and KH together tell how much there is.',
    aid: 'CO₂ off, surface broken. It is set anew by pH and KH before it goes on again.',
    vet: '',
  },
  chlorine: {
    name: 'Chlorine or chloramine from the tap',
    apart: 'A strip for chlorine in the tap and in the tank. It began within hours of a change.',
    aid: 'A conditioner that binds chlorine, for the whole tank, at once; more air.',
    vet: '',
  },
  copper: {
    name: 'Copper',
    apart: 'Test copper in the tank and in the first litre of the tap of the morning.',
    aid: 'A change with water that has run for minutes, or RO; carbon in; a conditioner that binds metals.',
    vet: '',
  },
  'ph-crash': {
    name: 'The alkalinity is used up, and pH fell',
    apart: 'Test KH and pH now, in the tank and in what is poured.',
    aid: 'Small changes, a tenth twice a day, so that pH rises by a few tenths a day: ammonia that lies there bound turns free with it.',
    vet: '',
  },
  'change-shock': {
    name: 'A step in the water at a change',
    apart: 'Test GH, KH, pH and warmth of what was poured against the tank as it was before.',
    aid: 'Leave it as it is now: no second step back. Less and slower next time.',
    vet: '',
  },
  'old-water': {
    name: 'Old water: what lives here is used to it, newcomers are not',
    apart: 'Test nitrate, KH and pH against fresh water.',
    aid: 'A tenth every other day for weeks, never a half at once: the old ones have lived into it.',
    vet: '',
  },
  'too-warm': {
    name: 'Too warm',
    apart: 'A second thermometer. Is the heater hot to the touch with its lamp out?',
    aid: 'Heater out at the plug, lamp off, lid open, air on, a fan over the water. Down by two degrees a day, no ice.',
    vet: '',
  },
  'too-cold': {
    name: 'Too cold',
    apart: 'A second thermometer; is the heater plugged in, under water, and warm?',
    aid: 'Up by a degree an hour at most, little feed until it is warm.',
    vet: '',
  },
  'few-minerals': {
    name: 'Too few minerals for shells and moults',
    apart: 'Test GH and KH. Old shells pit first at their tip.',
    aid: 'GH up by one degree a day at most, with the next changes; a piece of cuttlebone lies well for snails.',
    vet: '',
  },
  poison: {
    name: 'Something poisonous: a spray, or what new plants brought',
    apart: 'No kit reads it. What was sprayed, painted, washed or bought in the last days?',
    aid: 'A change of a half with safe water, carbon in, plants that are new out; windows open.',
    vet: '',
  },
  'white-spot': {
    name: 'White spot',
    apart: 'Grains like salt, raised, on fins too; more of them from day to day.',
    aid: 'More air. Nets and hands of this tank for this tank alone.',
    vet: VET,
  },
  velvet: {
    name: 'Velvet',
    apart: 'A torch from the side in the dark: a dull golden dust, finer than grains.',
    aid: 'Lamps off and the tank dark, more air.',
    vet: VET,
  },
  bacterial: {
    name: 'A bacterial disease',
    apart: 'Wool that grows flat from mouth or saddle within a day speaks for bacteria; round tufts on a wound for fungus.',
    aid: 'Clean water by a change, more air, those that show it apart.',
    vet: `${VET} What works against bacteria is for a vet to give.`,
  },
  flukes: {
    name: 'Flukes of gill or skin',
    apart: 'No grain to be seen, and still they scrape; one gill shut. A microscope shows them.',
    aid: 'More air; nothing new in or out.',
    vet: VET,
  },
  'gut-worms': {
    name: 'Worms of the gut',
    apart: 'Red threads at the vent of a fish that rests.',
    aid: 'Those that show it apart; the bed siphoned.',
    vet: VET,
  },
  'gut-flagellates': {
    name: 'Flagellates of the gut',
    apart: 'White droppings over days, holes about the head; a fresh dropping under the microscope.',
    aid: 'Clean water, varied food, those that show it apart.',
    vet: VET,
  },
  dropsy: {
    name: 'Organs that fail, with water in the body',
    apart: 'Scales stand out: it is a sign and no disease of its own. A female full of eggs keeps her scales flat.',
    aid: 'Apart, in clean warm water. Most do not come back.',
    vet: 'A vet says what can be done, and ends it without pain where nothing can.',
  },
  'fish-tb': {
    name: 'Fish tuberculosis, by the look of it',
    apart: 'Months of wasting, one after the other; a laboratory tells.',
    aid: 'Nothing leaves this tank, no hand goes in without a glove: it can infect a cut.',
    vet: 'A vet, and the doctor where a cut on the hand does not heal.',
  },
  'shrimp-muscle': {
    name: 'Milky muscle',
    apart: 'Milky for days and spreading from the tail. Just before a moult or after a fright it passes within a day.',
    aid: 'Those that show it out, apart; they are not eaten by others when they die.',
    vet: 'There is no cure that is known; a laboratory tells which it is.',
  },
  'shrimp-fungus': {
    name: 'Green growth under the tail',
    apart: 'Yellow-green fuzz between the swimming legs; eggs are round and even.',
    aid: 'Those that show it apart.',
    vet: VET,
  },
  'shell-riders': {
    name: 'Riders on the shell',
    apart: 'White tufts on the head that move a little; they go with the moult and come again.',
    aid: 'Moults out, less feed.',
    vet: VET,
  },
  planaria: {
    name: 'Planaria',
    apart: 'White and flat, the head a triangle, gliding on the pane at night; harmless worms are round threads.',
    aid: 'Less feed; a trap with a bit of meat overnight.',
    vet: '',
  },
  hydra: {
    name: 'Hydra',
    apart: 'A small stem with arms that draws itself in when touched.',
    aid: 'Less fine feed; young ones out to a tank without.',
    vet: '',
  },
  fighting: {
    name: 'Fighting',
    apart: 'Sit before it for ten minutes, a little way off: who chases whom, and when?',
    aid: 'The worst of them, or the victim, apart at once; more cover that breaks the view.',
    vet: '',
  },
  jumped: {
    name: 'They jumped out',
    apart: 'Behind and under the tank, in the filter and the overflow; count again at feeding.',
    aid: 'A lid or a net over every gap.',
    vet: '',
  },
  eaten: {
    name: 'They are eaten',
    apart: 'Who here has a mouth that they fit into? Look with a torch at night.',
    aid: 'Small ones, or the large, into a tank of their own.',
    vet: '',
  },
  starving: {
    name: 'They starve beside the others',
    apart: 'See each of them eat, at the hour at which it eats; after the lamps are out for those of the night.',
    aid: 'Food that they take, where and when they take it; several small portions.',
    vet: '',
  },
  journey: {
    name: 'The journey, or how they were put in',
    apart: 'Only the new ones, within ten days. What did the water of their bag read?',
    aid: 'Lamps low, no feed for a day, no second move.',
    vet: '',
  },
  'nitrogen-lack': {
    name: 'Too little nitrogen for the plants',
    apart: 'Nitrate reads nothing, and the oldest leaves yellow first, all over.',
    aid: 'A little more feed, or nitrate at half the usual dose.',
    vet: '',
  },
  'potassium-lack': {
    name: 'Too little potassium for the plants',
    apart: 'Pinholes with a dark or yellow rim in old leaves; no snail or fish is seen at them.',
    aid: 'Potassium at half the usual dose for two weeks; old leaves do not heal.',
    vet: '',
  },
  'iron-lack': {
    name: 'Too little iron for the plants',
    apart: 'The newest leaves are pale and their veins stay green.',
    aid: 'Iron and traces at half the usual dose; less where shrimp live.',
    vet: '',
  },
  'light-lack': {
    name: 'Too little light for these plants',
    apart: 'Long gaps between leaves, the lowest fall; better under the lamp than aside.',
    aid: 'Wipe the lamp and the lid, thin what floats; an hour more, not three.',
    vet: '',
  },
  'settling-in': {
    name: 'Plants that settle in: leaves grown in air melt',
    apart: 'The heart is firm and sends new leaves.',
    aid: 'Soft leaves out; wait four weeks, move nothing.',
    vet: '',
  },
  'plant-eaters': {
    name: 'Something eats the plants',
    apart: 'Bites have edges; look at night.',
    aid: 'Greens for who eats them, tough leaves and what is tied on.',
    vet: '',
  },
  'green-water': {
    name: 'Green water: algae that float',
    apart: 'Green through and through in a white cup.',
    aid: 'Dark for four days with air; no sun. It harms nobody.',
    vet: '',
  },
  diatoms: {
    name: 'Brown dust: diatoms of a young tank',
    apart: 'Wipes off with a finger and feels like flour.',
    aid: 'Wipe and wait; snails and otocinclus eat it. It goes by itself.',
    vet: '',
  },
  'hair-algae': {
    name: 'Green threads: more light than the plants use',
    apart: 'Threads wind round a stick.',
    aid: 'Wind out, two hours less of light; more plants that grow.',
    vet: '',
  },
  'black-algae': {
    name: 'Black tufts: red algae that like flow and dirt',
    apart: 'Turns red in a drop of spirit, and does not wipe off.',
    aid: 'Leaves with it out; the filter cleaned, feed cut.',
    vet: '',
  },
  'blue-greens': {
    name: 'Blue-green slime: bacteria',
    apart: 'Peels off in skins and smells of earth.',
    aid: 'Siphoned off, the corner moved by flow, nitrate not at nothing; some of it is poisonous: no hands to the mouth.',
    vet: '',
  },
  bloom: {
    name: 'A bloom of bacteria',
    apart: 'Milky, not green; clears by itself within days.',
    aid: 'Air, no feed. A change feeds it as often as not.',
    vet: '',
  },
  'surface-film': {
    name: 'A film of fat and protein on still water',
    apart: 'Paper laid on the water takes it off.',
    aid: 'Surface moved, less feed; hands rinsed of cream.',
    vet: '',
  },
  'foul-bed': {
    name: 'A bed that rots',
    apart: 'Black patches at the pane, bubbles that smell of eggs.',
    aid: 'A small part of it stirred and siphoned each week, never all at once; air on meanwhile.',
    vet: '',
  },
};

/** What speaks for a cause here, or against it, in words. */
export function wordSpeaks({ reason, values = {} }: Speaks, units: UnitChoice): string {
  const n = (key: string, decimals = 1) => rounded(values[key]!, decimals, units);
  const day = (key = 'days') => (values[key] === 0 ? 'today' : `${plural(values[key]!, 'day')} ago`);
  const c = (key: string) => formatQuantity('temperature', values[key]!, units);
  const mg = (key: string) => formatQuantity('concentration', values[key]!, units);
  const share = () => formatQuantity('fraction', values['share']!, units);
  const words: Readonly<Record<string, () => string>> = {
    'free-ammonia': () => `Free ammonia comes to ${n('mgN', 3)} mg N/L.`,
    'ammonia-none': () => 'Ammonia was tested these days, and there was none.',
    'ammonia-bound': () => `${n('mgN', 2)} mg N/L of ammonia, nearly all of it bound at this pH.`,
    young: () => 'The tank is young.',
    'not-young': () => 'The tank is past that age.',
    'grown-in': () => 'The filter is long grown in.',
    'filter-cleaned': () => `The filter was cleaned ${day()}.`,
    treated: () => 'Something was treated here lately.',
    overfed: () => `Fed ${n('times')} times what such stock usually gets.`,
    'much-fed': () => `Fed ${n('times')} times what such stock usually gets.`,
    'little-fed': () => `Fed ${n('times')} of what such stock usually gets.`,
    'nitrite-high': () => `Nitrite read ${n('mgN', 2)} mg N/L.`,
    'nitrite-none': () => 'Nitrite was tested these days, and there was none.',
    chloride: () => 'Salt water shields from nitrite.',
    'oxygen-low': () => `Oxygen at ${n('mgPerL')} mg/L, read or by the balance at dawn.`,
    'oxygen-good': () => `Oxygen at ${n('mgPerL')} mg/L, read or by the balance at dawn.`,
    still: () => 'The surface is still.',
    warm: () => `At ${c('c')} water holds little oxygen.`,
    'finding-oxygen': () => 'The ledger has oxygen among its findings.',
    'co2-high': () => `CO₂ is fed to about ${n('mgPerL', 0)} mg/L.`,
    'co2-none': () => 'Hardly any CO₂ is in this water.',
    disinfectant: () => 'The tap is disinfected, and nothing of the plan takes that out.',
    'no-disinfectant': () => 'What is poured is free of disinfectant, by the plan.',
    changed: () => `${share()} were changed these days.`,
    'no-change': () => 'No change is written down for these days.',
    'copper-high': () => `Copper read ${n('mgPerL', 2)} mg/L.`,
    'copper-none': () => 'Copper was tested lately, and there was none.',
    pipes: () => 'The notes speak of pipes or taps.',
    'kh-gone': () => `KH stands at ${n('dh')} dKH.`,
    'kh-holds': () => `KH stands at ${n('dh')} dKH: it holds the pH.`,
    'ph-low': () => `pH read ${n('ph')}, under what they bear.`,
    'long-unchanged': () => `The last change is ${day()}.`,
    'poured-off': () => `The change moved GH by ${n('gh')} degrees and pH by ${n('ph')}.`,
    'poured-alike': () => 'What was poured is as the tank was.',
    'nitrate-high': () => `Nitrate at ${mg('mgPerL')}.`,
    'nitrate-low': () => `Nitrate at ${mg('mgPerL')}.`,
    'nitrate-there': () => `Nitrate at ${mg('mgPerL')}: there is enough.`,
    'warm-out': () => `${c('c')}, and ${c('edge')} is the most they bear.`,
    'warm-in': () => `${c('c')} is within what they bear.`,
    'cold-out': () => `${c('c')}, and ${c('edge')} is the least they bear.`,
    'cold-in': () => `${c('c')} is within what they bear.`,
    'gh-low': () => `GH at ${n('dh')} degrees is little for shells.`,
    'gh-enough': () => `GH at ${n('dh')} degrees is enough.`,
    'acid-shells': () => `pH ${n('ph')} eats at shells.`,
    'kh-low': () => `KH at ${n('dh')} degrees.`,
    sprayed: () => 'The notes of this week speak of a spray, paint, soap or the like.',
    'new-plants': () => `Plants came ${day()}: bought ones may carry what kills insects, and shrimp with them.`,
    met: () => 'This tank met it, by the marks of the room.',
    arrivals: () => `New ones came ${day()}.`,
    'no-arrivals': () => 'Nobody is new here.',
    strained: () => 'The water strains them, which opens the door.',
    wounds: () => 'They wound each other.',
    'died-before': () => `${plural(values['count']!, 'death')} in four weeks.`,
    company: () => 'The ledger warns of this company.',
    'small-group': () => 'The group is small for its kind.',
    'few-hides': () => 'There are few hides.',
    'open-top': () => 'The tank is open.',
    jumpers: () => 'Some of them jump, climb or fit through a gap.',
    covered: () => 'The tank is covered.',
    predators: () => 'Somebody here eats somebody here.',
    'predators-young': () => 'Somebody here eats the young.',
    'no-predators': () => 'Nobody here has a mouth for them, as far as it is known.',
    'no-food': () => 'The menu has nothing for some of them, or others are quicker.',
    'plants-hungry': () => 'The plants want more than there is, by the balance.',
    unfertilised: () => 'Nothing is given to the plants.',
    'hard-iron': () => `At ${n('dh')} dKH iron falls out of the water.`,
    'plants-dim': () => 'Some stand in too little light, by the plan.',
    'short-day': () => `${n('hours')} hours of light.`,
    'long-day': () => `${n('hours')} hours of light.`,
    'planted-lately': () => `Planted ${day()}.`,
    'plant-eaters': () => 'Some of them eat plants.',
    sunlit: () => 'Sun falls on it.',
    'algae-light': () => 'More light than the plants use, by the plan.',
    'deep-bed': () => `The bed is ${formatQuantity('length', values['mm']!, units)} deep.`,
  };
  const said = words[reason];
  if (!said) throw new Error(`nothing is worded for ${reason}`);
  return said();
}

/** What has to be minded in first aid as this tank stands; empty for nothing. */
export function mindIn(cause: CauseId, { ph, ammoniaMgN, groups }: Pick<TankFacts, 'ph' | 'ammoniaMgN' | 'groups'>): string {
  const acid = ph !== null && ph.value < 6.8;
  if ((cause === 'ammonia' || cause === 'old-water' || cause === 'nitrite') && acid && (ammoniaMgN === null || ammoniaMgN.value > 0.3))
    return 'In this acid water ammonia lies bound: water with a higher pH would set it free. Poured must not be more than a few tenths of pH above the tank.';
  if (cause === 'nitrite' && (groups.has('shrimp') || groups.has('amphibian') || groups.has('snail')))
    return 'No salt here: shrimp, snails and amphibians bear it badly.';
  return '';
}
