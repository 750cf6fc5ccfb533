/** Rates at 25 °C of living things at another temperature: Clarke & Johnston 1999, J. Anim. Ecol. 68:893, resting fish. */
export const livingAt = (temperatureC: number): number => Math.exp(-5020 * (1 / (temperatureC + 273.15) - 1 / 298.15));

/** How much faster the two nitrifiers are for each degree, from 20 °C. Recalled. */
export const NITRIFIERS_BY_DEGREE = [1.07, 1.06] as const;

/** Gas exchange of still water indoors at a Schmidt number of 600, m a day: Cole & Caraco 1998, no wind (2.07 cm/h). */
const STILL_M_PER_DAY = 0.4968;

/** Schmidt numbers in fresh water, 0 to 35 °C: Wanninkhof 1992, J. Geophys. Res. 97:7373. */
export const schmidtOxygen = (t: number): number => 1800.6 - 120.1 * t + 3.7818 * t ** 2 - 0.047608 * t ** 3;
export const schmidtCo2 = (t: number): number => 1911.1 - 118.11 * t + 3.4527 * t ** 2 - 0.04132 * t ** 3;

/** Gas transfer velocity of a still surface, m a day. */
export const transferVelocity = (schmidt: number): number => STILL_M_PER_DAY / Math.sqrt(schmidt / 600);
