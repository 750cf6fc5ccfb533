import { PARAMETERS, type Parameter } from '../catalogue/parameter';
import { rangeFor, type Plant } from '../catalogue/organism';
import { lightWanted } from './growth';

/** What a plant would be put into; null where nobody knows. */
export interface PlantWater {
  /** Lowest and highest of each parameter over the year. */
  spans: Readonly<Partial<Record<Parameter, readonly [number, number]>>>;
  /** Photons where it would stand, µmol/m²s. */
  ppfd: number | null;
  isSalt: boolean;
  hasCo2: boolean;
}

/** In salt water hardness is no measure for a plant. */
const counts = (parameter: Parameter, isSalt: boolean): boolean => !isSalt || parameter === 'temperatureC' || parameter === 'salinity';

/** Whether a kind lives in this water and by this light: what is not known of it speaks against it. */
export function suits(plant: Plant, { spans, ppfd, isSalt, hasCo2 }: PlantWater): boolean {
  for (const parameter of PARAMETERS) {
    const span = spans[parameter];
    if (!span || !counts(parameter, isSalt)) continue;
    const range = rangeFor(plant, 'keep', parameter)?.value;
    // fresh-water kinds are often written down without a salinity
    if (!range) {
      if (parameter === 'salinity' ? span[1] > 2 : parameter === 'temperatureC') return false;
      continue;
    }
    const [low, high] = range.tolerance;
    if ((low !== null && span[0] < low) || (high !== null && span[1] > high)) return false;
  }
  if (!hasCo2 && plant.traits.co2.value === 'needs') return false;
  const wanted = lightWanted(plant);
  return ppfd === null ? plant.traits.light.value !== 'high' || isSalt : !!wanted && ppfd >= wanted.least * 1.2;
}

/** How little a kind asks: those that bear most and want least come first. */
export function easeOf(plant: Plant): number {
  const range = rangeFor(plant, 'keep', 'temperatureC')?.value?.tolerance;
  const spread = range ? Math.min(20, (range[1] ?? 30) - (range[0] ?? 10)) / 20 : 0;
  const light = { low: 1, medium: 0.6, high: 0.2 }[plant.traits.light.value ?? 'medium'];
  const co2 = { none: 1, helps: 0.6, needs: 0 }[plant.traits.co2.value ?? 'helps'];
  // what carries a caution, rare or barred kinds among them, comes after what does not
  return spread + light + co2 - (plant.cautions ? 0.8 : 0);
}
