import type { School, SCHOOLS } from '../../build/model';
import { schoolOf, type BuildCode, type BuildStep, type Caution } from '../../build/steps';
import type { BuildRecord } from '../../build/model';
import { formatQuantity, formatSpan, rounded, type UnitChoice } from '../../quantity/format';
import { plural } from '../../quantity/plural';

/** What can hurt, once, where it first counts. */
export const CAUTION_WORD: Readonly<Record<Caution, string>> = {
  weight:
    'Filled, it is far too heavy to shift: know what floor and stand bear before a drop is in, and never move a filled vessel. For a suspended floor ask someone licensed to say so.',
  glass: 'Lift by the bottom pane, two people from 60 cm up, gloves on; a chip in an edge is a crack to come.',
  mains:
    'Mains and water: a residual-current device (RCD, GFCI), a drip loop on every cord, sockets above the water, all plugs out before a hand goes in. Local codes hold; new sockets are an electrician’s.',
  dust: 'Clay, silt and quartz dust harm the lungs: wet it, or wear a mask; pour outdoors.',
  cutting: 'Cut and grind wet, eyes and ears covered, a mask on, the piece held in a vice.',
  boiling:
    'Boiling wood spits and the pot is heavy: let it cool in its water. Never boil stones, which can burst, nor anything off a reef.',
  fumes: 'Thin glue gets hot and smokes on cotton and paper; resin and foam want open air and gloves. Keep eyes away and children out.',
  gas: 'A gas bottle stands chained upright with its regulator tight; carbon dioxide gathers low in a closed room.',
  skin: 'Cuts and tank water do not go together: cover them, wash hands and arms afterwards. A wound that reddens is a doctor’s.',
  'live-rock': 'Rock off a reef can carry zoanthids whose poison is deadly: never scrub it dry, boil or scald it; gloves and eyes covered.',
  dips: 'Bleach, alum and the like: gloves, open window, never two together, rinse long. Keep them from children and from every tank.',
};

interface Way {
  name: string;
  for: string;
}
/** Where practitioners go different ways: the ways, and what each costs. */
export const SCHOOL_WORD: { readonly [S in School]: { title: string; ways: Readonly<Record<(typeof SCHOOLS)[S][number], Way>> } } = {
  wood: {
    title: 'Wood that floats',
    ways: {
      soak: { name: 'soak it for weeks', for: 'Nothing to hold it, most of the tint out; it takes two weeks and a tub.' },
      boil: {
        name: 'boil it half an hour',
        for: 'Sinks sooner and brings nothing alive along; needs a pot that holds it, and softens fine twigs.',
      },
      'hold-down': { name: 'weigh or screw it down', for: 'Goes in today; the holding shows or is buried, and tint comes for weeks.' },
    },
  },
  coarse: {
    title: 'Gravel and lava',
    ways: {
      rinse: { name: 'rinse it', for: 'Clear from the first day; costs water and an hour.' },
      'as-bought': { name: 'pour it as bought', for: 'Nothing is lost; the water is cloudy for days and the filter takes it up.' },
    },
  },
  planting: {
    title: 'Plants on fresh soil',
    ways: {
      'at-once': { name: 'plant at once', for: 'Plants take up the ammonia and leave algae none; mosses and carpets may melt in it.' },
      'after-ammonia': {
        name: 'wait until the ammonia has fallen',
        for: 'Nothing melts; algae have weeks to themselves, and planting stirs up a filled tank.',
      },
    },
  },
  light: {
    title: 'Light while it grows in',
    ways: {
      short: { name: 'six hours a day', for: 'Plants take hold and algae stay few; biofilm comes slowly.' },
      'round-the-clock': { name: 'day and night', for: 'Algae and biofilm for grazers in two weeks; plants suffer and glass goes green.' },
      dark: { name: 'dark', for: 'No algae at all, for tanks without plants; nothing grows for grazers.' },
    },
  },
};

/** Why the second of two has to wait for the first. */
const FIRST: Readonly<Partial<Record<BuildCode, string>>> = {
  'leak-test': 'nothing goes into a vessel that has not been shown to hold',
  plumb: 'hoses and unions are tested before anything lies in their way',
  mat: 'the mat cannot be slid under what stands',
  wash: 'what is on it would be in the tank',
  live: 'what dies on it would foul the tank',
  smooth: 'edges cannot be ground where they stand',
  'dry-fit': 'what is glued cannot be tried otherwise',
  join: 'it has to cure dry',
  base: 'what stands on sand sinks when it is dug away',
  edges: 'the ground behind an edge needs the edge',
  rinse: 'it cannot be rinsed once it lies there',
  layer: 'the layers lie on each other, and what stands in the bed needs the bed',
  press: 'air that is shut in breaks its cap',
  capsules: 'pressed in later they cloud the water',
  wood: 'it would float up',
  set: 'stones and wood go in before plants and water',
  look: 'a mouth is easily turned now, and not under water',
  'plants-ready': 'what hides in them would be in the tank',
  attach: 'it has to sit before the water lifts it',
  plant: 'low plants go in while the water stands at the bed',
  gear: 'it holds nothing until it is there',
  media: 'an empty filter filters nothing',
  mix: 'salts are weighed in and dissolved outside the tank',
  fill: 'there is no water yet',
  run: 'nothing is to be read before it runs',
  condition: 'the water is not fit before',
  check: 'what is wrong in the first day is put right while nobody lives there',
  begin: 'it is begun first',
};

/** Why a step has to stay behind another. */
export const wordFirst = (first: BuildStep, second: BuildStep, units: UnitChoice, record: Pick<BuildRecord, 'schools'>): string => {
  const title = (step: BuildStep) => wordBuildStep(step, units, record).title;
  return `“${title(first)}” stays before “${title(second)}”: ${FIRST[first.code] ?? 'the one rests on the other'}.`;
};

const listed = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
const low = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
/** Salts are weighed finer than stones. */
const grams = (value: number, units: UnitChoice): string => {
  if (value < 1000) return `${value >= 100 ? Math.round(value) : rounded(value, value < 10 ? 2 : 1, units)} g`;
  return units.mass === 'kg' ? `${rounded(value / 1000, 2, units)} kg` : formatQuantity('mass', value, units);
};

/** How long a wait is, as people say it. */
export function wordWait(hours: number): string {
  if (hours <= 0) return '';
  if (hours < 24) return hours === 1 ? 'an hour' : `${hours} hours`;
  const days = Math.round(hours / 24);
  return days === 1 ? 'a day' : days % 7 === 0 ? (days === 7 ? 'a week' : `${days / 7} weeks`) : `${days} days`;
}

/** A step as it is told at the tank: what to do with how much, and how. Latin names stand between asterisks. */
export function wordBuildStep(step: BuildStep, units: UnitChoice, record: Pick<BuildRecord, 'schools'>): { title: string; detail: string } {
  const { values, names } = step;
  const n = (key: string): number => values[key] ?? 0;
  const volume = (litres: number) => formatQuantity('volume', litres, units);
  const mass = (kg: number) => formatQuantity('mass', kg * 1000, units);
  const what = listed(names.map(low));
  const say = (title: string, ...detail: readonly (string | false)[]) => ({
    title,
    detail: detail.filter((line) => line !== false).join(' '),
  });
  switch (step.code) {
    case 'place':
      return say(
        'Set the vessel where it is to stand',
        values['kg'] !== undefined && `Filled it weighs ${mass(n('kg'))}.`,
        'Level both ways, on a sheet of foam if it has no frame; out of the sun and of people’s way; room behind for cords, above for a hand. Wipe it with water only.',
      );
    case 'leak-test':
      return say(
        `Leak test: fill it and leave it for ${wordWait(24 * n('days'))}`,
        'To its water line, on dry paper. Mark the level, feel along every seam and fitting, look again before it is emptied. Nothing is furnished before.',
      );
    case 'plumb':
      return say(
        'Set up filter and hoses, and test again with the pump running',
        'Vessel full, a day. Look at unions and hose ends, stop the pump and see that what runs back has room.',
      );
    case 'background':
      return say('Put the background on', 'On the outside of clean dry glass; film on soapy water, pressed from the middle out.');
    case 'wood': {
      const way = schoolOf(record, 'wood');
      const how = {
        soak: 'Under water in a tub, a stone on it, water changed when it is tea. When it sinks by itself it is ready.',
        boil: 'Half an hour at the boil, turned once, left to cool in its water; then a day under water.',
        'hold-down': `Tie ${n('ballastKg') > 0 ? `${mass(n('ballastKg'))} of stone` : 'stone'} to it, or screw it to a slate that lies under the bed; try it in a bucket.`,
      }[way];
      return say(`${{ soak: 'Soak', boil: 'Boil', 'hold-down': 'Weigh down' }[way]} the wood: ${what}`, how, 'Fine twigs rot first.');
    }
    case 'wash':
      return say(
        `Wash ${plural(n('count'), 'piece')}: ${what}`,
        n('kg') > 0 && `${mass(n('kg'))} in all.`,
        'Hot water and a brush, no soap. Where nobody knows what a stone is, leave it in soft water for a week and test GH and KH before and after.',
      );
    case 'live':
      return say(
        `Look over ${plural(n('count'), 'living piece')}: ${what}`,
        n('kg') > 0 && `${mass(n('kg'))} in all.`,
        'Swished in a bucket of salt water, white and slimy parts cut out, smelled. What smells of rot stays in the dark, with a pump and changes, until it smells of the sea. Never dry for an hour.',
      );
    case 'smooth':
      return say(`Grind edges smooth: ${what}`, 'Rub thin cloth over every edge: where it catches, a skin would.');
    case 'dry-fit':
      return say(
        'Try it dry',
        'On paper cut to the floor: stones, wood, filter, heater. Can heater and sponge come out without tearing it down? Does a hand and the scraper reach every pane? Take a picture before it is taken apart.',
      );
    case 'join':
      return say(
        `${n('screwed') > 0 && n('glued') === 0 ? 'Screw' : 'Wedge and glue'}: ${what}`,
        n('glued') > 0 && 'Wedge with cotton or paper, then thin glue on it; dust of the stone hides the joint.',
        n('screwed') > 0 && 'Stainless screws from below, heads sunk.',
        step.waitHours > 24 && 'Cast work cures for days, and is soaked and emptied twice.',
      );
    case 'mat':
      return say('Lay the mat on the bottom pane', 'Cut to the floor; it takes the points of stones.');
    case 'base':
      return say(
        `Set on the bottom: ${what}`,
        n('kg') > 0 && `${mass(n('kg'))}.`,
        n('diggers') > 0
          ? 'They dig: a stone that stands on sand comes down.'
          : 'The bed comes around them. Heaviest first; rock each one.',
      );
    case 'edges':
      return say(
        `Set ${plural(n('count'), 'edge')} of terraces and paths`,
        'Bedded on the glass, silted behind with coarse grain so that nothing runs through.',
      );
    case 'rinse':
      return say(
        `Rinse ${volume(n('litres'))} of ${what}`,
        'A few litres at a time in a bucket, stirred, until the water is clear. Not what is soil or alive.',
      );
    case 'layer': {
      const weight = values['kg'] === undefined ? '' : `, ${mass(n('kg'))}`;
      return say(
        `Lay ${volume(n('litres'))} of ${what}`,
        `${formatSpan('length', [n('least'), n('most')], units)} thick${weight}.`,
        n('cloth') > 0 && 'Cloth under it first.',
        n('zoned') > 0 && 'Only where the drawing has it.',
        n('leave') > 0 && 'As it comes, unrinsed.',
        n('unrinsed') > 0 && 'As bought: it clears in days.',
        n('filler') > 0 && 'It gives height and is covered: leave a finger’s width to the panes.',
        n('most') > n('least') + 10 && 'Higher at the back; a straight edge drawn over it shows the slope.',
      );
    }
    case 'press':
      return say(`Soak and press ${what}`, 'Wet through until no bubble comes, pressed flat by hand, before anything covers it.');
    case 'capsules':
      return say(
        `Press in ${plural(n('count'), 'root capsule')}`,
        'With tweezers, at the depth and distance of the drawing, not under stones.',
      );
    case 'set':
      return say(
        `Set ${plural(n('count'), 'piece')} in the bed: ${what}`,
        n('kg') > 0 && `${mass(n('kg'))}.`,
        'By the drawing, the largest first, turned in until it does not rock. A stone sits in the sand, not on it.',
      );
    case 'look':
      return say(
        `Look into ${n('count') === 1 ? 'the hide' : `the ${n('count')} hides`}`,
        'Each mouth free, wide enough, dark inside, nothing to fall before it.',
        n('rivals') > 0 && 'Eye at bed height in each mouth: no other mouth to be seen.',
      );
    case 'plants-ready':
      return say(
        `Make ${plural(n('count'), 'plant')} ready`,
        n('marine') > 0
          ? 'Swished in a bucket of salt water, looked over for crabs, flatworms and eggs; no dip that is not meant for them.'
          : 'Out of pots and wool, looked over leaf by leaf, roots a finger long.',
        n('inverts') > 0 &&
          n('marine') === 0 &&
          'Bought ones may carry sprays that kill shrimp and snails: a week in changed water, or plants grown in jelly.',
        n('marine') === 0 && 'A dip of alum kills snails; bleach burns mosses and ferns.',
      );
    case 'attach':
      return say(
        `Tie or glue on ${n('count')}: ${listed(names)}`,
        n('under') > 0
          ? 'With thread, or a dab of gel pressed on under water; rhizomes and holdfasts never in the bed.'
          : 'On the dry piece with a dab of gel, or with thread; rhizomes never in the bed; moss thin. Keep it misted.',
      );
    case 'plant':
      return say(
        `Plant ${n('count')}: ${listed(names)}`,
        n('under') > 0
          ? 'In the filled tank, low ones first, tweezers straight down.'
          : 'Water level with the bed, low ones in front first, leaves misted all the while.',
      );
    case 'gear':
      return say(
        `Put in, unplugged: ${what}`,
        n('heater') > 0 && 'The heater stands under water for half an hour before it is switched on.',
        'Suckers where the drawing has them; a check valve in every air line.',
      );
    case 'media':
      return say(
        `Fill the filter: ${listed(names.map(low))}`,
        `${volume(n('litres'))}.`,
        n('grown') > 0
          ? 'Grown-in media travel under their own water, within the hour, unrinsed, and go in last, just before it runs.'
          : 'Rinse dust out.',
      );
    case 'mix': {
      const parts = Array.from({ length: n('parts') }, (_, i) =>
        values[`part${i}`] === undefined ? (names[i] ?? '') : `${volume(n(`part${i}`))} ${names[i]}`,
      );
      const salts = names
        .slice(n('parts'))
        .map((name, i) => (values[`salt${i}`] === undefined ? name : `${grams(n(`salt${i}`), units)} ${low(name)}`));
      return say(
        `Mix the water: ${[...parts, ...salts].join(' + ')}`,
        n('salt') > 0
          ? 'Salt into moving water, never water onto salt; a day with a pump and a heater, then by gravity or refractometer.'
          : salts.length > 0
            ? 'Salts one after another, each dissolved before the next; then GH, KH and conductivity.'
            : n('marine') > 0
              ? 'Stirred, at one temperature; then by gravity or refractometer.'
              : 'Stirred; then GH, KH and conductivity.',
      );
    }
    case 'fill':
      return say(
        `Fill with ${values['litres'] === undefined ? 'water' : volume(n('litres'))}${names.length > 0 ? ` of ${low(listed(names))}` : ''}`,
        n('bed') > 0
          ? 'Onto a dish, a bag or paper, foam on the hose, as slowly as you can bear; at the tank’s temperature.'
          : 'At the tank’s temperature.',
      );
    case 'condition':
      return say(
        `Condition${values['litres'] === undefined ? '' : ` ${volume(n('litres'))}`}: ${what}`,
        'Dose by its label for the net litres, sump and filter counted, stones and bed not.',
        n('fertilised') > 0 && 'It binds metals for two days: fertiliser waits until the third.',
      );
    case 'stems':
      return say(`Plant long stems: ${n('count')} of ${listed(names)}`, 'Sorted by length, long ones behind, a finger deep, one by one.');
    case 'loose':
      return say(
        `Put in ${listed(
          names.map((name, i) => {
            const [litres, weight] = [values[`litres${i}`], values[`grams${i}`]];
            return `${litres !== undefined ? `${volume(litres)} of ` : weight !== undefined ? `${grams(weight, units)} of ` : ''}${low(name)}`;
          }),
        )}`,
        'Rinsed, soaked until they sink.',
      );
    case 'float':
      return say(`Float ${n('count')}: ${listed(names)}`, 'Dry side up, out of the stream.');
    case 'ring':
      return say('Lay the feeding ring', 'Where the drawing has it: it keeps a window open among leaves.');
    case 'lid':
      return say(
        n('lid') > 0 ? 'Lid on' : 'Close every way out',
        n('openings') > 0 && `Close ${plural(n('openings'), 'gap')} along cords and hoses.`,
        n('guards') > 0 && `Mesh or sponge on ${plural(n('guards'), 'intake or weir', 'intakes and weirs')}.`,
        'Against the smallest that will live here.',
      );
    case 'run':
      return say(
        'Switch on',
        values['setPointC'] !== undefined &&
          `Heater to ${formatQuantity('temperature', n('setPointC'), units)}: read a thermometer, not its dial, after a day.`,
        'Filter primed and quiet, no drop at any joint, air where it should be.',
      );
    case 'gas':
      return say(
        'Set up the carbon dioxide',
        'Bottle chained, joints soaped, bubble count by day only, drop checker in; weeks before animals, so that it is known.',
      );
    case 'lamp': {
      const way = schoolOf(record, 'light');
      const hours = values['hours'];
      return say(
        { short: 'Lamp on a timer, six hours a day', 'round-the-clock': 'Lamp on day and night', dark: 'Lamp off while it grows in' }[way],
        way === 'short' && hours !== undefined && hours > 6 && `Planned are ${hours} hours: an hour more each week once plants grow.`,
      );
    }
    case 'check':
      return say(
        'First look, a day later',
        'Temperature morning and evening, pH, GH, KH, conductivity against the plan; level, seams, cords; smell. Write it down under Water, Readings.',
      );
    case 'begin':
      return say('Begin the start-up', 'Its course, tests and what has to be shown before animals come stand under The course.');
  }
}
