/**
 * The one state vector of a tank. Everything is an amount of the whole tank, so that what is conserved is a plain sum.
 * Concentrations, temperature and pH follow from it.
 */
export const STATE = {
  /** Litres of water. */
  water: 0,
  /** Heat above 0 °C, kJ. */
  heat: 1,
  /** mmol each. */
  calcium: 2,
  magnesium: 3,
  sodium: 4,
  potassium: 5,
  chloride: 6,
  sulfate: 7,
  /** Total alkalinity, meq; humic anions are not in it. */
  alkalinity: 8,
  /** Inorganic carbon, mmol: CO2, bicarbonate and carbonate. */
  carbon: 9,
  /** Total ammonia, nitrite and nitrate, mg N. */
  ammonia: 10,
  nitrite: 11,
  nitrate: 12,
  /** mg P. */
  phosphate: 13,
  /** Dissolved organic carbon, mg C. */
  organicCarbon: 14,
  /** Dissolved oxygen, mg. */
  oxygen: 15,
  /** What the active soil can still take, meq. */
  soil: 16,
  /** What the phosphate remover can still bind, mg P. */
  binder: 17,
  /** Nitrogen grown into plants and slime, mg N: no longer in the water, still in the tank. */
  boundNitrogen: 18,
} as const;
export type StateName = keyof typeof STATE;
export const STATE_NAMES = Object.keys(STATE) as StateName[];
export const STATE_SIZE = STATE_NAMES.length;

/** Amounts by the places of `STATE`. */
export type State = Float64Array;

/** What a change takes out and brings in: everything dissolved, and the heat. */
export const DISSOLVED: readonly number[] = [
  STATE.heat,
  STATE.calcium,
  STATE.magnesium,
  STATE.sodium,
  STATE.potassium,
  STATE.chloride,
  STATE.sulfate,
  STATE.alkalinity,
  STATE.carbon,
  STATE.ammonia,
  STATE.nitrite,
  STATE.nitrate,
  STATE.phosphate,
  STATE.organicCarbon,
  STATE.oxygen,
];

/** Heat capacity of water, kJ a litre and degree. */
export const KJ_PER_L_K = 4.168;
/** Molar mass of nitrogen and of carbon, g/mol. */
export const N_MASS = 14.007;
export const C_MASS = 12.011;

/** All nitrogen of the tank, mg: dissolved and grown in. */
export const nitrogenOf = (y: State): number => y[STATE.ammonia]! + y[STATE.nitrite]! + y[STATE.nitrate]! + y[STATE.boundNitrogen]!;

/**
 * Alkalinity less what the strong ions say it is, meq: base cations and ammonium over strong anions. Every process moves both alike,
 * so it stays as it was: charge is kept.
 */
export const chargeGapOf = (y: State): number =>
  y[STATE.alkalinity]! -
  (2 * (y[STATE.calcium]! + y[STATE.magnesium]!) +
    y[STATE.sodium]! +
    y[STATE.potassium]! +
    y[STATE.ammonia]! / N_MASS -
    y[STATE.chloride]! -
    2 * y[STATE.sulfate]! -
    (y[STATE.nitrite]! + y[STATE.nitrate]!) / N_MASS);
