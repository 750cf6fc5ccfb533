import { printParseErrorCode, visit, type ParseErrorCode } from 'jsonc-parser';
import type { Refusal } from './edit';

/** Names that would reach into the objects of the program itself. */
const FORBIDDEN = new Set(['__proto__', 'constructor', 'prototype']);
const MAX_DEPTH = 60;

export type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/**
 * Reads JSON that comes from outside. Refused with its place: what is not whole JSON, a name that stands twice in one object (one of the
 * two would be lost), a name that is not allowed, and nesting deeper than any document's.
 */
export function readJson(text: string): { ok: true; json: Json } | { ok: false; refusals: Refusal[] } {
  const faults: Refusal[] = [];
  const names: Set<string>[] = [];
  const place = (path: readonly (string | number)[], last?: string) =>
    [...path, ...(last === undefined ? [] : [last])].join('.') || '(file)';
  const broken = (code: ParseErrorCode, line: number, column: number) => {
    if (faults.length < 5)
      faults.push({ path: `line ${line + 1}, column ${column + 1}`, reason: `this is not whole JSON (${printParseErrorCode(code)})` });
  };
  visit(
    text,
    {
      onObjectBegin: (_offset, _length, line, _column, path) => {
        names.push(new Set());
        if (names.length > MAX_DEPTH && faults.length === 0)
          faults.push({ path: `line ${line + 1}`, reason: `nested deeper than any document (${path().length})` });
        return names.length <= MAX_DEPTH;
      },
      onObjectEnd: () => {
        names.pop();
      },
      onArrayBegin: (_offset, _length, line, _column, path) => {
        if (path().length > MAX_DEPTH && faults.length === 0)
          faults.push({ path: `line ${line + 1}`, reason: 'nested deeper than any document' });
        return path().length <= MAX_DEPTH;
      },
      onObjectProperty: (name, _offset, _length, _line, _column, path) => {
        if (FORBIDDEN.has(name)) faults.push({ path: place(path(), name), reason: 'this name is not allowed' });
        const known = names.at(-1);
        if (known?.has(name)) faults.push({ path: place(path(), name), reason: 'is a duplicate; one of the two would be lost' });
        known?.add(name);
      },
      onError: (code, _offset, _length, line, column) => broken(code, line, column),
    },
    { disallowComments: true, allowTrailingComma: false },
  );
  if (faults.length > 0) return { ok: false, refusals: faults.slice(0, 20) };
  try {
    return { ok: true, json: JSON.parse(text) as Json };
  } catch (error) {
    return {
      ok: false,
      refusals: [{ path: '(file)', reason: `this is not whole JSON: ${error instanceof Error ? error.message : 'unreadable'}` }],
    };
  }
}
