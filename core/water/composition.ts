import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../quantity/unit';
import { conductivityOf } from '../chemistry/conductivity';
import { chargeBalance, chargesMeqPerL, NO_IONS, type Ion, type IonsMmolPerL } from '../chemistry/ions';

/** What is known of a water from kits, a meter or a report; null or absent is not known. Ions in mmol/L. */
export interface Readings {
  ghDh: number | null;
  khDh: number | null;
  ec25UsPerCm: number | null;
  ions?: Partial<IonsMmolPerL>;
}

export interface Composition {
  ions: IonsMmolPerL;
  /** What was not read but taken, in words. */
  assumptions: string[];
  /** Readings that cannot all be true, in words. */
  contradictions: string[];
  /** (cations − anions) / (cations + anions) of what was read, before anything was taken; null while a main ion is not named. */
  balance: number | null;
}

/** Share of calcium in a hardness of which no more is known, molar. Common practice: three to one. */
const CALCIUM_SHARE = 0.75;
/** Charge-balance error at which a report is questioned. */
export const QUESTIONED_BALANCE = 0.1;
/** By how much the modelled conductivity may miss the reading before they are said to contradict each other. */
const CONDUCTIVITY_SLACK = 0.1;

/**
 * The ions behind some readings. What was read is kept; what is missing is filled in by stated assumptions: hardness is three parts
 * calcium to one of magnesium, alkalinity is bicarbonate, the charge that is left is chloride and sulfate two to one or sodium, and what
 * conductivity is still missing is table salt.
 */
export function compose({ ghDh, khDh, ec25UsPerCm, ions: read = {} }: Readings): Composition {
  const assumptions: string[] = [];
  const contradictions: string[] = [];
  const known = (ion: Ion): boolean => read[ion] !== undefined;
  const ions: Record<Ion, number> = { ...NO_IONS, ...read };
  const asRead: Partial<Record<Ion, number>> = khDh === null ? read : { bicarbonate: khDh * MEQ_PER_DEGREE_ALKALINITY, ...read };
  // a report can be weighed only when both sides of it are there
  const balance = isWhole(asRead) ? chargeBalance({ ...NO_IONS, ...asRead }) : null;
  if (balance !== null && Math.abs(balance) > QUESTIONED_BALANCE)
    contradictions.push(`its cations and anions differ by ${Math.round(Math.abs(balance) * 100)} %: a value or a unit is wrong`);

  if (ghDh !== null) {
    const hardness = ghDh * MMOL_PER_DEGREE_HARDNESS;
    if (known('calcium') && known('magnesium')) {
      const counted = ions.calcium + ions.magnesium;
      if (Math.abs(counted - hardness) > 0.15 * Math.max(hardness, 0.2))
        contradictions.push('calcium and magnesium do not add up to its GH');
    } else if (known('calcium')) {
      ions.magnesium = Math.max(0, hardness - ions.calcium);
      if (ions.calcium > hardness * 1.1 + 0.05) contradictions.push('there is more calcium than its GH allows');
      else assumptions.push('magnesium is what calcium leaves of the GH');
    } else if (known('magnesium')) {
      ions.calcium = Math.max(0, hardness - ions.magnesium);
      if (ions.magnesium > hardness * 1.1 + 0.05) contradictions.push('there is more magnesium than its GH allows');
      else assumptions.push('calcium is what magnesium leaves of the GH');
    } else if (hardness > 0) {
      ions.calcium = hardness * CALCIUM_SHARE;
      ions.magnesium = hardness * (1 - CALCIUM_SHARE);
      assumptions.push('hardness is three parts calcium to one of magnesium');
    }
  }
  if (khDh !== null) {
    const alkalinity = khDh * MEQ_PER_DEGREE_ALKALINITY;
    if (!known('bicarbonate')) {
      ions.bicarbonate = alkalinity;
      if (alkalinity > 0) assumptions.push('alkalinity is bicarbonate');
    } else if (Math.abs(ions.bicarbonate - alkalinity) > 0.15 * Math.max(alkalinity, 0.3))
      contradictions.push('bicarbonate does not agree with its KH');
  }

  const { cations, anions } = chargesMeqPerL(ions);
  if (cations > anions && !(known('chloride') && known('sulfate'))) {
    const missing = cations - anions;
    const chloride = known('chloride') ? 0 : known('sulfate') ? missing : (missing * 2) / 3;
    ions.chloride += chloride;
    ions.sulfate += (missing - chloride) / 2;
    assumptions.push('the anions that are missing are chloride and sulfate, two to one');
  } else if (anions > cations && !(known('sodium') && known('potassium'))) {
    ions[known('sodium') ? 'potassium' : 'sodium'] += anions - cations;
    assumptions.push('the cations that are missing are sodium');
  }

  if (ec25UsPerCm !== null) {
    const modelled = conductivityOf(ions);
    if (modelled > ec25UsPerCm * (1 + CONDUCTIVITY_SLACK) + 10)
      contradictions.push(
        `${isWhole(asRead) ? 'its ions' : 'GH and KH alone'} would conduct ${Math.round(modelled)} µS/cm, and it reads ${Math.round(ec25UsPerCm)}: one of the readings is wrong`,
      );
    else if (isWhole(asRead) && ec25UsPerCm > modelled * (1 + CONDUCTIVITY_SLACK) + 10)
      contradictions.push(
        `its ions would conduct only ${Math.round(modelled)} µS/cm, and it reads ${Math.round(ec25UsPerCm)}: something is not named, or a reading is wrong`,
      );
    else if (ec25UsPerCm > modelled * 1.02 + 2 && !known('sodium') && !known('chloride')) {
      const salt = saltFor(ions, ec25UsPerCm);
      ions.sodium += salt;
      ions.chloride += salt;
      assumptions.push('what conductivity is missing is table salt');
    }
  }
  return { ions, assumptions, contradictions, balance };
}

/** Whether the main ions of both charges are named. */
function isWhole(read: Partial<IonsMmolPerL>): boolean {
  return (
    read.calcium !== undefined &&
    read.sodium !== undefined &&
    read.bicarbonate !== undefined &&
    read.chloride !== undefined &&
    read.sulfate !== undefined
  );
}

/** Sodium chloride, mmol/L, that brings a water up to a conductivity. */
function saltFor(ions: IonsMmolPerL, ec25UsPerCm: number): number {
  let [low, high] = [0, 60];
  for (let i = 0; i < 50; i++) {
    const salt = (low + high) / 2;
    if (conductivityOf({ ...ions, sodium: ions.sodium + salt, chloride: ions.chloride + salt }) < ec25UsPerCm) low = salt;
    else high = salt;
  }
  return (low + high) / 2;
}

const Degrees = z.number().min(0).max(500).nullable();
const Millimoles = z.number().min(0).max(2000);
const ReadIons = z.strictObject({
  calcium: Millimoles.optional(),
  magnesium: Millimoles.optional(),
  sodium: Millimoles.optional(),
  potassium: Millimoles.optional(),
  bicarbonate: Millimoles.optional(),
  chloride: Millimoles.optional(),
  sulfate: Millimoles.optional(),
  nitrate: Millimoles.optional(),
});

export const composition = calculation({
  id: 'water.composition',
  title: 'Ions behind kit readings or a report',
  inputs: z.strictObject({
    ghDh: Degrees,
    khDh: Degrees,
    ec25UsPerCm: z.number().min(0).max(20000).nullable(),
    ionsMmolPerL: ReadIons.optional(),
  }),
  outputs: z.strictObject({
    ionsMmolPerL: z.record(z.string(), z.number()),
    assumptions: z.array(z.string()),
    contradictions: z.array(z.string()),
    chargeBalance: z.number().nullable(),
  }),
  source: [
    { citation: 'Charge balance: Standard Methods 1030 E', basis: 'published' },
    { citation: 'Calcium to magnesium 3:1, chloride to sulfate 2:1 where they are not read', basis: 'practice' },
  ],
  formula: 'what is read is kept; missing: Ca:Mg 3:1 from GH, HCO₃ from KH, Cl:SO₄ 2:1 or Na to even the charge, NaCl to reach EC',
  validity: 'fresh water',
  uncertainty: 'GH, KH and conductivity are met; single ions that were not read may be off by half',
  compute: ({ ionsMmolPerL, ...readings }) => {
    const read = Object.fromEntries(Object.entries(ionsMmolPerL ?? {}).filter(([, value]) => value !== undefined)) as Partial<IonsMmolPerL>;
    const { ions, assumptions, contradictions, balance } = compose({ ...readings, ions: read });
    return { ionsMmolPerL: { ...ions }, assumptions, contradictions, chargeBalance: balance };
  },
});
