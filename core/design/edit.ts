import { enablePatches, produceWithPatches, type Patch } from 'immer';
import { applyPatch, type Operation } from 'rfc6902';
import * as z from 'zod';

enablePatches();

/** One gesture: a named JSON Patch (RFC 6902). */
export interface Edit {
  label: string;
  patch: readonly Operation[];
}

export interface Refusal {
  /** JSON pointer, or the path inside the document that is wrong. */
  path: string;
  reason: string;
}

export type Applied<T> = { ok: true; document: T; inverse: Operation[] } | { ok: false; refusals: Refusal[] };

const JsonPointer = z
  .string()
  .max(500)
  .regex(/^(\/([^~/]|~[01])*)*$/, 'not a JSON pointer');
const Value = z.json();

/** The patch as it may come from outside. */
export const PatchSchema = z
  .array(
    z.discriminatedUnion('op', [
      z.strictObject({ op: z.literal('add'), path: JsonPointer, value: Value }),
      z.strictObject({ op: z.literal('replace'), path: JsonPointer, value: Value }),
      z.strictObject({ op: z.literal('test'), path: JsonPointer, value: Value }),
      z.strictObject({ op: z.literal('remove'), path: JsonPointer }),
      z.strictObject({ op: z.literal('move'), from: JsonPointer, path: JsonPointer }),
      z.strictObject({ op: z.literal('copy'), from: JsonPointer, path: JsonPointer }),
    ]),
  )
  .max(1000);

const FORBIDDEN = new Set(['__proto__', 'constructor', 'prototype']);

function tokens(pointer: string): string[] {
  return pointer
    .split('/')
    .slice(1)
    .map((token) => token.replaceAll('~1', '/').replaceAll('~0', '~'));
}

export function pointer(...path: (string | number)[]): string {
  return path.map((token) => `/${String(token).replaceAll('~', '~0').replaceAll('/', '~1')}`).join('');
}

function hasForbiddenKey(value: unknown): boolean {
  if (value === null || typeof value !== 'object') return false;
  return Object.keys(value).some((key) => FORBIDDEN.has(key) || hasForbiddenKey((value as Record<string, unknown>)[key]));
}

function toOperation(patch: Patch): Operation {
  const path = pointer(...patch.path);
  return patch.op === 'remove' ? { op: 'remove', path } : { op: patch.op, path, value: patch.value };
}

function forbidden(patch: readonly Operation[]): Refusal | null {
  for (const op of patch) {
    const paths = 'from' in op ? [op.path, op.from] : [op.path];
    const bad = paths.find((path) => path === '' || tokens(path).some((token) => FORBIDDEN.has(token)));
    if (bad !== undefined) return { path: bad, reason: bad === '' ? 'the whole document cannot be replaced' : 'this name is not allowed' };
    if ('value' in op && hasForbiddenKey(op.value)) return { path: op.path, reason: 'this name is not allowed' };
  }
  return null;
}

/**
 * Applies a patch to a document: all of it, or none of it. Parts that the patch does not touch keep their identity.
 *
 * @param schema the whole document is checked against it after the patch
 * @returns the new document with rev + 1 and the inverse patch, or every reason why it was refused
 */
export function applyEdit<T extends { rev: number }>(document: T, patch: readonly Operation[], schema: z.ZodType<T>): Applied<T> {
  const refused = forbidden(patch);
  if (refused) return { ok: false, refusals: [refused] };
  const faults: Refusal[] = [];
  const [next, , undo] = produceWithPatches(document, (draft) => {
    for (const op of patch) {
      const fault = applyOne(draft, op);
      if (fault) {
        faults.push(fault);
        return;
      }
    }
  });
  if (faults.length > 0) return { ok: false, refusals: faults };
  const checked = schema.safeParse(next);
  if (!checked.success) return { ok: false, refusals: refusalsOf(checked.error) };
  const revised = next.rev === document.rev ? { ...next, rev: document.rev + 1 } : next;
  return { ok: true, document: revised, inverse: undo.map(toOperation) };
}

function applyOne(draft: unknown, op: Operation): Refusal | null {
  try {
    const [fault] = applyPatch(draft, [op]);
    if (!fault) return null;
    return { path: op.path, reason: fault.name === 'TestError' ? 'the document has changed since' : fault.message };
  } catch (error) {
    // the draft itself refuses what no JSON document can hold, such as a named entry in a list
    return { path: op.path, reason: error instanceof Error ? error.message : 'cannot be done' };
  }
}

/** Zod's issues as places and reasons. */
export function refusalsOf(error: z.ZodError): Refusal[] {
  return error.issues.map((issue) => ({ path: issue.path.join('.') || '(document)', reason: issue.message }));
}
