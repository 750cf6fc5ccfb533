import type { Ion } from '../chemistry/ions';
import { SEA_SALT_MMOL_PER_G } from './sea-composition';

/** A salt for building water up, with what a millimole of it brings and how much of it dissolves. */
export interface Salt {
  id: string;
  name: string;
  /** g/mol, IUPAC conventional atomic weights. */
  molarMass: number;
  /** mmol of each ion from a mmol of salt; bicarbonate stands for alkalinity. */
  ions: Partial<Record<Ion, number>>;
  /** Grams that dissolve in a litre of water at 25 degC; CRC Handbook, recalled. */
  solubilityGPerL: number;
  /** Stands apart in concentrates: lime salts meet neither sulfate nor carbonate there. */
  stock: 'calcium' | 'sulfate' | 'alkaline' | 'any';
  caution?: string;
}

/** Salts in common use, as generic substances. Lime itself is left out: it dissolves too slowly to weigh in. */
export const SALTS: readonly Salt[] = [
  {
    id: 'gypsum',
    name: 'Gypsum (calcium sulfate, 2 H₂O)',
    molarMass: 172.164,
    ions: { calcium: 1, sulfate: 1 },
    solubilityGPerL: 2.6,
    stock: 'calcium',
  },
  {
    id: 'calcium-chloride',
    name: 'Calcium chloride (2 H₂O)',
    molarMass: 147.008,
    ions: { calcium: 1, chloride: 2 },
    solubilityGPerL: 900,
    stock: 'calcium',
    caution: 'It warms the water as it dissolves: a little at a time.',
  },
  {
    id: 'epsom-salt',
    name: 'Epsom salt (magnesium sulfate, 7 H₂O)',
    molarMass: 246.466,
    ions: { magnesium: 1, sulfate: 1 },
    solubilityGPerL: 700,
    stock: 'sulfate',
  },
  {
    id: 'magnesium-chloride',
    name: 'Magnesium chloride (6 H₂O)',
    molarMass: 203.295,
    ions: { magnesium: 1, chloride: 2 },
    solubilityGPerL: 1200,
    stock: 'any',
  },
  {
    id: 'sodium-bicarbonate',
    name: 'Baking soda (sodium bicarbonate)',
    molarMass: 84.006,
    ions: { sodium: 1, bicarbonate: 1 },
    solubilityGPerL: 103,
    stock: 'alkaline',
  },
  {
    id: 'potassium-bicarbonate',
    name: 'Potassium bicarbonate',
    molarMass: 100.114,
    ions: { potassium: 1, bicarbonate: 1 },
    solubilityGPerL: 362,
    stock: 'alkaline',
  },
  {
    id: 'sodium-chloride',
    name: 'Table salt (sodium chloride, nothing added)',
    molarMass: 58.44,
    ions: { sodium: 1, chloride: 1 },
    solubilityGPerL: 360,
    stock: 'any',
  },
  {
    id: 'potassium-sulfate',
    name: 'Potassium sulfate',
    molarMass: 174.253,
    ions: { potassium: 2, sulfate: 1 },
    solubilityGPerL: 120,
    stock: 'sulfate',
  },
];

/** Mass of a mix as it is sold over that of its dry salt. Common practice: 1.03 to 1.15. */
export const SEA_SALT_MOISTURE = 1.08;

/** Salt mix of sea proportions as it is sold; a "millimole" of it is a milligram. */
export const SEA_SALT: Salt = {
  id: 'sea-salt',
  name: 'Sea salt mix',
  molarMass: 1,
  ions: Object.fromEntries(Object.entries(SEA_SALT_MMOL_PER_G).map(([ion, mmol]) => [ion, mmol / 1000 / SEA_SALT_MOISTURE])),
  solubilityGPerL: 350,
  stock: 'any',
  caution: 'Mixes hold 3–15 % of water: mix, wait a day, measure, correct.',
};

/** A salt as it is said within a line: without its formula. An id that is not known is said as it is. */
export function saltName(id: string, salts: ReadonlyMap<string, Salt>): string {
  const name = (salts.get(id)?.name ?? id).replace(/ \(.*\)$/, '');
  return name.charAt(0).toLowerCase() + name.slice(1);
}

/** Milligrams of a salt per litre that bring one degree of GH, or of KH; null where it brings none. */
export function mgPerDegree(
  salt: Salt,
  mmolPerDegreeHardness: number,
  meqPerDegreeAlkalinity: number,
): { gh: number | null; kh: number | null } {
  const hardness = (salt.ions.calcium ?? 0) + (salt.ions.magnesium ?? 0);
  const alkalinity = salt.ions.bicarbonate ?? 0;
  return {
    gh: hardness > 0 ? (salt.molarMass * mmolPerDegreeHardness) / hardness : null,
    kh: alkalinity > 0 ? (salt.molarMass * meqPerDegreeAlkalinity) / alkalinity : null,
  };
}
