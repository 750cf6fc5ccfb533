import type { Material } from '../../core/catalogue/material';
import { AnimalGroup, Bought, BreedingMode, Stratum, type Animal, type Organism, type ToleranceRange } from '../../core/catalogue/organism';
import { PARAMETER_META, PARAMETERS, Phase, type Parameter } from '../../core/catalogue/parameter';
import { REGIONS, type RegionId } from '../../core/catalogue/region';
import type { Fact } from '../../core/quantity/fact';
import { formatQuantity, formatSpan, type UnitChoice } from '../../core/quantity/format';
import type { QuantityKind } from '../../core/quantity/unit';

/** What kind of value a field has, and so how it is shown, sought and edited. */
export type FieldType =
  | { type: 'range'; parameter: Parameter }
  | { type: 'quantity'; kind: QuantityKind; max: number; inUnit?: string }
  /** A span of a quantity that a value may lie in. */
  | { type: 'between'; kind: QuantityKind }
  | { type: 'number'; unit: string; max: number }
  | { type: 'span'; unit: string; max: number }
  | { type: 'choice'; options: readonly string[] }
  | { type: 'choices'; options: readonly string[] }
  | { type: 'yes' }
  | { type: 'text' }
  | { type: 'shown'; show: (value: never) => string };

/** One fact of an entry: where it stands, what it is called. */
export interface Field {
  /** JSON pointer within the entry. */
  path: string;
  name: string;
  section: string;
  as: FieldType;
}

const quantity = (kind: QuantityKind, max: number, inUnit?: string): FieldType => ({
  type: 'quantity',
  kind,
  max,
  ...(inUnit ? { inUnit } : {}),
});
const choice = (...options: string[]): FieldType => ({ type: 'choice', options });
const mm = (max: number) => quantity('length', max, 'mm');
const field = (section: string, path: string, name: string, as: FieldType): Field => ({ section, path, name, as });

const PHASE_WORD: Readonly<Record<Phase, string>> = { keep: 'kept', condition: 'conditioned', spawn: 'breeding', larvae: 'larvae' };

const REGION_FIELD = field('Origin', '/regions', 'Native to', {
  type: 'shown',
  show: (regions: readonly RegionId[]) => regions.map((id) => REGIONS[id].name).join(', '),
});
const ORIGIN_FIELD = field('Origin', '/origin', 'From', { type: 'text' });

const ANIMAL_FIELDS: readonly Field[] = [
  field('Body', '/sizeMm/length', 'Adult length', mm(3000)),
  field('Body', '/sizeMm/depth', 'Depth', mm(3000)),
  field('Body', '/sizeMm/width', 'Width', mm(3000)),
  field('Body', '/sizeMm/gape', 'Mouth opens to', mm(3000)),
  field('Body', '/traits/youngMm', 'Young, length', mm(500)),
  field('Body', '/traits/growthMonths', 'Grown after', { type: 'number', unit: 'months', max: 120 }),
  field('Body', '/traits/fins', 'Fins', choice('short', 'long')),
  field('Body', '/traits/mouth', 'Mouth', choice('up', 'end', 'below', 'picks', 'rasps', 'filters')),
  field('Temperament', '/traits/groupMin', 'Group, at least', { type: 'number', unit: '', max: 1000 }),
  field('Temperament', '/traits/temperament', 'Temper', choice('shy', 'peaceful', 'nippy', 'territorial', 'predatory')),
  field('Temperament', '/traits/hardiness', 'Hardiness', choice('hardy', 'ordinary', 'delicate')),
  field('Temperament', '/traits/activity', 'Active at', choice('day', 'dusk', 'night', 'any')),
  field('Temperament', '/traits/strata', 'Lives', { type: 'choices', options: Stratum.options }),
  field('Temperament', '/traits/jumps', 'Jumps', { type: 'yes' }),
  field('Temperament', '/traits/leaps', 'Leaves an open top at any fright', { type: 'yes' }),
  field('Temperament', '/traits/climbs', 'Climbs out', { type: 'yes' }),
  field('Temperament', '/traits/digs', 'Digs', { type: 'yes' }),
  field('Temperament', '/traits/uproots', 'Uproots', { type: 'yes' }),
  field('Temperament', '/traits/stings', 'Stings', { type: 'yes' }),
  field('Temperament', '/traits/hunts', 'Hunts', { type: 'choices', options: AnimalGroup.options }),
  field('Temperament', '/traits/sexes', 'Sexes', {
    type: 'shown',
    show: ({ system, maxMales, femalesPerMale }: NonNullable<Animal['traits']['sexes']['value']>) =>
      [
        system,
        ...(maxMales === null ? [] : [`at most ${maxMales} male${maxMales === 1 ? '' : 's'}`]),
        ...(femalesPerMale > 0 && system === 'separate' ? [`${femalesPerMale} female${femalesPerMale === 1 ? '' : 's'} to a male`] : []),
      ].join(', '),
  }),
  field('Temperament', '/traits/crossesWithin', 'Crosses within', { type: 'text' }),
  field('Place', '/traits/footprintMm', 'Floor', {
    type: 'shown',
    show: ([long, wide]: [number, number]) => `${long / 10} × ${wide / 10} cm`,
  }),
  field('Place', '/traits/volumeL', 'Water, at least', quantity('volume', 5000)),
  field('Place', '/traits/deepestMm', 'Water, no deeper than', mm(3000)),
  field('Place', '/traits/current', 'Current', choice('none', 'slow', 'moderate', 'strong')),
  field('Place', '/traits/light', 'Light', choice('any', 'dim', 'broken', 'bright')),
  field('Place', '/traits/oxygenMgPerL', 'Oxygen, not under', quantity('concentration', 12)),
  field('Place', '/traits/bedMm', 'Bed to dig in', mm(500)),
  field('Place', '/traits/shelter', 'Hides in', {
    type: 'shown',
    show: ({ kinds, count, per }: NonNullable<Animal['traits']['shelter']['value']>) =>
      kinds.length === 0 ? 'nothing' : `${kinds.join(', ')}; ${count} per ${per}`,
  }),
  field('Food', '/traits/diet', 'Food', { type: 'text' }),
  field('Food', '/traits/feeding', 'Feeding mode', choice('picks', 'grazes', 'sifts', 'sucks', 'filters')),
  field('Food', '/traits/dietNeeds', 'Cannot do without', choice('wood', 'live food')),
  field('Food', '/traits/eatsSlowly', 'Eats slowly', { type: 'yes' }),
  field('Food', '/traits/eats', 'Eats besides', { type: 'choices', options: ['plants', 'snails', 'shrimp', 'eggs', 'young'] }),
  field('Breeding', '/traits/breeding/mode', 'How', choice(...BreedingMode.options)),
  field('Breeding', '/traits/breeding/site', 'Site', { type: 'text' }),
  field('Breeding', '/traits/breeding/trigger', 'Spawning trigger', { type: 'text' }),
  field('Breeding', '/traits/breeding/brood', 'Brood', { type: 'span', unit: '', max: 1e6 }),
  field('Breeding', '/traits/breeding/intervalDays', 'Every', { type: 'span', unit: 'days', max: 1500 }),
  field('Breeding', '/traits/breeding/incubationDays', 'Incubation', { type: 'span', unit: 'days', max: 400 }),
  field('Breeding', '/traits/breeding/maturityDays', 'First brood after', { type: 'span', unit: 'days', max: 4000 }),
  field('Breeding', '/traits/breeding/care', 'Care by', choice('none', 'male', 'female', 'both', 'group')),
  field('Breeding', '/traits/breeding/firstFood', 'First food', { type: 'text' }),
  ORIGIN_FIELD,
  REGION_FIELD,
];

const PLANT_FIELDS: readonly Field[] = [
  field('Body', '/sizeMm/length', 'Mature height', mm(3000)),
  field('Body', '/sizeMm/width', 'Spread', mm(3000)),
  field('Body', '/traits/growth', 'Growth', choice('slow', 'moderate', 'fast')),
  field('Place', '/traits/rooting', 'Planting', choice('bury', 'attach', 'float')),
  field('Place', '/traits/light', 'Light', choice('low', 'medium', 'high')),
  field('Place', '/traits/ppfd', 'Light where it stands', {
    type: 'shown',
    show: ({ least, good }: { least: number; good: readonly [number, number] }) => `from ${least}, well at ${good[0]}–${good[1]} µmol/m²s`,
  }),
  field('Place', '/traits/rootMm', 'Roots reach', { type: 'shown', show: (span: [number, number]) => spanText(span, 'mm') }),
  field('Place', '/traits/cover', 'Cover for young', choice('poor', 'fair', 'good')),
  field('Body', '/traits/bought', 'Sold as', { type: 'choices', options: Bought.options }),
  field('Place', '/traits/co2', 'Carbon dioxide', choice('none', 'helps', 'needs')),
  field('Food', '/traits/feeds', 'Feeds by', choice('root', 'water', 'both')),
  field('Temperament', '/traits/melts', 'Melts when moved', { type: 'yes' }),
  field('Temperament', '/traits/edible', 'Eaten by grazers', { type: 'yes' }),
  field('Temperament', '/traits/toxic', 'Toxic', choice('no', 'mild', 'yes')),
  ORIGIN_FIELD,
  REGION_FIELD,
];

const spanText = ([low, high]: readonly [number, number], unit: string): string =>
  `${low === high ? low : `${low}–${high}`}${unit ? ` ${unit}` : ''}`;

const MATERIAL_FIELDS: readonly Field[] = [
  field('Material', '/densityKgPerM3', 'Density', { type: 'number', unit: 'kg/m³', max: 5000 }),
  field('Material', '/grainMm', 'Grain', { type: 'shown', show: (span: [number, number]) => spanText(span, 'mm') }),
  field('Material', '/reposeDegrees', 'Stands up to', { type: 'shown', show: (span: [number, number]) => spanText(span, '°') }),
  field('Material', '/effectOnWater', 'Effect on water', choice('none', 'hardens', 'softens', 'acidifies')),
  field('Action', '/action/setPh', 'Brings pH to', { type: 'shown', show: (span: [number, number]) => spanText(span, '') }),
  field('Action', '/action/capacityMeqPerL', 'Takes up', {
    type: 'shown',
    show: (span: [number, number]) => spanText(span, 'meq a litre'),
  }),
  field('Action', '/action/ratePerDay', 'Dissolves', {
    type: 'shown',
    show: (span: [number, number]) => spanText(span, 'of the way a day, 1 kg in 1 L'),
  }),
  field('Action', '/action/carbonMgPerG', 'Gives off', {
    type: 'shown',
    show: (span: [number, number]) => spanText(span, 'mg carbon a gram'),
  }),
  field('Action', '/action/lastsWeeks', 'Lasts', { type: 'shown', show: (span: [number, number]) => spanText(span, 'weeks') }),
];

const PLACE_FIELDS: readonly Field[] = [
  ...PARAMETERS.map((parameter) =>
    field('Water', `/water/${parameter}`, PARAMETER_META[parameter].name, {
      type: 'between',
      kind: PARAMETER_META[parameter].kind,
    }),
  ),
  field('Place', '/depthM', 'Depth', { type: 'span', unit: 'm', max: 100 }),
  field('Place', '/bottom', 'Bottom', { type: 'text' }),
  field('Place', '/cover', 'Cover', { type: 'text' }),
  field('Place', '/current', 'Current', choice('none', 'slow', 'moderate', 'strong')),
  field('Place', '/light', 'Light', choice('dim', 'broken', 'bright')),
  field('Place', '/locality', 'Where', { type: 'text' }),
];

/** Fields that every entry of its kind can be sought and compared by. */
export const SOUGHT: Readonly<Record<'animals' | 'plants' | 'places' | 'materials', readonly Field[]>> = {
  animals: [...rangeFields('keep'), ...ANIMAL_FIELDS],
  plants: [...rangeFields('keep'), ...PLANT_FIELDS],
  places: PLACE_FIELDS,
  materials: MATERIAL_FIELDS,
};

function rangeFields(phase: Phase): Field[] {
  return PARAMETERS.map((parameter) =>
    field(
      'Water',
      `/ranges/${phase}/${parameter}`,
      `${PARAMETER_META[parameter].name}${phase === 'keep' ? '' : `, ${PHASE_WORD[phase]}`}`,
      {
        type: 'range',
        parameter,
      },
    ),
  );
}

/** Every fact of an organism, in reading order; a phase of its own only where something is recorded for it. */
/** Said of few, and left out of all others: no value of theirs is unknown. */
const OF_FEW = new Set(['/traits/leaps', '/traits/deepestMm', '/traits/eatsSlowly', '/traits/dietNeeds']);

export function fieldsOf(entry: Organism): readonly Field[] {
  const phases = Phase.options.flatMap((phase) =>
    phase === 'keep' ? rangeFields(phase) : rangeFields(phase).filter(({ path }) => factAt(entry, path) !== undefined),
  );
  const steps = PARAMETERS.filter((parameter) => entry.dailyStep[parameter] !== undefined).map((parameter) =>
    field('Water', `/dailyStep/${parameter}`, `${PARAMETER_META[parameter].name}, most in a day`, {
      type: 'quantity',
      kind: parameter === 'temperatureC' ? 'temperatureStep' : PARAMETER_META[parameter].kind,
      max: 1000,
    }),
  );
  const facts = entry.kind === 'animal' ? ANIMAL_FIELDS : PLANT_FIELDS;
  return [...phases, ...steps, ...facts.filter(({ path }) => !OF_FEW.has(path) || factAt(entry, path) !== undefined)];
}

export const materialFieldsOf = (material: Material): readonly Field[] =>
  MATERIAL_FIELDS.filter(({ path }) => factAt(material, path) !== undefined);

/** The fact at a JSON pointer; undefined where nothing is recorded. */
export function factAt(entry: unknown, path: string): Fact<unknown> | undefined {
  let at: unknown = entry;
  for (const key of path.split('/').slice(1)) {
    if (at === null || typeof at !== 'object' || !Object.hasOwn(at, key)) return undefined;
    at = (at as Record<string, unknown>)[key];
  }
  return at as Fact<unknown> | undefined;
}

export const UNKNOWN = '○ not known';

/** A fact in words; comfort first, survival behind it. */
export function showFact({ as }: Field, fact: Fact<unknown> | undefined, units: UnitChoice): string {
  const value = fact?.value ?? null;
  if (value === null) return UNKNOWN;
  switch (as.type) {
    case 'range': {
      const { tolerance, optimum } = value as ToleranceRange;
      const { kind } = PARAMETER_META[as.parameter];
      const show = ([low, high]: ToleranceRange['optimum']) =>
        low !== null && high !== null
          ? formatSpan(kind, [low, high], units)
          : low !== null
            ? `from ${formatQuantity(kind, low, units)}`
            : high !== null
              ? `up to ${formatQuantity(kind, high, units)}`
              : '○';
      return `${show(optimum)} (tolerated ${show(tolerance)})`;
    }
    case 'quantity':
      return formatQuantity(as.kind, value as number, as.inUnit === 'mm' && units.length !== 'in' ? { ...units, length: 'mm' } : units);
    case 'between':
      return formatSpan(as.kind, value as [number, number], units);
    case 'number':
      return `${value as number}${as.unit ? ` ${as.unit}` : ''}`;
    case 'span':
      return spanText(value as [number, number], as.unit);
    case 'choices':
      return (value as string[]).length > 0 ? (value as string[]).join(', ') : 'nothing';
    case 'yes':
      return value ? 'yes' : 'no';
    case 'shown':
      return as.show(value as never);
    default:
      return String(value as string);
  }
}
