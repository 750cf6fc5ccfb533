import { underLid, OXYGEN_KH } from './terms/gas-exchange';
import { oxygenSaturationOf } from '../chemistry/oxygen-saturation';
import type { TankScenario } from './scenario';
import { livingAt, schmidtOxygen, transferVelocity } from './speeds';
import { MG_PER_MMOL_O2 } from './term';
import { PHOTOSYNTHETIC_QUOTIENT, uptakeOf } from './uptake';

/** What the plants of a settled tank find in the water. */
export interface Found {
  nitrogenMgPerL: number;
  phosphorusMgPerL: number;
  co2MmolPerL: number;
}

/**
 * Oxygen at the end of the night and of the light, mg/L, of a day that repeats itself: animals and microbes breathe evenly, plants give by
 * day and take by night, the surface does the rest. Breath that oxygen is short for is not slowed: below 2 mg/L it is a bound, not a figure.
 */
export function dawnOxygen(scenario: TankScenario, temperatureC: number, found: Found): { dawnMgPerL: number; duskMgPerL: number } {
  const { gas, feed, plants, litres, lampHours } = scenario;
  const litresPerDay = transferVelocity(schmidtOxygen(Math.min(35, temperatureC))) * gas.surfaceM2 * gas.movement * 1000;
  const k = (litresPerDay * underLid(litresPerDay, OXYGEN_KH, gas.headspaceM3PerDay)) / litres;
  const warm = livingAt(temperatureC);
  const day = lampHours / 24;
  const best = plants.areaM2 * plants.uptakeGNPerM2 * 1000;
  const grown = uptakeOf(best, { light: day > 0 ? 1 / day : 0, warm, ...found, inAir: plants.inAir ?? 0 });
  const breath = ((scenario.animalsMgO2PerDay + feed.gPerDay * feed.decayMgO2PerG) * warm + grown.breathMmol * MG_PER_MMOL_O2) / litres;
  const given = day > 0 ? (grown.fromWaterMmol * PHOTOSYNTHETIC_QUOTIENT * MG_PER_MMOL_O2) / litres : 0;
  const saturated = oxygenSaturationOf(temperatureC, Math.min(40, scenario.salinity), gas.pressureHpa);
  // where each stretch would come to rest if it lasted, and how near it gets
  const night = saturated - breath / k;
  const light = night + given / k;
  const [left, kept] = [Math.exp(-k * day), Math.exp(-k * (1 - day))];
  const dusk = (light * (1 - left) + night * left * (1 - kept)) / (1 - left * kept);
  return { dawnMgPerL: Math.max(0, night + (dusk - night) * kept), duskMgPerL: Math.max(0, dusk) };
}
