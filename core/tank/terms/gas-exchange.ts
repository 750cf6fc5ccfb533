import { hoursFromTo, isBetween } from '../clock';
import type { Now } from '../now';
import { STATE } from '../state';
import type { Term } from '../term';

/** Moles in a cubic metre of air at 25 °C. */
const AIR_MOL_PER_M3 = 40.9;
export const CO2_MASS = 44.009;
/** How fast a level is held, share of what lacks a day. */
const HELD_PER_DAY = 60;
/** Solubility of oxygen, mol/L·atm, at 25 °C: near enough for what a lid does to it. */
export const OXYGEN_KH = 0.00126;

/**
 * What is left of the exchange under a lid: the gas has to get through the surface and then out by the gaps, one after the other. Litres of
 * water a day that reach balance, solubility in mol/L·atm, m³ of air a day; open water gives 1.
 */
export function underLid(litresPerDay: number, solubility: number, airM3PerDay: number | null): number {
  return airM3PerDay === null ? 1 : 1 / (1 + (litresPerDay * solubility) / (AIR_MOL_PER_M3 * airM3PerDay));
}

/** Oxygen and CO2 go through the surface; fed CO2 is held, or let in, while it is on. */
export const gasExchange: Term = {
  id: 'gas-exchange',
  title: 'Gas exchange with the room',
  formula: 'r = k_L A (C* − C) / (1 + k_L A K_H/(40.9 Q)); k_L = 0.50 m/d · movement · (Sc/600)^−½; Q air through a lid’s gaps',
  source: [
    { citation: 'Cole & Caraco 1998, Limnol. Oceanogr. 43:647 (still water)', basis: 'published' },
    { citation: 'Wanninkhof 1992, J. Geophys. Res. 97:7373 (Schmidt numbers)', basis: 'published' },
    { citation: 'Benson & Krause 1984, Limnol. Oceanogr. 29:620 (oxygen in balance)', basis: 'published' },
    { citation: 'Two resistances in line, surface and gaps (Liss & Slater 1974, Nature 247:181)', basis: 'recalled' },
    { citation: 'Water rippled by a filter 2 to 4 m a day, air stones 2 to 5; CO₂ of a room 500 to 1200 µatm', basis: 'practice' },
  ],
  uncertainty: 'a factor of 1.6 either way',
  make: ({ gas }) => {
    const litresPerM = gas.surfaceM2 * gas.movement * 1000;
    const fed = (gas.fedCo2MgPerL ?? 0) / CO2_MASS;
    const { fedMgPerDay, fedFromTo } = gas;
    // where day and night are one it counts by its hours; a followed day goes by the clock
    const share = fedFromTo && hoursFromTo(...fedFromTo) / 24;
    const on = ({ day, light }: Now): number => (!fedFromTo ? light : day === 0 ? share! : isBetween((day % 1) * 24, ...fedFromTo) ? 1 : 0);
    return (now, rates) => {
      const [oxygenL, carbonL] = [now.oxygenMPerDay * litresPerM, now.co2MPerDay * litresPerM];
      const lidded = underLid(oxygenL, OXYGEN_KH, gas.headspaceM3PerDay);
      rates[STATE.oxygen]! += oxygenL * lidded * (now.oxygenSaturationMgPerL - now.oxygenMgPerL);
      const balance = now.k.kh * gas.roomPco2Uatm * 1e-3;
      let carbon = carbonL * underLid(carbonL, now.k.kh, gas.headspaceM3PerDay) * (balance - now.co2MmolPerL);
      if (fedMgPerDay !== undefined) carbon += (on(now) * fedMgPerDay) / CO2_MASS;
      else if (fed > 0 && now.co2MmolPerL < fed) carbon += on(now) * HELD_PER_DAY * now.litres * (fed - now.co2MmolPerL);
      rates[STATE.carbon]! += carbon;
    };
  },
};
