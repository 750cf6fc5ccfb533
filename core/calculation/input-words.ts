import { formatQuantity, formatSpan, rounded, written, type UnitChoice } from '../quantity/format';
import type { QuantityKind } from '../quantity/unit';

/** What a name in a calculation means: the words for it, and the unit that its name ends in. */
export interface InputMeta {
  /** "Alkalinity", "Wall height". */
  label: string;
  /** A quantity that people choose the unit of; `times` makes it canonical. */
  kind: QuantityKind | null;
  times: number;
  /** The unit where there is no choice of one; empty for bare numbers and words. */
  unit: string;
}

type Suffix = readonly [ending: string, meaning: { kind: QuantityKind; times?: number } | string];

/** Longest first: the first that fits is taken. */
const SUFFIXES: readonly Suffix[] = (
  [
    ['UsPerCm', { kind: 'conductivity' }],
    ['MsPerCm', 'mS/cm'],
    ['siemensPerCm25', 'µS/cm'],
    ['siemensPerCm', 'µS/cm'],
    ['Mm', { kind: 'length' }],
    ['M', { kind: 'length', times: 1000 }],
    ['M2', 'm²'],
    ['Mm2', 'mm²'],
    ['M3PerDay', 'm³ a day'],
    ['L', { kind: 'volume' }],
    ['Litres', { kind: 'volume' }],
    ['LPerDay', { kind: 'volumePerDay' }],
    ['LitresPerDay', { kind: 'volumePerDay' }],
    ['Kg', { kind: 'mass', times: 1000 }],
    ['G', 'g'],
    ['Grams', 'g'],
    ['Mg', 'mg'],
    ['MgN', 'mg N'],
    ['MgP', 'mg P'],
    ['MgPerL', 'mg/L'],
    ['MgNPerL', 'mg N/L'],
    ['NMgPerL', 'mg N/L'],
    ['MgPPerL', 'mg P/L'],
    ['MgPerDay', 'mg a day'],
    ['MgO2PerDay', 'mg O₂ a day'],
    ['MgO2PerG', 'mg O₂/g'],
    ['MgPPerG', 'mg P/g'],
    ['MgPerKgHour', 'mg/kg an hour'],
    ['GPerDay', 'g a day'],
    ['GNPerM2', 'g N/m² a day'],
    ['GramsPerDh', 'g per °dH in 100 L'],
    ['GramsPer100L', 'g in 100 L'],
    ['GPer100L', 'g in 100 L'],
    ['LPerH', 'L/h'],
    ['MgNPerDay', 'mg N a day'],
    ['MgPerHour', 'mg an hour'],
    ['PerHour', 'an hour'],
    ['PerYear', 'a year'],
    ['PerDay', 'a day'],
    ['PerDayM', 'm a day'],
    ['PercentPerC', '% per °C'],
    ['Mmol', 'mmol'],
    ['Meq', 'meq'],
    ['MeqPerL', 'meq/L'],
    ['MmolPerL', 'mmol/L'],
    ['MolPerL', 'mol/L'],
    ['MolPerM2', 'mol/m²'],
    ['UmolPerS', 'µmol/s'],
    ['MmolPerKg', 'mmol/kg'],
    ['Uatm', 'µatm'],
    ['Hpa', 'hPa'],
    ['KPa', { kind: 'pressure' }],
    ['C', { kind: 'temperature' }],
    ['W', { kind: 'power' }],
    ['Watts', { kind: 'power' }],
    ['UWPerM2K', 'W/m²K'],
    ['Hours', { kind: 'hours' }],
    ['Days', 'days'],
    ['Weeks', 'weeks'],
    ['Minutes', 'min'],
    ['MPerS', 'm/s'],
    ['MmPerS', 'mm/s'],
    ['MlPerMin', 'mL/min'],
    ['KgPerM3', 'kg/m³'],
    ['KgPerL', 'kg/L'],
    ['Degrees', '°'],
    ['Dh', '°dH'],
    ['PerM', 'per m'],
  ] as Suffix[]
).sort(([a], [b]) => b.length - a.length);

/** Names that say in full what they are. */
const WHOLE: Readonly<Record<string, Omit<InputMeta, 'times'> & { times?: number }>> = {
  ghDh: { label: 'GH', kind: 'hardness', unit: '' },
  khDh: { label: 'KH', kind: 'alkalinity', unit: '' },
  ph: { label: 'pH', kind: 'ph', unit: '' },
  setPh: { label: 'pH it holds', kind: 'ph', unit: '' },
  phTotalScale: { label: 'pH, total scale', kind: 'ph', unit: '' },
  phAsAMeterReads: { label: 'pH as a meter reads it', kind: 'ph', unit: '' },
  salinity: { label: 'Salinity', kind: 'salinity', unit: '' },
  fromSalinity: { label: 'From salinity', kind: 'salinity', unit: '' },
  toSalinity: { label: 'To salinity', kind: 'salinity', unit: '' },
  replacementSalinity: { label: 'Salinity of the new water', kind: 'salinity', unit: '' },
  humidity: { label: 'Humidity', kind: 'fraction', unit: '' },
  fraction: { label: 'Share', kind: 'fraction', unit: '' },
  share: { label: 'Share', kind: 'fraction', unit: '' },
  evaporatedFraction: { label: 'Share evaporated', kind: 'fraction', unit: '' },
  changeFraction: { label: 'Share changed', kind: 'fraction', unit: '' },
  count: { label: 'Number', kind: 'count', unit: '' },
  kg: { label: 'Mass', kind: 'mass', times: 1000, unit: '' },
  kPa: { label: 'Pressure', kind: 'pressure', unit: '' },
  litres: { label: 'Volume', kind: 'volume', unit: '' },
  watts: { label: 'Power', kind: 'power', unit: '' },
  hours: { label: 'Hours', kind: 'hours', unit: '' },
  weeks: { label: 'Weeks', kind: null, unit: 'weeks' },
  minutes: { label: 'Minutes', kind: null, unit: 'min' },
  doseMgNPerLPerDay: { label: 'Ammonia given', kind: null, unit: 'mg N/L a day' },
  soilMgNPerL: { label: 'Ammonia in fresh soil', kind: null, unit: 'mg N/L' },
  ammoniaOxidisersMgPerL: { label: 'Bacteria that take ammonia', kind: null, unit: 'mg/L' },
  nitriteOxidisersMgPerL: { label: 'Bacteria that take nitrite', kind: null, unit: 'mg/L' },
  ammoniaMgN: { label: 'Ammonia', kind: null, unit: 'mg N/L' },
  nitriteMgN: { label: 'Nitrite', kind: null, unit: 'mg N/L' },
  nitrateMgN: { label: 'Nitrate', kind: null, unit: 'mg N/L' },
  changesPerWeek: { label: 'Changes', kind: null, unit: 'a week' },
  litresPerChange: { label: 'A change', kind: 'volume', unit: '' },
  feedingsPerWeek: { label: 'Feedings', kind: null, unit: 'a week' },
  dosesPerWeek: { label: 'Doses', kind: null, unit: 'a week' },
  breathMgPerHour: { label: 'Oxygen breathed', kind: null, unit: 'mg an hour' },
  months: { label: 'Months', kind: null, unit: 'months' },
  growthMonths: { label: 'Grown up after', kind: null, unit: 'months' },
  monthsToGrown: { label: 'Grown up in', kind: null, unit: 'months' },
  lambdaPerWeek: { label: 'In a week it grows by a factor of', kind: null, unit: '' },
  doublingWeeks: { label: 'Doubles in', kind: null, unit: 'weeks' },
  clutch: { label: 'Eggs or young of a brood', kind: null, unit: '' },
  sexRatio: { label: 'Share of females', kind: null, unit: '' },
  eggSurvival: { label: 'Share that hatches', kind: null, unit: '' },
  intervalWeeks: { label: 'From brood to brood', kind: null, unit: 'weeks' },
  juvenileWeeks: { label: 'From hatching to the first brood', kind: null, unit: 'weeks' },
  juvenileWeeklySurvival: { label: 'Share of the young that lives through a week', kind: null, unit: '' },
  adultWeeklySurvival: { label: 'Share of the grown that lives through a week', kind: null, unit: '' },
  effectiveSize: { label: 'Breeds like an even line of', kind: null, unit: '' },
  inbreeding: { label: 'Inbreeding', kind: null, unit: '' },
  generations: { label: 'Generations', kind: null, unit: '' },
  confidence: { label: 'How sure', kind: null, unit: '' },
  probability: { label: 'Chance', kind: null, unit: '' },
  first: { label: 'Netted first', kind: null, unit: '' },
  second: { label: 'Netted then', kind: null, unit: '' },
  loci: { label: 'Loci', kind: null, unit: '' },
  alleles: { label: 'Forms, those that cover first', kind: null, unit: '' },
  dominance: { label: 'How a form covers', kind: null, unit: '' },
  on: { label: 'On which chromosome', kind: null, unit: '' },
  lethal: { label: 'Form that kills when doubled', kind: null, unit: '' },
  apart: { label: 'Parts from the one before it', kind: null, unit: '' },
  sets: { label: 'Sets of chromosomes', kind: null, unit: '' },
  nowMm: { label: 'Length now', kind: 'length', unit: '' },
  grownMm: { label: 'Length when grown', kind: 'length', unit: '' },
  perL: { label: 'For a volume of', kind: 'volume', unit: '' },
  netL: { label: 'Water in the tank', kind: 'volume', unit: '' },
  grams: { label: 'Mass', kind: null, unit: 'g' },
  organismId: { label: 'Id of the kind in the catalogue', kind: null, unit: '' },
  areaM2: { label: 'Floor', kind: null, unit: 'm²' },
  radiusM: { label: 'Half as wide as a territory', kind: null, unit: 'm' },
  itemsPerM2: { label: 'Things on a square metre', kind: null, unit: '' },
  itemRadiusM: { label: 'Half as wide as each', kind: null, unit: 'm' },
  molPerM2: { label: 'Light of a day', kind: null, unit: 'mol/m²' },
  ppfd: { label: 'PPFD', kind: null, unit: 'µmol/m²s' },
  a440PerM: { label: 'Absorption at 440 nm', kind: null, unit: 'per m' },
  mgPerL: { label: 'Content', kind: null, unit: 'mg/L' },
  lPerH: { label: 'Flow', kind: null, unit: 'L/h' },
  perHour: { label: 'Turnover', kind: null, unit: 'an hour' },
  pricePerKwh: { label: 'Price of a kilowatt hour', kind: null, unit: '' },
  kwhPerYear: { label: 'Current', kind: null, unit: 'kWh a year' },
  mgNPerDay: { label: 'Nitrogen', kind: null, unit: 'mg N a day' },
  mgPerDay: { label: 'Amount', kind: null, unit: 'mg a day' },
  gPerDay: { label: 'Amount', kind: null, unit: 'g a day' },
  mgPerKgHour: { label: 'Breath', kind: null, unit: 'mg/kg an hour' },
  kgPerM3: { label: 'Density', kind: null, unit: 'kg/m³' },
  percentPerC: { label: 'Change with warmth', kind: null, unit: '% per °C' },
  specificGravity: { label: 'Specific gravity', kind: null, unit: '' },
  pco2Uatm: { label: 'CO₂ pressure', kind: null, unit: 'µatm' },
  ec25UsPerCm: { label: 'Conductivity at 25 °C', kind: 'conductivity', unit: '' },
  docMgPerL: { label: 'Dissolved organic carbon', kind: null, unit: 'mg/L' },
  dicMmolPerL: { label: 'Inorganic carbon', kind: null, unit: 'mmol/L' },
  addDicMmolPerL: { label: 'Inorganic carbon added', kind: null, unit: 'mmol/L' },
  addAlkalinityMeqPerL: { label: 'Alkalinity added', kind: null, unit: 'meq/L' },
  isRo: { label: 'RO water', kind: null, unit: '' },
  gramsPerDh: { label: 'Grams for a degree in 100 L', kind: null, unit: 'g' },
  pureGramsPerDh: { label: 'Grams for a degree in 100 L, pure', kind: null, unit: 'g' },
  gramsPer100L: { label: 'Grams in 100 L', kind: null, unit: 'g' },
  madePerInterval: { label: 'Made between two changes', kind: null, unit: '' },
  topUpDays: { label: 'Topped up every', kind: null, unit: 'days' },
  toMm: { label: 'Up to', kind: 'length', unit: '' },
  by: { label: 'Off by', kind: null, unit: '' },
  id: { label: 'Name', kind: null, unit: '' },
};

/** What is measured in millimetres whatever lengths are shown in: grains, mouths, gaps and panes. */
const ALWAYS_MM = /grain|gape|opening|glass|thickness|wall(?=Mm)|current/i;

/** Parts of names as the field writes them. */
const WORDS: Readonly<Record<string, string>> = { co2: 'CO₂', ph: 'pH', gh: 'GH', kh: 'KH', ro: 'RO', pco2: 'CO₂ pressure' };

/** "wallHeight" as words: "Wall height". */
function wordsOf(name: string): string {
  const words = name
    .replace(/([a-z0-9])([A-Z])/g, '$1 $2')
    .split(' ')
    .map((word) => WORDS[word.toLowerCase()] ?? word.toLowerCase());
  const text = words.join(' ');
  return /^(pH|GH|KH|CO₂|RO)/.test(text) ? text : text.charAt(0).toUpperCase() + text.slice(1);
}

/** What a name of an input or output means. Names carry their units, so that this reads them off; those that say it otherwise are listed. */
export function inputMeta(name: string): InputMeta {
  const whole = Object.hasOwn(WHOLE, name) ? WHOLE[name] : undefined;
  if (whole) return { times: 1, ...whole };
  for (const [ending, meaning] of SUFFIXES) {
    // a suffix begins a word of its own: the C of "basic" is none
    if (!name.endsWith(ending) || name.length === ending.length || !/[a-z0-9]/.test(name.charAt(name.length - ending.length - 1))) continue;
    const label = wordsOf(name.slice(0, -ending.length));
    if (ending === 'Mm' && ALWAYS_MM.test(name)) return { label, kind: null, times: 1, unit: 'mm' };
    return typeof meaning === 'string' ? { label, kind: null, times: 1, unit: meaning } : { label, times: 1, unit: '', ...meaning };
  }
  return { label: wordsOf(name), kind: null, times: 1, unit: '' };
}

const isSpan = (value: unknown): value is [number, number] =>
  Array.isArray(value) && value.length === 2 && value.every((part) => typeof part === 'number');

/** A value under a name, in words and in the units that were chosen: "Alkalinity 2.8 meq/L". Lists and groups part by part. */
export function sayInput(name: string, value: unknown, units: UnitChoice): string {
  const { kind, times, unit } = inputMeta(name);
  const one = (number: number): string => {
    if (kind) return formatQuantity(kind, number * times, units);
    const said = Math.abs(number) >= 1 ? rounded(number, 2, units) : written(Number(number.toPrecision(2)), units);
    return `${said}${unit === '°' ? '' : ' '}${unit}`.trim();
  };
  if (value === null || value === undefined) return 'none';
  if (typeof value === 'number') return one(value);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (isSpan(value) && (kind !== null || unit !== ''))
    return kind ? formatSpan(kind, [value[0] * times, value[1] * times], units) : `${one(value[0])} to ${one(value[1])}`;
  if (Array.isArray(value)) return value.map((part) => sayInput(name, part, units)).join('; ');
  if (typeof value === 'object')
    return Object.entries(value)
      .map(
        ([part, held]) =>
          `${inputMeta(part).label.replace(/^[A-Z](?=[a-z ])/, (letter) => letter.toLowerCase())} ${sayInput(part, held, units)}`,
      )
      .join(', ');
  return typeof value === 'string' ? value : JSON.stringify(value);
}
