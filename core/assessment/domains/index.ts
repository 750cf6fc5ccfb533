import { biotope } from './biotope';
import { gear } from './gear';
import { hardscape } from './hardscape';
import { health } from './health';
import { law } from './law';
import { plants } from './plants';
import { heat } from './heat';
import { stocking } from './stocking';
import { startup } from './startup';
import { substrate } from './substrate';
import { vessel } from './vessel';
import { water } from './water';
import { window } from './window';

/** Every domain that is judged, in the order in which its findings are told where they weigh the same. A new one is a file and a line here. */
export const DOMAINS = [water, stocking, biotope, substrate, hardscape, plants, vessel, heat, gear, window, law, health, startup] as const;
