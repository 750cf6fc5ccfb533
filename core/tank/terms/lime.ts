import { FRESH_SALINITY_MAX } from '../scenario';
import { STATE } from '../state';
import type { Term } from '../term';

/**
 * Stone, sand and coral dissolve towards saturation. In pure water under a CO2 pressure the cube root of the saturation ratio is the
 * share of the way that is done, so that one rate a day serves from pure water to saturated.
 */
export const lime: Term = {
  id: 'lime',
  title: 'Lime dissolves',
  formula: 'r = k (Ksp K₁ [CO₂] / 4 K₂ γ₂²)^⅓ (1 − Ω^⅓), Ω = γ₂² [Ca][CO₃]/Ksp; Ca + 1, Alk + 2, C + 1',
  source: [
    { citation: 'Plummer & Busenberg 1982, Geochim. Cosmochim. Acta 46:1011–1040 (solubility)', basis: 'published' },
    { citation: 'Rate: a few per cent of the way a day for stone, tens for sand', basis: 'practice' },
  ],
  uncertainty: 'the rate by a factor of three: grain, slime and flow; saturation ±10 %',
  make: ({ lime: stone, salinity }) => {
    if (!stone || stone.litresPerDay <= 0 || salinity > FRESH_SALINITY_MAX) return null;
    return (now, rates) => {
      const { k, gamma2, ksp } = now;
      const co2 = now.co2MmolPerL / 1000;
      const h = Math.exp(-Math.LN10 * now.ph);
      const carbonate = (k.k1 * k.k2 * co2) / (h * h);
      const omega = (gamma2 * gamma2 * (now.calciumMmolPerL / 1000) * carbonate) / ksp;
      if (omega >= 1) return;
      const whole = 1000 * Math.cbrt((ksp * k.k1 * co2) / (4 * k.k2 * gamma2 * gamma2));
      const dissolved = stone.litresPerDay * whole * (1 - Math.cbrt(omega));
      rates[STATE.calcium]! += dissolved;
      rates[STATE.alkalinity]! += 2 * dissolved;
      rates[STATE.carbon]! += dissolved;
    };
  },
};
