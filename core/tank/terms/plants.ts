import { PHOTOSYNTHETIC_QUOTIENT, uptakeOf } from '../uptake';
import { N_MASS, STATE } from '../state';
import { breathing, MG_PER_MMOL_O2, type Term } from '../term';

/** Plants take nitrogen, phosphate and CO2 by light and breathe always. Ammonia is taken before nitrate; leaves in the air take their CO2 there. */
export const plants: Term = {
  id: 'plants',
  title: 'Plants grow and breathe',
  formula:
    'C = 15.5 · uptake · area · light · CO₂/(0.1 + CO₂) · (0.3 + 0.7 fed); N = C/15.5 · fed; leaves in the air want no CO₂ of the water; NH₄ before NO₃; Alk −1 for NH₄, +1 for NO₃',
  source: [
    {
      citation: 'Uptake 0.02–0.1 (slow), 0.1–0.3 (moderate), 0.3–1 g N/m²d (fast, floating), order of Reddy & De Busk 1985',
      basis: 'recalled',
    },
    { citation: 'Dry matter of 40 % carbon, 3 % nitrogen, 0.35 % phosphorus', basis: 'recalled' },
  ],
  uncertainty: 'a factor of three either way',
  make: ({ plants: { areaM2, uptakeGNPerM2, inAir = 0 }, lampHours }) => {
    const bestMgN = areaM2 * uptakeGNPerM2 * 1000;
    if (bestMgN <= 0 || lampHours <= 0) return null;
    const dayShare = lampHours / 24;
    return (now, rates) => {
      const there = now.ammoniaMgNPerL + now.nitrateMgNPerL;
      const { nitrogenMg, phosphorusMg, fromWaterMmol, breathMmol } = uptakeOf(bestMgN, {
        light: now.light / dayShare,
        warm: now.living,
        nitrogenMgPerL: there,
        phosphorusMgPerL: now.phosphateMgPPerL,
        co2MmolPerL: now.co2MmolPerL,
        inAir,
      });
      const asAmmonia = there > 0 ? now.ammoniaMgNPerL / (now.ammoniaMgNPerL + 0.1 * now.nitrateMgNPerL + 1e-9) : 0;
      const breath = breathMmol * breathing(now.oxygenMgPerL);
      rates[STATE.ammonia]! -= nitrogenMg * asAmmonia;
      rates[STATE.nitrate]! -= nitrogenMg * (1 - asAmmonia);
      rates[STATE.boundNitrogen]! += nitrogenMg;
      rates[STATE.phosphate]! -= phosphorusMg;
      rates[STATE.alkalinity]! += (nitrogenMg * (1 - 2 * asAmmonia)) / N_MASS;
      rates[STATE.carbon]! += breath - fromWaterMmol;
      rates[STATE.oxygen]! += (fromWaterMmol * PHOTOSYNTHETIC_QUOTIENT - breath) * MG_PER_MMOL_O2;
    };
  },
};
