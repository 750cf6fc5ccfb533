/** Carbonic acid constants of brackish and sea water on the total scale, mol/kg: Millero 2010, Mar. Freshw. Res. 61:139. */
function carbonic(s: number, t: number): { pk1: number; pk2: number } {
  const root = Math.sqrt(s);
  return {
    pk1:
      -126.34048 +
      6320.813 / t +
      19.568224 * Math.log(t) +
      (13.4038 * root + 0.03206 * s - 5.242e-5 * s * s) +
      (-530.659 * root - 5.821 * s) / t -
      2.0664 * root * Math.log(t),
    pk2:
      -90.18333 +
      5143.692 / t +
      14.613358 * Math.log(t) +
      (21.3728 * root + 0.1218 * s - 3.688e-4 * s * s) +
      (-788.289 * root - 19.189 * s) / t -
      3.374 * root * Math.log(t),
  };
}

/** Solubility of CO2, mol/(kg atm): Weiss 1974, Mar. Chem. 2:203. */
function lnSolubility(s: number, t: number): number {
  const h = t / 100;
  return -60.2409 + 93.4517 / h + 23.3585 * Math.log(h) + s * (0.023517 - 0.023656 * h + 0.0047036 * h * h);
}

/** Boric acid, mol/kg, total scale: Dickson 1990, Deep-Sea Res. 37:755. */
function lnBoric(s: number, t: number): number {
  const root = Math.sqrt(s);
  return (
    (-8966.9 - 2890.53 * root - 77.942 * s + 1.728 * s ** 1.5 - 0.0996 * s * s) / t +
    148.0248 +
    137.1942 * root +
    1.62142 * s +
    (-24.4344 - 25.085 * root - 0.2474 * s) * Math.log(t) +
    0.053105 * root * t
  );
}

/** Ion product of water, total scale: Millero 1995, Geochim. Cosmochim. Acta 59:661. */
function lnWater(s: number, t: number): number {
  return 148.9652 - 13847.26 / t - 23.6521 * Math.log(t) + (118.67 / t - 5.977 + 1.0495 * Math.log(t)) * Math.sqrt(s) - 0.01615 * s;
}

/** Equilibrium constants of brackish and sea water on the total scale, mol/kg; solubility of CO2 in mol/(kg atm). @param t kelvin */
export function seawaterConstants(s: number, t: number): { k1: number; k2: number; kh: number; kb: number; kw: number } {
  const { pk1, pk2 } = carbonic(s, t);
  return {
    k1: 10 ** -pk1,
    k2: 10 ** -pk2,
    kh: Math.exp(lnSolubility(s, t)),
    kb: Math.exp(lnBoric(s, t)),
    kw: Math.exp(lnWater(s, t)),
  };
}
