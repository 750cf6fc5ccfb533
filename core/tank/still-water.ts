import { PURE_WATER, type TankScenario, type TankWater } from './scenario';

/** Water that stands in a tub or a bag, with animals in it and nothing else. */
export interface StillWater {
  litres: number;
  start: TankWater;
  startC: number;
  /** What is around it: air, or the tank it floats in. */
  aroundC: number;
  /** Heat that it gives to what is around it, watts a degree. */
  wPerK: number;
  surfaceM2: number;
  /** Times the gas exchange of a still surface. */
  movement: number;
  animalsMgO2PerDay: number;
}

/** Such water as the tank's balance takes it: no feed, filter, plants, changes or lamps. */
export function stillWater({ litres, start, startC, aroundC, wPerK, surfaceM2, movement, animalsMgO2PerDay }: StillWater): TankScenario {
  const loss = [-aroundC * wPerK, (40 - aroundC) * wPerK];
  return {
    litres,
    salinity: 0.2,
    start,
    replacement: PURE_WATER,
    topUp: PURE_WATER,
    topUpDays: 0,
    change: null,
    lampHours: 0,
    heat: {
      startC,
      airC: [[aroundC, aroundC]],
      heaterC: null,
      heaterW: 0,
      coolerC: null,
      coolerW: 0,
      gearW: 0,
      table: {
        airC: [aroundC, aroundC],
        waterC: [0, 40],
        columns: 2,
        lossW: [loss, loss],
        evaporationLPerDay: [
          [0, 0],
          [0, 0],
        ],
      },
    },
    gas: { surfaceM2, movement, headspaceM3PerDay: null, roomPco2Uatm: PURE_WATER.pco2Uatm, pressureHpa: 1013.25, fedCo2MgPerL: null },
    animalsMgO2PerDay,
    feed: { gPerDay: 0, protein: 0, toAmmonia: 0, phosphateMgPPerG: 0, decayMgO2PerG: 0 },
    filter: { biofilmM2: 0, ratePerDayM: 0, maturity: 0 },
    plants: { areaM2: 0, uptakeGNPerM2: 0 },
    soil: null,
    lime: null,
    leaves: { carbonMgPerDay: 0, decayPerDay: 0 },
    media: { carbonG: 0, binderMgP: 0 },
    doses: [],
  };
}
