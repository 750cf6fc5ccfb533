import type { Refusal } from './edit';

/** A refusal when a document was written by a newer version than this one reads. */
export function newerThan(document: unknown, name: string, current: number): Refusal | null {
  const version = document !== null && typeof document === 'object' && 'schema' in document ? document.schema : null;
  return typeof version === 'number' && version > current
    ? {
        path: `${name}.schema`,
        reason: `written by a newer Terroir (version ${version}; this one reads up to ${current}). Update, then open it again`,
      }
    : null;
}
