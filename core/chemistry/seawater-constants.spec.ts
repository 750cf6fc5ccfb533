import { seawaterConstants } from './seawater-constants';

describe('constants of sea water', () => {
  const { k1, k2, kh, kb, kw } = seawaterConstants(35, 298.15);

  // Dickson, Sabine & Christian 2007, Guide to Best Practices for Ocean CO2 Measurements, chapter 5: check values at S 35 and 25 °C (recalled)
  it('meet the check values of the guide where they are the same equations', () => {
    expect(Math.log(kh)).toBeCloseTo(-3.5617, 4);
    expect(Math.log(kb)).toBeCloseTo(-19.7964, 4);
    expect(Math.log(kw)).toBeCloseTo(-30.434, 3);
  });
  // the guide's carbonic acid is Lueker et al. 2000: log K1 −5.8472, log K2 −8.9660 (recalled); Millero 2010 agrees to 0.01
  it('lie beside those of Lueker et al. 2000 for carbonic acid', () => {
    expect(Math.abs(Math.log10(k1) + 5.8472)).toBeLessThan(0.01);
    expect(Math.abs(Math.log10(k2) + 8.966)).toBeLessThan(0.01);
  });
  it('come down to those of fresh water as the salt goes', () => {
    // Harned & Davis 1943 and Harned & Scholes 1941: pK1 6.352, pK2 10.329 at 25 °C (recalled)
    const fresh = seawaterConstants(0, 298.15);
    expect(-Math.log10(fresh.k1)).toBeCloseTo(6.352, 2);
    expect(-Math.log10(fresh.k2)).toBeCloseTo(10.329, 2);
    // Weiss 1974: 0.03406 mol/(kg atm) (recalled)
    expect(fresh.kh).toBeCloseTo(0.03406, 4);
  });
});
