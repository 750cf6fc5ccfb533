/** Air at a film temperature: conductivity W/mK, kinematic viscosity m²/s, diffusivity m²/s, Prandtl number, expansion 1/K. */
export function air(filmC: number) {
  const T = filmC + 273.15;
  const k = 0.0243 * (T / 273.15) ** 0.85;
  const mu = (1.716e-5 * (T / 273.15) ** 1.5 * 383.55) / (T + 110.4);
  const rho = 101325 / (287.05 * T);
  const cp = 1006;
  return { k, nu: mu / rho, alpha: k / (rho * cp), prandtl: (mu * cp) / k, beta: 1 / T };
}

const G = 9.81;
const STEFAN_BOLTZMANN = 5.670374e-8;

/** Free convection along an upright pane, W/m²K (Churchill & Chu 1975, Int. J. Heat Mass Transfer 18:1323, all Ra). */
export function uprightW(surfaceC: number, airC: number, heightM: number): number {
  const { k, nu, alpha, prandtl, beta } = air((surfaceC + airC) / 2);
  const rayleigh = (G * beta * Math.abs(surfaceC - airC) * heightM ** 3) / (nu * alpha);
  const nusselt = (0.825 + (0.387 * rayleigh ** (1 / 6)) / (1 + (0.492 / prandtl) ** (9 / 16)) ** (8 / 27)) ** 2;
  return (nusselt * k) / heightM;
}

/** Free convection over level water, W/m²K (McAdams 1954); the length is area over perimeter. Cold water under warm air stirs half as much. */
export function levelW(surfaceC: number, airC: number, lengthM: number): number {
  const { k, nu, alpha, beta } = air((surfaceC + airC) / 2);
  const rayleigh = (G * beta * Math.abs(surfaceC - airC) * lengthM ** 3) / (nu * alpha);
  const nusselt = surfaceC < airC ? 0.27 * rayleigh ** 0.25 : rayleigh < 1e7 ? 0.54 * rayleigh ** 0.25 : 0.15 * rayleigh ** (1 / 3);
  return (nusselt * k) / lengthM;
}

/** Radiation to surroundings at air temperature, W/m²K. */
export function radiationW(surfaceC: number, airC: number, emissivity: number): number {
  const [a, b] = [surfaceC + 273.15, airC + 273.15];
  return emissivity * STEFAN_BOLTZMANN * (a * a + b * b) * (a + b);
}
