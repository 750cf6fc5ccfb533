import fc from 'fast-check';
import * as z from 'zod';
import { BadInput, evaluateUnknown, type Calculation } from '../calculation/calculation';
import { calculations } from './calculations';

/** Any JSON that a schema describes, ends of its ranges included: made from its JSON Schema. */
function arbitraryOf(schema: z.ZodType): fc.Arbitrary<unknown> {
  return fromJson(z.toJSONSchema(schema, { unrepresentable: 'any', io: 'input' }));
}

type Json = Record<string, unknown>;
const json = (value: unknown): Json => value as Json;

function fromJson(schema: Json): fc.Arbitrary<unknown> {
  if ('const' in schema) return fc.constant(schema['const']);
  if (Array.isArray(schema['enum'])) return fc.constantFrom(...(schema['enum'] as unknown[]));
  const union = schema['anyOf'] ?? schema['oneOf'];
  if (Array.isArray(union)) return fc.oneof(...union.map((one) => fromJson(json(one))));
  switch (schema['type']) {
    case 'null':
      return fc.constant(null);
    case 'boolean':
      return fc.boolean();
    case 'string':
      return typeof schema['pattern'] === 'string' ? fc.stringMatching(new RegExp(schema['pattern'])) : fc.constantFrom('a', 'b', 'source');
    case 'integer':
    case 'number': {
      // above nought begins at a thousandth: nothing in a tank is smaller than that and more than nothing
      const above = schema['exclusiveMinimum'];
      const min = typeof above === 'number' ? above + 1e-3 : Number(schema['minimum'] ?? -1e6);
      const max = Number(schema['maximum'] ?? schema['exclusiveMaximum'] ?? 1e6);
      if (schema['type'] === 'integer') return fc.integer({ min: Math.ceil(min), max: Math.floor(Math.min(max, 1e6)) });
      return fc.oneof(fc.constantFrom(min, max, (min + max) / 2), fc.double({ min, max, noNaN: true }));
    }
    case 'array': {
      const prefix = schema['prefixItems'];
      if (Array.isArray(prefix)) return fc.tuple(...prefix.map((one) => fromJson(json(one))));
      return fc.array(fromJson(json(schema['items'] ?? {})), {
        minLength: Number(schema['minItems'] ?? 0),
        maxLength: Math.min(4, Number(schema['maxItems'] ?? 4)),
      });
    }
    case 'object': {
      const required = new Set((schema['required'] as string[] | undefined) ?? []);
      const fields = Object.entries(json(schema['properties'] ?? {})).map(([name, field]) => [name, fromJson(json(field))] as const);
      return fc.record(Object.fromEntries(fields), { requiredKeys: fields.map(([name]) => name).filter((name) => required.has(name)) });
    }
    default:
      return fc.anything();
  }
}

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const freshWater = { temperatureC: between(0, 40), alkalinityMeqPerL: between(0, 10), ionicStrengthMolPerL: between(0, 0.1) };
/** What the widest input hardly ever hits: fields that have to go together, or a sliver of what a schema lets through. */
const SENSIBLE: Readonly<Record<string, fc.Arbitrary<Json>>> = {
  'water.carbonate-system': fc
    .record({
      ...freshWater,
      known: fc.oneof(
        between(5, 9).map((ph) => ({ ph })),
        between(100, 1e5).map((pco2Uatm) => ({ pco2Uatm })),
      ),
    })
    .map(({ known, ...water }) => ({ ...water, ...known })),
  'water.salinity-from-specific-gravity': fc.record({
    specificGravity: between(0.99, 1.04),
    temperatureC: between(-2, 40),
    referenceC: between(-2, 40),
  }),
  'water.mix-strength': fc.record({
    parts: fc.constant({ 'calcium-chloride': 0.6, 'epsom-salt': 0.4 }),
    gramsPerDh: fc.constant(null),
    gramsPer100L: between(0, 2000),
  }),
  'breeding.cross': fc
    .record({
      dominance: fc.constantFrom('full', 'half', 'both'),
      apart: between(0, 0.5),
      mother: fc.tuple(fc.constantFrom('A', 'a'), fc.constantFrom('A', 'a')),
      father: fc.tuple(fc.constantFrom('A', 'a'), fc.constantFrom('A', 'a')),
    })
    .map(({ dominance, apart, mother, father }) => ({
      loci: [{ name: 'colour', alleles: ['A', 'a'], dominance, on: 'body', lethal: null, apart }],
      parents: [mother, father].map(([one, other]) => ({ sets: [[one], [other]] })),
    })),
  'water.humic-ph': fc.record({ ...freshWater, docMgPerL: between(0, 50), pco2Uatm: between(1, 2e5) }),
};

const isFinite = (value: unknown): boolean =>
  typeof value === 'number' ? Number.isFinite(value) : value === null || typeof value !== 'object' || Object.values(value).every(isFinite);

/** How often an input was refused, left as a gap, answered. */
function tally(calculation: Calculation, runs: number): Record<'refused' | 'gap' | 'answered', number> {
  const count = { refused: 0, gap: 0, answered: 0 };
  fc.assert(
    fc.property(fc.oneof(arbitraryOf(calculation.inputs), SENSIBLE[calculation.id] ?? arbitraryOf(calculation.inputs)), (input) => {
      try {
        const outcome = evaluateUnknown(calculation, input);
        if ('reason' in outcome) {
          count.gap += 1;
          expect(outcome.reason.length).withContext(calculation.id).toBeGreaterThan(5);
          // a formula that breaks down where it is said to hold is a fault, not a gap
          expect(outcome.reason)
            .withContext(`${calculation.id} ${JSON.stringify(input)}`)
            .not.toContain('no finite result');
        } else {
          count.answered += 1;
          expect(isFinite(outcome.value))
            .withContext(`${calculation.id} ${JSON.stringify(input)}`)
            .toBeTrue();
          expect(calculation.outputs.safeParse(outcome.value).success).withContext(calculation.id).toBeTrue();
        }
      } catch (error) {
        if (!(error instanceof BadInput)) throw error;
        count.refused += 1;
      }
    }),
    { numRuns: runs },
  );
  return count;
}

describe('whatever is asked of it', () => {
  for (const calculation of calculations.all)
    it(`${calculation.id} answers with numbers, says why it has none, or refuses the input`, () => {
      const { answered } = tally(calculation, calculation.id === 'water.recipe' ? 12 : 60);
      // what never answers was not looked at
      if (answered === 0) expect(tally(calculation, 2000).answered).toBeGreaterThan(0);
    });
});

describe('input that is no input', () => {
  for (const calculation of calculations.all.filter(({ id }) => id.startsWith('water.')))
    it(`is refused by ${calculation.id} with the field's name`, () => {
      for (const input of [null, 7, 'water', [], { nonsense: 1 }]) expect(() => evaluateUnknown(calculation, input)).toThrowError(BadInput);
      fc.assert(
        fc.property(arbitraryOf(calculation.inputs), fc.constantFrom(NaN, Infinity, -Infinity, '7', null), (input, bad) => {
          const [name] = Object.entries(json(input)).find(([, value]) => typeof value === 'number') ?? [];
          if (name === undefined) return;
          const spoiled = { ...json(input), [name]: bad };
          if (bad === null && calculation.inputs.safeParse(spoiled).success) return;
          expect(() => evaluateUnknown(calculation, spoiled)).toThrowError(BadInput, new RegExp(name));
        }),
        { numRuns: 15 },
      );
    });
});
