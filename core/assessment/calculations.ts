import { createRegistry, listed } from '../calculation/registry';
import { boxVolume } from '../vessel/box-volume';
import { waterVolume } from '../vessel/water-volume';
import { blend } from '../water/blend';
import { equilibriumPh } from '../water/equilibrium-ph';
import { freeAmmoniaFraction } from '../water/free-ammonia-fraction';
import { ghFromIons, khFromIons } from '../water/hardness-from-ions';

/** Every calculation there is; a new one is added here by hand. */
export const calculations = createRegistry([
  listed(boxVolume),
  listed(waterVolume),
  listed(blend),
  listed(ghFromIons),
  listed(khFromIons),
  listed(equilibriumPh),
  listed(freeAmmoniaFraction),
]);
