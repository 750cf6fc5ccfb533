import type { WaterAction } from '../catalogue/material';
import type { Span } from '../quantity/range';
import { limeDissolvedMmolPerL, limeToSaturation } from './lime-dissolution';
import { steadyOrganicCarbon } from './organic-carbon';
import { soilExchangeOf, soilWeeksLeft } from './soil-exchange';

/** A material lying in the water, with how much of it. */
export interface Lying {
  action: WaterAction;
  litres: number;
  kg: number;
  /** Share of its strength already taken. */
  spent: number;
}

/** How often and how much is changed, in a steady tank. */
export interface Changes {
  fraction: number;
  days: number;
}

/** What active soil does in all; bands by the spread of its class. */
export interface SoilEffect {
  setPh: number;
  takenMeqPerL: number;
  takenBand: Span;
  hardnessTakenMmolPerL: number;
  leftMeq: number;
  /** Weeks until it is spent; null when this water takes nothing out of it. */
  weeksLeft: number | null;
  weeksBand: Span | null;
}

/** What stone, sand and coral give off. */
export interface LimeEffect {
  dissolvedMmolPerL: number;
  band: Span;
  saturationMmolPerL: number;
}

interface Poured {
  temperatureC: number;
  alkalinityMeqPerL: number;
  hardnessMmolPerL: number;
  calciumMmolPerL: number;
  pco2Uatm: number;
  litres: number;
}

const middle = ([low, high]: Span): number => Math.sqrt(low * high);
const isKind =
  <K extends WaterAction['kind']>(kind: K) =>
  (lying: Lying): lying is Lying & { action: Extract<WaterAction, { kind: K }> } =>
    lying.action.kind === kind;

/** All active soil of a tank together: the strongest sets the pH. Null where there is none of known strength. */
export function soilEffect(water: Poured, lying: readonly Lying[], changes: Changes): SoilEffect | null {
  const soils = lying.filter(isKind('exchanges')).filter(({ action }) => action.setPh.value && action.capacityMeqPerL.value);
  if (soils.length === 0) return null;
  const setPh = Math.min(...soils.map(({ action }) => (action.setPh.value![0] + action.setPh.value![1]) / 2));
  const spread: Span = [
    Math.min(...soils.map(({ action }) => action.setPh.value![0])),
    Math.min(...soils.map(({ action }) => action.setPh.value![1])),
  ];
  const capacity = (of: (span: Span) => number) =>
    soils.reduce((sum, { action, litres, spent }) => sum + of(action.capacityMeqPerL.value!) * litres * (1 - spent), 0);
  const newPerWeek = (water.litres * changes.fraction * 7) / changes.days;
  const at = (ph: number, meq: number) => soilExchangeOf(water, ph, meq, water.litres);
  const usual = at(setPh, capacity(middle));
  const weeks = (meq: number, ph: number) => {
    const effect = at(ph, meq);
    return soilWeeksLeft(effect.leftMeq, effect.takenMeqPerL, newPerWeek);
  };
  const [weak, strong] = [capacity(([low]) => low), capacity(([, high]) => high)];
  const fewest = weeks(weak, setPh);
  const most = weeks(strong, setPh);
  return {
    setPh,
    takenMeqPerL: usual.takenMeqPerL,
    takenBand: [at(spread[1], weak).takenMeqPerL, at(spread[0], strong).takenMeqPerL],
    hardnessTakenMmolPerL: usual.hardnessTakenMmolPerL,
    leftMeq: usual.leftMeq,
    weeksLeft: weeks(capacity(middle), setPh),
    weeksBand: fewest === null || most === null ? null : [fewest, most],
  };
}

/** All lime of a tank together. Null where there is none. */
export function limeEffect(water: Poured, lying: readonly Lying[], changes: Changes): LimeEffect | null {
  const limes = lying.filter(isKind('dissolves')).filter(({ action }) => action.ratePerDay.value);
  if (limes.length === 0) return null;
  const mineral = limes.some(({ action }) => action.mineral === 'aragonite') ? 'aragonite' : 'calcite';
  const saturationMmolPerL = limeToSaturation(water.temperatureC, water.alkalinityMeqPerL, water.calciumMmolPerL, water.pco2Uatm, mineral);
  const rate = (of: (span: Span) => number) =>
    limes.reduce((sum, { action, kg }) => sum + (of(action.ratePerDay.value!) * kg) / water.litres, 0);
  const dissolved = (perDay: number) => limeDissolvedMmolPerL(saturationMmolPerL, perDay, changes.fraction, changes.days);
  return {
    dissolvedMmolPerL: dissolved(rate(middle)),
    band: [dissolved(rate(([low]) => low)), dissolved(rate(([, high]) => high))],
    saturationMmolPerL,
  };
}

/** Organic carbon of all leaves, cones, peat and wood, mg/L, with its band; null where nothing of the kind lies in the water. */
export function organicCarbonOf(litres: number, lying: readonly Lying[], changes: Changes): { value: number; band: Span } | null {
  const leaching = lying.filter(isKind('leaches')).filter(({ action }) => action.carbonMgPerG.value && action.lastsWeeks.value);
  if (leaching.length === 0) return null;
  const sum = (carbon: (span: Span) => number, weeks: (span: Span) => number) =>
    leaching.reduce(
      (all, { action, kg, spent }) =>
        all +
        steadyOrganicCarbon(
          kg * 1000 * (1 - spent),
          litres,
          carbon(action.carbonMgPerG.value!),
          weeks(action.lastsWeeks.value!),
          changes.fraction,
          changes.days,
        ),
      0,
    );
  const [low, high] = [([a]: Span) => a, ([, b]: Span) => b];
  return { value: sum(middle, middle), band: [sum(low!, high!), sum(high!, low!)] };
}
