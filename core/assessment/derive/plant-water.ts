import { PARAMETERS, type Parameter } from '../../catalogue/parameter';
import { ppfdAt } from '../../light/field';
import type { PlantWater } from '../../plants/choose';
import { shadeAt } from '../../plants/canopy';
import { SALT_FROM } from '../domains/shared';
import type { Design } from '../../design/design';
import { plannedNode, type Derived } from '../derive';
import { placeOf } from './plants';

/** The water, year and light of a tank as a plant would find them at a place, or over the middle of the floor. */
export function plantWaterOf(design: Design, derived: Derived, atMm?: readonly [number, number, number]): PlantWater {
  const spans: Partial<Record<Parameter, readonly [number, number]>> = {};
  for (const parameter of PARAMETERS) {
    const value = plannedNode(derived, parameter).value;
    if (value !== null) spans[parameter] = [value, value];
  }
  const year = derived['heat.year'].value;
  if (year && year.length > 0) spans.temperatureC = [Math.min(...year.map(([low]) => low)), Math.max(...year.map(([, high]) => high))];
  const light = derived['light.lamps'].value;
  const place = placeOf(design, derived);
  const { vessel } = design;
  const at = atMm ?? (vessel && place ? ([vessel.lengthMm / 2, vessel.widthMm / 2, place.waterMm / 4] as const) : null);
  const standing = derived['plants.standing'].value ?? [];
  const ppfd = light && at && place ? ppfdAt(light.lamps, light.water, at) * shadeAt(standing, place.surfaceMm2, at, 20).share : null;
  return {
    spans,
    ppfd,
    isSalt: (derived['planned.salinity'].value ?? 0) > SALT_FROM,
    hasCo2: design.water.co2 !== null,
  };
}
