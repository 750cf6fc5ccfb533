import * as z from 'zod';
import { KJ_PER_L_K, N_MASS, STATE, STATE_SIZE, type State } from './state';

const amount = (max: number) => z.number().min(0).max(max);
const Temperature = z.number().min(0).max(40);

/** A water as it stands or is poured, per litre. */
export const TankWater = z.strictObject({
  calciumMmol: amount(500),
  magnesiumMmol: amount(500),
  sodiumMmol: amount(2000),
  potassiumMmol: amount(500),
  chlorideMmol: amount(2000),
  sulfateMmol: amount(500),
  alkalinityMeq: z.number().min(-5).max(60),
  /** CO2 pressure it stands with, µatm. */
  pco2Uatm: z.number().min(50).max(200000),
  ammoniaMgN: amount(100),
  nitriteMgN: amount(100),
  nitrateMgN: amount(1000),
  phosphateMgP: amount(100),
  organicCarbonMg: amount(500),
});
export type TankWater = z.infer<typeof TankWater>;

/**
 * Heat given off, W, and evaporation, L a day, over a grid of water and air temperatures; between its points it is straight.
 * Rows are air, columns water.
 */
export const HeatTable = z.strictObject({
  airC: z.tuple([z.number(), z.number()]),
  waterC: z.tuple([z.number(), z.number()]),
  columns: z.number().int().min(2).max(100),
  lossW: z.array(z.array(z.number().finite())).length(2),
  evaporationLPerDay: z.array(z.array(z.number().min(0))).length(2),
});
export type HeatTable = z.infer<typeof HeatTable>;

const Weekly = z.number().positive().max(365);

/** Everything that a look ahead at one tank rests on. Plain numbers: what is not known has been taken by whoever made it, and said. */
export const TankScenario = z.strictObject({
  litres: z.number().min(0.5).max(20000),
  /** Salinity that decides the constants of the chemistry; 0 to 1 is fresh. */
  salinity: z.number().min(0).max(42),
  start: TankWater,
  replacement: TankWater,
  topUp: TankWater,
  /** How what evaporates is made good: as it goes, or by hand every so many days. */
  topUpDays: z.number().min(0).max(60),
  change: z.strictObject({ fraction: z.number().min(0).max(1), everyDays: Weekly }).nullable(),
  lampHours: z.number().min(0).max(24),
  /** When the lamps come on, hours from midnight; left out for half of their hours before one in the afternoon. */
  lampsOnHour: z.number().min(0).max(24).optional(),
  heat: z.union([
    /** Held, whatever it takes, at this temperature; evaporation a day then is as given. */
    z.strictObject({ heldC: Temperature, evaporationLPerDay: amount(500) }),
    z.strictObject({
      startC: Temperature,
      /** Air at its lowest and highest of a day, by 30 days from the start. */
      airC: z
        .array(z.tuple([Temperature, Temperature]))
        .min(1)
        .max(14),
      heaterC: Temperature.nullable(),
      heaterW: amount(5000),
      coolerC: Temperature.nullable(),
      coolerW: amount(5000),
      gearW: amount(5000),
      table: HeatTable,
    }),
  ]),
  gas: z.strictObject({
    /** Open water, m². */
    surfaceM2: z.number().positive().max(20),
    /** Times the exchange of still water: ripple 5, an air stone 6, a weir with its sump 10. */
    movement: z.number().min(0.1).max(10),
    /** Air that a lid lets through in a day, m³; null where the water lies open. */
    headspaceM3PerDay: z.number().positive().max(1e6).nullable(),
    roomPco2Uatm: z.number().min(300).max(10000),
    /** Height above the sea makes it less. */
    pressureHpa: z.number().min(500).max(1100),
    /** Held while it is on, mg/L; null where none is fed. */
    fedCo2MgPerL: z.number().min(0).max(200).nullable(),
    /** Let in at this rate while it is on, mg a day, in place of holding the level. */
    fedMgPerDay: amount(1e7).optional(),
    /** From one hour of the clock to another; left out while the lamps burn. */
    fedFromTo: z.tuple([z.number().min(0).max(24), z.number().min(0).max(24)]).optional(),
  }),
  /** Oxygen that all animals breathe at 25 °C, mg a day. */
  animalsMgO2PerDay: amount(1e6),
  feed: z.strictObject({
    gPerDay: amount(2000),
    /** Share of protein. */
    protein: z.number().min(0).max(0.8),
    /** Ammonia nitrogen from the nitrogen of the feed. */
    toAmmonia: z.number().min(0).max(1),
    /** Phosphorus that comes into solution, mg per gram of feed. */
    phosphateMgPPerG: amount(30),
    /** Oxygen that microbes take for what is left of it, mg per gram of feed. */
    decayMgO2PerG: amount(1500),
    /** Hours of the clock at which it is given; left out for little by little. */
    atHours: z.array(z.number().min(0).max(24)).max(12).optional(),
  }),
  filter: z.strictObject({
    /** Surface that nitrifiers live on, m². */
    biofilmM2: amount(2000),
    /** First-order rate at 20 °C in full oxygen, m a day. */
    ratePerDayM: z.number().min(0).max(2),
    /** Grown in, 0 to 1. */
    maturity: z.number().min(0).max(1),
  }),
  plants: z.strictObject({
    areaM2: amount(50),
    /** Nitrogen taken up by day and square metre at best, averaged over the day, g. */
    uptakeGNPerM2: z.number().min(0).max(2),
    /** Share of it that has its leaves in the air; left out for none. */
    inAir: z.number().min(0).max(1).optional(),
  }),
  soil: z.strictObject({ setPh: z.number().min(3).max(9), capacityMeq: amount(1e7), ratePerDay: z.number().min(0).max(5) }).nullable(),
  lime: z.strictObject({ mineral: z.enum(['calcite', 'aragonite']), litresPerDay: amount(1e5) }).nullable(),
  leaves: z.strictObject({ carbonMgPerDay: amount(1e6), decayPerDay: z.number().min(0).max(1) }),
  media: z.strictObject({
    /** Activated carbon, g: renewed before it tires. */
    carbonG: amount(1e5),
    /** Phosphate remover's capacity, mg P. */
    binderMgP: amount(1e6),
  }),
  /** Doses by hand: what one dose brings, amounts of the whole tank. */
  doses: z
    .array(
      z.strictObject({
        everyDays: Weekly,
        calciumMmol: amount(1e6),
        magnesiumMmol: amount(1e6),
        sodiumMmol: amount(1e6),
        potassiumMmol: amount(1e6),
        chlorideMmol: amount(1e6),
        sulfateMmol: amount(1e6),
        alkalinityMeq: amount(1e6),
        nitrateMgN: amount(1e6),
        phosphateMgP: amount(1e6),
      }),
    )
    .max(20),
});
export type TankScenario = z.infer<typeof TankScenario>;
export type Dose = TankScenario['doses'][number];

/** When the lamps come on, hours from midnight. */
export const lampsOnHourOf = ({ lampsOnHour, lampHours }: Pick<TankScenario, 'lampsOnHour' | 'lampHours'>): number =>
  lampsOnHour ?? 13 - lampHours / 2;

/** Salinity above which the constants of fresh water no longer hold. */
export const FRESH_SALINITY_MAX = 1;

/** Pure water, with nothing in it but the room's CO2. */
export const PURE_WATER: TankWater = {
  calciumMmol: 0,
  magnesiumMmol: 0,
  sodiumMmol: 0,
  potassiumMmol: 0,
  chlorideMmol: 0,
  sulfateMmol: 0,
  alkalinityMeq: 0,
  pco2Uatm: 800,
  ammoniaMgN: 0,
  nitriteMgN: 0,
  nitrateMgN: 0,
  phosphateMgP: 0,
  organicCarbonMg: 0,
};

/** Adds litres of a water, of a temperature and with its carbon and oxygen, to a state. */
export function pour(y: State, water: TankWater, litres: number, temperatureC: number, carbonMmolPerL: number, oxygenMgPerL: number): void {
  y[STATE.water]! += litres;
  y[STATE.heat]! += litres * temperatureC * KJ_PER_L_K;
  y[STATE.calcium]! += litres * water.calciumMmol;
  y[STATE.magnesium]! += litres * water.magnesiumMmol;
  y[STATE.sodium]! += litres * water.sodiumMmol;
  y[STATE.potassium]! += litres * water.potassiumMmol;
  y[STATE.chloride]! += litres * water.chlorideMmol;
  y[STATE.sulfate]! += litres * water.sulfateMmol;
  y[STATE.alkalinity]! += litres * water.alkalinityMeq;
  y[STATE.carbon]! += litres * carbonMmolPerL;
  y[STATE.ammonia]! += litres * water.ammoniaMgN;
  y[STATE.nitrite]! += litres * water.nitriteMgN;
  y[STATE.nitrate]! += litres * water.nitrateMgN;
  y[STATE.phosphate]! += litres * water.phosphateMgP;
  y[STATE.organicCarbon]! += litres * water.organicCarbonMg;
  y[STATE.oxygen]! += litres * oxygenMgPerL;
}

/** What a dose brings at once. */
export function give(y: State, dose: Dose): void {
  y[STATE.calcium]! += dose.calciumMmol;
  y[STATE.magnesium]! += dose.magnesiumMmol;
  y[STATE.sodium]! += dose.sodiumMmol;
  y[STATE.potassium]! += dose.potassiumMmol;
  y[STATE.chloride]! += dose.chlorideMmol;
  y[STATE.sulfate]! += dose.sulfateMmol;
  y[STATE.alkalinity]! += dose.alkalinityMeq;
  y[STATE.carbon]! += dose.alkalinityMeq;
  y[STATE.nitrate]! += dose.nitrateMgN;
  y[STATE.phosphate]! += dose.phosphateMgP;
}

/** Charge that the strong ions of a water leave to its alkalinity, meq a litre: nought in a sound analysis. */
export const chargeGapPerL = (water: TankWater): number =>
  water.alkalinityMeq -
  (2 * (water.calciumMmol + water.magnesiumMmol) +
    water.sodiumMmol +
    water.potassiumMmol +
    water.ammoniaMgN / N_MASS -
    water.chlorideMmol -
    2 * water.sulfateMmol -
    (water.nitriteMgN + water.nitrateMgN) / N_MASS);

export const emptyState = (): State => new Float64Array(STATE_SIZE);
