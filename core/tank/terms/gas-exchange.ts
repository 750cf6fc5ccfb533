import { STATE } from '../state';
import type { Term } from '../term';

/** Oxygen and CO2 go through the surface; fed CO2 is held while the lamps burn. */
export const gasExchange: Term = {
  id: 'gas-exchange',
  title: 'Gas exchange with the room',
  formula: 'r = k_L A (C* − C); k_L = 0.50 m/d · movement · (Sc/600)^−½',
  source: [
    { citation: 'Cole & Caraco 1998, Limnol. Oceanogr. 43:647 (still water)', basis: 'published' },
    { citation: 'Wanninkhof 1992, J. Geophys. Res. 97:7373 (Schmidt numbers)', basis: 'published' },
    { citation: 'Benson & Krause 1984, Limnol. Oceanogr. 29:620 (oxygen in balance)', basis: 'published' },
    { citation: 'Rippled water 1 to 2 m a day, air stones 2 to 5; CO₂ of a room 500 to 1200 µatm', basis: 'practice' },
  ],
  uncertainty: 'a factor of 1.6 either way',
  make: ({ gas }) => {
    const litresPerM = gas.surfaceM2 * gas.movement * 1000;
    const fed = (gas.fedCo2MgPerL ?? 0) / 44.009;
    return (now, rates) => {
      rates[STATE.oxygen]! += now.oxygenMPerDay * litresPerM * (now.oxygenSaturationMgPerL - now.oxygenMgPerL);
      const balance = now.k.kh * gas.roomPco2Uatm * 1e-3;
      let carbon = now.co2MPerDay * litresPerM * (balance - now.co2MmolPerL);
      if (fed > 0 && now.co2MmolPerL < fed) carbon += now.light * 12 * now.litres * (fed - now.co2MmolPerL);
      rates[STATE.carbon]! += carbon;
    };
  },
};
