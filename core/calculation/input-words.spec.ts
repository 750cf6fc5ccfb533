import * as z from 'zod';
import { calculations } from '../assessment/calculations';
import { METRIC, US } from '../quantity/format';
import { inputMeta, sayInput } from './input-words';

interface Node {
  properties?: Record<string, Node>;
  anyOf?: Node[];
  oneOf?: Node[];
  items?: Node;
  prefixItems?: Node[];
}

function namesIn(schema: z.ZodType): string[] {
  const walk = (node: Node): string[] => [
    ...Object.entries(node.properties ?? {}).flatMap(([name, part]) => [name, ...walk(part)]),
    ...[...(node.anyOf ?? []), ...(node.oneOf ?? []), ...(node.prefixItems ?? []), ...(node.items ? [node.items] : [])].flatMap(walk),
  ];
  return walk(z.toJSONSchema(schema, { unrepresentable: 'any', io: 'input' }) as Node);
}
const names = [...new Set(calculations.all.flatMap(({ inputs, outputs }) => [...namesIn(inputs), ...namesIn(outputs)]))];

describe('the words for what goes into a calculation', () => {
  it('are words for every name there is: no humps, no units run into them', () => {
    expect(names.length).toBeGreaterThan(150);
    for (const name of names) {
      const { label } = inputMeta(name);
      const plain = label.replace(/RO|GH|KH|pH|CO₂|in 100 L|440 nm/g, '');
      expect(plain)
        .withContext(name)
        .not.toMatch(/[a-z][A-Z]/);
      expect(plain)
        .withContext(name)
        .not.toMatch(/\b(mm|mg|ml|dh|meq|mmol|us|kg|per|uatm|hpa)\b|\d{3,}/i);
      expect(label.length).withContext(name).toBeGreaterThan(1);
    }
  });

  it('have the unit that the name carries', () => {
    const table: [string, string, string][] = [
      ['lengthMm', 'Length', 'length'],
      ['wallHeightM', 'Wall height', 'length'],
      ['levelL', 'Level', 'volume'],
      ['alkalinityMeqPerL', 'Alkalinity', 'meq/L'],
      ['ammoniaMgNPerL', 'Ammonia', 'mg N/L'],
      ['co2MgPerL', 'CO₂', 'mg/L'],
      ['wallUWPerM2K', 'Wall', 'W/m²K'],
      ['conductivityMsPerCm', 'Conductivity', 'mS/cm'],
      ['evaporationLPerDay', 'Evaporation', 'volumePerDay'],
      ['khDh', 'KH', 'alkalinity'],
      ['porosity', 'Porosity', ''],
    ];
    for (const [name, label, unit] of table) {
      const meta = inputMeta(name);
      expect([meta.label, meta.kind ?? meta.unit]).toEqual([label, unit]);
    }
  });

  it('are said in the units that were chosen', () => {
    expect(sayInput('lengthMm', 600, METRIC)).toBe('60 cm');
    expect(sayInput('lengthMm', 609.6, US)).toBe('24 in');
    expect(sayInput('kg', 87.948, US)).toBe('193.9 lb');
    expect(sayInput('airC', 20, US)).toBe('68 °F');
    expect(sayInput('grainMm', [1, 2], METRIC)).toBe('1 mm to 2 mm');
    expect(sayInput('alkalinityMeqPerL', 2.804, { ...METRIC, decimal: ',' })).toBe('2,8 meq/L');
    expect(sayInput('slopeDegrees', 31.4, METRIC)).toBe('31.4°');
    expect(sayInput('parts', [{ share: 0.5, khDh: 4 }], METRIC)).toBe('share 50 %, KH 4 dKH');
    expect([sayInput('soft', true, METRIC), sayInput('lampHours', null, METRIC)]).toEqual(['yes', 'none']);
  });
});
