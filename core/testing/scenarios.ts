import { PURE_WATER, type TankScenario, type TankWater } from '../tank/scenario';

/** GH 8, KH 4, soft enough for most: 60 L with small fish, some plants and a weekly change. */
export const TAP: TankWater = {
  ...PURE_WATER,
  calciumMmol: 1.07,
  magnesiumMmol: 0.357,
  sodiumMmol: 0.4,
  potassiumMmol: 0.05,
  chlorideMmol: 0.9,
  sulfateMmol: 0.4887,
  alkalinityMeq: 1.4266,
  pco2Uatm: 800,
};

export const SMALL_TANK: TankScenario = {
  litres: 60,
  salinity: 0.2,
  start: TAP,
  replacement: TAP,
  topUp: PURE_WATER,
  topUpDays: 0,
  change: { fraction: 0.15, everyDays: 7 },
  lampHours: 9,
  heat: { heldC: 24, evaporationLPerDay: 0.4 },
  gas: { surfaceM2: 0.18, movement: 1.5, headspaceM3PerDay: null, roomPco2Uatm: 800, pressureHpa: 1013.25, fedCo2MgPerL: null },
  animalsMgO2PerDay: 200,
  feed: { gPerDay: 0.2, protein: 0.45, toAmmonia: 0.575, phosphateMgPPerG: 5.5, decayMgO2PerG: 350 },
  filter: { biofilmM2: 0.6, ratePerDayM: 0.3, maturity: 1 },
  plants: { areaM2: 0.05, uptakeGNPerM2: 0.2 },
  soil: null,
  lime: null,
  leaves: { carbonMgPerDay: 0, decayPerDay: 0.01 },
  media: { carbonG: 0, binderMgP: 0 },
  doses: [],
};

/** The same with everything that a tank can have in it. */
export const FULL_TANK: TankScenario = {
  ...SMALL_TANK,
  topUpDays: 1,
  soil: { setPh: 6.2, capacityMeq: 400, ratePerDay: 0.7 },
  lime: { mineral: 'aragonite', litresPerDay: 2 },
  leaves: { carbonMgPerDay: 6, decayPerDay: 0.01 },
  media: { carbonG: 5, binderMgP: 20 },
  heat: {
    startC: 22,
    airC: [
      [17, 19],
      [17, 18],
      [17, 20],
      [18, 22],
    ],
    heaterC: 24,
    heaterW: 50,
    coolerC: null,
    coolerW: 0,
    gearW: 5,
    table: {
      airC: [17, 22],
      waterC: [10, 35],
      columns: 6,
      lossW: [
        [-40, -10, 20, 55, 95, 140],
        [-75, -45, -15, 20, 60, 105],
      ],
      evaporationLPerDay: [
        [0, 0.1, 0.3, 0.5, 0.8, 1.2],
        [0, 0, 0.15, 0.35, 0.6, 1],
      ],
    },
  },
  doses: [
    {
      everyDays: 7,
      calciumMmol: 1,
      magnesiumMmol: 0.5,
      sodiumMmol: 0,
      potassiumMmol: 3,
      chlorideMmol: 3,
      sulfateMmol: 0,
      alkalinityMeq: 3,
      nitrateMgN: 0,
      phosphateMgP: 1,
    },
  ],
};
