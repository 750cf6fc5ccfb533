import { seawaterDensity } from '../quantity/seawater';
import type { IonsMmolPerL } from '../chemistry/ions';

/**
 * Reference composition at practical salinity 35, mol/kg: Millero, Feistel, Wright & McDougall 2008, Deep-Sea Res. I 55:50.
 * Strontium stands with calcium, bromide and fluoride with chloride; all alkalinity, borate too, stands as bicarbonate.
 */
const AT_35: IonsMmolPerL = {
  calcium: 0.0102821 + 0.0000907,
  magnesium: 0.0528171,
  sodium: 0.4689674,
  potassium: 0.0102077,
  bicarbonate: 0.002304,
  chloride: 0.5458696 + 0.0008421 + 0.0000683,
  sulfate: 0.0282352,
  nitrate: 0,
};
/** Grams of dissolved salt in a kilogram of sea water of practical salinity 35. */
export const SALT_G_PER_KG_AT_35 = 35.16504;

const scaled = (factor: number): IonsMmolPerL =>
  Object.fromEntries(Object.entries(AT_35).map(([ion, molPerKg]) => [ion, molPerKg * factor])) as unknown as IonsMmolPerL;

/** The ions of sea water thinned or thickened to a salinity, mmol/L. Sea-salt proportions; salinity 0 to 42. */
export function seaIons(salinity: number, temperatureC = 25): IonsMmolPerL {
  return scaled((salinity / 35) * seawaterDensity(temperatureC, salinity));
}

/** The ions of a gram of dry sea salt, mmol. */
export const SEA_SALT_MMOL_PER_G: IonsMmolPerL = scaled(1000 / SALT_G_PER_KG_AT_35);
