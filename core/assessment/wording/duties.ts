import type { Due } from '../../care/agenda';
import type { Duty, DutyCode } from '../../care/duty';
import { portionsOn, type Portion } from '../../care/portions';
import { FOODS, type FoodId } from '../../catalogue/food';
import { SERVICE_TASKS, type ServiceTask } from '../../equipment/service';
import { plural } from '../../quantity/plural';
import { formatQuantity, formatSpan, type UnitChoice } from '../../quantity/format';
import { PARAMETER_META, type LoggedParameter } from '../../reading/parameter';
import type { Day } from '../../schedule/day';
import { eatersIn, whyNotEaten } from '../../stocking/menu';
import { FERTILISER_META, type Fertiliser } from '../../tank/fertiliser';
import type { Assessment } from '../assessment';
import { companyOf } from '../derive';
import { stepNamesOf } from './steps';

/** A duty as a list says it. */
export interface WordedDuty {
  title: string;
  /** What to mind; empty for nothing. */
  detail: string;
  /** What comes of leaving it out. */
  left: string;
}

/** What comes of leaving it out once. */
const LEFT: Readonly<Record<DutyCode, string>> = {
  look: 'What goes wrong in a night is seen a day later.',
  'heat-watch': 'A hot afternoon is noticed when they gasp.',
  feed: 'Grown animals bear a day without; young ones starve in two.',
  change: 'Nitrate and what the plants leave go on rising, and KH goes on falling.',
  'top-up': 'Salts thicken, and a pump or a heater may run dry.',
  reservoir: 'Once it is empty nothing holds the level, and no alarm says so.',
  dose: 'What it holds up falls until the next one. Two at once do not make it good.',
  fertilise: 'Growth slows for a few days. Two at once feed algae.',
  trim: 'What grows fast shades the rest, and rots below.',
  panes: 'Film hardens: what wipes off today is scraped off in three weeks.',
  service: 'It goes on, with less of what it is there for.',
  leaves: 'Less tint and less film to graze; nothing that harms.',
  carbon: 'Spent, it holds dirt and takes nothing out.',
  binder: 'Spent, phosphate climbs again.',
  culture: 'In a few days there is nothing living to give.',
  test: 'What drifts is seen later. The curve has a gap, and says so.',
  count: 'Losses are seen when they are many.',
  calibrate: 'What it reads drifts, and its curve with it.',
  'apart-over': 'They stay apart: more days do no harm.',
  own: '',
};

const list = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)!}`;

/** pH, GH, KH and EC stay as they are. */
const inSentence = (name: string): string =>
  (/^[A-Z][a-z]/.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name).replace(', as N', '');

/** So many grams as a feed scale shows them. */
export const feedGrams = (grams: number): string =>
  grams < 0.1 ? `${Number((grams * 1000).toPrecision(1))} mg` : `${Number(grams.toPrecision(2))} g`;

export function wordPortion({ foodId, times, grams, when }: Portion): string {
  const name = foodId === null ? 'dry feed' : FOODS[foodId].name;
  const often = times > 1 ? `, in ${times} goes` : '';
  return `${grams === null ? '' : `${feedGrams(grams)} `}${name}${often}${when === 'dark' ? ', when the lamps are out' : ''}`;
}

/** What a tank is fed on a day, a line each: what, how much, and who can eat it. */
export function portionsOf(assessment: Assessment, day: Day): { portion: Portion; words: string; for: string }[] {
  const { care } = assessment.world.design;
  const gPerDay =
    care.feed.gPerDay ??
    assessment.derived['tank.ahead'].value?.scenario.feed.gPerDay ??
    assessment.derived['stock.load'].value?.usualFeedG ??
    0;
  const eaters = eatersIn(companyOf(assessment.derived['stock.members'].value ?? []));
  return portionsOn(care, gPerDay, day).map((portion) => {
    const { foodId } = portion;
    const to = foodId === null ? eaters : eaters.filter(({ animal, mouthMm }) => whyNotEaten(animal, FOODS[foodId], mouthMm) === null);
    return {
      portion,
      words: wordPortion(portion),
      for: to.length === eaters.length ? '' : list(to.map(({ animal }) => `*${animal.latin}*`)),
    };
  });
}

/**
 * A duty in words, as it is on a day.
 *
 * @param day the day that it is done on: feed and evaporation go by it
 */
export function wordDuty(duty: Duty, day: Day, assessment: Assessment, units: UnitChoice): WordedDuty {
  const { values, subjects, pourL, saltsG } = duty;
  const names = stepNamesOf(assessment);
  const volume = (litres: number) => formatQuantity('volume', litres, units);
  const salts = Object.entries(saltsG)
    .filter(([, grams]) => grams >= 0.005)
    .map(([id, grams]) => `${Number(grams.toPrecision(2))} g ${names.salt(id)}`);
  const say = (title: string, detail = ''): WordedDuty => ({ title, detail, left: LEFT[duty.code] });
  const month = Number(day.slice(5, 7)) - 1;
  const who = () => list([...new Set(subjects.map(names.subject))]);
  switch (duty.code) {
    case 'look': {
      const warm =
        values['lowC'] === undefined ? '' : ` Thermometer between ${formatSpan('temperature', [values['lowC'], values['highC']!], units)}.`;
      return say('Look at them', `Count who comes to eat; breath, colour, who hides.${warm}`);
    }
    case 'heat-watch':
      return say(
        'Read the thermometer in the afternoon',
        `This month the room may take it to the edge: ${formatQuantity('temperature', values['highC']!, units)} is the most they bear. Lid open, lamps shorter, air on.`,
      );
    case 'feed': {
      const fed = portionsOf(assessment, day);
      return say(
        fed.length === 0 ? 'No feed today' : `Feed ${list(fed.map(({ words }) => words))}`,
        fed
          .flatMap(({ portion, for: whom }) =>
            whom === '' ? [] : [`${portion.foodId === null ? 'Dry feed' : FOODS[portion.foodId].name} for ${whom}.`],
          )
          .join(' '),
      );
    }
    case 'change': {
      const pours = Object.entries(pourL)
        .filter(([, litres]) => litres > 0.005)
        .map(([id, litres]) => `${volume(litres)} ${names.source(id)}`);
      const warmth =
        values['temperatureC'] === undefined
          ? 'at the tank’s temperature'
          : `at ${formatQuantity('temperature', values['temperatureC'], units)}`;
      const mix = [...pours, ...salts].join(' + ');
      return say(
        `Change ${volume(values['litres']!)} (${formatQuantity('fraction', values['fraction']!, units)})`,
        `${mix === '' ? 'New water' : mix}, ${warmth}.`,
      );
    }
    case 'top-up':
    case 'reservoir': {
      const litres = duty.litresByMonth?.[month] ?? 0;
      const water = subjects[0] ? names.source(subjects[0]) : values['pure'] ? 'pure water' : 'the tank’s own mix';
      return duty.code === 'top-up'
        ? say(`Top up about ${volume(litres)}`, `With ${water}, to the mark: what evaporates leaves its salts behind.`)
        : say(`Fill the reservoir: about ${volume(litres)} are gone`, `With ${water}.`);
    }
    case 'dose':
      return say(`Dose ${salts.join(' + ')}`, 'Dissolved in a cup of tank water, into the current.');
    case 'fertilise': {
      const kind = subjects[0] as Fertiliser;
      const { name, gives } = FERTILISER_META[kind];
      if (values['pieces'] !== undefined)
        return say(`Push in ${values['pieces']} root capsules`, 'Deep, beside the roots of heavy feeders; a hand’s breadth apart.');
      if (values['mL'] !== undefined) return say(`${name}: ${Number(values['mL'].toPrecision(2))} mL`, gives);
      return say(
        `${name}: ${Number(values['mgPerL']!.toPrecision(2))} mg/L for ${volume(values['litres']!)}`,
        `${gives}. By the strength on its label.`,
      );
    }
    case 'trim':
      return say(
        'Cut back what grows fast',
        `${who()}. The tops may be planted again; cuttings go to the compost, never outdoors into water.`,
      );
    case 'panes':
      return say('Clean the panes', 'Before a change, so that what comes off goes out. The pane that shrimp graze stays.');
    case 'service': {
      const task = SERVICE_TASKS[subjects[0] as ServiceTask];
      return say(subjects.length > 2 ? `${task.title} (${subjects.length - 1} of them)` : task.title, task.detail);
    }
    case 'leaves': {
      const material = assessment.world.catalogue.materials.get(subjects[0]!);
      return say(
        `Renew ${Number(values['grams']!.toPrecision(2))} g of ${(material?.name ?? subjects[0]!).toLowerCase()}`,
        'Skeletons stay while they are grazed. Clean, dry, gathered away from roads and sprays.',
      );
    }
    case 'carbon':
    case 'binder':
      return say(
        `Renew the ${duty.code === 'carbon' ? 'carbon' : 'phosphate remover'}, ${Number(values['grams']!.toPrecision(2))} g`,
        'Rinsed first: its dust clouds the water.',
      );
    case 'culture':
      return say(`Begin the next culture: ${FOODS[subjects[0] as FoodId].name}`, FOODS[subjects[0] as FoodId].culture?.how ?? '');
    case 'test':
      return say(
        `Test ${list(subjects.map((one) => inSentence(PARAMETER_META[one as LoggedParameter].name)))}`,
        'Before a change, and before it is fed.',
      );
    case 'count':
      return say(`Count ${who()}`, 'At the dish after the lamps are out, or from a picture; with how far it may be off.');
    case 'calibrate': {
      const parameter = subjects[0] as LoggedParameter;
      return say(
        `Calibrate the probe of ${inSentence(PARAMETER_META[parameter].name)}`,
        parameter === 'ph' ? 'In buffers 7.00 and 4.01, rinsed between them.' : 'Against what is known, by Care, Probes.',
      );
    }
    case 'apart-over':
      return say(
        `The weeks apart are over: ${assessment.world.room.lots[subjects[0]!]?.name ?? subjects[0]!}`,
        'Nothing seen, all eating, none lost in the last week? Then they may join.',
      );
    case 'own':
      return say(assessment.world.design.care.own[subjects[0]!]?.title ?? subjects[0]!);
  }
}

/** How often, in words. */
export function wordEvery(days: number): string {
  if (days === 1) return 'every day';
  if (days === 7) return 'every week';
  if (days % 7 === 0 && days <= 84) return `every ${days / 7} weeks`;
  if (days >= 360 && days <= 370) return 'once a year';
  return `every ${days} days`;
}

/** Since when it waits, and when it was done last. */
export function wordWaits({ overdueDays, last, putOff, duty }: Due, dayText: (day: Day) => string): string {
  if (duty.on !== null) return overdueDays > 0 ? `was due ${dayText(duty.on)}` : '';
  if (last === null) return putOff ? 'put off to today; not written down yet' : 'not written down yet';
  const due = overdueDays > 0 ? `was due ${plural(overdueDays, 'day')} ago; ` : putOff ? 'put off to today; ' : '';
  return `${due}last done ${dayText(last)}`;
}
