import * as z from 'zod';
import type { Basis } from '../quantity/fact';

/** Why a value is not there: an input is unknown, a heavy field is still being computed, or the source does not hold here. */
export type Gap = 'missing' | 'pending' | 'outside-validity';

export interface Source {
  citation: string;
  basis: Basis;
}

/** A pure function with a contract: typed inputs and outputs, where it comes from, where it holds, how far it can be trusted. */
export interface Calculation<I = unknown, O = unknown> {
  id: string;
  title: string;
  inputs: z.ZodType<I>;
  outputs: z.ZodType<O>;
  source: readonly Source[];
  /** In words, for people. */
  validity: string;
  uncertainty: string;
  /** The formula in one line of text, for people. */
  formula: string;
  /** A reason when well-formed inputs lie outside the source's validity. */
  outside?: (input: I) => string | null;
  compute(input: I): O;
}

export type Outcome<O> = { value: O } | { value: null; gap: Gap; reason: string };

/** Declares a calculation; the type parameters follow from the two schemas. */
export function calculation<I extends z.ZodType, O extends z.ZodType>(
  definition: Calculation<z.output<I>, z.output<O>> & { inputs: I; outputs: O },
): Calculation<z.output<I>, z.output<O>> {
  return definition;
}

/** Runs a calculation on inputs that are already typed. Outside validity, or on a non-finite result, the answer is a gap. */
export function evaluate<I, O>(calc: Calculation<I, O>, input: I): Outcome<O> {
  const outside = calc.outside?.(input);
  if (outside) return { value: null, gap: 'outside-validity', reason: outside };
  const value = calc.compute(input);
  if (!allFinite(value)) return { value: null, gap: 'outside-validity', reason: 'the formula has no finite result here' };
  return { value };
}

function allFinite(value: unknown): boolean {
  if (typeof value === 'number') return Number.isFinite(value);
  if (value !== null && typeof value === 'object') return Object.values(value).every(allFinite);
  return true;
}

/** A well-formed request that a calculation refused. */
export class BadInput extends Error {}

/** Runs a calculation on untyped input, as the command line does. @throws BadInput naming each bad field */
export function evaluateUnknown(calc: Calculation, input: unknown): Outcome<unknown> {
  const parsed = calc.inputs.safeParse(input);
  if (!parsed.success) {
    const reasons = parsed.error.issues.map((issue) => `${issue.path.join('.') || '(input)'}: ${issue.message}`);
    throw new BadInput(`${calc.id}: ${reasons.join('; ')}`);
  }
  return evaluate(calc, parsed.data);
}
