import type { Phase } from '../catalogue/parameter';
import type { Finding } from '../calculation/finding';
import { additionOrder } from '../stocking/addition-order';
import { COMPANY_CASES } from '../testing/company-cases';
import { ORDER_CASES, STOCKING_CASES, type StockingCase } from '../testing/stocking-cases';
import { box, catalogue, judge, tank } from '../testing/tanks';
import { companyOf } from './derive';

const CASES = [...STOCKING_CASES, ...COMPANY_CASES];

describe('the stocking cases', () => {
  it('are many, each with where it comes from and animals of the catalogue', () => {
    expect(CASES.length).toBeGreaterThanOrEqual(200);
    const names = CASES.map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
    const ids = [...CASES.flatMap(({ stock }) => stock.map(([id]) => id)), ...ORDER_CASES.flatMap(({ stock }) => stock)];
    for (const id of ids) expect(catalogue.organisms.has(id)).withContext(id).toBeTrue();
    for (const { name, source, expect: expected } of CASES) {
      expect(source.length).withContext(name).toBeGreaterThan(5);
      expect(expected.length).withContext(name).toBeGreaterThan(0);
    }
  });

  const assessed = ({ stock, floorMm = [600, 400], openings = [], heaterC }: StockingCase) => {
    const vessel = {
      ...box(floorMm[0], floorMm[1], 360),
      openings: Object.fromEntries(
        openings.map(([at, shortMm, longMm, guardMm = null], i) => [`o${i}`, { order: i, at, shortMm, longMm, guardMm }]),
      ),
    };
    return judge(
      tank(stock as readonly (readonly [string, number, Phase?, number?])[], { vessel, ...(heaterC === undefined ? {} : { heaterC }) }),
    );
  };

  for (const stockingCase of CASES)
    it(`${stockingCase.basis}: ${stockingCase.name}`, () => {
      const { findings } = assessed(stockingCase);
      for (const [code, places, severity] of stockingCase.expect) {
        const subjects = places.map((place) => `s${place}`);
        const about = ({ code: said, subjects: of }: Finding) =>
          said === code &&
          of.length === subjects.length &&
          subjects.every((id, i) =>
            code === 'stocking.strata' || code === 'stocking.slime' || code.startsWith('window.') ? of.includes(id) : of[i] === id,
          );
        expect(findings.find(about)?.severity ?? 'none')
          .withContext(`${code} ${subjects.join()}`)
          .toBe(severity);
      }
    });

  for (const { stock, order } of ORDER_CASES)
    it(`practice: first ${order.join(', then ')}`, () => {
      const { derived } = judge(tank(stock.map((id) => [id, 4] as const)));
      const additions = additionOrder(companyOf(derived['stock.members'].value ?? []));
      expect(additions.map(({ id }) => stock[Number(id.slice(1))])).toEqual([...order]);
      expect(additions.every(({ week }, i) => i === 0 || week >= additions[i - 1]!.week)).toBeTrue();
    });
});
