import { carbonateConstants, daviesActivity } from './carbonate-constants';
import { seawaterConstants } from './seawater-constants';

/** Constants of the acids and bases of one water at its temperature, mol/L; the activity of H+ is 10^-pH. */
export interface AcidBase {
  k1: number;
  k2: number;
  kw: number;
  /** CO2, mol/(L atm). */
  kh: number;
  /** Concentration of H+ is its activity divided by this. */
  gammaH: number;
  /** Boric acid; none in fresh water. */
  kb: number;
  boronMolPerL: number;
}

/** Ionic strength where no analysis is given: that of a usual water of this alkalinity, mol/L. */
export function usualIonicStrength(alkalinityMeqPerL: number): number {
  return (1.5 * Math.max(0, alkalinityMeqPerL)) / 1000 + 0.001;
}

/** Fresh water: Plummer & Busenberg constants with Davies activities. */
export function freshAcidBase(temperatureC: number, ionicStrengthMolPerL: number): AcidBase {
  const k = carbonateConstants(temperatureC);
  const gamma1 = daviesActivity(1, ionicStrengthMolPerL, temperatureC);
  const gamma2 = daviesActivity(2, ionicStrengthMolPerL, temperatureC);
  return {
    k1: 10 ** k.logK1 / gamma1,
    k2: (10 ** k.logK2 * gamma1) / gamma2,
    kw: 10 ** k.logKw / gamma1,
    kh: 10 ** k.logKh,
    gammaH: gamma1,
    kb: 0,
    boronMolPerL: 0,
  };
}

/** Salt water on the total scale, per kilogram: a litre is taken as one, 2.6 % off at sea strength. */
export function saltAcidBase(temperatureC: number, salinity: number): AcidBase {
  return { ...seawaterConstants(salinity, temperatureC + 273.15), gammaH: 1, boronMolPerL: (0.000416 * salinity) / 35 };
}

/** Carbon of humic matter that carries acid groups: 10 µeq per mg C (Oliver, Thurman & Malcolm 1983). */
const ACID_MEQ_PER_MG_C = 0.01;

/**
 * Anions of humic acids at a pH, meq/L.
 * Oliver, Thurman & Malcolm 1983, Geochim. Cosmochim. Acta 47:2031: pKo = 0.96 + 0.90 pH − 0.039 pH². Roughly pH 3-8.
 */
export function humicAnionsMeqPerL(docMgPerL: number, ph: number): number {
  const pko = 0.96 + 0.9 * ph - 0.039 * ph ** 2;
  return (docMgPerL * ACID_MEQ_PER_MG_C) / (1 + 10 ** (pko - ph));
}

const LN10 = Math.LN10;

/** pKo of humic matter less the pH; how the share that is dissociated goes by it. */
const humicStep = (ph: number): number => Math.exp(LN10 * (0.96 - 0.1 * ph - 0.039 * ph * ph));

/** Alkalinity of the other acids and bases than carbonate, mol/L: OH- − H+, borate, humic anions. */
export function otherAlkalinity(k: AcidBase, ph: number, docMgPerL: number): number {
  const h = Math.exp(-LN10 * ph);
  const borate = k.kb > 0 ? (k.boronMolPerL * k.kb) / (k.kb + h) : 0;
  return k.kw / h - h / k.gammaH + borate + (docMgPerL * ACID_MEQ_PER_MG_C) / 1000 / (1 + humicStep(ph));
}

/**
 * pH at which the alkalinity is met: Newton on a balance that rises with pH, kept between the ends that are known. Runs at every look
 * at a tank, so nothing is allocated. Moles per litre; `carbon` is all inorganic carbon where it is closed, CO2 alone where it is open.
 */
function solvePh(k: AcidBase, alkalinity: number, carbon: number, closed: boolean, docMgPerL: number, guess: number): number {
  const { k1, k2, kw, gammaH, kb, boronMolPerL } = k;
  const humicMol = (docMgPerL * ACID_MEQ_PER_MG_C) / 1000;
  let [low, high] = [0, 14];
  let ph = guess;
  for (let i = 0; i < 80; i++) {
    const h = Math.exp(-LN10 * ph);
    let value = kw / h - h / gammaH;
    let slope = LN10 * (kw / h + h / gammaH);
    if (closed) {
      const d = h * h + k1 * h + k1 * k2;
      const share = (k1 * h + 2 * k1 * k2) / d;
      value += carbon * share;
      slope += (carbon * LN10 * h * (share * (2 * h + k1) - k1)) / d;
    } else {
      const bicarbonate = (k1 * carbon) / h;
      value += bicarbonate * (1 + (2 * k2) / h);
      slope += LN10 * bicarbonate * (1 + (4 * k2) / h);
    }
    if (kb > 0) {
      const borate = (boronMolPerL * kb) / (kb + h);
      value += borate;
      slope += (LN10 * borate * h) / (kb + h);
    }
    if (humicMol > 0) {
      const x = humicStep(ph);
      value += humicMol / (1 + x);
      slope += (humicMol * LN10 * x * (0.1 + 0.078 * ph)) / (1 + x) ** 2;
    }
    if (value < alkalinity) low = ph;
    else high = ph;
    let next = ph + (alkalinity - value) / slope;
    if (!(next > low && next < high)) next = (low + high) / 2;
    // Newton doubles its figures: what is left is below 1e-14
    if (Math.abs(next - ph) < 1e-8) return next;
    ph = next;
  }
  return ph;
}

/** pH at a given amount of inorganic carbon, mol/L; a guess near the answer makes it quick. */
export function closedPh(k: AcidBase, alkalinity: number, dic: number, docMgPerL: number, guess = 7): number {
  return solvePh(k, alkalinity, dic, true, docMgPerL, guess);
}

/** pH at a given concentration of CO2, mol/L. */
export function openPh(k: AcidBase, alkalinity: number, co2: number, docMgPerL: number, guess = 7): number {
  return solvePh(k, alkalinity, co2, false, docMgPerL, guess);
}

/** CO2 of an amount of inorganic carbon at a pH, in its unit. */
export function co2Of(k: AcidBase, dic: number, ph: number): number {
  const h = Math.exp(-LN10 * ph);
  return dic / (1 + k.k1 / h + (k.k1 * k.k2) / (h * h));
}
