import type { DatedStep } from '../../schedule/step';
import { FOODS, type FoodId } from '../../catalogue/food';
import { TREATMENTS, type TreatmentId } from '../../health/treatments';
import { LABEL_UNITS } from '../../health/model';
import { SERVICE_TASKS, type ServiceTask } from '../../equipment/service';
import { saltsKnown } from '../../design/own-catalogue';
import { sourceLabel } from '../../design/room';
import { saltName } from '../../water/salts';
import type { Assessment } from '../assessment';
import { nameOf } from './words';
import { PARAMETER_META, type Parameter } from '../../catalogue/parameter';
import { formatQuantity, rounded, type UnitChoice } from '../../quantity/format';

/** What a step is about, by name. */
export interface StepNames {
  source: (id: string) => string;
  subject: (id: string) => string;
  salt: (id: string) => string;
}

/** The names of what the steps of a tank are about. */
export function stepNamesOf(assessment: Assessment): StepNames {
  const { room, catalogue } = assessment.world;
  return {
    source: (id) => (room.sources[id] ? sourceLabel(room.sources[id]) : id),
    salt: (id) => saltName(id, saltsKnown(room.own)),
    subject: (id) => {
      const animal = catalogue.organisms.get(id);
      return animal ? `*${animal.latin}*` : nameOf(id, assessment);
    },
  };
}

type Told = Pick<DatedStep, 'code' | 'pourL' | 'saltsG' | 'expects' | 'values' | 'subjects'>;

/** A step as a list says it: what to do, and what to mind. */
export function wordStep(step: Told, names: StepNames, units: UnitChoice): { title: string; detail: string } {
  const litres = Object.values(step.pourL).reduce((sum, one) => sum + one, 0);
  const volume = (value: number) => formatQuantity('volume', value, units);
  const who = step.subjects.map(names.subject).join(', ');
  const count = step.values['count'] ?? 0;
  const pours = Object.entries(step.pourL)
    .filter(([, value]) => value > 0.005)
    .map(([id, value]) => `${volume(value)} ${names.source(id)}`);
  const salts = Object.entries(step.saltsG)
    .filter(([, grams]) => grams >= 0.005)
    .map(([id, grams]) => `${Number(grams.toPrecision(2))} g ${names.salt(id)}`);
  const mix = [...pours, ...salts].join(' + ');
  const expected = expects(step.expects, units);
  const then = expected === '' ? '' : ` Then it should read ${expected}.`;
  switch (step.code) {
    case 'change':
      return litres > 0.005
        ? { title: `Change ${volume(litres)}`, detail: `${mix}, at the tank’s temperature.${then}` }
        : { title: `Set the water to ${expected}`, detail: 'No water is changed today.' };
    case 'dose':
      return { title: `Dose ${salts.join(' + ')}`, detail: then.trim() };
    case 'test':
      return {
        title: step.values['week'] ? `Test, week ${step.values['week']}` : 'Test the water',
        detail: 'Ammonia, nitrite, nitrate, pH: write them down.',
      };
    case 'service': {
      const [task = ''] = step.subjects;
      const told = Object.hasOwn(SERVICE_TASKS, task) ? SERVICE_TASKS[task as ServiceTask] : null;
      return { title: told?.title ?? task, detail: told?.detail ?? '' };
    }
    case 'challenge':
      return {
        title: 'Challenge the filter',
        detail: `Bring ammonia to ${step.values['ammoniaMgN'] ?? 1} mg N/L, with no animal in the tank. A grown-in filter has none left after a day.`,
      };
    case 'ready':
      return {
        title: 'Check that it is ready',
        detail: `By test, not by calculation: ${expected}. If not, all that follows waits a week.`,
      };
    case 'stock':
      return { title: `Put in ${count > 0 ? `${count} ` : ''}${who}`, detail: 'Acclimate by their bag; lights off.' };
    case 'rehome':
      return { title: `Find ${who} their home`, detail: 'They do not go together with those to come.' };
    case 'kept-water':
      return {
        title: `Keep ${volume(step.values['litres'] ?? 0)} of the old water`,
        detail: 'Siphon it clean, from the top, before anything is stirred up.',
      };
    case 'move-plants':
      return { title: 'Lift plants and wood', detail: 'Keep them wet; look them over for stowaways.' };
    case 'lower-water':
      return { title: 'Lower the water', detail: 'To a hand’s breadth: animals come out most easily then.' };
    case 'catch':
      return {
        title: 'Catch the animals last',
        detail: step.values['hours']
          ? `Into the tub: it holds them about ${step.values['hours']} h. Lid on, in the shade, air stone ready.`
          : 'Into the tub, lid on, in the shade, with an air stone.',
      };
    case 'save-media':
      return { title: 'Save the filter and the soil', detail: 'Media stay under old water and never dry; soil is lifted, not rinsed.' };
    case 'rebuild':
      return { title: 'Rebuild', detail: 'Heaviest stones first, on the base.' };
    case 'refill':
      return {
        title: `Refill: ${volume(step.values['litres'] ?? 0)} old, the rest new`,
        detail: `${mix}${mix ? '. ' : ''}Pour on a dish or a bag, slowly.${then}`,
      };
    case 'release':
      return { title: 'Release them', detail: 'When the temperature is the same and the water is clear.' };
    case 'inspect':
      return {
        title: `Look ${who || 'the arrivals'} over`,
        detail:
          count === 0
            ? 'In their own tank, by the list on the Health face. Nets, hoses and waste water stay apart.'
            : 'Skin, fins, breath, belly, droppings; eating. What is not right starts the weeks anew.',
      };
    case 'treat': {
      const [treatment = ''] = step.subjects;
      const told = Object.hasOwn(TREATMENTS, treatment) ? TREATMENTS[treatment as TreatmentId] : null;
      const amount = step.values['amount'];
      return {
        title: `Treat: ${told?.name.toLowerCase() ?? treatment}${amount === undefined ? '' : `: ${rounded(amount, amount < 10 ? 1 : 0, units)} ${LABEL_UNITS[step.values['unit'] ?? 0] ?? ''}`}`,
        detail: `The label’s dose for the water in the tank. Carbon out, air on, lamp as the label says; watch for an hour.${told?.people ? ` ${told.people}` : ''}`,
      };
    }
    case 'culture': {
      const [food = ''] = step.subjects;
      const told = Object.hasOwn(FOODS, food) ? FOODS[food as FoodId] : null;
      return {
        title: `Set up ${told?.name ?? food}`,
        detail: `${told?.culture?.how ?? ''}. A second one beside it a week later.`,
      };
    }
    case 'warm':
      return {
        title: `Set the heater to ${formatQuantity('temperature', step.values['temperatureC'] ?? 0, units)}`,
        detail: 'While no animal is in it: read a thermometer, not the dial. Back to the planned one, a degree a day, before they come.',
      };
    case 'media':
      return {
        title: `Put in ${volume(step.values['litres'] ?? 0)} of grown-in media`,
        detail: 'Out of a tank that runs and is well, unrinsed, under its own water, within the hour. What it carries comes along.',
      };
    case 'plant':
      return { title: 'Plant more', detail: 'Fast stems and floaters, as many as half the surface holds; they come out again later.' };
    case 'light':
      return {
        title: 'Lamp on for longer',
        detail: 'A third more hours, ten at most; less again when algae come.',
      };
    case 'feed':
      return {
        title: `Give ${rounded(step.values['mgNPerLPerDay'] ?? 0, 2, units)} mg N/L of ammonia a day`,
        detail: 'Or the food that holds it, from this day on.',
      };
    case 'watch':
      return {
        title: `Watch${who ? ` ${who}` : ''}`,
        detail: `Test the day after: ${expected || 'ammonia and nitrite'}. Gasping, hiding, deaths: write them down.`,
      };
  }
}

const ANALYTES: Readonly<Record<string, string>> = { ammonia: 'ammonia', nitrite: 'nitrite', nitrate: 'nitrate' };

function expects(all: Told['expects'], units: UnitChoice): string {
  return Object.entries(all)
    .map(([key, value]) => {
      if (Object.hasOwn(ANALYTES, key))
        return value === 0 ? `no ${ANALYTES[key]}` : `${ANALYTES[key]} under ${formatQuantity('concentration', value, units)}`;
      const meta = PARAMETER_META[key as Parameter] as (typeof PARAMETER_META)[Parameter] | undefined;
      if (!meta) return '';
      return key === 'temperatureC' || key === 'ghDh' || key === 'khDh'
        ? formatQuantity(meta.kind, value, units)
        : `${meta.name} ${formatQuantity(meta.kind, value, units)}`;
    })
    .filter((text) => text !== '')
    .join(', ');
}
