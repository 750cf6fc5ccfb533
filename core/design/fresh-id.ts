/**
 * A short id for a new entry of a design or room. It begins with a letter: a key of digits alone would be sorted to the front of
 * its table by JavaScript, and what was added last would no longer stand last.
 */
export const freshId = (): string => `a${crypto.randomUUID().slice(0, 7)}`;
