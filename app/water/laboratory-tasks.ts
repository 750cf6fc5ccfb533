import { GRAVITY_REFERENCES } from '../../core/water/salinity-from-specific-gravity';
import type { Parameter } from '../../core/catalogue/parameter';
import type { QuantityKind } from '../../core/quantity/unit';

/** A number the task asks for. */
export interface TaskField {
  key: string;
  label: string;
  kind: QuantityKind;
  limits: readonly [number, number];
  start: number;
  /** Begins with what the plan says. */
  from?: Parameter;
  /** From what is typed to what the calculation takes. */
  times?: number;
}

export interface TaskChoice {
  key: string;
  label: string;
  options: readonly { name: string; values: Readonly<Record<string, number | string | null>> }[];
}

export interface TaskAnswer {
  /** Path in the outputs. */
  key: string;
  label: string;
  kind: QuantityKind | 'text' | 'list';
  /** From what the calculation gives to the canonical unit. */
  times?: number;
}

/** A question from the bench, answered by one calculation. */
export interface LaboratoryTask {
  id: string;
  question: string;
  calculation: string;
  fields: readonly TaskField[];
  choice?: TaskChoice;
  answers: readonly TaskAnswer[];
  /** What the answer does not say. */
  mind?: string;
}

const MEQ = 0.356652;
const temperature: TaskField = {
  key: 'temperatureC',
  label: 'Temperature',
  kind: 'temperature',
  limits: [-2, 45],
  start: 24,
  from: 'temperatureC',
};
const kh: TaskField = { key: 'alkalinityMeqPerL', label: 'KH', kind: 'alkalinity', limits: [0, 28], start: 4, from: 'khDh', times: MEQ };
const ph: TaskField = { key: 'ph', label: 'pH', kind: 'ph', limits: [3, 11], start: 7.2 };

export const LABORATORY_TASKS: readonly LaboratoryTask[] = [
  {
    id: 'co2',
    question: 'How much CO₂ do my pH and KH mean?',
    calculation: 'water.carbonate-system',
    fields: [temperature, kh, ph],
    answers: [
      { key: 'co2MgPerL', label: 'CO₂', kind: 'concentration' },
      { key: 'pco2Uatm', label: 'CO₂ pressure, µatm', kind: 'count' },
    ],
    mind: 'Only where KH is the only buffer. Humic acids of wood, peat and leaves, and soil that holds the pH, break it: the answer is then far too high.',
  },
  {
    id: 'dose',
    question: 'What does a dose of bicarbonate do, at once and later?',
    calculation: 'water.dosing',
    fields: [
      temperature,
      kh,
      ph,
      { key: 'addAlkalinityMeqPerL', label: 'KH added', kind: 'alkalinity', limits: [0, 28], start: 2, times: MEQ },
    ],
    choice: {
      key: 'salt',
      label: 'As',
      options: [
        { name: 'bicarbonate (sodium or potassium)', values: { addDicMmolPerL: 'addAlkalinityMeqPerL', pco2Uatm: 800 } },
        { name: 'carbonate (potash, soda)', values: { addDicMmolPerL: 'half:addAlkalinityMeqPerL', pco2Uatm: 800 } },
      ],
    },
    answers: [
      { key: 'closed.ph', label: 'pH at once', kind: 'ph' },
      { key: 'closed.co2MgPerL', label: 'CO₂ at once', kind: 'concentration' },
      { key: 'open.ph', label: 'pH once aired in a room', kind: 'ph' },
    ],
    mind: 'Between the two lie minutes to hours of airing. A strong acid would free CO₂ at once: never.',
  },
  {
    id: 'lime',
    question: 'Will lime settle out, or stone dissolve?',
    calculation: 'water.saturation-index',
    fields: [
      temperature,
      kh,
      { ...ph, start: 8 },
      { key: 'calciumMmolPerL', label: 'Calcium hardness', kind: 'hardness', limits: [0.1, 100], start: 6, times: 0.178326 },
    ],
    answers: [
      { key: 'calcite', label: 'Index of calcite', kind: 'number' },
      { key: 'aragonite', label: 'Index of aragonite (coral, shell)', kind: 'number' },
    ],
    mind: 'Below 0 lime dissolves, above 0 it may settle; crusts are seen from about 1.',
  },
  {
    id: 'hydrometer',
    question: 'What salinity does my hydrometer or refractometer show?',
    calculation: 'water.salinity-from-specific-gravity',
    fields: [{ key: 'specificGravity', label: 'Specific gravity', kind: 'number', limits: [0.99, 1.04], start: 1.0264 }],
    choice: {
      key: 'reference',
      label: 'Marked',
      options: GRAVITY_REFERENCES.map(({ name, temperatureC, referenceC }) => ({ name, values: { temperatureC, referenceC } })),
    },
    answers: [{ key: 'salinity', label: 'Salinity', kind: 'salinity' }],
    mind: 'The sample has to be at the temperature it is marked for; a wrong reference is up to 3 off.',
  },
  {
    id: 'meter',
    question: 'What salinity does my conductivity meter show?',
    calculation: 'water.practical-salinity',
    fields: [
      {
        key: 'conductivityMsPerCm',
        label: 'Conductivity, not compensated',
        kind: 'conductivity',
        limits: [0, 100000],
        start: 53071,
        times: 0.001,
      },
      { ...temperature, limits: [-2, 35] },
    ],
    answers: [{ key: 'salinity', label: 'Salinity', kind: 'salinity' }],
  },
  {
    id: 'salt',
    question: 'How much salt mix for brackish or sea water?',
    calculation: 'water.sea-salt',
    fields: [
      { key: 'litres', label: 'Water', kind: 'volume', limits: [0.1, 20000], start: 20 },
      { key: 'fromSalinity', label: 'Salinity now', kind: 'salinity', limits: [0, 42], start: 0 },
      { key: 'toSalinity', label: 'Salinity wanted', kind: 'salinity', limits: [0, 42], start: 35 },
      temperature,
      { key: 'moisture', label: 'Mass of the mix to its dry salt', kind: 'number', limits: [1, 1.3], start: 1.08 },
    ],
    answers: [{ key: 'grams', label: 'Salt mix, grams', kind: 'count' }],
  },
  {
    id: 'evaporation',
    question: 'How far does it climb when it evaporates?',
    calculation: 'water.evaporation-drift',
    fields: [
      { key: 'value', label: 'Salinity now', kind: 'salinity', limits: [0, 60], start: 35 },
      { key: 'litres', label: 'Water', kind: 'volume', limits: [0.1, 20000], start: 60 },
      { key: 'lostL', label: 'Evaporated', kind: 'volume', limits: [0, 20000], start: 2 },
      { key: 'toppedL', label: 'Topped up', kind: 'volume', limits: [0, 20000], start: 0 },
      { key: 'topUpValue', label: 'Salinity of the top-up', kind: 'salinity', limits: [0, 60], start: 0 },
    ],
    answers: [{ key: 'value', label: 'Salinity then', kind: 'salinity' }],
  },
  {
    id: 'steps',
    question: 'In which steps from one salinity to another?',
    calculation: 'water.brackish-steps',
    fields: [
      { key: 'litres', label: 'Tank', kind: 'volume', limits: [0.1, 20000], start: 20 },
      { key: 'fromSalinity', label: 'From', kind: 'salinity', limits: [0, 42], start: 12 },
      { key: 'toSalinity', label: 'To', kind: 'salinity', limits: [0, 42], start: 18 },
      { key: 'maxStep', label: 'At most a day', kind: 'salinity', limits: [0.1, 42], start: 2 },
      { key: 'replacementSalinity', label: 'With water of', kind: 'salinity', limits: [0, 45], start: 35 },
    ],
    answers: [{ key: 'steps', label: 'Day by day', kind: 'list' }],
  },
  {
    id: 'ammonia',
    question: 'How much of my ammonia is the poisonous kind?',
    calculation: 'water.free-ammonia-fraction',
    fields: [
      temperature,
      { ...ph, start: 8 },
      { key: 'salinity', label: 'Salinity', kind: 'salinity', limits: [0, 45], start: 0, from: 'salinity' },
    ],
    answers: [{ key: 'fraction', label: 'Un-ionised share', kind: 'fraction' }],
    mind: 'In a breeding tank the aim is none that a kit can find.',
  },
  {
    id: 'nitrite',
    question: 'How much salt guards fish against nitrite?',
    calculation: 'water.nitrite-chloride',
    fields: [
      { key: 'nitriteNMgPerL', label: 'Nitrite, as nitrogen', kind: 'concentration', limits: [0, 100], start: 0.3 },
      { key: 'chlorideMgPerL', label: 'Chloride there', kind: 'concentration', limits: [0, 25000], start: 20 },
    ],
    answers: [
      { key: 'chlorideWantedMgPerL', label: 'Chloride wanted', kind: 'concentration' },
      { key: 'saltMgPerL', label: 'Table salt to add', kind: 'concentration' },
    ],
    mind: 'A stopgap for fish in fresh water, not for shrimp or soft-water plants. First find out why there is nitrite.',
  },
  {
    id: 'chlorine',
    question: 'How much thiosulfate takes chlorine out?',
    calculation: 'water.dechlorination',
    fields: [
      { key: 'chlorineMgPerL', label: 'Chlorine or chloramine, as Cl₂', kind: 'concentration', limits: [0, 20], start: 1 },
      { key: 'litres', label: 'Water', kind: 'volume', limits: [0.1, 20000], start: 20 },
    ],
    choice: {
      key: 'kind',
      label: 'It is',
      options: [
        { name: 'chlorine', values: { kind: 'chlorine' } },
        { name: 'chloramine', values: { kind: 'chloramine' } },
      ],
    },
    answers: [
      { key: 'thiosulfateMg', label: 'Thiosulfate crystals, mg', kind: 'count' },
      { key: 'ammoniaNMgPerL', label: 'Ammonia left, as nitrogen', kind: 'concentration' },
    ],
    mind: 'Never bleach and ammonia together, nor acid and bleach.',
  },
  {
    id: 'oxygen',
    question: 'How much oxygen can this water hold?',
    calculation: 'water.oxygen-saturation',
    fields: [
      { ...temperature, limits: [0, 40] },
      { key: 'salinity', label: 'Salinity', kind: 'salinity', limits: [0, 40], start: 0, from: 'salinity' },
    ],
    answers: [{ key: 'mgPerL', label: 'Saturated with air', kind: 'concentration' }],
  },
  {
    id: 'compensate',
    question: 'What would my conductivity read at 25 °C?',
    calculation: 'water.conductivity-at-25',
    fields: [
      { key: 'microsiemensPerCm', label: 'Reading', kind: 'conductivity', limits: [0, 100000], start: 400 },
      { ...temperature, limits: [0, 40] },
    ],
    choice: {
      key: 'percentPerC',
      label: 'The meter',
      options: [
        { name: 'shows it raw; natural water', values: { percentPerC: null } },
        { name: 'shows it raw; 1.91 % a degree', values: { percentPerC: 1.91 } },
        { name: 'shows it raw; 2.0 % a degree', values: { percentPerC: 2 } },
      ],
    },
    answers: [{ key: 'microsiemensPerCm25', label: 'At 25 °C', kind: 'conductivity' }],
  },
];
